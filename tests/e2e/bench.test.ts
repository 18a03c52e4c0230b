import AxeBuilder from '@axe-core/playwright';
import { expect, openBench, openStage, saved, test } from './fixtures.ts';

test('the work is done at the bench by keyboard, and what does not go is planned anew', async ({
  page,
}) => {
  await openStage(page, 'sail-loft', 'fit');
  const { bench, title } = await openBench(page);
  await expect(title).toHaveText('Move aside: Fan plug and lead');
  await expect(bench).toContainText('Before “Seat Gannetry Quay 4M in Slot 2”');
  await expect(bench).toContainText('On the tray now: mains lead, leads from behind, side panel');
  // What is read from a metre is large.
  const px = await title.evaluate((node) => parseFloat(getComputedStyle(node).fontSize));
  expect(px).toBeGreaterThanOrEqual(28);

  const { violations } = await new AxeBuilder({ page }).include('dialog').analyze();
  expect(violations.map(({ id }) => id)).toEqual([]);

  await page.keyboard.press('p');
  await page.keyboard.press('Space');
  await expect(title).toHaveText('Move aside: Fan plug and lead');
  await page.keyboard.press('p');
  await page.keyboard.press('Space');
  await expect(title).toHaveText('Remove slot cover 2');
  await expect(bench).toContainText('plug: Fan plug and lead');
  await page.keyboard.press('Backspace');
  await expect(title).toHaveText('Move aside: Fan plug and lead');
  await page.keyboard.press('Space');
  await page.keyboard.press('Space');
  await expect(title).toHaveText('Seat Gannetry Quay 4M in Slot 2');

  // The latch breaks: the card goes elsewhere, the open cover closes again, the fan is plugged in.
  await page.keyboard.press('n');
  await bench.getByRole('button', { name: 'Latch or slot is broken' }).press('Enter');
  await bench.getByRole('button', { name: /Plan the rest anew/ }).press('Enter');
  const changes = bench.getByRole('list', { name: 'What changes' });
  await expect(changes).toContainText('Gannetry Quay 4M goes to');
  await expect(changes).toContainText('New: Fit a slot cover over opening 2');
  await bench.getByRole('button', { name: 'Take this list' }).press('Enter');
  await expect(title).not.toHaveText('Seat Gannetry Quay 4M in Slot 2');
  await saved(page);
  await page.reload();
  await (await openBench(page)).workToEnd();
  await page.keyboard.press('Escape');
  await expect(bench).toBeHidden();
});

test('what is found is asked for in millimetres, and a reason stays in the log', async ({
  page,
}) => {
  await openStage(page, 'sail-loft', 'fit');
  const { bench, title, workTo } = await openBench(page);
  await workTo('Seat Gannetry Quay 4M in Slot 2');
  await page.keyboard.press('n');
  await bench.getByRole('button', { name: 'The card is longer than said' }).click();
  await bench.getByLabel('The card is, mm').fill('long');
  await expect(bench).toContainText('Measure the card from its bracket to its far end');
  await expect(bench.getByRole('button', { name: /Plan the rest anew/ })).toBeDisabled();
  // A card of 400 mm goes nowhere in this case.
  await bench.getByLabel('The card is, mm').fill('400');
  await bench.getByRole('button', { name: /Plan the rest anew/ }).click();
  await expect(bench.getByRole('list', { name: 'What changes' })).toContainText(
    'Gannetry Quay 4M is not fitted any more',
  );
  await bench.getByRole('button', { name: 'Something else was found' }).click();
  await bench.getByRole('button', { name: 'Something else: go on with a reason' }).click();
  await bench.getByLabel('It stays in the log').fill('it sits, the latch is missing');
  await bench.getByRole('button', { name: 'Go on with this reason' }).click();
  await expect(title).not.toHaveText('Seat Gannetry Quay 4M in Slot 2');
  await page.keyboard.press('Escape');
  await saved(page);
  await page.getByRole('button', { name: 'Log of this job' }).click();
  await expect(page.getByText(/it sits, the latch is missing/)).toBeVisible();
});
