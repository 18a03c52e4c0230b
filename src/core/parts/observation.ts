/** What is seen or measured once a plan is accepted. It stands beside the survey and never changes it. */
import * as z from 'zod/mini';
import { Source } from './fact.ts';
import * as limits from './limits.ts';
import { id, instant, text } from './limits.ts';
import { GenerationSchema } from './machine.ts';
import { PciAddress } from './pciFunction.ts';
import type { DeepReadonly } from '../units.ts';

/** Before the cards are in, or after. */
const PHASES = ['before', 'after'] as const;
export type Phase = (typeof PHASES)[number];

const seenAt = {
  id,
  source: Source,
  at: instant,
  phase: z.enum(PHASES),
  /** Under what conditions: the file it was read from, what was copied. */
  conditions: text,
};

/** A figure measured for a need, in the unit of the expected figure. */
const Figure = z.object({
  kind: z.literal('figure'),
  subject: z.object({ needId: id }),
  value: limits.figure,
  ...seenAt,
});

/** What a report shows of the card that the plan has in a slot. */
const Device = z.object({
  kind: z.literal('device'),
  subject: z.object({ slotId: id }),
  value: z.object({
    /** Null: the report does not have it. */
    address: z.nullable(PciAddress),
    /** The port with a slot above it; null where the report shows none. */
    port: z.nullable(PciAddress),
    /** What its link trained to. */
    link: z.nullable(z.object({ generation: GenerationSchema, width: limits.lanes })),
    /** Whether the report tells drivers at all, and the one in use. */
    tellsDrivers: z.boolean(),
    driver: z.nullable(text),
    /** What its system says is wrong with it; empty: nothing. */
    trouble: text,
  }),
  ...seenAt,
});

/** The serial number of the card that the plan has in a slot, as it stands on it. */
const Serial = z.object({
  kind: z.literal('serial'),
  subject: z.object({ slotId: id }),
  value: text,
  ...seenAt,
});

export const Observation = z.discriminatedUnion('kind', [Figure, Device, Serial]);

export type Observation = DeepReadonly<z.infer<typeof Observation>>;
export type FigureObservation = DeepReadonly<z.infer<typeof Figure>>;
export type DeviceObservation = DeepReadonly<z.infer<typeof Device>>;
export type SerialObservation = DeepReadonly<z.infer<typeof Serial>>;

/** A figure as the technician enters it: one a need, a later one in the place of an earlier. `at` is an ISO instant. */
export const enteredFigure = (needId: string, value: number, at: string): FigureObservation => ({
  id: `figure-${needId}`,
  kind: 'figure',
  subject: { needId },
  value,
  source: 'technician',
  at,
  phase: 'after',
  conditions: '',
});

/** A serial number as the technician reads it: one a slot. `at` is an ISO instant. */
export const enteredSerial = (slotId: string, value: string, at: string): SerialObservation => ({
  id: `serial-${slotId}`,
  kind: 'serial',
  subject: { slotId },
  value,
  source: 'technician',
  at,
  phase: 'after',
  conditions: '',
});

/** The serial number of the card in a slot; null where nobody entered one. */
export const serialOf = (observations: readonly Observation[], slotId: string): string | null =>
  observations.findLast(
    (each): each is SerialObservation => each.kind === 'serial' && each.subject.slotId === slotId,
  )?.value ?? null;

/** The last figure measured for a need. */
export const figureFor = (
  observations: readonly Observation[],
  needId: string,
): FigureObservation | null =>
  observations.findLast(
    (each): each is FigureObservation => each.kind === 'figure' && each.subject.needId === needId,
  ) ?? null;
