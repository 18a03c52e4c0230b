import type { Page } from '@playwright/test';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { EVERY_KIND, LSPCI } from '../builders/evidence';
import { expect, exported, openJobs, openStage, saved, test } from './fixtures';

const bytesOf = (content: string | Uint8Array) => Buffer.from(content);
const files = (names: readonly string[]) =>
  EVERY_KIND.filter(({ name }) => names.includes(name)).map(({ name, content }) => ({
    name,
    mimeType: 'application/octet-stream',
    buffer: bytesOf(content),
  }));

async function newSurvey(page: Page): Promise<void> {
  await openJobs(page);
  await page.getByRole('button', { name: 'New job' }).click();
  await expect(page.locator('#evidence-file')).toBeAttached();
}

const slotLine = (page: Page, id: string) => page.locator(`[data-row="slot ${id}"] .figure`);

test('a dropped bundle becomes a full board, and what contradicts the ports is shown', async ({
  page,
}) => {
  await openJobs(page);
  await page.getByRole('button', { name: 'New job' }).click();
  await page.locator('#template').selectOption({ label: 'Longreach T7 tower' });
  await expect(page.locator('[data-slot]')).toHaveCount(5);
  await page.getByRole('tab', { name: 'Evidence' }).click();
  const bundle = EVERY_KIND.find(({ name }) => name === 'tenant-survey.txt');
  const transfer = await page.evaluateHandle((text) => {
    const data = new DataTransfer();
    data.items.add(new File([text], 'tenant-survey.txt', { type: 'text/plain' }));
    return data;
  }, String(bundle?.content));
  await page
    .getByRole('group', { name: 'Drop the evidence here' })
    .dispatchEvent('drop', { dataTransfer: transfer });
  await expect(page.getByText('11 devices, 2 slot records, 1 screen;')).toBeVisible();
  await expect(page.getByText('Not read on the machine: names of devices')).toBeVisible();

  // The port has four lanes; template and firmware say eight. The drawing says so, and so does the list.
  await expect(slotLine(page, 's7')).toHaveText('x8, wired x4 or x8?');
  const disagree = page.getByRole('region', { name: /Sources disagree/ });
  await expect(disagree).toContainText(
    'x4 by its registers, against x8 by the firmware, x8 by the template',
  );
  await disagree.getByRole('button', { name: 'Lanes wired, Slot 7' }).click();
  await expect(page.locator('#fact-slot-lanes')).toBeFocused();
  await expect(page.locator('#fact-slot-lanes')).toHaveValue('4');

  // The technician looked: what is entered by hand stands above all, and can be taken back.
  await page.locator('#fact-slot-lanes').selectOption('x2');
  await expect(page.locator('[data-slot="s7"]')).toHaveAccessibleName(
    /x8, wired x2 or x4\? or x8\?, Gen 3/,
  );
  await page.locator('#fact-slot-lanes').selectOption('not known');
  await expect(page.locator('#fact-slot-lanes')).toHaveValue('4');

  // What the fitted card is, and the screen, and the system.
  await expect(page.locator('.bodies .body.there')).toHaveCount(1);
  await expect(page.getByText('Kelpwick Beacon 120').first()).toBeVisible();
  await page.getByRole('tab', { name: 'System' }).click();
  await expect(page.locator('#fact-system-name')).toHaveValue('Harbour Linux 4 (gull)');
  await expect(page.locator('#fact-firmware-date')).toHaveValue('2019-03-14');
  await expect(page.getByLabel('Best mode')).toHaveValue('3840 × 2160 at 60 Hz');
  await saved(page);
  await page.reload();
  await expect(slotLine(page, 's7')).toHaveText('x8, wired x4 or x8?');
});

test('files in any mixture are read together; what is none is left aside and named', async ({
  page,
}) => {
  await newSurvey(page);
  await page
    .locator('#evidence-file')
    .setInputFiles([
      ...files(['registers.txt', 'DMI', 'screen.bin', 'ethtool.txt', 'os-release', 'uname.txt']),
      { name: 'letter.txt', mimeType: 'text/plain', buffer: Buffer.from('Dear harbour master') },
    ]);
  await expect(page.getByText('11 devices, 2 slot records, 1 screen;')).toBeVisible();
  await expect(page.getByText('7 files', { exact: true })).toBeVisible();
  await expect(page.getByText('Not a kind of evidence that Tenant knows; left out.')).toBeVisible();
  await expect(page.locator('[data-slot]')).toHaveCount(5);

  // The other system's list comes in UTF-16 and says what does not work; a list of names names it.
  await page.locator('#evidence-file').setInputFiles(files(['machine.json', 'usb.ids']));
  await expect(page.getByRole('tab', { name: 'Slots' })).toHaveAttribute('aria-selected', 'true');
  await page.getByRole('tab', { name: 'Evidence' }).click();
  await expect(page.getByText('Devices that are not working')).toBeVisible();
  await expect(page.getByText('Pellworth Stick reader')).toBeVisible();
  await page.getByRole('tab', { name: 'System' }).click();
  await expect(page.locator('#fact-system-family')).toHaveValue('windows');
});

