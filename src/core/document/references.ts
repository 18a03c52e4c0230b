/**
 * What the parts of a document say of each other: ids that are keys are unique, and references lead somewhere.
 * A schema asks it of what is read; commands keep to it by `withoutDangling`.
 */
import type { Expects, Led } from '../parts/expects.ts';
import type * as z from 'zod/mini';
import { actId, type Act } from './act.ts';
import { pinKey, type Pin } from './planning.ts';
import { leadRow, type LeadKind } from '../standards/innerLeads.ts';

interface Keyed {
  readonly id: string;
}
interface OnSlot {
  readonly slotId: string;
}

/** Of a machine, what bears keys and what refers to them. */
interface MachineKeys {
  readonly slots: readonly (Keyed & { readonly enclosureId: string | null })[];
  readonly conditions: readonly (Keyed & OnSlot & { readonly whenSlotId: string })[];
  readonly obstacles: readonly Keyed[];
  readonly enclosures: readonly Keyed[];
  readonly screens: readonly Keyed[];
  readonly damage: readonly Keyed[];
  readonly leads: readonly (Keyed & {
    readonly kind: LeadKind;
    readonly ends: readonly unknown[];
  })[];
  readonly path: { readonly hops: readonly (Keyed & { readonly leads: readonly Keyed[] })[] };
}

interface PlanKeys {
  readonly placements: readonly OnSlot[];
  readonly packages: readonly Keyed[];
  readonly moves: readonly { readonly fromSlotId: string; readonly toSlotId: string }[];
  readonly givenUp: readonly string[];
  readonly later: readonly string[];
  readonly staged: readonly string[];
  readonly unmet: readonly string[];
  readonly met: readonly string[];
}

/** The same of a job. */
interface JobKeys {
  readonly machine: MachineKeys;
  readonly needs: readonly (Keyed & Partial<OnSlot> & { readonly these?: readonly Keyed[] })[];
  readonly bought: readonly Keyed[];
  readonly packages: readonly Keyed[];
  readonly photos: readonly (Keyed & { readonly slotId: string | null })[];
  readonly observations: readonly (Keyed & {
    /** Of the whole machine where it names neither. */
    readonly subject: {
      readonly needId?: string | undefined;
      readonly slotId?: string | undefined;
    };
  })[];
  readonly acts: readonly Act[];
  readonly pins: readonly Pin[];
  readonly plan: PlanKeys | null;
  readonly benchTest: {
    readonly machine: Pick<MachineKeys, 'slots'>;
    readonly trials: readonly (OnSlot & { readonly benchSlotId: string })[];
  } | null;
}

const OWN_KEY: Expects = { as: 'ownKey' };
const FEWER_ENDS: Expects = { as: 'fewerEnds' };

export interface Mismatch {
  readonly path: readonly (string | number)[];
  readonly expected: Expects;
}

export function mismatchesOfMachine(machine: MachineKeys): readonly Mismatch[] {
  const slots = idsOf(machine.slots);
  const enclosures = idsOf(machine.enclosures);
  return [
    ...(
      ['slots', 'conditions', 'obstacles', 'enclosures', 'screens', 'damage', 'leads'] as const
    ).flatMap((list) =>
      repeated(
        [list],
        machine[list].map(({ id }) => id),
        ['id'],
      ),
    ),
    ...mismatchesOfPath(machine.path),
    ...machine.leads.flatMap(({ kind, ends }, n) =>
      ends.length <= leadRow(kind).ends.length
        ? []
        : [{ path: ['leads', n, 'ends'], expected: FEWER_ENDS }],
    ),
    ...machine.slots.flatMap(({ enclosureId }, n) =>
      enclosureId === null
        ? []
        : leading(enclosures, enclosureId, ['slots', n, 'enclosureId'], 'enclosure'),
    ),
    ...machine.conditions.flatMap(({ slotId, whenSlotId }, n) => [
      ...leading(slots, slotId, ['conditions', n, 'slotId'], 'slot'),
      ...leading(slots, whenSlotId, ['conditions', n, 'whenSlotId'], 'slot'),
    ]),
  ];
}

/** A fact is told of a lead by its id, whichever device it goes to. */
function mismatchesOfPath({ hops }: MachineKeys['path']): readonly Mismatch[] {
  const ids = (parts: readonly Keyed[]) => parts.map(({ id }) => id);
  return [
    ...repeated(['path', 'hops'], ids(hops), ['id']),
    ...hops.flatMap(({ leads }, n) => {
      const before = new Set(hops.slice(0, n).flatMap((hop) => ids(hop.leads)));
      const list = ['path', 'hops', n, 'leads'];
      return [
        ...repeated(list, ids(leads), ['id']),
        ...leads.flatMap(({ id }, lead) =>
          before.has(id) ? [{ path: [...list, lead, 'id'], expected: OWN_KEY }] : [],
        ),
      ];
    }),
  ];
}

