import { evidence, expect, openJobs, saved, test, stageLink } from './fixtures';

test('the whole job with the mouse, from the machine’s own report', async ({ page }) => {
  test.slow();
  const rail = page.getByRole('navigation', { name: 'Stages of the work' });
  await openJobs(page);
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByLabel('What the job is').fill('USB for the plotter');

  // Rubbish is refused with its place, and changes nothing.
  await page.locator('#evidence-text').fill('00:1c.0 PCI bridge: no identities');
  await page.getByRole('button', { name: 'Read it' }).click();
  await expect(page.getByText('Nothing was read; the survey has not changed.')).toBeVisible();
  await expect(page.getByText('line 1, 0000:00:1c.0')).toBeVisible();
  await expect(page.locator('[data-slot]')).toHaveCount(0);

  // The registers alone, dropped as a file.
  const transfer = await page.evaluateHandle((text) => {
    const data = new DataTransfer();
    data.items.add(new File([text], 'machine.txt', { type: 'text/plain' }));
    return data;
  }, evidence('lspci-xxxx'));
  await page
    .getByRole('group', { name: 'Drop the evidence here' })
    .dispatchEvent('drop', { dataTransfer: transfer });
  await expect(page.locator('[data-slot]')).toHaveCount(5);
  await expect(page.getByText('Opening not told yet')).toBeVisible();

  // A slot from the board: what is known of it and from whom, and that it trained to less than it could.
  await page.locator('[data-slot="port-2"]').click();
  await expect(page.getByText('read from its registers').first()).toBeVisible();
  await expect(page.locator('.facts')).toContainText(
    'trained to Gen 4 x8, less than both ends could do: Gen 4 x16',
  );

  // Tell what no register knows. Wrong input is refused where it stands.
  await page.locator('[data-slot="port-5"]').click();
  await page.locator('#fact-slot-opening').fill('ninety');
  await page.locator('#fact-slot-opening').blur();
  await expect(page.getByText('“ninety” is not an opening from 1 to 32')).toBeVisible();
  await page.locator('#fact-slot-opening').fill('5');
  await page.locator('#fact-slot-opening').blur();
  await page.locator('#fact-slot-connectorLanes').selectOption('x16');
  await expect(page.locator('#fact-slot-connectorLanes')).toHaveValue('16');
  for (const slot of ['port-2', 'port-1', 'port-4', 'port-7']) {
    await page.locator(`[data-slot="${slot}"]`).click();
    await page.getByRole('button', { name: 'Delete slot' }).click();
  }
  await expect(page.locator('[data-slot]')).toHaveCount(1);

  await page.locator('[data-slot="port-5"]').click();
  await page.locator('#fact-slot-splits').selectOption('cannot be split');
  await page.locator('#fact-slot-uplink').selectOption('none: straight at the processor');
  await page.getByRole('tab', { name: 'Case' }).click();
  await page.locator('#fact-case-bracket').selectOption('full');
  await page.locator('#fact-case-covers').selectOption('screwed');
  for (const [field, value] of [
    ['case-openings', '7'],
    ['case-lengthRoomMm', '280'],
    ['supply-twelveVoltWatts', '500'],
    ['supply-baseWatts', '150'],
    ['supply-plugs', '2 × sata, 1 × 8-pin'],
    ['case-frontLeads', 'audio'],
    ['board-headers', 'usb-9-pin at 120/292'],
  ] as const) {
    await page.locator(`#fact-${field}`).fill(value);
    await page.locator(`#fact-${field}`).blur();
  }
  await page.getByRole('tab', { name: 'System' }).click();
  await page.locator('#fact-system-family').selectOption('windows');
  await page.locator('#fact-system-architecture').selectOption('x86-64');
  await page.locator('#fact-system-version').fill('11');
  await page.locator('#fact-system-version').blur();
  await page.locator('#fact-firmware-kind').selectOption('UEFI');
  await page.locator('#fact-firmware-largeWindows').selectOption('given');
  await page.locator('#fact-firmware-date').fill('2021-04-02');
  await page.locator('#fact-firmware-date').blur();
  await expect(page.getByText('All facts that the rules need are known')).toBeVisible();

  await rail.getByRole('link', { name: /Needs/ }).click();
  await page.getByRole('button', { name: 'USB', exact: true }).click();
  await page.getByLabel('One alone, MB/s').fill('400');
  await page.getByLabel('One alone, MB/s').blur();
  await page.getByLabel('Budget for cards').fill('60');
  await page.getByLabel('Budget for cards').blur();

  // Over the budget for the must: said, not hidden.
  await rail.getByRole('link', { name: /Choose/ }).click();
  const plan = page.getByRole('region', { name: /Best plan/ });
  await expect(plan.getByRole('button', { name: 'Gannetry Quay 4', exact: true })).toBeVisible();
  await expect(plan).toContainText('27.00 EUR, 32.40 with 20 % tax · budget 60.00');

  // A refused card, laid over the board, with its reason.
  await page.getByRole('tab', { name: 'Cards' }).click();
  await page.locator('#card-kind').selectOption('screens');
  await page.getByRole('button', { name: 'Marlstrand Foghorn 320 in Slot #5' }).click();
  await expect(page.getByText('318 mm long; the case has 280 mm.')).toBeVisible();
  await expect(page.locator('[data-slot="port-5"]')).toHaveAccessibleName(/Cannot go/);
  await expect(page.locator('rect.conflict').first()).toBeAttached();

  await page.getByRole('tab', { name: 'Plan' }).click();
  await plan.getByRole('button', { name: 'Accept this plan (A)' }).click();
  for (const stage of ['Prepare', 'Fit', 'Drivers']) {
    await rail.getByRole('link', { name: new RegExp(stage) }).click();
    await expect(page.getByText(new RegExp(`^${stage}, step 1 of`))).toBeVisible();
    const steps = page.getByRole('list', { name: 'All steps of this stage' }).getByRole('listitem');
    for (let n = await steps.count(); n > 0; n -= 1) {
      const strap = page.getByRole('button', { name: /^Wrist strap/ });
      if (await strap.isVisible()) await strap.click();
      // A fact that is asked for is told, or gone on without with a reason: ticked it would answer nothing.
      const asked = page.getByLabel('Or go on without it, because');
      if (await asked.isVisible()) {
        await expect(page.getByRole('button', { name: /^Done – next/ })).toBeDisabled();
        await asked.fill('not to be seen before it is open');
        await page.getByRole('button', { name: 'Go on without it' }).click();
      } else await page.getByRole('button', { name: /^Done – next/ }).click();
    }
  }
  await rail.getByRole('link', { name: /Prove/ }).click();
  await page.getByLabel('Measured, MB/s').fill('430');
  await page.getByRole('button', { name: 'Add run' }).click();
  await expect(page.getByText('430 MB/s is as expected (400–450 MB/s).')).toBeVisible();
  await rail.getByRole('link', { name: /Hand over/ }).click();
  await expect(page.getByRole('article')).toContainText('Gannetry Quay 4');
  await saved(page);
});

