/** A radio on a card. */
import { asItIs, joinsNothing, servedByCards, type Way } from '../way.ts';
import { wifiFlow } from './flow.ts';
import type { WifiNeed } from './need.ts';

export const wifiWay: Way<WifiNeed> = {
  flow: wifiFlow,
  stands: servedByCards,
  proven: asItIs,
  // Aerials are screwed on, whoever is served.
  join: joinsNothing,
};
