/** Parts and leads of the machine itself: told in the survey, fitted end by end, and what goes nowhere said at the end. */
import { expect, openBench, openStage, saved, stageLink, test } from './fixtures.ts';

test('a machine that is built from nothing is its parts and leads, and nothing of it was ever on', async ({
  page,
}) => {
  await openStage(page, 'tide-table-office', 'survey');
  await page.getByRole('tab', { name: 'Case' }).click();
  await page.getByText('Parts and leads to fit').click();
  await page.getByRole('button', { name: 'Built from nothing' }).click();
  await expect(page.getByRole('checkbox', { name: 'Processor cooler' })).toBeChecked();
  await expect(
    page.getByRole('combobox', { name: 'front light (drive light) at the board' }),
  ).toHaveValue('loose');
  // A step back takes it all off again, and one forward brings it.
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByRole('checkbox', { name: 'Processor cooler' })).not.toBeChecked();
  await page.getByRole('button', { name: /^Redo/ }).click();
  await expect(page.getByRole('checkbox', { name: 'Processor cooler' })).toBeChecked();
  // Another lead, with a second drive that is not there and a first one that nobody knows of.
  await page.getByLabel('Lead', { exact: true }).selectOption('IDE ribbon, 80 wires');
  await page.getByLabel('Which one', { exact: true }).fill('old disk');
  await page.getByRole('button', { name: 'Add the lead' }).click();
  const ribbon = (end: string) =>
    page.getByRole('combobox', { name: `IDE ribbon, 80 wires (old disk) at ${end}` });
  await ribbon('the drive in the middle').selectOption('nothing there');
  await ribbon('the drive at the end').selectOption('not known');
  await expect(ribbon('the drive at the end')).toHaveValue('unknown');
  await expect(ribbon('the drive in the middle')).toHaveValue('none');
  await saved(page);

  await stageLink(page, /Choose/).click();
  await page.getByRole('button', { name: /^Accept/ }).click();
  await stageLink(page, /Fit/).click();
  const list = page.getByRole('list', { name: 'All steps of this stage' });
  await expect(list.getByRole('listitem').first()).toContainText('Earth yourself');
  await expect(list).not.toContainText('pull the mains lead');
  await expect(list).toContainText('Put the processor into its socket');
  await expect(list).toContainText(
    'See that it is plugged in: IDE ribbon, 80 wires (old disk) at the drive at the end',
  );
  await expect(list).toContainText('Set the jumper of old disk: cable select');

  await page.getByRole('button', { name: /^Wrist strap/ }).click();
  const { bench, workTo, workToEnd } = await openBench(page);
  const light = 'Plug front light (drive light) into the board';
  await workTo(light);
  await expect(bench).toContainText('Plus on plus');
  await page.keyboard.press('n');
  await bench.getByRole('button', { name: 'A pin is bent' }).press('Enter');
  await bench.getByRole('button', { name: /Plan the rest anew/ }).press('Enter');
  await expect(bench.getByRole('list', { name: 'What changes' })).toContainText(
    `No more: ${light}`,
  );
  await bench.getByRole('button', { name: 'Take this list' }).press('Enter');
  await workToEnd();
  await bench.getByRole('button', { name: 'Leave the bench' }).click();
  await stageLink(page, /Hand over/).click();
  await expect(page.getByRole('article')).toContainText(
    'Front light (drive light), at the board: a pin is bent there',
  );
});
