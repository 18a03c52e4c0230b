/** What each thing settled beforehand costs, and what a card would cost where the plan does not have it. */
import { withDriveLoad } from '../../placement/driveLoad.ts';
import type { Card } from '../../document/card.ts';
import type { Slot } from '../../document/machine.ts';
import type { Need } from '../../kinds/need.ts';
import { pinKey, type Pin } from '../../document/planning.ts';
import type { Finding } from '../../rules/finding.ts';
import { slotVerdict } from '../../rules/verdict.ts';
import type { Cost } from '../../plans/cost.ts';
import { planning } from './plan.ts';
import type { PlanRequest, PlannedCard, Proposal } from '../../plans/proposal.ts';
import type { Search } from '../search/search.ts';

export interface PinPrice {
  readonly pin: Pin;
  readonly difference: Difference;
}

/** How much one plan costs more than another: musts it leaves more, and cents as they weigh. */
export interface Difference {
  readonly musts: number;
  readonly cents: number;
}

export const differenceOf = (plan: Cost, other: Cost): Difference => ({
  musts: plan.mustsUnmet - other.mustsUnmet,
  cents: Math.round((plan.score - other.score) / 100),
});

/** What the plan with all pins costs more than the one without each of them. */
export function* pricingPins(
  request: PlanRequest,
  plan: Proposal,
): Search<unknown, readonly PinPrice[]> {
  const prices: PinPrice[] = [];
  for (const pin of request.pins ?? []) {
    const pins = (request.pins ?? []).filter((each) => pinKey(each) !== pinKey(pin));
    const without = yield* planning({ ...request, pins });
    prices.push({ pin, difference: differenceOf(plan.cost, without.cost) });
  }
  return prices;
}

export interface WhyNot {
  /** What the rules say of the card there. */
  readonly findings: readonly Finding[];
  /** The best plan with the card there; null where it cannot go there. */
  readonly forced: Proposal | null;
  readonly difference: Difference | null;
  /** What the best plan has and the forced one has not. */
  readonly displaced: readonly PlannedCard[];
  readonly left: readonly Need[];
}

/** Why the plan does not have this card in this slot, by forcing it there. */
export function* whyNot(
  request: PlanRequest,
  plan: Proposal,
  card: Card,
  slot: Slot,
): Search<unknown, WhyNot> {
  const { findings } = slotVerdict(
    card,
    slot,
    withDriveLoad(request.machine, request.needs),
    request.library,
  );
  const pin: Pin = { kind: 'cardThere', cardId: card.id, slotId: slot.id };
  const forced = yield* planning({ ...request, pins: [...(request.pins ?? []), pin] });
  if (forced.pinsLeft.some((each) => pinKey(each) === pinKey(pin))) {
    return { findings, forced: null, difference: null, displaced: [], left: [] };
  }
  const has = (proposal: Proposal, { card: { id } }: PlannedCard) =>
    proposal.placements.some((each) => each.card.id === id);
  return {
    findings,
    forced,
    difference: differenceOf(forced.cost, plan.cost),
    displaced: plan.placements.filter((each) => !has(forced, each)),
    left: forced.unmet.filter(({ id }) => !plan.unmet.some((need) => need.id === id)),
  };
}