test('selecting in a list selects on the board, and the other way round', async ({ page }) => {
  await openJobs(page);
  await page.getByRole('link', { name: 'Ten gigabit to the plate store' }).click();
  await stageLink(page, /Survey/).click();
  const list = page.getByRole('region', { name: 'Survey' });
  await list.getByRole('button', { name: 'Slot 7', exact: true }).click();
  await expect(page.locator('[data-slot="s7"]')).toHaveAttribute('aria-selected', 'true');
  await page.locator('[data-slot="s4"]').click();
  await expect(list.getByRole('button', { name: 'Slot 4', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
});

test('every line of the board comes from millimetres', async ({ page }) => {
  await openJobs(page);
  await page.goto('/jobs/lighthouse-museum/survey');
  const width = (selector: string) =>
    page
      .locator(selector)
      .first()
      .evaluate((element) => Number(element.getAttribute('width')));
  await expect(page.locator('[data-slot="s5"] .connector')).toBeAttached();
  const perMm = (await width('[data-slot="s5"] .connector')) / 89;
  // Card Electromechanical Specification: x16 about 89 mm, x8 56, x4 39, x1 25 (from memory).
  expect((await width('[data-slot="s5"] .wired')) / perMm).toBeCloseTo(39, 6);
  expect((await width('[data-slot="s7"] .connector')) / perMm).toBeCloseTo(56, 6);
  expect((await width('[data-slot="s1"] .connector')) / perMm).toBeCloseTo(25, 6);
  // The graphics card of 201 mm, and openings 20.32 mm apart.
  expect((await width('.bodies .body.there')) / perMm).toBeCloseTo(201, 6);
  const tops = await page
    .locator('[data-slot] .connector')
    .evaluateAll((all) => all.map((element) => Number(element.getAttribute('y'))));
  expect((tops[1]! - tops[0]!) / perMm).toBeCloseTo(20.32, 6);
  expect((tops[4]! - tops[0]!) / perMm).toBeCloseTo(6 * 20.32, 6);
});
