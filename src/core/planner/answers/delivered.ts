/** What a plan delivers: to each need, and of all that could be delivered. */
import { withMoves } from '../../placement/moves.ts';
import type { Need } from '../../kinds/need.ts';
import { routes, ratesOf } from '../../flow/concurrency.ts';
import { SPEED_GAP_CENTS } from '../../plans/cost.ts';
import type { PlanRequest, Proposal } from '../../plans/proposal.ts';

/** What a need gets from a plan. */
export interface Delivered {
  readonly need: Need;
  readonly isUnmet: boolean;
  /** Bytes per second of its slowest stream at best, while it works alone; null where it asks for no rate. */
  readonly bytesPerSecond: number | null;
}

/** With the cards of the machine where the plan wants them. */
export function delivered(
  { placements, moves, givenUp, unmet }: Proposal,
  { machine, needs, cards }: PlanRequest,
): readonly Delivered[] {
  const rates = ratesOf(routes(needs, withMoves(machine, moves, givenUp), placements, cards));
  return needs.map((need) => {
    const own = rates.filter(({ route }) => route.need.id === need.id);
    return {
      need,
      isUnmet: unmet.some(({ id }) => id === need.id),
      bytesPerSecond: own.length === 0 ? null : Math.min(...own.map(({ alone }) => alone.high)),
    };
  });
}

/**
 * From 0 to 1: each need served counts as far as its cards come near the fastest that any card of the catalogue gives
 * it here; a need that is left counts nothing, one that the machine meets by itself counts whole.
 */
export function deliveredShare(plan: Proposal, needs: readonly Need[]): number {
  if (needs.length === 0) return 1;
  const behind = (plan.cost.parts.speedGap ?? 0) / SPEED_GAP_CENTS;
  return Math.max(0, needs.length - plan.unmet.length - behind) / needs.length;
}
