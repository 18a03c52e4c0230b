import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, openJobs, openStage, saved, tabTo, test, stageLink } from './fixtures';
import { hardJob } from '../builders/hardJob';

const plan = (page: Page, name: string) => page.getByRole('heading', { name, exact: true });

test('needs become an accepted plan, with another plan looked at, a list to order by, and a log', async ({
  page,
}) => {
  await openStage(page, 'tide-table-office', 'needs');
  await page.keyboard.press('3');
  await expect(plan(page, 'Best plan for all needs together')).toBeVisible();
  await expect(page.getByText(/^Proven: no plan is better/)).toBeVisible();
  const cheapest = page.getByRole('button', { name: /^Cheapest / });
  await tabTo(page, cheapest);
  // Looked at on the board while it has the focus; chosen by Enter.
  await expect(page.locator('svg text', { hasText: 'Breeze 300' }).first()).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(plan(page, 'Cheapest')).toBeVisible();
  await tabTo(page, page.getByText('What differs, and what each delivers'));
  await page.keyboard.press('Enter');
  const differences = page.getByRole('table').filter({ hasText: 'Score' });
  await expect(differences.getByRole('row', { name: /Price of the cards/ })).toContainText(
    '122.00',
  );
  await expect(differences.getByRole('row', { name: /Price of the cards/ })).toContainText(
    '113.00',
  );

  await expect(page.getByRole('button', { name: 'Accept this plan (A)' })).toBeEnabled();
  await page.keyboard.press('a');
  await expect(plan(page, 'The accepted plan')).toBeVisible();
  const list = page.getByRole('article', { name: /Shopping list/ });
  await expect(list.getByRole('row', { name: /Breeze 300/ })).toBeVisible();
  await expect(list.getByRole('row', { name: /^Bracket: low/ })).toContainText('6.00');
  await tabTo(page, list.getByRole('button', { name: 'As CSV' }));
  const downloading = page.waitForEvent('download');
  await page.keyboard.press('Enter');
  const download = await downloading;
  expect(download.suggestedFilename()).toBe('shopping-list.csv');
  const table = readFileSync(await download.path(), 'utf8').split('\r\n');
  expect(table[0]).toBe('What,For,Count,Days,Each in EUR,Together in EUR');
  expect(table.find((line) => line.startsWith('Before tax'))).toBe('Before tax,,,,,119.00');
  expect(table.find((line) => line.startsWith('Total'))).toBe('Total,,,,,142.80');
  await saved(page);

  await page.getByRole('button', { name: 'Log of this job' }).click();
  const log = page.getByRole('dialog');
  await expect(log.getByText('plan not taken').first()).toBeVisible();
  await expect(log.getByText(/Best: .*Not taken: /)).toBeVisible();
});

test('an impossible job is explained, and freed by a change that is offered', async ({ page }) => {
  await openStage(page, 'signal-house', 'choose');
  await expect(plan(page, 'Best plan for all needs together')).toBeVisible();
  await page.keyboard.press('b');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  const never = page.getByRole('button', { name: 'Nothing new in Radio socket' });
  await tabTo(page, never);
  await page.keyboard.press('Enter');

  const why = page.getByRole('region', { name: 'Why not everything fits' });
  await expect(why).toContainText(
    'These do not go together; without any one of them the rest does',
  );
  await expect(why.getByRole('listitem').first()).toBeVisible();
  await expect(why).toContainText('Fixed: Nothing new in Radio socket');
  await expect(why).toContainText('Network: Copies fetched at 230 MB/s');
  const offered = why
    .getByRole('listitem')
    .filter({ hasText: 'Drop the fixed choice: Nothing new' });
  // First seen beside the plan as it is, then done.
  await tabTo(page, offered.getByRole('button', { name: 'See it first' }));
  await page.keyboard.press('Enter');
  const beside = page.getByRole('region', { name: 'As it is, and if' });
  await expect(beside.getByRole('row', { name: /^Drives/ })).toContainText('not met');
  await expect(beside.getByRole('row', { name: /^Drives/ })).toContainText('up to 457 MB/s');
  await page.keyboard.press('p');
  await tabTo(page, offered.getByRole('button', { name: 'Do it' }));
  await page.keyboard.press('Enter');
  await expect(why).toHaveCount(0);
  await expect(page.getByText('Oarlock').or(page.getByText('Sprit 2.5')).first()).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(why).toBeVisible();
});

