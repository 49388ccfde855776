import type { ChildProcess } from 'node:child_process';
import path from 'node:path';
import { BACKGROUND, bundleBackground, bundleCustomer, CUSTOMER, SERVER } from './bundle';
import { CommandError } from './fail';
import { DATA, start } from './system';

/**
 * Most the server process may keep in its heap, MB. With a limit V8 tidies as it goes: fifty people at work leave it at
 * about 260 MB in all, instead of letting it grow towards 500.
 */
const HEAP_MB = 1024;

/** Hosts that mean every address of the machine. */
const ANY = ['0.0.0.0', '::'];

export interface Serving {
  /** As the application's role. */
  databaseUrl: string;
  port: number;
  /** Loopback unless said otherwise. */
  host?: string;
  /** Server processes on the one port; one unless said otherwise. */
  processes?: number;
  /** A folder on the disk the database writes to: photos are refused while it is nearly full. */
  disk?: string | null;
  mode?: 'start' | 'dev';
  quiet?: boolean;
  /** A file that takes what it warns of, in place of the terminal. */
  warnings?: number;
  /** Addresses that may say where a request came from; none unless given. */
  proxies?: string;
}

/** Starts the built application on loopback and waits until it answers. */
export async function serve({
  databaseUrl,
  port,
  mode = 'start',
  ...options
}: Serving): Promise<ChildProcess> {
  const entry =
    mode === 'start' ? [`--max-old-space-size=${HEAP_MB}`, SERVER] : ['--import', 'tsx', 'server/main.ts'];
  const child = start(entry, {
    stdio: options.quiet ? ['ignore', 'ignore', options.warnings ?? 'inherit'] : 'inherit',
    env: {
      ...process.env,
      NODE_ENV: mode === 'start' ? 'production' : 'development',
      NEXT_TELEMETRY_DISABLED: '1',
      DATABASE_URL: databaseUrl,
      PORT: String(port),
      PELVIK_HOST: options.host ?? '127.0.0.1',
      PELVIK_PROCESSES: String(options.processes ?? 1),
      PELVIK_DISK: options.disk ?? '',
      PELVIK_TRUSTED_PROXIES: options.proxies ?? process.env.PELVIK_TRUSTED_PROXIES ?? '',
      PELVIK_LOG: process.env.PELVIK_LOG ?? 'warn',
      PELVIK_OUTBOX: process.env.PELVIK_OUTBOX ?? path.join(DATA, 'outbox'),
      PELVIK_LOG_FOLDER: process.env.PELVIK_LOG_FOLDER ?? path.join(DATA, 'log'),
      PELVIK_BACKGROUND: mode === 'start' ? BACKGROUND : bundleBackground(),
      PELVIK_CUSTOMER: mode === 'start' ? CUSTOMER : bundleCustomer(),
    },
  });
  const host = options.host === undefined || ANY.includes(options.host) ? '127.0.0.1' : options.host;
  const address = `http://${host.includes(':') ? `[${host}]` : host}:${port}/api/ready`;
  const until = Date.now() + 60_000;
  while (Date.now() < until) {
    if (child.exitCode !== null) throw new CommandError('The server ended before it answered.');
    const answer = await fetch(address).catch(() => null);
    if (answer?.ok) return child;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  child.kill('SIGKILL');
  throw new CommandError('The server did not answer within a minute.');
}
