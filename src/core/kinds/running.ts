/**
 * How one kind of need behaves in a machine that runs: what its parts carry and what can be wrong with them. It is reckoned here
 * anew, and knows nothing of what a way expects or a diagnosis asks. Each kind has one of these, whole, in its folder.
 */
import type { Card } from '../document/card.ts';
import type { Machine, Slot } from '../document/machine.ts';
import { valueOf } from '../parts/fact.ts';
import type { RunDirection } from '../parts/run.ts';
import type { Cause } from '../standards/causes.ts';
import type { FILE_SECONDS } from '../standards/fileOverhead.ts';
import {
  SATA_PORT_BYTES_PER_SECOND,
  arrayBytesPerSecond,
  type CopyDrive,
} from '../standards/storage.ts';

export type Range = readonly [number, number];

/** A part with what it carries while nothing is wrong with it. */
export interface Part {
  readonly id: string;
  readonly carries: number;
  /** It is no part of a measurement from memory to memory. */
  readonly isDrive: boolean;
}

/** Draws a part from its band. */
export type Make = (id: string, band: Range, isDrive?: boolean) => Part;

/** What the measurement is of. */
export interface Measuring {
  readonly direction: RunDirection;
  readonly alone: boolean;
}

/** What is wrong with a part. */
export interface Fault {
  /** `wire 0` is the lead to the first device of the path. */
  readonly part: string;
  readonly cause: Cause;
}

export interface InSlot {
  readonly card: Card;
  readonly slot: Slot;
}

export interface RunningKind<Asks> {
  /** Its figure comes over the link of its card, which is then the first of its parts. */
  isOverLink(need: Asks): boolean;
  /** What can be wrong with any card can be wrong with it; else its driver alone. */
  readonly isThroughCard: boolean;
  /** Repeated measurements differ a little: a screen shows a mode, or it does not. */
  readonly wobbles: boolean;
  /** A narrower link costs it something although nothing is counted over it. */
  readonly feelsLink: boolean;
  /** What each file costs beside its bytes. */
  files(need: Asks): keyof typeof FILE_SECONDS;
  /** Drives, ports or copies that share what is before them. */
  streams(need: Asks, card: InSlot, how: Measuring): number;
  /** How many times one stream's rate its figure is. */
  gain(need: Asks, card: InSlot, how: Measuring): Range;
  /** What stands behind the link of its card. */
  parts(
    need: Asks,
    card: InSlot,
    machine: Machine,
    how: Measuring,
    make: Make,
    streams: number,
  ): readonly Part[];
  faults(need: Asks, card: InSlot, machine: Machine): readonly Fault[];
  /** Whether a drive that is missing is felt in this measurement. */
  missesDrive(need: Asks, how: Measuring): boolean;
}

/** Of kinds that know nothing of the kind. */
export const always = (): boolean => true;
export const never = (): boolean => false;
export const one = (): number => 1;
export const once = (): Range => [1, 1];

/** A kind whose figure is a count. */
export const NOT_MEASURED: RunningKind<unknown> = {
  isOverLink: never,
  isThroughCard: true,
  wobbles: false,
  feelsLink: false,
  files: () => 'solidState',
  streams: one,
  gain: once,
  parts: () => [],
  faults: () => [],
  missesDrive: never,
};

export const faultsAt = (part: string, ...causes: readonly Cause[]): readonly Fault[] =>
  causes.map((cause) => ({ part, cause }));

export const split = ([low, high]: Range, by: number): Range => [low / by, high / by];

/** The machine's own drive, and the port that it hangs on. */
export function ownDriveParts(
  { path }: Machine,
  what: RunDirection,
  make: Make,
  copies: number,
): readonly Part[] {
  const port = valueOf(path.ownDrivePort);
  const count = valueOf(path.ownArray)?.count ?? 1;
  return [
    ...endDriveParts('ownDrive', path.ownDrive, path.ownArray, what, make, copies),
    ...(port === null || valueOf(path.ownDrive) === 'nvme'
      ? []
      : [make('ownDrivePort', split(SATA_PORT_BYTES_PER_SECOND[port], copies / count), true)]),
  ];
}

export function endDriveParts(
  id: string,
  drive: Machine['path']['ownDrive'],
  array: Machine['path']['ownArray'],
  what: RunDirection,
  make: Make,
  copies: number,
): readonly Part[] {
  const kind: CopyDrive | null = valueOf(drive);
  if (kind === null) return [];
  const of = valueOf(array) ?? { count: 1, how: 'single' as const };
  return [make(id, split(arrayBytesPerSecond(kind, of, what), copies), true)];
}
