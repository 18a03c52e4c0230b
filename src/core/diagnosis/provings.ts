/** Each need with what it should get, what was measured, before the work and after, and where that leaves it. */
import { refreshWanted } from '../kinds/screens/picture.ts';
import { needKindOf } from '../kinds/need.ts';
import { expectations, type Expectation } from '../assembly/expectations.ts';
import type { Flow } from '../kinds/flow.ts';
import { memoOf } from '../memo.ts';
import type { Job } from '../document/job.ts';
import { causesFor, readingsFor, runsOf } from '../document/observed.ts';
import type { RunObservation } from '../document/observation.ts';
import { mendedAt } from '../procedure/mends.ts';
import { expectedRun } from './expectedRun.ts';
import { judge, type Judgement } from './judge.ts';
import { mainGroup, runGroups, type RunGroup } from './runs.ts';

export interface Proving {
  readonly expectation: Expectation;
  /** Every way of measuring it by itself, those since the last mend. */
  readonly groups: readonly JudgedGroup[];
  /** The one that answers the need. */
  readonly main: JudgedGroup | null;
  /** The same before the cards went in; null where nobody measured it. */
  readonly before: RunGroup | null;
  /** What it showed until something was mended, the oldest first. */
  readonly untilMended: readonly RunGroup[];
  /** `short`: it was measured, and gets less than was wanted. `unserved`: the plan has nothing for it. */
  readonly state: 'fine' | 'short' | 'open' | 'unserved';
}

export interface JudgedGroup extends RunGroup {
  readonly expected: Flow;
  readonly judgement: Judgement;
}

/** None while no plan is accepted. */
export const provings = memoOf((job: Job): readonly Proving[] =>
  job.plan === null
    ? []
    : expectations(job)
        .filter(isNow)
        .map((each) => provingOf(each, job)),
);

/** What is for later is proven later, unless something that is fitted now serves it already. */
const isNow = ({ need, card, isMet }: Expectation): boolean =>
  !need.later || isMet || (card !== null && !card.later);

function provingOf(expectation: Expectation, job: Job): Proving {
  const { need } = expectation;
  const runs = runsOf(job.observations, need.id);
  const mends = mendedAt(job, causesFor(job.observations, need.id));
  const since = mends.at(-1) ?? '';
  const groups = runGroups(
    runs.filter(({ at }) => at > since),
    need,
  ).flatMap((group) => judged(group, expectation, job));
  const main = mainGroup(groups, need);
  const before = mainGroup(runGroups(runsOf(job.observations, need.id, 'before'), need), need);
  return {
    expectation,
    groups,
    main,
    before,
    untilMended: mends.flatMap((until, n) => {
      const from = mends[n - 1] ?? '';
      return mainGroup(runGroups(runs.filter(between(from, until)), need), need) ?? [];
    }),
    state: stateOf(expectation, main?.judgement ?? null, job),
  };
}

const between =
  (from: string, until: string) =>
  ({ at }: RunObservation): boolean =>
    at > from && at <= until;

function judged(group: RunGroup, expectation: Expectation, job: Job): readonly JudgedGroup[] {
  const expected = expectedRun(expectation, job, group.test);
  return expected === null
    ? []
    : [
        {
          ...group,
          expected,
          judgement: judge(expected, group.median, refreshOf(expectation, job)),
        },
      ];
}

/** How often the screen shows a picture: as it was read off, else as its need asks. */
function refreshOf({ need }: Expectation, { observations, needs }: Job): number | null {
  if (!needKindOf(need).readings.includes('refreshHz')) return null;
  const read = readingsFor(observations, need.id).find(({ value }) => value.what === 'refreshHz');
  if (read !== undefined) return read.value.number;
  return refreshWanted(needs);
}

function stateOf(
  { need, flow }: Expectation,
  judgement: Judgement | null,
  { plan }: Job,
): Proving['state'] {
  if (judgement !== null) return judgement.outcome === 'short' ? 'short' : 'fine';
  if (plan?.met.includes(need.id) === true) return 'fine';
  return flow === null ? 'unserved' : 'open';
}

/** Musts that were measured and get less than was wanted, or that the plan has nothing for. */
export const shortMusts = (job: Job): readonly Proving[] =>
  provings(job).filter(
    ({ expectation, state }) =>
      expectation.need.must && (state === 'short' || state === 'unserved'),
  );
