/**
 * Kills a real browser – its whole process group, with SIGKILL, at a moment that chance decides – while it saves, while
 * it takes in a backup, and while it opens records of an earlier format. After each kill the same profile is opened
 * again: the last change that was shown as saved is there, and the store is whole before or after. The same run with
 * writes made careless on purpose has to find losses, or it proves nothing. Run by `npm run soak`.
 */
import { spawn, type ChildProcess } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { BackupWriter, emptyJob, type Job } from '../../src/core/index';
import { chanceOf } from '../builders/absurdJob';

const ROOT = new URL('../..', import.meta.url).pathname;
const SEED = Number(process.env['SEED'] ?? 20261125);
const KILLS = Number(process.env['KILLS'] ?? 100);
const JOBS = 30;
const chance = chanceOf(SEED);
const FLAGS = [
  '--headless=new',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
];
const QUIET = ['--disable-background-networking', '--disable-component-update', '--disable-sync'];

const freePort = () =>
  new Promise<number>((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });
const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const folder = (name: string) => mkdtempSync(join(tmpdir(), `tenant-${name}-`));

interface Bench {
  readonly page: Page;
  readonly kill: () => Promise<void>;
}

/** A browser with this profile, in a process group of its own. */
async function browserWith(profile: string, base: string, init?: string): Promise<Bench> {
  const port = await freePort();
  const child = spawn(
    process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    [...FLAGS, ...QUIET, `--user-data-dir=${profile}`, `--remote-debugging-port=${port}`],
    { detached: true, stdio: 'ignore' },
  );
  for (let n = 0; ; n += 1) {
    try {
      const browser = await chromium.connectOverCDP(`http://127.0.0.1:${port}`);
      const context = browser.contexts()[0]!;
      if (init !== undefined) await context.addInitScript(init);
      const page = context.pages()[0] ?? (await context.newPage());
      await page.goto(base);
      return { page, kill: () => killed(child) };
    } catch (error) {
      if (n > 100) throw error;
      await wait(50);
    }
  }
}

async function killed(child: ChildProcess): Promise<void> {
  const over = new Promise((resolve) => child.on('exit', resolve));
  process.kill(-child.pid!, 'SIGKILL');
  await over;
  await wait(100);
}

/** Keeps jobs in memory for a while and says that they are written: what a careless store would do. */
const CARELESS = `(() => {
  const pending = new Map();
  const { put, get } = IDBObjectStore.prototype;
  IDBObjectStore.prototype.put = function (value, key) {
    if (this.name !== 'jobs') return put.call(this, value, key);
    const { db } = this.transaction;
    pending.set(key, value);
    setTimeout(() => put.call(db.transaction('jobs', 'readwrite').objectStore('jobs'), value, key), 700);
    return this.count();
  };
  IDBObjectStore.prototype.get = function (key) {
    if (this.name !== 'jobs' || !pending.has(key)) return get.call(this, key);
    return Object.defineProperty(this.count(), 'result', { get: () => pending.get(key) });
  };
})()`;

const titleField = '#job-title';
/** As they lie in the store, whatever a list makes of them. */
const storedTitles = (page: Page): Promise<string[]> =>
  page.evaluate(
    () =>
      new Promise<string[]>((resolve) => {
        const open = indexedDB.open('tenant');
        open.onsuccess = () => {
          const all = open.result.transaction('jobs').objectStore('jobs').getAll();
          all.onsuccess = () =>
            resolve((all.result as { title: string }[]).map(({ title }) => title));
        };
      }),
  );

/** Changes the title as fast as it is saved, and tells of each change once it is shown as saved. */
const CHANGING = `(async () => {
  const label = () => document.querySelector('.saving')?.textContent?.trim();
  for (let n = window.from; ; n += 1) {
    const field = document.querySelector('${titleField}');
    field.value = 'Change ' + n;
    field.dispatchEvent(new Event('input', { bubbles: true }));
    field.dispatchEvent(new Event('change', { bubbles: true }));
    do await new Promise((r) => setTimeout(r, 2)); while (label() !== 'Saved');
    console.log('saved ' + n);
  }
})()`;

/** Waits for the job; where it does not come, what the screen says instead is part of the failure. */
async function shownTitle(page: Page): Promise<void> {
  try {
    await page.locator(titleField).waitFor({ state: 'attached' });
  } catch (error) {
    const shown = await page.locator('body').innerText();
    throw new Error(`No job at ${page.url()}, but: ${shown.slice(0, 1_000)}`, { cause: error });
  }
}

