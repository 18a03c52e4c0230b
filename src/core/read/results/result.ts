/** What a tool measured, as its own output has it. Whose need it is of is not known here. */
import type { RunDirection, RunKind } from '../../parts/run.ts';
import { upTo, type ProblemList } from '../problem.ts';
import type { Told } from '../reader.ts';

export interface MeasuredRate {
  readonly kind: 'rate';
  /** Between machines, on a drive of this machine, or a copy of which the tool does not say where to. */
  readonly of: 'wire' | 'drive' | 'copy';
  readonly what: RunKind;
  readonly direction: RunDirection | null;
  readonly bytesPerSecond: number;
  readonly bytes: number | null;
  readonly seconds: number | null;
  readonly files: number | null;
  /** What else its output says of it, in few words: the tool, how many at once. */
  readonly words: string;
}

/** Radio as it is joined now. */
export interface RadioSeen {
  readonly kind: 'radio';
  readonly gigahertz: number | null;
  readonly megabits: number | null;
}

/** A drive as it says of itself. */
export interface DriveSeen {
  readonly kind: 'drive';
  readonly celsius: number;
  /** Of its rated life; null where it does not count that. */
  readonly wornPercent: number | null;
}

export type Result = MeasuredRate | RadioSeen | DriveSeen;

/** A rate that can be: above nothing, and below what the trade knows. */
export const isRate = (value: number): boolean => value > 0 && value < 1e12;

/** Text as JSON from where it begins to be it to where it ends: tools print warnings around it. Undefined: it is none. */
export function jsonIn(input: string): unknown {
  const start = input.search(/^[[{]/m);
  if (start === -1) return undefined;
  try {
    // Printed over several lines it ends with one of its own.
    const last = Math.max(input.lastIndexOf('\n}'), input.lastIndexOf('\n]'));
    return JSON.parse(last > start ? input.slice(start, last + 2) : input.slice(start)) as unknown;
  } catch {
    return undefined;
  }
}

const HOTTEST_CELSIUS = 200;
/** A drive's own count goes beyond a hundred. Source: NVM Express Base Specification: up to 255 (from memory). */
const MOST_PERCENT = 255;

/** None where no drive could be so warm. */
export function driveSeen(celsius: number, percent: number | undefined): readonly DriveSeen[] {
  if (!(Math.abs(celsius) <= HOTTEST_CELSIUS)) return [];
  const isCounted = percent !== undefined && percent >= 0 && percent <= MOST_PERCENT;
  return [{ kind: 'drive', celsius, wornPercent: isCounted ? percent : null }];
}

/** Measurements of one file: more than anybody looks at. */
const MOST_RESULTS = 200;

/** The reading of a file that says nothing but what was measured. */
export const measured =
  (read: (text: string, problems: ProblemList) => readonly Result[]) =>
  (text: string, problems: ProblemList): Told<{ readonly results: readonly Result[] }> => {
    const results = upTo(MOST_RESULTS, read(text, problems), 'results', problems);
    return { found: results.length, says: { results } };
  };
