/**
 * Takes a backup into the store so that it is whole before or after, whenever it is cut off: everything that is to
 * change is first laid down beside the store, then one record says that it counts, and only then is it carried over.
 * Where that was broken off it is carried on at the next start; without that record it is swept away.
 */
import type { StoreChange, StoreName, StoredItem } from '$core';
import {
  binRecords,
  changingAll,
  incomingRecords,
  jobRecords,
  pictureRecords,
  rowRecords,
  shelfRecords,
  type Records,
} from './stores';

const COUNTS = 'counts';

const RECORDS: Readonly<Record<StoreName, Records>> = {
  jobs: jobRecords,
  pictures: pictureRecords,
  shelf: shelfRecords,
  bin: binRecords,
};

/** One thing to be written, or taken out where it has no value. */
interface Incoming extends Pick<StoredItem, 'store' | 'key'> {
  readonly value: unknown;
  readonly isRemoved: boolean;
}

/** @param onItem told after each thing that is laid down how many are done */
export async function takeIn(
  { write, remove }: StoreChange,
  onItem: (done: number) => void = () => undefined,
): Promise<void> {
  await changingAll(async () => {
    await carryOn();
    const all: readonly Incoming[] = [
      ...write.map((item) => ({ ...item, isRemoved: false })),
      ...remove.map((item) => ({ ...item, value: null, isRemoved: true })),
    ];
    for (const [n, incoming] of all.entries()) {
      await incomingRecords.put(`${n}`, incoming);
      onItem(n + 1);
    }
    await incomingRecords.put(COUNTS, all.length);
    await carryOn();
  });
}

/** What was broken off is carried on, or swept away. */
export const carryOnRestore = (): Promise<void> => changingAll(carryOn);

async function carryOn(): Promise<void> {
  const counts = await incomingRecords.get<number>(COUNTS);
  for (let n = 0; n < (counts ?? 0); n += 1) {
    const incoming = await incomingRecords.get<Incoming>(`${n}`);
    if (incoming === null) continue;
    const { store, key, value, isRemoved } = incoming;
    if (isRemoved) await RECORDS[store].remove(key);
    else await RECORDS[store].put(key, value);
    // Its row is made anew when the list is read.
    if (store === 'jobs') await rowRecords.remove(key);
  }
  await incomingRecords.clear();
}

/** Everything that is kept, as it is kept. */
export async function everything(
  onItem: (done: number, of: number) => void = () => undefined,
): Promise<readonly StoredItem[]> {
  const keys = await Promise.all(
    (Object.keys(RECORDS) as StoreName[]).map(async (store) => {
      const all = await RECORDS[store].keys();
      return all.filter((key) => isBackedUp(store, key)).map((key) => ({ store, key }));
    }),
  );
  const all = keys.flat();
  const items: StoredItem[] = [];
  for (const { store, key } of all) {
    items.push({ store, key, value: await RECORDS[store].get<unknown>(key) });
    onItem(items.length, all.length);
  }
  return items;
}

/** What the supplier says is fetched anew, and what belongs to this very browser stays in it. */
const NOT_BACKED_UP: readonly string[] = [
  'catalogue',
  'drivers',
  'templates',
  'demo-seeded',
  'last-backup',
  'backup-folder',
  'unclaimed-pictures',
];

const isBackedUp = (store: StoreName, key: string): boolean =>
  store !== 'shelf' || !NOT_BACKED_UP.includes(key);
