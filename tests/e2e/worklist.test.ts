/** How many acts it takes: from a dropped report and two needs to a plan. */
import type { Page } from '@playwright/test';
import { evidence, expect, openJobs, stageLink, test } from './fixtures';

/** One act: a drop, a click, or a field that is filled and left with Enter. */
class Acts {
  count = 0;
  private readonly page: Page;

  constructor(page: Page) {
    this.page = page;
  }

  async drop(text: string) {
    const transfer = await this.page.evaluateHandle((content) => {
      const data = new DataTransfer();
      data.items.add(new File([content], 'machine.txt', { type: 'text/plain' }));
      return data;
    }, text);
    await this.page
      .getByRole('group', { name: 'Drop the evidence here' })
      .dispatchEvent('drop', { dataTransfer: transfer });
    this.count += 1;
  }

  async click(name: string | RegExp) {
    await this.page.getByRole('button', { name, exact: true }).click();
    this.count += 1;
  }

  async go(name: RegExp) {
    await this.page.locator('#way-on').filter({ hasText: name }).click();
    this.count += 1;
  }

  /** What has the focus is answered, and Enter goes on. */
  async answer(text: string) {
    const field = this.page.locator(':focus');
    if ((await field.evaluate((each) => each.tagName)) === 'SELECT')
      await field.selectOption({ label: text });
    else await field.fill(text);
    await this.page.keyboard.press('Enter');
    this.count += 1;
  }
}

const ANSWERS: readonly (readonly [RegExp, string])[] = [
  [/^System$/, 'Windows 11, 64 bit'],
  [/^Bracket height$/, 'full height'],
  [/^Room for length$/, '310'],
  [/^12 V watts of the supply$/, '600'],
  [/^12 V load now$/, '260'],
  [/^Free plugs$/, 'none'],
  [/^Opening it faces/, '1, 2, 4, 5, 7'],
  [/^Port speeds/, '1000, 10000'],
  [/^Cable class$/, 'Cat 6A'],
];

const labelOfFocus = (page: Page) =>
  page.evaluate(() => (document.activeElement as HTMLInputElement).labels?.[0]?.textContent ?? '');

async function begin(page: Page): Promise<Acts> {
  await openJobs(page);
  await page.getByRole('button', { name: 'New job' }).click();
  await expect(page.locator('#evidence-file')).toBeAttached();
  return new Acts(page);
}

test('a plan on what is known takes at most six acts from a dropped report', async ({ page }) => {
  const acts = await begin(page);
  await acts.drop(evidence('lspci'));
  await expect(page.locator('[data-slot]')).toHaveCount(5);
  await acts.go(/On to Needs/);
  await acts.click('Network');
  await acts.click('USB');
  await acts.go(/On to Choose/);
  await expect(page.getByRole('button', { name: /^Accept this plan/ })).toBeEnabled();
  await expect(page.locator('#way-on')).toContainText(/Best on what is known, \d+ facts open/);
  expect(acts.count).toBeLessThanOrEqual(6);
});

test('a plan without unknowns takes at most fifteen, Enter leading from fact to fact', async ({
  page,
}) => {
  const acts = await begin(page);
  await acts.drop(evidence('lspci'));
  await expect(
    page.getByText(/Read and taken into the survey: 11 devices; \d+ facts settled/),
  ).toBeVisible();
  await expect(
    page.getByText('Not in it: slot records of the firmware, screens, the system.'),
  ).toBeVisible();
  await acts.go(/On to Needs/);
  await acts.click('Network');
  await acts.click('USB');
  await stageLink(page, /Survey/).click();
  acts.count += 1;
  const first = page.locator('[data-answer]').first();
  await expect(first).toBeVisible();
  // What was counted once more after the needs is what is asked first.
  await expect(page.getByText(/Cable class/)).toBeVisible();
  await first.focus();
  for (let asked = 0; asked < ANSWERS.length; asked += 1) {
    const label = await labelOfFocus(page);
    const answer = ANSWERS.find(([name]) => name.test(label.trim()))?.[1];
    expect(answer, `asked: ${label}`).toBeDefined();
    await acts.answer(answer!);
  }
  await stageLink(page, /Choose/).click();
  acts.count += 1;
  const plan = page.getByRole('region', { name: /plan/ }).first();
  await expect(page.getByRole('button', { name: /^Accept this plan/ })).toBeEnabled();
  await expect(plan).not.toContainText('Not known yet; find out first');
  expect(acts.count).toBeLessThanOrEqual(15);
});

test('a wrong answer is refused where it was typed, and changes nothing', async ({ page }) => {
  const acts = await begin(page);
  await acts.drop(evidence('lspci'));
  const opening = page.getByLabel(/^Opening it faces/);
  await opening.fill('1, 2');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('one for all, or 5 with commas between');
  await expect(opening).toBeFocused();
  await expect(opening).toHaveValue('1, 2');
  await opening.fill('1, 2, 4, 5, 7');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Opening not told yet')).toHaveCount(0);
  // The next fact has the focus, and one undo takes all five back.
  await expect(page.locator('[data-answer]:focus')).toHaveCount(1);
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel(/^Opening it faces/)).toHaveCount(1);
});
