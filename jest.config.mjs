/** Unit and server tests, as ES modules. Browser tests are Playwright's (e2e/). */
export default {
  roots: [
    '<rootDir>/core/src',
    '<rootDir>/server/src',
    '<rootDir>/demo/src',
    '<rootDir>/cli/src',
    '<rootDir>/web/src',
  ],
  testMatch: ['**/*.test.ts'],
  testEnvironment: 'node',
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: { parser: { syntax: 'typescript', tsx: false }, target: 'es2022' },
        module: { type: 'es6' },
      },
    ],
  },
  transformIgnorePatterns: ['/node_modules/(?!@clever-drawer)'],
  testTimeout: 60_000,
};
