/** Unit, hook and server tests, as ES modules. Browser tests are Playwright's (e2e/). */
const swc = (parser, react = {}) => [
  '@swc/jest',
  {
    jsc: {
      parser,
      target: 'es2022',
      transform: { react },
      experimental: { keepImportAttributes: true },
    },
    module: { type: 'es6' },
  },
];

export default {
  roots: [
    '<rootDir>/core/src',
    '<rootDir>/server/src',
    '<rootDir>/demo/src',
    '<rootDir>/cli/src',
    '<rootDir>/web/src',
    '<rootDir>/scripts',
  ],
  globalSetup: '<rootDir>/scripts/test-run.ts',
  globalTeardown: '<rootDir>/scripts/test-run-end.ts',
  // Tests of hooks and components are .tsx and say that they run under jsdom.
  testMatch: ['**/*.test.{ts,tsx}'],
  testEnvironment: 'node',
  moduleNameMapper: { '\\.css$': '<rootDir>/scripts/no-styles.mjs' },
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: {
    '^.+\\.ts$': swc({ syntax: 'typescript', tsx: false }),
    '^.+\\.tsx$': swc({ syntax: 'typescript', tsx: true }, { runtime: 'automatic' }),
  },
  transformIgnorePatterns: ['/node_modules/(?!@clever-drawer)'],
  // Hangs are found all the same; a machine that others use as well is ten times slower at times.
  testTimeout: 240_000,
};
