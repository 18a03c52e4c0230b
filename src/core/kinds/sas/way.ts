/** SAS drives on a card. */
import { asItIs, joinsNothing, servedByCards, type Way } from '../way.ts';
import { sasFlow } from './flow.ts';
import type { SasNeed } from './need.ts';

export const sasWay: Way<SasNeed> = {
  flow: sasFlow,
  stands: servedByCards,
  proven: asItIs,
  join: joinsNothing,
};
