/** Nothing lost: a backup into an empty browser, the bin, undo over a reload, pictures that stay. */
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, exported, openDetails, openJobs, openStage, saved, test } from './fixtures';

const rows = (page: Page) => page.locator('table.jobs tbody tr');
const backUp = async (page: Page) => {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Back up everything' }).click(),
  ]);
  await expect(page.getByText(/Handed to the browser’s downloads/)).toBeVisible();
  return download.path();
};

test('a backup fills an empty browser, and merges into one that went on', async ({
  page,
  browser,
  baseURL,
}) => {
  await openStage(page, 'lighthouse-museum', 'survey');
  await page.getByRole('button', { name: 'Slot 5', exact: true }).first().click();
  await page.getByText('Photographs').click();
  await page.getByLabel('What it shows').fill('The latch');
  await page.locator('#photo-file').setInputFiles({
    name: 'latch.png',
    mimeType: 'image/png',
    buffer: readFileSync(new URL('../../docs/screenshots/jobs.png', import.meta.url)),
  });
  await expect(page.getByRole('img', { name: 'The latch' })).toBeVisible();
  await saved(page);
  await page.goto('/');
  await expect(page.getByText(/^never, \d+ changes since$/)).toBeVisible();
  const file = await backUp(page);
  await expect(page.getByText(/nothing new since$/)).toBeVisible();

  const empty = await browser.newContext({ baseURL: baseURL ?? '' });
  const there = await empty.newPage();
  // A bench without demo jobs: they are deleted for good.
  await there.goto('/');
  await expect(rows(there)).toHaveCount(13);
  await there.evaluate(async () => {
    for (const { name } of await indexedDB.databases())
      if (name !== undefined) indexedDB.deleteDatabase(name);
  });
  await there.reload();
  await expect(there.getByText('The jobs that were kept here are gone.')).toBeVisible();
  await there.locator('#backup-file').setInputFiles(file);
  await expect(there.getByText(/1\d new, 0 the same/)).toBeVisible();
  await there.getByRole('button', { name: 'Merge it in' }).click();
  await expect(rows(there)).toHaveCount(13);
  await there.goto('/jobs/lighthouse-museum/survey');
  await there.getByRole('button', { name: 'Slot 5', exact: true }).first().click();
  await expect(there.getByRole('img', { name: 'The latch' })).toBeVisible();
  await empty.close();

  // Here the work went on: what is older in the backup takes nothing's place unasked.
  await page.goto('/jobs/tide-table-office/survey');
  await openDetails(page);
  await page.getByLabel('What the job is').fill('Went on here');
  await page.getByLabel('What the job is').blur();
  await saved(page);
  await page.goto('/');
  await page.locator('#backup-file').setInputFiles(file);
  await expect(page.getByText('older than here')).toBeVisible();
  await page.getByRole('button', { name: 'Merge it in' }).click();
  await expect(page.getByText(/^Restored: 0 jobs changed/)).toBeVisible();
  await expect(rows(page).filter({ hasText: 'Went on here' })).toHaveCount(1);
  // Whole, it gives way and lies in the bin.
  await page
    .locator('#backup-file')
    .setInputFiles({ name: 'again.zip', mimeType: 'application/zip', buffer: readFileSync(file) });
  await page.getByRole('button', { name: 'Restore whole instead' }).click();
  await expect(page.getByText('Went on here').last()).toBeVisible();
  await page.getByRole('button', { name: 'Restore whole', exact: true }).click();
  await expect(rows(page).filter({ hasText: 'Two screens and Wi-Fi' })).toHaveCount(1);
  await page.getByText(/^Bin: /).click();
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Went on here' })
    .getByRole('button', { name: 'Put back' })
    .click();
  await expect(rows(page).filter({ hasText: 'Went on here (copy)' })).toHaveCount(1);
});

test('a backup that is cut short, or none, says so and changes nothing', async ({ page }) => {
  await openJobs(page);
  const bytes = readFileSync(await backUp(page));
  for (const [buffer, words] of [
    [bytes.subarray(0, bytes.length / 2), 'The backup is cut short'],
    [Buffer.from('{"kind":"tenant-job"}'), 'This is not a backup of Tenant.'],
  ] as const) {
    await page
      .locator('#backup-file')
      .setInputFiles({ name: 'bad.zip', mimeType: 'application/zip', buffer });
    await expect(page.getByRole('alert')).toContainText('bad.zip was not restored.');
    await expect(page.getByRole('alert')).toContainText(words);
  }
  await expect(rows(page)).toHaveCount(13);
});

