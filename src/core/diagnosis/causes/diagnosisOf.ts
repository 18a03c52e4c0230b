/** The diagnosis of a need that falls short, from all that the job holds of it: runs, answers, reports and readings. */
import type { AssembledCard } from '../../assembly/assembly.ts';
import { memoOf } from '../../memo.ts';
import type { Job } from '../../document/job.ts';
import { unitsNeeded, type Need } from '../../kinds/need.ts';
import { causesFor, checksFor, readingsFor } from '../../document/observed.ts';
import type { ReadingObservation } from '../../document/observation.ts';
import { isMended, mendedAt } from '../../procedure/mends.ts';
import type { Check } from '../../standards/checks.ts';
import { driverStates, type DriverOutcome } from '../driverStates.ts';
import { withoutFileCost } from '../expectedRun.ts';
import { provings, type Proving } from '../provings.ts';
import { reportOnPlan, type ReportDifference } from '../reportOnPlan.ts';
import { slowsAt } from '../readings.ts';
import { needKindOf } from '../../kinds/need.ts';
import type { RunTest } from '../../parts/run.ts';
import type { Component } from '../../kinds/component.ts';
import { componentsOf } from './components.ts';
import { diagnose, type Diagnosis } from './diagnose.ts';
import type { Answer, Observed, ObservedFigure } from './explanations.ts';
import type { PossibleMeasure } from './nextCheck.ts';
import type { Measure } from '../../kinds/needKind.ts';

export interface NeedDiagnosis extends Diagnosis {
  readonly components: readonly Component[];
  readonly observed: Observed;
}

/** Of every need whose figure lies below what a healthy one shows, by the need's id. */
export const diagnoses = memoOf((job: Job): ReadonlyMap<string, NeedDiagnosis> => {
  const low = provings(job).filter(({ groups }) =>
    groups.some(
      ({ test, judgement: { outcome } }) =>
        test.variant === '' && (outcome === 'short' || outcome === 'belowHealthy'),
    ),
  );
  return new Map(
    low.flatMap((proving) => {
      const components = componentsOf(proving.expectation, job).map((component) =>
        lessOften(component, proving.expectation.need, job),
      );
      if (components.length === 0) return [];
      const observed = observedFor(proving, components, job);
      const found = diagnose(components, observed, measuresFor(proving, job));
      return [[proving.expectation.need.id, { ...found, components, observed }] as const];
    }),
  );
});

/** What was mended once is the cause again so much less often. Common practice, no source. */
const ONCE_MENDED = 0.1;

function lessOften(component: Component, { id }: Need, job: Job): Component {
  const mended = causesFor(job.observations, id).filter(
    (cause) => cause.value.part === component.id && isMended(job, cause),
  );
  return mended.length === 0
    ? component
    : {
        ...component,
        fallBacks: component.fallBacks.map((state) =>
          mended.some(({ value }) => value.cause === state.cause)
            ? { ...state, frequency: state.frequency * ONCE_MENDED }
            : state,
        ),
      };
}

/** Enough runs to see a fall. */
const LEAST_FOR_FALL = 3;

function observedFor(proving: Proving, components: readonly Component[], job: Job): Observed {
  const { expectation, groups } = proving;
  const figures = groups
    .filter(({ test }) => test.variant === '')
    .flatMap(({ test, median, falls, runs }): readonly ObservedFigure[] => {
      const expected = withoutFileCost(expectation, job, test);
      return expected === null
        ? []
        : [{ test, expected, value: median, falls: runs.length < LEAST_FOR_FALL ? null : falls }];
    });
  const { need, card } = expectation;
  const isThere = ({ part, check }: Answer) =>
    components.some(({ id, checks }) => id === part && check in checks);
  const byHand = checksFor(job.observations, need.id).map(({ value, at }): DatedAnswer => ({
    ...value,
    at,
  }));
  const dated = [
    ...(card === null ? [] : fromReport(card, job)),
    ...readingsFor(job.observations, need.id).flatMap((each) => fromReading(each, need)),
    ...byHand,
  ].filter((each) => isThere(each) && each.at > lastMendedAt(each.part, need, job));
  return { figures, answers: latest(dated) };
}

