/**
 * A disk that is full in earnest: the browser's profile lies on a small one. A browser that writes on behind an entry
 * that did not fit finds its journal broken at its next start, and throws everything away.
 */
import { execFileSync } from 'node:child_process';
import { closeSync, mkdtempSync, openSync, rmSync, writeSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { expect, openDetails, test } from './fixtures';

/** A browser gives one application a share of it: the application itself, its jobs, and the room that is tried have to fit. */
const MEGABYTES = 192;
/** A disk of its own, or null where none may be made here. */
function smallDisk(): string | null {
  const place = mkdtempSync(join(tmpdir(), 'tenant-disk-'));
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', `size=${MEGABYTES}m`, 'tmpfs', place], {
      stdio: 'ignore',
    });
    return place;
  } catch {
    rmSync(place, { recursive: true });
    return null;
  }
}

const filler = (disk: string) => join(disk, 'filler');

function fill(disk: string): void {
  const file = openSync(filler(disk), 'w');
  const piece = Buffer.alloc(4096, 1);
  try {
    for (;;) writeSync(file, piece);
  } catch {
    // Nothing more goes on it.
  } finally {
    closeSync(file);
  }
}

const makeRoom = (disk: string): void => rmSync(filler(disk));

test('a full disk is told for what it is, and what is saved once there is room again is there after a restart', async ({
  baseURL,
}) => {
  const disk = smallDisk();
  test.skip(disk === null, 'No small disk can be mounted here');
  if (disk === null) return;
  const start = async () => {
    const context = await chromium.launchPersistentContext(join(disk, 'profile'), {
      executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu', '--disk-cache-size=1000000'],
      baseURL: baseURL ?? '',
      viewport: { width: 1280, height: 800 },
      // The application that is kept for off-line takes room as well.
      serviceWorkers: 'allow',
    });
    const page = context.pages()[0] ?? (await context.newPage());
    return { context, page };
  };
  const title = (page: Page) => page.locator('#job-title');
  const call = async (page: Page, name: string) => {
    await openDetails(page);
    await title(page).fill(name);
    await title(page).blur();
  };
  const isSaved = (page: Page) => expect(page.locator('.saving')).toHaveText('Saved');
  const rows = (page: Page) => page.locator('table.jobs tbody tr');
  try {
    let { context, page } = await start();
    await page.goto('/');
    await expect(page.getByText('works, everything is kept')).toBeVisible();
    await page.goto('/jobs/pilots-mess/survey');
    await call(page, 'While there was room');
    await isSaved(page);

    // What room there was is trusted for a moment only, counted from the last thing kept after “Saved”: undo, the row of the list.
    await page.waitForTimeout(2500);
    fill(disk);
    await call(page, 'On a full disk');
    await expect(page.getByText('Not saved: the browser’s store is full')).toBeVisible();
    makeRoom(disk);
    await page.getByRole('button', { name: 'Try again' }).click();
    await isSaved(page);
    await call(page, 'Saved with room again');
    await isSaved(page);
    await context.close();

    ({ context, page } = await start());
    await page.goto('/');
    await expect(rows(page)).toHaveCount(13);
    await expect(page.getByRole('link', { name: 'Saved with room again' })).toBeVisible();
    await context.close();
  } finally {
    execFileSync('umount', ['--lazy', disk], { stdio: 'ignore' });
    rmSync(disk, { recursive: true, force: true });
  }
});
