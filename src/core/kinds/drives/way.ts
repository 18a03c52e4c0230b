/** Drives on a card, or on ports of the board. */
import { asItIs, joinsNothing, servedByCards, type Way } from '../way.ts';
import { drivesFlow } from './flow.ts';
import type { DrivesNeed } from './need.ts';

export const drivesWay: Way<DrivesNeed> = {
  flow: drivesFlow,
  stands: servedByCards,
  proven: asItIs,
  join: joinsNothing,
};
