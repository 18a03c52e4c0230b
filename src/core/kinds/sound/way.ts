/** Sound of a card. */
import { asItIs, joinEach, servedByCards, type Way } from '../way.ts';
import { soundFlow } from './flow.ts';
import type { SoundNeed } from './need.ts';

export const soundWay: Way<SoundNeed> = {
  flow: soundFlow,
  stands: servedByCards,
  proven: asItIs,
  join: joinEach(['jack'], 'speakers'),
};
