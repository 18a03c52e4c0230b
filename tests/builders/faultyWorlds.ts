/** Seeded machines with hidden faults, over all demo machines and kinds of needs, and the circle of asking, mending and measuring. */
import * as fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { CARDS } from '../../demo/catalogue/cards.ts';
import { EXTRAS } from '../../demo/catalogue/extras.ts';
import { demoJobs } from '../../demo/jobs.ts';
import { CHECKS, type Check } from '../../src/core/standards/index.ts';
import { acceptanceOf, expectations, type Expectation } from '../../src/core/assembly/index.ts';
import {
  answeredCheck,
  enteredRun,
  foundCause,
  type Job,
  type Machine,
  type Observation,
} from '../../src/core/document/index.ts';
import { apply, type Command } from '../../src/core/commands/index.ts';
import {
  diagnoses,
  type CauseAt,
  type NeedDiagnosis,
  type NextCheck,
} from '../../src/core/diagnosis/index.ts';
import { mendOf } from '../../src/core/procedure/index.ts';
import { plainNeed, type Measure, type Need } from '../../src/core/kinds/index.ts';
import { proposePlan } from '../../src/core/planner/index.ts';
import { faultsPossible } from '../../src/core/simulator/running/faults.ts';
import type { Fault } from '../../src/core/kinds/running.ts';
import {
  answerOf,
  measure,
  mended,
  type Measured,
  type Running,
} from '../../src/core/simulator/running/running.ts';
import { PACKAGES } from './library.ts';
import { STAMP } from './parts.ts';

const LSPCI = readFileSync(
  new URL('../../demo/evidence/lighthouse-museum.lspci.txt', import.meta.url),
  'utf8',
);

/** Needs that the demo has not: drives that work as one, a port of 40 Gb/s, a copy to a disk. */
const MORE_NEEDS: readonly (readonly Need[])[] = [
  [plainNeed('drives', 'stripe', { ports: 4, bytesPerSecond: 600e6, array: 'stripe' })],
  [plainNeed('drives', 'mirror', { ports: 2, bytesPerSecond: 300e6, array: 'mirror' })],
  [plainNeed('drives', 'parity', { ports: 4, bytesPerSecond: 400e6, array: 'parity' })],
  [plainNeed('serialLink', 'dock', { bytesPerSecond: 500e6 })],
  [plainNeed('usb', 'backup', { ports: 1, bytesPerSecond: 80e6, device: 'solidState' })],
];

/** Every demo job with its plan accepted, and its machines once more with needs that it has not. */
export const plannedJobs = (): readonly Job[] => {
  const demo = demoJobs(LSPCI, PACKAGES);
  const others = demo.flatMap((job) =>
    MORE_NEEDS.map((needs, n): Job => ({
      ...job,
      id: `${job.id}-${n}`,
      needs,
      plan: null,
      observations: [],
      acts: [],
      budgetCents: null,
    })),
  );
  return [...demo, ...others].map((job) => {
    if (job.plan !== null) return { ...job, observations: [] };
    const plan = proposePlan({ ...job, cards: CARDS, extras: EXTRAS, library: PACKAGES });
    return apply(job, { name: 'acceptPlan', ...acceptanceOf(plan, job, PACKAGES) }, STAMP);
  });
};

/** The same as machines with their needs, to be varied. */
export const demoMachines = (): readonly {
  readonly title: string;
  readonly machine: Machine;
  readonly needs: readonly Need[];
  readonly job: Job;
}[] => plannedJobs().map((job) => ({ title: job.id, machine: job.machine, needs: job.needs, job }));

/** A need of a job whose figure can be measured. */
export interface Case {
  readonly job: Job;
  readonly expectation: Expectation;
  readonly faults: readonly Fault[];
}