test('files of two machines are asked about, and so is a report of another machine than the survey’s', async ({
  page,
}) => {
  const other = LSPCI.replaceAll(/\[(f[0-9a-f]{3}):[0-9a-f]{2}/g, '[$1:ee');
  const text = (name: string, content: string) => ({
    name,
    mimeType: 'text/plain',
    buffer: Buffer.from(content),
  });
  await newSurvey(page);
  await page
    .locator('#evidence-file')
    .setInputFiles([text('a.txt', LSPCI), text('b.txt', other), ...files(['uname.txt'])]);
  await expect(page.getByText('These files are of 2 machines.')).toBeVisible();
  await expect(page.getByText('Could be of any of them and stay out: uname.txt.')).toBeVisible();
  await expect(page.locator('[data-slot]')).toHaveCount(0);
  await page.getByRole('button', { name: 'Take machine 1' }).click();
  await expect(page.locator('[data-slot]')).toHaveCount(5);
  await page.getByRole('tab', { name: 'Evidence' }).click();
  await page.locator('#evidence-file').setInputFiles(text('b.txt', other));
  await expect(page.getByText('This is a report of another machine')).toBeVisible();
  await page.getByRole('button', { name: 'Take it all the same' }).click();
  await page.getByRole('tab', { name: 'Evidence' }).click();
  await expect(page.getByText('Read and taken into the survey: 11 devices')).toBeVisible();
});

test('a whole folder is read, registers of single devices by their path, and a known machine is found', async ({
  page,
}, testInfo) => {
  const folder = testInfo.outputPath('from-the-stick');
  for (const { name, content } of EVERY_KIND.filter(
    ({ name: n }) => n === 'registers.txt' || n === 'DMI',
  )) {
    mkdirSync(join(folder, 'parts'), { recursive: true });
    writeFileSync(join(folder, 'parts', name), content);
  }
  const single = join(folder, '0000:40:00.0');
  mkdirSync(single, { recursive: true });
  writeFileSync(join(single, 'config'), Buffer.from('a1f10120'.padEnd(128, '0'), 'hex'));
  await newSurvey(page);
  await page.locator('#evidence-folder').setInputFiles(folder);
  await expect(page.getByText('12 devices, 2 slot records; ')).toBeAttached();
  await expect(page.getByRole('tab', { name: 'Slots' })).toHaveAttribute('aria-selected', 'true');
  await page.getByRole('tab', { name: 'Evidence' }).click();
  // The museum's machine was here before: what was measured then need not be measured again.
  await page.getByRole('button', { name: 'Take what was measured then' }).click();
  await page.getByRole('tab', { name: 'Case' }).click();
  await expect(page.locator('#fact-case-lengthRoomMm')).toHaveValue('310');
});

test('nothing in a file becomes part of the page', async ({ page }) => {
  await newSurvey(page);
  const trap = '<img src=x onerror="window.caught=1"><b>bold</b>';
  await page
    .locator('#evidence-text')
    .fill(`00:1f.3 Audio device [0403]: ${trap} [f1a6:0007]\n\tKernel driver in use: ${trap}\n`);
  await page.getByRole('button', { name: 'Read it' }).click();
  // Once it is read the slots come to the fore by themselves.
  await expect(page.getByRole('tab', { name: 'Slots' })).toHaveAttribute('aria-selected', 'true');
  await page.getByRole('tab', { name: 'Evidence' }).click();
  await page.getByText('All 1 devices as a tree').click();
  await expect(page.getByText('<b>bold</b>').first()).toBeVisible();
  expect(await page.locator('.panel b, .panel img').count()).toBe(0);
  expect(await page.evaluate(() => 'caught' in window)).toBe(false);
});

test('boxes and slots are moved on the drawing by hand and by key, and every edit is undone', async ({
  page,
}) => {
  await openStage(page, 'lighthouse-museum', 'survey');
  const header = page.getByRole('button', { name: /^Front panel header:/ });
  const place = async () => {
    const [, x, y, wide] =
      /: (\d+) mm from the rear, (\d+) mm down, (\d+) by/.exec(
        (await header.getAttribute('aria-label')) ?? '',
      ) ?? [];
    return [Number(x), Number(y), Number(wide)];
  };
  expect(await place()).toEqual([200, 292, 30]);
  const scale = await page
    .locator('[data-slot="s5"] .connector')
    .evaluate((element) => Number(element.getAttribute('width')) / 89);

  // By hand: 40 mm towards the front and 20 mm up, whatever the scale.
  const at = (await header.boundingBox())!;
  await page.mouse.move(at.x + 5, at.y + 5);
  await page.mouse.down();
  await page.mouse.move(at.x + 5 + 20 * scale, at.y + 5, { steps: 4 });
  await page.mouse.move(at.x + 5 + 40 * scale, at.y + 5 - 20 * scale, { steps: 4 });
  await expect(page.locator('.draft')).toContainText('Front panel header: ');
  await page.mouse.up();
  await expect.poll(place).toEqual([240, 272, 30]);
  await page.keyboard.press('Control+z');
  await expect.poll(place).toEqual([200, 292, 30]);
  await expect(page.getByText('Undone: survey corrected')).toBeVisible();

  // Escape leaves everything as it was.
  await page.mouse.move(at.x + 5, at.y + 5);
  await page.mouse.down();
  await page.mouse.move(at.x + 60, at.y - 40, { steps: 3 });
  await page.keyboard.press('Escape');
  await page.mouse.up();
  await expect.poll(place).toEqual([200, 292, 30]);

  // By key: a millimetre, ten of them, and wider. The table says the same as the drawing.
  await header.focus();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Alt+ArrowRight');
  await expect.poll(place).toEqual([199, 302, 31]);
  await page.getByRole('tab', { name: 'Case' }).click();
  await expect(page.locator('#front-xMm')).toHaveValue('199');
  await expect(page.locator('#front-widthMm')).toHaveValue('31');
  await page.locator('#front-xMm').fill('150');
  await page.locator('#front-xMm').blur();
  await expect.poll(place).toEqual([150, 302, 31]);

  // A slot snaps to the openings: dragged two of them down from four, it faces six.
  const slot = page.locator('[data-slot="s4"]');
  await page.locator('[data-row="slot s4"]').scrollIntoViewIfNeeded();
  const label = (await page.locator('[data-slot="s4"] .connector').boundingBox())!;
  await page.mouse.move(label.x + 4, label.y + 4);
  await page.mouse.down();
  await page.mouse.move(label.x + 4, label.y + 4 + 43 * scale, { steps: 5 });
  await page.mouse.up();
  await page.getByRole('tab', { name: 'Slots' }).click();
  await slot.focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('#fact-slot-opening')).toHaveValue('6');
  await slot.focus();
  await page.keyboard.press('Alt+ArrowUp');
  await expect(page.locator('#fact-slot-opening')).toHaveValue('5');
});

