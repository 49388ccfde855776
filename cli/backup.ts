import { closeSync, existsSync, openSync, renameSync, rmSync } from 'node:fs';
import { ensureCluster } from './cluster';
import { DATABASE } from './demo';
import { CommandError } from './fail';
import { oneFile, readOptions } from './input';
import { SHOP_DATABASE } from './start';
import { must } from './system';

export const help = `
./pelvik backup [--shop] FILE

Writes the whole database, photos included, to FILE (PostgreSQL's custom format), for its owner's eyes only (mode 0600).
--shop takes the shop of ./pelvik start in place of the demo's. Refuses to overwrite; a backup that was cut off leaves no FILE.
`;

export async function run(args: string[]): Promise<number> {
  const options = readOptions(args, ['--shop'], []);
  const file = oneFile(options, 'backup');
  const database = options.flags.has('--shop') ? SHOP_DATABASE : DATABASE;
  if (existsSync(file)) throw new CommandError(`${file} exists already: choose another name.`, 2);
  const part = `${file}.part`;
  rmSync(part, { force: true });
  // Made before anything is in it, so that it is never readable for others, not even for a moment.
  try {
    closeSync(openSync(part, 'wx', 0o600));
  } catch {
    throw new CommandError(`${file} cannot be written: is the folder there?`, 2);
  }
  const cluster = await ensureCluster();
  try {
    must(cluster.binary('pg_dump'), ['-Fc', '-f', part, database], { env: cluster.env });
    renameSync(part, file);
  } finally {
    rmSync(part, { force: true });
    await cluster.release();
  }
  process.stdout.write(`Backup written to ${file}.\n`);
  return 0;
}
