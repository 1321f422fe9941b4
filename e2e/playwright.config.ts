import { defineConfig } from '@playwright/test';
import { join } from 'node:path';
import { BROWSER_ARGUMENTS, browserProgram } from '../scripts/browser.mjs';

const root = join(import.meta.dirname, '..');

/** Debian's Chromium against built servers with the demo data, one for each of the tests that run side by side. */
export default defineConfig({
  testDir: '.',
  outputDir: join(root, 'test-results'),
  timeout: 300_000,
  expect: { timeout: 45_000 },
  workers: 2,
  // What passes only when it is tried again has found something.
  retries: 0,
  reporter: [['list'], ['json']],
  use: {
    viewport: { width: 1280, height: 800 },
    actionTimeout: 45_000,
    // Every browser context would fetch the whole application; the tests of what it is for allow it.
    serviceWorkers: 'block',
    // Half of a test's time: asked for where one is looked for.
    trace: process.env.GOBREL_TRACE ? 'retain-on-failure' : 'off',
    launchOptions: {
      executablePath: browserProgram(),
      args: BROWSER_ARGUMENTS,
    },
  },
});
