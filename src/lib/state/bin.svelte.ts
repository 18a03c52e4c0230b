/** What was deleted: jobs, cards, extras, templates. It stays for thirty days, and can be put back until then. */
import { now } from './now';
import { binRecords } from './stores';

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

class Bin {
  /** The last deleted first. */
  things = $state.raw<readonly Binned[]>([]);

  async read(): Promise<void> {
    const found = await binRecords.all<Binned>();
    this.things = found.toSorted((a, b) => b.deletedAt.localeCompare(a.deletedAt));
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
    for (const binned of this.things) if (binned.deletedAt < before) await this.takeOut(binned);
  }
}

export const bin = new Bin();
