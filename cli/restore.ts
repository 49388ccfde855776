import { existsSync } from 'node:fs';
import { administer, dropDatabase, ensureCluster, ensureDatabase } from './cluster';
import { CommandError } from './fail';
import { migrate } from './migrate';
import { must } from './system';

export const help = `
./pelvik restore FILE

Brings a backup back. It is restored beside the database first, so a broken file changes nothing; what was there
before is kept as pelvik_before_restore until the next restore.
`;

export async function run(args: string[]): Promise<number> {
  const [file, ...rest] = args;
  if (!file || rest.length) throw new CommandError('restore takes one FILE.', 2);
  if (!existsSync(file)) throw new CommandError(`There is no file ${file}.`, 2);
  const cluster = await ensureCluster();
  try {
    await dropDatabase(cluster, 'pelvik_restoring');
    await ensureDatabase(cluster, 'pelvik_restoring');
    must(cluster.binary('pg_restore'), ['--exit-on-error', '--no-owner', '-d', 'pelvik_restoring', file], {
      env: cluster.env,
    });
    await migrate(cluster.url('pelvik_restoring'));
    await dropDatabase(cluster, 'pelvik_before_restore');
    await administer(cluster, async (client) => {
      await client.query(
        `SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname IN ('pelvik_demo', 'pelvik_restoring')`,
      );
      const { rowCount } = await client.query(`SELECT 1 FROM pg_database WHERE datname = 'pelvik_demo'`);
      if (rowCount) await client.query('ALTER DATABASE pelvik_demo RENAME TO pelvik_before_restore');
      await client.query('ALTER DATABASE pelvik_restoring RENAME TO pelvik_demo');
    });
  } finally {
    await cluster.release();
  }
  process.stdout.write(`Restored from ${file}.\n`);
  return 0;
}
