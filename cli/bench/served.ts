import { ensureBuild } from '../build';
import { interruptible } from '../interrupt';
import { withDatabase } from '../scratch';
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
  return withDatabase(DATABASE, async ({ url, owner }) => {
    await seedDemo(url);
    await fill(owner);
    const port = await freePort();
    const server = await serve({ databaseUrl: url, port, quiet: true, processes });
    try {
      const reached = { base: `http://127.0.0.1:${port}`, pid: server.pid!, databaseUrl: owner };
      return await interruptible(() => work(reached));
    } finally {
      await stop(server);
    }
  });
}
