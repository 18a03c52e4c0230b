/** How safely the work lies: room in the browser, whether it may be evicted, when it was last backed up. */
import type { JobRow } from './jobStore';
import { now } from './now';
import type { Shelved } from '$core/backup';
import { shelved, toShelf } from './shelf';

const KEY = 'last-backup';
/** Set beside the store, so that a store that was lost is not taken for a new one. */
const HAD_JOBS = 'tenant-had-jobs';

/** More changes since the last backup than one would want to make again. Common practice, no source. */
const MANY_CHANGES = 150;
/** Some work, and so many days. Common practice, no source. */
const MANY_DAYS = 7;
const SOME_CHANGES = 10;
const DAY_MS = 24 * 60 * 60_000;

class Keeping {
  /** Bytes; null where the browser does not say. */
  used = $state<number | null>(null);
  room = $state<number | null>(null);
  /** Whether the browser promised not to evict it; null where it does not say. */
  isPersistent = $state<boolean | null>(null);
  last = $state.raw<Shelved<'last-backup'> | null>(null);
  private asked = false;

  async read(): Promise<void> {
    this.last = await shelved(KEY).catch(() => null);
    await this.look();
  }

  /** Asks, with the first save, that what is kept is never evicted. */
  async askForRoom(): Promise<void> {
    if (this.asked) return;
    this.asked = true;
    markJobs();
    if (typeof navigator.storage?.persist === 'function')
      await navigator.storage.persist().catch(() => false);
    await this.look();
  }

  private async look(): Promise<void> {
    try {
      const { usage, quota } = await navigator.storage.estimate();
      this.used = usage ?? null;
      this.room = quota ?? null;
      this.isPersistent = await navigator.storage.persisted();
    } catch {
      // The browser does not say.
    }
  }

  async backedUp(rows: readonly JobRow[]): Promise<void> {
    const revisions = Object.fromEntries(rows.map(({ id, revision }) => [id, revision]));
    this.last = { at: now(), revisions };
    await toShelf(KEY, this.last).catch(() => undefined);
    await this.look();
  }

  /** Changes of all jobs that no backup holds. A job that came in whole counts once. */
  changesSince(rows: readonly JobRow[]): number {
    const before = this.last?.revisions ?? {};
    return rows.reduce(
      (sum, { id, revision }) =>
        sum + (before[id] === undefined ? 1 : Math.max(0, revision - before[id])),
      0,
    );
  }

  /** More work has gathered than one would want to do again. */
  wantsBackup(rows: readonly JobRow[]): boolean {
    const changes = this.changesSince(rows);
    // Without a backup it is reckoned from the first job that was kept here.
    const since = Date.parse(this.last?.at ?? firstKept() ?? now());
    const days = (Date.parse(now()) - since) / DAY_MS;
    return changes >= MANY_CHANGES || (changes >= SOME_CHANGES && days >= MANY_DAYS);
  }
}

/** When the first job was kept in this browser, by a mark that does not lie in the jobs' store; null: never. */
function firstKept(): string | null {
  try {
    return localStorage.getItem(HAD_JOBS);
  } catch {
    return null;
  }
}

export const hadJobs = (): boolean => firstKept() !== null;

export function markJobs(): void {
  try {
    if (!hadJobs()) localStorage.setItem(HAD_JOBS, now());
  } catch {
    // Without it a lost store cannot be told from a new one.
  }
}

export const keeping = new Keeping();
