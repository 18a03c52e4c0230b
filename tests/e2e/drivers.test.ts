/** Driver packages at hand: dropped as a technician has them, and what they would do to the machine. */
import { strToU8, unzipSync, zipSync } from 'fflate';
import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { CARDS } from '../../demo/catalogue/cards';
import {
  PICTURE,
  PORTS,
  UNHEARD_OF,
  UNKNOWN,
  WIRE,
  deviceList,
  type ListedDevice,
} from '../builders/deviceList';
import { encodedInf } from '../builders/inf';
import { expect, openStage, saved, test, stageLink } from './fixtures';

const hex = (code: number) => code.toString(16).toUpperCase().padStart(4, '0');
const named = (vendor: number, device: number) => `PCI\\VEN_${hex(vendor)}&DEV_${hex(device)}`;

/** Names every card of the catalogue, and any network port by what it is like. */
const SETUP = `[Version]
Signature = "$Windows NT$"
Class = Net
Provider = "Sounding Works"
DriverVer = 03/14/2026, 4.2.0.17
CatalogFile = all.cat
[Manufacturer]
"Sounding Works" = All, NTamd64.6.1, NTamd64.10.0
[All.NTamd64.6.1]
"Older" = I, ${named(0xf1a3, 0x0004)}
[All.NTamd64.10.0]
${CARDS.map(({ ids, model }) => `"${model}, as listed" = I, ${named(ids.vendor, ids.device)}`).join('\n')}
"Any network port" = I, , PCI\\CC_0200
[I.NT]
CopyFiles = F
`;
const REPORT = JSON.stringify([
  {
    InstanceId: 'PCI\\VEN_F1A1&DEV_7009&SUBSYS_0001F1A1&REV_01\\3&0',
    Name: 'Office port',
    HardwareIds: ['PCI\\VEN_F1A1&DEV_7009&CC_020000'],
    DriverVersion: '3.1.0.0',
    DriverProviderName: 'Pendle',
    Service: 'pendle',
    LocationInfo: 'PCI bus 9, device 0, function 0',
  },
  {
    InstanceId: 'PCI\\VEN_F1A1&DEV_7010&SUBSYS_0001F1A1&REV_01\\3&1',
    Name: 'Sound of the board',
    HardwareIds: ['PCI\\VEN_F1A1&DEV_7010&CC_040100'],
    Status: 'Error',
    ConfigManagerErrorCode: 28,
    LocationInfo: 'PCI bus 10, device 0, function 0',
  },
]);

