/**
 * This browser's own store, where everything is kept and nowhere else: what is in it, how it is waited for, and what
 * its failures mean.
 */
import type { StorageTrouble } from '$words/keeping';
import { openDB, type IDBPDatabase } from 'idb';
import localforage from 'localforage';
import type { ListPlaces } from '$core/backup';
import { doubtStore, mayOpen, roomToWrite } from './room';

/** A part of the store. Every answer comes in time or is said to be silent; nothing is written without room for it. */
export class Records {
  private static readonly parts: Records[] = [];
  private readonly kept: LocalForage;

  constructor(
    private readonly database: string,
    private readonly name: string,
  ) {
    this.kept = localforage.createInstance({
      name: database,
      storeName: name,
      driver: localforage.INDEXEDDB,
    });
    Records.parts.push(this);
  }

  /**
   * Every part of this database is open before one is used: localForage, when it has lost its connection, trips over
   * a part that is only just being opened.
   */
  private async ready(): Promise<LocalForage> {
    await mayOpen();
    const beside = Records.parts.filter(({ database }) => database === this.database);
    await Promise.all(beside.map(({ kept }) => kept.ready()));
    return this.kept;
  }

  /** As it is kept: whoever takes it for something reads it by a schema first. Null where nothing is. */
  get(key: string): Promise<unknown> {
    return answered(this.ready().then((kept) => kept.getItem<unknown>(key)));
  }
  keys(): Promise<readonly string[]> {
    return answered(this.atOnce(async (open) => (await open.getAllKeys(this.name)).map(String)));
  }
  /** So many from behind a key on, by their keys in the order of the store. */
  entries(
    after: string | null = null,
    most?: number,
  ): Promise<readonly (readonly [key: string, value: unknown])[]> {
    return answered(
      this.atOnce(async (open) => {
        const range = after === null ? null : IDBKeyRange.lowerBound(after, true);
        const reading = open.transaction(this.name);
        const [keys, values] = await Promise.all([
          reading.store.getAllKeys(range, most),
          reading.store.getAll(range, most) as Promise<unknown[]>,
        ]);
        return keys.map((key, n) => [String(key), values[n]] as const);
      }),
    );
  }
  count(): Promise<number> {
    return answered(this.ready().then((kept) => kept.length()));
  }

  put(key: string, value: unknown): Promise<void> {
    return this.write((kept) => kept.setItem(key, value));
  }
  remove(key: string): Promise<void> {
    return this.write((kept) => kept.removeItem(key));
  }
  clear(): Promise<void> {
    return this.write((kept) => kept.clear());
  }
  /** Several in one writing: all of them are kept, or none is. */
  putAll(all: readonly (readonly [key: string, value: unknown])[]): Promise<void> {
    return this.write(() =>
      this.atOnce(async (open) => {
        const writing = open.transaction(this.name, 'readwrite', { durability: 'strict' });
        for (const [key, value] of all) void writing.store.put(value, key);
        await writing.done;
      }),
    );
  }

  /** The same of what is taken out. */
  removeAll(keys: readonly string[]): Promise<void> {
    return this.write(() =>
      this.atOnce(async (open) => {
        const writing = open.transaction(this.name, 'readwrite', { durability: 'strict' });
        for (const key of keys) void writing.store.delete(key);
        await writing.done;
      }),
    );
  }

  private async write(work: (kept: LocalForage) => Promise<unknown>): Promise<void> {
    await answered(roomToWrite());
    try {
      await answered(this.ready().then(work));
    } catch (error) {
      // What was to be written may be what is wrong: then nothing is said of the store.
      if (isOfStore(error)) doubtStore();
      throw error;
    }
  }

  /** In one go: localForage goes from one to the next. */
  private async atOnce<Answer>(read: (open: IDBPDatabase) => Promise<Answer>): Promise<Answer> {
    // It is localForage that makes the store where there is none.
    await this.ready();
    const open = await openDB(this.database);
    try {
      return await read(open);
    } finally {
      open.close();
    }
  }
}

