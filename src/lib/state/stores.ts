/**
 * This browser's own store, where everything is kept and nowhere else: what is in it, how it is waited for, and what
 * its failures mean.
 */
import { openDB, type IDBPDatabase } from 'idb';
import localforage from 'localforage';
import type { ListPlaces } from '$core';

const instance = (name: string, storeName: string) =>
  localforage.createInstance({ name, storeName, driver: localforage.INDEXEDDB });

/** Jobs by their id, and what the shop has of its own. */
export const jobRecords = instance('tenant', 'jobs');
export const shelfRecords = instance('tenant', 'shelf');
/** Photographs, by the id their job knows them by. */
export const pictureRecords = instance('tenant', 'pictures');
/** Databases of their own: a window of an earlier version has `tenant` open and keeps working. */
export const rowRecords = instance('tenant-rows', 'rows');
export const binRecords = instance('tenant-bin', 'bin');
export const undoRecords = instance('tenant-undo', 'undo');
export const incomingRecords = instance('tenant-incoming', 'parts');

if (typeof IDBDatabase === 'function') {
  // “Saved” is said once it is on the disk, not once the browser means to write it: on a full disk that never comes.
  const begin = IDBDatabase.prototype.transaction;
  IDBDatabase.prototype.transaction = function (stores, mode, options) {
    return begin.call(this, stores, mode, { durability: 'strict', ...options });
  };
}

/**
 * full: nothing more can be written; blocked: the browser keeps nothing; silent: it does not answer; cleared: what was
 * kept is gone.
 */
export type StorageTrouble = 'full' | 'blocked' | 'silent' | 'cleared';

class StoreSilent extends Error {}

/** A store that has not answered by then is said to be silent; work goes on in the window. */
const PATIENCE_MS = 8_000;

/** @throws StoreSilent where the answer does not come in time */
export function inTime<Answer>(answer: Promise<Answer>): Promise<Answer> {
  let timer: ReturnType<typeof setTimeout>;
  const silent = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new StoreSilent('The store does not answer')), PATIENCE_MS);
  });
  return Promise.race([answer, silent]).finally(() => clearTimeout(timer));
}

/** What a failure to read or write means. A store that still reads but does not write is full, or its disk is. */
export async function troubleOf(error: unknown): Promise<StorageTrouble> {
  if (error instanceof StoreSilent) return 'silent';
  if (error instanceof DOMException && error.name === 'QuotaExceededError') return 'full';
  try {
    await inTime(jobRecords.length());
    return 'full';
  } catch (probe) {
    return probe instanceof StoreSilent ? 'silent' : 'blocked';
  }
}

/** All keys of a store, or all that is in it, in one reading: localForage goes from one to the next. */
export const allKeys = async (of: LocalForage): Promise<readonly string[]> =>
  (await inTime(once(of, (database, store) => database.getAllKeys(store)))).map(String);
export const allRecords = <Value>(of: LocalForage): Promise<readonly Value[]> =>
  inTime(once(of, (database, store) => database.getAll(store) as Promise<Value[]>));

async function once<Answer>(
  of: LocalForage,
  read: (database: IDBPDatabase, store: string) => Promise<Answer>,
): Promise<Answer> {
  // It is localForage that makes the store where there is none.
  await of.ready();
  const { name = '', storeName = '' } = of.config();
  const database = await openDB(name);
  try {
    return await read(database, storeName);
  } finally {
    database.close();
  }
}

/** Things of the shop by their name. */
export const shelved = <Value>(key: string): Promise<Value | null> =>
  inTime(shelfRecords.getItem<Value>(key));
export const toShelf = (key: string, value: unknown): Promise<unknown> =>
  inTime(shelfRecords.setItem(key, value));

/** Where the shop's own lists are kept. */
export const KEPT_LISTS: ListPlaces = {
  cards: 'own-cards',
  extras: 'own-extras',
  templates: 'own-templates',
};

/** One change of the store at a time under a name; a restore takes all names at once. */
const WHOLE_STORE = 'tenant-store';

export const changing = <Result>(name: string, work: () => Promise<Result>): Promise<Result> =>
  navigator.locks.request(WHOLE_STORE, { mode: 'shared' }, () =>
    navigator.locks.request(`tenant-${name}`, work),
  );

export const changingAll = <Result>(work: () => Promise<Result>): Promise<Result> =>
  navigator.locks.request(WHOLE_STORE, work);
