/** The job: the one document of which everything else is computed. */
import * as z from 'zod/mini';
import { Act } from './act.ts';
import { Card } from './card.ts';
import { DriverPackage, DriverWays, PLAIN_WAYS } from './driverPackage.ts';
import { Extra } from '../parts/extra.ts';
import * as limits from '../parts/limits.ts';
import { MOST, id, instant, listOf, text } from '../parts/limits.ts';
import { Machine, emptyMachine } from './machine.ts';
import { Need } from '../kinds/need.ts';
import { Observation } from './observation.ts';
import { PLAIN_WEIGHTS, Pin, Weights } from './planning.ts';
import { asking, mismatchesOfJob } from './references.ts';
import { EXTRA_KINDS } from '../standards/extras.ts';
import type { DeepReadonly } from '../units.ts';

/** Version of the job document. A file with a higher one is newer than this program. */
export const JOB_FORMAT = 14;

/** The share of a replacement's price that an old machine deserves, unless told. Common practice, no source. */
const DESERVES_PERCENT = 33;

export const STAGES = [
  'survey',
  'needs',
  'choose',
  'prepare',
  'fit',
  'drivers',
  'prove',
  'hand-over',
] as const;
export type Stage = (typeof STAGES)[number];

/** A card in a slot. The card is kept whole, so that the job does not change with the catalogue. */
export const Placement = z.object({ slotId: id, card: Card });

export const Plan = z.object({
  placements: listOf(Placement, MOST.placements),
  /** Packages for its cards and the machine's devices when it was accepted: the job does not change with the library. */
  packages: listOf(DriverPackage, MOST.packages),
  /** Cards of the machine that go to another slot. */
  moves: listOf(z.object({ fromSlotId: id, toSlotId: id, card: Card }), MOST.placements),
  /** Slots whose card comes out for good. */
  givenUp: listOf(id, MOST.placements),
  /** Slots that it keeps for later: their cards are not bought now. */
  later: listOf(id, MOST.placements),
  /** Slots whose new card goes in once the others run: a second round of fitting, drivers and proof. */
  staged: listOf(id, MOST.placements),
  /** Needs that it leaves, though a card of it might serve each of them alone. */
  unmet: listOf(id, MOST.needs),
  /** Needs that the machine met as it stood: nothing was chosen for them. */
  met: listOf(id, MOST.needs),
  /** What is bought beside the cards. The record is null where the catalogue held none. */
  extras: listOf(
    z.object({
      kind: z.enum(EXTRA_KINDS),
      fits: text,
      count: limits.bought,
      extra: z.nullable(Extra),
    }),
    MOST.extras,
  ),
  acceptedAt: instant,
});

/** Another, similar machine in which cards are tried before the real build, and which goes into which of its slots. */
const BenchTest = z.object({
  machine: Machine,
  /** It stands open, without a case around it. */
  isOpen: z.boolean(),
  trials: listOf(z.object({ slotId: id, benchSlotId: id }), MOST.placements),
});

/** The two ways against static: a strap that is worn, or bare earthed metal touched before each handling. */
export const STATIC_WAYS = ['strap', 'touch'] as const;

/** A photograph as a note on a slot, or, with none, on how the machine came; the picture itself is kept beside the job under this id. */
export const Photo = z.object({ id, slotId: z.nullable(id), words: text, takenAt: instant });

export const LogEntry = z.object({
  at: instant,
  who: text,
  /** Name of the command, and the few words that tell this one from others of its kind. */
  command: text,
  detail: text,
});

export const Job = z
  .object({
    format: z.literal(JOB_FORMAT),
    id,
    title: text,
    customer: text,
    technician: text,
    createdAt: instant,
    changedAt: instant,
    /** Counts every change, so that two windows notice each other. */
    revision: limits.revision,
    machine: Machine,
    needs: listOf(Need, MOST.needs),
    budgetCents: z.nullable(limits.cents),
    /** What another machine in its place would cost, and the share of it in percent that this one still deserves. */
    replacementCents: z.nullable(limits.cents),
    deservesPercent: z.int().check(z.minimum(1), z.maximum(100)),
    /** What is settled before anything is planned, and how much each kind of cost counts. */
    pins: listOf(Pin, MOST.pins),
    weights: Weights,
    plan: z.nullable(Plan),
    benchTest: z.nullable(BenchTest),
    /** Settled before anything inside is touched. */
    staticWay: z.nullable(z.enum(STATIC_WAYS)),
    /** Driver packages at hand, and how drivers are dealt with. */
    packages: listOf(DriverPackage, MOST.packages),
    driverWays: DriverWays,
    /** What is bought for the machine itself; the survey tells its facts as they are with it. */
    bought: listOf(Extra, MOST.bought),
    /** What is done, in the order in which it was. */
    acts: listOf(Act, MOST.acts),
    observations: listOf(Observation, MOST.observations),
    photos: listOf(Photo, MOST.photos),
    notes: limits.notes,
    log: listOf(LogEntry, MOST.log),
  })
  .check(asking(mismatchesOfJob));

export type Placement = DeepReadonly<z.infer<typeof Placement>>;
export type Plan = DeepReadonly<z.infer<typeof Plan>>;
export type StaticWay = (typeof STATIC_WAYS)[number];
export type Photo = DeepReadonly<z.infer<typeof Photo>>;
export type LogEntry = DeepReadonly<z.infer<typeof LogEntry>>;
export type Job = DeepReadonly<z.infer<typeof Job>>;

/** Of a job that was changed once more. Two revisions are only ever compared for being the same: beyond the last comes the first. */
export const nextRevision = ({ revision }: Pick<Job, 'revision'>): number =>
  revision >= limits.MOST_REVISION ? 0 : revision + 1;

/** What one state of a job is known by: on two benches the same job may have come to the same revision by other ways. */
export const stateMark = ({ revision, changedAt }: Pick<Job, 'revision' | 'changedAt'>): string =>
  `${revision} ${changedAt}`;

/** A new job, with nothing known yet. `at` is an ISO instant. */
export function emptyJob(jobId: string, at: string): Job {
  return {
    format: JOB_FORMAT,
    id: jobId,
    title: '',
    customer: '',
    technician: '',
    createdAt: at,
    changedAt: at,
    revision: 0,
    machine: emptyMachine(),
    needs: [],
    budgetCents: null,
    replacementCents: null,
    deservesPercent: DESERVES_PERCENT,
    pins: [],
    weights: PLAIN_WEIGHTS,
    plan: null,
    benchTest: null,
    staticWay: null,
    packages: [],
    driverWays: PLAIN_WAYS,
    bought: [],
    acts: [],
    observations: [],
    photos: [],
    notes: '',
    log: [],
  };
}
