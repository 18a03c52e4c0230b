/** Runs of a need put together by how they were measured: median, spread, and what lies far from the rest. */
import { median, quantile } from 'd3-array';
import { needKindOf, type Need } from '../kinds/need.ts';
import type { RunObservation } from '../document/observation.ts';
import type { RunConditions, RunTest } from '../parts/run.ts';
import { LARGE_FILE_BYTES, SMALL_FILE_BYTES } from '../standards/fileOverhead.ts';

export interface RunGroup {
  readonly test: RunTest;
  /** In the order in which they were measured. */
  readonly runs: readonly RunObservation[];
  readonly median: number;
  /** First and third quartile. */
  readonly quartiles: readonly [number, number];
  /** Runs that lie far from the rest; shown, and not left out. */
  readonly outliers: readonly RunObservation[];
  /** It began well and then fell: what grows warm, or a cache that is full. */
  readonly falls: boolean;
}

/** The customer's own files that were counted are large or small; of others nobody knows. */
export function testOf(run: RunConditions, need: Need): RunTest {
  const mean = run.bytes !== null && run.files !== null ? run.bytes / run.files : null;
  const what =
    run.what !== 'own' || mean === null ? run.what : mean >= LARGE_FILE_BYTES ? 'large' : 'small';
  return {
    what,
    direction: run.direction ?? needKindOf(need).direction(need),
    alone: run.alone,
    fileBytes: what === 'small' ? (mean ?? SMALL_FILE_BYTES) : null,
    isCold: run.isCold,
    variant: run.variant,
  };
}

const keyOf = ({ what, direction, alone, isCold, variant }: RunTest): string =>
  JSON.stringify([what, direction, alone, isCold, variant]);

/** One group for each way of measuring, in the order of their last run. */
export function runGroups(runs: readonly RunObservation[], need: Need): readonly RunGroup[] {
  const groups = new Map<string, { readonly test: RunTest; runs: RunObservation[] }>();
  for (const run of runs) {
    const test = testOf(run, need);
    const key = keyOf(test);
    const before = groups.get(key)?.runs ?? [];
    groups.delete(key);
    groups.set(key, { test, runs: [...before, run] });
  }
  return [...groups.values()].map(({ test, runs: of }) => groupOf(test, of));
}

/** A run lies far from the rest beyond one and a half times the spread. Source: Tukey's fences (from memory). */
const FENCE = 1.5;
/** Fewer runs than this have none that lies far from the rest. */
const LEAST_FOR_FENCES = 4;
/** The first run is so many times the median of the others where it began well and then fell. */
const FALLS = 1.2;
const LEAST_FOR_FALL = 3;

function groupOf(test: RunTest, runs: readonly RunObservation[]): RunGroup {
  const values = runs.map(({ value }) => value);
  const low = quantile(values, 0.25) ?? 0;
  const high = quantile(values, 0.75) ?? 0;
  const reach = FENCE * (high - low);
  const rest = median(values.slice(1)) ?? Infinity;
  return {
    test,
    runs,
    median: median(values) ?? 0,
    quartiles: [low, high],
    outliers:
      runs.length < LEAST_FOR_FENCES
        ? []
        : runs.filter(({ value }) => value < low - reach || value > high + reach),
    falls: runs.length >= LEAST_FOR_FALL && (values[0] ?? 0) > FALLS * rest,
  };
}

/**
 * What answers the need itself: measured the way it asks, all at once; the last where it was measured in several ways, and one
 * after a cold start only where there is no other.
 */
export function mainGroup<Group extends RunGroup>(
  groups: readonly Group[],
  need: Need,
): Group | null {
  const asked = needKindOf(need).direction(need);
  const able = groups.filter(
    ({ test }) =>
      (test.what === 'large' || test.what === 'own' || test.what === 'work') &&
      test.direction === asked &&
      !test.alone &&
      test.variant === '',
  );
  return able.findLast(({ test }) => !test.isCold) ?? able.at(-1) ?? null;
}