async function killsOfSaving(base: string, kills: number, init?: string): Promise<number> {
  const profile = folder('save');
  let [lost, shown] = [0, 0];
  const first = await browserWith(profile, base);
  await first.page.locator('table.jobs tbody tr').first().waitFor();
  await first.kill();
  // Each browser first tells what the one before it has left, and is killed in its turn.
  for (let n = 0; n <= kills; n += 1) {
    const { page, kill } = await browserWith(profile, `${base}/jobs/sail-loft/survey`, init);
    await shownTitle(page);
    const found = Number(/\d+$/.exec(await page.locator(titleField).inputValue())?.[0] ?? 0);
    if (found < shown) lost += 1;
    const last = Math.max(found, shown);
    page.on('console', (message) => {
      const [, number] = /^saved (\d+)$/.exec(message.text()) ?? [];
      if (number !== undefined) shown = Number(number);
    });
    if (n < kills) {
      void page.evaluate(`window.from = ${last + 1}; ${CHANGING}`).catch(() => undefined);
      await wait(60 + chance() * 500);
    }
    await kill();
  }
  rmSync(profile, { recursive: true, force: true });
  return lost;
}

const job = (n: number, title: string): Job => ({
  ...emptyJob(`job-${n}`, '2026-11-25T09:00:00.000Z'),
  title: `${title} ${n}`,
  notes: 'x'.repeat(2000),
});

async function backupFile(title: string): Promise<string> {
  const writer = new BackupWriter((bytes) =>
    Promise.resolve(createHash('sha256').update(bytes).digest('hex')),
  );
  for (let n = 0; n < JOBS; n += 1)
    await writer.add({ store: 'jobs', key: `job-${n}`, value: job(n, title) });
  const file = join(folder('backup'), 'backup.zip');
  writeFileSync(file, await writer.finish('2026-11-25T09:00:00.000Z', 'soak'));
  return file;
}

async function restore(page: Page, file: string): Promise<void> {
  await page.locator('#backup-file').setInputFiles(file);
  await page.getByRole('button', { name: 'Restore whole instead' }).click();
  await page.getByRole('button', { name: 'Restore whole', exact: true }).click();
}

/** Writes jobs into the store one after the other, with nothing laid down beside it. */
const WRITING_CARELESSLY = `(records) => new Promise((resolve) => {
  const open = indexedDB.open('tenant');
  open.onsuccess = async () => {
    for (const record of records) {
      await new Promise((done) => {
        const put = open.result.transaction('jobs', 'readwrite').objectStore('jobs').put(record, record.id);
        put.onsuccess = done;
      });
      await new Promise((done) => setTimeout(done, 5));
    }
    resolve();
  };
})`;

async function killsOfRestoring(base: string, kills: number, careless = false): Promise<number> {
  const titles = ['Before', 'After'];
  const files = await Promise.all(titles.map(backupFile));
  const profile = folder('restore');
  const first = await browserWith(profile, base);
  await first.page.locator('table.jobs tbody tr').first().waitFor();
  await restore(first.page, files[0]!);
  await first.page.getByText(/^Restored: /).waitFor();
  await wait(500);
  await first.kill();
  let mixed = 0;
  for (let n = 0; n <= kills; n += 1) {
    const { page, kill } = await browserWith(profile, base);
    // Once the list is there, whatever was broken off has been carried on; or it is said that it is not, on a machine so busy.
    await page.locator('table.jobs tbody tr').first().waitFor();
    for (let k = 0; k < 10; k += 1) {
      if ((await page.getByText('A restore was broken off').count()) === 0) break;
      await page.reload();
      await page.locator('table.jobs tbody tr').first().waitFor();
    }
    const kinds = (await storedTitles(page)).map((title) => title.split(' ')[0]);
    if (new Set(kinds).size !== 1 || kinds.length !== JOBS) mixed += 1;
    const next = kinds[0] === 'Before' ? 1 : 0;
    if (n < kills) {
      const records = Array.from({ length: JOBS }, (_, k) => ({
        ...job(k, titles[next]!),
        revision: n + 1,
      }));
      if (careless)
        void page
          .evaluate(`(${WRITING_CARELESSLY})(${JSON.stringify(records)})`)
          .catch(() => undefined);
      else await restore(page, files[next]!);
      await wait(chance() * (careless ? 300 : 900));
    }
    await kill();
  }
  rmSync(profile, { recursive: true, force: true });
  return mixed;
}

