/** `npm run shots`: every main view from the demo data into docs/screenshots/, on the built application. */
import { chromium } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdirSync, readFileSync } from 'node:fs';
import { readyBuild, readyPackages, readyPrograms } from './ready.mjs';

readyPackages();
readyPrograms();
readyBuild();

const ROOT = new URL('..', import.meta.url).pathname;
const FOLDER = `${ROOT}docs/screenshots`;
const ADDRESS = 'http://127.0.0.1:4373';
const REPORT = `${ROOT}demo/evidence/lighthouse-museum.lspci.txt`;

const tab = (name) => (page) => page.getByRole('tab', { name }).click();
const slotLabel = (name) => (page) =>
  page.getByRole('button', { name, exact: true }).first().click();
const template = (label) => [
  tab('Evidence'),
  (page) => page.locator('#template').selectOption({ label }),
];
const tried = (card, slotId) => (page) =>
  page
    .locator('tbody tr', { has: page.getByRole('button', { name: card }) })
    .filter({ hasText: 'days' })
    .first()
    .dragTo(page.locator(`[data-slot="${slotId}"]`));
/** What a talkative firmware writes of its slots, and the devices of a demo machine with them. */
async function longNames(page) {
  const slots = ['CPU 1 Expansion Riser Slot A, upper', 'CPU 1 Expansion Riser Slot A, lower']
    .concat(['PCIEX16_3 (shares its lanes with M2_2)', 'PCIEX4_4 (closed at its end)', 'J6B2'])
    .map((name, n) =>
      [
        `Handle 0x00${n + 10}, DMI type 9, 17 bytes`,
        'System Slot Information',
        `\tDesignation: ${name}`,
        `\tType: x${[1, 16, 1, 16, 8][n]} PCI Express 3`,
        '\tCurrent Usage: Available',
        '\tLength: Long',
        `\tID: ${[1, 2, 4, 5, 7][n]}`,
        '',
      ].join('\n'),
    );
  await page.goto(`${ADDRESS}/`);
  await page.getByRole('button', { name: 'New job' }).click();
  await page.locator('#evidence-file').setInputFiles([
    { name: 'machine.txt', mimeType: 'text/plain', buffer: readFileSync(REPORT) },
    {
      name: 'firmware.txt',
      mimeType: 'text/plain',
      buffer: Buffer.from(`# dmidecode 3.4\n${slots.join('\n')}`),
    },
  ]);
  await page.getByText(/facts settled/).waitFor();
  await page.locator('.panel').evaluate((panel) => panel.scrollTo(0, 0));
}

/** A job of five needs, planned, with some of it measured. */
async function fiveNeeds(page) {
  for (const kind of ['USB', 'Network'])
    await page.getByRole('button', { name: kind, exact: true }).click();
  await page.getByRole('region', { name: 'Network' }).waitFor();
  await page.locator('.saving', { hasText: 'Saved' }).waitFor();
  await page.goto(`${ADDRESS}/jobs/tide-table-office/choose`);
  await page.getByRole('button', { name: /^Accept/ }).click();
  await page.locator('#way-on', { hasText: 'On to Prepare' }).waitFor();
  await page.getByRole('link', { name: /Prove/ }).click();
  await page.getByLabel('Measured, Mb/s', { exact: true }).fill('190');
  await page.getByLabel('Measured, Mb/s', { exact: true }).press('Enter');
  await page.getByText('Measured, MB/s').first().waitFor({ state: 'attached' });
  await page.locator('.panel').evaluate((panel) => panel.scrollTo(0, 0));
}
/** What another supplier might send: its own column names, and rows that are no cards. */
const PRICE_LIST = {
  mimeType: 'text/csv',
  buffer: Buffer.from(
    [
      'Brand,Model,Type,Net price,Watts,From the slot W,USB ports,Colour',
      'Pendle,Creek 3,usb,29.90,12,12,3,red',
      'Pendle,Creek 4,usb,cheap,12,12,4,blue',
      'Pendle,Creek 5,hub,19.00,5,5,5,blue',
      'Pendle,Creek 6,usb,19.00,5,9,5,blue',
    ].join('\n'),
  ),
};
const slot = (id) => (page) => page.locator(`[data-slot="${id}"]`).click();

