/**
 * What a browser keeps on its shelf beside jobs, photographs and the bin: each thing by its key, how it reads, and whether a
 * backup takes it along. What stands under any other key, or does not read, is nothing of ours.
 */
import * as z from 'zod/mini';
import { LONGEST_KEY, instant } from '../parts/limits.ts';
import type { StoredItem } from './backupFile.ts';

/** The open lists of device names have one and a half megabytes. */
const LONGEST_LIST = 32 * 1024 * 1024;
const nameList = z.string().check(z.maxLength(LONGEST_LIST));
/** Read by a reader of its own, item by item. */
const readElsewhere = z.unknown();
/** What the supplier sells, as it was fetched last. */
const fetchedAnew = z.unknown();

const BACKED_UP = {
  'own-cards': readElsewhere,
  'own-extras': readElsewhere,
  'own-templates': readElsewhere,
  /** As ISO 4217 writes it, and hundredths of a percent. */
  money: z.object({
    currency: z.string().check(z.regex(/^[A-Z]{3}$/)),
    taxPoints: z.int().check(z.minimum(0), z.maximum(10_000)),
  }),
  'export-choice': z.object({
    customer: z.boolean(),
    serials: z.boolean(),
    photographs: z.boolean(),
    words: z.optional(z.boolean()),
  }),
  'pci-ids': nameList,
  'usb-ids': nameList,
};

/** What the supplier says is fetched anew, and what belongs to this very browser stays in it. */
const OF_THIS_BROWSER = {
  catalogue: fetchedAnew,
  drivers: fetchedAnew,
  templates: fetchedAnew,
  'demo-seeded': z.boolean(),
  'last-backup': z.object({
    at: instant,
    /** Revisions of the jobs that were in it. */
    revisions: z.record(z.string(), z.number()),
  }),
  /** A folder of the disk: the very thing that the browser handed out. */
  'backup-folder': z.custom<{ readonly name: string }>(
    (folder) => z.object({ name: z.string() }).safeParse(folder).success,
  ),
  /** Since when nothing knows them, by the ids of photographs. */
  'unclaimed-pictures': z.record(z.string(), instant),
};

export const SHELF = { ...BACKED_UP, ...OF_THIS_BROWSER };
export type ShelfKey = keyof typeof SHELF;
export type Shelved<Key extends ShelfKey> = z.infer<(typeof SHELF)[Key]>;

/** A thing of the bin, as it lies there. */
export const BinEntry = z.object({
  key: z.string().check(z.minLength(1), z.maxLength(LONGEST_KEY)),
  kind: z.enum(['job', 'card', 'extra', 'template', 'setting']),
  name: z.string(),
  deletedAt: instant,
  /** As it was kept, whatever it is. */
  record: z.unknown(),
});
export type BinEntry = Readonly<z.infer<typeof BinEntry>>;

export const isBackedUp = ({ store, key }: Pick<StoredItem, 'store' | 'key'>): boolean =>
  store !== 'shelf' || Object.hasOwn(BACKED_UP, key);

/**
 * Whether a thing of a backup may be put into the store. Jobs and items of lists that do not read are kept whole and set
 * aside, as here; of anything else nothing could be made.
 */
export function isTakable({ store, key, value }: StoredItem): boolean {
  switch (store) {
    case 'jobs':
    case 'pictures':
      return true;
    case 'shelf':
      return (
        Object.hasOwn(BACKED_UP, key) &&
        z.safeParse(BACKED_UP[key as keyof typeof BACKED_UP], value).success
      );
    case 'bin': {
      const entry = BinEntry.safeParse(value);
      return entry.success && entry.data.key === key;
    }
  }
}
