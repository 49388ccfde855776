import path from 'node:path';
import { runner } from 'node-pg-migrate';
import { ROOT } from './system';

/** Brings a database up to the newest migration in db/migrations. */
export async function migrate(databaseUrl: string): Promise<void> {
  await runner({
    databaseUrl,
    dir: path.join(ROOT, 'db', 'migrations'),
    direction: 'up',
    migrationsTable: 'migrations',
    log: () => undefined,
    verbose: false,
  });
}
