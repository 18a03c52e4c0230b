/** No card serves it: what is there stays. */
import { asItIs, joinsNothing, type Way } from '../way.ts';
import type { KeepNeed } from './need.ts';
import { keepStands } from './stands.ts';

export const keepWay: Way<KeepNeed> = {
  flow: () => null,
  stands: keepStands,
  proven: asItIs,
  join: joinsNothing,
};
