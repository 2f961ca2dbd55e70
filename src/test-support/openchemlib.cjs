/** Stands for openchemlib in tests; see chemistryEnvironment.mjs. */
if (!globalThis.openchemlib)
  throw new Error('This test reads structures: begin it with @jest-environment ./src/test-support/chemistryEnvironment.mjs')
module.exports = globalThis.openchemlib
