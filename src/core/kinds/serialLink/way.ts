/** Fast serial ports of a card. */
import { asItIs, joinEach, servedByCards, type Way } from '../way.ts';
import { serialLinkFlow } from './flow.ts';
import type { SerialLinkNeed } from './need.ts';

export const serialLinkWay: Way<SerialLinkNeed> = {
  flow: serialLinkFlow,
  stands: servedByCards,
  proven: asItIs,
  join: joinEach(['usbC'], 'box'),
};
