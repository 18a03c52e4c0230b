/** What is seen or measured once a plan is accepted. It stands beside the survey and never changes it. */
import * as z from 'zod/mini';
import { Source } from './fact.ts';
import * as limits from './limits.ts';
import { MOST, id, instant, listOf, text } from './limits.ts';
import { GenerationSchema } from './machine.ts';
import { PciAddress } from './pciFunction.ts';
import { Drive } from './drive.ts';
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
    /** Its place on the bus, or what a report without places calls its slot. Null: the report does not have it. */
    place: z.nullable(text),
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

/** Every device that a report shows, whether the plan has it or not. */
const Devices = z.object({
  kind: z.literal('devices'),
  subject: z.object({}),
  value: z.object({
    tellsDrivers: z.boolean(),
    /** It is a report of the whole machine, and not of devices that were picked out. */
    isWhole: z.boolean(),
    list: listOf(
      z.object({
        /** Its place, or the name that its system has for it. */
        id: text,
        /** `vendor:device` in hexadecimal; null for what is no PCI device. */
        device: z.nullable(text),
        name: text,
        class24: z.nullable(limits.code24),
        driver: z.nullable(text),
        /** What its system says is wrong with it; empty: nothing. */
        status: text,
      }),
      MOST.functions,
    ),
  }),
  ...seenAt,
});

/** A drive that is prepared for use: named by its serial number, and what became of what was on it. */
const NamedDrive = z.object({
  kind: z.literal('drive'),
  subject: z.object({ slotId: id }),
  value: z.object({ drive: Drive, holds: z.enum(['nothing', 'something']) }),
  ...seenAt,
});

/** A setting of the firmware as it was before the work, by the name that it has there. */
const Setting = z.object({
  kind: z.literal('setting'),
  subject: z.object({}),
  value: z.object({ name: text, setTo: text }),
  ...seenAt,
});

export const Observation = z.discriminatedUnion('kind', [
  Figure,
  Device,
  Serial,
  Devices,
  NamedDrive,
  Setting,
]);

export type Observation = DeepReadonly<z.infer<typeof Observation>>;
export type FigureObservation = DeepReadonly<z.infer<typeof Figure>>;
export type DeviceObservation = DeepReadonly<z.infer<typeof Device>>;
export type DevicesObservation = DeepReadonly<z.infer<typeof Devices>>;
export type DriveObservation = DeepReadonly<z.infer<typeof NamedDrive>>;
export type SettingObservation = DeepReadonly<z.infer<typeof Setting>>;
export type SerialObservation = DeepReadonly<z.infer<typeof Serial>>;

/** A figure as the technician enters it: one a need and phase, a later one in the place of an earlier. `at` is an ISO instant. */
export const enteredFigure = (
  needId: string,
  value: number,
  at: string,
  phase: Phase = 'after',
): FigureObservation => ({
  id: phase === 'after' ? `figure-${needId}` : `figure-before-${needId}`,
  kind: 'figure',
  subject: { needId },
  value,
  source: 'technician',
  at,
  phase,
  conditions: '',
});

/** A setting as the technician reads it off the firmware: one a name. `at` is an ISO instant. */
export const notedSetting = (name: string, setTo: string, at: string): SettingObservation => ({
  id: `setting-${name.replaceAll(/[^A-Za-z0-9_-]/g, '-').slice(0, 48)}`,
  kind: 'setting',
  subject: {},
  value: { name, setTo },
  source: 'technician',
  at,
  phase: 'before',
  conditions: '',
});

export const settingsNoted = (
  observations: readonly Observation[],
): readonly SettingObservation[] =>
  observations.filter((each): each is SettingObservation => each.kind === 'setting');

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

/** A drive as the technician names it before it is prepared: one a serial number. `at` is an ISO instant. */
export const namedDrive = (
  slotId: string,
  value: DriveObservation['value'],
  at: string,
): DriveObservation => ({
  id: `drive-${value.drive.serial.replaceAll(/[^A-Za-z0-9_-]/g, '-').slice(0, 48)}`,
  kind: 'drive',
  subject: { slotId },
  value,
  source: 'technician',
  at,
  phase: 'after',
  conditions: '',
});

/** Drives that were named for the card in a slot. */
export const drivesNamed = (
  observations: readonly Observation[],
  slotId: string,
): readonly DriveObservation[] =>
  observations.filter(
    (each): each is DriveObservation => each.kind === 'drive' && each.subject.slotId === slotId,
  );

/** The serial number of the card in a slot; null where nobody entered one. */
export const serialOf = (observations: readonly Observation[], slotId: string): string | null =>
  observations.findLast(
    (each): each is SerialObservation => each.kind === 'serial' && each.subject.slotId === slotId,
  )?.value ?? null;

/** The last figure measured for a need, before the cards are in or after. */
export const figureFor = (
  observations: readonly Observation[],
  needId: string,
  phase: Phase = 'after',
): FigureObservation | null =>
  observations.findLast(
    (each): each is FigureObservation =>
      each.kind === 'figure' && each.subject.needId === needId && each.phase === phase,
  ) ?? null;
