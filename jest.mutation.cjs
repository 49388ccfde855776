/** For `./pelvik mutate`: the unit tests of the core and of the data it reasons with, as one project. */
const { projects } = require('./jest.config.cjs');
const [unit] = projects;
module.exports = { ...unit, testMatch: ['<rootDir>/{core,data}/**/*.test.ts'] };
