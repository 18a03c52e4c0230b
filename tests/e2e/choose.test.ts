import { expect, openJobs, openStage, saved, tabTo, test, stageLink } from './fixtures';

test('needs are told, a card is found, tried by hand, read, its fact mended, and it passes', async ({
  page,
}) => {
  test.slow();
  await openStage(page, 'night-ferry', 'needs');
  // What the machine does already is said at once, and changes with the numbers.
  const rear = page.getByRole('region', { name: 'USB' }).nth(1);
  await expect(rear).toContainText('The machine does it already: 6 of that kind');
  await rear.getByLabel('One alone, MB/s').fill('900');
  await rear.getByLabel('One alone, MB/s').blur();
  await expect(rear).toContainText('Not as it stands: 450 MB/s for 900 MB/s wanted.');
  await page.keyboard.press('Control+z');
  await expect(rear).toContainText('The machine does it already');
  await page.getByRole('button', { name: 'Sound', exact: true }).click();
  const sound = page.getByRole('region', { name: 'Sound' });
  await sound.getByLabel('Channels').fill('many');
  await sound.getByLabel('Channels').blur();
  await expect(sound).toContainText('A whole number from 1 to 256 is expected');
  await sound.getByLabel('front sockets too').check({ force: true });
  await sound.getByText('Nice').click();
  await sound.getByLabel('Counts, 1 to 5').selectOption('5');
  await page.getByLabel('Price of a replacement').fill('300');
  await page.getByLabel('Price of a replacement').blur();
  await expect(page.getByText('The ceiling is 99.00')).toBeVisible();

  await stageLink(page, /Choose/).click();
  await expect(page.getByRole('tab', { name: 'Plan' })).toBeVisible();
  await page.keyboard.press('c');
  await expect(page.locator('#card-search')).toBeVisible();
  await page.keyboard.press('/');
  await page.keyboard.type('type-c-20-pin 4.1 x4');
  await expect(page.getByText(/^0 of 1\d\d cards/)).toBeVisible();
  await expect(page.getByText('No card matches. Fewer words')).toBeVisible();
  await page.locator('#card-search').fill('type-c-20-pin pier');
  const row = page.getByRole('row', { name: /Gannetry Pier 1C/ });
  await expect(row).toBeVisible();

  // Laid over every slot while the pointer is on it.
  await row.hover();
  await expect(page.locator('[data-slot="s3"]')).toHaveAccessibleName(/Cannot go/);
  await expect(page.locator('[data-slot="s4"]')).not.toHaveAccessibleName(/Cannot go/);

  // Dragged onto a slot that is too short for it.
  await row.dragTo(page.locator('[data-slot="s3"]'));
  await expect(page.locator('.bodies .body.trial')).toHaveCount(1);
  const trial = page.getByRole('region', { name: 'On trial' });
  await expect(trial).toContainText('What cannot go is not accepted.');
  await expect(trial.getByRole('button', { name: /Accept as tried/ })).toBeDisabled();
  const findings = page.getByRole('region', { name: 'Findings' });
  await expect(findings).toContainText('Why not here? Gannetry Pier 1C in Slot 3');
  await expect(findings).toContainText('The card’s edge (x4) is longer than the slot (x1).');
  await findings.getByRole('button', { name: 'Correct: Far end of the slot' }).click();

  // The survey opens at the fact; the slot is open at its end after all.
  await expect(page.locator('#fact-slot-openEnd')).toBeFocused();
  await page.locator('#fact-slot-openEnd').selectOption('open at its end');
  await stageLink(page, /Choose/).click();
  await expect(page.locator('.bodies .body.trial')).toHaveCount(1);
  await expect(findings).toContainText('shorter (x1 for x4) but open at its end');
  await expect(trial.getByRole('button', { name: /Accept as tried/ })).toBeEnabled();
  await page.keyboard.press('Escape');
  await expect(page.locator('.bodies .body.trial')).toHaveCount(0);
});

