/** What dies in one part of a page, and what would hang it: a fold that closes over the focus, a key that is there twice, an effect that feeds itself. */
import type { Page } from '@playwright/test';
import { writeJobFile } from '../../src/core/write/index.ts';
import { SERIALS, twoArraysJob } from '../builders/twoArrays';
import { expect, openJobs, openStage, saved, stageLink, test } from './fixtures';

const importJob = (page: Page, text: string) =>
  page.locator('#import-job').setInputFiles({
    name: 'job.tenant.json',
    mimeType: 'application/json',
    buffer: Buffer.from(text),
  });

for (const wanted of [['Screens', 'Wi-Fi'], []])
  test(`a field in a fold takes the focus and keeps its fold open, with ${wanted.length} needs`, async ({
    page,
  }) => {
    await openJobs(page);
    await page.getByRole('button', { name: 'New job' }).click();
    await page.locator('#template').selectOption({ index: 1 });
    await page.getByRole('tab', { name: 'Slots' }).click();
    for (let n = 0; n < 2; n += 1)
      await page.getByRole('button', { name: 'PCI Express slot' }).click();
    await page.locator('[data-answer]').first().waitFor();
    if (wanted.length > 0) {
      await stageLink(page, /Needs/).click();
      for (const name of wanted) await page.getByRole('button', { name, exact: true }).click();
      await stageLink(page, /Survey/).click();
    }
    const fold = page.locator('details', { hasText: 'that no verdict waits for now' });
    if ((await fold.getAttribute('open')) === null) await fold.locator('summary').click();
    const field = fold.locator('[data-answer]').first();
    // By mouse: the press is what moves the focus.
    const { x, y } = (await field.boundingBox())!;
    await page.mouse.click(x + 8, y + 8);
    await expect(field).toBeFocused();
    await page.keyboard.type('3');
    await expect(field).toBeFocused();
    await expect(fold).toHaveAttribute('open', '');
    expect(page.url()).toContain('/survey');
  });

test('two needs that each name drives have them prepared one by one, and nothing unnamed', async ({
  page,
}) => {
  const { job } = twoArraysJob();
  await openJobs(page);
  await importJob(page, writeJobFile(job));
  await expect(page.getByRole('navigation', { name: 'Stages of the work' })).toBeVisible();
  await stageLink(page, /Drivers/).click();
  const guard = page.getByRole('region', { name: 'Drives to be prepared' });
  await expect(guard).toContainText('0 of 2 named');
  const name = async (serial: string) => {
    await guard.getByRole('button', { name: new RegExp(`, ${serial}$`) }).click();
    await page.locator('#drive-holds').selectOption('nothing');
    await guard.getByRole('button', { name: 'Name this drive' }).click();
  };
  for (const serial of SERIALS) await expect(guard).toContainText(serial);
  for (const serial of SERIALS.slice(0, 2)) await name(serial);
  await saved(page);
  await page.reload();
  await expect(guard).toContainText('2 of 2 named');
  await page.keyboard.press('Space');
  // The second array asks for its own drive: those of the first do not count for it.
  await expect(guard).toContainText('2 of 3 named');
  await expect(page.getByRole('button', { name: /^Done – next/ })).toBeDisabled();
  await name(SERIALS[2]);
  await expect(page.getByRole('button', { name: /^Done – next/ })).toBeEnabled();
});

test.describe('a part that dies', () => {
  test('leaves the rest of its stage usable, with a way on, also after a reload', async ({
    page,
    complaints,
  }) => {
    // Markup that does not come as it was built: its part cannot be drawn.
    await page.route('**/_app/immutable/**/*.js', async (route) => {
      const response = await route.fetch();
      const text = await response.text();
      const body = text.replace(/<h2 id="packages-heading".*?<\/section>/s, '</section>');
      await route.fulfill({ response, body });
    });
    await openStage(page, 'tide-table-office', 'drivers');
    for (const again of [false, true]) {
      if (again) await page.reload();
      await expect(page.getByRole('alert')).toContainText(
        'The driver packages at hand cannot be shown. Nothing of the job is lost',
      );
      await expect(page.getByText('How drivers are dealt with')).toBeVisible();
      await stageLink(page, /Needs/).click();
      await expect(page.getByRole('heading', { name: 'What the customer wants' })).toBeVisible();
      await stageLink(page, /Drivers/).click();
    }
    complaints.length = 0;
  });

  test('is fetched again where it could not be fetched', async ({ page, complaints }) => {
    await openStage(page, 'tide-table-office', 'survey');
    await page.route('**/*', (route) => route.abort());
    await stageLink(page, /Needs/).click();
    const alert = page.getByRole('region', { name: 'Needs' }).getByRole('alert');
    await expect(alert).toContainText('This stage could not be fetched');
    await page.unroute('**/*');
    // A browser remembers that a module did not come: the page is loaded anew.
    await page.reload();
    await expect(page.getByRole('heading', { name: 'What the customer wants' })).toBeVisible();
    complaints.length = 0;
  });
});

/** Scripts and styles of one stage: each costs a request, however small it is. */
const MOST_FILES = 25;

test('a stage comes in few files', async ({ page }) => {
  await openJobs(page);
  const files: string[] = [];
  page.on('request', (request) => {
    const { pathname } = new URL(request.url());
    if (/\.(?:js|css)$/.test(pathname)) files.push(pathname);
  });
  for (const stage of ['survey', 'choose', 'prove']) {
    files.length = 0;
    await openStage(page, 'boatyard', stage);
    await page.waitForLoadState('networkidle');
    expect(files.length, stage).toBeGreaterThan(5);
    expect(files.length, stage).toBeLessThanOrEqual(MOST_FILES);
  }
});

/** What one act may run of one effect: what it changes, and what follows from that. */
const MOST_RUNS = 2;

test('one act runs no effect more than twice, in any stage', async ({ page }) => {
  const runs = () =>
    page.evaluate(() => ({
      ...(globalThis as unknown as { tenantEffects: Record<string, number> }).tenantEffects,
    }));
  const counted: Record<string, number> = {};
  const act = async (what: string, does: () => Promise<unknown>) => {
    const before = await runs();
    await does();
    await page.waitForTimeout(400);
    for (const [effect, count] of Object.entries(await runs())) {
      const more = count - (before[effect] ?? 0);
      if (more > 0) counted[`${what} – ${effect}`] = more;
    }
  };
  await openStage(page, 'tide-table-office', 'survey');
  await act('survey: a slot', () => page.locator('[data-slot]').first().click());
  await act('survey: a fact', async () => {
    await page.locator('#fact-slot-powerWatts').fill('25');
    await page.locator('#fact-slot-powerWatts').blur();
  });
  await act('undo', () => page.keyboard.press('Control+z'));
  await act('to Needs', () => stageLink(page, /Needs/).click());
  await act('needs: one more', () =>
    page.getByRole('button', { name: 'Sound', exact: true }).click(),
  );
  await act('to Choose', () => stageLink(page, /Choose/).click());
  await act('choose: a card', () => page.getByText('Cards', { exact: true }).click());
  await act('choose: another slot', () => page.locator('[data-slot]').last().click());
  await openStage(page, 'sail-loft', 'fit');
  await act('fit: a task', () => page.keyboard.press('Space'));
  await act('to Drivers', () => stageLink(page, /Drivers/).click());
  await act('to Test', () => stageLink(page, /Prove/).click());
  await saved(page);
  expect(Object.keys(counted).length, 'effects that ran').toBeGreaterThan(5);
  const beyond = Object.entries(counted).filter(([, count]) => count > MOST_RUNS);
  expect(beyond).toEqual([]);
});
