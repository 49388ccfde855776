import type { ChildProcess } from 'node:child_process';
import { NEXT } from './build';
import { CommandError } from './fail';
import { start } from './system';

/** Starts the built application on loopback and waits until it answers. */
export async function serve(
  databaseUrl: string,
  port: number,
  mode: 'start' | 'dev',
  quiet: boolean,
): Promise<ChildProcess> {
  const child = start([NEXT, mode, '-H', '127.0.0.1', '-p', String(port)], {
    stdio: quiet ? ['ignore', 'ignore', 'inherit'] : 'inherit',
    env: {
      ...process.env,
      NODE_ENV: mode === 'start' ? 'production' : 'development',
      NEXT_TELEMETRY_DISABLED: '1',
      DATABASE_URL: databaseUrl,
      PELVIK_LOG: process.env.PELVIK_LOG ?? 'warn',
    },
  });
  const until = Date.now() + 60_000;
  while (Date.now() < until) {
    if (child.exitCode !== null) throw new CommandError('The server ended before it answered.');
    const answer = await fetch(`http://127.0.0.1:${port}/api/health`).catch(() => null);
    if (answer?.ok) return child;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  child.kill('SIGKILL');
  throw new CommandError('The server did not answer within a minute.');
}
