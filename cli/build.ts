import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import { buildSync } from 'esbuild';
import { DATA, hashOf, ROOT } from './system';
import { CommandError } from './fail';

const SOURCES = [
  'app',
  'ui',
  'core',
  'data',
  'server',
  'workers',
  'stand-ins',
  'docs/formats',
  'proxy.ts',
  'instrumentation.ts',
  'cli/build.ts',
  'next.config.ts',
  'tsconfig.json',
  'package-lock.json',
];
const STAMP = path.join(ROOT, '.next', 'pelvik-build');
export const NEXT = path.join(ROOT, 'node_modules', 'next', 'dist', 'bin', 'next');

/** Builds when a source changed since the last build. Returns the seconds it took, 0 when nothing had to be done. */
export function ensureBuild(): number {
  const hash = hashOf(SOURCES);
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === hash) return 0;
  const started = Date.now();
  process.stderr.write('Building ...\n');
  const done = spawnSync(process.execPath, [NEXT, 'build'], {
    cwd: ROOT,
    encoding: 'utf8',
    env: { ...process.env, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1' },
  });
  if (done.status !== 0)
    throw new CommandError(
      `The build failed:\n${(done.stdout + done.stderr).trim().split('\n').slice(-40).join('\n')}`,
    );
  bundle(hash.slice(0, 12));
  compress();
  writeFileSync(STAMP, hash);
  return (Date.now() - started) / 1000;
}

const made = (name: string) => path.join(ROOT, '.next', name);

/** The server process and its background processes, as plain files that start without a compiler. */
export const SERVER = made('pelvik-server.mjs');
export const BACKGROUND = made('pelvik-background.mjs');
const SERVICE_WORKER = made('pelvik-service-worker.js');

const COMMON = { bundle: true, absWorkingDir: ROOT, logLevel: 'error', jsx: 'automatic' } as const;
const NODE = {
  ...COMMON,
  platform: 'node',
  format: 'esm',
  packages: 'external',
  target: 'node20',
} as const;

/** The entry of the background processes as one file; returns where it is. */
export function bundleBackground(outfile = path.join(DATA, 'background.mjs')): string {
  buildSync({ ...NODE, entryPoints: ['app/background.ts'], outfile });
  return outfile;
}

function bundle(build: string): void {
  buildSync({ ...NODE, entryPoints: ['server/main.ts'], outfile: SERVER });
  bundleBackground(BACKGROUND);
  buildSync({
    ...COMMON,
    entryPoints: ['workers/service.worker.ts'],
    outfile: SERVICE_WORKER,
    format: 'iife',
    target: 'es2022',
    minify: true,
    define: {
      'self.__PRECACHE': JSON.stringify(staticFiles()),
      'self.__BUILD': JSON.stringify(build),
      'process.env.NODE_ENV': '"production"',
    },
  });
}

/** The program's files as small as they can be made, once, instead of anew for every browser. */
function compress(): void {
  const root = path.join(ROOT, '.next', 'static');
  for (const file of readdirSync(root, { recursive: true, encoding: 'utf8' })) {
    if (!/\.(js|css)$/.test(file)) continue;
    const bytes = readFileSync(path.join(root, file));
    writeFileSync(path.join(root, `${file}.br`), brotliCompressSync(bytes));
    writeFileSync(path.join(root, `${file}.gz`), gzipSync(bytes, { level: 9 }));
  }
}

/** Everything of the program that a browser may need while there is no network: names change with their content. */
function staticFiles(): { url: string; revision: null }[] {
  const root = path.join(ROOT, '.next', 'static');
  return readdirSync(root, { recursive: true, withFileTypes: true })
    .filter((f) => f.isFile() && /\.(js|css|woff2?)$/.test(f.name))
    .map((f) => path.relative(root, path.join(f.parentPath, f.name)))
    .sort()
    .map((name) => ({
      url: `/_next/static/${name.split(path.sep).map(encodeURIComponent).join('/')}`,
      revision: null,
    }));
}
