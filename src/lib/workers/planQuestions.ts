/** What is asked of the planner beside the plan itself; comes into the worker when the first such question does. */
import {
  changed,
  conflictSets,
  repairs,
  planning,
  pricingPins,
  whyNot,
  type Change,
  type ConflictSet,
  type Repair,
  type PinPrice,
  type WhyNot,
} from '$core/planner';
import type { PlanRequest, Proposal } from '$core/plans';
import type { Card, Slot } from '$core/document';
import { drive, type Steps } from './drive';

export interface Explanation {
  readonly sets: readonly ConflictSet[];
  readonly repairs: readonly Repair[];
}

function* explaining(request: PlanRequest): Steps<unknown, Explanation> {
  const sets = yield* conflictSets(request);
  return { sets, repairs: sets.length === 0 ? [] : yield* repairs(request) };
}

export const planQuestions = {
  explain: (request: PlanRequest): Promise<Explanation | null> => drive(explaining(request)),
  pricePins: (request: PlanRequest, plan: Proposal): Promise<readonly PinPrice[] | null> =>
    drive(pricingPins(request, plan)),
  whyNot: (request: PlanRequest, plan: Proposal, card: Card, slot: Slot): Promise<WhyNot | null> =>
    drive(whyNot(request, plan, card, slot)),
  /** The plan if one thing were otherwise. */
  whatIf: (request: PlanRequest, change: Change): Promise<Proposal | null> =>
    drive(planning(changed(request, change))),
};
