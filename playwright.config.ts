import { existsSync } from 'node:fs';
import { defineConfig } from '@playwright/test';

/** Debian's Chromium without windows where it is installed: the same engine, half the time to a page. */
const headless = () =>
  ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'].find((path) => existsSync(path)) ??
  'chromium';

const PORT = Number(process.env['TEST_PORT'] ?? 4273);
const ADDRESS = `http://127.0.0.1:${PORT}`;

export default defineConfig({
  testDir: 'tests/e2e',
  testMatch: '**/*.test.ts',
  outputDir: 'test-results',
  fullyParallel: true,
  workers: 2,
  // A second try is counted and named as such: it passes, and is to be looked into.
  retries: 1,
  // Generous: a busy machine is slow, and how fast things are is measured elsewhere.
  timeout: 240_000,
  expect: { timeout: 30_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/browser.json' }]],
  use: {
    baseURL: ADDRESS,
    viewport: { width: 1280, height: 800 },
    // Each would fetch all of the application once more; where off-line is the question they are let in.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: process.env['CHROMIUM'] ?? headless(),
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: {
    command: 'node server/index.mjs',
    url: ADDRESS,
    env: { PORT: String(PORT), HOST: '127.0.0.1', ORIGIN: ADDRESS, TENANT_DEMO: '1' },
    reuseExistingServer: false,
    stdout: 'ignore',
  },
});
