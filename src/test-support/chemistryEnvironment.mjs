import { TestEnvironment } from 'jest-environment-node'

/**
 * For tests that read structures themselves: openchemlib is loaded by Node.js, once for each worker, and handed in. Compiled inside the sandbox of every test file it took six times as long.
 */
export default class ChemistryEnvironment extends TestEnvironment {
  async setup() {
    await super.setup()
    this.global.openchemlib = await import('openchemlib')
  }
}
