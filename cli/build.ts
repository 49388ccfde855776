import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import {
  BACKGROUND,
  bundleBackground,
  bundleCustomer,
  bundleServer,
  bundleServiceWorker,
  STATIC,
} from './bundle';
import { hashOf, ROOT } from './system';
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
  'cli/bundle.ts',
  'next.config.ts',
  'tsconfig.json',
  'package-lock.json',
];
const STAMP = path.join(ROOT, '.next', 'pelvik-build');
const NEXT = path.join(ROOT, 'node_modules', 'next', 'dist', 'bin', 'next');

/** Builds when a source changed since the last build. Returns the seconds it took, 0 when nothing had to be done. */
export function ensureBuild(): number {
  const hash = hashOf(SOURCES);
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === hash) return 0;
  const started = Date.now();
  const name = hash.slice(0, 12);
  process.stderr.write('Building ...\n');
  const done = spawnSync(process.execPath, [NEXT, 'build'], {
    cwd: ROOT,
    encoding: 'utf8',
    env: { ...process.env, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1', PELVIK_BUILD: name },
  });
  if (done.status !== 0)
    throw new CommandError(
      `The build failed:\n${(done.stdout + done.stderr).trim().split('\n').slice(-40).join('\n')}`,
    );
  bundleServer();
  bundleBackground(BACKGROUND);
  bundleServiceWorker(name);
  bundleCustomer();
  compress();
  writeFileSync(STAMP, hash);
  return (Date.now() - started) / 1000;
}

/** The program's files as small as they can be made, once, instead of anew for every browser. */
function compress(): void {
  for (const file of readdirSync(STATIC, { recursive: true, encoding: 'utf8' })) {
    if (!/\.(js|css)$/.test(file)) continue;
    const bytes = readFileSync(path.join(STATIC, file));
    writeFileSync(path.join(STATIC, `${file}.br`), brotliCompressSync(bytes));
    writeFileSync(path.join(STATIC, `${file}.gz`), gzipSync(bytes, { level: 9 }));
  }
}
