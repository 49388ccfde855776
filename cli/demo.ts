import type { ChildProcess } from 'node:child_process';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import demo from '@/data/demo/shop.json';
import { startSupplier } from '@/stand-ins/supplier';
import { ensureBuild } from './build';
import { dropDatabase, ensureCluster, ensureDatabase } from './cluster';
import { ENDING } from './interrupt';
import type { Cluster } from './cluster';
import { CommandError } from './fail';
import { noFiles, readOptions, wholeOption } from './input';
import type { Options } from './input';
import { endLeftover, forgetServer, noteServer, servedAt } from './leftover';
import { migrate } from './migrate';
import { seedDemo } from './seed';
import { serve } from './serve';
import type { Serving } from './serve';
import { freePort, secondsDownloading, stop } from './system';

export const help = `
./pelvik demo [--reset] [--port N]

Installs what is missing, starts a private PostgreSQL on loopback, migrates, loads the demo shop when it is empty,
builds when stale and serves. Ctrl-C stops all of it. --reset starts the demo shop anew. A database or a server
that dies while it runs is started again.

Behind a proxy that ends TLS, name it: PELVIK_TRUSTED_PROXIES=127.0.0.1 ./pelvik demo. Errors are kept in .pelvik/log.
`;

export const DATABASE = 'pelvik_demo';
const PORT = 4180;

export function run(args: string[], mode: 'start' | 'dev' = 'start'): Promise<number> {
  const options = readOptions(args, ['--reset'], ['--port']);
  noFiles(options, mode === 'dev' ? 'dev' : 'demo');
  return serveShop(options, {
    database: DATABASE,
    mode,
    fill: seedDemo,
    greeting: () =>
      `Sign in as\n${demo.people.map((p) => `  ${p.id.padEnd(8)} ${p.password.padEnd(20)} ${p.name}, ${p.role}`).join('\n')}`,
  });
}

/** What differs between the demo shop and a shop's own. */
interface Shop {
  database: string;
  /** Where the database is; the checkout's own PostgreSQL unless said otherwise. */
  postgres?: () => Promise<Cluster>;
  /** How it is served, where not by one process on loopback. */
  serving?: Pick<Serving, 'host' | 'processes' | 'proxies'>;
  mode: 'start' | 'dev';
  /** Looks at the database once its tables are there. */
  ready?: () => Promise<void>;
  /** Puts in what is missing before it is served. */
  fill: (databaseUrl: string) => Promise<unknown>;
  /** Said once it is up. */
  greeting: (address: string) => string;
}

/** Starts everything a shop needs, and stays until it is stopped. */
export async function serveShop(options: Options, shop: Shop): Promise<number> {
  const { database, mode } = shop;
  const wanted = wholeOption(options, '--port', PORT, 1, 65_535);
  const running = servedAt();
  if (running)
    throw new CommandError(
      `Pelvik runs already in this checkout, at ${running}. Stop that first (Ctrl-C there).`,
    );

  const started = Date.now();
  endLeftover();
  const cluster = await (shop.postgres ?? ensureCluster)();
  let server: ChildProcess;
  let begin: () => Promise<ChildProcess>;
  let port: number;
  let supplier: Server | null = null;
  try {
    if (options.flags.has('--reset')) await dropDatabase(cluster, database);
    if (!shop.postgres) await ensureDatabase(cluster, database);
    await migrate(cluster.url(database));
    await shop.ready?.();
    await shop.fill(cluster.appUrl(database));
    if (mode === 'start') await ensureBuild();
    port = await freePort(wanted);
    if (!process.env.PELVIK_SUPPLIER) {
      supplier = await startSupplier(0, 'none');
      process.env.PELVIK_SUPPLIER = `http://127.0.0.1:${(supplier.address() as AddressInfo).port}`;
    }
    begin = () =>
      serve({
        databaseUrl: cluster.appUrl(database),
        port,
        mode,
        quiet: mode === 'start',
        disk: cluster.folder,
        ...shop.serving,
      });
    server = await begin();
  } catch (error) {
    supplier?.close();
    await cluster.release();
    throw error;
  }
  const address = `http://${shop.serving?.host ?? '127.0.0.1'}:${port}`;
  noteServer(server.pid!, address);

  const own = (Date.now() - started) / 1000;
  // What npm fetched was fetched before this process began; Debian's packages are in `own`.
  const npm = Number(process.env.PELVIK_DOWNLOAD_SECONDS ?? 0);
  const total = own + npm;
  process.stdout.write(
    `\nPelvik is at ${address}\n\n${shop.greeting(address)}\n\n` +
      `Started in ${total.toFixed(1)} s (${(total - secondsDownloading()).toFixed(1)} s without the downloads of packages). Ctrl-C stops it.\n`,
  );
  return untilStopped(server, cluster, async () => {
    const again = await begin();
    noteServer(again.pid!, address);
    return again;
  });
}

const LOOK = 2000;
/** Before a server that ended is started again, ms; twice as long each time, while it does not last. */
const FIRST_PAUSE = 500;
const LONGEST_PAUSE = 30_000;
/** A server that lasted so long had not failed at its start. */
const LASTED = 60_000;

/** Waits for Ctrl-C, then stops everything in order. A database or a server that dies is started again. */
function untilStopped(
  first: ChildProcess,
  cluster: Cluster,
  begin: () => Promise<ChildProcess>,
): Promise<number> {
  return new Promise((resolve) => {
    let server = first;
    let ending = false;
    let pause = FIRST_PAUSE;
    const watch = setInterval(() => {
      if (ending || cluster.running()) return;
      process.stderr.write('The database ended: starting it again.\n');
      if (!cluster.restart()) process.stderr.write('It does not start: see its server.log. Trying again.\n');
    }, LOOK);
    const look = (started: number) =>
      server.once('exit', () => {
        if (ending) return;
        pause = Date.now() - started > LASTED ? FIRST_PAUSE : Math.min(pause * 2, LONGEST_PAUSE);
        process.stderr.write('The server ended: starting it again.\n');
        setTimeout(() => void again(), pause);
      });
    const again = async () => {
      if (ending) return;
      const started = Date.now();
      try {
        server = await begin();
        look(started);
        // Ctrl-C may have come while it was starting.
        if (ending) await stop(server);
      } catch {
        pause = Math.min(pause * 2, LONGEST_PAUSE);
        process.stderr.write('It does not start: see .pelvik/log. Trying again.\n');
        setTimeout(() => void again(), pause);
      }
    };
    const end = async () => {
      if (ending) return;
      ending = true;
      clearInterval(watch);
      await stop(server);
      forgetServer();
      cluster.stop();
      resolve(0);
    };
    for (const signal of ENDING) process.on(signal, () => void end());
    look(Date.now());
  });
}
