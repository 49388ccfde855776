import { readdirSync } from 'node:fs';
import path from 'node:path';
import pg from 'pg';
import { installShippedUnits } from '@/server/units';
import { CommandError } from './fail';
import { ROOT } from './system';

const FOLDER = path.join(ROOT, 'db', 'migrations');

/**
 * Brings a database up to the newest migration in db/migrations, and its library to the units that ship. Throws a
 * CommandError for a database a newer program has changed: nothing is done to it.
 */
export async function migrate(databaseUrl: string): Promise<void> {
  await withClient(databaseUrl, refuseNewer);
  // Read only where it is used: no other command waits for it.
  const { runner } = await import('node-pg-migrate');
  await runner({
    databaseUrl,
    dir: FOLDER,
    direction: 'up',
    migrationsTable: 'migrations',
    log: () => undefined,
    verbose: false,
  });
  await withClient(databaseUrl, installShippedUnits);
}

async function refuseNewer(client: pg.Client): Promise<void> {
  const { rows: there } = await client.query(`SELECT to_regclass('public.migrations') IS NOT NULL AS there`);
  if (!there[0].there) return;
  const { rows } = await client.query('SELECT name FROM migrations ORDER BY name');
  const known = new Set(readdirSync(FOLDER).map((file) => path.parse(file).name));
  const newer = rows.map((r) => r.name as string).filter((name) => !known.has(name));
  if (newer.length)
    throw new CommandError(
      `This database was changed by a newer Pelvik (${newer.at(-1)}). Nothing was touched. Start the newer program, or bring back a backup made before.`,
    );
}

async function withClient(databaseUrl: string, work: (client: pg.Client) => Promise<void>): Promise<void> {
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  try {
    await work(client);
  } finally {
    await client.end();
  }
}
