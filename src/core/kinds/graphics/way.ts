/** Graphics work on a card. */
import { joinsNothing, servedByCards, type Way } from '../way.ts';
import { asFrames, graphicsFlow } from './flow.ts';
import type { GraphicsNeed } from './need.ts';

export const graphicsWay: Way<GraphicsNeed> = {
  flow: graphicsFlow,
  stands: servedByCards,
  proven: asFrames,
  join: joinsNothing,
};
