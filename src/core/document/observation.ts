/** What is seen or measured once a plan is accepted. It stands beside the survey and never changes it. */
import * as z from 'zod/mini';
import { Source } from '../parts/fact.ts';
import * as limits from '../parts/limits.ts';
import { MOST, id, instant, listOf, text } from '../parts/limits.ts';
import { GenerationSchema } from './machine.ts';
import { PciAddress } from '../parts/pciFunction.ts';
import { Drive } from '../parts/drive.ts';
import { READINGS } from '../standards/readings.ts';
import { runFields } from '../parts/run.ts';
import { CAUSE_CODES } from '../standards/causes.ts';
import { CHECK_CODES } from '../standards/checks.ts';
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

/** A figure measured for a need, in the unit of the expected figure: of each drive while all work, of all ports of a team. */
const Run = z.object({
  kind: z.literal('run'),
  subject: z.object({ needId: id }),
  value: limits.figure,
  ...runFields,
  ...seenAt,
});

/** The answer to a check, of a part of what the need goes through. */
const Checked = z.object({
  kind: z.literal('check'),
  subject: z.object({ needId: id }),
  value: z.object({
    part: limits.shortName,
    check: z.enum(CHECK_CODES),
    answer: limits.shortName,
  }),
  ...seenAt,
});

/** What was found to be the cause: it becomes a task that mends it. */
const CauseFound = z.object({
  kind: z.literal('cause'),
  subject: z.object({ needId: id }),
  value: z.object({
    part: limits.shortName,
    cause: z.enum(CAUSE_CODES),
    /** The figure that it explains, in the unit of the need's; null: it was seen, and not measured. */
    figure: z.nullable(limits.figure),
  }),
  ...seenAt,
});

/** A number read off the machine that is no rate. */
const Reading = z.object({
  kind: z.literal('reading'),
  subject: z.object({ needId: id }),
  value: z.object({ what: z.enum(READINGS), number: limits.reading }),
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
  /** The card that it hangs on; without one it hangs on the board itself. */
  subject: z.object({ slotId: z.optional(id) }),
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
  Run,
  Checked,
  CauseFound,
  Reading,
  Device,
  Serial,
  Devices,
  NamedDrive,
  Setting,
]);

export type Observation = DeepReadonly<z.infer<typeof Observation>>;
export type RunObservation = DeepReadonly<z.infer<typeof Run>>;
export type CheckObservation = DeepReadonly<z.infer<typeof Checked>>;
export type CauseObservation = DeepReadonly<z.infer<typeof CauseFound>>;
export type ReadingObservation = DeepReadonly<z.infer<typeof Reading>>;
export type DeviceObservation = DeepReadonly<z.infer<typeof Device>>;
export type DevicesObservation = DeepReadonly<z.infer<typeof Devices>>;
export type DriveObservation = DeepReadonly<z.infer<typeof NamedDrive>>;
export type SettingObservation = DeepReadonly<z.infer<typeof Setting>>;
export type SerialObservation = DeepReadonly<z.infer<typeof Serial>>;
