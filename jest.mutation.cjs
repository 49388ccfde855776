/** For `./pelvik mutate`: the unit tests that stand in one folder, or some of them; the quick ones first. */
const { projects } = require('./jest.config.cjs');
const [unit] = projects;
const { PELVIK_MUTATED: folder, PELVIK_MUTATION_TESTS: tests } = process.env;
module.exports = {
  ...unit,
  testMatch: (tests ? tests.split(',') : ['**/*.test.ts']).map((t) => `<rootDir>/${folder}/${t}`),
  testSequencer: '<rootDir>/jest.quick-first.cjs',
};
