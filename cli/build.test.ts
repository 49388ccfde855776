import config from '../next.config';

test('a build is named for its sources, so that two machines serve one version', () => {
  process.env.PELVIK_BUILD = 'a1b2c3';
  expect(config.generateBuildId!()).toBe('a1b2c3');
  delete process.env.PELVIK_BUILD;
  expect(config.generateBuildId!()).toBeNull();
});
