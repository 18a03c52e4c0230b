/** Whose need it is that a tool measured, and what becomes of it: runs, readings, answers. What could be of several needs is asked. */
import { expectations, type Expectation } from '../assembly/expectations.ts';
import { valueOf } from '../parts/fact.ts';
import type { Job } from '../document/job.ts';
import { clipped } from '../parts/limits.ts';
import type { NeedKind } from '../kinds/need.ts';
import { answeredCheck, enteredReading, enteredRun } from '../document/observed.ts';
import type { Observation, RunObservation } from '../document/observation.ts';
import type { Evidence } from '../read/evidence.ts';
import type { DriveSeen, MeasuredRate, RadioSeen } from '../read/results/result.ts';
import { WIFI_SHARE } from '../standards/wifi.ts';
import { megabitsToBytesPerSecond } from '../units.ts';
import { phaseOf } from './observeReport.ts';

/** A measurement that may be of several needs. */
export interface OpenResult {
  readonly result: MeasuredRate;
  /** In the order of the job; none: no need of the plan is measured like this. */
  readonly needIds: readonly string[];
}

export interface ResultsObserved {
  readonly observations: readonly Observation[];
  readonly open: readonly OpenResult[];
}

const MEASURED_BY: Readonly<Record<MeasuredRate['of'], readonly NeedKind[]>> = {
  wire: ['network', 'wifi'],
  drive: ['drives'],
  copy: ['network', 'usb', 'drives', 'serialLink', 'wifi'],
};

/** @param at ISO instant */
export function observeResults(job: Job, evidence: Evidence, at: string): ResultsObserved {
  const all = expectations(job).filter(({ flow }) => flow?.unit === 'B/s');
  const open: OpenResult[] = [];
  const runs: RunObservation[] = [];
  evidence.results.forEach((result, n) => {
    if (result.kind !== 'rate') return;
    const needIds = needsFor(result, all);
    if (needIds.length === 1) runs.push(runFrom(job, needIds[0]!, result, at, n));
    else open.push({ result, needIds });
  });
  const drives = evidence.results.filter((each): each is DriveSeen => each.kind === 'drive');
  const radio = evidence.results.findLast((each): each is RadioSeen => each.kind === 'radio');
  return {
    open,
    observations: [
      ...runs,
      // Before the cards are in, it is of what they take the place of.
      ...(phaseOf(job) === 'before'
        ? []
        : all.flatMap((each) => [
            ...ofDrives(each, drives, at),
            ...(radio === undefined ? [] : ofRadio(each, radio, job, at)),
            ...ofPorts(each, evidence, at),
          ])),
    ],
  };
}

const needsFor = ({ of }: MeasuredRate, all: readonly Expectation[]): readonly string[] => {
  const kinds = MEASURED_BY[of];
  const able = all.filter(({ need }) => kinds.includes(need.kind));
  // A wire is meant where there is one; the radio is where there is none.
  const first = of === 'wire' ? able.filter(({ need }) => need.kind === 'network') : able;
  return (first.length > 0 ? first : able).map(({ need }) => need.id);
};

/** A measurement as a run of a need. @param n tells those of one instant apart */
export function runFrom(
  job: Job,
  needId: string,
  { bytesPerSecond, what, direction, bytes, seconds, files, words }: MeasuredRate,
  at: string,
  n: number,
): RunObservation {
  const need = job.needs.find(({ id }) => id === needId);
  const isBothWays = need?.kind === 'network' || need?.kind === 'drives';
  return enteredRun(needId, bytesPerSecond, at, {
    n,
    what,
    direction: isBothWays ? direction : null,
    bytes: bytes !== null && bytes > 0 ? bytes : null,
    seconds: seconds !== null && seconds > 0 && seconds <= LONGEST_SECONDS ? seconds : null,
    files,
    phase: phaseOf(job),
    source: 'text',
    conditions: clipped(words),
  });
}
const LONGEST_SECONDS = 86_400;

/** The warmest and the most worn of them. */
function ofDrives(
  { need }: Expectation,
  drives: readonly DriveSeen[],
  at: string,
): readonly Observation[] {
  if (need.kind !== 'drives' || drives.length === 0) return [];
  const worn = drives.flatMap(({ wornPercent }) => wornPercent ?? []);
  return [
    enteredReading(
      need.id,
      { what: 'temperature', number: Math.max(...drives.map(({ celsius }) => celsius)) },
      at,
    ),
    ...(worn.length === 0
      ? []
      : [enteredReading(need.id, { what: 'wornPercent', number: Math.max(...worn) }, at)]),
  ];
}

/** From this share of the planned rate on a radio counts as well joined. Common practice, no source. */
const WELL_JOINED = 0.5;

function ofRadio(
  { need, card, flow }: Expectation,
  { gigahertz, megabits }: RadioSeen,
  { machine }: Job,
  at: string,
): readonly Observation[] {
  const stage = flow?.stages.find(({ code }) => code === 'radio');
  if (need.kind !== 'wifi' || card?.card.delivers.kind !== 'wifi' || stage === undefined) return [];
  const able = card.card.delivers.bands.filter(
    (band) => valueOf(machine.accessPoint.bands)?.includes(band) ?? true,
  );
  const isSlowBand = gigahertz !== null && gigahertz < 3 && able.some((band) => band !== '2.4');
  const planned = stage.high / WIFI_SHARE[valueOf(machine.accessPoint.distance) ?? 'sameRoom'][1];
  const isWeak = megabits !== null && megabitsToBytesPerSecond(megabits) < WELL_JOINED * planned;
  const answer = isSlowBand ? 'otherBand' : isWeak ? 'weak' : 'asPlanned';
  return [answeredCheck(need.id, { part: 'radio', check: 'readRadio', answer }, at)];
}

/** What the machine's own port came up at, where only one of them has a link. */
function ofPorts(
  { need, card }: Expectation,
  { ports }: Evidence,
  at: string,
): readonly Observation[] {
  const linked = ports.flatMap(({ megabits }) =>
    megabits === null || megabits === 0 ? [] : megabits,
  );
  const [only, other] = linked;
  if (need.kind !== 'network' || card === null || only === undefined || other !== undefined)
    return [];
  return [enteredReading(need.id, { what: 'linkMegabits', number: only }, at)];
}
