/** Fingers, keys and paper: what a hand can reach, where the focus is, and what is printed. */
import type { Page } from '@playwright/test';
import { expect, openJobs, openStage, stageLink, test } from './fixtures';

const hasFocus = (page: Page) =>
  page.evaluate(() => {
    const { activeElement } = document;
    return activeElement !== null && activeElement !== document.body && activeElement.isConnected;
  });

/** Moved on by whatever came of the act. */
const keepsFocus = (page: Page, after: string) =>
  expect.poll(() => hasFocus(page), { message: `focus after: ${after}` }).toBe(true);

test('no act of a whole job loses the focus', async ({ page }) => {
  test.slow();
  await openStage(page, 'tide-table-office', 'needs');
  const press = async (name: string | RegExp, key = 'Enter') => {
    const button = page.getByRole('button', { name }).first();
    await button.focus();
    await page.keyboard.press(key);
    await keepsFocus(page, String(name));
  };
  await press('Serial or parallel port');
  await press('Remove this need');
  await press('Remove this need');
  await page.keyboard.press('Control+z');

  await stageLink(page, /Choose/).click();
  await expect(page.getByRole('button', { name: /^Accept this plan/ })).toBeEnabled();
  await press(/^Accept this plan/);
  await expect(page.locator('#way-on')).toBeFocused();
  await expect(page.locator('#way-on')).toHaveText('On to Prepare');
  await press('Withdraw it');
  await expect(page.getByRole('button', { name: /^Accept this plan/ })).toBeEnabled();
  await page.keyboard.press('a');
  await expect(page.locator('#way-on')).toHaveText('On to Prepare');
  await expect(page.locator('#way-on')).toBeFocused();
  await page.keyboard.press('Enter');

  for (const stage of ['Prepare', 'Fit', 'Drivers']) {
    await expect(page).toHaveURL(new RegExp(`${stage.toLowerCase()}$`));
    const done = page.getByRole('button', { name: /^Done – next/ });
    await expect(done.or(page.locator('a#way-on'))).toBeVisible();
    while (await done.isVisible()) {
      const before = await page.getByRole('heading', { level: 1 }).textContent();
      if (await page.getByRole('group', { name: 'Your way against static' }).isVisible()) {
        await expect(page.getByRole('button', { name: /^Wrist strap/ })).toBeFocused();
        await page.keyboard.press('Enter');
        await expect(done).toBeEnabled();
        await keepsFocus(page, 'a way against static');
      }
      await done.focus();
      await page.keyboard.press('Enter');
      await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(before ?? '');
      await keepsFocus(page, `a step of ${stage}`);
    }
    await expect(page.locator('a#way-on')).toBeFocused();
    await page.keyboard.press('Enter');
  }
  await expect(page).toHaveURL(/prove$/);
});

test('a skip link leads into the stage, and three Tabs from its head to its list', async ({
  page,
}) => {
  await openStage(page, 'sail-loft', 'survey');
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await page.keyboard.press('Tab');
  await expect(page.locator(':focus')).toHaveText('Skip to Survey');
  await page.keyboard.press('Enter');
  await expect(page.locator('#stage')).toBeFocused();

  /** What each stage's list is. */
  const lists: readonly (readonly [job: string, stage: string, list: string])[] = [
    ['net-loft', 'survey', '[aria-labelledby="unknown-heading"], [role="tablist"]'],
    ['tide-table-office', 'needs', 'form, fieldset, section, [role="group"]'],
    ['tide-table-office', 'choose', '[aria-labelledby="plan-heading"]'],
    ['sail-loft', 'prepare', 'ol[aria-label="All steps of this stage"]'],
    ['sail-loft', 'fit', 'ol[aria-label="All steps of this stage"]'],
    ['lighthouse-museum', 'prove', 'section.row'],
    ['lighthouse-museum', 'hand-over', 'ol[aria-label="All steps of this stage"]'],
  ];
  for (const [job, stage, list] of lists) {
    await page.goto(`/jobs/${job}/${stage}`);
    await page.locator('#way-on').waitFor();
    await page.locator('.answer p, .answer a').last().waitFor();
    await page.locator('#way-on').focus();
    let tabs = 0;
    let isThere = false;
    while (tabs < 3 && !isThere) {
      await page.keyboard.press('Tab');
      tabs += 1;
      isThere = await page.evaluate(
        (selector) => document.activeElement?.closest(selector) !== null,
        list,
      );
    }
    expect(isThere, `${stage}: its list within three Tabs`).toBe(true);
  }
});

