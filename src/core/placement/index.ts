/** What other rooms than the core's take of this one. */
export { withMoves } from './moves.ts';
export {
  type Rectangle,
  bodyAround,
  cardEdgeEndMm,
  moduleRectangle,
  connectorLengthMm,
  openingMiddleMm,
} from './geometry.ts';
export { slotLink } from './slotLink.ts';
export {
  type AssignmentCost,
  type SupplyPlug,
  type Socket,
  assignPlugs,
  plugsOf,
  socketsOf,
} from './plugs.ts';
export { withCards, withOccupants } from './withCards.ts';
export { type PowerLimit, powerLoads } from './powerLoads.ts';
export { type Housing, housings, machineAround } from './housing.ts';
export { driveLoadWatts, withDriveLoad } from './driveLoad.ts';
export { inBays } from './bays.ts';
