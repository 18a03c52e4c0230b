/** The partial plans that follow from one: its next position left empty, and with each option in it. */
import { after } from '../bound/coverageState.ts';
import type { Reached } from '../bound/demandDecisions.ts';
import { besideAfter, besideEmpty, type Option, type Position } from '../bound/positions.ts';
import { wattsOf } from '../bound/relaxation.ts';
import { better } from './better.ts';
import { cannotWin, type PartialPlan, type SearchState } from './searchState.ts';

/** Opens what follows from a partial plan and could win; a whole plan is kept where it is better. */
export function branch(state: SearchState, partial: PartialPlan): void {
  const position = state.space.positions[partial.position];
  if (position === undefined) {
    better(state, partial);
    return;
  }
  const { decision, placed, taken, lastCaused } = partial;
  const family = state.searched;
  const branches: PartialPlan[] = [];
  const consider = (reached: Reached, further: PartialPlan['further']): void => {
    const bound = decision.bound(reached, state.bestValue);
    if (cannotWin(state, bound)) return;
    branches.push({ ...reached, placed, taken, lastCaused, decision, bound, further, family });
  };
  consider(withNothing(partial, position), null);
  for (const option of position.options) {
    const reached = withOption(state, partial, option);
    if (reached !== null) consider(reached, option.candidate);
  }
  // The most promising is looked at first.
  for (const each of branches.toSorted((a, b) => b.bound - a.bound)) state.open.push(each);
}

const withNothing = (partial: PartialPlan, position: Position): Reached => ({
  position: partial.position + 1,
  remaining: partial.remaining,
  waiting: partial.waiting,
  beside: besideEmpty(position),
  moneyCents: partial.moneyCents,
  watts: partial.watts,
  score: partial.score,
});

/** Null where it takes a lead that is gone. */
function withOption(
  { space: { coverageState, costs } }: SearchState,
  partial: PartialPlan,
  option: Option,
): Reached | null {
  const { candidate, coverage, next } = option;
  const remaining = after(coverageState, partial.remaining, coverage);
  if (remaining === -1) return null;
  return {
    position: next,
    remaining,
    waiting: Math.max(partial.waiting, costs.waitLevel(option)),
    beside: besideAfter(option, partial.beside),
    moneyCents: partial.moneyCents + candidate.moneyCents,
    watts: partial.watts + wattsOf(option),
    score: partial.score + candidate.atLeast,
  };
}