test('what frees an impossible job is bought with the plan, within the budget', async ({
  page,
}) => {
  await openStage(page, 'foghorn', 'choose');
  const why = page.getByRole('region', { name: 'Why not everything fits' });
  const cable = why
    .getByRole('listitem')
    .filter({ hasText: 'Another cable to the far end: Cat 6' });
  await tabTo(page, cable.getByRole('button', { name: 'Buy it' }));
  await page.keyboard.press('Enter');
  await expect(why).toHaveCount(0);
  await expect(page.getByText('113.00 EUR')).toBeVisible();
  await expect(page.getByLabel('Tally')).toContainText('113.00 of 300.00');
  await expect(page.getByRole('button', { name: 'Accept this plan (A)' })).toBeEnabled();
  await page.keyboard.press('a');
  const list = page.getByRole('article', { name: /Shopping list/ });
  await expect(list).toContainText('Network cable – Brinehollow Hawser 6');
  await expect(list).toContainText('135.60');
  await page.keyboard.press('4');
  await expect(page.getByRole('region', { name: 'Prepare' })).toContainText(
    'Take out of the drawer: Brinehollow Hawser 6',
  );
  // Taken back step by step, down to the cable that was there.
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('3');
  await expect(why).toBeVisible();
});

test('a card is settled for a slot, and what that costs is said; so is why it was not chosen', async ({
  page,
}) => {
  await openStage(page, 'tide-table-office', 'choose');
  await expect(page.getByText(/^Proven: no plan is better/)).toBeVisible();
  await page.keyboard.press('c');
  await expect(page.locator('#card-search')).toBeVisible();
  await page.keyboard.press('/');
  await page.keyboard.type('Lantern 2L');
  await tabTo(page, page.locator('button.name', { hasText: 'Lantern 2L' }));
  await page.keyboard.press('Enter');
  await page.keyboard.press('b');
  await page.keyboard.press('Home');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await page.keyboard.press('p');
  await page.keyboard.press('y');
  await expect(page.getByText(/with it the best plan counts 6\.00 more/)).toBeVisible();
  await expect(page.getByText(/It would do without Kelpwick Lantern 2\b/)).toBeVisible();
  await tabTo(
    page,
    page.getByRole('button', { name: 'Kelpwick Lantern 2L in Slot 2', exact: true }),
  );
  await page.keyboard.press('Enter');
  await expect(page.getByText('costs 6.00 more than without it')).toBeVisible();
  await expect(page.locator('svg text', { hasText: 'Lantern 2L' }).first()).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByText('costs 6.00 more than without it')).toBeVisible();

  // What is weighed otherwise is reckoned otherwise; nonsense is refused and changes nothing.
  await page.getByText(/: its parts and weights$/).click();
  const extras = page.getByLabel('How much “Work in the machine” counts');
  await extras.fill('2000');
  await extras.blur();
  await expect(page.getByRole('alert')).toContainText('A whole number from 0 to 1000');
  await extras.fill('400');
  await extras.blur();
  await expect(page.getByText('costs 6.00 more than without it')).toHaveCount(0);
  await expect(page.getByText(/costs the same as without it|more than without it/)).toBeVisible();
});

