/**
 * A job changes only through these commands. Each is data, so that it can be logged; applying one is a pure
 * function of the job, the command, and the instant and the person that come in as arguments.
 */
import { itemAt } from '../units.ts';
import { actId, isDone, withAct, withoutAct, type Act, type ActName } from '../document/act.ts';
import type { Extra } from '../parts/extra.ts';
import type { DriverPackage, DriverWays } from '../document/driverPackage.ts';
import {
  nextRevision,
  type Job,
  type LogEntry,
  type Photo,
  type Placement,
  type Plan,
  type StaticWay,
} from '../document/job.ts';
import { MOST } from '../parts/limits.ts';
import type { Machine } from '../document/machine.ts';
import type { Need } from '../kinds/need.ts';
import type { Observation } from '../document/observation.ts';
import { withoutDangling } from '../document/references.ts';
import { changesCode, machineChanges } from '../survey/changes.ts';
import { pinKey, type Pin, type WeighedPart, type Weights } from '../document/planning.ts';

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
  | { readonly name: 'changeMachine'; readonly machine: Machine }
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
      readonly later?: Plan['later'];
      readonly staged?: Plan['staged'];
      readonly unmet?: Plan['unmet'];
      readonly met?: Plan['met'];
      readonly extras?: Plan['extras'];
      /** What was not taken, each in a line with its reason: it is kept in the log. */
      readonly refused?: readonly string[];
    }
  | { readonly name: 'addPin'; readonly pin: Pin }
  | { readonly name: 'removePin'; readonly pin: Pin }
  | { readonly name: 'setWeights'; readonly weights: Weights }
  /** Something for the machine itself, and the machine with it. */
  | {
      readonly name: 'buyForMachine';
      readonly extra: Extra;
      readonly machine: Machine;
    }
  /** It is there: nothing has to be ordered any more. */
  | { readonly name: 'dropBought'; readonly extraId: string }
  | { readonly name: 'withdrawPlan' }
  /** Slots whose new card waits until the others run. */
  | { readonly name: 'stageCards'; readonly staged: Plan['staged'] }
  | { readonly name: 'setBenchTest'; readonly benchTest: Job['benchTest'] }
  | { readonly name: 'chooseStaticWay'; readonly way: StaticWay | null }
  | {
      readonly name: 'tickStep';
      readonly of: ActName;
      /** Why it is gone on without it being as it should; it is kept in the log. */
      readonly reason?: string;
      /** What it took, pauses not counted. */
      readonly seconds?: number;
    }
  /** What was found at the bench, and the rest planned anew. */
  | {
      readonly name: 'foundAtBench';
      readonly machine: Machine;
      readonly plan: Omit<Plan, 'acceptedAt'>;
      readonly acts: Job['acts'];
      /** What is bought for the machine itself by now; absent: what was. */
      readonly bought?: Job['bought'];
      /** What was found, as a code. */
      readonly found: string;
    }
  | { readonly name: 'untickStep'; readonly of: ActName }
  /** What came is not what was ordered: it is on order again; `reason` says what is wrong with it. */
  | {
      readonly name: 'orderAgain';
      readonly of: ActName;
      readonly order: ActName;
      readonly reason: string;
    }
  /**
   * Seen or measured; each in the place of an earlier one of its id. `proves` says which steps that shows to be done.
   */
  | {
      readonly name: 'observe';
      readonly observations: readonly Observation[];
      readonly proves?: readonly ActName[];
    }
  | { readonly name: 'setDriverWays'; readonly ways: DriverWays }
  /** Packages at hand; each in the place of an earlier one of its id. */
  | { readonly name: 'keepPackages'; readonly packages: readonly DriverPackage[] }
  | { readonly name: 'dropPackage'; readonly packageId: string }
  | { readonly name: 'removeObservation'; readonly observationId: string };

export type CommandName = Command['name'];

export interface Stamp {
  /** ISO instant. */
  readonly at: string;
  readonly who: string;
}

const LONGEST_DETAIL = 200;

