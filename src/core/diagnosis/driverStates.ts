/**
 * Every device of the machine and every card of the plan: the driver before, the one that is planned, and the one that the last
 * report shows; and what is wrong with that, the worst first.
 */
import { driverTargets, type DriverTarget } from '../assembly/driverTargets.ts';
import { packagesOf } from '../assembly/assembly.ts';
import { chooseDriver, NO_DRIVER, toInstall, type DriverChoice } from '../drivers/chooseDriver.ts';
import { classDriver } from '../drivers/classDrivers.ts';
import { cardQuery, instanceQuery, type DeviceQuery } from '../drivers/deviceQuery.ts';
import { NEEDS_NO_DRIVER } from '../drivers/machineDevices.ts';
import { runsOlder } from '../drivers/versions.ts';
import { memoOf } from '../memo.ts';
import type { Job } from '../document/job.ts';
import type { DevicesObservation } from '../document/observation.ts';
import type { Link } from '../standards/pciExpress.ts';
import { deviceProblemIn, type DeviceProblem } from '../standards/problemCodes.ts';
import { isBasicDisplay, isByClass } from '../standards/systemDrivers.ts';
import { reportOnPlan, type ReportDifference } from './reportOnPlan.ts';

/** What the last report says of a device, the worst first. */
export const DRIVER_OUTCOMES = [
  /** A card of the plan that is not in the report. */
  'missing',
  'problem',
  'noDriver',
  /** The system's basic driver, where another one is planned. */
  'generic',
  /** An older version than planned. */
  'older',
  /** It sits in another slot, or its link is narrower or slower than planned. */
  'link',
  /** It was there before, and is not in the report. */
  'gone',
  /** It is there, and nobody planned it. */
  'extra',
  /** Another driver than before, although nobody wanted that. */
  'changed',
  /** Nothing drove it before, and nothing does now. */
  'stillNone',
  /** No report was read since the plan was accepted, or this device was not in it. */
  'unseen',
  /** Nothing drove it before; now it runs. */
  'resolved',
  'right',
  /** It came out, as planned. */
  'removed',
  'same',
] as const;
export type DriverOutcome = (typeof DRIVER_OUTCOMES)[number];

export interface DriverState {
  readonly id: string;
  readonly name: string;
  readonly slotId: string | null;
  readonly isPlanned: boolean;
  /** It comes out. */
  readonly leaves: boolean;
  /** Null: it was not there. */
  readonly before: Seen | null;
  readonly choice: DriverChoice;
  readonly wanted: DriverTarget['wanted'];
  /** Null: the report does not have it, or there is none. */
  readonly now: Seen | null;
  readonly outcome: DriverOutcome;
  /** The number of the system's own list, where it gives one. */
  readonly problem: DeviceProblem | null;
  /** What its link trained to; null where the report does not tell it, and of devices that the plan has not. */
  readonly link: Link | null;
  /** Of a card of the plan, all that differs from the plan. */
  readonly differences: readonly ReportDifference[];
}

interface Seen {
  readonly driver: string | null;
  readonly status: string;
}

type Listed = DevicesObservation['value']['list'][number];

/** The last report of all devices since the plan was accepted; null where there is none. */
export const lastDevices = ({ observations, plan }: Job): DevicesObservation | null =>
  observations.findLast(
    (each): each is DevicesObservation =>
      each.kind === 'devices' && plan !== null && each.at >= plan.acceptedAt,
  ) ?? null;

/** None while no plan is accepted. */
export const driverStates = memoOf((job: Job): readonly DriverState[] => {
  const report = lastDevices(job);
  const targets = driverTargets(job);
  const { found, left } = matched(targets, job, report?.value.list ?? []);
  const ofTargets = targets.map((target) =>
    target.card === null
      ? stateOfDevice(target, found.get(target) ?? null, report, job)
      : stateOfCard(target, found.get(target) ?? null, job),
  );
  const extra = left.flatMap((each) => stateOfExtra(each, job) ?? []);
  return [...ofTargets, ...extra].toSorted(
    (a, b) => DRIVER_OUTCOMES.indexOf(a.outcome) - DRIVER_OUTCOMES.indexOf(b.outcome),
  );
});

/** Which line of the report is which: devices in their own places first, cards where they were observed, then by identity. */
function matched(
  targets: readonly DriverTarget[],
  job: Job,
  list: readonly Listed[],
): { readonly found: ReadonlyMap<DriverTarget, Listed>; readonly left: readonly Listed[] } {
  const found = new Map<DriverTarget, Listed>();
  const free = new Set(list);
  const observed = new Map(
    reportOnPlan(job).map(({ card, observation }) => [card.slot.id, observation?.value.place]),
  );
  const take = (is: (target: DriverTarget, listed: Listed) => boolean) => {
    for (const target of targets) {
      if (found.has(target)) continue;
      const listed = [...free].find((each) => is(target, each));
      if (listed === undefined) continue;
      found.set(target, listed);
      free.delete(listed);
    }
  };
  take(({ card, id }, listed) => card !== null && listed.id === observed.get(id));
  take(({ before }, { id, device }) => before?.id === id && before.asked.id === device);
  take(
    ({ before }, { device }) => before !== null && !before.leaves && isSame(before.asked, device),
  );
  // Further functions of a card, and what needs no driver, are nobody's lines.
  const taken = new Set([...found.values()].map(({ id }) => placeOf(id)));
  return {
    found,
    left: [...free].filter(
      ({ id, class24, status }) =>
        !taken.has(placeOf(id)) &&
        (status !== '' || (class24 !== null && !NEEDS_NO_DRIVER.has(class24 >> 16))),
    ),
  };
}