test('packages are dropped, and say what they drive, what they take over, and what is wrong with them', async ({
  page,
}, info) => {
  await openStage(page, 'tide-table-office', 'survey');
  await page.getByRole('tab', { name: 'Evidence' }).click();
  await page.getByText('Another report: drop it here').click();
  await page.locator('#evidence-text').fill(REPORT);
  await page.getByRole('button', { name: 'Read it' }).click();
  // The tab goes on to the slots by itself.
  await expect(page.getByText('Read and taken into the survey: 2 devices')).toBeAttached();
  await page.getByRole('tab', { name: 'Evidence' }).click();
  await expect(page.getByText('No driver is installed. Drop packages in Drivers')).toBeVisible();
  await stageLink(page, /Choose/).click();
  await page.getByRole('button', { name: /^Accept/ }).click();
  await stageLink(page, /Drivers/).click();

  const hand = page.getByRole('region', { name: 'Driver packages at hand' });
  await page.locator('#packages-text').fill('Dear customer, the driver is on our page.');
  await hand.getByRole('button', { name: 'Read it' }).click();
  await expect(hand).toContainText('None of it is a driver package.');

  await page.locator('#packages-file').setInputFiles([
    {
      name: 'sounding.zip',
      mimeType: 'application/zip',
      buffer: Buffer.from(zipSync({ 'net/all.inf': encodedInf(SETUP, 'utf-16le') })),
    },
    {
      name: 'wrong.inf',
      mimeType: 'text/plain',
      buffer: Buffer.from(strToU8('[Version]\nSignature="$Windows NT$"\n[Manufacturer\n')),
    },
  ]);
  await expect(hand).toContainText('2 packages read.');
  const whole = hand.getByRole('article', { name: 'sounding.zip › net/all.inf' });
  await expect(whole).toContainText(
    'Sounding Works, 4.2.0.17 of 2026-03-14, names a signed catalogue. Of its models this system takes All.NTamd64.10.0.',
  );
  const taken = whole.getByRole('row', { name: /Office port/ });
  await expect(taken).toContainText('any device of this class, as one that it is like');
  await expect(taken).toContainText(
    'Takes it over from Pendle 3.1.0.0 (pendle), which it need not',
  );
  // Both cards of the plan, by the names that the system’s own list will show.
  await expect(whole.getByRole('row', { name: /planned/ })).toHaveCount(2);
  await expect(whole.getByRole('row', { name: /planned/ }).first()).toContainText(', as listed');
  const wrong = hand.getByRole('article', { name: 'wrong.inf' });
  await expect(wrong).toContainText('The name of a section is not closed by a bracket.');
  await expect(wrong).toContainText('line 3');

  // The machine and this window are off-line. The stick: unpacked as a hand would, its script run, and one byte changed.
  await page.context().setOffline(true);
  const stick = hand.getByRole('region', { name: 'For a stick' });
  await expect(stick.getByRole('listitem')).toHaveCount(1);
  await expect(stick).toContainText('Network: Sounding Works, Net, 4.2.0.17');
  await expect(stick).toContainText('None of these packages drives: ');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    stick.getByRole('button', { name: /^Write the stick/ }).click(),
  ]);
  await page.context().setOffline(false);
  // A stick is carried about: it says nobody's name.
  expect(download.suggestedFilename()).toBe('drivers-for-a-stick.zip');
  const folder = info.outputPath('stick');
  const inside = unzipSync(readFileSync(await download.path()));
  for (const [path, bytes] of Object.entries(inside)) {
    mkdirSync(dirname(join(folder, path)), { recursive: true });
    writeFileSync(join(folder, path), bytes);
  }
  expect(Object.keys(inside).toSorted()).toEqual([
    '01-Sounding-Works/all.inf',
    'READ-ME.html',
    'SHA256SUMS',
    'check.ps1',
    'check.sh',
  ]);
  const check = () => spawnSync('sh', [join(folder, 'check.sh')], { encoding: 'utf8' }).stdout;
  expect(check()).toBe('All 2 files are as they were written.\n');
  const changed = Uint8Array.from(inside['01-Sounding-Works/all.inf']!);
  changed[100]! ^= 1;
  writeFileSync(join(folder, '01-Sounding-Works/all.inf'), changed);
  expect(check()).toContain('changed: 01-Sounding-Works/all.inf');
  expect(readFileSync(join(folder, 'READ-ME.html'), 'utf8')).toContain('01-Sounding-Works');

  // What is known of the system decides, and what was dropped stays while stages come and go.
  await stageLink(page, /Survey/).click();
  await page.getByRole('tab', { name: 'System' }).click();
  await page.getByLabel('Architecture').selectOption({ label: 'not known' });
  await stageLink(page, /Drivers/).click();
  await expect(whole).toContainText('Tell system, release and architecture in the survey');
  await page.keyboard.press('Control+z');
  await expect(whole).toContainText('All.NTamd64.10.0');
});

const file = (name: string, devices: readonly ListedDevice[]) => ({
  name,
  mimeType: 'application/json',
  buffer: Buffer.from(deviceList(devices)),
});

