import type { ChildProcess } from 'node:child_process';
import demo from '@/data/demo/shop.json';
import { ensureBuild } from './build';
import { dropDatabase, ensureCluster, ensureDatabase } from './cluster';
import { CommandError } from './fail';
import { endLeftover, forgetServer, noteServer } from './leftover';
import { migrate } from './migrate';
import { seedDemo } from './seed';
import { serve } from './serve';
import { freePort, secondsDownloading, stop } from './system';

export const help = `
./pelvik demo [--reset] [--port N]

Installs what is missing, starts a private PostgreSQL on loopback, migrates, loads the demo shop when it is empty,
builds when stale and serves. Ctrl-C stops all of it. --reset starts the demo shop anew.
`;

const DATABASE = 'pelvik_demo';
const PORT = 4180;

export async function run(args: string[], mode: 'start' | 'dev' = 'start'): Promise<number> {
  const at = args.indexOf('--port');
  const wanted = at < 0 ? PORT : Number(args[at + 1]);
  if (!Number.isInteger(wanted) || wanted < 1 || wanted > 65535)
    throw new CommandError('--port takes a number from 1 to 65535.', 2);
  const unknown = args.find((a, k) => a !== '--reset' && a !== '--port' && k !== at + 1);
  if (unknown) throw new CommandError(`demo does not know "${unknown}". See ./pelvik demo --help.`, 2);

  const started = Date.now();
  endLeftover();
  const cluster = await ensureCluster();
  let server: ChildProcess;
  let port: number;
  try {
    if (args.includes('--reset')) await dropDatabase(cluster, DATABASE);
    await ensureDatabase(cluster, DATABASE);
    await migrate(cluster.url(DATABASE));
    await seedDemo(cluster.url(DATABASE));
    if (mode === 'start') ensureBuild();
    port = await freePort(wanted);
    server = await serve(cluster.url(DATABASE), port, mode, mode === 'start');
  } catch (error) {
    await cluster.release();
    throw error;
  }
  noteServer(server.pid!);

  const own = (Date.now() - started) / 1000;
  // What npm fetched was fetched before this process began; Debian's packages are in `own`.
  const npm = Number(process.env.PELVIK_DOWNLOAD_SECONDS ?? 0);
  const total = own + npm;
  const people = demo.people
    .map((p) => `  ${p.id.padEnd(8)} ${p.password.padEnd(20)} ${p.name}, ${p.role}`)
    .join('\n');
  process.stdout.write(
    `\nPelvik is at http://127.0.0.1:${port}\n\nSign in as\n${people}\n\n` +
      `Started in ${total.toFixed(1)} s (${(total - secondsDownloading()).toFixed(1)} s without the downloads of packages). Ctrl-C stops it.\n`,
  );
  return untilStopped(server, cluster.stop);
}

/** Waits for Ctrl-C or for the server to end, then stops everything in order. */
function untilStopped(server: ChildProcess, stopCluster: () => void): Promise<number> {
  return new Promise((resolve) => {
    let ending = false;
    const end = async (code: number) => {
      if (ending) return;
      ending = true;
      await stop(server);
      forgetServer();
      stopCluster();
      resolve(code);
    };
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, () => void end(0));
    server.once('exit', (code) => void end(code ?? 1));
  });
}
