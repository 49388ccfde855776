import { existsSync } from 'node:fs';
import { ensureCluster } from './cluster';
import { CommandError } from './fail';
import { must } from './system';

export const help = `
./pelvik backup FILE

Writes the whole database, photos included, to FILE (PostgreSQL's custom format). Refuses to overwrite.
`;

export async function run(args: string[]): Promise<number> {
  const [file, ...rest] = args;
  if (!file || rest.length) throw new CommandError('backup takes one FILE.', 2);
  if (existsSync(file)) throw new CommandError(`${file} exists already: choose another name.`, 2);
  const cluster = await ensureCluster();
  try {
    must(cluster.binary('pg_dump'), ['-Fc', '-f', file, 'pelvik_demo'], { env: cluster.env });
  } finally {
    await cluster.release();
  }
  process.stdout.write(`Backup written to ${file}.\n`);
  return 0;
}