test('a machine’s new device list says of each driver what is wrong, and ticks what is right', async ({
  page,
}) => {
  const before = [...PORTS, PICTURE, WIRE, UNKNOWN, UNHEARD_OF];
  await openStage(page, 'pilots-mess', 'survey');
  await page.getByRole('tab', { name: 'Evidence' }).click();
  await page.locator('#evidence-file').setInputFiles([file('before.json', before)]);
  await expect(page.getByText('Read and taken into the survey: 7 devices')).toBeAttached();
  await stageLink(page, /Choose/).click();
  await page.getByRole('button', { name: /^Accept/ }).click();
  await stageLink(page, /Fit/).click();
  await expect(page.getByText('Fit, step 1 of')).toBeVisible();
  while (!(await page.getByRole('heading', { name: 'Fit: nothing is left here' }).isVisible()))
    await page.keyboard.press(' ');

  await page.getByRole('link', { name: 'On to Drivers' }).click();
  const every = page.getByRole('region', { name: 'Every device and its driver' });
  await expect(every.getByRole('rowgroup').filter({ hasText: UNKNOWN.name })).toContainText(
    'Oarlock sound driver 6.0.1',
  );
  const cell = every.getByRole('rowgroup').filter({ hasText: 'new card' });
  const planned = await cell.getByRole('button').innerText();
  const fitted = CARDS.find(({ maker, model }) => `${maker} ${model}` === planned)!;
  const there: ListedDevice = {
    ...fitted.ids,
    bus: 2,
    name: `${planned} graphics`,
    driver: ['Kelpwick', '32.4.1.0', 'keldispla'],
  };
  const rest = before.filter((each) => each !== PICTURE);
  const says = async (devices: readonly ListedDevice[], row: string, words: string | RegExp) => {
    await page.locator('#evidence-file').setInputFiles([file(`${row}.json`, devices)]);
    await expect(every.getByRole('rowgroup').filter({ hasText: row })).toContainText(words);
  };
  await says(rest, 'new card', 'Not in the report.');
  await says(
    [...rest, { ...there, driver: ['System', '10.0.1.0', 'basicdisplay'] }],
    'new card',
    'the system’s own driver. Install the planned driver.',
  );
  await says(
    [...rest, { ...there, driver: ['Kelpwick', '30.0.0.0', 'keldispla'] }],
    'new card',
    'older than the planned 32.4.1.0',
  );
  await says([...rest, { ...there, problem: 43 }], 'new card', 'Error, 43');
  await expect(every.getByRole('status').first()).toContainText('not right yet');
  await says([...rest, { ...there, driver: undefined! }], 'new card', 'No driver is in use.');
  await says(
    [...rest, there, { ...WIRE, device: 0x7abc, bus: 30, name: 'Newcomer' }],
    'Newcomer',
    'nobody planned it',
  );
  await says([...rest, there], UNKNOWN.name, 'No driver is installed.');
  const well = rest.map((each) =>
    each === UNKNOWN
      ? { ...UNKNOWN, problem: 0, driver: ['Oarlock', '6.0.1.0', 'oarsound'] as const }
      : each,
  );
  await says([...well, there], UNKNOWN.name, 'It works now.');
  await expect(every.getByRole('rowgroup').filter({ hasText: 'new card' })).toContainText(
    'As planned.',
  );
  await expect(every.getByRole('status').first()).toContainText('Nothing is wrong in the report.');
  // Both were ticked by it, without a hand.
  const list = page.getByRole('list', { name: 'All steps of this stage' });
  await expect(
    list.getByRole('listitem').filter({ hasText: 'Check that the system sees' }),
  ).toContainText('done');
  await expect(list.getByRole('listitem').filter({ hasText: 'Install Oarlock' })).toContainText(
    'done',
  );

  await saved(page);
  await page.reload();
  await expect(every.getByRole('rowgroup').filter({ hasText: 'new card' })).toContainText(
    'As planned.',
  );
  await stageLink(page, /Hand over/).click();
  await expect(page.getByText('runs on Kelpwick 32.4.1.0 (keldispla)')).toBeVisible();
  await expect(page.getByText('runs on Oarlock 6.0.1.0 (oarsound)')).toBeVisible();
});

