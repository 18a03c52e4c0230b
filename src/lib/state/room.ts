/**
 * Whether the disk takes what is to be written. A browser that keeps its store as a journal ends it with half an entry
 * where the disk is full. Whatever is written behind that makes the journal unreadable, and at its next start the
 * browser throws the whole store away; or it throws it away at once, to make room. So nothing is written before there
 * is known to be room. That is tried in another store, of plain files: even a trial that is refused leaves some bytes
 * in the journal, and those break it as well. And before the first write of a browser's run, and after a write that
 * failed all the same, so much is written into the store that it begins a new journal. A browser that opens a broken
 * store while the disk is full cannot open it again before it is restarted: so until there is known to be room again
 * nothing is read either.
 */
import { openDB } from 'idb';

/** What a change of a job takes of the journal, several times over; and more than beginning a new one does. */
const ROOM_BYTES = 2 ** 19;
const MUCH_ROOM_BYTES = 16 * 2 ** 20;
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
const FILES = 'room';
const TRIAL = '/trial';
/** A lock that every window holds that knows the store to be sound, until one of them takes it away. */
const SOUND = 'tenant-sound';

let isSound = false;
/** A write has failed since the store was last made sure of. */
let isDoubted = false;
/** Every window has been told that it is doubted. */
let told: Promise<void> = Promise.resolve();
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

/** Resolves once the store may be opened. @throws QuotaExceededError after a write that failed, while there is no room */
export const mayOpen = (): Promise<void> => (isDoubted ? roomToWrite() : Promise.resolve());

async function findRoom(): Promise<void> {
  const wait = tryAgainAt - performance.now();
  if (wait > 0) await new Promise((resolve) => setTimeout(resolve, wait));
  try {
    if (!isSound) await makeSure();
    else await tryRoom(ROOM_BYTES);
  } catch (error) {
    tryAgainAt = performance.now() + NONE_MS;
    throw error;
  }
}

/** A write has failed, or the browser has closed the store: no window writes before one has made sure again. */
export function doubtStore(): void {
  isSound = false;
  isDoubted = true;
  room = null;
  told = navigator.locks.request(SOUND, { steal: true }, () => Promise.resolve());
}

async function makeSure(): Promise<void> {
  await navigator.locks.request(PLACE, async () => {
    await told;
    const { held = [] } = await navigator.locks.query();
    if (held.some(({ name }) => name === SOUND)) return;
    await tryRoom(MUCH_ROOM_BYTES);
    await beginJournal();
  });
  isSound = true;
  isDoubted = false;
  const whileOpen = () => new Promise<void>(() => undefined);
  navigator.locks.request(SOUND, { mode: 'shared' }, whileOpen).catch(() => {
    isSound = false;
    isDoubted = true;
  });
}

/** Made once: it is tried before every change. */
let trial: Uint8Array<ArrayBuffer> | null = null;

/** What is tried is taken back, so that there is room for it. */
async function tryRoom(bytes: number): Promise<void> {
  // Where a browser has no other store, or none for a private window, a write that fails is what tells that there is no room.
  const files = 'caches' in globalThis ? await caches.open(FILES).catch(() => null) : null;
  if (files === null) return;
  try {
    if (trial?.length !== bytes) trial = noise(bytes);
    await files.put(TRIAL, new Response(trial));
    await files.delete(TRIAL);
  } catch {
    throw new DOMException('There is no room on the disk', 'QuotaExceededError');
  }
}

async function beginJournal(): Promise<void> {
  const open = await openDB(PLACE, 1, {
    upgrade: (made) => void made.createObjectStore(BALLAST),
  });
  const piece = new Uint8Array(PIECE_BYTES);
  try {
    const writing = open.transaction(BALLAST, 'readwrite', { durability: 'strict' });
    for (let n = 0; n * PIECE_BYTES < BALLAST_BYTES; n += 1) void writing.store.put(piece, n);
    await writing.done;
    await open.clear(BALLAST);
    // A new journal is begun with what would not go into the last one: it is not left just short of that.
    for (let n = 0; n < PIECES_AFTER; n += 1) await open.put(BALLAST, piece, n);
    await open.clear(BALLAST);
  } finally {
    open.close();
  }
}

/** Bytes that nothing makes smaller on their way to the disk. */
function noise(bytes: number): Uint8Array<ArrayBuffer> {
  const some = crypto.getRandomValues(new Uint8Array(MOST_NOISE_AT_ONCE));
  const all = new Uint8Array(bytes);
  for (let at = 0; at < bytes; at += some.length)
    all.set(some.subarray(0, Math.min(some.length, bytes - at)), at);
  return all;
}
