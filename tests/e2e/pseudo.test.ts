/**
 * Every text has a key: in a build whose words are longer by two fifths and have an accent on each letter, no screen shows a plain
 * word but what was typed, read or is a name, and nothing is cut off or runs over.
 */
import { execFileSync, type ChildProcess } from 'node:child_process';
import { readFileSync, readdirSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { CARDS } from '../../demo/catalogue/cards';
import { EXTRAS } from '../../demo/catalogue/extras';
import { PACKAGES } from '../builders/library';
import { demoJobs } from '../../demo/jobs';
import * as MACHINES from '../../demo/machines';
import { className } from '../../src/core/standards/pciClasses';
import { soaked } from '../builders/soak';
import { evidence, expect, freePort, served, test } from './fixtures';
import { SIZES, labelFaults, scrolledSideways } from './layout';

const ROOT = new URL('../..', import.meta.url).pathname;
const EVIDENCE = new URL('../../demo/evidence/', import.meta.url);
const STAGES = ['survey', 'needs', 'choose', 'prepare', 'fit', 'drivers', 'prove', 'hand-over'];

/** All texts of a value. */
const textsIn = (value: unknown): readonly string[] =>
  typeof value === 'string'
    ? [value]
    : typeof value === 'object' && value !== null
      ? Object.values(value).flatMap(textsIn)
      : [];

const WORD = /(?<![\p{L}\p{M}\p{N}…-])[A-Za-z]{2,}(?![\p{L}\p{M}\p{N}…-])/gu;
const JOBS = demoJobs(evidence('lspci'), PACKAGES);

/** What the demo calls things, what its machines report, its currency and months. A word that is a code stands alone in small letters. */
const NAMES: ReadonlySet<string> = new Set(
  [
    ...textsIn([CARDS, EXTRAS, JOBS, PACKAGES, MACHINES]).filter((text) => /[A-Z .]/.test(text)),
    ...JOBS.flatMap(({ observations }) => observations).flatMap(({ value }) =>
      typeof value === 'object' && 'driver' in value ? (value.driver ?? []) : [],
    ),
    ...Array.from({ length: 0x1000 }, (_, code) => className(code)),
    ...readdirSync(EVIDENCE).map((name) => readFileSync(new URL(name, EVIDENCE), 'utf8')),
    'EUR',
    'Jan Feb Mar Apr May Jun Jul Aug Sep Sept Oct Nov Dec',
  ].flatMap((text) => text.match(WORD) ?? []),
);

/** Texts on the screen, and what is said of parts, without commands and what stands only where scripts do not run. */
const shown = (page: Page): Promise<readonly string[]> =>
  page.evaluate(() => {
    const all: string[] = [document.title];
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node !== null; node = walker.nextNode())
      if (node.parentElement?.closest('script, style, noscript, code, kbd, pre') === null)
        all.push(node.textContent ?? '');
    for (const element of document.querySelectorAll('[aria-label], [title], [placeholder], [alt]'))
      for (const name of ['aria-label', 'title', 'placeholder', 'alt'])
        all.push(element.getAttribute(name) ?? '');
    return all;
  });

async function unfolded(page: Page): Promise<void> {
  for (const fold of await page.locator('main details:not([open]) > summary').all())
    if (await fold.isVisible()) await fold.click();
}

test.describe('in a language that nobody speaks', () => {
  let server: ChildProcess;
  let address: string;

  test.beforeAll(async () => {
    // Built before all tests; by itself this one builds it where it is missing or old.
    execFileSync(process.execPath, [
      '-e',
      "import('./scripts/ready.mjs').then((ready) => ready.readyPseudoBuild())",
    ]);
    const port = await freePort();
    address = `http://127.0.0.1:${port}`;
    server = await served(ROOT, port, { ORIGIN: address, TENANT_BUILD: '.cache/pseudo' });
  });
  test.afterAll(() => void server.kill());

  test.use({ baseURL: async ({}, use) => use(address) });

  async function checked(page: Page, where: string): Promise<void> {
    const plain = (await shown(page)).filter((text) =>
      [...text.matchAll(WORD)].some(([word]) => !NAMES.has(word)),
    );
    expect.soft([...new Set(plain)], where).toEqual([]);
    expect.soft(await scrolledSideways(page), where).toBeLessThanOrEqual(0);
  }

  async function opened(page: Page, path: string): Promise<void> {
    await page.goto(path);
    await page.waitForLoadState('networkidle');
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await unfolded(page);
    await page.waitForLoadState('networkidle');
  }

  test('nothing plain is left on a screen, and nothing runs over', async ({ page }) => {
    test.slow();
    await page.goto('/');
    await expect(page.locator('table.jobs tbody tr')).toHaveCount(JOBS.length);
    await unfolded(page);
    await checked(page, 'jobs');
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog')).toBeVisible();
    await checked(page, 'keys');
    await opened(page, '/catalogue');
    await page.locator('td button, th button').first().click();
    await unfolded(page);
    await checked(page, 'catalogue');
    // Each stage of one job; with the soak of all.
    const seen = JOBS.flatMap(({ id }, n) =>
      STAGES.filter((_, at) => soaked(at === n, true)).map((stage) => ({ id, stage })),
    );
    for (const { id, stage } of seen) {
      await opened(page, `/jobs/${id}/${stage}`);
      await checked(page, `${id}, ${stage}`);
      for (const [width, height] of SIZES) {
        await page.setViewportSize({ width, height });
        const where = `${id}, ${stage} at ${width} × ${height}`;
        expect.soft(await scrolledSideways(page), where).toBeLessThanOrEqual(0);
        expect.soft(await labelFaults(page), where).toEqual([]);
      }
      await page.setViewportSize({ width: 1280, height: 800 });
      for (const tab of (await page.getByRole('tab').all()).slice(1)) {
        await tab.click();
        await page.waitForLoadState('networkidle');
        await unfolded(page);
        await checked(page, `${id}, ${stage}, ${await tab.textContent()}`);
      }
    }
  });
});