test('a job of drivers alone goes through all stages, with packages from the library', async ({
  page,
}) => {
  const picture: ListedDevice = {
    ...PICTURE,
    name: 'Old picture',
    driver: ['Kelpwick', '31.1.0.0', 'keldispla'],
  };
  await openStage(page, 'foghorn', 'survey');
  await page.getByRole('tab', { name: 'Evidence' }).click();
  await page
    .locator('#evidence-file')
    .setInputFiles([file('before.json', [...PORTS, picture, WIRE])]);
  await expect(page.getByText('Read and taken into the survey: 5 devices')).toBeAttached();
  await stageLink(page, /Needs/).click();
  await page.getByRole('button', { name: 'Remove' }).first().click();
  await page.getByRole('button', { name: 'Drivers only' }).click();
  await page.getByLabel('Which devices').selectOption({ label: 'a newer display driver' });
  await expect(page.getByText('It takes no card: it is done in Drivers.')).toBeVisible();
  await stageLink(page, /Choose/).click();
  await page.getByRole('button', { name: /^Accept/ }).click();

  await stageLink(page, /Prepare/).click();
  await expect(page.getByRole('list', { name: 'All steps of this stage' })).toContainText(
    'Uninstall the old driver of Old picture',
  );
  await stageLink(page, /Fit/).click();
  await expect(page.getByRole('heading', { name: 'Fit: nothing is left here' })).toBeVisible();
  await page.getByRole('link', { name: 'On to Drivers' }).click();

  const hand = page.getByRole('region', { name: 'Driver packages at hand' });
  // One byte otherwise than published, and it is not taken.
  await page.route('**/api/drivers/kelpwick-display-31', async (route) => {
    const answer = await route.fetch();
    await route.fulfill({
      response: answer,
      body: (await answer.text()).replace('CopyFiles', 'CopyFilez'),
    });
  });
  await hand.getByRole('button', { name: 'Download the planned package' }).click();
  await expect(hand.getByRole('alert')).toContainText(
    'keldispla.inf is not what its maker published. It was not taken.',
  );
  await page.unroute('**/api/drivers/kelpwick-display-31');
  await hand.getByRole('button', { name: 'Download the planned package' }).click();
  await expect(hand.getByRole('row', { name: /Old picture/ })).toContainText('Newer than');
  await hand.getByRole('button', { name: 'Count them for this job' }).click();
  await expect(hand.getByText('Kept with this job')).toBeVisible();
  await hand.getByRole('button', { name: /^remove/ }).click();
  await expect(hand.getByText('Kept with this job')).toBeHidden();

  await page.getByText('How drivers are dealt with').click();
  await page
    .getByLabel('Installation')
    .selectOption({ label: 'Typical: with its maker’s additions' });
  await expect(page.locator('article .detail')).toContainText(
    'Typical installation, which adds: control panel, sound over the screen lead.',
  );
  await page
    .locator('#evidence-file')
    .setInputFiles([
      file('after.json', [
        ...PORTS,
        { ...picture, driver: ['Kelpwick', '31.9.0.0', 'keldispla'] },
        WIRE,
      ]),
    ]);
  await expect(page.getByText('1 step ticked by it')).toBeVisible();
  await stageLink(page, /Hand over/).click();
  await expect(page.getByText('runs on Kelpwick 31.9.0.0 (keldispla)')).toBeVisible();
});

test('a drive that holds something is prepared only after its name was typed again and the customer asked twice', async ({
  page,
}) => {
  await openStage(page, 'lighthouse-museum', 'drivers');
  const list = page.getByRole('list', { name: 'All steps of this stage' });
  const step = list.getByRole('listitem').filter({ hasText: 'Prepare the 2 drives on Pellworth' });
  await step.getByRole('button', { name: /take back/ }).click();
  const done = page.getByRole('button', { name: 'Done – next (space)' });
  await expect(done).toBeDisabled();
  const guard = page.getByRole('region', { name: 'Drives to be prepared' });
  const name = guard.getByRole('button', { name: 'Name this drive' });
  const fill = async (serial: string, holds: string) => {
    await guard.getByLabel('Serial number', { exact: true }).fill(serial);
    await guard.getByLabel('Size, GB').fill('2000');
    await guard.getByLabel('What is on it').selectOption({ label: holds });
  };
  await fill('VX-100-1', 'something');
  await expect(name).toBeDisabled();
  await guard.getByLabel('Serial number once more').fill('VX-100-7');
  await guard.getByText('The customer was asked twice').click();
  await expect(guard).toContainText('It holds something. Type its serial number once more');
  await guard.getByLabel('Serial number once more').fill('VX-100-1');
  await name.click();
  await expect(guard).toContainText('1 of 2 named.');
  // Space does not slip past it either.
  await page.locator('article h1').click();
  await page.keyboard.press(' ');
  await expect(step).not.toContainText('done');
  await fill('VX-100-1', 'nothing');
  await expect(guard).toContainText('This drive is named already.');
  await fill('VX-100-2', 'nothing');
  await name.click();
  await expect(done).toBeEnabled();
  await done.click();
  await expect(step).toContainText('done');
});
