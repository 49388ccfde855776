import { ensureBuild } from '../build';
import { dropDatabase, ensureCluster, ensureDatabase } from '../cluster';
import { migrate } from '../migrate';
import { seedDemo } from '../seed';
import { serve } from '../serve';
import { freePort, stop } from '../system';

/** A server of its own over the demo shop. */
export interface Served {
  base: string;
  pid: number;
  /** As the owner of the tables. */
  databaseUrl: string;
}

const DATABASE = 'pelvik_bench';

/** Runs `work` against a server started for it; `fill` may put more into the database first. */
export async function served<T>(
  work: (served: Served) => Promise<T>,
  fill: (databaseUrl: string) => Promise<void> = async () => undefined,
  processes = 1,
): Promise<T> {
  await ensureBuild();
  const cluster = await ensureCluster();
  await dropDatabase(cluster, DATABASE);
  await ensureDatabase(cluster, DATABASE);
  await migrate(cluster.url(DATABASE));
  await seedDemo(cluster.appUrl(DATABASE));
  await fill(cluster.url(DATABASE));
  const port = await freePort();
  const server = await serve({ databaseUrl: cluster.appUrl(DATABASE), port, quiet: true, processes });
  try {
    return await work({
      base: `http://127.0.0.1:${port}`,
      pid: server.pid!,
      databaseUrl: cluster.url(DATABASE),
    });
  } finally {
    await stop(server);
    await dropDatabase(cluster, DATABASE);
    await cluster.release();
  }
}
