/** Two projects: `unit` needs nothing, `database` needs the PostgreSQL that `./pelvik test` starts. */
const shared = {
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: {
          parser: { syntax: 'typescript', tsx: true },
          target: 'es2022',
          transform: { react: { runtime: 'automatic' } },
        },
      },
    ],
  },
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/$1' },
  testEnvironment: 'node',
  modulePathIgnorePatterns: ['<rootDir>/.next', '<rootDir>/.pelvik'],
};
module.exports = {
  // No test waits for a clock that long: what takes longer hangs, however busy the machine is.
  testTimeout: 60_000,
  projects: [
    {
      ...shared,
      displayName: 'unit',
      roots: ['<rootDir>'],
      testMatch: ['<rootDir>/{core,ui,cli,data,workers}/**/*.test.ts'],
    },
    {
      ...shared,
      displayName: 'database',
      roots: ['<rootDir>'],
      testMatch: ['<rootDir>/server/**/*.test.ts'],
    },
  ],
};