/** Of a job apart from its machine, which is asked by itself. */
export function mismatchesOfJob(job: JobKeys): readonly Mismatch[] {
  const slots = idsOf(job.machine.slots);
  const needs = idsOf(job.needs);
  const slotAt = (slotId: string, ...path: readonly (string | number)[]) =>
    leading(slots, slotId, path, 'slot');
  return [
    ...(['needs', 'bought', 'photos', 'observations', 'packages'] as const).flatMap((list) =>
      repeated(
        [list],
        job[list].map(({ id }) => id),
        ['id'],
      ),
    ),
    ...repeated(['pins'], job.pins.map(pinKey), []),
    ...repeated(['acts'], job.acts.map(actId), []),
    ...job.needs.flatMap((need, n) =>
      need.slotId === undefined ? [] : slotAt(need.slotId, 'needs', n, 'slotId'),
    ),
    ...job.observations.flatMap(({ subject }, n) =>
      subject.needId !== undefined
        ? leading(needs, subject.needId, ['observations', n, 'subject', 'needId'], 'need')
        : subject.slotId === undefined
          ? []
          : slotAt(subject.slotId, 'observations', n, 'subject', 'slotId'),
    ),
    ...mismatchesOfDrives(job.needs),
    ...job.photos.flatMap(({ slotId }, n) =>
      slotId === null ? [] : slotAt(slotId, 'photos', n, 'slotId'),
    ),
    ...job.pins.flatMap((pin, n) =>
      'slotId' in pin ? slotAt(pin.slotId, 'pins', n, 'slotId') : [],
    ),
    ...(job.plan === null ? [] : mismatchesOfPlan(job.plan, slotAt)),
    ...mismatchesOfTrials(job, slotAt),
    ...(['unmet', 'met'] as const).flatMap((list) =>
      (job.plan?.[list] ?? []).flatMap((needId, n) =>
        leading(needs, needId, ['plan', list, n], 'need'),
      ),
    ),
  ];
}

/** A drive is named and prepared by its id, whichever need it is for. */
function mismatchesOfDrives(needs: JobKeys['needs']): readonly Mismatch[] {
  const seen = new Set<string>();
  return needs.flatMap(({ these = [] }, need) =>
    these.flatMap(({ id }, n) => {
      if (seen.has(id)) return [{ path: ['needs', need, 'these', n, 'id'], expected: OWN_KEY }];
      seen.add(id);
      return [];
    }),
  );
}

/** Each card is tried once, and each slot of the other machine takes one. */
function mismatchesOfTrials(
  { benchTest }: JobKeys,
  slotAt: (slotId: string, ...path: readonly (string | number)[]) => readonly Mismatch[],
): readonly Mismatch[] {
  if (benchTest === null) return [];
  const { machine, trials } = benchTest;
  const list = ['benchTest', 'trials'];
  const slots = idsOf(machine.slots);
  return [
    ...(['slotId', 'benchSlotId'] as const).flatMap((key) =>
      repeated(
        list,
        trials.map((trial) => trial[key]),
        [key],
      ),
    ),
    ...trials.flatMap(({ slotId, benchSlotId }, n) => [
      ...slotAt(slotId, ...list, n, 'slotId'),
      ...leading(slots, benchSlotId, [...list, n, 'benchSlotId'], 'slot'),
    ]),
  ];
}

function mismatchesOfPlan(
  { placements, packages, moves, givenUp, later, staged, unmet, met }: PlanKeys,
  slotAt: (slotId: string, ...path: readonly (string | number)[]) => readonly Mismatch[],
): readonly Mismatch[] {
  return [
    ...repeated(
      ['plan', 'placements'],
      placements.map(({ slotId }) => slotId),
      ['slotId'],
    ),
    ...repeated(
      ['plan', 'packages'],
      packages.map(({ id }) => id),
      ['id'],
    ),
    ...repeated(
      ['plan', 'moves'],
      moves.map(({ fromSlotId }) => fromSlotId),
      ['fromSlotId'],
    ),
    ...repeated(['plan', 'givenUp'], givenUp, []),
    ...repeated(['plan', 'later'], later, []),
    ...repeated(['plan', 'staged'], staged, []),
    ...repeated(['plan', 'unmet'], unmet, []),
    ...repeated(['plan', 'met'], met, []),
    ...placements.flatMap(({ slotId }, n) => slotAt(slotId, 'plan', 'placements', n, 'slotId')),
    ...moves.flatMap(({ fromSlotId, toSlotId }, n) => [
      ...slotAt(fromSlotId, 'plan', 'moves', n, 'fromSlotId'),
      ...slotAt(toSlotId, 'plan', 'moves', n, 'toSlotId'),
    ]),
    ...givenUp.flatMap((slotId, n) => slotAt(slotId, 'plan', 'givenUp', n)),
    ...later.flatMap((slotId, n) => slotAt(slotId, 'plan', 'later', n)),
    ...staged.flatMap((slotId, n) => slotAt(slotId, 'plan', 'staged', n)),
  ];
}