/** Records of format 4 are opened and one of them is changed: each is there afterwards, in one format or the other. */
async function killsOfMigrating(base: string, kills: number): Promise<number> {
  const old = (
    JSON.parse(readFileSync(join(ROOT, 'tests/data/job-format-4.json'), 'utf8')) as { job: object }
  ).job;
  const records = Array.from({ length: JOBS }, (_, n) => ({ ...old, id: `old-${n}` }));
  const profile = folder('migrate');
  let [lost, shown] = [0, 0];
  for (let n = 0; n <= kills; n += 1) {
    const { page, kill } = await browserWith(profile, base);
    await page.locator('table.jobs tbody tr').first().waitFor();
    if (n > 0) {
      await page
        .locator('table.jobs tbody tr')
        .nth(JOBS + 12)
        .waitFor();
      await wait(400);
      const aside = await page.locator('section.aside').count();
      await page.goto(`${base}/jobs/old-1/survey`);
      await page.locator(titleField).waitFor();
      const title = await page.locator(titleField).inputValue();
      const found = Number(/^Change (\d+)$/.exec(title)?.[1] ?? 0);
      if (found < shown || aside > 0) lost += 1;
    }
    if (n < kills) {
      // As an earlier version left them.
      await page.evaluate(`(${WRITING_CARELESSLY})(${JSON.stringify(records)})`);
      await page.goto('about:blank');
      await page.goto(`${base}/jobs/old-1/survey`);
      await page.locator(titleField).waitFor();
      shown = 0;
      page.on('console', (message) => {
        const [, number] = /^saved (\d+)$/.exec(message.text()) ?? [];
        if (number !== undefined) shown = Number(number);
      });
      void page.evaluate(`window.from = 1; ${CHANGING}`).catch(() => undefined);
      await wait(chance() * 500);
    }
    await kill();
  }
  rmSync(profile, { recursive: true, force: true });
  return lost;
}

/** While everything is backed up: that changes nothing of what is kept. */
async function killsOfBackingUp(base: string, kills: number): Promise<number> {
  const profile = folder('back-up');
  const first = await browserWith(profile, base);
  await first.page.locator('table.jobs tbody tr').first().waitFor();
  await restore(first.page, await backupFile('Kept'));
  await first.page.getByText(/^Restored: /).waitFor();
  await wait(500);
  await first.kill();
  let changed = 0;
  for (let n = 0; n <= kills; n += 1) {
    const { page, kill } = await browserWith(profile, base);
    await page.locator('table.jobs tbody tr').first().waitFor();
    const titles = await storedTitles(page);
    if (titles.length !== JOBS || titles.some((title) => !title.startsWith('Kept'))) changed += 1;
    if (n < kills) {
      const button = page.getByRole('button', { name: 'Back up everything' });
      await button.waitFor();
      void button.click().catch(() => undefined);
      await wait(chance() * 500);
    }
    await kill();
  }
  rmSync(profile, { recursive: true, force: true });
  return changed;
}

/** While a backup is merged: what was here stays, and of what comes in all is there or nothing. */
async function killsOfMerging(base: string, kills: number): Promise<number> {
  const profile = folder('merge');
  const first = await browserWith(profile, base);
  await first.page.locator('table.jobs tbody tr').nth(12).waitFor();
  await first.kill();
  let [broken, here] = [0, 13];
  for (let n = 0; n <= kills; n += 1) {
    const { page, kill } = await browserWith(profile, base);
    await page.locator('table.jobs tbody tr').first().waitFor();
    const { length } = await storedTitles(page);
    // Of the merge before this all has come, or nothing.
    if (length !== here && length !== here + JOBS) broken += 1;
    here = length;
    if (n < kills) {
      const writer = new BackupWriter((bytes) =>
        Promise.resolve(createHash('sha256').update(bytes).digest('hex')),
      );
      for (let k = 0; k < JOBS; k += 1) {
        const id = `merged-${n}-${k}`;
        await writer.add({ store: 'jobs', key: id, value: { ...job(k, `Merged ${n}`), id } });
      }
      const file = join(folder('merge-file'), 'backup.zip');
      writeFileSync(file, await writer.finish('2026-11-25T09:00:00.000Z', 'soak'));
      await page.locator('#backup-file').setInputFiles(file);
      const merge = page.getByRole('button', { name: /^Merge/ });
      await merge.waitFor();
      void merge.click().catch(() => undefined);
      await wait(chance() * 700);
      rmSync(file);
    }
    await kill();
  }
  rmSync(profile, { recursive: true, force: true });
  return broken;
}

