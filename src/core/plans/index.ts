/** What other rooms than the core's take of this one. */
export { moneyCents } from './cost.ts';
export { metTogether } from './metTogether.ts';
export { type PlanRequest, type PlannedCard, type Proposal } from './proposal.ts';
