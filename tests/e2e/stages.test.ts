import type { Locator } from '@playwright/test';
import { evidence, expect, openJobs, openStage, saved, test, stageLink } from './fixtures';

test('a machine can be typed from nothing, slot by slot', async ({ page }) => {
  await openJobs(page);
  await page.keyboard.press('n');
  await expect(page.getByText('The board appears here as the survey tells of it')).toBeVisible();
  await page.getByRole('tab', { name: 'Slots' }).click();
  await page.getByRole('button', { name: 'PCI Express slot' }).click();
  await page.getByRole('button', { name: 'Classic PCI slot' }).click();
  await expect(page.locator('[data-slot]')).toHaveCount(2);
  await page
    .getByRole('region', { name: 'Survey' })
    .getByRole('button', { name: 'Slot 1', exact: true })
    .click();
  await page.locator('#slot-label').fill('Top slot');
  await page.locator('#slot-label').blur();
  await page.locator('#fact-slot-occupant').selectOption('card');
  await page.locator('#occupant-name').fill('Old tuner');
  await page.locator('#occupant-name').blur();
  await page.locator('#occupant-length').fill('130');
  await page.locator('#occupant-length').blur();
  await expect(page.locator('.bodies .body.there')).toHaveCount(1);
  await expect(page.locator('[data-slot="s1"]')).toHaveAccessibleName(/Top slot.*Old tuner is in/);
  // What is told can be untold again.
  await page.locator('#occupant-length').fill('');
  await page.locator('#occupant-length').blur();
  await expect(page.locator('.facts')).toContainText('entered by hand');
  await page.locator('#fact-slot-occupant').selectOption('empty');
  await expect(page.locator('.bodies .body.there')).toHaveCount(0);

  await page.getByRole('tab', { name: 'Case' }).click();
  await page.getByRole('button', { name: 'Header, plug, cage or heat sink' }).click();
  await page.locator('#obstacle1-widthMm').fill('-4');
  await page.locator('#obstacle1-widthMm').blur();
  await expect(page.getByText('A length above 0 and at most 2000 is expected')).toBeVisible();
  await page.locator('#obstacle1-widthMm').fill('45');
  await page.locator('#obstacle1-widthMm').blur();
  await expect(page.locator('.bodies rect.obstacle')).toHaveCount(0);
  await page.locator('#fact-case-openings').fill('4');
  await page.locator('#fact-case-openings').blur();
  await expect(page.locator('.bodies rect.obstacle')).toHaveCount(1);
  await expect(page.locator('rect.opening')).toHaveCount(4);
  await page.getByRole('tab', { name: 'Slots' }).click();
  await page.locator('#fact-slot-opening').fill('2');
  await page.locator('#fact-slot-opening').blur();
  await expect(page.getByText('Opening not told yet')).toBeVisible();
  await saved(page);
});

test('a fact told in the survey changes the verdict and the plan, and undo brings both back', async ({
  page,
}) => {
  await openStage(page, 'tide-table-office', 'choose');
  const plan = page.getByRole('region', { name: /Best plan/ });
  await expect(plan.getByRole('button', { name: 'Kelpwick Lantern 2', exact: true })).toBeVisible();
  await stageLink(page, /Survey/).click();
  await page.locator('[data-slot="s2"]').click();
  await page.locator('#fact-slot-powerWatts').fill('25');
  await page.locator('#fact-slot-powerWatts').blur();
  await stageLink(page, /Choose/).click();
  await expect(plan).toContainText(/Best plan/);
  await expect(plan.getByRole('button', { name: 'Kelpwick Lantern 2', exact: true })).toHaveCount(
    0,
  );
  await page.keyboard.press('Control+z');
  await expect(page.getByText('Undone: survey corrected')).toBeVisible();
  await expect(plan.getByRole('button', { name: 'Kelpwick Lantern 2', exact: true })).toBeVisible();
});

