import { expect, openStage, saved, test } from './fixtures.ts';
import { ataReport } from '../builders/smartctl.ts';

test('drives are read from what they say, typed, counted in the plan, and stand on the sheet', async ({
  page,
}) => {
  await openStage(page, 'ropewalk', 'needs');
  const drives = page.locator('details.drives');
  await drives.getByText('The drives themselves').first().click();
  const report = ataReport(
    {
      model: 'Kelpwick Ledger 4000',
      serial: 'KL-0815',
      bytes: 4_000_787_030_016,
      turns: 7_200,
      form: '3.5 inches',
      passed: true,
    },
    4e9,
    null,
  );
  const file = (name: string, text: string) => ({
    name,
    mimeType: 'application/json',
    buffer: Buffer.from(text),
  });
  const input = drives.locator('input[type="file"]');
  await input.setInputFiles(file('other.json', '{"model": 1}'));
  await expect(drives.getByRole('status')).toContainText('0 drives read. No drive in it');
  await expect(page.locator('#drives-ports')).toHaveValue('10');

  await input.setInputFiles(file('sda.json', JSON.stringify(report)));
  await expect(drives.getByRole('status')).toContainText('1 drive read.');
  await expect(page.getByLabel('Written so far, TB')).toHaveValue('2.05');
  // A serial number is kept only where it was asked for.
  await expect(page.getByLabel('Serial number', { exact: true })).toHaveCount(0);
  await expect(page.locator('#drives-ports')).toHaveCount(0);

  // Wrong input is said beside its field, and changes nothing.
  await page.getByLabel('12 V, W').fill('many');
  await page.getByLabel('12 V, W').blur();
  await expect(drives.getByText('A number is expected')).toBeVisible();
  await page.getByLabel('12 V, W').fill('24');
  await page.getByLabel('12 V, W').blur();
  for (const count of [2, 3, 4, 5, 6]) {
    await drives.getByRole('button', { name: 'One more like the last' }).click();
    await expect(drives.getByText(`The drives themselves (${count})`)).toBeVisible();
  }
  // Hard disks carry no 450 MB/s; they carry 150.
  await page.getByLabel('Each, or as an array, MB/s').fill('150');
  await page.getByLabel('Each, or as an array, MB/s').blur();
  await expect(page.locator('dl[aria-label="Tally"]')).toContainText('324 of');
  await saved(page);

  await page.goto('/jobs/ropewalk/choose');
  await expect(page.locator('.answer [role="status"]')).toContainText('Every must is met');
  await page.getByRole('button', { name: /^Accept this plan/ }).click();
  await expect(page.getByRole('heading', { name: 'The accepted plan' })).toBeVisible();
  await saved(page);
  await page.goto('/jobs/ropewalk/hand-over');
  const sheet = page.getByRole('article');
  await expect(sheet.getByRole('heading', { name: 'Drives', exact: true })).toBeVisible();
  await expect(sheet.getByText('Kelpwick Ledger 4000').first()).toBeVisible();
});

test('what is wanted later keeps its slot, and is not ordered', async ({ page }) => {
  await openStage(page, 'net-loft', 'choose');
  const plan = page.getByRole('region', { name: 'Best plan for all needs together' });
  await expect(plan).toContainText('kept for later, 24.00 today');
  await expect(plan).toContainText('24.00 later, at today’s prices');
  await expect(page.locator('.answer [role="status"]')).toContainText('17.00');
  await page.getByRole('button', { name: /^Accept this plan/ }).click();
  await expect(page.getByRole('heading', { name: 'The accepted plan' })).toBeVisible();
  await saved(page);
  await page.goto('/jobs/net-loft/prepare');
  await expect(page.getByText('Order Pellworth Hold 1L')).toBeVisible();
  await expect(page.getByText('Order Oarlock Breeze 867')).toHaveCount(0);
  await page.goto('/jobs/net-loft/hand-over');
  await expect(page.getByRole('article')).toContainText(
    'Slot 3, for Oarlock Breeze 867; 24.00 today',
  );

  // Wanted now after all: it is bought.
  await page.goto('/jobs/net-loft/needs');
  await expect(page.getByLabel('for later').last()).toBeChecked();
  await page.getByLabel('for later').last().uncheck({ force: true });
  await expect(page.getByRole('heading', { name: 'Wi-Fi: 300 Mb/s', exact: true })).toBeVisible();
  await saved(page);
  await page.goto('/jobs/net-loft/choose');
  await page.getByRole('button', { name: 'Withdraw it' }).click();
  await expect(page.locator('.answer [role="status"]')).toContainText('41.00');
});

test('a second system, damage and its photograph are told in the survey, and said where they matter', async ({
  page,
}) => {
  await openStage(page, 'signal-house', 'survey');
  await page.getByRole('tab', { name: 'System' }).click();
  await page.getByRole('button', { name: 'It is started with a second system as well' }).click();
  await expect(page.getByText('Version of the second system')).toBeVisible();
  await page.locator('#fact-secondSystem-family').selectOption('linux');
  await page.locator('#fact-secondSystem-version').fill('6.1');
  await page.locator('#fact-secondSystem-version').blur();
  await page.locator('#fact-secondSystem-architecture').selectOption('x86-64');
  await page.getByRole('tab', { name: 'Case' }).click();
  await page.getByLabel('Dead or damaged').fill('USB port at the back, lower left: dead');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Remove: USB port/ })).toBeVisible();
  // A number alone counts bays of the usual size; nonsense is refused.
  await page.getByLabel('Free bays, inch').fill('two');
  await page.getByLabel('Free bays, inch').blur();
  await expect(page.getByText(/is not a list such as 2 × 3.5/)).toBeVisible();
  await page.getByLabel('Free bays, inch').fill('1 x 3.5, 1 × 2.5 up to 9.5 mm');
  await page.getByLabel('Free bays, inch').blur();
  await expect(page.getByLabel('Free bays, inch')).toHaveValue('1 × 3.5, 1 × 2.5 up to 9.5 mm');
  await saved(page);

  await page.goto('/jobs/signal-house/choose');
  await page.getByRole('button', { name: /^Accept this plan/ }).click();
  await expect(page.getByRole('heading', { name: 'The accepted plan' })).toBeVisible();
  await saved(page);
  await page.goto('/jobs/signal-house/prepare');
  await expect(page.getByText('Show the customer what was damaged before')).toBeVisible();
  await page.goto('/jobs/signal-house/drivers');
  await expect(page.getByText(/Start the second system \(Linux\)/).first()).toBeVisible();
});
