/** What was deleted: jobs, cards, extras, templates. It stays for thirty days, and can be put back until then. */
import { BinEntry } from '$core/backup';
import { now } from './now';
import { binRecords } from './stores';

export const BIN_DAYS = 30;
const DAY_MS = 24 * 60 * 60_000;

export type BinKind = BinEntry['kind'];

export interface Binned extends Omit<BinEntry, 'kind' | 'deletedAt' | 'record'> {
  /** Unreadable: what lies there is no entry of a bin. */
  readonly kind: BinKind | 'unreadable';
  /** ISO instant; null where nobody knows: it stays until it is taken out. */
  readonly deletedAt: string | null;
  /** As it was kept, whatever it is. */
  readonly record: unknown;
}

class Bin {
  /** The last deleted first. */
  things = $state.raw<readonly Binned[]>([]);

  async read(): Promise<void> {
    const found = (await binRecords.entries()).map(([key, value]): Binned => {
      const entry = BinEntry.safeParse(value);
      return entry.success && entry.data.key === key
        ? { ...entry.data, record: entry.data.record }
        : { key, kind: 'unreadable', name: key, deletedAt: null, record: value };
    });
    const when = ({ deletedAt }: Binned): string => deletedAt ?? '';
    this.things = found.toSorted((a, b) => when(b).localeCompare(when(a)));
  }

  async put(kind: BinKind, name: string, record: unknown): Promise<Binned> {
    const binned = { key: crypto.randomUUID(), kind, name, deletedAt: now(), record };
    await binRecords.put(binned.key, binned);
    this.things = [binned, ...this.things];
    return binned;
  }

  /** Takes out of the bin for good. */
  async takeOut({ key }: Pick<Binned, 'key'>): Promise<void> {
    await binRecords.remove(key);
    this.things = this.things.filter((each) => each.key !== key);
  }

  /** Takes out for good what has lain there long enough. */
  async emptyOld(): Promise<void> {
    const before = new Date(Date.parse(now()) - BIN_DAYS * DAY_MS).toISOString();
    for (const binned of this.things)
      if (binned.deletedAt !== null && binned.deletedAt < before) await this.takeOut(binned);
  }
}

export const bin = new Bin();
