/** Before the case is opened, and in which order: what came, how it was, a trial elsewhere, and a second round. */
import { expect, openBench, openStage, saved, test } from './fixtures.ts';

test('what came is held against the order, and how it was is written down', async ({ page }) => {
  await openStage(page, 'sail-loft', 'prepare');
  const list = page.getByRole('list', { name: 'All steps of this stage' });
  const check = list.getByRole('button', {
    name: 'Check what came: Gannetry Quay 4M',
    exact: true,
  });
  await list.getByRole('button', { name: /^take back Check what came/ }).click();
  await check.click();
  await expect(
    page.getByText('The full-height bracket is on it, as this case takes it.'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'It is not as ordered' }).press('Enter');
  const asked = page.getByRole('group', { name: 'It does not go' });
  await expect(asked.getByRole('button', { name: 'The bracket is not in the box' })).toBeHidden();
  await asked.getByRole('button', { name: /order it again/ }).press('Enter');
  const again = asked.getByRole('button', { name: 'Put it on order again' });
  await expect(again).toBeDisabled();
  await asked.getByLabel('It stays in the log').fill('a two-port card came');
  await again.press('Enter');
  // The order is open again, and comes first.
  await expect(
    page.getByRole('heading', { level: 1, name: 'Order Gannetry Quay 4M' }),
  ).toBeVisible();
  await saved(page);
  await page.getByRole('button', { name: 'Log of this job' }).click();
  await expect(page.getByText(/a two-port card came/)).toBeVisible();
  await page.keyboard.press('Escape');

  await list
    .getByRole('button', { name: 'Measure how it is before the work', exact: true })
    .click();
  const before = page.getByRole('textbox', { name: /^USB before/ });
  await before.fill('none');
  await before.press('Enter');
  await expect(page.getByText('A number above zero is expected')).toBeVisible();
  await before.fill('31');
  await before.press('Enter');
  await expect(page.getByRole('button', { name: 'Remove the run of 31 MB/s' })).toBeVisible();
  await saved(page);
  await page.goto('/jobs/sail-loft/prove');
  await expect(page.getByText('31 MB/s before the work')).toBeVisible();
});

test('a card is tried in another machine first, and another waits until the first runs', async ({
  page,
}) => {
  await openStage(page, 'tide-table-office', 'choose');
  await page.getByRole('button', { name: /^Accept this plan/ }).click();
  const order = page.getByRole('region', { name: 'In which order' });
  const waits = order.getByRole('group', { name: /Fit these once/ });
  await waits.getByLabel('Kelpwick Lantern 2, Slot 2').setChecked(true, { force: true });
  // One at least goes in at once.
  await expect(waits.getByLabel('Oarlock Breeze 867, Slot 1')).toBeDisabled();
  await order.getByRole('button', { name: 'Try cards in another machine first' }).click();
  const form = order.getByRole('form', { name: 'The other machine' });
  const keep = form.getByRole('button', { name: 'Keep the trial' });
  await expect(form.getByRole('status')).toHaveText('Name the other machine.');
  await form.getByLabel('The other machine').fill('Workshop bench');
  await expect(form.getByRole('status')).toHaveText('Name a free slot for at least one card.');
  await form.getByLabel('Free slot there for Oarlock Breeze 867').fill('Slot 2 of the bench');
  await keep.press('Enter');
  await expect(order).toContainText('Oarlock Breeze 867 in Slot 2 of the bench');
  await saved(page);

  await page.goto('/jobs/tide-table-office/fit');
  const list = page.getByRole('list', { name: 'All steps of this stage' });
  await expect(list).toContainText('On the other machine, as a trial');
  await expect(list).toContainText('Second round, once the cards of the first run');
  const { bench, title, workTo, workToEnd } = await openBench(page);
  await expect(title).toHaveText(/^Shut down/);
  await workTo('Earth yourself: strap, or bare metal');
  await expect(bench.getByRole('button', { name: 'Done (space)' })).toBeDisabled();
  await page.keyboard.press('Space');
  await expect(title).toHaveText('Earth yourself: strap, or bare metal');
  await bench.getByRole('button', { name: /^Touch bare earthed metal/ }).press('Enter');
  await bench.getByRole('button', { name: 'Done (space)' }).press('Enter');
  await workTo('Mains lead in, and start it open');
  await expect(bench).toContainText('here and at no other step');
  await workTo('Fit: nothing is left here');
  await page.keyboard.press('Escape');

  // The second round waits, whichever of its tasks is picked.
  await expect(
    page.getByRole('heading', { name: /nothing is left here in this round/ }),
  ).toBeVisible();
  await list
    .getByRole('button', { name: 'Seat Kelpwick Lantern 2 in Slot 2', exact: true })
    .click();
  await expect(
    page.getByRole('button', { name: 'Waits until the round before is proven' }),
  ).toBeDisabled();
  await saved(page);
  for (const stage of ['drivers', 'prove']) {
    await page.goto(`/jobs/tide-table-office/${stage}`);
    const steps = page.getByRole('list', { name: 'All steps of this stage' });
    const first = steps.getByRole('listitem').first();
    await expect(first).toBeVisible();
    if (stage === 'prove') await first.getByRole('button').first().click();
    else
      for (
        const done = page.getByRole('button', { name: /^Done – next/ });
        await done.isVisible();
      ) {
        const told = (await page.getByRole('heading', { level: 1 }).textContent()) ?? '';
        await done.click();
        await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(told);
      }
    await expect(first).toContainText('done');
    await saved(page);
  }
  await expect(page.locator('.answer')).toContainText('The cards of the first round run');
  await page.getByRole('link', { name: /to Fit$/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Shut down/);
  await openBench(page);
  await expect(bench).toContainText('Second round, once the cards of the first run');
  await workTo('Press the power button once');
  // What is ticked faster than a hand works says nothing of what it takes.
  await page.waitForTimeout(6_000);
  await workToEnd();
  await page.keyboard.press('Escape');
  await expect(page.locator('.answer')).toContainText('All 45 steps done.');
  await saved(page);

  // What tasks took is said of the next ones.
  await page.goto('/jobs/sail-loft/fit');
  await list.getByRole('button', { name: 'Press the power button once', exact: true }).click();
  await expect(page.getByText(/timed (once|\d times) here/)).toBeVisible();
});