/** Jobs by their id, and what the shop has of its own. */
export const jobRecords = new Records('tenant', 'jobs');
export const shelfRecords = new Records('tenant', 'shelf');
/** Photographs, by the id their job knows them by. */
export const pictureRecords = new Records('tenant', 'pictures');
/** Databases of their own: a window of an earlier version has `tenant` open and keeps working. */
export const rowRecords = new Records('tenant-rows', 'rows');
export const binRecords = new Records('tenant-bin', 'bin');
export const undoRecords = new Records('tenant-undo', 'undo');
export const incomingRecords = new Records('tenant-incoming', 'parts');

if (typeof IDBDatabase === 'function') {
  // “Saved” is said once it is on the disk, not once the browser means to write it: on a full disk that never comes.
  const begin = IDBDatabase.prototype.transaction;
  IDBDatabase.prototype.transaction = function (stores, mode, options) {
    // Closed by the browser, and not by whoever opened it.
    this.onclose ??= doubtStore;
    return begin.call(this, stores, mode, { durability: 'strict', ...options });
  };
}

class StoreSilent extends Error {}

/** A store that has not answered by then is said to be silent; work goes on in the window. */
const PATIENCE_MS = 8_000;

/** True once the store has answered anything: it is not blocked, whatever fails later. */
let hasAnswered = false;

/** @throws StoreSilent where the answer does not come in time */
async function answered<Answer>(answer: Promise<Answer>): Promise<Answer> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const silent = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new StoreSilent('The store does not answer')), PATIENCE_MS);
  });
  try {
    const given = await Promise.race([answer, silent]);
    hasAnswered = true;
    return given;
  } finally {
    clearTimeout(timer);
  }
}

/** Whether it is the store that failed, or the disk; else it is whoever asked. */
const isOfStore = (error: unknown): boolean =>
  error instanceof StoreSilent ||
  (error instanceof DOMException && error.name !== 'DataCloneError' && error.name !== 'DataError');

/** What a failure to read or write means. A store that has answered and then fails is full, or its disk is. */
export async function troubleOf(error: unknown): Promise<StorageTrouble> {
  if (error instanceof StoreSilent) return 'silent';
  if (error instanceof RestoreUnfinished) return 'unfinished';
  // Where there is no store at all a browser has no word for it, or one of its own.
  if (hasAnswered && !isOfStore(error)) {
    console.error(error);
    return 'damaged';
  }
  if (hasAnswered || (error instanceof DOMException && error.name === 'QuotaExceededError'))
    return 'full';
  try {
    await jobRecords.count();
    return 'full';
  } catch (probe) {
    return probe instanceof StoreSilent ? 'silent' : 'blocked';
  }
}

/** Where the shop's own lists are kept. */
export const KEPT_LISTS = {
  cards: 'own-cards',
  extras: 'own-extras',
  templates: 'own-templates',
} as const satisfies ListPlaces;

/** One change of the store at a time under a name; a restore takes all names at once. */
const WHOLE_STORE = 'tenant-store';

export const changing = async <Result>(
  name: string,
  work: () => Promise<Result>,
): Promise<Result> => {
  if (restoring.isUnfinished) throw new RestoreUnfinished('A restore is to be finished first');
  return navigator.locks.request(WHOLE_STORE, { mode: 'shared' }, () =>
    navigator.locks.request(`tenant-${name}`, () => work()),
  );
};

/** Of a restore that was broken off and could not be carried on: what is changed meanwhile would be written over by its end. */
export const restoring = { isUnfinished: false };
class RestoreUnfinished extends Error {}

export const changingAll = <Result>(work: () => Promise<Result>): Promise<Result> =>
  // The lock itself is handed to whoever is called, and is nobody's argument.
  navigator.locks.request(WHOLE_STORE, () => work());
