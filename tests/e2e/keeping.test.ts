import { readFileSync } from 'node:fs';
import { expect, exported, openDetails, openJobs, openStage, saved, test } from './fixtures';
import type { Page } from '@playwright/test';

const title = 'What the job is';

test('a job is duplicated, deleted, and brought back', async ({ page }) => {
  await openJobs(page);
  const rows = page.locator('table.jobs tbody tr');
  await rows
    .filter({ hasText: 'Faster sticks' })
    .getByRole('button', { name: 'Duplicate' })
    .click();
  await expect(rows).toHaveCount(14);
  await rows.filter({ hasText: '(copy)' }).getByRole('button', { name: 'Delete' }).click();
  await expect(rows).toHaveCount(13);
  await expect(page.getByRole('button', { name: 'Undo' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(rows).toHaveCount(14);
  await page.reload();
  await expect(rows).toHaveCount(14);
  await page.keyboard.press('/');
  await page.keyboard.type('museum');
  await expect(rows).toHaveCount(1);
});

test('a job goes out as a file and comes back; damaged and newer files change nothing', async ({
  page,
}) => {
  await openJobs(page);
  const rows = page.locator('table.jobs tbody tr');
  const { name, text } = await exported(
    page,
    rows.filter({ hasText: 'Faster sticks' }).getByRole('button', { name: 'Export' }),
  );
  expect(name).toBe('faster-sticks-for-the-plotter.tenant.json');
  const choose = async (name: string, content: string) =>
    page
      .locator('#import-job')
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(content) });

  await choose('cut.tenant.json', text.slice(0, 2000));
  await expect(page.getByRole('alert')).toContainText(
    'cut.tenant.json was not imported. Nothing has changed.',
  );
  await expect(page.getByRole('alert')).toContainText(/line \d+/);
  await choose('newer.tenant.json', text.replace(/"format": \d+/, '"format": 999'));
  await expect(page.getByRole('alert')).toContainText('written by a newer Tenant (format 999');
  await choose('wrong.tenant.json', text.replace('"budgetCents": 6000', '"budgetCents": "sixty"'));
  await expect(page.getByRole('alert')).toContainText('job.budgetCents');
  await expect(rows).toHaveCount(13);

  await choose('good.tenant.json', text);
  await expect(page).toHaveURL(/\/fit$/);
  await page.getByRole('link', { name: 'All jobs' }).click();
  await expect(rows.filter({ hasText: 'Faster sticks for the plotter (copy)' })).toHaveCount(1);
});

test('a second window on the same job is noticed and kept in step', async ({ page, context }) => {
  await openStage(page, 'tide-table-office', 'survey');
  const other = await context.newPage();
  await other.goto('/jobs/tide-table-office/survey');
  await expect(page.getByText('This job is open in another window too.')).toBeVisible();
  await expect(other.getByText('This job is open in another window too.')).toBeVisible();
  await openDetails(other);
  await other.getByLabel(title).fill('Changed over there');
  await other.getByLabel(title).blur();
  await expect(page.locator('header')).toContainText('Changed over there');
  await other.close();
  await expect(page.getByText('This job is open in another window too.')).toBeHidden();
});

test('what two windows keep of the shop’s own is all kept', async ({ page, context }) => {
  await openStage(page, 'tide-table-office', 'survey');
  const second = await context.newPage();
  await openStage(second, 'sail-loft', 'survey');
  for (const window of [page, second]) await window.getByRole('tab', { name: 'Evidence' }).click();
  const deletions = (window: Page) => window.getByRole('button', { name: /^Delete the template/ });
  for (const window of [page, second]) {
    await window.getByRole('button', { name: 'Keep this machine as a template' }).click();
    await expect(window.getByText(/^Kept as a template/)).toBeVisible();
  }
  await expect(deletions(second)).toHaveCount(2);
  await page.reload();
  await page.getByRole('tab', { name: 'Evidence' }).click();
  await expect(deletions(page)).toHaveCount(2);
});

test('two windows that change the same job never overwrite each other', async ({
  page,
  context,
}) => {
  await openStage(page, 'tide-table-office', 'survey');
  const other = await context.newPage();
  // This window does not hear the first one, as if it had been asleep.
  await other.addInitScript(() => {
    window.BroadcastChannel = class extends EventTarget {
      postMessage() {}
    } as unknown as typeof BroadcastChannel;
  });
  await other.goto('/jobs/tide-table-office/survey');
  await expect(other.locator('header')).toContainText('Two screens and Wi-Fi');
  await page.bringToFront();
  await openDetails(page);
  await page.getByLabel(title).fill('From the first window');
  await page.getByLabel(title).blur();
  await saved(page);
  await other.bringToFront();
  await openDetails(other);
  await other.getByLabel(title).fill('From the second window');
  await other.getByLabel(title).blur();
  await expect(other.getByText('another window changed this job meanwhile')).toBeVisible();
  await other.getByRole('button', { name: 'Keep as a copy' }).click();
  await expect(other.locator('header')).toContainText('From the first window');
  await other.goto('/');
  await expect(other.getByRole('link', { name: 'From the second window (copy)' })).toBeVisible();
  await expect(other.getByRole('link', { name: 'From the first window' })).toBeVisible();
});

test('a full store is said, the work stays on the screen, and is saved once there is room', async ({
  page,
}) => {
  await openStage(page, 'tide-table-office', 'survey');
  await openDetails(page);
  await page.evaluate(() => {
    const put = IDBObjectStore.prototype.put;
    const full = { now: true };
    Object.assign(window, { makeRoom: () => (full.now = false) });
    IDBObjectStore.prototype.put = function (...args: Parameters<typeof put>) {
      if (full.now) throw new DOMException('full', 'QuotaExceededError');
      return put.apply(this, args);
    };
  });
  await page.getByLabel(title).fill('Kept on the screen');
  await page.getByLabel(title).blur();
  await expect(
    page.getByText('Not saved: the browser’s store is full, or the disk is.'),
  ).toBeVisible();
  await expect(page.locator('header')).toContainText('Kept on the screen');
  const { text } = await exported(page, page.getByRole('button', { name: 'Export', exact: true }));
  expect(text).toContain('Kept on the screen');
  // Leaving for the list, to make room there, does not lose it either.
  await page.getByRole('link', { name: 'All jobs' }).click();
  const row = page.locator('table.jobs tbody tr').filter({ hasText: 'Kept on the screen' });
  await expect(row).toContainText('not saved');
  await row.getByRole('link').click();
  await expect(
    page.getByText('Not saved: the browser’s store is full, or the disk is.'),
  ).toBeVisible();
  await page.evaluate(() => (window as unknown as { makeRoom: () => void }).makeRoom());
  await page.getByRole('button', { name: 'Try again' }).click();
  await saved(page);
  await page.reload();
  await expect(page.locator('header')).toContainText('Kept on the screen');
});

test('a blocked store is said, and a job can still be worked on and exported', async ({ page }) => {
  await page.addInitScript(() => {
    Object.defineProperty(window, 'indexedDB', { get: () => undefined });
  });
  await page.goto('/');
  await expect(page.getByText('This browser keeps nothing.')).toBeVisible();
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByLabel(title).fill('Without a store');
  await page.getByLabel(title).blur();
  await expect(page.getByText('Not saved: this browser keeps nothing.')).toBeVisible();
  const { text } = await exported(page, page.getByRole('button', { name: 'Export', exact: true }));
  expect(text).toContain('Without a store');
  await page.getByRole('link', { name: 'All jobs' }).click();
  await page.getByRole('link', { name: 'Without a store' }).click();
  await expect(page.locator('header')).toContainText('Without a store');
});

test('a record that no longer reads as a job is set aside whole and can be exported', async ({
  page,
}) => {
  await openJobs(page);
  await page.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        const open = indexedDB.open('tenant');
        open.onsuccess = () => {
          const store = open.result.transaction('jobs', 'readwrite').objectStore('jobs');
          const put = store.put(
            { id: 'sail-loft', title: 'Half a job', needs: 'many' },
            'sail-loft',
          );
          put.onsuccess = () => {
            open.result.close();
            resolve();
          };
          put.onerror = () => reject(put.error);
        };
      }),
  );
  await page.reload();
  await expect(page.locator('table.jobs tbody tr')).toHaveCount(12);
  const aside = page.locator('section.aside');
  await expect(aside).toContainText('sail-loft');
  await expect(aside).toContainText('needs');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    aside.getByRole('button', { name: 'Export as it is' }).click(),
  ]);
  expect(readFileSync(await download.path(), 'utf8')).toContain('Half a job');
  await page.goto('/jobs/sail-loft/fit');
  await expect(page.getByRole('heading', { name: 'This job cannot be opened' })).toBeVisible();
  await page.goto('/');
  await expect(page.locator('section.aside')).toContainText('sail-loft');
});
