/** What a browser measures on the built application: script on first load, and the planner's round trip through the worker. */
import { chromium } from '@playwright/test';
import { spawn } from 'node:child_process';
import { gzipSync } from 'node:zlib';

const ADDRESS = 'http://127.0.0.1:4473';
const server = spawn(process.execPath, ['build/index.js'], {
  cwd: new URL('..', import.meta.url).pathname,
  env: { ...process.env, PORT: '4473', HOST: '127.0.0.1', ORIGIN: ADDRESS, TENANT_DEMO: '1' },
  stdio: 'ignore',
});
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
try {
  await new Promise((resolve) => setTimeout(resolve, 1500));
  for (const [name, path] of [
    ['list of jobs', '/'],
    ['a job, in Choose', '/jobs/tide-table-office/choose'],
  ]) {
    const context = await browser.newContext({ serviceWorkers: 'block' });
    const page = await context.newPage();
    let [raw, compressed] = [0, 0];
    const bodies = [];
    if (path !== '/') {
      await page.goto(ADDRESS);
      await page.locator('table.jobs').waitFor();
    }
    const cold = path === '/' ? page : await context.newPage();
    cold.on('response', (response) => {
      if (response.url().endsWith('.js')) bodies.push(response.body());
    });
    await cold.goto(ADDRESS + path);
    await cold.waitForLoadState('networkidle');
    for (const body of await Promise.all(bodies)) {
      raw += body.length;
      compressed += gzipSync(body).length;
    }
    console.log(
      `script on first load, ${name}: ${(compressed / 1000).toFixed(0)} kB compressed, ${(raw / 1000).toFixed(0)} kB raw   asked: at most 170`,
    );
    if (path !== '/') {
      const trips = await cold.evaluate(() =>
        performance.getEntriesByName('tenant-plan').map(({ duration }) => duration),
      );
      console.log(
        `planner round trip through the worker: ${trips.map((ms) => ms.toFixed(1)).join(', ')} ms   asked: under 50`,
      );
    }
    await context.close();
  }
} finally {
  await browser.close();
  server.kill();
}
