/** What is known of one kind of need, whatever machine it is for. Each kind has one of these, whole, in its folder. */
import * as z from 'zod/mini';
import type { Drive } from '../parts/drive.ts';
import type { ExtraNeeded } from '../parts/extra.ts';
import { id, listOf, text } from '../parts/limits.ts';
import type { RunDirection, RunKind } from '../parts/run.ts';
import { BACKINGS } from '../parts/statement.ts';
import { MANNERS } from '../standards/cardForm.ts';
import type { MEASURE_MINUTES } from '../standards/checks.ts';
import type { FILE_SECONDS } from '../standards/fileOverhead.ts';
import type { Reading } from '../standards/readings.ts';
import type { DriveArray } from '../standards/storage.ts';
import type { SLOWS_AT_CELSIUS } from '../standards/temperatures.ts';
import type { DeepReadonly } from '../units.ts';
import type { SurveyTopic } from './cardKind.ts';
import type { DeliveryKind } from './delivery.ts';

/** What every need tells. */
export const common = {
  id,
  /** Must have, or nice to have. */
  must: z.boolean(),
  /** How much a wish counts against other wishes, from 1 to 5. */
  weight: z.int().check(z.minimum(1), z.maximum(5)),
  /** Needs of one group are used at the same time; empty: on its own. */
  group: z.string().check(z.maxLength(20)),
  /** In the customer's own words. */
  words: text,
  /** How well a card that serves it has to be backed by what is said of it. */
  backing: z.enum(BACKINGS),
  /** What a card that serves it has to be that is no number. */
  manners: listOf(z.enum(MANNERS), MANNERS.length),
  /** Not bought now: it keeps slot, lanes and watts for what will serve it. */
  later: z.boolean(),
};
export type Common = DeepReadonly<z.infer<z.ZodMiniObject<typeof common>>>;

/** A measurement that may tell causes apart. */
export type Measure = keyof typeof MEASURE_MINUTES;

/** What a tool's figure is of. */
type MeasuredThing = 'wire' | 'drive' | 'copy';

/** How a measurement differs from what the need asks. */
interface Turned {
  /** Null: as the need asks. */
  readonly direction: RunDirection | null;
  /** One drive or one copy while the others rest. */
  readonly alone: boolean;
}

export interface NeedKind<Asks extends Common> {
  /** What a need of it asks; its bounds are the only ones. */
  readonly schema: z.ZodMiniType<Asks>;
  /** What it asks before its numbers are told. */
  readonly plain: Omit<Asks, keyof Common>;
  /** Kinds of card that serve it; none: it takes no card. */
  readonly servedBy: readonly DeliveryKind[];
  /** What of the survey it hangs on beside slots and case. */
  readonly asks: readonly SurveyTopic[];
  /** How it can be measured where something is copied; the first is what is taken unless told. */
  readonly runs: readonly RunKind[];
  /** Figures of tools that may be of it. */
  readonly measuredBy: readonly MeasuredThing[];
  /** Numbers beside its figure that are read off the machine. */
  readonly readings: readonly Reading[];
  /** What of it grows warm. */
  readonly warms: keyof typeof SLOWS_AT_CELSIUS;
  /** How many units (ports, screens, drives, or the thing itself) satisfy it. */
  units(need: Asks): number;
  /** What it takes its units from, where one unit serves one need only; null where needs can share. */
  pool(need: Asks): string | null;
  /** Whether it is served through a lead to the front of the case. */
  isAtFront(need: Asks): boolean;
  /** The drives that are mounted for it; null: none are. */
  mounted(need: Asks): Mounted | null;
  /** The slot whose card has to stay for it; null: any may go. */
  keeps(need: Asks): string | null;
  /** Of what it asks, what is settled by something else that it tells; by path. */
  settled(need: Asks): readonly string[];
  /** What is bought for it whatever card serves it. @param units that the card gives */
  extras(need: Asks, units: number): readonly ExtraNeeded[];
  /** The way that it asks for, as the machine sees it; null: it has none. */
  direction(need: Asks): RunDirection | null;
  /** The need as it was measured. */
  asMeasured(need: Asks, how: Turned): Asks;
  /** What each file costs beside its bytes. */
  files(need: Asks): keyof typeof FILE_SECONDS;
  /** Measurements that may tell causes apart. */
  measures(need: Asks): readonly Measure[];
}

/** Drives that are mounted for a need. */
export interface Mounted {
  /** Those that are known, in their order. */
  readonly these: readonly Drive[];
  /** In bays on cables, as modules on the card, as modules that are led to ports of the board, or either of the first two. */
  readonly on: 'cables' | 'modules' | 'ledModules' | 'either';
  /** How they work as one. */
  readonly array: DriveArray;
  /** Something was written to them before they come here. */
  readonly areUsed: boolean;
}

/** Of kinds that know nothing of the kind. */
export const no = (): boolean => false;
export const none = (): readonly never[] => [];
export const nothing = (): null => null;
/** It is measured in one way only. */
export const asAsked = <Asks>(need: Asks): Asks => need;