test('the list of what is unknown shrinks as facts come in, the most decisive first', async ({
  page,
}) => {
  await newSurvey(page);
  const unknown = page.locator('#unknown-heading');
  const count = async () => Number(/\d+/.exec((await unknown.textContent()) ?? '')?.[0] ?? 0);
  await page.locator('#evidence-file').setInputFiles(files(['registers.txt']));
  await expect(page.locator('[data-slot]')).toHaveCount(5);
  // Counted once the browser has nothing else to do.
  await expect.poll(count).toBeGreaterThan(15);
  const before = await count();
  await expect(page.locator('[aria-labelledby="unknown-heading"] li').first()).toContainText(
    /\d+ verdicts wait for it/,
  );

  await page.locator('#evidence-file').setInputFiles(files(['os-release', 'uname.txt']));
  await expect.poll(count).toBe(before - 3);
  await page.getByRole('tab', { name: 'Case' }).click();
  await page.locator('#fact-case-bracket').selectOption('full');
  await expect.poll(count).toBe(before - 4);
  await page.locator('#fact-case-lengthRoomMm').fill('300');
  await page.locator('#fact-case-lengthRoomMm').blur();
  await expect.poll(count).toBe(before - 5);
});

test('a machine is kept as a template, and one that was here before is found again', async ({
  page,
}) => {
  await openStage(page, 'lighthouse-museum', 'survey');
  await page.getByRole('tab', { name: 'Evidence' }).click();
  await page.getByRole('button', { name: 'Keep this machine as a template' }).click();
  await expect(page.getByText('Kept as a template: Longreach T7 tower.')).toBeVisible();

  await page.goto('/');
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByLabel('Customer').fill('Sail loft, Pilot’s Row');
  await page.getByLabel('Customer').blur();
  const before = page.locator('#template optgroup[label="Was here before"] option');
  await expect(before.first()).toHaveText('Sail loft, Pilot’s Row: Fathom Family tower');
  await expect(page.locator('#template optgroup[label="Kept on this bench"] option')).toHaveCount(
    1,
  );
  await page
    .locator('#template')
    .selectOption({ label: 'Sail loft, Pilot’s Row: Fathom Family tower' });
  await expect(page.locator('[data-slot]')).toHaveCount(6);
});

