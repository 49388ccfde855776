import { Client } from 'pg';
import { administer, dropDatabase, ensureCluster, ensureDatabase } from './cluster';
import type { Cluster } from './cluster';
import { DATABASE } from './demo';
import { CommandError } from './fail';
import type { Options } from './input';
import { databaseOf, outsidePostgres } from './outside';
import { SHOP_DATABASE } from './start';
import { must } from './system';

/** Which database a backup is made of, or brought back to. */
export interface Place {
  cluster: Cluster;
  database: string;
}

export const PLACE_HELP = `--shop takes the shop of ./pelvik start in place of the demo's; --owner URL, or PELVIK_OWNER_URL, a database of one's own,
as the role that owns it.`;

export async function placeOf(options: Options): Promise<Place> {
  const owner = options.values.get('--owner')?.at(-1) ?? process.env.PELVIK_OWNER_URL;
  if (owner) return { cluster: await outsidePostgres(owner, owner), database: databaseOf(owner, '--owner') };
  const database = options.flags.has('--shop') ? SHOP_DATABASE : DATABASE;
  return { cluster: await ensureCluster(), database };
}

/** Throws a CommandError where no further database can be made: what is brought back is looked at on one of its own. */
export async function demandScratch(cluster: Cluster): Promise<void> {
  const { rows } = await administer(cluster, (client) =>
    client.query('SELECT rolname, rolcreatedb OR rolsuper AS may FROM pg_roles WHERE rolname = current_user'),
  );
  if (!rows[0].may)
    throw new CommandError(
      `${rows[0].rolname} may not make databases: a backup is looked at on one of its own first. As the administrator: ALTER ROLE ${rows[0].rolname} CREATEDB;`,
    );
}

export async function databaseExists(cluster: Cluster, name: string): Promise<boolean> {
  return administer(
    cluster,
    async (client) =>
      (await client.query('SELECT 1 FROM pg_database WHERE datname = $1', [name])).rowCount === 1,
  );
}

/** Fills a database made anew with what an archive holds; what stood there under its name is dropped. */
export async function bringBack(cluster: Cluster, file: string, name: string): Promise<void> {
  await dropDatabase(cluster, name);
  await ensureDatabase(cluster, name);
  must(cluster.binary('pg_restore'), ['--exit-on-error', '--no-owner', '-d', name, file], {
    env: cluster.env,
  });
}

/** Runs statements on one database, as its owner. */
export async function onDatabase<T>(
  cluster: Cluster,
  name: string,
  work: (client: Client) => Promise<T>,
): Promise<T> {
  const client = new Client({ connectionString: cluster.url(name) });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}
