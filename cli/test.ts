import { execFile } from 'node:child_process';
import { mkdtempSync, openSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { ensureBuild } from './build';
import { bundleBrowserTests, bundleTools } from './bundle';
import { CommandError } from './fail';
import { noFiles, readOptions } from './input';
import { interruptible } from './interrupt';
import { databaseTests, withDatabase } from './scratch';
import { seedDemo } from './seed';
import { serve } from './serve';
import { BIOME, chromium, ensureDebian, freePort, own, ROOT, start, stop } from './system';

export const help = `
./pelvik test [--only NAME]

Everything that must hold: lint, types, nothing unused, unit, database, browser. Installs what is missing, uses databases and
ports of its own, and ends with the sum of all runners. --only runs one of them.
`;

interface Tally {
  passed: number;
  failed: number;
}

let building: Promise<number> | null = null;
/** One build of this run, begun once, whoever waits for it. */
const built = () => (building ??= ensureBuild());

const RUNNERS: Record<string, () => Promise<Tally> | Tally> = {
  // Formatting and rules in one.
  lint: () => check('lint', BIOME, ['check', '--error-on-warnings', '--colors=off', '.']),
  types: () => check('types', 'node_modules/typescript/bin/tsc', ['--noEmit']),
  unused: () => check('unused', 'node_modules/knip/bin/knip.js', []),
  unit: () => jest('unit', { PELVIK_TOOLS: bundleTools() }),
  database: () => withDatabase('pelvik_test_database', (scratch) => jest('database', databaseTests(scratch))),
  browser: () => browser(),
};

const CHECKS = ['lint', 'types', 'unused'];

export async function run(args: string[]): Promise<number> {
  const options = readOptions(args, [], ['--only']);
  noFiles(options, 'test');
  const only = options.values.get('--only')?.[0] ?? null;
  if (only !== null && !RUNNERS[only])
    throw new CommandError(`--only takes one of: ${Object.keys(RUNNERS).join(', ')}.`, 2);
  const total: Tally = { passed: 0, failed: 0 };
  const asked = Object.entries(RUNNERS).filter(([name]) => only === null || name === only);
  // The checks of the text need nothing of one another: they share the cores, before anything is started.
  const together = new Map(asked.filter(([name]) => CHECKS.includes(name)).map(([n, r]) => [n, timed(r)]));
  // So does the build, once the types, of which it makes some, have been read; it goes on beside the tests that do not need
  // it. Whether it fails is told by who uses it.
  if (only === null)
    void together
      .get('types')!
      .then(built)
      .catch(() => undefined);
  for (const [name, runner] of asked) {
    const { passed, failed, seconds } = await (together.get(name) ?? timed(runner));
    total.passed += passed;
    total.failed += failed;
    process.stdout.write(`${name}: ${passed} passed, ${failed} failed in ${seconds.toFixed(1)} s\n`);
  }
  process.stdout.write(`${total.passed} passed, ${total.failed} failed\n`);
  return total.failed === 0 && total.passed > 0 ? 0 : 1;
}

async function timed(runner: () => Promise<Tally> | Tally): Promise<Tally & { seconds: number }> {
  const started = Date.now();
  const tally = await runner();
  return { ...tally, seconds: (Date.now() - started) / 1000 };
}

interface Ended {
  /** It ended as it should. */
  good: boolean;
  words: string;
}

/** Runs a program of the checkout to its end. */
function node(args: string[], env: Record<string, string> = {}): Promise<Ended> {
  return new Promise((resolve) => {
    const options = { cwd: ROOT, maxBuffer: 64e6, env: { ...process.env, ...env } as NodeJS.ProcessEnv };
    own(
      execFile(process.execPath, args, options, (error, out, err) =>
        resolve({ good: error === null, words: `${out}${err}\n` }),
      ),
    );
  });
}

/** A check that holds or does not counts as one. */
async function check(name: string, script: string, args: string[]): Promise<Tally> {
  const { good, words } = await node([script, ...args]);
  if (!good) process.stdout.write(`${name}:\n${words}`);
  return good ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 };
}

