/** What the screens say of one kind of card and of one kind of need: each kind has its words, whole, in one file. */
import type { Flow } from '$core/kinds';
import type { RunTest } from '$core/parts';
import type { SystemFamily } from '$core/standards';

export interface CardWords<Delivers> {
  /** As a heading. */
  readonly name: string;
  /** As a cell of a table says it. */
  readonly option: string;
  /** What each thing that it tells is called. */
  readonly columns: Readonly<Record<Exclude<keyof Delivers, 'kind'>, string>>;
  /** What such a card brings, in one line. */
  delivers(delivers: Delivers): string;
}

export interface NeedWords<Asks> {
  readonly name: string;
  /** The unit in which its rate is stated, with what one of it is in bytes per second. */
  readonly rate: { readonly words: string; readonly scale: number; readonly unit: 'B/s' | 'b/s' };
  readonly direction: Readonly<Record<NonNullable<RunTest['direction']>, string>>;
  /** What is said of it while the machine as it stands meets it, or does not; null: what its figures say. */
  readonly stands: { readonly met: string; readonly short: string } | null;
  /** What it asks, in one line. */
  asks(need: Asks): string;
  /** How it is measured with what is at hand: what to close first, what to run, how often. */
  guide(need: Asks, at: Bench): Guide;
}

export interface Bench {
  readonly family: SystemFamily | null;
  /** At least so much is copied, or it stays in memory. */
  readonly gigabytes: number;
  readonly unit: Flow['unit'];
}

export interface WayToMeasure {
  readonly title: string;
  /** Ready to copy; words in capitals are replaced. */
  readonly commands: readonly string[];
  /** What runs at the far end meanwhile, and ends only when it is stopped: no part of a file to run here. */
  readonly atFarEnd?: string;
  /** What of its output is the figure. */
  readonly reads: string;
}

export interface Guide {
  readonly first: readonly string[];
  readonly ways: readonly WayToMeasure[];
}

export const list = (...parts: readonly string[]): string =>
  parts.filter((part) => part !== '').join(', ');

export const IN_BYTES = { words: 'MB/s', scale: 1e6, unit: 'B/s' } as const;
export const READ_OR_WRITTEN = { read: 'read', write: 'written' } as const;
