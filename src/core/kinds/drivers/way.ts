/** No card is bought for it: it is met by what is done to drivers. */
import { asItIs, joinsNothing, type Way } from '../way.ts';
import type { DriversNeed } from './need.ts';

export const driversWay: Way<DriversNeed> = {
  flow: () => null,
  stands: () => ({ state: 'met', units: 1 }),
  proven: asItIs,
  join: joinsNothing,
};
