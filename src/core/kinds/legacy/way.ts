/** Ports of an older age on a card. */
import { asItIs, joinEach, servedByCards, type Way } from '../way.ts';
import { legacyFlow } from './flow.ts';
import type { LegacyNeed } from './need.ts';

export const legacyWay: Way<LegacyNeed> = {
  flow: legacyFlow,
  stands: servedByCards,
  proven: asItIs,
  join: joinEach(['serial', 'parallel'], 'device'),
};
