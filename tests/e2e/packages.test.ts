/** Many driver packages, large ones, damaged ones, and reading that is stopped: the page answers, and a stick is what was shown. */
import type { Page } from '@playwright/test';
import { zipSync } from 'fflate';
import { readFileSync, writeFileSync } from 'node:fs';
import { apply } from '../../src/core/commands/index.ts';
import { emptyFunction } from '../../src/core/parts/index.ts';
import { emptyJob } from '../../src/core/document/index.ts';
import { writeJobFile } from '../../src/core/write/index.ts';
import { STAMP, aMachine, aSlot, told } from '../builders/parts';
import { expect, openJobs, stageLink, test } from './fixtures';

const DEVICES = 40;
const hex = (n: number) => (0x2000 + n).toString(16).toUpperCase();

const setup = (name: string, devices: readonly number[]) => `[Version]
Signature="$Windows NT$"
Class=Net
Provider="${name}"
[Manufacturer]
"P"=M,NTamd64
[M.NTamd64]
${devices.map((n) => `"Device ${n}"=I,PCI\\VEN_F1A1&DEV_${hex(n)}`).join('\n')}
[I]
`;

/** A machine with many devices that nothing drives. */
const machine = aMachine([aSlot(1)], {
  functions: Array.from({ length: DEVICES }, (_, n) => ({
    ...emptyFunction(`0000:${(n + 1).toString(16).padStart(2, '0')}:00.0`),
    vendor: 0xf1a1,
    device: 0x2000 + n,
    classCode: 0x0200,
    name: `Device ${n}`,
  })),
  system: {
    ...aMachine([]).system,
    family: told('windows' as const),
    version: told('11'),
    architecture: told('x86-64' as const),
  },
});
const job = apply(emptyJob('many-devices', STAMP.at), { name: 'takeTemplate', machine }, STAMP);

async function openDrivers(page: Page) {
  await openJobs(page);
  const text = writeJobFile({ ...job, machine });
  await page.locator('#import-job').setInputFiles({
    name: 'j.tenant.json',
    mimeType: 'application/json',
    buffer: Buffer.from(text),
  });
  await expect(page.getByRole('navigation', { name: 'Stages of the work' })).toBeVisible();
  await stageLink(page, /Drivers/).click();
  const hand = page.getByRole('region', { name: 'Driver packages at hand' });
  return { hand, stick: hand.getByRole('region', { name: 'For a stick' }) };
}

const inf = (name: string, text: string) => ({
  name,
  mimeType: 'text/plain',
  buffer: Buffer.from(text),
});

test('a hundred setup files for forty devices leave the page answering, and the fewest are found', async ({
  page,
}) => {
  const { hand, stick } = await openDrivers(page);
  const files = Array.from({ length: 100 }, (_, n) => {
    const devices = new Set([n % DEVICES, (n * 7 + 3) % DEVICES, (n * 13 + 5) % DEVICES]);
    for (let k = 0; k < 5; k += 1) devices.add((n * (17 + k) + k * k * 11) % DEVICES);
    return inf(`p${n}.inf`, setup(`Maker ${n}`, [...devices]));
  });
  await page.locator('#packages-file').setInputFiles(files);
  await expect(hand).toContainText('100 packages read', { timeout: 60_000 });
  await expect(stick.getByRole('button', { name: /^Write the stick/ })).toBeEnabled();
  await expect(stick).not.toContainText('looking whether fewer would do', { timeout: 60_000 });
  // Whoever works on is answered meanwhile and afterwards.
  await stageLink(page, /Needs/).click();
  await expect(page.getByRole('heading', { name: 'What the customer wants' })).toBeVisible();
});

test('reading that is stopped takes nothing from the stick, and a damaged archive is not taken', async ({
  page,
}, info) => {
  const { hand, stick } = await openDrivers(page);
  const choose = page.locator('#packages-file');
  const packed = Buffer.from(
    zipSync({ 'net.inf': Buffer.from(setup('Pendle', [1, 2])), 'net.sys': Buffer.from('driver') }),
  );
  await choose.setInputFiles({ name: 'pendle.zip', mimeType: 'application/zip', buffer: packed });
  await expect(stick.getByRole('listitem')).toHaveCount(1);

  // A large one, stopped under way: the list stands as it was.
  const large = info.outputPath('large.zip');
  writeFileSync(large, zipSync({ 'a.bin': [new Uint8Array(2 ** 28), { level: 1 }] }));
  await choose.setInputFiles(large);
  await hand.getByRole('button', { name: 'Stop reading' }).click();
  await expect(hand.getByRole('button', { name: 'Stop reading' })).toHaveCount(0);
  await expect(stick.getByRole('listitem')).toHaveCount(1);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    stick.getByRole('button', { name: 'Write the stick (2 files' }).click(),
  ]);
  const names = readFileSync(await download.path()).toString('latin1');
  for (const name of ['01-Pendle/net.inf', '01-Pendle/net.sys']) expect(names).toContain(name);

  const damaged = Buffer.from(packed);
  damaged[damaged.indexOf('net.sys') + 9]! ^= 1;
  await choose.setInputFiles({ name: 'bad.zip', mimeType: 'application/zip', buffer: damaged });
  await expect(hand.getByRole('alert')).toContainText('bad.zip is damaged, at net.sys');
});
