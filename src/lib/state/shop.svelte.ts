/** The bench's list of jobs: what is in it, what was set aside, and how jobs come in, go and come back. */
import * as z from 'zod/mini';
import { Job, emptyJob } from '$core/document';
import type { JobFileReading } from '$core/read';
import { readFile, readRecord } from './olderFormats';
import { bin, type Binned } from './bin.svelte';
import { fetched } from './fetched';
import {
  asRow,
  asSetAside,
  checkedRow,
  isJob,
  readJob,
  readRows,
  saveJob,
  takeOut,
  type JobRow,
  type Listed,
  type SetAside,
} from './jobStore';
import { hadJobs, markJobs } from './keeping.svelte';
import { now } from './now';
import { shelved, toShelf } from './shelf';
import { changing, incomingRecords, jobRecords, restoring, troubleOf } from './stores';
import type { StorageTrouble } from '$words/keeping';
import { roomToWrite } from './room';
import { supplies } from './supplies.svelte';
import { hearWindows, tellWindows } from './windows';
import { shop as texts } from '$words/state';

const SEEDED = 'demo-seeded';
const RESTORE_TRIES = 4;
/** Records that are looked at between two breaths of the screen. */
const CHECKED_AT_ONCE = 10;

class Shop {
  rows = $state.raw<readonly JobRow[]>([]);
  setAside = $state.raw<readonly SetAside[]>([]);
  /** Null until the list has been read. */
  ready = $state(false);
  trouble = $state<StorageTrouble | null>(null);
  /** Jobs that could not be stored: they live as long as the window. */
  private readonly loose = new Map<string, Job>();
  private opening: Promise<void> | null = null;

  /** Reads the list and what the shop draws on; safe to call again. */
  open(): Promise<void> {
    this.opening ??= this.read();
    return this.opening;
  }

  private async read(): Promise<void> {
    // For whoever measures how long the list takes.
    performance.mark('tenant-open');
    hearWindows((message) => {
      if (message.kind === 'listChanged') void this.readList();
      else if (message.kind === 'saved') void this.readRow(message.jobId);
    });
    let listed: Listed | null = null;
    try {
      const [restored, seeded, early] = await Promise.all([
        this.finishRestore(),
        shelved(SEEDED),
        readRows(),
      ]);
      const begun = seeded === null && (await this.seedDemo());
      if (!restored && !begun) listed = early;
    } catch (error) {
      this.trouble = await troubleOf(error);
    }
    const list = this.readList(listed);
    // The list first: what the supplier sells takes longer to look through than the list to show.
    setTimeout(() => void supplies.read());
    await list;
    // A full disk is told from the first moment, and the first save need not wait for the answer.
    await roomToWrite().catch(async (error: unknown) => (this.trouble ??= await troubleOf(error)));
  }

  /** A restore that was broken off is finished; true where there was one. */
  private async finishRestore(): Promise<boolean> {
    if ((await incomingRecords.count()) === 0) return false;
    const { carryOnRestore } = await import('./restore');
    for (let n = 1; ; n += 1) {
      try {
        await carryOnRestore();
        return true;
      } catch (error) {
        console.error(error);
        // A store that is slow to answer goes on with what it was asked; each time less is left.
        if (n < RESTORE_TRIES) continue;
        restoring.isUnfinished = true;
        this.trouble = 'unfinished';
        return true;
      }
    }
  }

  /** The rows as they are kept, at once; then each record is looked at, and what does not read is set aside. */
  async readList(listed: Listed | null = null): Promise<void> {
    try {
      const { rows, unread } = listed ?? (await readRows());
      this.put(rows);
      if (rows.length + unread.length > 0) markJobs();
      // Rows of all jobs are wanted before there is a list to show.
      if (rows.length === 0) await this.check(unread);
      this.ready = true;
      await bin.read();
      await this.check([...unread, ...rows.map(({ id }) => id)]);
    } catch (error) {
      this.trouble ??= await troubleOf(error);
    }
    this.ready = true;
  }

