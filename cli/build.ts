import { execFile } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { readFile, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, gzip } from 'node:zlib';
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
export async function ensureBuild(): Promise<number> {
  const hash = hashOf(SOURCES);
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === hash) return 0;
  const started = Date.now();
  const name = hash.slice(0, 12);
  process.stderr.write('Building ...\n');
  await next({ ...process.env, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1', PELVIK_BUILD: name });
  bundleServer();
  bundleBackground(BACKGROUND);
  bundleServiceWorker(name);
  bundleCustomer();
  await compress();
  writeFileSync(STAMP, hash);
  return (Date.now() - started) / 1000;
}

function next(env: NodeJS.ProcessEnv): Promise<void> {
  return new Promise((resolve, reject) => {
    execFile(process.execPath, [NEXT, 'build'], { cwd: ROOT, maxBuffer: 64e6, env }, (error, out, err) => {
      const words = (out + err).trim().split('\n').slice(-40).join('\n');
      if (error) reject(new CommandError(`The build failed:\n${words}`));
      else resolve();
    });
  });
}

/** The program's files as small as they can be made, once, instead of anew for every browser; on every core. */
async function compress(): Promise<void> {
  const files = readdirSync(STATIC, { recursive: true, encoding: 'utf8' }).filter((f) =>
    /\.(js|css)$/.test(f),
  );
  await Promise.all(
    files.map(async (file) => {
      const bytes = await readFile(path.join(STATIC, file));
      await writeFile(path.join(STATIC, `${file}.br`), await promisify(brotliCompress)(bytes));
      await writeFile(path.join(STATIC, `${file}.gz`), await promisify(gzip)(bytes, { level: 9 }));
    }),
  );
}
