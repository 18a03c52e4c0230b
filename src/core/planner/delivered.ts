/** How much a plan delivers of what could be delivered. */
import type { Need } from '../parts/need.ts';
import { PACE_CENTS } from './cost.ts';
import type { Proposal } from './plan.ts';

/**
 * From 0 to 1: each need served counts as far as its cards come near the fastest that any card of the catalogue gives
 * it here; a need that is left counts nothing, one that the machine meets by itself counts whole.
 */
export function deliveredShare(plan: Proposal, needs: readonly Need[]): number {
  if (needs.length === 0) return 1;
  const behind = (plan.cost.parts.pace ?? 0) / PACE_CENTS;
  return Math.max(0, needs.length - plan.unmet.length - behind) / needs.length;
}
