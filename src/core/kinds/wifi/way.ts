/** A radio on a card. */
import { asItIs, joinsNothing, servedByCards, type Way } from '../way.ts';
import { wifiCauses } from './causes.ts';
import { wifiFlow } from './flow.ts';
import type { WifiNeed } from './need.ts';
import { wifiSeen } from './seen.ts';

export const wifiWay: Way<WifiNeed> = {
  flow: wifiFlow,
  stands: servedByCards,
  proven: asItIs,
  // Aerials are screwed on, whoever is served.
  join: joinsNothing,
  causes: wifiCauses,
  seen: wifiSeen,
};
