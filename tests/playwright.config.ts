import { defineConfig } from '@playwright/test';
import { CHROMIUM_FLAGS } from '../cli/chromium-flags';

/** Drives Debian's Chromium against the server that `./pelvik test` started. */
export default defineConfig({
  // `./pelvik test` hands over the tests as plain files, for the runner not to compile them and all they import again.
  testDir: process.env.PELVIK_BROWSER_TESTS ?? '.',
  testMatch: '*.spec.{ts,mjs}',
  build: { external: ['**/*.spec.mjs'] },
  // What takes longer hangs, however busy the machine is; how fast things are is the bench's matter.
  timeout: 180_000,
  expect: { timeout: 15_000 },
  // One for each core; files run side by side, the tests of a file one after the other.
  workers: 2,
  retries: 0,
  forbidOnly: true,
  reporter: [['json']],
  outputDir: '../test-results',
  use: {
    baseURL: process.env.PELVIK_BASE_URL,
    // Every test begins on a new device, and each would first take in the whole program: only those about it do.
    serviceWorkers: 'block',
    // A new device costs as much as all a test does on it: one a worker is wiped clean instead, but where devices are tried.
    reuseContext: true,
    viewport: { width: 1280, height: 800 },
    actionTimeout: 15_000,
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      // With as many browsers as cores, threads that help one only hold up the other. Pages are open for seconds: what is
      // called a few hundred times is not yet worth compiling to the last degree.
      args: [
        ...CHROMIUM_FLAGS,
        '--js-flags=--single-threaded-gc --invocation-count-for-maglev=4000 --invocation-count-for-turbofan=30000',
        '--in-process-gpu',
      ],
    },
  },
});
