import { expect, openJobs, saved, tabTo, test } from './fixtures';

test('the whole job with the keyboard only', async ({ page }) => {
  test.slow();
  await openJobs(page);
  const key = (name: string) => page.keyboard.press(name);
  const leave = () => page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());

  await key('n');
  await expect(page).toHaveURL(/survey$/);
  await expect(page.getByLabel('What the job is')).toBeFocused();
  await page.keyboard.type('Faster wire');
  await key('Tab');
  await page.keyboard.type('Boatyard drawing office');
  await key('Tab');
  // The list says at once what this window has saved, without being read anew.
  await saved(page);
  await tabTo(page, page.getByRole('link', { name: 'All jobs' }));
  await key('Enter');
  const row = page.locator('table.jobs tbody tr').filter({ hasText: 'Faster wire' });
  await expect(row).toContainText('Boatyard drawing office');
  await tabTo(page, row.getByRole('link'));
  await key('Enter');
  await expect(page.getByLabel('What the job is')).toHaveValue('Faster wire');
  await tabTo(page, page.locator('#template'));
  await page.keyboard.type('Longreach');
  await key('Tab');
  await expect(page.locator('[data-slot]')).toHaveCount(5);

  // The far end and the cable are asked for as soon as a network is wanted.
  await leave();
  await key('2');
  await tabTo(page, page.getByRole('button', { name: 'Network', exact: true }));
  await key('Enter');
  await expect(page.getByLabel('In the customer’s words')).toBeFocused();
  await page.keyboard.type('Drawings should open at once');
  await key('Tab');
  await key('Control+A');
  await page.keyboard.type('a lot');
  await key('Tab');
  await expect(page.getByText('A number above 0 and at most 1000000 is expected')).toBeVisible();
  await tabTo(page, page.getByLabel('Copy at, MB/s'));
  await key('Control+A');
  await page.keyboard.type('600');
  await key('Tab');
  await expect(page.getByRole('heading', { name: 'Network: Copies at 600 MB/s' })).toBeVisible();

  await leave();
  await key('1');
  await tabTo(page, page.getByLabel('Port speeds on the path'));
  await page.keyboard.type('1000, 10000');
  await key('Enter');
  await expect(page.getByLabel('Cable class')).toBeFocused();
  await page.keyboard.type('Cat 6A');
  await key('Enter');
  await expect(page.getByText('All facts that the rules need are known')).toBeVisible();

  await leave();
  await key('3');
  await expect(page.getByRole('button', { name: 'Accept this plan (A)' })).toBeEnabled();
  // The board by keyboard: arrows select, and the lists follow.
  await key('b');
  await key('ArrowDown');
  await key('ArrowDown');
  await expect(page.locator('[data-slot="s4"]')).toHaveAttribute('aria-selected', 'true');
  await expect(page.getByRole('heading', { name: 'Slot 4', exact: true })).toBeVisible();
  await leave();
  await key('a');
  await expect(page.getByRole('heading', { name: 'The accepted plan' })).toBeVisible();

  // A reload in the middle returns to the same place with nothing lost.
  await saved(page);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'The accepted plan' })).toBeVisible();

  for (const [stage, name] of [
    ['4', 'Prepare'],
    ['5', 'Fit'],
    ['6', 'Drivers'],
  ] as const) {
    await key(stage);
    await expect(page.getByText(new RegExp(`^${name}, step 1 of`))).toBeVisible();
    await key(' ');
    await expect(page.getByText(/done \d/).first()).toBeVisible();
    await key('Backspace');
    await expect(page.getByText(/done \d/)).toHaveCount(0);
    const all = page.getByRole('list', { name: 'All steps of this stage' }).getByRole('listitem');
    const end = page.getByRole('heading', { name: `${name}: nothing is left here` });
    // A way against static is chosen by a press of its own, and the next one goes on.
    for (let n = (await all.count()) + 1; n > 0 && !(await end.isVisible()); n -= 1) {
      await key(' ');
      await expect(page.locator('button:focus:disabled')).toHaveCount(0);
    }
    await expect(end).toBeVisible();
  }

  await key('7');
  await tabTo(page, page.getByLabel('Measured, MB/s'));
  await page.keyboard.type('112');
  await key('Enter');
  await expect(page.getByText(/falls short of the 600 MB\/s wanted/)).toBeVisible();
  await expect(page.getByRole('region', { name: 'Next check' })).toBeVisible();
  await tabTo(page, page.getByRole('button', { name: /Read the link of/ }));
  await key('Enter');

  await leave();
  await key('8');
  await tabTo(page, page.getByRole('button', { name: 'Hand over the parts that came out' }));
  await key('Enter');
  await tabTo(page, page.getByRole('button', { name: 'Go through the sheet with the customer' }));
  await key('Enter');
  // A must that falls short is open, and never done.
  await expect(page.locator('nav .open')).toHaveCount(1);
  await expect(page.getByText('Not ready: one must falls short.')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'What was fitted' })).toBeVisible();

  // Undo reaches across stages and says what it undid.
  await leave();
  for (const said of ['step ticked', 'step ticked', 'step ticked', 'figure or report recorded']) {
    await key('Control+z');
    await expect(page.getByText(`Undone: ${said}`)).toBeVisible();
  }
  await key('Control+Shift+z');
  await expect(page.getByText('Done again: figure or report recorded')).toBeVisible();
  await key('?');
  await expect(page.getByRole('dialog')).toContainText('redo');
});
