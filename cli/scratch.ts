import { bundleBackground } from './bundle';
import { dropDatabase, ensureCluster, ensureDatabase } from './cluster';
import { migrate } from './migrate';

/** Work over a database of its own, empty and up to date, which is gone afterwards. */
export async function withDatabase<T>(
  name: string,
  work: (url: string, owner: string) => Promise<T> | T,
): Promise<T> {
  const cluster = await ensureCluster();
  try {
    await dropDatabase(cluster, name);
    await ensureDatabase(cluster, name);
    await migrate(cluster.url(name));
    return await work(cluster.appUrl(name), cluster.url(name));
  } finally {
    await dropDatabase(cluster, name).catch(() => undefined);
    await cluster.release();
  }
}

/** What the tests of server/ read from their surroundings. */
export const databaseTests = (url: string, owner: string): Record<string, string> => ({
  DATABASE_URL: url,
  PELVIK_OWNER_URL: owner,
  PELVIK_BACKGROUND: bundleBackground(),
});
