/* Three projects: pure unit tests, tests on a real MariaDB, end-to-end tests in Chromium. */
const common = {
  rootDir: __dirname,
  testEnvironment: 'node',
  setupFiles: ['reflect-metadata'],
  setupFilesAfterEnv: ['<rootDir>/tests/support/patience.ts'],
  transform: {
    '^.+\\.(t|j)sx?$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2022',
          keepClassNames: true,
          parser: { syntax: 'typescript', tsx: true, decorators: true },
          transform: { legacyDecorator: true, decoratorMetadata: true, react: { runtime: 'automatic' } },
        },
        module: { type: 'commonjs' },
      },
    ],
  },
  moduleNameMapper: { '^server-only$': '<rootDir>/tests/support/empty.ts', '^@/(.*)$': '<rootDir>/src/$1' },
  modulePathIgnorePatterns: ['<rootDir>/.next', '<rootDir>/.plucky'],
};

module.exports = {
  projects: [
    {
      ...common,
      displayName: 'unit',
      testMatch: ['<rootDir>/{src,scripts,tests}/**/*.test.{ts,tsx}'],
      testPathIgnorePatterns: ['\\.db\\.test\\.ts$', '<rootDir>/tests/e2e/'],
    },
    {
      ...common,
      displayName: 'db',
      testMatch: ['<rootDir>/{src,scripts}/**/*.db.test.ts'],
      globalSetup: '<rootDir>/tests/support/readyWorkers.ts',
    },
    { ...common, displayName: 'e2e', testMatch: ['<rootDir>/tests/e2e/**/*.test.ts'] },
  ],
};
