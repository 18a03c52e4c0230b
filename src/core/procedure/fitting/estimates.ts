/** What acts take: as the shop has seen it, or as it usually is while it has seen too few. */
import { median, quantile, sum } from 'd3-array';
import type { Task } from './task.ts';
import type { SpentByAct } from './times.ts';

export interface Estimate {
  readonly minutes: number;
  /** How often it was timed. */
  readonly seen: number;
  /** Between which the middle half lies; null while too few were timed. */
  readonly spread: readonly [from: number, to: number] | null;
}

/** From so many on what was seen counts, and not what is usual. Common practice, no source. */
const SEEN_ENOUGH = 3;
const SECONDS = 60;

export function estimateOf(code: string, logbook: SpentByAct, usual: Task['minutes']): Estimate {
  const seconds = Object.hasOwn(logbook, code) ? (logbook[code] ?? []) : [];
  const seen = seconds.length;
  if (seen < SEEN_ENOUGH) return { minutes: usual, seen, spread: null };
  const at = (share: number): number => (quantile(seconds, share) ?? 0) / SECONDS;
  return { minutes: (median(seconds) ?? 0) / SECONDS, seen, spread: [at(0.25), at(0.75)] };
}

/** Of several acts together. */
export const minutesTogether = (
  steps: readonly { readonly code: string; readonly task: Task | null }[],
  logbook: SpentByAct,
): number =>
  Math.round(
    sum(steps, ({ code, task }) =>
      task === null ? 0 : estimateOf(code, logbook, task.minutes).minutes,
    ),
  );
