const transform = {
  '^.+\\.tsx?$': [
    '@swc/jest',
    {
      jsc: { parser: { syntax: 'typescript', tsx: true }, target: 'es2022', transform: { react: { runtime: 'automatic' } } },
      module: { type: 'commonjs' },
    },
  ],
}
const shared = {
  testEnvironment: 'node',
  // openchemlib ships as ES modules only.
  transform: { ...transform, 'node_modules/openchemlib/.+\\.js$': ['@swc/jest', { module: { type: 'commonjs' } }] },
  transformIgnorePatterns: ['node_modules/(?!openchemlib/)'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
}

/** Tests named *.db.test.ts talk to a real MariaDB; `./mozle test` starts one and passes its addresses. */
module.exports = {
  projects: [
    {
      ...shared,
      displayName: 'core',
      testMatch: ['<rootDir>/src/**/*.test.{ts,tsx}', '<rootDir>/scripts/**/*.test.ts'],
      testPathIgnorePatterns: ['\\.db\\.test\\.ts$'],
    },
    { ...shared, displayName: 'database', testMatch: ['<rootDir>/src/**/*.db.test.ts'] },
  ],
}
