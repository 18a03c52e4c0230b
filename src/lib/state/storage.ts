/**
 * Where jobs are kept: this browser's own store, and nowhere else. Saving checks the revision and writes
 * under one lock, so that two windows never overwrite each other unseen.
 */
import localforage from 'localforage';
import { readStoredJob, type Job, type Problem } from '$core';

const jobs = localforage.createInstance({
  name: 'tenant',
  storeName: 'jobs',
  driver: localforage.INDEXEDDB,
});
const shelf = localforage.createInstance({
  name: 'tenant',
  storeName: 'shelf',
  driver: localforage.INDEXEDDB,
});

/** Photographs, by the id their job knows them by. */
export const pictureShelf = localforage.createInstance({
  name: 'tenant',
  storeName: 'pictures',
  driver: localforage.INDEXEDDB,
});

/** A stored record that no longer validates: kept where it is, and offered for export. */
export interface SetAside {
  readonly key: string;
  readonly record: unknown;
  readonly problems: readonly Problem[];
}

export interface Stored {
  readonly jobs: readonly Job[];
  readonly setAside: readonly SetAside[];
}

/** The stored job is not the one this change was made on: another window saved in between. */
export class ChangedElsewhere extends Error {
  constructor(readonly stored: Job | null) {
    super('The stored job has changed');
  }
}

export type StorageTrouble = 'full' | 'blocked';

export function troubleOf(error: unknown): StorageTrouble {
  const name = error instanceof DOMException ? error.name : '';
  return name === 'QuotaExceededError' ? 'full' : 'blocked';
}

export async function readAll(): Promise<Stored> {
  const found: Job[] = [];
  const setAside: SetAside[] = [];
  for (const key of await jobs.keys()) {
    const record = await jobs.getItem<unknown>(key);
    const { job, problems } = readStoredJob(record);
    if (job !== null && job.id === key) found.push(job);
    else setAside.push({ key, record, problems });
  }
  return { jobs: found, setAside };
}

export async function readJob(id: string): Promise<Job | SetAside | null> {
  const record = await jobs.getItem<unknown>(id);
  if (record === null) return null;
  const { job, problems } = readStoredJob(record);
  return job ?? { key: id, record, problems };
}

/**
 * Saves a job over the revision it was made from; null for a job that is not stored yet.
 * @throws ChangedElsewhere, or what the browser's store throws
 */
export async function saveJob(job: Job, madeFrom: number | null): Promise<void> {
  await locked(job.id, async () => {
    const stored = await jobs.getItem<Job>(job.id);
    if ((stored?.revision ?? null) !== madeFrom) throw new ChangedElsewhere(stored);
    await jobs.setItem(job.id, job);
  });
}

export async function removeJob(id: string): Promise<void> {
  await locked(id, () => jobs.removeItem(id));
}

/** Things of the shop that may be fetched anew: catalogue, driver library, templates. */
export const shelved = <Value>(key: string): Promise<Value | null> => shelf.getItem<Value>(key);
export const toShelf = (key: string, value: unknown): Promise<unknown> => shelf.setItem(key, value);

const locked = (id: string, work: () => Promise<void>): Promise<void> =>
  navigator.locks.request(`tenant-job-${id}`, work);
