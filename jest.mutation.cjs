/** For `./pelvik mutate`: the unit tests that stand beside one subject of the core, the quick ones first. */
const { projects } = require('./jest.config.cjs');
const [unit] = projects;
module.exports = {
  ...unit,
  testMatch: [`<rootDir>/core/${process.env.PELVIK_MUTATED}/**/*.test.ts`],
  testSequencer: '<rootDir>/jest.quick-first.cjs',
};
