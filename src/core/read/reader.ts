/**
 * What one tool writes: how its files are known, and what they say. A file of a reader stands by itself; the registry
 * (`readers.ts`) tries them all.
 */
import type { ProblemList } from './problem.ts';

/** What a file says: lists of things, each by its name. */
type Said = Readonly<Record<string, readonly unknown[]>>;

export interface Told<Says extends Said = Said> {
  /** How many things of the reader's kind were found. */
  readonly found: number;
  readonly says: Says;
}

export interface TextReader {
  readonly kind: string;
  /** What the file is called, where its contents cannot tell. */
  readonly name?: RegExp;
  /** What stands in its first letters: any of them. */
  readonly head?: readonly RegExp[];
  /** Whether its first line is one. */
  readonly firstLine?: (line: string) => boolean;
  /** What stands in its last letters, behind whatever else was printed. */
  readonly tail?: readonly RegExp[];
  readonly read: (text: string, problems: ProblemList) => Told;
}

/** Of bytes, or of a text that writes bytes as digits. */
export interface BytesReader {
  readonly kind: string;
  readonly isOne: (bytes: Uint8Array, name: string) => boolean;
  readonly read: (bytes: Uint8Array, problems: ProblemList, name: string) => Told;
}

/** One thing that is the whole of a file, or none. */
export const one = <Thing>(thing: Thing | null): readonly Thing[] =>
  thing === null ? [] : [thing];

/** Lines of two words each. */
export const pairs = (text: string, between: string): ReadonlyMap<string, string> =>
  new Map(
    text.split('\n').flatMap((line) => {
      const at = line.indexOf(between);
      const value = line.slice(at + 1).trim();
      return at < 1 ? [] : [[line.slice(0, at), value.slice(0, LONGEST_VALUE)] as const];
    }),
  );
const LONGEST_VALUE = 200;
