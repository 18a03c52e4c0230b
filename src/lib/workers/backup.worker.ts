/** Backups are made, read and taken in here: ended at any moment, the store is whole before or after. */
import { expose } from 'comlink';
import {
  BackupWriter,
  differences,
  displaced,
  merged,
  readBackup,
  replaced,
  type BackupDifference,
  type BackupManifest,
  type Problem,
  type StoredItem,
  type Taking,
} from '$core';
import { everything, takeIn } from '../state/restore';
import { KEPT_LISTS } from '../state/stores';
import { sha256 } from './sha256';

/** What a backup would change, thing by thing. */
export interface Look {
  readonly manifest: BackupManifest;
  readonly differences: readonly BackupDifference[];
  /** What a whole restore would put into the bin. */
  readonly displaced: ReturnType<typeof displaced>;
}

/** What a backup would change, or why it cannot be read. */
export interface Looked {
  readonly look: Look | null;
  readonly problems: readonly Problem[];
}

type OnProgress = (done: number, of: number) => void;

/** So often a progress is told. */
const TELL_EVERY = 10;

let there: readonly StoredItem[] = [];

const freshId = () => crypto.randomUUID();
const now = () => new Date().toISOString();

const work = {
  make: async (version: string, onProgress: OnProgress): Promise<Blob> => {
    const items = await everything();
    const writer = new BackupWriter(sha256);
    for (const [n, item] of items.entries()) {
      await writer.add(item);
      if (n % TELL_EVERY === 0) onProgress(n, items.length);
    }
    return new Blob([(await writer.finish(now(), version)) as BlobPart], {
      type: 'application/zip',
    });
  },

  look: async (file: Blob): Promise<Looked> => {
    const { backup, problems } = await readBackup(new Uint8Array(await file.arrayBuffer()), sha256);
    if (backup === null) return { look: null, problems };
    there = backup.items;
    const here = await everything();
    return {
      look: {
        manifest: backup.manifest,
        differences: differences(here, there, KEPT_LISTS),
        displaced: displaced(here, there, KEPT_LISTS),
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
        : merged(here, there, KEPT_LISTS, takings, freshId);
    const of = change.write.length + change.remove.length;
    await takeIn(change, (done) => {
      if (done % TELL_EVERY === 0) onProgress(done, of);
    });
    return [...change.write, ...change.remove].flatMap(({ store, key }) =>
      store === 'jobs' ? [key] : [],
    );
  },
};
export type BackupWork = typeof work;

expose(work);