  /** Everything anew, after a backup was taken in. */
  async renew(): Promise<void> {
    this.setAside = [];
    await Promise.all([this.readList(), supplies.read()]);
  }

  private async check(keys: readonly string[]): Promise<void> {
    for (let n = 0; n < keys.length; n += CHECKED_AT_ONCE) {
      const some = keys.slice(n, n + CHECKED_AT_ONCE);
      const byId = new Map(this.rows.map((row) => [row.id, row]));
      const found = await Promise.all(
        some.map(async (key) => ({ key, now: await checkedRow(key, byId.get(key) ?? null) })),
      );
      this.take(found);
      await new Promise((resolve) => setTimeout(resolve));
    }
  }

  private async readRow(id: string): Promise<void> {
    try {
      this.take([{ key: id, now: await checkedRow(id, this.row(id)) }]);
    } catch (error) {
      this.trouble ??= await troubleOf(error);
    }
  }

  /** The row of a job that this window has saved. */
  takeRow = (row: JobRow): void => this.take([{ key: row.id, now: row }]);

  /** What was found under keys of the store takes the place of what was known of them. */
  private take(
    found: readonly { readonly key: string; readonly now: JobRow | SetAside | null }[],
  ): void {
    const isRow = (each: JobRow | SetAside): each is JobRow => !('record' in each);
    const isAside = (key: string) => this.setAside.some((aside) => aside.key === key);
    const changed = found.filter(
      ({ key, now: fresh }) => fresh !== this.row(key) || (fresh === null && isAside(key)),
    );
    if (changed.length === 0) return;
    const keys = new Set(changed.map(({ key }) => key));
    const fresh = changed.flatMap(({ now: each }) => each ?? []);
    this.put([...this.rows.filter(({ id }) => !keys.has(id)), ...fresh.filter(isRow)]);
    this.setAside = [
      ...this.setAside.filter(({ key }) => !keys.has(key)),
      ...fresh.filter((each): each is SetAside => !isRow(each)),
    ];
  }

  private row(id: string): JobRow | null {
    return this.rows.find((row) => row.id === id) ?? null;
  }

  private put(rows: readonly JobRow[]): void {
    const kept = new Set(rows.map(({ id }) => id));
    const loose = [...this.loose.values()].filter(({ id }) => !kept.has(id)).map(asRow);
    this.rows = [...rows, ...loose].toSorted((a, b) => b.changedAt.localeCompare(a.changedAt));
  }

  /** What has lain in the bin long enough goes for good, and so do pictures that nothing knows any more. */
  async tidy(): Promise<void> {
    await this.open();
    if (this.trouble !== null) return;
    await bin.emptyOld();
    const photos = new Set(this.rows.flatMap((row) => row.photos));
    // A record that was set aside may still need its pictures.
    if (this.setAside.length > 0) return;
    const { sweepPictures } = await import('./pictures');
    await sweepPictures(photos, bin.things, now());
  }

  /** A new job, stored at once where the store allows it. */
  async create(job: Job = emptyJob(newId(), now())): Promise<Job> {
    try {
      await saveJob(job, null);
      markJobs();
      tellWindows({ kind: 'listChanged' });
    } catch (error) {
      this.trouble = await troubleOf(error);
      this.loose.set(job.id, job);
    }
    this.put([asRow(job), ...this.rows.filter(({ id }) => id !== job.id)]);
    return job;
  }

  copyOf(job: Job): Promise<Job> {
    const at = now();
    return this.create({
      ...job,
      id: newId(),
      title: `${job.title} (copy)`.slice(0, 200),
      revision: 0,
      createdAt: at,
      changedAt: at,
    });
  }

  async duplicate(id: string): Promise<void> {
    const job = await this.job(id);
    if (job !== null) await this.copyOf(job);
  }