/** The job after the command, one revision on, with the command in its log. What led to a part that is gone goes with it. */
export function apply(job: Job, command: Command, stamp: Stamp): Job {
  const changed = withoutDangling(change(job, command, stamp));
  return {
    ...changed,
    revision: nextRevision(job),
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
  const first = itemAt(gone, 0);
  const before = first.command === LOG_SHORTENED ? Number(first.detail) - 1 : 0;
  const word: LogEntry = {
    at: itemAt(gone, gone.length - 1).at,
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
    revision: nextRevision(now),
    changedAt: stamp.at,
    log: logged(now.log, { ...stamp, command: how, detail: what }),
  };
}

type CommandOf<Name extends CommandName> = Extract<Command, { readonly name: Name }>;

/** What each command changes of a job. */
const CHANGES: {
  readonly [Name in CommandName]: (
    job: Job,
    command: CommandOf<Name>,
    stamp: Stamp,
  ) => Partial<Job>;
} = {
  describeJob: (_, { details }) => details,
  takeTemplate: (_, { machine }) => ({ machine }),
  changeMachine: (_, { machine }) => ({ machine }),
  readMachine: (_, { machine }) => ({ machine }),
  addPhoto: ({ photos }, { photo }) => ({ photos: [...photos, photo] }),
  removePhoto: ({ photos }, { photoId }) => ({ photos: photos.filter(({ id }) => id !== photoId) }),
  addNeed: ({ needs }, { need }) => ({ needs: [...needs, need] }),
  changeNeed: (job, { need }) => ({
    needs: job.needs.map((each) => (each.id === need.id ? need : each)),
    observations: withoutFigures(job, need.id),
  }),
  removeNeed: (job, { needId }) => ({
    needs: job.needs.filter(({ id }) => id !== needId),
    observations: withoutFigures(job, needId),
  }),
  setBudget: (_, { cents }) => ({ budgetCents: cents }),
  setWorth: (_, { replacementCents, deservesPercent }) => ({ replacementCents, deservesPercent }),
  acceptPlan: (
    _,
    {
      placements,
      packages,
      moves = [],
      givenUp = [],
      later = [],
      staged = [],
      unmet = [],
      met = [],
      extras = [],
    },
    { at },
  ) => ({
    plan: {
      placements,
      packages,
      moves,
      givenUp,
      later,
      staged,
      unmet,
      met,
      extras,
      acceptedAt: at,
    },
  }),
  foundAtBench: ({ plan: before, bought: had }, { machine, plan, acts, bought = had }, { at }) => ({
    bought,
    machine,
    // It is the plan that was accepted, as far as it goes.
    plan: { ...plan, acceptedAt: before?.acceptedAt ?? at },
    acts,
  }),
  addPin: (job, { pin }) => ({ pins: [...withoutPin(job, pin), pin] }),
  removePin: (job, { pin }) => ({ pins: withoutPin(job, pin) }),
  setWeights: (_, { weights }) => ({ weights }),
  buyForMachine: ({ bought }, { machine, extra }) => ({
    machine,
    // A machine has one supply, and one cable and switch on its way: another takes its place.
    bought: [...bought.filter(({ kind }) => kind !== extra.kind), extra],
  }),
  dropBought: ({ bought }, { extraId }) => ({ bought: bought.filter(({ id }) => id !== extraId) }),
  withdrawPlan: () => ({ plan: null }),
  stageCards: ({ plan }, { staged }) => ({ plan: plan && { ...plan, staged } }),
  setBenchTest: (_, { benchTest }) => ({ benchTest }),
  chooseStaticWay: (_, { way }) => ({ staticWay: way }),
  tickStep: ({ acts }, { of, seconds = null }, stamp) => ({
    acts: withAct(acts, actBy(of, stamp, seconds)),
  }),
  untickStep: ({ acts }, { of }) => ({ acts: withoutAct(acts, of) }),
  orderAgain: ({ acts }, { of, order }) => ({ acts: withoutAct(withoutAct(acts, order), of) }),
  observe: (job, { observations, proves = [] }, stamp) => ({
    acts: [
      ...job.acts,
      ...proves.filter((each) => !isDone(job, each)).map((each) => actBy(each, stamp, null)),
    ],
    observations: [
      ...job.observations.filter((before) => !observations.some(({ id }) => id === before.id)),
      ...observations,
    ],
  }),
  setDriverWays: (_, { ways }) => ({ driverWays: ways }),
  keepPackages: (job, { packages }) => ({
    packages: [
      ...job.packages.filter((before) => !packages.some(({ id }) => id === before.id)),
      ...packages,
    ].slice(-MOST.packages),
  }),
  dropPackage: ({ packages }, { packageId }) => ({
    packages: packages.filter(({ id }) => id !== packageId),
  }),
  removeObservation: ({ observations }, { observationId }) => ({
    observations: observations.filter(({ id }) => id !== observationId),
  }),
};

function change(job: Job, command: Command, stamp: Stamp): Job {
  const changeOf = CHANGES[command.name] as (of: Job, by: Command, stamp: Stamp) => Partial<Job>;
  return { ...job, ...changeOf(job, command, stamp) };
}

const actBy = ({ code, on, round }: ActName, stamp: Stamp, seconds: number | null): Act => ({
  code,
  on,
  round,
  ...stamp,
  seconds,
});

const withoutPin = (job: Job, pin: Pin) => job.pins.filter((each) => pinKey(each) !== pinKey(pin));

/** What was measured for a need says nothing of the need once it asks something else. */
const withoutFigures = (job: Job, needId: string) =>
  job.observations.filter(({ subject }) => !('needId' in subject) || subject.needId !== needId);

function detailOf(job: Job, command: Command): string {
  switch (command.name) {
    case 'describeJob':
      return Object.keys(command.details).join(', ');
    case 'takeTemplate':
      return command.machine.name;
    case 'readMachine':
      return String(command.devices);
    case 'changeMachine':
      return changesCode(machineChanges(job.machine, command.machine));
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
    case 'foundAtBench':
      return command.found;
    case 'buyForMachine':
      return command.extra.model;
    case 'observe':
      return observedCode(job, command.observations);
    case 'removeObservation':
      return observedCode(
        job,
        job.observations.filter(({ id }) => id === command.observationId),
      );
    case 'dropBought':
      return job.bought.find(({ id }) => id === command.extraId)?.model ?? '';
    case 'tickStep':
      return command.reason === undefined
        ? actId(command.of)
        : `${actId(command.of)}: ${command.reason}`;
    case 'orderAgain':
      return `${actId(command.of)}: ${command.reason}`;
    case 'untickStep':
      return actId(command.of);
    case 'setDriverWays':
      return Object.entries(command.ways)
        .filter(([way, chosen]) => job.driverWays[way as keyof DriverWays] !== chosen)
        .map(([way, chosen]) => `${way} ${chosen}`)
        .join(', ');
    case 'keepPackages':
      return command.packages.map(({ title }) => title).join(', ');
    case 'dropPackage':
      return job.packages.find(({ id }) => id === command.packageId)?.title ?? '';
    case 'stageCards':
      return (job.plan?.placements ?? [])
        .filter(({ slotId }) => command.staged.includes(slotId))
        .map(({ card }) => card.model)
        .join(', ');
    case 'setBenchTest':
      return command.benchTest?.machine.name ?? '';
    case 'chooseStaticWay':
      return command.way ?? '';
    case 'withdrawPlan':
      return '';
  }
}

/** For which needs, or else what of the machine, was observed: kinds, each once. */
const observedCode = (job: Job, observations: readonly Observation[]): string => {
  const codes = observations.map(({ kind, subject }) => {
    const need = 'needId' in subject && job.needs.find(({ id }) => id === subject.needId);
    return need ? need.kind : kind;
  });
  return [...new Set(codes)].join(', ');
};

/** Commands that change what a plan is made from. */
const ASKS_ANEW: ReadonlySet<string> = new Set<CommandName>([
  'takeTemplate',
  'changeMachine',
  'readMachine',
  'addNeed',
  'changeNeed',
  'removeNeed',
  'setBudget',
  'addPin',
  'removePin',
  'setWeights',
  'buyForMachine',
  'dropBought',
]);

/** Whether what the accepted plan was made from has changed since, by the log; what was undone has not. */
export function hasChangedSincePlan({ log }: Job): boolean {
  const since = log.slice(log.findLastIndex(({ command }) => command === 'acceptPlan') + 1);
  const stands = since.reduce<readonly string[]>(
    (soFar, { command }) => (command === 'undo' ? soFar.slice(0, -1) : [...soFar, command]),
    [],
  );
  return stands.some((command) => ASKS_ANEW.has(command) || command === 'redo');
}
