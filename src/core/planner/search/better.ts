/** Whole plans: what each costs, all that its cards cause each other counted in, and whether it is the best so far. */
import type { DemandDecision } from '../bound/demandDecisions.ts';
import { after } from '../bound/coverageState.ts';
import type { Option } from '../bound/positions.ts';
import { IMPOSSIBLE, endOf } from '../bound/relaxation.ts';
import type { Candidate } from '../candidates/candidates.ts';
import {
  MUST,
  GIVE_UP_CENTS,
  added,
  compareCost,
  moneyCents,
  overBudgetCents,
  weigh,
  type Cost,
} from '../../plans/cost.ts';
import { interactionsOf } from '../candidates/interactions.ts';
import type { PartialPlan, SearchState } from './searchState.ts';

/** Keeps a whole plan where it is better than the best so far. */
export function better(
  state: SearchState,
  { placed, remaining, decision }: Pick<PartialPlan, 'placed' | 'remaining' | 'decision'>,
): void {
  const { problem, space, best } = state;
  const left = [...decision.unmet, ...endOf(space.coverageState, remaining, space.costs).unmet];
  const givenUp = problem.existingCards.filter(
    (each) => !placed.some(({ existing }) => existing === each),
  );
  const interactions = interactionsOf(placed, problem.keeping(placed), problem.extras);
  const parts = added(
    ...placed.map((each) => each.parts),
    {
      disturbance: givenUp.length * GIVE_UP_CENTS,
      wishes: left.reduce((sum, { wishCents }) => sum + wishCents, 0),
    },
    interactions.parts,
  );
  const all = added(parts, { overBudget: overBudgetCents(moneyCents(parts), problem.budgetCents) });
  const cost: Cost = {
    mustsUnmet: left.filter(({ must }) => must).length,
    parts: all,
    score: weigh(all, problem.scale),
  };
  if (best !== null && compareCost(cost, best.cost) >= 0) return;
  const unmet = problem.demands.filter((demand) => left.includes(demand));
  state.best = { placed, givenUp, unmet, cost, interactions };
  state.bestValue = cost.mustsUnmet * MUST + cost.score;
}

/** Takes a whole plan of a decision where it can be had as it is. */
export function tryOut(
  state: SearchState,
  plan: readonly Option[],
  decision: DemandDecision,
): void {
  const { coverageState, costs } = state.space;
  const placed: Candidate[] = [];
  let { remaining } = decision.start;
  for (const { candidate, coverage } of plan) {
    remaining = after(coverageState, remaining, coverage);
    if (remaining === -1 || state.collides(placed, candidate)) return;
    placed.push(candidate);
  }
  if (endOf(coverageState, remaining, costs).cost < IMPOSSIBLE) {
    better(state, { placed, remaining, decision });
  }
}
