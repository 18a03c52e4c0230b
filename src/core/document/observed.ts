/** Observations as the technician enters them, and how they are found again. */
import { PLAIN_RUN, type RunConditions } from '../parts/run.ts';
import type {
  CauseObservation,
  CheckObservation,
  DriveObservation,
  Observation,
  Phase,
  ReadingObservation,
  RunObservation,
  SerialObservation,
  SettingObservation,
} from './observation.ts';

/** A name as part of an id. */
const named = (name: string, most: number): string =>
  name.replaceAll(/[^A-Za-z0-9_-]/g, '-').slice(0, most);

/** An instant as part of an id. */
const digits = (at: string): string => at.replaceAll(/\D/g, '');

const entered = { source: 'technician', phase: 'after', conditions: '' } as const;

interface RunTold extends Partial<RunConditions> {
  readonly phase?: Phase;
  readonly source?: RunObservation['source'];
  readonly conditions?: string;
  /** Tells runs of one instant from each other. */
  readonly n?: number;
}

/** One measurement in the unit of the need's figure. `at` is an ISO instant; runs of one instant are told apart by their number. */
export const enteredRun = (
  needId: string,
  value: number,
  at: string,
  { n = 0, ...told }: RunTold = {},
): RunObservation => ({
  id: `run-${named(needId, 24)}-${digits(at)}-${n}`,
  kind: 'run',
  subject: { needId },
  value,
  at,
  ...entered,
  ...PLAIN_RUN,
  ...told,
});

/** The answer to a check: one a part and check, a later one in the place of an earlier. `at` is an ISO instant. */
export const answeredCheck = (
  needId: string,
  value: CheckObservation['value'],
  at: string,
): CheckObservation => ({
  id: `check-${named(needId, 24)}-${named(`${value.check}-${value.part}`, 32)}`,
  kind: 'check',
  subject: { needId },
  value,
  at,
  ...entered,
});

/** What turned out to be the cause: the same one may be found again once it was mended. `at` is an ISO instant. */
export const foundCause = (
  needId: string,
  value: CauseObservation['value'],
  at: string,
): CauseObservation => ({
  id: `cause-${named(needId, 16)}-${named(`${value.cause}-${value.part}`, 20)}-${digits(at)}`,
  kind: 'cause',
  subject: { needId },
  value,
  at,
  ...entered,
});

/** A number read off the machine: one a need and kind. `at` is an ISO instant. */
export const enteredReading = (
  needId: string,
  value: ReadingObservation['value'],
  at: string,
): ReadingObservation => ({
  id: `reading-${named(needId, 32)}-${value.what}`,
  kind: 'reading',
  subject: { needId },
  value,
  at,
  ...entered,
});

/** A setting as the technician reads it off the firmware: one a name. `at` is an ISO instant. */
export const notedSetting = (name: string, setTo: string, at: string): SettingObservation => ({
  id: `setting-${named(name, 48)}`,
  kind: 'setting',
  subject: {},
  value: { name, setTo },
  at,
  ...entered,
  phase: 'before',
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
  at,
  ...entered,
});

/** A drive as the technician names it before it is prepared: one a serial number. `at` is an ISO instant. */
export const namedDrive = (
  slotId: string | null,
  value: DriveObservation['value'],
  at: string,
): DriveObservation => ({
  id: `drive-${named(value.drive.serial, 48)}`,
  kind: 'drive',
  subject: slotId === null ? {} : { slotId },
  value,
  at,
  ...entered,
});

/** Drives that were named for the card in a slot; without one for the board's own ports. */
export const drivesNamed = (
  observations: readonly Observation[],
  slotId: string | null,
): readonly DriveObservation[] =>
  observations.filter(
    (each): each is DriveObservation =>
      each.kind === 'drive' && (each.subject.slotId ?? null) === slotId,
  );

/** The serial number of the card in a slot; null where nobody entered one. */
export const serialOf = (observations: readonly Observation[], slotId: string): string | null =>
  observations.findLast(
    (each): each is SerialObservation => each.kind === 'serial' && each.subject.slotId === slotId,
  )?.value ?? null;

const forNeed =
  <Kind extends 'run' | 'check' | 'cause' | 'reading'>(kind: Kind) =>
  (
    observations: readonly Observation[],
    needId: string,
  ): readonly Extract<Observation, { kind: Kind }>[] =>
    observations.filter(
      (each): each is Extract<Observation, { kind: Kind }> =>
        each.kind === kind && 'needId' in each.subject && each.subject.needId === needId,
    );

const runsFor = forNeed('run');
export const checksFor = forNeed('check');
export const causesFor = forNeed('cause');
export const readingsFor = forNeed('reading');

/** All runs of a need, before the cards are in or after, in the order in which they were measured. */
export const runsOf = (
  observations: readonly Observation[],
  needId: string,
  phase: Phase = 'after',
): readonly RunObservation[] =>
  runsFor(observations, needId).filter((each) => each.phase === phase);
