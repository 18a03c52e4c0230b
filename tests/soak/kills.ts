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
import { BackupWriter } from '../../src/core/backup/index.ts';
import { emptyJob, type Job } from '../../src/core/document/index.ts';
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
      return { page, kill: () => ended(child) };
    } catch (error) {
      if (n > 100) throw error;
      await wait(50);
    }
  }
}

async function ended(child: ChildProcess): Promise<void> {
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

/** What is done with one profile over and over: what the last kill left is looked at, then work begins and is killed. */
interface Kills {
  readonly name: string;
  readonly path: string;
  /** Run in every page before its own scripts. */
  readonly init?: string;
  /** Once, in a browser of its own, before the first kill. */
  readonly prepare: (page: Page) => Promise<unknown>;
  /** Whether the store is as it may be after the kill before. */
  readonly isWhole: (page: Page) => Promise<boolean>;
  /** Begins what is to be killed, and waits for a while. */
  readonly begin: (page: Page, n: number) => Promise<unknown>;
}

/** @returns how often the store was not as it may be */
async function killed(base: string, count: number, kills: Kills): Promise<number> {
  const profile = folder(kills.name);
  const first = await browserWith(profile, base);
  await kills.prepare(first.page);
  await first.kill();
  let wrong = 0;
  // Each browser first tells what the one before it has left, and is killed in its turn.
  for (let n = 0; n <= count; n += 1) {
    const { page, kill } = await browserWith(profile, `${base}${kills.path}`, kills.init);
    if (!(await kills.isWhole(page))) wrong += 1;
    if (n < count) await kills.begin(page, n);
    await kill();
  }
  rmSync(profile, { recursive: true, force: true });
  return wrong;
}

const listed = (page: Page, jobs = 1) =>
  page
    .locator('table.jobs tbody tr')
    .nth(jobs - 1)
    .waitFor();
const DEMO_JOBS = 13;
const A_JOB = '/jobs/sail-loft/survey';

/** Hears which changes were shown as saved, and how far the title that is found is behind them. */
function hearing() {
  let shown = 0;
  return {
    on: (page: Page) =>
      page.on('console', (message) => {
        const [, number] = /^saved (\d+)$/.exec(message.text()) ?? [];
        if (number !== undefined) shown = Math.max(shown, Number(number));
      }),
    forget: () => (shown = 0),
    /** The last change that was shown or is found: the next goes on from it. */
    last: 0,
    async isThere(page: Page): Promise<boolean> {
      await shownTitle(page);
      const title = await page.locator(titleField).inputValue();
      const found = Number(/^Change (\d+)$/.exec(title)?.[1] ?? 0);
      this.last = Math.max(found, shown);
      return found >= shown;
    },
  };
}

function saving(init?: string): Kills {
  const heard = hearing();
  return {
    name: 'save',
    path: A_JOB,
    ...(init === undefined ? {} : { init }),
    prepare: (page) => listed(page),
    isWhole: (page) => heard.isThere(page),
    begin: async (page) => {
      heard.on(page);
      void page.evaluate(`window.from = ${heard.last + 1}; ${CHANGING}`).catch(() => undefined);
      await wait(60 + chance() * 500);
    },
  };
}

const job = (n: number, title: string): Job => ({
  ...emptyJob(`job-${n}`, '2026-11-25T09:00:00.000Z'),
  title: `${title} ${n}`,
  notes: 'x'.repeat(2000),
});

async function backupFile(of: (n: number) => Job): Promise<string> {
  const writer = new BackupWriter((bytes) =>
    Promise.resolve(createHash('sha256').update(bytes).digest('hex')),
  );
  for (let n = 0; n < JOBS; n += 1) {
    const value = of(n);
    await writer.add({ store: 'jobs', key: value.id, value });
  }
  const file = join(folder('backup'), 'backup.zip');
  writeFileSync(file, await writer.finish('2026-11-25T09:00:00.000Z', 'soak'));
  return file;
}

async function restore(page: Page, file: string): Promise<void> {
  await page.locator('#backup-file').setInputFiles(file);
  await page.getByRole('button', { name: 'Restore whole instead' }).click();
  await page.getByRole('button', { name: 'Restore whole', exact: true }).click();
}

async function restored(page: Page, title: string): Promise<void> {
  await listed(page);
  await restore(page, await backupFile((n) => job(n, title)));
  await page.getByText(/^Restored: /).waitFor();
  await wait(500);
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

const TITLES = ['Before', 'After'] as const;

async function restoring(isCareless = false): Promise<Kills> {
  const files = await Promise.all(TITLES.map((title) => backupFile((n) => job(n, title))));
  let next = 1;
  return {
    name: 'restore',
    path: '/',
    prepare: (page) => restored(page, TITLES[0]),
    isWhole: async (page) => {
      // Once the list is there, whatever was broken off has been carried on; or it is said that it is not, on a machine so busy.
      await listed(page);
      for (let k = 0; k < 10; k += 1) {
        if ((await page.getByText('A restore was broken off').count()) === 0) break;
        await page.reload();
        await listed(page);
      }
      const kinds = (await storedTitles(page)).map((title) => title.split(' ')[0]);
      next = kinds[0] === TITLES[0] ? 1 : 0;
      return new Set(kinds).size === 1 && kinds.length === JOBS;
    },
    begin: async (page, n) => {
      if (isCareless) {
        const records = Array.from({ length: JOBS }, (_, k) => ({
          ...job(k, TITLES[next]!),
          revision: n + 1,
        }));
        void page
          .evaluate(`(${WRITING_CARELESSLY})(${JSON.stringify(records)})`)
          .catch(() => undefined);
      } else await restore(page, files[next]!);
      await wait(chance() * (isCareless ? 300 : 900));
    },
  };
}

/** Records of format 4 are opened and one of them is changed: each is there afterwards, in one format or the other. */
function migrating(base: string): Kills {
  const old = (
    JSON.parse(readFileSync(join(ROOT, 'tests/data/job-format-4.json'), 'utf8')) as { job: object }
  ).job;
  const records = Array.from({ length: JOBS }, (_, n) => ({ ...old, id: `old-${n}` }));
  const heard = hearing();
  // As an earlier version left them.
  const write = (page: Page) =>
    page.evaluate(`(${WRITING_CARELESSLY})(${JSON.stringify(records)})`);
  return {
    name: 'migrate',
    path: '/',
    prepare: async (page) => {
      await listed(page);
      await write(page);
    },
    isWhole: async (page) => {
      await listed(page, JOBS + DEMO_JOBS);
      await wait(400);
      const aside = await page.locator('section.aside').count();
      await page.goto(`${base}/jobs/old-1/survey`);
      return (await heard.isThere(page)) && aside === 0;
    },
    begin: async (page) => {
      await page.goto(base);
      await write(page);
      await page.goto('about:blank');
      heard.forget();
      await page.goto(`${base}/jobs/old-1/survey`);
      await shownTitle(page);
      heard.on(page);
      void page.evaluate(`window.from = 1; ${CHANGING}`).catch(() => undefined);
      await wait(chance() * 500);
    },
  };
}

/** While everything is backed up: that changes nothing of what is kept. */
const backingUp: Kills = {
  name: 'back-up',
  path: '/',
  prepare: (page) => restored(page, 'Kept'),
  isWhole: async (page) => {
    await listed(page);
    const titles = await storedTitles(page);
    return titles.length === JOBS && titles.every((title) => title.startsWith('Kept'));
  },
  begin: async (page) => {
    const button = page.getByRole('button', { name: 'Back up everything' });
    await button.waitFor();
    void button.click().catch(() => undefined);
    await wait(chance() * 500);
  },
};

/** While a backup is merged: what was here stays, and of what comes in all is there or nothing. */
function merging(): Kills {
  let here = DEMO_JOBS;
  return {
    name: 'merge',
    path: '/',
    prepare: (page) => listed(page, DEMO_JOBS),
    isWhole: async (page) => {
      await listed(page);
      const { length } = await storedTitles(page);
      const isWhole = length === here || length === here + JOBS;
      here = length;
      return isWhole;
    },
    begin: async (page, n) => {
      const file = await backupFile((k) => ({
        ...job(k, `Merged ${n}`),
        id: `merged-${n}-${k}`,
      }));
      await page.locator('#backup-file').setInputFiles(file);
      const merge = page.getByRole('button', { name: /^Merge/ });
      await merge.waitFor();
      void merge.click().catch(() => undefined);
      await wait(chance() * 700);
      rmSync(file);
    },
  };
}

/** Two windows that change the same job by turns: what either showed as saved is there. */
function twoWindows(base: string): Kills {
  const heard = hearing();
  return {
    name: 'two',
    path: A_JOB,
    prepare: (page) => listed(page),
    isWhole: (page) => heard.isThere(page),
    begin: async (page) => {
      const other = await page.context().newPage();
      await other.goto(`${base}${A_JOB}`);
      await shownTitle(other);
      for (const window of [page, other]) heard.on(window);
      void page.evaluate(`window.from = ${heard.last + 1}; ${CHANGING}`).catch(() => undefined);
      await wait(chance() * 300);
      // The second goes on from what the first has left: it takes over what is stored first.
      void other
        .evaluate(
          `window.from = Number(/\\d+$/.exec(document.querySelector('${titleField}').value)?.[0] ?? 0) + 1000; ${CHANGING}`,
        )
        .catch(() => undefined);
      await wait(60 + chance() * 400);
    },
  };
}

const port = await freePort();
const base = `http://127.0.0.1:${port}`;
const server = spawn(process.execPath, ['server/index.mjs'], {
  cwd: ROOT,
  env: { ...process.env, PORT: `${port}`, HOST: '127.0.0.1', TENANT_DEMO: '1' },
  stdio: 'ignore',
});
/** `ONLY=restore` kills at one kind of work alone. */
const wanted = process.env['ONLY'];
let failed = 0;
const few = Math.max(5, Math.round(KILLS / 10));
const parts: readonly (readonly [string, string, () => Kills | Promise<Kills>])[] = [
  ['save', 'while saving, changes shown as saved and lost', saving],
  ['restore', 'while restoring, stores neither before nor after', restoring],
  ['migrate', 'while records of an earlier format are opened, lost', () => migrating(base)],
  ['backup', 'while backing up, stores that changed', () => backingUp],
  ['merge', 'while a backup is merged, stores with a part of it', merging],
  ['two', 'of two windows on one job, changes shown as saved and lost', () => twoWindows(base)],
];
/** These have to lose something, or the others prove nothing. */
const careless: Readonly<Record<string, () => Kills | Promise<Kills>>> = {
  save: () => saving(CARELESS),
  restore: () => restoring(true),
};
try {
  await wait(1500);
  for (const [part, what, kills] of parts) {
    if (wanted !== undefined && wanted !== part) continue;
    const wrong = await killed(base, KILLS, await kills());
    console.log(`${wrong === 0 ? 'ok  ' : 'FAIL'} ${KILLS} kills ${what}: ${wrong}`);
    failed += wrong === 0 ? 0 : 1;
    if (careless[part] === undefined) continue;
    const found = await killed(base, few, await careless[part]());
    console.log(
      `${found > 0 ? 'ok  ' : 'FAIL'} the same ${few} times with careless writes: ${found}`,
    );
    failed += found > 0 ? 0 : 1;
  }
} finally {
  server.kill();
}
process.exit(failed === 0 ? 0 : 1);