test('the refused cards say why, and show it on the board', async ({ page }) => {
  await openStage(page, 'tide-table-office', 'choose');
  await page.getByText(/Why not the other \d+ cards/).click();
  const reasons = page.locator('details table').first();
  await expect(reasons).toContainText(
    'It draws 50 W from the slot, which gives only 35 W. (Slot 2, where it comes closest)',
  );
  await expect(reasons).toContainText('with its trouble counted it is dearer');
  await reasons.getByRole('button', { name: 'Kelpwick Beacon 200' }).click();
  await expect(page.getByRole('heading', { name: /Kelpwick Beacon 200 in Slot 2/ })).toContainText(
    'Cannot go',
  );
  await expect(page.getByRole('region', { name: 'Findings' })).toContainText(
    'The card is 111 mm high; the low case takes 68.9 mm.',
  );
  await expect(page.locator('.bodies .body.trial')).toHaveCount(1);
  await page.keyboard.press('c');
  await expect(page.locator('#card-search')).toBeVisible();
  await page.keyboard.press('/');
  await page.keyboard.type('tern f1a4:7403');
  await expect(page.locator('.scroll tbody tr')).toHaveCount(1);
});

test('an accepted plan that is no longer the best one says so', async ({ page }) => {
  await openStage(page, 'tide-table-office', 'choose');
  await page.getByRole('button', { name: 'Accept this plan (A)' }).click();
  await stageLink(page, /Needs/).click();
  await page
    .getByRole('region', { name: 'Wi-Fi' })
    .getByRole('button', { name: 'Remove this need' })
    .click();
  await stageLink(page, /Choose/).click();
  await expect(page.getByText('another plan is now best')).toBeVisible();
  await page.getByRole('button', { name: 'Withdraw it' }).click();
  const plan = page.getByRole('region', { name: /Best plan/ });
  await expect(plan).not.toContainText('Sundwick');
});

test('a reading too high to be true is doubted, and can be taken away', async ({ page }) => {
  const enter = async (need: Locator, figure: string) => {
    await need.getByLabel('Measured, MB/s').fill(figure);
    await need.getByLabel('Measured, MB/s').press('Enter');
  };
  await openStage(page, 'lighthouse-museum', 'prove');
  await expect(page.getByText('The must falls short: 112 of 700 MB/s.')).toBeVisible();
  // Beside others it lies far from the rest, and is not left out.
  const network = page.getByRole('region', { name: 'Network' });
  await enter(network, '9400');
  await expect(network).toContainText('median of 4');
  await expect(network).toContainText('1 run far from the rest');
  await openStage(page, 'sail-loft', 'prove');
  const usb = page.getByRole('region', { name: 'USB' });
  await enter(usb, '9400');
  await expect(usb).toContainText(
    /is more than this path can carry \(\d+ MB\/s\). Bits taken for bytes/,
  );
  await enter(usb, 'fast');
  await expect(usb).toContainText('A number above zero is expected');
  await usb.getByText('All runs').click();
  await usb.getByRole('button', { name: 'Remove the run of 9,400 MB/s' }).click();
  await expect(usb).toContainText('Not measured yet.');
});

test('the log tells who did what, and notes reach the sheet', async ({ page }) => {
  await openStage(page, 'lighthouse-museum', 'hand-over');
  await page.getByLabel('Notes for the next technician').fill('Switch port 4 is the fast one.');
  await page.getByLabel('Notes for the next technician').blur();
  await expect(page.getByRole('article')).toContainText('Switch port 4 is the fast one.');
  await page.getByRole('button', { name: 'Log of this job' }).click();
  const log = page.getByRole('dialog');
  await expect(log).toContainText('job details: notes');
  await expect(log).toContainText('Ebba Tolliver');
  await expect(log).toContainText('plan accepted: ');
});

