import { existsSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { defineConfig } from '@playwright/test';

/** Debian's browser without a window, which is quicker, else the whole one. */
const CHROMIUM =
  [process.env['CHROMIUM_PATH'], '/usr/bin/chromium-headless-shell'].find(
    (path) => path !== undefined && existsSync(path),
  ) ?? '/usr/bin/chromium';

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  globalSetup: './boathouse.ts',
  outputDir: '../test-results/browser',
  snapshotPathTemplate: '{testDir}/pictures/{arg}{ext}',
  updateSnapshots: 'none',
  reporter: [['list'], ['json', { outputFile: '../test-results/playwright.json' }]],
  // One more than there are cores: while a story waits for what it sees, another is told.
  workers: availableParallelism() + 1,
  fullyParallel: true,
  // No story waits for time: these end what hangs, on a machine that does something else too.
  timeout: 240_000,
  expect: { timeout: 60_000 },
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: CHROMIUM,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        // The windows of a worker lie in one process, which keeps what it has read of the app.
        '--renderer-process-limit=1',
        '--js-flags=--no-flush-bytecode',
      ],
    },
  },
});
