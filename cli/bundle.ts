import { readdirSync, rmSync } from 'node:fs';
import path from 'node:path';
import { buildSync } from 'esbuild';
import { DATA, ROOT } from './system';

/** What runs outside Next, each as one plain file that starts without a compiler. */
const made = (name: string) => path.join(ROOT, '.next', name);

export const SERVER = made('pelvik-server.mjs');
export const BACKGROUND = made('pelvik-background.mjs');
export const CUSTOMER = made('pelvik-customer.cjs');
const SERVICE_WORKER = made('pelvik-service-worker.js');

/** The files the browser is sent. */
export const STATIC = made('static');
const CUSTOMER_FILES = path.join(STATIC, 'customer');
const CUSTOMER_URL = '/_next/static/customer';

const COMMON = { bundle: true, absWorkingDir: ROOT, logLevel: 'error', jsx: 'automatic' } as const;
const NODE = {
  ...COMMON,
  platform: 'node',
  format: 'esm',
  packages: 'external',
  target: 'node20',
} as const;
const BROWSER = { ...COMMON, format: 'iife', target: 'es2022', minify: true } as const;
const PRODUCTION = { 'process.env.NODE_ENV': '"production"' } as const;

export function bundleServer(): void {
  buildSync({ ...NODE, entryPoints: ['server/main.ts'], outfile: SERVER });
}

/** The entry of the background processes; returns where it is. */
export function bundleBackground(outfile = path.join(DATA, 'background.mjs')): string {
  buildSync({ ...NODE, entryPoints: ['app/background.ts'], outfile });
  return outfile;
}

/** This command line as one plain file, for tests that call it dozens of times; returns where it is. */
export function bundleTools(outfile = path.join(DATA, 'tools.cjs')): string {
  buildSync({ ...NODE, format: 'cjs', entryPoints: ['cli/main.ts'], outfile });
  return outfile;
}

/** The browser's tests, each as one plain file, so that every process of the runner need not compile them; where they are. */
export function bundleBrowserTests(outdir = path.join(DATA, 'browser-tests')): string {
  rmSync(outdir, { recursive: true, force: true });
  buildSync({
    ...NODE,
    entryPoints: ['tests/*.spec.ts'],
    outdir,
    outExtension: { '.js': '.mjs' },
    sourcemap: 'inline',
  });
  return outdir;
}

/**
 * The customer's page: a small script, a style sheet and fonts for the browser, and what draws the document, which is
 * told their names. Returns where the latter is.
 */
export function bundleCustomer(): string {
  rmSync(CUSTOMER_FILES, { recursive: true, force: true });
  const { metafile } = buildSync({
    ...BROWSER,
    entryPoints: ['ui/customer/script.ts'],
    outdir: CUSTOMER_FILES,
    entryNames: '[name]-[hash]',
    assetNames: '[name]-[hash]',
    publicPath: CUSTOMER_URL,
    loader: { '.woff2': 'file' },
    metafile: true,
    define: PRODUCTION,
  });
  const files = Object.keys(metafile.outputs).map((file) => path.basename(file));
  const named = (ending: string) => `${CUSTOMER_URL}/${files.find((f) => f.endsWith(ending))!}`;
  buildSync({
    ...NODE,
    // React's packages come in either module kind: bundled, it does not matter which.
    packages: 'bundle',
    format: 'cjs',
    entryPoints: ['app/customer-document.tsx'],
    outfile: CUSTOMER,
    define: {
      ...PRODUCTION,
      __CUSTOMER_SCRIPT: JSON.stringify(named('.js')),
      __CUSTOMER_STYLE: JSON.stringify(named('.css')),
    },
  });
  return CUSTOMER;
}

/** The service worker, which keeps the program's files under the name of this build. */
export function bundleServiceWorker(build: string): void {
  buildSync({
    ...BROWSER,
    entryPoints: ['workers/service.worker.ts'],
    outfile: SERVICE_WORKER,
    define: {
      ...PRODUCTION,
      'self.__PRECACHE': JSON.stringify(staticFiles()),
      'self.__BUILD': JSON.stringify(build),
    },
  });
}

/** Everything of the program that a browser may need while there is no network: names change with their content. */
function staticFiles(): { url: string; revision: null }[] {
  return readdirSync(STATIC, { recursive: true, withFileTypes: true })
    .filter((f) => f.isFile() && /\.(js|css|woff2?)$/.test(f.name) && f.parentPath !== CUSTOMER_FILES)
    .map((f) => path.relative(STATIC, path.join(f.parentPath, f.name)))
    .sort()
    .map((name) => ({
      url: `/_next/static/${name.split(path.sep).map(encodeURIComponent).join('/')}`,
      revision: null,
    }));
}
