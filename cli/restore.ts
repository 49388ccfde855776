import { existsSync } from 'node:fs';
import type { Client } from 'pg';
import { administer, dropDatabase } from './cluster';
import type { Cluster } from './cluster';
import { DATABASE } from './demo';
import { CommandError } from './fail';
import { oneFile, readOptions } from './input';
import { servedAt } from './leftover';
import { migrate } from './migrate';
import { bringBack, databaseExists, demandScratch, onDatabase, PLACE_HELP, placeOf } from './place';
import { SHOP_DATABASE } from './start';
import { must } from './system';

export const help = `
./pelvik restore [--shop | --owner URL] [--into-other] FILE

Brings a backup back. It is restored beside the database and looked at first, so a broken file, or an archive of something
else, changes nothing. ${PLACE_HELP}
A backup of one database does not go into another unless --into-other says so. What was there before is kept as pelvik_before_DATE_TIME; the newest five are kept.
Everybody signs in again, and customers' links that were revoked stay revoked.
`;

const BESIDE = 'pelvik_restoring';
const KEPT = 5;
/** What every Pelvik backup holds, whatever its age. */
const TABLES = [
  'users',
  'sessions',
  'jobs',
  'entries',
  'photos',
  'quotes',
  'quote_links',
  'quote_answers',
  'audit',
  'migrations',
];

export async function run(args: string[]): Promise<number> {
  const options = readOptions(args, ['--shop', '--into-other'], ['--owner']);
  const file = oneFile(options, 'backup');
  if (!existsSync(file)) throw new CommandError(`There is no file ${file}.`, 2);
  const running = servedAt();
  if (running)
    throw new CommandError(`Pelvik runs at ${running}. Stop it first (Ctrl-C there), then restore.`);
  const { cluster, database } = await placeOf(options);
  try {
    await demandScratch(cluster);
    refuseForeign(cluster, file, options.flags.has('--into-other') ? null : database);
    await bringBack(cluster, file, BESIDE);
    await migrate(cluster.url(BESIDE));
    await keepRevoked(cluster, database);
    const rescue = await swap(cluster, database);
    process.stdout.write(
      `Restored from ${file}.${rescue ? ` What was there before is kept as ${rescue}.` : ''} Everybody signs in again.\n`,
    );
    return 0;
  } catch (error) {
    await dropDatabase(cluster, BESIDE).catch(() => undefined);
    throw error;
  } finally {
    await cluster.release();
  }
}

/** Looks at an archive's table of contents before anything of it is run. */
function refuseForeign(cluster: Cluster, file: string, database: string | null): void {
  let contents: string;
  try {
    contents = must(cluster.binary('pg_restore'), ['--list', file], { env: cluster.env });
  } catch {
    throw new CommandError(`${file} is not a backup that PostgreSQL can read. Nothing was changed.`);
  }
  const of = /^; +dbname: (\S+)$/m.exec(contents)?.[1];
  if (database !== null && of !== undefined && of !== database)
    throw new CommandError(
      `${file} was made of ${shopName(of)}, not of ${shopName(database)}. Nothing was changed. ` +
        `${of === SHOP_DATABASE ? 'Add' : 'Leave out'} --shop to bring it back where it was, or add --into-other to put it here.`,
    );
  const tables = [...contents.matchAll(/^\d+; \d+ \d+ TABLE public (\w+) /gm)].map((m) => m[1]);
  const missing = TABLES.filter((t) => !tables.includes(t));
  if (missing.length)
    throw new CommandError(
      `${file} is an archive of something else: it has no table ${missing[0]}. Nothing was changed.`,
    );
}

const shopName = (database: string) =>
  ({ [DATABASE]: 'the demo', [SHOP_DATABASE]: 'the shop of ./pelvik start' })[database] ?? database;

/**
 * An older backup knows nothing of what was ended since: another generation begins, every session ends, and a customer's link stays revoked if it is
 * revoked in the database that is there now. Where there is none to ask, all links are.
 */
async function keepRevoked(cluster: Cluster, database: string): Promise<void> {
  const revoked = await databaseExists(cluster, database).then((there) =>
    there ? onDatabase(cluster, database, revokedLinks) : null,
  );
  await onDatabase(cluster, BESIDE, async (client) => {
    await client.query('UPDATE sessions SET revoked_at = now() WHERE revoked_at IS NULL');
    await client.query(
      `UPDATE quote_links SET revoked_at = now() WHERE revoked_at IS NULL AND ($1::bytea[] IS NULL OR token_hash = ANY ($1))`,
      [revoked],
    );
    await client.query('UPDATE generation SET id = gen_random_uuid(), since = now()');
    await client.query(`INSERT INTO audit (who, what, about) VALUES ('Pelvik', 'backup restored', '{}')`);
  });
}

async function revokedLinks(client: Client): Promise<Buffer[]> {
  const { rows } = await client.query('SELECT token_hash FROM quote_links WHERE revoked_at IS NOT NULL');
  return rows.map((r) => r.token_hash);
}

/** Puts the restored database in place. Returns the name what was there is kept under, or null. */
async function swap(cluster: Cluster, database: string): Promise<string | null> {
  const there = await databaseExists(cluster, database);
  return administer(cluster, async (client) => {
    await client.query(
      `SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = ANY ($1) AND pid <> pg_backend_pid()`,
      [[database, BESIDE]],
    );
    const before = database === DATABASE ? 'pelvik_before_' : `${database}_before_`;
    const stamp = new Date()
      .toISOString()
      .slice(0, 19)
      .replace(/\D/g, '')
      .replace(/^(\d{8})/, '$1_');
    const rescue = there ? `${before}${stamp}` : null;
    if (rescue) await client.query(`ALTER DATABASE ${database} RENAME TO ${rescue}`);
    await client.query(`ALTER DATABASE ${BESIDE} RENAME TO ${database}`);
    const { rows } = await client.query(
      `SELECT datname FROM pg_database WHERE datname ~ '^${before}\\d{8}_\\d{6}$' ORDER BY datname DESC OFFSET ${KEPT}`,
    );
    for (const { datname } of rows) await client.query(`DROP DATABASE ${datname} WITH (FORCE)`);
    return rescue;
  });
}