export const cases = (jobs: readonly Job[]): readonly Case[] =>
  jobs.flatMap((job) =>
    expectations(job).flatMap((expectation): readonly Case[] => {
      const { card, flow, need } = expectation;
      if (card === null || flow === null || flow.unit === 'count') return [];
      const faults = faultsPossible(card, need, job.machine);
      return faults.length === 0 ? [] : [{ job, expectation, faults }];
    }),
  );

export const runningOf = (
  { job, expectation }: Case,
  faults: readonly Fault[],
  seed: number,
): Running => ({
  card: expectation.card!,
  need: expectation.need,
  machine: job.machine,
  seed,
  faults,
});

/** So many cases with so many faults of different parts each, the more frequent the likelier, seeded. */
export function faultyWorlds(
  all: readonly Case[],
  count: number,
  howMany: 0 | 1 | 2,
  seed: number,
  weightOf: (fault: Fault) => number,
): readonly { readonly of: Case; readonly running: Running }[] {
  const weighted = (faults: readonly Fault[]) =>
    faults.length === 0
      ? fc.constant(null)
      : fc.oneof(
          ...faults.map((fault) => ({ weight: weightOf(fault), arbitrary: fc.constant(fault) })),
        );
  const world = fc.constantFrom(...all).chain((of) =>
    weighted(of.faults).chain((first) =>
      weighted(of.faults.filter(({ part }) => part !== first?.part)).chain((second) =>
        fc.integer({ min: 1, max: 2 ** 31 }).map((each) => {
          const faults = [first, second].flatMap((fault) => fault ?? []).slice(0, howMany);
          return { of, running: runningOf(of, faults, each) };
        }),
      ),
    ),
  );
  return fc.sample(world, { numRuns: count, seed });
}

/** The first need of a job that can be measured, with these faults. */
export function caseFor(
  job: Job,
  faults: readonly Fault[],
  seed: number,
): { readonly of: Case; readonly running: Running } {
  const of = cases([job])[0];
  if (of === undefined) throw new Error(`${job.id}: nothing can be measured`);
  for (const { part, cause } of faults)
    if (!of.faults.some((each) => each.part === part && each.cause === cause))
      throw new Error(`${job.id} has no ${part} ${cause}`);
  return { of, running: runningOf(of, faults, seed) };
}

/** What is asked of a need: the way it is measured in the world. */
export function howMeasured({ flow, need }: Expectation, over: Partial<Measured> = {}): Measured {
  const direction =
    need.kind === 'network'
      ? need.direction === 'to'
        ? 'write'
        : 'read'
      : need.kind === 'drives'
        ? need.direction
        : 'write';
  const what =
    flow?.unit !== 'B/s'
      ? 'work'
      : need.kind === 'network' || need.kind === 'usb'
        ? 'own'
        : 'large';
  return { what, direction, alone: false, ...over };
}

/** A clock of the bench: every look at it is a second later. */
const clock = (): (() => string) => {
  let seconds = 0;
  return () => new Date(Date.UTC(2027, 0, 1) + 1_000 * seconds++).toISOString();
};

/** Which check is made next: as the diagnosis asks, or by a checklist in the usual order. */
export type Policy = (diagnosis: NeedDiagnosis) => NextCheck | null;

const asAsked: Policy = ({ next }) => next;

/**
 * The usual order: all that is seen at the screen, from the card outward, then what is done by hand outside, then inside the case.
 * Common practice, no source.
 */
export const usualOrder: Policy = ({ next, components, observed }) => {
  if (next === null) return null;
  for (const check of Object.keys(CHECKS) as Check[])
    for (const { id: part, checks } of components)
      if (
        check in checks &&
        !observed.answers.some((each) => each.part === part && each.check === check)
      )
        return { kind: 'check', part, check, minutes: CHECKS[check].minutes };
  return next;
};

export interface Course {
  /** What was named in each round, before it was mended. */
  readonly named: readonly (readonly CauseAt[])[];
  /** Where the first explanation that is true stood, in each round. */
  readonly ranks: readonly number[];
  readonly minutes: number;
  readonly asked: readonly string[];
  /** Causes that were named although an answer or a figure excludes them. */
  readonly excluded: readonly CauseAt[];
  /** `fine`: it shows what it should in the end. `healthy`: nothing more is found, and it lies close below. */
  readonly end: 'fine' | 'healthy' | 'open';
  readonly job: Job;
}