test('undo survives a reload, and a deleted job and its pictures a second window', async ({
  page,
  context,
}) => {
  await openStage(page, 'tide-table-office', 'survey');
  const title = page.getByLabel('What the job is');
  await openDetails(page);
  for (const text of ['First', 'Second']) {
    await title.fill(text);
    await title.blur();
    await saved(page);
  }
  await page.reload();
  await page.getByRole('button', { name: 'Undo: job details' }).click();
  await expect(page.locator('header')).toContainText('First');
  await page.getByRole('button', { name: 'Undo: job details' }).click();
  await expect(page.locator('header')).toContainText('Two screens and Wi-Fi');
  await page.getByRole('button', { name: 'Redo: job details' }).click();
  await expect(page.locator('header')).toContainText('First');
  await saved(page);
  await page.reload();
  await page.getByRole('button', { name: 'Redo: job details' }).click();
  await expect(page.locator('header')).toContainText('Second');
  await saved(page);

  await page
    .getByRole('button', { name: /Slot 1/ })
    .first()
    .click();
  await page.getByText('Photographs').click();
  // One dot wide and very high: small, but a picture all the same.
  const strip = await page.evaluate(() => {
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [1, 30_000];
    return canvas.toDataURL('image/png').split(',')[1] ?? '';
  });
  await page.locator('#photo-file').setInputFiles({
    name: 'strip.png',
    mimeType: 'image/png',
    buffer: Buffer.from(strip, 'base64'),
  });
  await expect(page.getByRole('img', { name: 'Photograph of the slot' })).toBeVisible();
  await saved(page);
  await page.goto('/');
  const row = rows(page).filter({ hasText: 'Second' });
  await row.getByRole('button', { name: 'Delete' }).click();
  await expect(rows(page)).toHaveCount(12);
  const other = await context.newPage();
  await other.goto('/');
  await expect(rows(other)).toHaveCount(12);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(rows(page)).toHaveCount(13);
  const { text } = await exported(page, row.getByRole('button', { name: 'Export' }));
  expect(text).toContain('data:image/jpeg;base64,');
  await other.close();
});

test('a backup goes into a folder of the technician’s choice', async ({ page }) => {
  await page.addInitScript(() => {
    // The browser's own folder, which asks nobody, in the place of the dialog that chooses one.
    Object.assign(window, { showDirectoryPicker: () => navigator.storage.getDirectory() });
  });
  await openJobs(page);
  await page.getByRole('button', { name: 'Choose a folder for backups' }).click();
  await page.getByRole('button', { name: 'Back up everything' }).click();
  await expect(page.getByText(/^Written to .*: tenant-backup-\d+\.zip/)).toBeVisible();
  const written = await page.evaluate(async () => {
    const folder = (await navigator.storage.getDirectory()) as unknown as {
      values(): AsyncIterable<FileSystemFileHandle>;
    };
    const sizes: number[] = [];
    for await (const file of folder.values()) sizes.push((await file.getFile()).size);
    return sizes;
  });
  expect(written).toHaveLength(1);
  expect(written[0]).toBeGreaterThan(10_000);
});

test('deleted cards and templates lie in the bin too', async ({ page }) => {
  await openStage(page, 'tide-table-office', 'survey');
  await page.getByRole('tab', { name: 'Evidence' }).click();
  await page.getByRole('button', { name: 'Keep this machine as a template' }).click();
  await expect(page.getByText(/^Kept as a template/)).toBeVisible();
  await page.getByRole('button', { name: /^Delete the template/ }).click();
  await expect(page.getByText(/stays in the bin for 30 days/)).toBeVisible();
  await page.goto('/');
  await page.getByText(/^Bin: 1 thing/).click();
  await page.getByRole('button', { name: 'Put back' }).click();
  await expect(page.getByText(/^Bin:/)).toBeHidden();
  await page.goto('/jobs/tide-table-office/survey');
  await page.getByRole('tab', { name: 'Evidence' }).click();
  await expect(page.getByRole('button', { name: /^Delete the template/ })).toBeVisible();
});