/** The job without what refers to parts that it no longer has. What did not change stays the same value, so that what
 * was worked out of it keeps. */
export function withoutDangling<Job extends JobKeys>(job: Job): Job {
  const machine = withoutDanglingParts(job.machine);
  const slots = idsOf(machine.slots);
  const there = (slotId: string) => slots.has(slotId);
  const needs = kept(job.needs, ({ slotId }) => slotId === undefined || there(slotId));
  const needIds = idsOf(needs);
  return {
    ...job,
    machine,
    needs,
    observations: kept(job.observations, ({ subject }) =>
      subject.needId !== undefined
        ? needIds.has(subject.needId)
        : subject.slotId === undefined || there(subject.slotId),
    ),
    photos: kept(job.photos, ({ slotId }) => slotId === null || there(slotId)),
    pins: kept(job.pins, (pin) => !('slotId' in pin) || there(pin.slotId)),
    plan: job.plan && planWithout(job.plan, there, needIds),
    benchTest: job.benchTest && trialsWithout(job.benchTest, there),
  };
}

function trialsWithout<Test extends NonNullable<JobKeys['benchTest']>>(
  test: Test,
  there: (slotId: string) => boolean,
): Test {
  const slots = idsOf(test.machine.slots);
  return sameOr(test, {
    trials: kept(test.trials, ({ slotId, benchSlotId }) => there(slotId) && slots.has(benchSlotId)),
  });
}

const planWithout = (
  plan: PlanKeys,
  there: (slotId: string) => boolean,
  needIds: ReadonlySet<string>,
): PlanKeys =>
  sameOr(plan, {
    placements: kept(plan.placements, ({ slotId }) => there(slotId)),
    moves: kept(plan.moves, (move) => there(move.fromSlotId) && there(move.toSlotId)),
    givenUp: kept(plan.givenUp, there),
    later: kept(plan.later, there),
    staged: kept(plan.staged, there),
    unmet: kept(plan.unmet, (needId) => needIds.has(needId)),
    met: kept(plan.met, (needId) => needIds.has(needId)),
  });

function withoutDanglingParts<Machine extends MachineKeys>(machine: Machine): Machine {
  const slots = idsOf(machine.slots);
  const enclosures = idsOf(machine.enclosures);
  const inNoEnclosure = ({ enclosureId }: MachineKeys['slots'][number]) =>
    enclosureId !== null && !enclosures.has(enclosureId);
  return sameOr(machine, {
    slots: machine.slots.some(inNoEnclosure)
      ? machine.slots.map((slot) => (inNoEnclosure(slot) ? { ...slot, enclosureId: null } : slot))
      : machine.slots,
    conditions: kept(
      machine.conditions,
      ({ slotId, whenSlotId }) => slots.has(slotId) && slots.has(whenSlotId),
    ),
  });
}

/** Makes a schema ask it: each mismatch is an issue at its place. */
export const asking =
  <Part>(mismatches: (part: Part) => readonly Mismatch[]) =>
  (parsed: z.core.ParsePayload<unknown>): void => {
    for (const { path, expected } of mismatches(parsed.value as Part))
      parsed.issues.push({
        code: 'custom',
        input: parsed.value,
        path: [...path],
        params: { expected },
        message: expected.as,
      });
  };

const idsOf = (list: readonly { readonly id: string }[]): ReadonlySet<string> =>
  new Set(list.map(({ id }) => id));

/** The same list where nothing is left out, so that what did not change stays the same value. */
const kept = <Each>(list: readonly Each[], stays: (each: Each) => boolean): readonly Each[] =>
  list.every(stays) ? list : list.filter(stays);

/** The whole with these parts; the same value where each of them is the one it has. */
const sameOr = <Whole extends object>(
  whole: Whole,
  parts: { readonly [Key in keyof Whole]?: unknown },
): Whole =>
  (Object.keys(parts) as (keyof Whole)[]).every((key) => parts[key] === whole[key])
    ? whole
    : { ...whole, ...parts };

function repeated(
  list: readonly (string | number)[],
  keys: readonly string[],
  key: readonly string[],
): readonly Mismatch[] {
  const seen = new Set<string>();
  return keys.flatMap((each, n) => {
    if (seen.has(each)) return [{ path: [...list, n, ...key], expected: OWN_KEY }];
    seen.add(each);
    return [];
  });
}

const leading = (
  there: ReadonlySet<string>,
  id: string,
  path: readonly (string | number)[],
  what: Led,
): readonly Mismatch[] => (there.has(id) ? [] : [{ path, expected: { as: 'ofDocument', what } }]);
