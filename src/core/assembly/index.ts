/** What other rooms than the core's take of this one. */
export { extrasOrdered } from './rounds.ts';
export { acceptanceOf, acceptanceOfTrial } from './acceptance.ts';
export { benchState, type BenchState } from './benchState.ts';
export { isAcceptable } from './acceptable.ts';
export { openingsOf } from './openings.ts';
export { type RearSockets, boardSockets, rearLeads, rearSocketsOf } from './rearLeads.ts';
export {
  type AssembledCard,
  type Assembly,
  assemblyOf,
  laterCardsOf,
  newCardsOf,
} from './assembly.ts';
export { type Expectation, expectations } from './expectations.ts';
export { oldDrivers, packagesWanted } from './driverTargets.ts';