  /** Puts a job, or a record that was set aside, into the bin. Null where that cannot be done. */
  async remove(key: string, name: string): Promise<Binned | null> {
    try {
      const binned = await changing(`job-${key}`, async () => {
        const record = await jobRecords.get(key);
        const kept = await bin.put('job', name, record ?? this.loose.get(key));
        await takeOut(key);
        return kept;
      });
      this.loose.delete(key);
      this.take([{ key, now: null }]);
      this.put(this.rows.filter(({ id }) => id !== key));
      tellWindows({ kind: 'listChanged' });
      return binned;
    } catch (error) {
      this.trouble = await troubleOf(error);
      return null;
    }
  }

  /** Puts back what was deleted. A job whose place is taken comes back as a copy. False where it cannot be read. */
  async putBack(binned: Binned): Promise<boolean> {
    const { kind, record } = binned;
    // What did not read where it lay does not read there now either.
    if (kind === 'setting' || kind === 'unreadable') return false;
    const done =
      kind === 'job' ? await this.putBackJob(record) : await supplies.putBack(kind, record);
    if (done) await bin.takeOut(binned);
    return done;
  }

  private async putBackJob(record: unknown): Promise<boolean> {
    const { job } = await readRecord(record);
    if (job !== null) {
      await (this.isTaken(job.id) ? this.copyOf(job) : this.create(job));
      return true;
    }
    // It was set aside when it was deleted: there it comes back to.
    const key = String((record as { id?: unknown } | null)?.id ?? newId());
    if (this.isTaken(key)) return false;
    await jobRecords.put(key, record);
    this.take([{ key, now: await asSetAside(key, record) }]);
    return true;
  }

  /** Takes a repaired job in the place of the record that was set aside; that one goes into the bin as it was. */
  async takeRepaired(key: string, job: Job): Promise<void> {
    await this.remove(key, texts.asItWas(job.title || key));
    await this.create({ ...job, id: key });
  }

  /** Takes a job file in; one that is here already comes in as a copy beside it. Problems: nothing changed. */
  async importFile(text: string): Promise<JobFileReading> {
    const reading = await readFile(text);
    return reading.job === null
      ? reading
      : { ...reading, job: await this.importJob(reading.job, reading.pictures) };
  }

  async importJob(job: Job, pictures: JobFileReading['pictures'] = {}): Promise<Job> {
    let taken = job;
    // Whoever opens a job seldom brings one in.
    const { takePictures } = await import('./pictures');
    try {
      taken = await takePictures(job, pictures);
    } catch (error) {
      this.trouble = await troubleOf(error);
    }
    return this.isTaken(job.id) ? this.copyOf(taken) : this.create(taken);
  }

  private isTaken(id: string): boolean {
    return this.row(id) !== null || this.setAside.some(({ key }) => key === id);
  }

  /** A job of the list, also one that could not be stored; null where it is none any more. */
  async job(id: string): Promise<Job | null> {
    const stored = await readJob(id).catch(() => null);
    return stored !== null && isJob(stored) ? stored : this.find(id);
  }

  /** A job that could not be stored. */
  find(id: string): Job | null {
    return this.loose.get(id) ?? null;
  }

  /** The invented jobs, on the word of somebody who wants to see how it goes. False where they could not be had. */
  async walkDemo(): Promise<boolean> {
    const jobs = await fetched('/api/demo?walk', z.array(Job));
    if (jobs === null) return false;
    await Promise.all(jobs.map((job) => saveJob(job, null)));
    await this.readList();
    return true;
  }

  /** Jobs come from the server only into a browser that never had any: a lost store is not filled with others. */
  private async seedDemo(): Promise<boolean> {
    if (hadJobs()) {
      if ((await jobRecords.count()) === 0) this.trouble = 'cleared';
      return false;
    }
    const jobs = await fetched('/api/demo', z.array(Job));
    if (jobs === null || jobs.length === 0) return false;
    await Promise.all(jobs.map((job) => saveJob(job, null)));
    await toShelf(SEEDED, true);
    return true;
  }
}

export const shop = new Shop();

const newId = (): string => crypto.randomUUID();
