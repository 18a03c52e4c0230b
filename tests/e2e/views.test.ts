import AxeBuilder from '@axe-core/playwright';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { soaked } from '../builders/soak';
import { expect, openJobs, openStage, test } from './fixtures';
import { SIZES, scrolledSideways } from './layout';

const VIEWS: readonly (readonly [job: string, stage: string])[] = [
  ['lighthouse-museum', 'survey'],
  ['tide-table-office', 'needs'],
  ['tide-table-office', 'choose'],
  ['sail-loft', 'prepare'],
  ['sail-loft', 'fit'],
  ['sail-loft', 'drivers'],
  ['lighthouse-museum', 'prove'],
  ['lighthouse-museum', 'hand-over'],
];

async function isClean(page: Page, where: string, axe: AxeBuilder): Promise<void> {
  // A stage that is still being opened has no heading yet.
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  const { violations } = await axe.analyze();
  expect(
    violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html).join(' | ')}`),
    where,
  ).toEqual([]);
}

const THEMES = ['g10', 'g100'] as const;

// What is laid out does not hang on colours, and colours not on the size.
for (const theme of soaked<readonly ('g10' | 'g100')[]>(THEMES.slice(0, 1), THEMES))
  test(`nor at any size, ${theme === 'g10' ? 'light' : 'dark'}`, async ({ page }) => {
    test.slow();
    await page.addInitScript((name) => localStorage.setItem('tenant-theme', name), theme);
    await openJobs(page);
    for (const [job, stage] of VIEWS.filter((_, n) => n % soaked(3, 1) === 0)) {
      await page.goto(`/jobs/${job}/${stage}`);
      await expect(page.locator('[data-slot]').first()).toBeVisible();
      for (const [width, height] of soaked<readonly (typeof SIZES)[number][]>(
        SIZES.slice(-1),
        SIZES,
      )) {
        await page.setViewportSize({ width, height });
        // Colours are the same at every size, and asked below.
        const axe = new AxeBuilder({ page }).disableRules('color-contrast');
        await isClean(page, `${stage} at ${width} × ${height}`, axe);
      }
    }
  });

for (const theme of THEMES)
  test(`no view has a fault that axe finds, ${theme === 'g10' ? 'light' : 'dark'}`, async ({
    page,
  }) => {
    test.slow();
    await page.addInitScript((name) => localStorage.setItem('tenant-theme', name), theme);
    /**
     * What a view is built of is the same in both themes: each is asked once, in one of the two. Colours are those of one sheet:
     * they are asked where all of them stand, in both. The soak asks everything of every view.
     */
    const check = async (where: string, isWhole: boolean) => {
      const axe = new AxeBuilder({ page });
      await isClean(page, where, isWhole ? axe : axe.disableRules('color-contrast'));
    };
    const isMine = (n: number) => soaked(n % 2 === THEMES.indexOf(theme), true);
    const all = soaked(false, true);
    await openJobs(page);
    await check('jobs', true);
    if (isMine(0)) {
      await page.keyboard.press('?');
      await expect(page.getByRole('dialog')).toBeVisible();
      await check('keys', all);
    }
    if (isMine(1)) {
      await page.goto('/catalogue');
      await page.getByRole('searchbox', { name: 'Search the catalogue' }).fill('Kelpwick');
      await page.getByRole('button', { name: 'Kelpwick Lantern 2', exact: true }).click();
      await check('catalogue', all);
    }
    for (const [n, [job, stage]] of VIEWS.entries()) {
      // Marks of every verdict, the drawing and the steps: all colours that there are.
      const hasColours = stage === 'choose' || stage === 'fit';
      if (!isMine(n) && !hasColours) continue;
      await page.goto(`/jobs/${job}/${stage}`);
      await expect(page.locator('[data-slot]').first()).toBeVisible();
      await page.locator('[data-slot]').first().click();
      await check(stage, all || hasColours);
      if (stage === 'choose') {
        await expect(page.getByRole('tab', { name: 'Cards' })).toBeVisible();
        await page.keyboard.press('c');
        await page.locator('.cell').first().click();
        await check('cards', true);
        if (!isMine(1)) continue;
        await page.keyboard.press('w');
        await expect(
          page.getByRole('heading', { name: 'Watts against every limit' }),
        ).toBeVisible();
        await check('watts', all);
      }
      if (stage !== 'survey') continue;
      for (const tab of ['Evidence', 'Case', 'System']) {
        await page.getByRole('tab', { name: tab }).click();
        await check(`${stage}, ${tab}`, all);
      }
    }
  });

test('no view scrolls sideways at any size', async ({ page }) => {
  test.slow();
  await openJobs(page);
  for (const path of ['/', '/catalogue', ...VIEWS.map(([job, stage]) => `/jobs/${job}/${stage}`)]) {
    await page.goto(path);
    await page.waitForLoadState('networkidle');
    for (const [width, height] of SIZES) {
      await page.setViewportSize({ width, height });
      expect
        .soft(await scrolledSideways(page), `${path} at ${width} × ${height}`)
        .toBeLessThanOrEqual(0);
    }
  }
});

test('the page forbids script of its own text, and every other origin', async ({
  page,
  complaints,
}) => {
  const answer = await page.goto('/');
  const policy = answer?.headers()['content-security-policy'] ?? '';
  const scripts = /script-src ([^;]+)/.exec(policy)?.[1] ?? '';
  expect(scripts).toMatch(/^'self'/);
  expect(scripts).not.toContain('unsafe');
  expect(policy).not.toMatch(/https?:/);
  // A script that gets into the page does not run.
  const ran = await page.evaluate(() => {
    const script = document.createElement('script');
    script.textContent = 'window.intruded = true';
    document.body.append(script);
    return 'intruded' in window;
  });
  expect(ran).toBe(false);
  expect(complaints.join()).toContain('violates the following Content Security Policy');
  complaints.length = 0;
});

test('the driver library answers for identities and says what is wrong with others', async ({
  request,
}) => {
  const of = (...ids: string[]) => request.post('/api/drivers', { data: { ids } });
  const packages = (await (await of('f1a4:7402')).json()) as { id: string }[];
  expect(packages.map(({ id }) => id)).toEqual(['sundwick-gull-5', 'sundwick-kernel']);
  expect(await (await of('0000:0000')).json()).toEqual([]);
  for (const wrong of ['', 'f1a4', '../etc']) expect((await of(wrong)).status()).toBe(400);
  expect((await of()).status()).toBe(400);
  expect((await request.post('/api/drivers', { data: 'no JSON' })).status()).toBe(400);
  // As many as a shop with thousands of cards of its own asks for.
  const many = Array.from({ length: 5_000 }, (_, n) => `f1a4:${n.toString(16).padStart(4, '0')}`);
  expect((await of(...many)).status()).toBe(200);
});

test('the sheet prints as one, without the screens around it', async ({ page }) => {
  await openStage(page, 'lighthouse-museum', 'hand-over');
  await expect(page.getByRole('heading', { name: 'What was fitted' })).toBeVisible();
  const path = join(mkdtempSync(join(tmpdir(), 'tenant-')), 'sheet.pdf');
  writeFileSync(
    path,
    await page.pdf({
      format: 'A4',
      margin: { top: '15mm', bottom: '15mm', left: '15mm', right: '15mm' },
    }),
  );
  const text = execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' });
  for (const part of [
    'What was fitted',
    'Pellworth Anchor 10E',
    'Gen 2 x4',
    '999–1,187',
    '112 MB/s',
    'Please mind',
  ]) {
    expect(text).toContain(part);
  }
  for (const screen of [
    'Print the sheet',
    'All jobs',
    'The board as a table',
    'Notes for the next technician',
  ]) {
    expect(text).not.toContain(screen);
  }
  expect(execFileSync('pdfinfo', [path], { encoding: 'utf8' })).toMatch(/Pages:\s+[12]\b/);
});