const MOST_ROUNDS = 4;
const RUNS = 3;

/** Measures, answers what is asked, mends what is named, and measures again, until nothing is named any more. */
export function course(of: Case, hidden: Running, policy: Policy = asAsked): Course {
  const { need } = of.expectation;
  const now = clock();
  let running = hidden;
  let job = of.job;
  let minutes = 0;
  const named: (readonly CauseAt[])[] = [];
  const ranks: number[] = [];
  const asked: string[] = [];
  const excluded: CauseAt[] = [];
  const doing = (command: Command) => (job = apply(job, command, { at: now(), who: 'Tester' }));
  const observe = (observations: readonly Observation[]) =>
    doing({ name: 'observe', observations });
  const runs = (over: Partial<Measured> = {}) => {
    const how = howMeasured(of.expectation, over);
    const at = now();
    const direction = need.kind === 'network' || need.kind === 'drives' ? how.direction : null;
    observe(
      measure(running, how, RUNS).map((value, n) =>
        enteredRun(need.id, value, at, { n, what: how.what, alone: how.alone, direction }),
      ),
    );
  };
  const isTrue = ({ part, cause }: CauseAt) =>
    running.faults.some((fault) => fault.part === part && fault.cause === cause);
  const end = (how: Course['end']): Course => ({
    named,
    ranks,
    minutes,
    asked,
    excluded,
    end: how,
    job,
  });
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    runs();
    for (;;) {
      const diagnosis = diagnoses(job).get(need.id);
      if (diagnosis === undefined) return end('fine');
      const next = diagnosis.outcome === 'ask' ? policy(diagnosis) : null;
      if (next === null) {
        if (diagnosis.outcome === 'healthy') return end('healthy');
        if (diagnosis.outcome === 'unexplained') return end('open');
        const [first] = diagnosis.explanations;
        named.push(first!.causes);
        ranks.push(
          diagnosis.explanations.findIndex(
            ({ causes }) => causes.length > 0 && causes.every(isTrue),
          ),
        );
        excluded.push(...first!.causes.filter((each) => isExcluded(each, diagnosis)));
        const found = first!.causes.map((each) =>
          foundCause(need.id, { ...each, figure: null }, now()),
        );
        observe(found);
        for (const each of found) doing({ name: 'tickStep', of: mendOf(each) });
        for (const each of first!.causes) running = mended(running, each);
        break;
      }
      minutes += next.minutes;
      if (next.kind === 'measure') {
        asked.push(next.measure);
        runs(MEASURES[next.measure](howMeasured(of.expectation)));
      } else {
        const answer = answerOf(running, next.part, next.check);
        asked.push(`${next.check} ${next.part}: ${answer}`);
        observe([answeredCheck(need.id, { part: next.part, check: next.check, answer }, now())]);
      }
    }
  }
  return end('open');
}

const MEASURES: Readonly<Record<Measure, (asked: Measured) => Partial<Measured>>> = {
  large: () => ({ what: 'large' }),
  wire: () => ({ what: 'wire' }),
  alone: () => ({ what: 'large', alone: true }),
  otherWay: ({ direction }) => ({
    what: 'large',
    direction: direction === 'read' ? 'write' : 'read',
  }),
};

/** By a table of its own: an answer of its part that this cause does not give. */
function isExcluded({ part, cause }: CauseAt, { components, observed }: NeedDiagnosis): boolean {
  const component = components.find(({ id }) => id === part);
  const state = component?.fallBacks.find((each) => each.cause === cause);
  return observed.answers.some(
    (each) =>
      each.part === part &&
      each.answer !== (state?.shows[each.check] ?? component?.checks[each.check]),
  );
}
