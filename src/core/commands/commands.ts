/**
 * A job changes only through these commands. Each is data, so that it can be logged; applying one is a pure
 * function of the job, the command, and the instant and the person that come in as arguments.
 */
import type { Extra } from '../parts/extra.ts';
import type { DriverPackage } from '../parts/driverPackage.ts';
import type { Job, LogEntry, Photo, Placement, Plan } from '../parts/job.ts';
import { MOST } from '../parts/limits.ts';
import type { Machine } from '../parts/machine.ts';
import type { Need } from '../parts/need.ts';
import { withoutDangling } from '../parts/references.ts';
import { pinKey, type Pin, type WeighedPart, type Weights } from '../parts/planning.ts';

export type Command =
  | {
      readonly name: 'describeJob';
      readonly details: Partial<Pick<Job, 'title' | 'customer' | 'technician' | 'notes'>>;
    }
  | { readonly name: 'takeTemplate'; readonly machine: Machine }
  | {
      readonly name: 'readMachine';
      /** With what was read taken in. */
      readonly machine: Machine;
      /** How many devices were read. */
      readonly devices: number;
    }
  /** `what` says in a few words which fact changed. */
  | { readonly name: 'changeMachine'; readonly machine: Machine; readonly what: string }
  | { readonly name: 'addPhoto'; readonly photo: Photo }
  | { readonly name: 'removePhoto'; readonly photoId: string }
  | { readonly name: 'addNeed'; readonly need: Need }
  | { readonly name: 'changeNeed'; readonly need: Need }
  | { readonly name: 'removeNeed'; readonly needId: string }
  | { readonly name: 'setBudget'; readonly cents: number | null }
  | {
      readonly name: 'setWorth';
      readonly replacementCents: number | null;
      readonly deservesPercent: number;
    }
  | {
      readonly name: 'acceptPlan';
      readonly placements: readonly Placement[];
      readonly packages: readonly DriverPackage[];
      readonly moves?: Plan['moves'];
      readonly givenUp?: Plan['givenUp'];
      readonly extras?: Plan['extras'];
      /** What was not taken, each in a line with its reason: it is kept in the log. */
      readonly refused?: readonly string[];
    }
  | { readonly name: 'addPin'; readonly pin: Pin }
  | { readonly name: 'removePin'; readonly pin: Pin }
  | { readonly name: 'setWeights'; readonly weights: Weights }
  /** Something for the machine itself, and the machine with it; `what` says in a few words what that changes. */
  | {
      readonly name: 'buyForMachine';
      readonly extra: Extra;
      readonly machine: Machine;
      readonly what: string;
    }
  /** It is there: nothing has to be ordered any more. */
  | { readonly name: 'dropBought'; readonly extraId: string }
  | { readonly name: 'withdrawPlan' }
  | { readonly name: 'tickStep'; readonly stepId: string }
  | { readonly name: 'untickStep'; readonly stepId: string }
  | { readonly name: 'recordReading'; readonly needId: string; readonly value: number }
  | { readonly name: 'removeReading'; readonly needId: string };

export type CommandName = Command['name'];

export interface Stamp {
  /** ISO instant. */
  readonly at: string;
  readonly who: string;
}

const LONGEST_DETAIL = 200;

/** The job after the command, one revision on, with the command in its log. What led to a part that is gone goes with it. */
export function apply(job: Job, command: Command, stamp: Stamp): Job {
  const changed = withoutDangling(change(job, command, stamp.at));
  return {
    ...changed,
    revision: job.revision + 1,
    changedAt: stamp.at,
    log: logged(
      job.log,
      { ...stamp, command: command.name, detail: detailOf(job, command) },
      ...refusedBy(command).map((detail) => ({ ...stamp, command: 'refuseAlternative', detail })),
    ),
  };
}

/** Says in a log how many of its oldest entries had to go. */
export const LOG_SHORTENED = 'shortenLog';

/** The log with what was done; what no longer fits goes from the oldest end, and an entry says how much. */
function logged(log: Job['log'], ...done: readonly LogEntry[]): Job['log'] {
  const all = [
    ...log,
    ...done.map((entry) => ({ ...entry, detail: entry.detail.slice(0, LONGEST_DETAIL) })),
  ];
  if (all.length <= MOST.log) return all;
  const gone = all.slice(0, 1 - MOST.log);
  const first = gone[0]!;
  const before = first.command === LOG_SHORTENED ? Number(first.detail) - 1 : 0;
  const word: LogEntry = {
    at: gone.at(-1)!.at,
    who: '',
    command: LOG_SHORTENED,
    detail: String(before + gone.length),
  };
  return [word, ...all.slice(1 - MOST.log)];
}

const refusedBy = (command: Command): readonly string[] =>
  command.name === 'acceptPlan' ? (command.refused ?? []) : [];

