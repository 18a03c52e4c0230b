/** A browser at the bench: every test sees that nothing goes wrong unseen and that no request leaves the application. */
import {
  expect,
  test as base,
  type BrowserContext,
  type Locator,
  type Page,
} from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { createServer } from 'node:net';

export const evidence = (name: 'lspci' | 'lspci-xxxx'): string =>
  readFileSync(
    new URL(`../../demo/evidence/lighthouse-museum.${name}.txt`, import.meta.url),
    'utf8',
  );

interface Watched {
  /** What pages complained of, for tests that provoke it to clear. */
  readonly complaints: string[];
}

export const test = base.extend<Watched>({
  complaints: [
    async ({ context, baseURL }, use) => {
      const complaints: string[] = [];
      const foreign: string[] = [];
      context.on('request', (request) => {
        const url = new URL(request.url());
        if (!['data:', 'blob:'].includes(url.protocol) && url.origin !== baseURL)
          foreign.push(url.href);
      });
      context.on('weberror', (error) => complaints.push(error.error().message));
      context.on('console', (message) => {
        if (message.type() === 'error') complaints.push(message.text());
      });
      await use(complaints);
      expect(foreign, 'requests to elsewhere').toEqual([]);
      expect(complaints, 'errors in the browser').toEqual([]);
    },
    { auto: true },
  ],
});

export { expect };

export const freePort = () =>
  new Promise<number>((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });

/** A server of its own, once it answers. */
export async function served(
  folder: string,
  port: number,
  env: Readonly<Record<string, string>> = {},
): Promise<ChildProcess> {
  const server = spawn(process.execPath, ['server/index.mjs'], {
    cwd: folder,
    env: { ...process.env, PORT: `${port}`, HOST: '127.0.0.1', TENANT_DEMO: '1', ...env },
    stdio: 'ignore',
  });
  await expect
    .poll(() =>
      fetch(`http://127.0.0.1:${port}/files.json`).then(
        ({ ok }) => ok,
        () => false,
      ),
    )
    .toBe(true);
  return server;
}

type Stored = Awaited<ReturnType<BrowserContext['storageState']>>;

/** What a browser holds that has brought the demo in; each worker brings it in once, by opening the list. */
let demo: Stored | null = null;
const begun = new WeakSet<BrowserContext>();

/** Puts what the demo leaves into a browser that holds nothing yet; false where no list was ever opened. */
async function demoIsIn(page: Page): Promise<boolean> {
  const context = page.context();
  if (begun.has(context)) return true;
  begun.add(context);
  if (demo !== null) await context.setStorageState(demo);
  return demo !== null;
}

export async function openJobs(page: Page): Promise<void> {
  const isIn = await demoIsIn(page);
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Jobs on the bench' })).toBeVisible();
  await expect(page.locator('table.jobs tbody tr')).toHaveCount(13);
  if (!isIn) demo = await page.context().storageState({ indexedDB: true });
}

/** Opens a demo job at a stage. */
export async function openStage(page: Page, job: string, stage: string): Promise<void> {
  if (!(await demoIsIn(page))) {
    begun.delete(page.context());
    await openJobs(page);
  }
  await page.goto(`/jobs/${job}/${stage}`);
  await expect(page.getByRole('navigation', { name: 'Stages of the work' })).toBeVisible();
}

/** The way to a stage, in the list of all of them. */
export const stageLink = (page: Page, name: RegExp): Locator =>
  page.getByRole('navigation', { name: 'Stages of the work' }).getByRole('link', { name });

/** All that can go out with a job. */
const EVERYTHING = [
  'Names of customer and technician',
  'Serial numbers and addresses',
  'Titles, notes and names in words',
  'Photographs',
] as const;

/** Exports from a place on the page, with what is ticked in the dialog; returns the file's text. */
export async function exported(
  page: Page,
  button: Locator,
  ticks: readonly string[] = EVERYTHING,
): Promise<{ readonly name: string; readonly text: string }> {
  await button.click();
  const dialog = page.getByRole('dialog');
  for (const label of EVERYTHING)
    await dialog.getByLabel(label).setChecked(ticks.includes(label), { force: true });
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    dialog.getByRole('button', { name: 'Export', exact: true }).click(),
  ]);
  return { name: download.suggestedFilename(), text: readFileSync(await download.path(), 'utf8') };
}

export const saved = (page: Page): Promise<void> =>
  expect(page.locator('.saving')).toHaveText('Saved');

/** Moves the focus with Tab until it is on the thing, as a hand on the keyboard would. */
export async function tabTo(page: Page, target: Locator): Promise<void> {
  for (let n = 0; n < 150; n += 1) {
    if (await target.evaluate((element) => element === document.activeElement)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error('Tab never reached it');
}

/** Opens what a job is, and whose: closed once it has a title. */
export async function openDetails(page: Page): Promise<void> {
  const title = page.locator('#job-title');
  await title.waitFor({ state: 'attached' });
  if (!(await title.isVisible())) await page.locator('.who summary').click();
}

/** The bench, opened from Fit: its task, and a hand that works by the space bar up to a task, or to the end. */
export async function openBench(page: Page) {
  await page.getByRole('button', { name: 'At the bench: one task at a time' }).click();
  const bench = page.getByRole('dialog', { name: 'At the bench' });
  const title = bench.getByRole('heading', { level: 1 });
  await expect(title).not.toHaveText('');
  const workTo = async (wanted: string) => {
    for (let n = 0; n < 90; n += 1) {
      const told = (await title.textContent()) ?? '';
      if (told === wanted) return;
      await page.keyboard.press('Space');
      await expect(title).not.toHaveText(told);
    }
    throw new Error(`No task “${wanted}”`);
  };
  const workToEnd = async () => {
    await workTo('Fit: nothing is left here');
    await expect(bench).toContainText('On the tray now: nothing');
  };
  return { bench, title, workTo, workToEnd };
}
