/** A wire through a card. */
import { asItIs, joinEach, servedByCards, type Way } from '../way.ts';
import { networkFlow } from './flow.ts';
import type { NetworkNeed } from './need.ts';

export const networkWay: Way<NetworkNeed> = {
  flow: networkFlow,
  stands: servedByCards,
  proven: asItIs,
  join: joinEach(['network'], 'farEnd'),
};
