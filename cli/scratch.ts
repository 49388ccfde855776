import { bundleBackground } from './bundle';
import { dropDatabase, ensureCluster, ensureDatabase } from './cluster';
import type { Cluster } from './cluster';
import { interruptible } from './interrupt';
import { migrate } from './migrate';

export interface Scratch {
  /** As the application. */
  url: string;
  /** As the owner of the tables. */
  owner: string;
  cluster: Cluster;
}

/** Work over a database of its own, empty and up to date, which is gone afterwards, also when the work is interrupted. */
export async function withDatabase<T>(name: string, work: (scratch: Scratch) => Promise<T> | T): Promise<T> {
  const cluster = await ensureCluster();
  try {
    return await interruptible(async () => {
      await dropDatabase(cluster, name);
      await ensureDatabase(cluster, name);
      await migrate(cluster.url(name));
      return work({ url: cluster.appUrl(name), owner: cluster.url(name), cluster });
    });
  } finally {
    await dropDatabase(cluster, name).catch(() => undefined);
    await cluster.release();
  }
}

/** What the tests of server/ read from their surroundings. */
export const databaseTests = ({ url, owner }: Scratch): Record<string, string> => ({
  DATABASE_URL: url,
  PELVIK_OWNER_URL: owner,
  PELVIK_BACKGROUND: bundleBackground(),
});