test('letters never fire while something is typed, and can be switched off', async ({ page }) => {
  await openStage(page, 'tide-table-office', 'needs');
  const words = page.getByLabel('In the customer’s words').first();
  await words.fill('');
  await words.pressSequentially('b1a?/2');
  await expect(words).toHaveValue('b1a?/2');
  await expect(page).toHaveURL(/needs$/);
  await page.getByRole('button', { name: 'Keys (?)' }).click();
  await page.getByRole('dialog').getByText('Single letters and digits act').click();
  await page.keyboard.press('Escape');
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await page.keyboard.press('1');
  await page.keyboard.press('?');
  await expect(page).toHaveURL(/needs$/);
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'What the customer wants' })).toBeVisible();
  await page.keyboard.press('1');
  await expect(page).toHaveURL(/needs$/);
  await page.getByRole('button', { name: 'Keys (?)' }).click();
  await page.getByRole('dialog').getByText('Single letters and digits act').click();
  await page.keyboard.press('Escape');
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await page.keyboard.press('1');
  await expect(page).toHaveURL(/survey$/);
});

test.describe('with a coarse pointer', () => {
  test.use({ hasTouch: true, isMobile: true, viewport: { width: 800, height: 1280 } });

  test('every target is at least 44 px, and the main act is within the thumb’s reach', async ({
    page,
  }) => {
    await openJobs(page);
    for (const [job, stage] of [
      ['sail-loft', 'fit'],
      ['tide-table-office', 'choose'],
      ['tide-table-office', 'needs'],
      ['net-loft', 'survey'],
      ['lighthouse-museum', 'prove'],
      ['lighthouse-museum', 'hand-over'],
    ] as const) {
      await page.goto(`/jobs/${job}/${stage}`);
      await page.locator('.answer').waitFor();
      await page.waitForLoadState('networkidle');
      const small = await page.evaluate(() => {
        const targets = document.querySelectorAll<HTMLElement>(
          'a[href], button, input:not(.only-read):not([type="checkbox"]):not([type="file"]), select, textarea, summary, label.bx--checkbox-label',
        );
        return [...targets].flatMap((each) => {
          if (each.offsetParent === null && getComputedStyle(each).position !== 'fixed') return [];
          const { width, height, top } = each.getBoundingClientRect();
          const isSkip = each.classList.contains('skip');
          return isSkip || width === 0 || top < 0 || (height >= 44 && width >= 24)
            ? []
            : [
                `${each.tagName} ${(each.textContent ?? '').trim().slice(0, 30)} ${each.className} ${width} × ${height}`,
              ];
        });
      });
      expect.soft(small, `${stage}: targets below 44 px`).toEqual([]);
    }
    await page.goto('/jobs/sail-loft/fit');
    const main = page.locator('.main-act');
    await expect(main).toBeVisible();
    const box = (await main.boundingBox())!;
    expect(box.y + box.height).toBeCloseTo(1280, 0);
    expect(box.width).toBeCloseTo(800, 0);
    // The board folds away and leaves the step the screen.
    await page.getByRole('button', { name: 'Fold the board' }).tap();
    await expect(page.locator('[data-slot]')).toHaveCount(0);
    await page.getByRole('button', { name: 'Show the board' }).tap();
    await expect(page.locator('[data-slot]').first()).toBeVisible();
  });
});

test('a stage prints with its drawing and without what only a hand can use', async ({ page }) => {
  await openStage(page, 'sail-loft', 'fit');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  await expect(page.locator('.panel .bx--btn:visible')).toHaveCount(0);
  await expect(page.locator('header:visible, nav:visible')).toHaveCount(0);
  await expect(page.locator('svg[aria-label="The board, to scale"]')).toBeVisible();
  await page.emulateMedia({ media: 'screen' });
  await page.goto('/jobs/lighthouse-museum/hand-over');
  await expect(page.getByText('Received by')).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('img', { name: /The machine, to scale/ })).toBeVisible();
  await expect(page.locator('.controls')).toBeHidden();
});

test('the log, errors and notices speak in words, not in codes', async ({ page }) => {
  await openStage(page, 'lighthouse-museum', 'needs');
  await page.getByRole('button', { name: '40 Gb/s port' }).click();
  await stageLink(page, /Prove/).click();
  await page.getByRole('button', { name: 'take back' }).first().click();
  await page.getByRole('button', { name: 'Log of this job' }).click();
  const log = page.getByRole('dialog');
  await expect(log).toContainText('need added: 40 Gb/s port');
  await expect(log).toContainText(/step unticked: Read the link of/);
  const said = (await log.textContent()) ?? '';
  expect(said).not.toMatch(
    /\[object|serialLink|checkLink|[a-z]+:[a-z0-9-]*\d\b|\b[a-z]+[A-Z][a-z]+\b/,
  );
});
