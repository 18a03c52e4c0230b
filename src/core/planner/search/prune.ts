/** Which partial plan is looked at next, and which ones never need be. */
import type { Candidate } from '../candidates/candidates.ts';
import { added, penaltyOf, weigh } from '../../plans/cost.ts';
import { adaptersTogether } from '../../buying/extras.ts';
import { causedBeside } from '../candidates/interactions.ts';
import { cannotWin, type PartialPlan, type SearchState } from './searchState.ts';

/** The next one to look at. Where it promises less, now that it is asked, than another of its family, that one is next. */
export function nextOpen(state: SearchState): PartialPlan | null {
  const { open, dominance } = state;
  for (let next = open.pop(); next !== undefined; next = open.pop()) {
    const partial = cannotWin(state, next.bound) ? null : whole(state, next);
    if (partial === null) continue;
    const at = placeInFamily(open, partial);
    if (at < open.length) open.splice(at, 0, partial);
    else if (!dominance.is(partial)) {
      dominance.note(partial);
      return partial;
    }
  }
  return null;
}

/** Behind those of its family that promise more. */
function placeInFamily(
  open: readonly PartialPlan[],
  { family, bound }: Pick<PartialPlan, 'family' | 'bound'>,
): number {
  return open.findLastIndex((other) => other.family !== family || other.bound >= bound) + 1;
}

/** The partial plan with the card that comes to it; null where that cannot be or need not be looked at. */
function whole(state: SearchState, partial: PartialPlan): PartialPlan | null {
  const { further, placed } = partial;
  if (further === null) return partial;
  const there: PartialPlan = {
    ...partial,
    placed: [...placed, further],
    taken: state.dominance.takenWith(partial.taken, further),
  };
  // What another dominates before anything is asked about it, it dominates all the more afterwards.
  if (state.dominance.is(there) || state.collides(placed, further)) return null;
  const asked = withCaused(state, there, placed, further);
  return cannotWin(state, asked.bound) ? null : asked;
}

/** With what the last card settles of the one before it, and what it causes itself as far as it is known. */
function withCaused(
  state: SearchState,
  partial: PartialPlan,
  before: readonly Candidate[],
  last: Candidate,
): PartialPlan {
  const { machine, extras, scale } = state.problem;
  const caused = causedBeside(last, before, machine, extras);
  const lastCaused = weigh(penaltyOf(caused.own), scale);
  const settled = weigh(added(penaltyOf(caused.before), caused.first), scale);
  const adapters = adapterScore(state, before, last);
  const score = partial.score + settled + adapters + lastCaused - partial.lastCaused;
  const asked = { ...partial, score, lastCaused, further: null };
  return { ...asked, bound: asked.decision.bound(asked, state.bestValue) };
}

/** Adapters beyond those that the cards would need alone: at least so many, each as cheap as any. */
function adapterScore(
  { problem: { machine, scale }, adapterCents }: SearchState,
  before: readonly Candidate[],
  further: Candidate,
): number {
  if (further.card.sockets.length === 0 || further.existing !== null) return 0;
  const fed = before.filter(({ existing }) => existing === null);
  const more = adaptersTogether([...fed, further], machine) - adaptersTogether(fed, machine);
  return Math.max(0, more - adaptersTogether([further], machine)) * adapterCents * scale.extras;
}