test('the panel’s width and the theme follow hand and key', async ({ page }) => {
  await openStage(page, 'sail-loft', 'fit');
  const panel = page.getByRole('region', { name: 'Fit' });
  const width = async () => (await panel.boundingBox())!.width;
  const before = await width();
  await page.getByRole('separator').focus();
  await page.keyboard.press('ArrowLeft');
  await expect.poll(width).toBeGreaterThan(before);
  await page.getByRole('button', { name: 'Dark' }).click();
  await expect(page.locator('html')).toHaveAttribute('theme', 'g100');
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('theme', 'g100');
});

test('a job that is not here, and a supplier that cannot be reached, are said', async ({
  page,
  complaints,
}) => {
  await openJobs(page);
  await page.goto('/jobs/nowhere/fit');
  await expect(
    page.getByRole('heading', { name: 'This job is not in this browser' }),
  ).toBeVisible();
  await page.context().route('**/api/catalogue', (route) => route.abort());
  await page.evaluate(() => indexedDB.databases().then(() => undefined));
  await page.addInitScript(() => {
    // Nothing of the catalogue is kept from last time.
    const get = IDBObjectStore.prototype.get;
    IDBObjectStore.prototype.get = function (key) {
      return get.call(this, key === 'catalogue' ? 'nothing' : key);
    };
  });
  await page.goto('/jobs/tide-table-office/choose');
  await expect(page.getByRole('heading', { name: 'No catalogue yet' })).toBeVisible();
  await page.context().unroute('**/api/catalogue');
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('button', { name: 'Accept this plan (A)' })).toBeVisible();
  expect(complaints.every((text) => /ERR_FAILED|400/.test(text))).toBe(true);
  complaints.length = 0;
});

test('a report taken after fitting is held against the plan, and leaves the survey as it is', async ({
  page,
}) => {
  await openStage(page, 'lighthouse-museum', 'prove');
  const report = page.getByRole('region', { name: 'What the machine and its tools report' });
  await expect(report.getByRole('row', { name: /Locker 2/ })).toContainText('As planned');
  // The machine as it was before anything was fitted: both cards are missed.
  await report.getByLabel(/Drop the report/).fill(evidence('lspci'));
  await report.getByRole('button', { name: 'Read it' }).click();
  await expect(report).toContainText('Held against the accepted plan: 0 of 2 cards seen.');
  for (const card of [/Locker 2/, /Anchor 10E/])
    await expect(report.getByRole('row', { name: card })).toContainText('Not in the report.');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(report.getByRole('row', { name: /Locker 2/ })).toContainText('As planned');
  // Only on the technician's word does it go into the survey, and then the plan is asked about.
  await report.getByLabel(/Drop the report/).fill(evidence('lspci'));
  await report.getByRole('button', { name: 'Read it' }).click();
  await report.getByRole('button', { name: 'Take it into the survey' }).click();
  await expect(report).toContainText('Read and taken into the survey:');
  await page.getByRole('button', { name: 'Log of this job' }).click();
  await expect(page.getByRole('dialog')).toContainText('machine read from its own report');
});

test('the empty bench offers three ways to begin', async ({ page }) => {
  await page.route('**/api/demo', (route) => route.fulfill({ json: [] }));
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'No jobs yet' })).toBeVisible();
  await page.getByRole('button', { name: 'Take a template' }).click();
  await expect(page.locator('#template')).toBeFocused();
  await page.goBack();
  await page.getByRole('button', { name: 'Delete' }).click();
  await page.getByRole('button', { name: 'Drop a machine’s files' }).click();
  await expect(page.locator('#evidence-text')).toBeFocused();
  await page.goBack();
  await page.getByRole('button', { name: 'Delete' }).click();
  await page.getByRole('button', { name: 'Walk through the demo' }).click();
  await expect(page.locator('table.jobs tbody tr')).toHaveCount(13);
  // The list says what the stage says.
  await expect(page.getByRole('row', { name: /Lighthouse museum/ })).toContainText(
    'The must falls short: 112 of 700 MB/s.',
  );
});