const isSame = (asked: DeviceQuery, device: string | null): boolean =>
  device !== null && asked.id === device;

/** Bus and device, without the function. */
const placeOf = (id: string): string => id.replace(/\.[0-7]$/, '');

const OUTCOME_OF_DIFFERENCE: Readonly<Record<ReportDifference['code'], DriverOutcome>> = {
  missing: 'missing',
  trouble: 'problem',
  driverMissing: 'noDriver',
  driverGeneric: 'generic',
  driverOlder: 'older',
  otherSlot: 'link',
  linkNarrower: 'link',
  linkSlower: 'link',
};

function stateOfCard(target: DriverTarget, listed: Listed | null, job: Job): DriverState {
  const slotId = target.card?.slot.id ?? null;
  const report = reportOnPlan(job).find(({ card }) => card.slot.id === slotId);
  const observation = report?.observation ?? null;
  const differences = report?.differences ?? [];
  const worst = differences
    .map(({ code }) => OUTCOME_OF_DIFFERENCE[code])
    .toSorted((a, b) => DRIVER_OUTCOMES.indexOf(a) - DRIVER_OUTCOMES.indexOf(b))[0];
  const isSeen = observation !== null && observation.value.place !== null;
  const now = isSeen
    ? { driver: observation.value.driver, status: observation.value.trouble }
    : listed && { driver: listed.driver, status: listed.status };
  return {
    ...base(target),
    slotId,
    isPlanned: true,
    now,
    outcome: worst ?? (isSeen ? 'right' : 'unseen'),
    problem: deviceProblemIn(now?.status ?? ''),
    link: observation?.value.link ?? null,
    differences,
  };
}

const base = ({ id, name, before, choice, wanted }: DriverTarget) => ({
  id,
  name,
  slotId: null,
  isPlanned: false,
  leaves: before?.leaves === true,
  before: before && { driver: before.driver, status: before.status },
  choice,
  wanted,
  link: null,
  differences: [],
});

function stateOfDevice(
  target: DriverTarget,
  listed: Listed | null,
  report: DevicesObservation | null,
  job: Job,
): DriverState {
  const now = listed && { driver: listed.driver, status: listed.status };
  const of = (outcome: DriverOutcome): DriverState => ({
    ...base(target),
    now,
    outcome,
    problem: deviceProblemIn(now?.status ?? ''),
  });
  const leaves = target.before?.leaves === true;
  if (report === null) return of('unseen');
  if (listed === null) {
    if (!report.value.isWhole || report.phase === 'before') return of('unseen');
    return of(leaves ? 'removed' : 'gone');
  }
  return of(outcomeOf(target, listed, report.value.tellsDrivers, job));
}

function outcomeOf(
  { before, choice, wanted }: DriverTarget,
  { driver, status, class24 }: Listed,
  tellsDrivers: boolean,
  { machine }: Job,
): DriverOutcome {
  const wasIdle = before?.driver === null || before?.status !== '';
  if (status !== '') return before?.status === status && wanted === null ? 'stillNone' : 'problem';
  if (driver === null) {
    const needsNone = class24 !== null && classDriver(class24, machine.system) !== null;
    if (!tellsDrivers || needsNone) return before?.status === '' ? 'same' : 'resolved';
    return wanted !== null || before?.driver != null ? 'noDriver' : 'stillNone';
  }
  if (wanted === null) {
    if (wasIdle) return 'resolved';
    return before?.driver === driver ? 'same' : 'changed';
  }
  if (isBasicDisplay(driver) || (toInstall(choice) !== null && isByClass(driver))) return 'generic';
  const planned = toInstall(choice);
  if (planned !== null && runsOlder(driver, planned)) return 'older';
  return wasIdle ? 'resolved' : 'right';
}

/** A device that nobody planned; null where it needs nothing said. */
function stateOfExtra(listed: Listed, job: Job): DriverState | null {
  const asked = askedOf(listed);
  const choice =
    asked === null ? NO_DRIVER : chooseDriver(asked, job.machine, packagesOf(job), job.driverWays);
  return {
    id: listed.id,
    name: listed.name,
    slotId: null,
    isPlanned: false,
    leaves: false,
    before: null,
    choice,
    wanted: null,
    now: { driver: listed.driver, status: listed.status },
    outcome: listed.status === '' ? 'extra' : 'problem',
    problem: deviceProblemIn(listed.status),
    link: null,
    differences: [],
  };
}

function askedOf({ id, device, class24 }: Listed): DeviceQuery | null {
  if (device === null || class24 === null) return instanceQuery(id);
  const [vendor = 0, code = 0] = device.split(':').map((part) => parseInt(part, 16));
  return cardQuery({ ids: { vendor, device: code, class24 }, year: null });
}
