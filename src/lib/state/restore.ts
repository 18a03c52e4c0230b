/**
 * Takes a backup into the store so that it is whole before or after, whenever it is cut off: everything that is to
 * change is first laid down beside the store, then one record says that it counts, and only then is it carried over.
 * Where that was broken off it is carried on at the next start; without that record it is swept away.
 */
import * as z from 'zod/mini';
import {
  STORES,
  isBackedUp,
  type StoreChange,
  type StoreName,
  type StoredItem,
} from '$core/backup';
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
const Incoming = z.object({
  store: z.enum(STORES),
  key: z.string(),
  value: z.unknown(),
  isRemoved: z.boolean(),
});
type Incoming = Readonly<z.infer<typeof Incoming>>;

/** So many are read, laid down and carried over in one go. Photographs are large. */
const AT_ONCE: Readonly<Record<StoreName, number>> = { jobs: 50, pictures: 4, shelf: 4, bin: 50 };
const CARRIED_AT_ONCE = 16;

/** @param onItem told how many are laid down and carried over, of twice as many as there are */
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
    const entries = all.map((incoming, n) => [incomingKey(n), incoming] as const);
    for (let n = 0; n < entries.length;) {
      const at = AT_ONCE[entries[n]![1].store];
      await incomingRecords.putAll(entries.slice(n, n + at));
      n += at;
      onItem(Math.min(entries.length, n));
    }
    await incomingRecords.put(COUNTS, all.length);
    await carryOn((done) => onItem(entries.length + done));
  });
}

/** In the order of the store. */
const incomingKey = (n: number): string => String(n).padStart(9, '0');

/** What was broken off is carried on, or swept away. */
export const carryOnRestore = (): Promise<void> => changingAll(carryOn);

async function carryOn(onItem: (done: number) => void = () => undefined): Promise<void> {
  const counts = Number((await incomingRecords.get(COUNTS)) ?? 0);
  for (let done = 0, after: string | null = null; done < counts;) {
    const some = await incomingRecords.entries(after, CARRIED_AT_ONCE);
    const last = some.at(-1);
    if (last === undefined) break;
    after = last[0];
    done += some.length;
    const all = some.flatMap(([, value]) => Incoming.safeParse(value).data ?? []);
    for (const store of STORES) {
      const written = all.filter((each) => each.store === store && !each.isRemoved);
      const removed = all.filter((each) => each.store === store && each.isRemoved);
      if (written.length > 0)
        await RECORDS[store].putAll(written.map(({ key, value }) => [key, value] as const));
      if (removed.length > 0) await RECORDS[store].removeAll(removed.map(({ key }) => key));
    }
    // Their rows are made anew when the list is read.
    const jobs = all.filter(({ store }) => store === 'jobs');
    if (jobs.length > 0) await rowRecords.removeAll(jobs.map(({ key }) => key));
    onItem(Math.min(done, counts));
  }
  await incomingRecords.clear();
}

/** Everything that a backup takes along, as it is kept. @param onItem how many were looked at */
export async function* keptItems(
  onItem: (done: number, of: number) => void = () => undefined,
): AsyncGenerator<StoredItem> {
  const counts = await Promise.all(STORES.map((store) => RECORDS[store].count()));
  const of = counts.reduce((sum, count) => sum + count, 0);
  let done = 0;
  for (const store of STORES)
    for (let after: string | null = null; ;) {
      const some = await RECORDS[store].entries(after, AT_ONCE[store]);
      const last = some.at(-1);
      if (last === undefined) break;
      after = last[0];
      for (const [key, value] of some) if (isBackedUp({ store, key })) yield { store, key, value };
      done += some.length;
      onItem(done, of);
    }
}
