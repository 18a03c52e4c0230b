/**
 * Whether the disk takes what is to be written. A browser that keeps its store as a journal ends it with half an entry
 * where the disk is full. Whatever is written behind that makes the journal unreadable, and at its next start the
 * browser throws the whole store away; or it throws it away at once, to make room. So nothing is written before there
 * is known to be room: what is large is kept in a file beside the journal, and where that does not fit nothing else
 * has happened. And before the first write of a browser's run, and after a write that failed all the same, so much is
 * written into the store that it begins a new journal.
 */
import { openDB, type IDBPDatabase } from 'idb';

/** What a change of a job takes of the journal, several times over; and more than beginning a new one does. */
const ROOM_BYTES = 2 ** 19;
const MUCH_ROOM_BYTES = 16 * 2 ** 20;
/** Kept for the little that is written while there is no room. */
const RESERVE_BYTES = 2 ** 20;
/** As the specification has it (Web Cryptography, 10.1.1). */
const MOST_NOISE_AT_ONCE = 2 ** 16;
/** So long there is taken to be room still; and so long it is not tried again where there was none: trying writes, too. */
const TRUSTED_MS = 250;
const NONE_MS = 3000;
/** A journal is begun anew after 4 MiB. What is larger than 64 KiB is kept beside it. Measured, no source. */
const BALLAST_BYTES = 6 * 2 ** 20;
const PIECE_BYTES = 48 * 2 ** 10;
const PIECES_AFTER = 4;

const PLACE = 'tenant-room';
const BALLAST = 'ballast';
const RESERVE = 'reserve';
const TRIAL = 'trial';
/** A lock that every window holds that knows the store to be sound, until one of them takes it away. */
const SOUND = 'tenant-sound';

let isSound = false;
let room: Promise<void> | null = null;
/** By the page's clock, in ms. */
let tryAgainAt = 0;

/** Resolves once something may be written. @throws QuotaExceededError where there is no room for it */
export function roomToWrite(): Promise<void> {
  if (room === null) {
    const found = findRoom();
    room = found;
    const forget = () => room === found && (room = null);
    found.then(() => setTimeout(forget, TRUSTED_MS), forget);
  }
  return room;
}

async function findRoom(): Promise<void> {
  const wait = tryAgainAt - performance.now();
  if (wait > 0) await new Promise((resolve) => setTimeout(resolve, wait));
  try {
    if (!isSound) await makeSure();
    else await tryRoom(await store(), ROOM_BYTES);
  } catch (error) {
    tryAgainAt = performance.now() + NONE_MS;
    throw error;
  }
}

/** A write has failed, or the browser has closed the store: no window writes before one has made sure again. */
export function doubtStore(): void {
  isSound = false;
  room = null;
  opened = null;
  void navigator.locks.request(SOUND, { steal: true }, () => Promise.resolve());
}

async function makeSure(): Promise<void> {
  await navigator.locks.request(PLACE, async () => {
    const { held = [] } = await navigator.locks.query();
    if (held.some(({ name }) => name === SOUND)) return;
    const open = await store();
    await tryRoom(open, MUCH_ROOM_BYTES);
    await beginJournal(open);
  });
  isSound = true;
  const whileOpen = () => new Promise<void>(() => undefined);
  navigator.locks.request(SOUND, { mode: 'shared' }, whileOpen).catch(() => (isSound = false));
}

let opened: Promise<IDBPDatabase> | null = null;

/** Opened once: it is asked before every change. */
function store(): Promise<IDBPDatabase> {
  opened ??= openDB(PLACE, 1, {
    upgrade: (made) => void made.createObjectStore(BALLAST),
    terminated: () => (opened = null),
  });
  opened.catch(() => (opened = null));
  return opened;
}

/** Made once: it is tried before every change. */
let trial: Uint8Array<ArrayBuffer> | null = null;

/** What is tried is taken back, so that there is room for it; where there is none, the reserve is given up. */
async function tryRoom(open: IDBPDatabase, bytes: number): Promise<void> {
  // That it fits is all that is asked: it need not reach the disk.
  const trying = () => open.transaction(BALLAST, 'readwrite', { durability: 'relaxed' }).store;
  try {
    if (trial?.length !== bytes) trial = noise(bytes);
    await trying().put(trial, TRIAL);
    await trying().delete(TRIAL);
  } catch {
    await open.delete(BALLAST, RESERVE);
    throw new DOMException('There is no room on the disk', 'QuotaExceededError');
  }
}

async function beginJournal(open: IDBPDatabase): Promise<void> {
  const piece = new Uint8Array(PIECE_BYTES);
  const writing = open.transaction(BALLAST, 'readwrite', { durability: 'strict' });
  for (let n = 0; n * PIECE_BYTES < BALLAST_BYTES; n += 1) void writing.store.put(piece, n);
  await writing.done;
  await open.clear(BALLAST);
  // A new journal is begun with what would not go into the last one: it is not left just short of that.
  for (let n = 0; n < PIECES_AFTER; n += 1) await open.put(BALLAST, piece, n);
  await open.clear(BALLAST);
  await open.put(BALLAST, noise(RESERVE_BYTES), RESERVE);
}

/** Bytes that nothing makes smaller on their way to the disk. */
function noise(bytes: number): Uint8Array<ArrayBuffer> {
  const some = crypto.getRandomValues(new Uint8Array(MOST_NOISE_AT_ONCE));
  const all = new Uint8Array(bytes);
  for (let at = 0; at < bytes; at += some.length)
    all.set(some.subarray(0, Math.min(some.length, bytes - at)), at);
  return all;
}
