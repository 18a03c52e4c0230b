/** Each need with what it should get, what was measured, and where that leaves it. */
import { expectations, type Expectation } from '../assembly/expectations.ts';
import { memoOf } from '../memo.ts';
import type { Job } from '../parts/job.ts';
import { figureFor, type FigureObservation } from '../parts/observation.ts';
import { judge, type Judgement } from './judge.ts';

export interface Proving {
  readonly expectation: Expectation;
  readonly measured: FigureObservation | null;
  readonly judgement: Judgement | null;
  /** `short`: it was measured, and gets less than was wanted. `unserved`: the plan has nothing for it. */
  readonly state: 'fine' | 'short' | 'open' | 'unserved';
}

/** None while no plan is accepted. */
export const provings = memoOf((job: Job): readonly Proving[] =>
  job.plan === null
    ? []
    : expectations(job)
        .filter(isNow)
        .map((expectation) => {
          const measured = figureFor(job.observations, expectation.need.id);
          const judgement = measured && judge(expectation, measured.value);
          return { expectation, measured, judgement, state: stateOf(expectation, judgement, job) };
        }),
);

/** What is for later is proven later, unless something that is fitted now serves it already. */
const isNow = ({ need, card, isMet }: Expectation): boolean =>
  !need.later || isMet || (card !== null && !card.later);

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
