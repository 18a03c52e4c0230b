/** A wire through a card. */
import { asItIs, joinEach, servedByCards, type Way } from '../way.ts';
import { networkCauses } from './causes.ts';
import { networkFlow } from './flow.ts';
import type { NetworkNeed } from './need.ts';
import { networkSeen } from './seen.ts';

export const networkWay: Way<NetworkNeed> = {
  flow: networkFlow,
  stands: servedByCards,
  proven: asItIs,
  join: joinEach(['network'], 'farEnd'),
  causes: networkCauses,
  seen: networkSeen,
};