test('a card is tried by key, slot after slot, and taken as the plan', async ({ page }) => {
  await openStage(page, 'boatyard', 'choose');
  await expect(page.getByRole('tab', { name: 'Plan' })).toBeVisible();
  await page.keyboard.press('c');
  await expect(page.locator('#card-search')).toBeVisible();
  const name = (model: string) => page.locator('button.name', { hasText: model });
  await tabTo(page, page.locator('button.name').first());
  while (!(await name('Drafting 4').evaluate((button) => button === document.activeElement)))
    await page.keyboard.press('ArrowDown');
  await page.keyboard.press('t');
  await expect(page.locator('.bodies .body.trial')).toHaveCount(1);
  const trial = page.getByRole('region', { name: 'On trial' });
  await expect(trial).toContainText('Kelpwick Drafting 4 in Slot 1');
  await page.keyboard.press('t');
  await expect(trial).toContainText('Kelpwick Drafting 4 in Slot 2');
  // A second card meets the first one: it has taken the plugs.
  await tabTo(page, page.getByRole('button', { name: 'Kelpwick Drafting 5', exact: true }));
  await page.keyboard.press('t');
  await expect(trial.getByRole('listitem')).toHaveCount(2);
  await expect(trial).toContainText('What cannot go is not accepted.');
  // In the place of the first one it would do: that is what its row says of that slot.
  await expect(
    page.getByRole('button', { name: 'Kelpwick Drafting 5 in Slot 2' }).getByRole('img'),
  ).toHaveAccessibleName('Needs a step');
  await expect(page.getByRole('region', { name: 'Findings' })).toContainText(
    'The supply has no 6-pin plug free for it.',
  );
  await trial
    .getByRole('listitem')
    .filter({ hasText: 'Drafting 5' })
    .getByRole('button', { name: 'Take off' })
    .click();

  // The watts, drawn and as a table.
  await page.keyboard.press('w');
  await expect(page.getByRole('img', { name: 'Watts, drawn' })).toBeVisible();
  await page.getByText('The same as a table').click();
  const watts = page.getByRole('table').filter({ hasText: 'Loaded by' });
  await expect(watts.getByRole('row', { name: /Plug mini-6-pin/ })).toHaveCount(2);
  await expect(watts.getByRole('row', { name: /Supply 12 V/ })).toContainText('485');
  await expect(page.getByText('500 W of 980 W')).toBeVisible();

  await page.keyboard.press('a');
  await page.keyboard.press('p');
  await expect(page.getByRole('heading', { name: 'The accepted plan' })).toBeVisible();
  await expect(page.getByText('Kelpwick Drafting 4').first()).toBeVisible();
  await page.keyboard.press('4');
  await expect(
    page.getByText('Order: Plug adapter: two of the board’s small 6-pin to one 8-pin').first(),
  ).toBeVisible();
  await saved(page);
});

test('a table with bad rows is looked at before it is taken, and undone', async ({ page }) => {
  await openJobs(page);
  await page.getByRole('link', { name: 'Catalogue' }).click();
  const rows = page.getByRole('region', { name: 'Catalogue' }).locator('tbody tr');
  await expect(rows).toHaveCount(166);
  const file = (text: string) => ({
    name: 'pendle.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(text),
  });
  await page.locator('#import-csv').setInputFiles(file('only a word'));
  await expect(page.getByText('No rows in it')).toBeVisible();

  await page
    .locator('#import-csv')
    .setInputFiles(
      file(
        [
          'Brand;Article;Type;Net price;Watts;From the slot W;USB ports',
          'Pendle;Creek 3;usb;29,90;12;12;3',
          'Pendle;Creek 4;usb;cheap;12;12;4',
          'Pendle;Creek 5;usb;19.00;5;9;5',
          'Pendle;Creek 3;usb;29,90;12;12;3',
          '<img src=x onerror=alert(1)>;Creek 6;usb;1;5;5;2',
        ].join('\n'),
      ),
    );
  // One column has a name nobody knows: it is matched by hand.
  await expect(page.getByText('No card can be made without: Model')).toBeVisible();
  await page.getByLabel('Article').selectOption('Model');
  await expect(page.getByText('5 rows: 2 good, 3 not. Nothing is taken yet.')).toBeVisible();
  await expect(page.getByRole('row', { name: /Creek 4/ })).toContainText(
    'Price: “cheap” is not an amount such as 49 or 49.90.',
  );
  await expect(page.getByRole('row', { name: /Creek 5/ })).toContainText('at most the peak, 5');
  await expect(page.getByText('The same card stands in line 2 already.')).toBeVisible();
  await page.getByRole('button', { name: 'Take the 2 good rows' }).click();
  await expect(rows).toHaveCount(168);
  await expect(page.getByRole('button', { name: 'Pendle Creek 3' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(rows).toHaveCount(166);
  await expect(page.getByText('Undone: 2 cards taken from pendle.csv')).toBeVisible();
});

test('a card is changed, duplicated, learned and written out, and stays after a reload', async ({
  page,
}) => {
  await openJobs(page);
  await page.goto('/catalogue');
  await page.getByRole('button', { name: 'Kelpwick Lantern 2', exact: true }).click();
  const form = page.getByRole('complementary', { name: 'The card' });
  await form.getByLabel('Length, mm').fill('very');
  await form.getByLabel('Length, mm').blur();
  await expect(form).toContainText('“very” is not a number above 0 and at most 2000');
  await form.getByLabel('Length, mm').fill('172');
  await form.getByLabel('Length, mm').blur();
  await form.getByLabel('From the slot, W').fill('40');
  await form.getByLabel('From the slot, W').blur();
  await expect(form).toContainText('at most the peak, 30');
  await expect(form.getByRole('button', { name: 'Save' })).toBeDisabled();
  await form.getByLabel('From the slot, W').fill('30');
  await form.getByLabel('From the slot, W').blur();
  await form.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('row', { name: /Kelpwick Lantern 2 / })).toContainText(
    'supplier, changed here',
  );
  await form.getByRole('button', { name: 'Duplicate' }).click();
  await form.getByLabel('Model').fill('Lantern 2 R');
  await form.getByLabel('Model').blur();
  await form.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('row', { name: /Kelpwick Lantern 2 R/ })).toContainText('own');

  await page.getByRole('button', { name: 'Learn from a report' }).click();
  await page
    .getByLabel('The report')
    .fill(
      '01:00.0 Ethernet controller [0200]: Tollund Wire 7 [f1ee:0042]\n\tCapabilities: [80] Express (v2) Endpoint, IntMsgNum 0\n\t\tLnkCap:\tPort #0, Speed 8GT/s, Width x4\n\t\tLnkSta:\tSpeed 8GT/s, Width x4\n',
    );
  await page.getByRole('button', { name: /Tollund Wire 7/ }).click();
  await expect(form.getByLabel('Device', { exact: true })).toHaveValue('0042');
  await expect(form.getByLabel('Lanes')).toHaveValue('4');
  await expect(form.getByLabel('Generation')).toHaveValue('3');
  await form.getByLabel('Maker').fill('Tollund');
  await form.getByLabel('Maker').blur();
  await form.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText(/^Done: Tollund .* saved/)).toBeVisible();

  await page.getByLabel('Tax on top, %').fill('19');
  await page.getByLabel('Tax on top, %').blur();
  await expect(page.getByText('Currency and tax are saved.')).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: /Export 168 as CSV/ }).click();
  expect((await download).suggestedFilename()).toBe('catalogue.csv');

  await page.reload();
  await page.getByRole('button', { name: 'Kelpwick Lantern 2', exact: true }).click();
  await expect(form.getByLabel('Length, mm')).toHaveValue('172');
  await expect(page.getByLabel('Tax on top, %')).toHaveValue('19');
  await form.getByRole('button', { name: 'As the supplier says' }).click();
  await expect(page.getByText('Done: Kelpwick Lantern 2 taken back')).toBeVisible();
  await page.getByRole('button', { name: 'Kelpwick Lantern 2', exact: true }).click();
  await expect(form.getByLabel('Length, mm')).toHaveValue('168');
  await page.locator('#part-search').fill('lead');
  await page.getByText('Extras').click();
  await expect(page.getByRole('button', { name: 'Thornmere Run 19' })).toBeVisible();
});

