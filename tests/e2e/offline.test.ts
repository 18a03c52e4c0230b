/** With the network off, and with a newer version on the server. */
import type { ChildProcess } from 'node:child_process';
import { cpSync, mkdirSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { evidence, expect, freePort, openStage, saved, served, stageLink, test } from './fixtures';

const ROOT = new URL('../..', import.meta.url).pathname;

test.use({ serviceWorkers: 'allow' });

test('from a fresh profile, with the network off after the first page, all of the work goes on', async ({
  page,
  context,
  complaints,
}) => {
  await page.goto('/');
  await expect(page.getByText('works, everything is kept')).toBeVisible();
  await context.setOffline(true);
  await page.getByRole('link', { name: 'Two screens and Wi-Fi' }).click();
  await expect(page.getByRole('button', { name: 'Accept this plan (A)' })).toBeEnabled();
  await page.getByRole('button', { name: 'Accept this plan (A)' }).click();
  await stageLink(page, /Prepare/).click();
  await page.getByRole('button', { name: /^Done – next/ }).click();
  await saved(page);

  // Evidence is read, and a card is tried.
  await page.goto('/');
  await page.getByRole('button', { name: 'New job' }).click();
  await page.locator('#evidence-file').setInputFiles({
    name: 'machine.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from(evidence('lspci')),
  });
  await expect(page.getByRole('option').nth(3)).toBeVisible();
  await saved(page);
  await page.goto('/jobs/boatyard/choose');
  await expect(page.getByRole('button', { name: 'Accept this plan (A)' })).toBeEnabled();
  await page.keyboard.press('c');
  await page.locator('button.name').first().focus();
  await page.keyboard.press('t');
  await expect(page.getByRole('region', { name: 'On trial' })).toBeVisible();

  // A deep link, loaded anew, and the sheet on paper.
  await page.goto('/jobs/lighthouse-museum/hand-over');
  await expect(page.getByRole('heading', { name: 'What was fitted' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'What was fitted' })).toBeVisible();
  expect((await page.pdf({ format: 'A4' })).length).toBeGreaterThan(10_000);
  for (const stage of ['survey', 'needs', 'choose', 'prepare', 'fit', 'drivers', 'prove']) {
    await page.goto(`/jobs/lighthouse-museum/${stage}`);
    await expect(page.getByText('could not be fetched')).toBeHidden();
    await expect(page.locator('section.panel h1').first()).toBeAttached();
  }
  // The stand-ins cannot be asked just now, and the browser notes it.
  expect(complaints.every((text) => text.includes('ERR_INTERNET_DISCONNECTED'))).toBe(true);
  complaints.length = 0;
});

test('loaded past its worker, as a hard reload does, a page still goes off-line', async ({
  page,
  context,
  complaints,
}) => {
  await openStage(page, 'tide-table-office', 'survey');
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  const tools = await context.newCDPSession(page);
  await tools.send('Page.reload', { ignoreCache: true });
  await expect(page.getByRole('navigation', { name: 'Stages of the work' })).toBeVisible();
  await expect
    .poll(() =>
      page
        .evaluate(() => navigator.serviceWorker.controller !== null)
        // The page may still be on its way.
        .catch(() => false),
    )
    .toBe(true);
  await context.setOffline(true);
  for (const stage of ['Needs', 'Choose', 'Prepare', 'Hand over'])
    await stageLink(page, new RegExp(stage)).click();
  await expect(page.getByRole('heading', { name: 'Nothing to hand over yet' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Nothing to hand over yet' })).toBeVisible();
  expect(complaints.every((text) => text.includes('ERR_INTERNET_DISCONNECTED'))).toBe(true);
  complaints.length = 0;
});

test.describe('a newer version', () => {
  let server: ChildProcess | null = null;

  test.afterEach(() => {
    // The next test waits for the end of its own server only: of one that is gone it never comes.
    server?.kill();
    server = null;
    // Whole builds: nobody looks at them afterwards.
    rmSync(test.info().outputDir, { recursive: true, force: true });
  });

  /** The built application under another version's name: what differs is the name alone. */
  function anotherVersion(name: string): string {
    const folder = test.info().outputPath(name);
    mkdirSync(folder, { recursive: true });
    cpSync(join(ROOT, 'build'), join(folder, 'build'), { recursive: true });
    cpSync(join(ROOT, 'server'), join(folder, 'server'), { recursive: true });
    const { version } = JSON.parse(readFileSync(join(ROOT, 'build/client/files.json'), 'utf8')) as {
      version: string;
    };
    for (const entry of readdirSync(join(folder, 'build'), {
      recursive: true,
      withFileTypes: true,
    })) {
      const path = join(entry.parentPath, entry.name);
      if (!entry.isFile()) continue;
      if (/\.(br|gz)$/.test(path)) rmSync(path);
      else if (/\.(js|json|html)$/.test(path))
        writeFileSync(path, readFileSync(path, 'utf8').replaceAll(version, name));
    }
    return folder;
  }

  async function serve(folder: string, port: number): Promise<void> {
    if (server !== null) {
      const before = server;
      const over = new Promise((resolve) => before.on('exit', resolve));
      before.kill();
      await over;
    }
    server = await served(folder, port);
  }

  test('is said, taken over on the technician’s word, and other windows go on or say why not', async ({
    browser,
  }) => {
    const next = anotherVersion('next-version');
    const port = await freePort();
    await serve(ROOT, port);
    const context = await browser.newContext({ baseURL: `http://127.0.0.1:${port}` });
    const [page, other] = [await context.newPage(), await context.newPage()];
    await page.goto('/');
    await expect(page.getByText('works, everything is kept')).toBeVisible();
    await other.goto('/jobs/sail-loft/fit');
    await expect(other.getByText(/^Fit, step/)).toBeVisible();

    await serve(next, port);
    const update = () =>
      navigator.serviceWorker.ready
        .then((registration) => registration.update())
        .then(() => undefined);
    await page.evaluate(update);
    await expect(page.getByText('A newer version of Tenant is here.')).toBeVisible();
    // Nothing is taken over unasked, not even by loading anew.
    await page.reload();
    await expect(page.getByText('A newer version of Tenant is here.')).toBeVisible();
    await expect(page.getByText('next-version')).toBeHidden();
    await page.getByRole('button', { name: 'Take it over' }).click();
    await expect(page.getByText('(version next-version)')).toBeVisible();

    await expect(other.getByText('Tenant was renewed in another window.')).toBeVisible();
    // The old window goes on, into stages that it had not fetched before.
    for (const stage of ['Needs', 'Choose', 'Prove', 'Hand over'])
      await stageLink(other, new RegExp(stage)).click();
    await expect(other.getByText('could not be fetched')).toBeHidden();
    await expect(other.getByLabel('Notes for the next technician')).toBeVisible();
    await other.getByRole('button', { name: 'Reload' }).click();
    await expect(other.getByText('renewed in another window')).toBeHidden();
    await context.close();
  });

  test('leaves what a window two versions behind still runs, until that is closed', async ({
    browser,
  }) => {
    const folders = ['second-version', 'third-version', 'fourth-version'].map(anotherVersion);
    const port = await freePort();
    await serve(ROOT, port);
    const context = await browser.newContext({ baseURL: `http://127.0.0.1:${port}` });
    const [page, oldest] = [await context.newPage(), await context.newPage()];
    await page.goto('/');
    await expect(page.getByText('works, everything is kept')).toBeVisible();
    await oldest.goto('/jobs/sail-loft/fit');
    await expect(oldest.getByText(/^Fit, step/)).toBeVisible();
    const caches = () =>
      page.evaluate(async () => (await globalThis.caches.keys()).filter((key) => key !== 'room'));
    const renew = async (folder: string, version: string) => {
      await serve(folder, port);
      await page.evaluate(() =>
        navigator.serviceWorker.ready
          .then((registration) => registration.update())
          .then(() => undefined),
      );
      await page.getByRole('button', { name: 'Take it over' }).click();
      await expect(page.getByText(`(version ${version})`)).toBeVisible();
      await expect(page.getByText('works, everything is kept')).toBeVisible();
    };
    await renew(folders[0]!, 'second-version');
    await renew(folders[1]!, 'third-version');
    // Two versions later it still goes into stages that it had not fetched.
    for (const stage of ['Needs', 'Choose', 'Hand over'])
      await stageLink(oldest, new RegExp(stage)).click();
    await expect(oldest.getByLabel('Notes for the next technician')).toBeVisible();
    await expect(oldest.getByText('could not be fetched')).toBeHidden();
    expect(await caches()).toHaveLength(3);

    await oldest.close();
    await renew(folders[2]!, 'fourth-version');
    expect(await caches()).toEqual(['tenant-third-version', 'tenant-fourth-version']);
    await context.close();
  });
});
