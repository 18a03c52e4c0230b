/** `npm run shots`: every main view from the demo data into docs/screenshots/, on the built application. */
import { chromium } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { readyBuild, readyPackages, readyPrograms } from './ready.mjs';

readyPackages();
readyPrograms();
readyBuild();

const ROOT = new URL('..', import.meta.url).pathname;
const FOLDER = `${ROOT}docs/screenshots`;
const ADDRESS = 'http://127.0.0.1:4373';

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
  ['survey-evidence', '/jobs/lighthouse-museum/survey', [tab('Evidence'), slotLabel('Slot 2')]],
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
  ['fit-upright', '/jobs/sail-loft/fit', [], { width: 800, height: 1280 }],
  [
    'drivers',
    '/jobs/lighthouse-museum/drivers',
    [(page) => page.getByText('Every device and its driver').waitFor()],
    { height: 1300 },
  ],
  ['prove', '/jobs/lighthouse-museum/prove'],
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
  for (const [name, path, acts = [], { width = 1280, height = 800, theme = 'g10' } = {}] of VIEWS) {
    const context = await browser.newContext({ viewport: { width, height }, timezoneId: 'UTC' });
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
