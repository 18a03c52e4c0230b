/** What other rooms than the core's take of this one. */
export { type Delivered, delivered, deliveredShare } from './answers/delivered.ts';
export { CONSTRAINTS, type Constraint } from './candidates/constraints.ts';
export { type Refusal } from './answers/refusals.ts';
export { planning, proposePlan } from './answers/plan.ts';
export {
  type Aspect,
  type Choice,
  type ChoiceProgress,
  choosePlans,
  choosing,
} from './answers/alternatives.ts';
export { type ConflictSet, type Member, conflictSets, memberKey } from './answers/conflictSets.ts';
export {
  type Change,
  type Repair,
  changed,
  changesFor,
  repairs,
  priceOfChange,
} from './answers/repairs.ts';
export {
  type Difference,
  type PinPrice,
  type WhyNot,
  differenceOf,
  pricingPins,
  whyNot,
} from './answers/pins.ts';
