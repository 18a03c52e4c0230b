/** Whose need it is that a tool measured, and what becomes of it: runs, readings, answers. What could be of several needs is asked. */
import { expectations, type Expectation } from '../assembly/expectations.ts';
import type { Job } from '../document/job.ts';
import { clipped } from '../parts/limits.ts';
import { asksOf, needKindOf } from '../kinds/need.ts';
import { proofOf } from '../kinds/proofs.ts';
import { enteredRun } from '../document/observed.ts';
import type { Observation, RunObservation } from '../document/observation.ts';
import type { Evidence } from '../read/evidence.ts';
import type { MeasuredRate } from '../read/results/result.ts';
import { phaseOf } from './observeReport.ts';

/** A measurement that may be of several needs. */
export interface OpenResult {
  readonly result: MeasuredRate;
  /** In the order of the job; none: no need of the plan is measured like this. */
  readonly needIds: readonly string[];
}

export interface ResultsObserved {
  readonly observations: readonly Observation[];
  readonly open: readonly OpenResult[];
}

/** @param at ISO instant */
export function observeResults(job: Job, evidence: Evidence, at: string): ResultsObserved {
  const all = expectations(job).filter(({ flow }) => flow?.unit === 'B/s');
  const open: OpenResult[] = [];
  const runs: RunObservation[] = [];
  evidence.results.forEach((result, n) => {
    if (result.kind !== 'rate') return;
    const needIds = needsFor(result, all);
    if (needIds.length === 1) runs.push(runFrom(job, needIds[0]!, result, at, n));
    else open.push({ result, needIds });
  });
  return {
    open,
    observations: [
      ...runs,
      // Before the cards are in, it is of what they take the place of.
      ...(phaseOf(job) === 'before'
        ? []
        : all.flatMap(({ need, flow, card }) =>
            proofOf(need).seen(need, flow, card, evidence, job.machine, at),
          )),
    ],
  };
}

const needsFor = ({ of }: MeasuredRate, all: readonly Expectation[]): readonly string[] => {
  const able = all.filter(({ need }) => needKindOf(need).measuredBy.includes(of));
  // A wire is meant where there is one; the radio is where there is none.
  const first = of === 'wire' ? able.filter(({ need }) => asksOf([need], 'wire')) : able;
  return (first.length > 0 ? first : able).map(({ need }) => need.id);
};

/** A measurement as a run of a need. @param n tells those of one instant apart */
export function runFrom(
  job: Job,
  needId: string,
  { bytesPerSecond, what, direction, bytes, seconds, files, words }: MeasuredRate,
  at: string,
  n: number,
): RunObservation {
  const need = job.needs.find(({ id }) => id === needId);
  const isBothWays = need !== undefined && needKindOf(need).direction(need) !== null;
  return enteredRun(needId, bytesPerSecond, at, {
    n,
    what,
    direction: isBothWays ? direction : null,
    bytes: bytes !== null && bytes > 0 ? bytes : null,
    seconds: seconds !== null && seconds > 0 && seconds <= LONGEST_SECONDS ? seconds : null,
    files,
    phase: phaseOf(job),
    source: 'text',
    conditions: clipped(words),
  });
}
const LONGEST_SECONDS = 86_400;
