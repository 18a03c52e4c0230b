/** Drives on a card, or on ports of the board. */
import { asItIs, joinsNothing, servedByCards, type Way } from '../way.ts';
import { drivesCauses } from './causes.ts';
import { drivesFlow } from './flow.ts';
import type { DrivesNeed } from './need.ts';
import { drivesSeen } from './seen.ts';

export const drivesWay: Way<DrivesNeed> = {
  flow: drivesFlow,
  stands: servedByCards,
  proven: asItIs,
  join: joinsNothing,
  causes: drivesCauses,
  seen: drivesSeen,
};
