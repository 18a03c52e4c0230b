/** The drawing as a browser measures it: words that never run into each other, three views at one scale. */
import type { Page } from '@playwright/test';
import { soaked } from '../builders/soak';
import { evidence, expect, openJobs, openStage, test } from './fixtures';
import { SIZES, labelFaults } from './layout';

async function atEverySize(page: Page, where: string): Promise<void> {
  for (const [width, height] of SIZES) {
    await page.setViewportSize({ width, height });
    await expect(page.locator('.elevations').first()).toBeAttached();
    await page.waitForTimeout(120);
    expect.soft(await labelFaults(page), `${where} at ${width} × ${height}`).toEqual([]);
  }
}

test('no two labels overlap and none leaves the drawing, in any job at any size', async ({
  page,
}) => {
  test.slow();
  await openJobs(page);
  const ids = await page
    .locator('table.jobs tbody a[href^="/jobs/"]')
    .evaluateAll((links) => [...new Set(links.map((each) => each.getAttribute('href')!))]);
  expect(ids).toHaveLength(13);
  const step = soaked(5, 1);
  let drawn = 0;
  for (const href of ids.filter((_, n) => n % step === 0)) {
    const job = href.split('/')[2]!;
    await page.goto(`/jobs/${job}/choose`);
    await expect(page.locator('.elevations, .nothing').first()).toBeAttached();
    if (await page.locator('.nothing').isVisible()) continue;
    drawn += 1;
    await atEverySize(page, job);
  }
  expect(drawn).toBeGreaterThan(9 / step);
});

/** What firmware writes of its slots where its maker was talkative: names of 40 letters, and two alike. */
const TALKATIVE = [
  'Riverbank Expansion Riser Slot A, CPU 1',
  'Riverbank Expansion Riser Slot A, CPU 1',
  'PCIEX16_1 (shares lanes with M2_2, wide)',
  'MMMMMMMMMMMMMMMMMMMMMMMMMMMMMMMMMMMMMMMM',
  'J6B2',
]
  .map((name, n) =>
    [
      `Handle 0x00${n + 10}, DMI type 9, 17 bytes`,
      'System Slot Information',
      `\tDesignation: ${name}`,
      '\tType: x16 PCI Express 3 x16',
      '\tCurrent Usage: Available',
      '\tLength: Long',
      `\tID: ${n + 1}`,
      '\tCharacteristics:',
      '\t\t3.3 V is provided',
      `\tBus Address: 0000:00:1c.${n}`,
      '',
    ].join('\n'),
  )
  .join('\n');

test('names of forty letters stay in their column, and equal ones apart', async ({ page }) => {
  await openJobs(page);
  await page.getByRole('button', { name: 'New job' }).click();
  await page.locator('#evidence-text').fill(`# dmidecode 3.4\n${TALKATIVE}`);
  await page.getByRole('button', { name: 'Read it' }).click();
  await expect(page.locator('[data-slot]')).toHaveCount(5);
  await atEverySize(page, 'talkative firmware');
  await page.setViewportSize({ width: 1280, height: 800 });
  const names = await page.locator('[data-row^="slot "] .label').allTextContents();
  expect(new Set(names).size).toBe(5);
});

test('words stay apart while a card is tried, and with a machine’s own report', async ({
  page,
}) => {
  await openStage(page, 'pilots-mess', 'choose');
  await page.getByRole('tab', { name: 'Cards' }).click();
  await page.locator('.cell').nth(1).click();
  await page.keyboard.press('t');
  await atEverySize(page, 'on trial');
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto('/');
  await page.getByRole('button', { name: 'New job' }).click();
  await page.locator('#evidence-text').fill(evidence('lspci'));
  await page.getByRole('button', { name: 'Read it' }).click();
  await expect(page.locator('[data-slot]').first()).toBeVisible();
  await atEverySize(page, 'a report alone');
});

test('side and rear view are drawn at the plan’s scale, and light what is selected', async ({
  page,
}) => {
  await openStage(page, 'lighthouse-museum', 'fit');
  // The stage lights its own task's slot once it is there.
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await page.locator('[data-slot="s7"]').click();
  await expect(page.locator('.elevations .bracket.lit')).toHaveCount(1);
  await expect(page.locator('.elevations .body.lit')).toHaveCount(1);
  await expect(page.locator('[data-row].lit')).not.toHaveCount(0);
  const width = (selector: string) =>
    page
      .locator(selector)
      .first()
      .evaluate((each) => Number(each.getAttribute('width')));
  // The connector of an x16 slot is 89 mm long (Card Electromechanical Specification, from memory).
  const perMm = (await width('[data-slot="s5"] .connector')) / 89;
  expect((await width('.elevations .bracket')) / perMm).toBeCloseTo(120.02, 6);
  expect((await width('.elevations .body.lit')) / perMm).toBeCloseTo(140, 6);
});
