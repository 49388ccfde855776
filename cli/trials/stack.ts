import type { ChildProcess } from 'node:child_process';
import { ensureBuild } from '../build';
import { administer, dropDatabase } from '../cluster';
import type { Cluster } from '../cluster';
import { interruptible } from '../interrupt';
import { withDatabase } from '../scratch';
import { seedDemo } from '../seed';
import { serve } from '../serve';
import { freePort, stop } from '../system';

const DATABASE = 'pelvik_trials';

/** No request may take longer, ms. */
export const LIMIT_MS = 2000;

/** Two server processes on one database, each of which can be killed and started again, and so can PostgreSQL. */
export interface Stack {
  bases: [string, string];
  killServer(which: 0 | 1): Promise<void>;
  killDatabase(): Promise<void>;
  /** Server processes that ended without having been killed. */
  died(): number;
}

/** `folder`: where the database keeps its tables, and where the servers look for room; the cluster's own unless given. */
export async function withStack<T>(work: (stack: Stack) => Promise<T>, folder?: string): Promise<T> {
  await ensureBuild();
  return withDatabase(DATABASE, async ({ cluster, url }) => {
    await seedDemo(url);
    if (folder) await moveTo(cluster, folder);
    const ports = [await freePort(), await freePort()] as const;
    const begin = (port: number) =>
      serve({ databaseUrl: url, port, quiet: true, proxies: '127.0.0.1', disk: folder });
    const servers: ChildProcess[] = [await begin(ports[0]), await begin(ports[1])];
    let died = 0;
    const stack: Stack = {
      bases: [`http://127.0.0.1:${ports[0]}`, `http://127.0.0.1:${ports[1]}`],
      killServer: async (which) => {
        const server = servers[which]!;
        if (ended(server)) died++;
        else {
          const gone = new Promise((resolve) => server.once('exit', resolve));
          server.kill('SIGKILL');
          await gone;
        }
        servers[which] = await begin(ports[which]);
      },
      killDatabase: async () => {
        cluster.crash();
        await new Promise((resolve) => setTimeout(resolve, 300));
        cluster.restart();
      },
      died: () => died + servers.filter(ended).length,
    };
    try {
      return await interruptible(() => work(stack));
    } finally {
      await Promise.all(servers.map((s) => stop(s)));
      if (folder) await moveBack(cluster);
    }
  });
}

const ended = (server: ChildProcess) => server.exitCode !== null || server.signalCode !== null;

/** Places of tables are the whole cluster's, and hold the folder. */
async function moveTo(cluster: Cluster, folder: string): Promise<void> {
  await administer(cluster, async (client) => {
    await client.query(`CREATE TABLESPACE ${DATABASE} LOCATION '${folder}'`);
    await client.query(`ALTER DATABASE ${DATABASE} SET TABLESPACE ${DATABASE}`);
  });
}

async function moveBack(cluster: Cluster): Promise<void> {
  await dropDatabase(cluster, DATABASE);
  await administer(cluster, (client) => client.query(`DROP TABLESPACE IF EXISTS ${DATABASE}`));
}