/** Two windows that change the same job by turns: what either showed as saved is there. */
async function killsOfTwoWindows(base: string, kills: number): Promise<number> {
  const profile = folder('two');
  let [lost, shown] = [0, 0];
  const first = await browserWith(profile, base);
  await first.page.locator('table.jobs tbody tr').first().waitFor();
  await first.kill();
  for (let n = 0; n <= kills; n += 1) {
    const { page, kill } = await browserWith(profile, `${base}/jobs/sail-loft/survey`);
    await shownTitle(page);
    const found = Number(/\d+$/.exec(await page.locator(titleField).inputValue())?.[0] ?? 0);
    if (found < shown) lost += 1;
    const last = Math.max(found, shown);
    if (n < kills) {
      const other = await page.context().newPage();
      await other.goto(`${base}/jobs/sail-loft/survey`);
      await shownTitle(other);
      for (const window of [page, other])
        window.on('console', (message) => {
          const [, number] = /^saved (\d+)$/.exec(message.text()) ?? [];
          if (number !== undefined) shown = Math.max(shown, Number(number));
        });
      void page.evaluate(`window.from = ${last + 1}; ${CHANGING}`).catch(() => undefined);
      await wait(chance() * 300);
      // The second goes on from what the first has left: it takes over what is stored first.
      void other
        .evaluate(
          `window.from = Number(/\\d+$/.exec(document.querySelector('${titleField}').value)?.[0] ?? 0) + 1000; ${CHANGING}`,
        )
        .catch(() => undefined);
      await wait(60 + chance() * 400);
    }
    await kill();
  }
  rmSync(profile, { recursive: true, force: true });
  return lost;
}

const port = await freePort();
const base = `http://127.0.0.1:${port}`;
const server = spawn(process.execPath, ['server/index.mjs'], {
  cwd: ROOT,
  env: { ...process.env, PORT: `${port}`, HOST: '127.0.0.1', TENANT_DEMO: '1' },
  stdio: 'ignore',
});
/** `ONLY=restore` kills at one kind of work alone. */
const wanted = (part: string): boolean => (process.env['ONLY'] ?? part) === part;
let failed = 0;
const say = (what: string, found: number, isFine: boolean) => {
  console.log(`${isFine ? 'ok  ' : 'FAIL'} ${what}: ${found}`);
  failed += isFine ? 0 : 1;
};
try {
  await wait(1500);
  const few = Math.max(5, Math.round(KILLS / 10));
  if (wanted('save')) {
    let found = await killsOfSaving(base, KILLS);
    say(`${KILLS} kills while saving, changes shown as saved and lost`, found, found === 0);
    found = await killsOfSaving(base, few, CARELESS);
    say(`the same ${few} times with careless writes`, found, found > 0);
  }
  if (wanted('restore')) {
    let found = await killsOfRestoring(base, KILLS);
    say(`${KILLS} kills while restoring, stores neither before nor after`, found, found === 0);
    found = await killsOfRestoring(base, few, true);
    say(`the same ${few} times with careless writes`, found, found > 0);
  }
  if (wanted('migrate')) {
    const found = await killsOfMigrating(base, KILLS);
    say(`${KILLS} kills while records of an earlier format are opened, lost`, found, found === 0);
  }
  if (wanted('backup')) {
    const found = await killsOfBackingUp(base, KILLS);
    say(`${KILLS} kills while backing up, stores that changed`, found, found === 0);
  }
  if (wanted('merge')) {
    const found = await killsOfMerging(base, KILLS);
    say(`${KILLS} kills while a backup is merged, stores with a part of it`, found, found === 0);
  }
  if (wanted('two')) {
    const found = await killsOfTwoWindows(base, KILLS);
    say(
      `${KILLS} kills of two windows on one job, changes shown as saved and lost`,
      found,
      found === 0,
    );
  }
} finally {
  server.kill();
}
process.exit(failed === 0 ? 0 : 1);
