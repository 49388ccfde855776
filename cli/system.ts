import { spawn, spawnSync } from 'node:child_process';
import type { ChildProcess, SpawnOptions } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { createServer } from 'node:net';
import path from 'node:path';
import { CommandError } from './fail';

export const ROOT = path.resolve(__dirname, '..');
export const DATA = path.join(ROOT, '.pelvik');
/** What lays out the texts of this checkout. */
export const BIOME = path.join(ROOT, 'node_modules', '@biomejs', 'biome', 'bin', 'biome');

export function ensureData(): void {
  mkdirSync(DATA, { recursive: true, mode: 0o755 });
}

export function isRoot(): boolean {
  return process.getuid?.() === 0;
}

/** Runs a program to its end; throws a CommandError with its last words when it fails. */
export function must(
  program: string,
  args: string[],
  options: { input?: string; env?: NodeJS.ProcessEnv } = {},
): string {
  const done = spawnSync(program, args, { cwd: ROOT, encoding: 'utf8', maxBuffer: 64e6, ...options });
  if (done.status !== 0) {
    const words = (done.stderr || done.stdout || done.error?.message || '')
      .trim()
      .split('\n')
      .slice(-3)
      .join(' ');
    throw new CommandError(`${path.basename(program)} failed: ${words}`);
  }
  return done.stdout;
}

let downloading = Number(process.env.PELVIK_DOWNLOAD_SECONDS ?? 0);

/** Seconds this start has spent on fetching and installing packages, npm's included. */
export function secondsDownloading(): number {
  return downloading;
}

/** Installs Debian packages when a file they bring is missing. */
export function ensureDebian(file: () => string | null, packages: string[]): void {
  if (file()) return;
  const command = `apt-get install -y --no-install-recommends ${packages.join(' ')}`;
  if (!isRoot()) throw new CommandError(`Missing: ${packages.join(', ')}. Run: sudo ${command}`);
  const started = Date.now();
  process.stderr.write(`Installing ${packages.join(', ')} ...\n`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  must('apt-get', ['update', '-qq'], { env });
  must('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...packages], { env });
  if (!file()) throw new CommandError(`${packages.join(', ')} was installed, yet is not where it should be.`);
  downloading += (Date.now() - started) / 1000;
}

export function chromium(): string | null {
  return existsSync('/usr/bin/chromium') ? '/usr/bin/chromium' : null;
}

/** A port nobody listens on; the wanted one when it is free. */
export function freePort(wanted = 0): Promise<number> {
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', () =>
      wanted ? freePort().then(resolve, reject) : reject(new CommandError('No free port.')),
    );
    server.listen(wanted, '127.0.0.1', () => {
      const { port } = server.address() as { port: number };
      server.close(() => resolve(port));
    });
  });
}

export function start(args: string[], options: SpawnOptions): ChildProcess {
  return own(spawn(process.execPath, args, { cwd: ROOT, ...options }));
}

const owned = new Set<ChildProcess>();
process.on('exit', () => {
  for (const left of owned) left.kill('SIGTERM');
});

/** A process that ends when this one does, whatever ends it but SIGKILL. */
export function own(child: ChildProcess): ChildProcess {
  owned.add(child);
  child.once('exit', () => owned.delete(child));
  return child;
}

/** Ends a process we started, by its own id: asked first, then made to. */
export function stop(child: ChildProcess, patience = 5000): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return Promise.resolve();
  return new Promise((resolve) => {
    const timer = setTimeout(() => child.kill('SIGKILL'), patience);
    child.once('exit', () => {
      clearTimeout(timer);
      resolve();
    });
    child.kill('SIGTERM');
  });
}

/** A hash over the contents of files and folders of the checkout. */
export function hashOf(places: string[]): string {
  const hash = createHash('sha256');
  const visit = (place: string) => {
    const full = path.join(ROOT, place);
    if (!existsSync(full)) return;
    if (statSync(full).isDirectory()) {
      for (const name of readdirSync(full).sort()) visit(path.join(place, name));
    } else hash.update(place).update('\0').update(readFileSync(full));
  };
  places.forEach(visit);
  return hash.digest('hex');
}