test('a photograph stays with its slot, and goes into the file when it is wanted', async ({
  page,
}) => {
  await openStage(page, 'lighthouse-museum', 'survey');
  await page.getByRole('button', { name: 'Slot 5', exact: true }).first().click();
  await page.getByText('Photographs').click();
  await page.getByLabel('What it shows').fill('The latch');
  const picture = readFileSync(new URL('../../docs/screenshots/jobs.png', import.meta.url));
  await page
    .locator('#photo-file')
    .setInputFiles({ name: 'latch.png', mimeType: 'image/png', buffer: picture });
  await expect(page.getByRole('img', { name: 'The latch' })).toBeVisible();
  await saved(page);
  await page.reload();
  await page.getByRole('button', { name: 'Slot 5', exact: true }).first().click();
  await expect(page.getByRole('img', { name: 'The latch' })).toBeVisible();

  await page.goto('/');
  const row = page.getByRole('row', { name: /Ten gigabit/ });
  const { text } = await exported(page, row.getByRole('button', { name: 'Export' }));
  expect(text).toContain('data:image/jpeg;base64,');
  const bare = await exported(page, row.getByRole('button', { name: 'Export' }), []);
  for (const left of ['data:image', 'Lighthouse museum']) expect(bare.text).not.toContain(left);
  // What is no picture is said, and nothing is kept.
  await page.goto('/jobs/lighthouse-museum/survey');
  await page.getByRole('button', { name: 'Slot 5', exact: true }).first().click();
  await page
    .locator('#photo-file')
    .setInputFiles({ name: 'note.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(page.getByText('note.png could not be kept')).toBeVisible();
});

test('the survey script is served as it is', async ({ page, request }) => {
  await newSurvey(page);
  await expect(page.getByRole('link', { name: 'Survey script' })).toHaveAttribute(
    'href',
    '/survey.sh',
  );
  const script = await (await request.get('/survey.sh')).text();
  expect(script).toBe(readFileSync(new URL('../../static/survey.sh', import.meta.url), 'utf8'));
});

test('the network path is told device by device, and the drawing shows where it narrows', async ({
  page,
}) => {
  await openStage(page, 'lighthouse-museum', 'survey');
  await page.getByRole('tab', { name: 'Path' }).click();
  const picture = page.getByRole('img', { name: /^The network path/ });
  await expect(picture).toHaveAccessibleName(
    'The network path from this machine: to Scan room 10 Gb/s, to Gallery 10 Gb/s, to Shaft, top 10 Gb/s, to Shaft, foot 10 Gb/s, to Cellar 10 Gb/s, to Rack 10 Gb/s, to Plate store 10 Gb/s',
  );

  // Another device in the row, with a lead whose class is told and a wrong length that is refused.
  await page.locator('summary', { hasText: 'Gallery' }).click();
  await page
    .getByRole('button', { name: 'Device before this one' })
    .locator('visible=true')
    .click();
  const fresh = page.locator('details[open]').filter({ hasText: 'not known' }).first();
  await fresh.getByLabel('Name').fill('Landing');
  await fresh.getByLabel('Name').blur();
  const landing = page
    .locator('details')
    .filter({ has: page.locator('summary', { hasText: 'Landing' }) });
  await landing.getByLabel('Port speeds').fill('100, 1000');
  await landing.getByLabel('Port speeds').blur();
  await landing.getByLabel('Length').fill('-3');
  await landing.getByLabel('Length').blur();
  await expect(landing.getByText('“-3” is not a length above 0 and at most 100000')).toBeVisible();
  await expect(picture).toHaveAccessibleName(/to Landing 1 Gb\/s, to Gallery 1 Gb\/s/);

  // A tester found a broken pair: from there on it is a hundredth.
  await landing.getByLabel('Cable class').selectOption('Cat 6');
  await landing.getByLabel('Condition').selectOption('broken pair');
  await expect(picture).toHaveAccessibleName(/to Landing 100 Mb\/s/);
  await page.keyboard.press('Control+z');
  await expect(picture).toHaveAccessibleName(/to Landing 1 Gb\/s/);
  await saved(page);
  await page.reload();
  await page.getByRole('tab', { name: 'Path' }).click();
  await expect(page.locator('summary', { hasText: 'Landing' })).toContainText('Cat 6, 1 Gb/s');
  await page.locator('summary', { hasText: 'Landing' }).click();
  await page.getByRole('button', { name: 'Remove Landing' }).click();
  await expect(page.locator('summary', { hasText: 'Landing' })).toHaveCount(0);
});
