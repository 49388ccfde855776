/**
 * Writes npm-shrinkwrap.json: package-lock.json with the address of every package at the registry this machine uses. The
 * lock file names no registry; without addresses npm asks for the whole history of each package before it fetches one,
 * which takes twice as long as fetching. What is fetched is held against the lock file's hashes either way.
 *
 * Runs before anything is installed: no TypeScript, no packages. Argument: the registry.
 */
const { readFileSync, writeFileSync } = require('node:fs');

const registry = process.argv[2].replace(/\/$/, '');
const lock = JSON.parse(readFileSync('package-lock.json', 'utf8'));
for (const [place, entry] of Object.entries(lock.packages)) {
  if (!entry.integrity || entry.resolved) continue;
  const name = entry.name ?? place.slice(place.lastIndexOf('node_modules/') + 'node_modules/'.length);
  const file = `${name.slice(name.indexOf('/') + 1)}-${entry.version}.tgz`;
  entry.resolved = `${registry}/${name}/-/${file}`;
}
writeFileSync('npm-shrinkwrap.json', JSON.stringify(lock));
