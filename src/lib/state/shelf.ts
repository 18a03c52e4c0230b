/** What lies on the shelf beside the jobs: read by its schema, and what does not read goes into the bin as it is. */
import * as z from 'zod/mini';
import { SHELF, type BinEntry, type ShelfKey, type Shelved } from '$core/backup';
import { now } from './now';
import { binRecords, shelfRecords } from './stores';

/** Null where nothing lies there, or nothing that reads. @throws what the browser's store throws */
export async function shelved<Key extends ShelfKey>(key: Key): Promise<Shelved<Key> | null> {
  const record = await shelfRecords.get(key);
  if (record === null) return null;
  const parsed = z.safeParse(SHELF[key], record);
  if (parsed.success) return parsed.data as Shelved<Key>;
  const place = crypto.randomUUID();
  const entry: BinEntry = { key: place, kind: 'setting', name: key, deletedAt: now(), record };
  await binRecords.put(place, entry);
  await shelfRecords.remove(key);
  return null;
}

export const toShelf = <Key extends ShelfKey>(key: Key, value: Shelved<Key>): Promise<void> =>
  shelfRecords.put(key, value);