test('one fact is supposed otherwise, and the survey stays as it is', async ({ page }) => {
  await openStage(page, 'foghorn', 'choose');
  await expect(page.getByRole('region', { name: 'Why not everything fits' })).toContainText(
    'the network path',
  );
  await page.keyboard.press('f');
  await tabTo(page, page.locator('#what-if'));
  await page.keyboard.type('Another cable to the far end: Cat 6A');
  const beside = page.getByRole('region', { name: 'As it is, and if' });
  await expect(beside.getByRole('row', { name: /^Network/ })).toContainText('up to 1,120 MB/s');
  await expect(beside.getByRole('row', { name: /^The change itself/ })).toContainText('21.00');
  await expect(beside.getByRole('row', { name: /^Score/ })).toContainText('one more must met');
  await tabTo(page, stageLink(page, /^1 Survey/));
  await page.keyboard.press('Enter');
  await page.getByRole('tab', { name: 'Path' }).click();
  await expect(page.getByLabel('Cable class')).toHaveValue('cat5e');
});

test('a card in the way moves and another goes: the board, the table and the steps say so', async ({
  page,
}) => {
  await openStage(page, 'film-shed', 'choose');
  await expect(page.getByText(/^Proven: no plan is better/)).toBeVisible();
  await expect(page.getByText('Gannetry Quay 2 moves from Slot 1 to Slot 3')).toBeVisible();
  await page.getByText('The board as a table').click();
  const board = page.getByRole('table', { name: 'The board as a table' });
  await expect(board.getByRole('row', { name: /Slot 3/ })).toContainText(
    'Gannetry Quay 2, moved here',
  );
  await expect(page.getByRole('region', { name: 'Needs', exact: true })).toContainText('4 of 4');
  // Any fact can be supposed otherwise, in the survey’s own forms, and the survey keeps its own.
  await page.keyboard.press('f');
  await tabTo(page, page.getByText('Any other fact of the machine'));
  await page.keyboard.press('Enter');
  await tabTo(page, page.locator('#fact-case-lengthRoomMm'));
  await page.keyboard.type('150');
  await page.keyboard.press('Tab');
  const beside = page.getByRole('region', { name: 'As it is, and if' });
  await expect(beside.getByRole('columnheader', { name: /room for length/ })).toBeVisible();
  await expect(beside.getByRole('row', { name: /^Drives/ })).toContainText('not met');
  await expect(page.getByText('room for length 280 mm')).toBeVisible();
  await tabTo(page, page.getByRole('tab', { name: 'What if' }));
  await page.keyboard.press('p');
  await expect(page.getByRole('button', { name: 'Accept this plan (A)' })).toBeEnabled();
  await page.keyboard.press('a');
  await page.keyboard.press('5');
  const steps = page.getByRole('region', { name: 'Fit' });
  await expect(steps).toContainText('Take Thornmere Bollard S1 out of Slot 4');
  await expect(steps).toContainText('Remove slot cover 3');
  await expect(steps).not.toContainText('Remove slot cover 1');
});

test('what runs together gets less than alone, and the narrowest stage is named', async ({
  page,
}) => {
  await openStage(page, 'chart-room', 'choose');
  await expect(page.getByText(/^Proven: no plan is better/)).toBeVisible();
  await page.keyboard.press('l');
  await expect(page.getByText('999–1,187 MB/s').first()).toBeVisible();
  await tabTo(page, page.getByRole('tab', { name: 'Each alone' }));
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText(/553–1,187 MB\/s/).first()).toBeVisible();
  await expect(page.getByText('3,653 MB/s – at worst').first()).toBeVisible();
});

test('a long search is stopped, and how much better another plan could be is said', async ({
  page,
}) => {
  test.slow();
  await openJobs(page);
  await page.locator('#import-job').setInputFiles({
    name: 'hard.tenant.json',
    mimeType: 'application/json',
    buffer: Buffer.from(hardJob()),
  });
  // A job that is imported opens by itself.
  await page.waitForURL(/\/jobs\/hard\//);
  await page.goto('/jobs/hard/choose');
  await expect(page.getByRole('button', { name: 'Stop (S)' })).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText(/Planning: [\d,]+ partial plans/)).toBeVisible({ timeout: 30_000 });
  await page.keyboard.press('s');
  await expect(
    page.getByText(/^Not proven: stopped\. Another plan could count [\d,.]+ less/),
  ).toBeVisible({
    timeout: 30_000,
  });
  await expect(page.getByRole('button', { name: 'Stop (S)' })).toHaveCount(0);
});