/** The job as it was, as a new revision: undoing and redoing are entries of the log like any other. */
export function restore(
  now: Job,
  past: Job,
  how: 'undo' | 'redo',
  what: string,
  stamp: Stamp,
): Job {
  return {
    ...past,
    revision: now.revision + 1,
    changedAt: stamp.at,
    log: logged(now.log, { ...stamp, command: how, detail: what }),
  };
}

function change(job: Job, command: Command, at: string): Job {
  switch (command.name) {
    case 'describeJob':
      return { ...job, ...command.details };
    case 'takeTemplate':
    case 'changeMachine':
    case 'readMachine':
      return { ...job, machine: command.machine };
    case 'addPhoto':
      return { ...job, photos: [...job.photos, command.photo] };
    case 'removePhoto':
      return { ...job, photos: job.photos.filter(({ id }) => id !== command.photoId) };
    case 'addNeed':
      return { ...job, needs: [...job.needs, command.need] };
    case 'changeNeed':
      return {
        ...job,
        needs: job.needs.map((need) => (need.id === command.need.id ? command.need : need)),
        readings: withoutReading(job, command.need.id),
      };
    case 'removeNeed':
      return {
        ...job,
        needs: job.needs.filter(({ id }) => id !== command.needId),
        readings: withoutReading(job, command.needId),
      };
    case 'setBudget':
      return { ...job, budgetCents: command.cents };
    case 'setWorth':
      return {
        ...job,
        replacementCents: command.replacementCents,
        deservesPercent: command.deservesPercent,
      };
    case 'acceptPlan':
      return {
        ...job,
        plan: {
          placements: command.placements,
          packages: command.packages,
          moves: command.moves ?? [],
          givenUp: command.givenUp ?? [],
          extras: command.extras ?? [],
          acceptedAt: at,
        },
      };
    case 'addPin':
      return { ...job, pins: [...withoutPin(job, command.pin), command.pin] };
    case 'removePin':
      return { ...job, pins: withoutPin(job, command.pin) };
    case 'setWeights':
      return { ...job, weights: command.weights };
    case 'buyForMachine':
      return {
        ...job,
        machine: command.machine,
        // A machine has one supply, and one cable and switch on its way: another takes its place.
        bought: [...job.bought.filter(({ kind }) => kind !== command.extra.kind), command.extra],
      };
    case 'dropBought':
      return { ...job, bought: job.bought.filter(({ id }) => id !== command.extraId) };
    case 'withdrawPlan':
      return { ...job, plan: null };
    case 'tickStep':
      return { ...job, ticks: { ...job.ticks, [command.stepId]: at } };
    case 'untickStep':
      return {
        ...job,
        ticks: Object.fromEntries(
          Object.entries(job.ticks).filter(([stepId]) => stepId !== command.stepId),
        ),
      };
    case 'recordReading':
      return {
        ...job,
        readings: [
          ...withoutReading(job, command.needId),
          { needId: command.needId, value: command.value, takenAt: at },
        ],
      };
    case 'removeReading':
      return { ...job, readings: withoutReading(job, command.needId) };
  }
}

const withoutPin = (job: Job, pin: Pin) => job.pins.filter((each) => pinKey(each) !== pinKey(pin));

const withoutReading = (job: Job, needId: string) =>
  job.readings.filter((reading) => reading.needId !== needId);

function detailOf(job: Job, command: Command): string {
  switch (command.name) {
    case 'describeJob':
      return Object.keys(command.details).join(', ');
    case 'takeTemplate':
      return command.machine.name;
    case 'readMachine':
      return String(command.devices);
    case 'changeMachine':
      return command.what;
    case 'addPhoto':
      return command.photo.words;
    case 'removePhoto':
      return job.photos.find(({ id }) => id === command.photoId)?.words ?? '';
    case 'addNeed':
    case 'changeNeed':
      return command.need.kind;
    case 'removeNeed':
      return job.needs.find(({ id }) => id === command.needId)?.kind ?? '';
    case 'setBudget':
      return command.cents === null ? '' : (command.cents / 100).toFixed(2);
    case 'setWorth':
      return `${command.deservesPercent} %`;
    case 'acceptPlan':
      return command.placements.map(({ card }) => card.model).join(', ');
    case 'addPin':
    case 'removePin':
      return pinKey(command.pin);
    case 'setWeights':
      return Object.entries(command.weights)
        .filter(([part, percent]) => job.weights[part as WeighedPart] !== percent)
        .map(([part, percent]) => `${part} ${percent} %`)
        .join(', ');
    case 'buyForMachine':
      return command.what;
    case 'dropBought':
      return job.bought.find(({ id }) => id === command.extraId)?.model ?? '';
    case 'tickStep':
    case 'untickStep':
      return command.stepId;
    case 'recordReading':
    case 'removeReading':
      return job.needs.find(({ id }) => id === command.needId)?.kind ?? '';
    case 'withdrawPlan':
      return '';
  }
}
