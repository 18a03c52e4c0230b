/** Backups are made, read and taken in here: ended at any moment, the store is whole before or after. */
import { expose } from 'comlink';
import {
  BackupWriter,
  differences,
  displaced,
  isTakable,
  merged,
  readBackup,
  replaced,
  type BackupDifference,
  type BackupManifest,
  type StoredItem,
  type Taking,
} from '$core/backup';
import type { Problem } from '$core/read';
import { keptItems, takeIn } from '../state/restore';
import { fromBackup } from '$words/backups';
import { KEPT_LISTS } from '../state/stores';
import { sha256 } from './sha256';

/** What a backup would change, thing by thing. */
export interface Inspection {
  readonly manifest: BackupManifest;
  readonly differences: readonly BackupDifference[];
  /** What a whole restore would put into the bin. */
  readonly displaced: ReturnType<typeof displaced>;
  /** Things under keys that no backup makes, or that do not read: they stay out. */
  readonly leftOut: readonly string[];
}

/** What a backup would change, or why it cannot be read. */
export interface Inspected {
  readonly look: Inspection | null;
  readonly problems: readonly Problem[];
}

type OnProgress = (done: number, of: number) => void;

/** A backup, and the keys of what could not go into it. */
export interface Made {
  readonly file: Blob;
  readonly leftOut: readonly string[];
}

const PIECE_BYTES = 4 * 1024 ** 2;

let there: readonly StoredItem[] = [];

const freshId = () => crypto.randomUUID();
const now = () => new Date().toISOString();

async function everything(): Promise<readonly StoredItem[]> {
  const items: StoredItem[] = [];
  for await (const item of keptItems()) items.push(item);
  return items;
}

const work = {
  make: async (version: string, onProgress: OnProgress): Promise<Made> => {
    // A file in pieces, which the browser may lay down: memory holds none of it whole.
    const pieces: Blob[] = [];
    let chunks: Uint8Array[] = [];
    let bytes = 0;
    const layDown = () => {
      pieces.push(new Blob(chunks as BlobPart[]));
      [chunks, bytes] = [[], 0];
    };
    const leftOut: string[] = [];
    const writer = new BackupWriter(sha256, (chunk) => {
      chunks.push(chunk);
      bytes += chunk.length;
      if (bytes > PIECE_BYTES) layDown();
    });
    for await (const item of keptItems(onProgress))
      if (!(await writer.add(item))) leftOut.push(`${item.store}: ${item.key.slice(0, 100)}`);
    await writer.finish(now(), version);
    layDown();
    return { file: new Blob(pieces, { type: 'application/zip' }), leftOut };
  },

  look: async (file: Blob): Promise<Inspected> => {
    const { backup, problems } = await readBackup(new Uint8Array(await file.arrayBuffer()), sha256);
    if (backup === null) return { look: null, problems };
    there = backup.items.filter(isTakable);
    const here = await everything();
    return {
      look: {
        manifest: backup.manifest,
        differences: differences(here, there, KEPT_LISTS),
        displaced: displaced(here, there, KEPT_LISTS),
        leftOut: backup.items.filter((item) => !isTakable(item)).map(({ key }) => key),
      },
      problems: [],
    };
  },

  /** @returns ids of the jobs that are another now */
  takeIn: async (
    takings: ReadonlyMap<string, Taking> | 'whole',
    onProgress: OnProgress,
  ): Promise<readonly string[]> => {
    const here = await everything();
    const change =
      takings === 'whole'
        ? replaced(here, there, KEPT_LISTS, freshId, now())
        : merged(here, there, KEPT_LISTS, takings, freshId, fromBackup);
    // Laid down, and carried over.
    const of = 2 * (change.write.length + change.remove.length);
    await takeIn(change, (done) => onProgress(done, of));
    return [...change.write, ...change.remove].flatMap(({ store, key }) =>
      store === 'jobs' ? [key] : [],
    );
  },
};
export type BackupWork = typeof work;

expose(work);