interface DatedAnswer extends Answer {
  readonly at: string;
}

/** Of several answers to one check the last counts. */
const latest = (answers: readonly DatedAnswer[]): readonly Answer[] => [
  ...new Map(
    answers
      .toSorted((a, b) => a.at.localeCompare(b.at))
      .map(({ part, check, answer }) => [`${check} ${part}`, { part, check, answer }] as const),
  ).values(),
];

/** Until when what was seen of a part is of the part as it was. */
const lastMendedAt = (part: string, { id }: Need, job: Job): string =>
  mendedAt(
    job,
    causesFor(job.observations, id).filter(({ value }) => value.part === part),
  ).at(-1) ?? '';

const DRIVER_ANSWERS: Partial<Record<DriverOutcome, string>> = {
  generic: 'generic',
  older: 'older',
  right: 'asPlanned',
  resolved: 'asPlanned',
  link: 'asPlanned',
};
const LINK_ANSWERS: Partial<Record<ReportDifference['code'], string>> = {
  otherSlot: 'otherSlot',
  linkNarrower: 'narrower',
};

/** What the machine's last report says of the card. A slower link may only be an idle one: that answers nothing. */
function fromReport({ slot }: AssembledCard, job: Job): readonly DatedAnswer[] {
  const seen = reportOnPlan(job).find(({ card }) => card.slot.id === slot.id);
  const observation = seen?.observation;
  if (seen === undefined || observation == null || observation.value.place === null) return [];
  const { at, value } = observation;
  const differing = seen.differences.flatMap(({ code }) => LINK_ANSWERS[code] ?? [])[0];
  const isSlower = seen.differences.some(({ code }) => code === 'linkSlower');
  const link = differing ?? (value.link === null || isSlower ? null : 'asPlanned');
  const state = driverStates(job).find(({ slotId }) => slotId === slot.id);
  const driver = value.tellsDrivers && state !== undefined ? DRIVER_ANSWERS[state.outcome] : null;
  return [
    ...(link === null ? [] : [{ part: 'slotLink', check: 'readLink' as const, answer: link, at }]),
    ...(driver == null
      ? []
      : [{ part: 'driver', check: 'readDriver' as const, answer: driver, at }]),
  ];
}

function fromReading({ value, at }: ReadingObservation, need: Need): readonly DatedAnswer[] {
  const answer = (part: string, check: Check, said: string): readonly DatedAnswer[] => [
    { part, check, answer: said, at },
  ];
  switch (value.what) {
    case 'linkMegabits':
      return answer('wire 0', 'readLinkSpeed', String(value.number));
    case 'driveCount':
      return answer(
        'driveCount',
        'countDrives',
        value.number < unitsNeeded(need) ? 'missing' : 'all',
      );
    case 'temperature':
      return answer('cooling', 'watchTemperature', value.number >= slowsAt(need) ? 'hot' : 'cool');
    case 'refreshHz':
    case 'wornPercent':
      return [];
  }
}

/** Measurements that were not made yet and that may tell causes apart. */
function measuresFor({ expectation, groups }: Proving, job: Job): readonly PossibleMeasure[] {
  const { need } = expectation;
  const kind = needKindOf(need);
  const plain: RunTest = {
    what: 'large',
    direction: kind.direction(need),
    alone: false,
    fileBytes: null,
    isCold: false,
    variant: '',
  };
  const tests: Readonly<Record<Measure, RunTest>> = {
    large: plain,
    wire: { ...plain, what: 'wire' },
    otherWay: turned(plain),
    alone: { ...plain, alone: true },
  };
  return kind.measures(need).flatMap((measure): readonly PossibleMeasure[] => {
    const test = tests[measure];
    const isDone = groups.some(
      (group) =>
        group.test.what === test.what &&
        group.test.direction === test.direction &&
        group.test.alone === test.alone,
    );
    const expected = isDone ? null : withoutFileCost(expectation, job, test);
    return expected === null ? [] : [{ measure, test, expected }];
  });
}

const turned = (test: RunTest): RunTest => ({
  ...test,
  direction: test.direction === 'read' ? 'write' : 'read',
});
