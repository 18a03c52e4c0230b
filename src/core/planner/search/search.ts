/**
 * Branch and bound over the slots of a machine, in their order: nothing, or one of the candidates, goes into each.
 *
 * `bound` says what a partial plan costs at least, whatever follows: what is placed, what cards that stand beside each
 * other cause each other (between two cards of the order nothing else can come any more), and the optimum of the
 * relaxed rest (relaxation.ts). `branch` fills the next slot in every way, `nextOpen` prunes, `better` keeps the best
 * whole plan. A plan is a set of candidates, each in its own slot, so each set is on exactly one path; of two paths from
 * which all goes on alike only the cheaper is followed (pathDominance.ts). The plans that the relaxations find are tried
 * first.
 *
 * It is a generator, so that whoever drives it can show how far it is and stop it: what was found by then is
 * returned with the least that anything better could cost.
 */
import type { SearchProblem } from '../bound/searchSpace.ts';
import { tryOut } from './better.ts';
import { branch } from './branch.ts';
import { nextOpen } from './prune.ts';
import {
  beginning,
  cannotWin,
  emptyPlan,
  isContent,
  leastOpen,
  type AtLeast,
  type Found,
} from './searchState.ts';

export interface Progress {
  /** Partial plans looked at. */
  readonly searched: number;
  /** The best so far, null while there is none, and the least that any other could cost. */
  readonly best: Found | null;
  readonly least: AtLeast;
}

export interface Searched extends Progress {
  readonly best: Found;
}

/** What drives a search hears how far it is, and answers `true` to stop it. */
export type Search<Heard, Result> = Generator<Heard, Result, boolean | undefined>;

/** Partial plans between two signs of life. */
const STRIDE = 2_000;

export function* searching(problem: SearchProblem): Search<Progress, Searched> {
  const state = beginning(problem);
  const { decisions, open } = state;
  while (!isContent(state)) {
    const decision = decisions.next(state.bestValue);
    if (decision === null || cannotWin(state, decision.least)) break;
    for (const plan of decision.promising) tryOut(state, plan, decision);
    open.push(emptyPlan(decision));
    for (let next = nextOpen(state); next !== null; next = nextOpen(state)) {
      state.searched += 1;
      branch(state, next);
      if (isContent(state)) break;
      if (state.searched % STRIDE !== 0) continue;
      const { searched, best, bestValue } = state;
      const least = leastOpen(state, Math.min(bestValue, decisions.ahead()));
      const stop = yield { searched, best, least };
      if (stop === true && best !== null) return { searched, best, least };
    }
  }
  const { searched, best, bestValue } = state;
  if (best === null) {
    throw new Error('A search without any plan, not even one that leaves every demand');
  }
  return { searched, best, least: leastOpen(state, bestValue) };
}
