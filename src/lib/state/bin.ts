/** What was deleted: jobs, cards, extras, templates. It stays for thirty days, and can be put back until then. */
import { binRecords, inTime } from './stores';

export const BIN_DAYS = 30;
const DAY_MS = 24 * 60 * 60_000;

export type BinKind = 'job' | 'card' | 'extra' | 'template';

export interface Binned {
  /** Its place in the bin. */
  readonly key: string;
  readonly kind: BinKind;
  readonly name: string;
  /** ISO instant. */
  readonly deletedAt: string;
  /** As it was kept, whatever it is. */
  readonly record: unknown;
}

export async function intoBin(thing: Omit<Binned, 'key'>): Promise<Binned> {
  const binned = { ...thing, key: crypto.randomUUID() };
  await inTime(binRecords.setItem(binned.key, binned));
  return binned;
}

export const outOfBin = (key: string): Promise<void> => inTime(binRecords.removeItem(key));

/** The last deleted first. */
export async function readBin(): Promise<readonly Binned[]> {
  const found: Binned[] = [];
  await inTime(
    binRecords.iterate<Binned, undefined>((binned) => {
      found.push(binned);
      return undefined;
    }),
  );
  return found.toSorted((a, b) => b.deletedAt.localeCompare(a.deletedAt));
}

/** Takes out for good what has lain there long enough. @param at ISO instant of now */
export async function emptyOldBin(at: string): Promise<void> {
  const before = new Date(Date.parse(at) - BIN_DAYS * DAY_MS).toISOString();
  for (const { key, deletedAt } of await readBin()) if (deletedAt < before) await outOfBin(key);
}
