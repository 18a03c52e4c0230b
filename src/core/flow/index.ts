/** What other rooms than the core's take of this one. */
export { flowOf } from './flowOf.ts';
export { type MetByMachine, metByMachine, recordOf } from './metByMachine.ts';
export { type RouteRates, routes, ratesOf, streamsOf } from './concurrency.ts';
export { type Stream, fairShares } from './fairShares.ts';
export { copyTime } from './copyTime.ts';