function jest(project: string, env: Record<string, string>): Promise<Tally> {
  return withFolder(async (folder) => {
    const report = path.join(folder, 'jest.json');
    const { good, words } = await node(
      [
        'node_modules/jest/bin/jest.js',
        '--selectProjects',
        project,
        '--json',
        '--outputFile',
        report,
        '--forceExit',
        // Jest leaves one core idle by itself.
        '--maxWorkers',
        '100%',
      ],
      // What ships is what is tried; React's other build also takes twice as long to draw.
      { NODE_ENV: 'production', PELVIK_LOG: 'silent', ...env },
    );
    if (!good) process.stdout.write(words);
    const counts = readReport(report) as {
      numPassedTests: number;
      numFailedTests: number;
      numFailedTestSuites: number;
    } | null;
    if (!counts) return { passed: 0, failed: 1 };
    return {
      passed: counts.numPassedTests,
      failed: Math.max(counts.numFailedTests, counts.numFailedTestSuites),
    };
  });
}

/** The real interface in Chromium, over the demo shop in a database of its own. */
async function browser(): Promise<Tally> {
  ensureDebian(chromium, ['chromium']);
  await built();
  return withDatabase('pelvik_test_browser', async ({ url }) => {
    await seedDemo(url);
    const port = await freePort();
    const selling = await freePort();
    const supplier = start(['--import', 'tsx', 'cli/main.ts', 'supplier', '--port', String(selling)], {
      stdio: 'ignore',
    });
    process.env.PELVIK_SUPPLIER = `http://127.0.0.1:${selling}`;
    const folder = mkdtempSync(path.join(tmpdir(), 'pelvik-'));
    const warnings = path.join(folder, 'server.err');
    const server = await serve({
      databaseUrl: url,
      port,
      quiet: true,
      warnings: openSync(warnings, 'w'),
      proxies: '127.0.0.1',
    });
    try {
      const { passed, failed } = await interruptible(() => playwright(folder, port));
      const said = readFileSync(warnings, 'utf8').trim();
      if (said) process.stdout.write(`the server said:\n${said}\n`);
      return { passed, failed: failed + (said.includes('Warning:') ? 1 : 0) };
    } finally {
      await stop(server);
      await stop(supplier);
      delete process.env.PELVIK_SUPPLIER;
      rmSync(folder, { recursive: true, force: true });
    }
  });
}

async function playwright(folder: string, port: number): Promise<Tally> {
  const report = path.join(folder, 'playwright.json');
  const { good, words } = await node(
    ['node_modules/@playwright/test/cli.js', 'test', '-c', 'tests/playwright.config.ts'],
    {
      PELVIK_BASE_URL: `http://127.0.0.1:${port}`,
      PELVIK_BROWSER_TESTS: bundleBrowserTests(),
      PLAYWRIGHT_JSON_OUTPUT_NAME: report,
    },
  );
  if (!good) process.stdout.write(words);
  const read = readReport(report) as {
    stats?: { expected: number; unexpected: number; flaky: number };
  } | null;
  if (!read?.stats) return { passed: 0, failed: 1 };
  for (const count of countsIn(report)) process.stdout.write(`  ${count}\n`);
  const failed = read.stats.unexpected + read.stats.flaky;
  return { passed: read.stats.expected, failed: good ? failed : Math.max(failed, 1) };
}

async function withFolder<T>(work: (folder: string) => Promise<T>): Promise<T> {
  const folder = mkdtempSync(path.join(tmpdir(), 'pelvik-'));
  try {
    return await work(folder);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** What tests counted of their own accord: "mouse: 115 actions". A test names it twice, in itself and in its result. */
function countsIn(report: string): Set<string> {
  const counts = new Set<string>();
  JSON.parse(readFileSync(report, 'utf8'), (_, value: { type?: string; description?: string } | null) => {
    if (value?.type === 'count') counts.add(value.description!);
    return value;
  });
  return counts;
}

function readReport(file: string): unknown {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return null;
  }
}
