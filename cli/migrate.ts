import path from 'node:path';
import { runner } from 'node-pg-migrate';
import pg from 'pg';
import { installShippedUnits } from '@/server/units';
import { ROOT } from './system';

/** Brings a database up to the newest migration in db/migrations, and its library to the units that ship. */
export async function migrate(databaseUrl: string): Promise<void> {
  await runner({
    databaseUrl,
    dir: path.join(ROOT, 'db', 'migrations'),
    direction: 'up',
    migrationsTable: 'migrations',
    log: () => undefined,
    verbose: false,
  });
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  try {
    await installShippedUnits(client);
  } finally {
    await client.end();
  }
}