test('what documents say of a card decides a must that asks for it, and dust is blown out first', async ({
  page,
}) => {
  await openStage(page, 'boatyard', 'choose');
  const answer = page.locator('.answer [role="status"]');
  await expect(answer).toContainText('Every must is met');

  // The list's word is taken back: the must is not met by this card any more.
  await page.goto('/catalogue');
  await page.getByRole('button', { name: 'Kelpwick Drafting 4', exact: true }).click();
  const form = page.getByRole('complementary', { name: 'The card' });
  await form.getByLabel('It says').selectOption('claimed');
  await form.getByLabel('Date').fill('last year');
  await form.getByLabel('Date').blur();
  await expect(form.getByText('A date such as 2026-03-01.')).toBeVisible();
  await form.getByLabel('Date').fill('2026-03-01');
  await form.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('row', { name: /Kelpwick Drafting 4 / })).toContainText(
    'supplier, changed here',
  );
  await page.goto('/jobs/boatyard/choose');
  await expect(answer).not.toContainText('Every must is met');
  await page.keyboard.press('c');
  await page.locator('button.name', { hasText: 'Drafting 4' }).click();
  await page.getByRole('button', { name: /Drafting 4 in Slot 1/ }).click();
  const findings = page.getByRole('region', { name: 'Findings' });
  await expect(findings).toContainText('Asked for: support list');
  await expect(findings).toContainText(
    'Said to work here: Breakwater, cards for the W9, 2026-03-01.',
  );

  // The customer takes the seller's word.
  await page.goto('/jobs/boatyard/needs');
  await page.getByLabel('Backed by at least').first().selectOption('claimed');
  await saved(page);
  await page.goto('/jobs/boatyard/choose');
  await expect(answer).toContainText('Every must is met');
  await page.getByRole('button', { name: /^Accept this plan/ }).click();
  await expect(page.getByRole('heading', { name: 'The accepted plan' })).toBeVisible();
  await saved(page);
  await page.goto('/jobs/boatyard/prepare');
  await expect(page.getByText('Can go back within 14 days.')).toBeVisible();
  await page.goto('/jobs/boatyard/fit');
  await expect(page.getByRole('button', { name: 'Blow the dust out of Slot 1' })).toBeVisible();
});