/** File name, address, what to do first, and what differs from 1280 × 800 in light. */
const VIEWS = [
  ['jobs', '/', [], { height: 1120 }],
  ['survey-report', '/jobs/lighthouse-museum/survey', [longNames]],
  ['survey-slots', '/jobs/lighthouse-museum/survey', [slotLabel('Slot 7')]],
  [
    'survey-case',
    '/jobs/tide-table-office/survey',
    [...template('Spinnaker G4 desktop'), tab('Case')],
  ],
  ['survey-boxes', '/jobs/tide-table-office/survey', template('Outrigger host with two boxes')],
  ['needs', '/jobs/tide-table-office/needs'],
  ['choose-plan', '/jobs/tide-table-office/choose'],
  ['choose-tried', '/jobs/pilots-mess/choose', [tab('Cards'), tried('Foghorn 450', 's2')]],
  [
    'choose-power',
    '/jobs/boatyard/choose',
    [tab('Cards'), tried('Drafting 4', 's1'), (page) => page.keyboard.press('w')],
  ],
  [
    'catalogue',
    '/catalogue',
    [(page) => page.getByRole('button', { name: 'Kelpwick Drafting 4', exact: true }).click()],
  ],
  [
    'catalogue-import',
    '/catalogue',
    [
      (page) =>
        page.locator('#import-csv').setInputFiles({ name: 'price-list.csv', ...PRICE_LIST }),
    ],
  ],
  ['prepare', '/jobs/sail-loft/prepare'],
  ['fit', '/jobs/sail-loft/fit'],
  [
    'fit-bench',
    '/jobs/sail-loft/fit',
    [
      (page) => page.getByRole('button', { name: 'At the bench: one task at a time' }).click(),
      (page) => page.getByRole('dialog', { name: 'At the bench' }).waitFor(),
    ],
    { width: 800, height: 1280, touch: true },
  ],
  [
    'drivers',
    '/jobs/lighthouse-museum/drivers',
    [(page) => page.getByText('Every device and its driver').waitFor()],
    { height: 1300 },
  ],
  ['prove', '/jobs/tide-table-office/needs', [fiveNeeds]],
  ['hand-over', '/jobs/lighthouse-museum/hand-over'],
  ['choose-clash', '/jobs/foghorn/choose', [(page) => page.getByText('would solve it').waitFor()]],
  [
    'choose-links',
    '/jobs/chart-room/choose',
    [tab('Links'), tab('Together'), slot('near1')],
    { theme: 'g100' },
  ],
];

const server = spawn(process.execPath, ['server/index.mjs'], {
  cwd: ROOT,
  env: { ...process.env, PORT: '4373', HOST: '127.0.0.1', ORIGIN: ADDRESS, TENANT_DEMO: '1' },
  stdio: 'ignore',
});
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
try {
  mkdirSync(FOLDER, { recursive: true });
  for (const [
    name,
    path,
    acts = [],
    { width = 1280, height = 800, theme = 'g10', touch = false } = {},
  ] of VIEWS) {
    const context = await browser.newContext({
      viewport: { width, height },
      timezoneId: 'UTC',
      hasTouch: touch,
      isMobile: touch,
    });
    await context.addInitScript((chosen) => localStorage.setItem('tenant-theme', chosen), theme);
    const page = await context.newPage();
    await untilServed(page);
    await page.locator('table.jobs').waitFor();
    await page.goto(ADDRESS + path);
    await page.waitForLoadState('networkidle');
    for (const act of acts) await act(page);
    await page.mouse.move(0, 0);
    await page.screenshot({ path: `${FOLDER}/${name}.png`, animations: 'disabled' });
    console.log(`docs/screenshots/${name}.png`);
    await context.close();
  }
} finally {
  await browser.close();
  server.kill();
}

/** The server takes a moment to listen. */
async function untilServed(page) {
  for (let tries = 0; ; tries += 1) {
    try {
      await page.goto(ADDRESS);
      return;
    } catch (error) {
      if (tries > 20) throw error;
      await page.waitForTimeout(250);
    }
  }
}
