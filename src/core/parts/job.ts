/** The job: the one document of which everything else is computed. */
import * as z from 'zod/mini';
import { Card } from './card.ts';
import { DriverPackage } from './driverPackage.ts';
import { Extra } from './extra.ts';
import { count, id, positive, text, whole } from './fact.ts';
import { Machine, emptyMachine } from './machine.ts';
import { Need } from './need.ts';
import { PLAIN_WEIGHTS, Pin, Weights } from './planning.ts';
import { EXTRA_KINDS } from '../standards/extras.ts';
import type { DeepReadonly } from '../units.ts';

/** Version of the job document. A file with a higher one is newer than this program. */
export const JOB_FORMAT = 4;

/** The share of a replacement's price that an old machine deserves, unless told. Common practice, no source. */
export const DESERVES_PERCENT = 33;

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

const Instant = z.iso.datetime();

/** A card in a slot. The card is kept whole, so that the job does not change with the catalogue. */
export const Placement = z.object({ slotId: id, card: Card });

export const Plan = z.object({
  placements: z.array(Placement),
  /** Packages chosen when the plan was accepted, so that the job does not change with the library. */
  packages: z.array(DriverPackage),
  /** Cards of the machine that go to another slot. */
  moves: z.array(z.object({ fromSlotId: id, toSlotId: id, card: Card })),
  /** Slots whose card comes out for good. */
  givenUp: z.array(id),
  /** What is bought beside the cards. The record is null where the catalogue held none. */
  extras: z.array(
    z.object({ kind: z.enum(EXTRA_KINDS), fits: text, count, extra: z.nullable(Extra) }),
  ),
  acceptedAt: Instant,
});

export const Reading = z.object({
  needId: id,
  /** In the unit of the expected figure. */
  value: positive,
  takenAt: Instant,
});

/** A photograph as a note on a slot; the picture itself is kept beside the job under this id. */
export const Photo = z.object({ id, slotId: id, words: text, takenAt: Instant });

export const LogEntry = z.object({
  at: Instant,
  who: text,
  /** Name of the command, and the few words that tell this one from others of its kind. */
  command: text,
  detail: text,
});

export const Job = z.object({
  format: z.literal(JOB_FORMAT),
  id,
  title: text,
  customer: text,
  technician: text,
  createdAt: Instant,
  changedAt: Instant,
  /** Counts every change, so that two windows notice each other. */
  revision: whole,
  machine: Machine,
  needs: z.array(Need),
  budgetCents: z.nullable(whole),
  /** What another machine in its place would cost, and the share of it in percent that this one still deserves. */
  replacementCents: z.nullable(whole),
  deservesPercent: z.int().check(z.minimum(1), z.maximum(100)),
  /** What is settled before anything is planned, and how much each kind of cost counts. */
  pins: z.array(Pin),
  weights: Weights,
  plan: z.nullable(Plan),
  /** What is bought for the machine itself; the survey tells its facts as they are with it. */
  bought: z.array(Extra),
  /** When each step was ticked, by step id. */
  ticks: z.record(z.string().check(z.maxLength(120)), Instant),
  readings: z.array(Reading),
  photos: z.array(Photo),
  notes: z.string().check(z.maxLength(5000)),
  log: z.array(LogEntry),
});

export type Placement = DeepReadonly<z.infer<typeof Placement>>;
export type Plan = DeepReadonly<z.infer<typeof Plan>>;
export type Reading = DeepReadonly<z.infer<typeof Reading>>;
export type Photo = DeepReadonly<z.infer<typeof Photo>>;
export type LogEntry = DeepReadonly<z.infer<typeof LogEntry>>;
export type Job = DeepReadonly<z.infer<typeof Job>>;

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
    bought: [],
    ticks: {},
    readings: [],
    photos: [],
    notes: '',
    log: [],
  };
}
