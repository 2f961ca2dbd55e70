const shared = {
  // Builds and copies stand there, with a package.json of the same name.
  modulePathIgnorePatterns: ['<rootDir>/.mozle/'],
  testEnvironment: 'node',
  // Its cleaning wraps the setters of what is global anew with each file of a process, until calling one overflows the stack.
  testEnvironmentOptions: { globalsCleanup: 'off' },
  transform: {
    '^.+\\.(tsx?|js)$': [
      '@swc/jest',
      {
        jsc: { parser: { syntax: 'typescript', tsx: true }, target: 'es2022', transform: { react: { runtime: 'automatic' } } },
        module: { type: 'commonjs' },
      },
    ],
  },
  // Packages that ship as modules only, which Jest's own loader does not take.
  transformIgnorePatterns: [
    '/node_modules/(?!(jcampconverter|dynamic-typing|ensure-string|gyromagnetic-ratio|ml-array-median|is-any-array)/)',
  ],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1', '^openchemlib$': '<rootDir>/src/test-support/openchemlib.cjs' },
}

/** Tests named *.db.test.ts talk to a real MariaDB; `./mozle test` starts one and passes its addresses. */
module.exports = {
  maxWorkers: 2,
  projects: [
    {
      ...shared,
      displayName: 'core',
      testMatch: ['<rootDir>/src/**/*.test.{ts,tsx}', '<rootDir>/scripts/**/*.test.ts'],
      testPathIgnorePatterns: ['\\.(db|service|cluster)\\.test\\.ts$'],
    },
    { ...shared, displayName: 'together', testMatch: ['<rootDir>/scripts/together/*.suite.ts'] },
    { ...shared, displayName: 'database', testMatch: ['<rootDir>/src/**/*.db.test.ts'] },
    { ...shared, displayName: 'cluster', testMatch: ['<rootDir>/scripts/**/*.cluster.test.ts'] },
    { ...shared, displayName: 'service', testMatch: ['<rootDir>/scripts/**/*.service.test.ts'] },
  ],
}
