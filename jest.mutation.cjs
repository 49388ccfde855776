/** For `./pelvik mutate`: the tests that stand in one folder, or some of them; the quick ones first. */
const { projects } = require('./jest.config.cjs');
const { PELVIK_MUTATED: folder, PELVIK_MUTATION_TESTS: tests } = process.env;
const project = folder.startsWith('server') ? 'database' : 'unit';
module.exports = {
  ...projects.find(({ displayName }) => displayName === project),
  testMatch: (tests ? tests.split(',') : ['**/*.test.ts']).map((t) => `<rootDir>/${folder}/${t}`),
  // As in the tests themselves: changed files run more slowly.
  testTimeout: 60_000,
  testSequencer: '<rootDir>/jest.quick-first.cjs',
};
