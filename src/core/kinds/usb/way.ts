/** USB ports of a card. */
import { asItIs, joinEach, servedByCards, type Way } from '../way.ts';
import { usbFlow } from './flow.ts';
import type { UsbNeed } from './need.ts';

const joinRear = joinEach(['usbA', 'usbC'], 'usbDevice');

export const usbWay: Way<UsbNeed> = {
  flow: usbFlow,
  stands: servedByCards,
  proven: asItIs,
  join: (need, ...how) => (need.where === 'rear' ? joinRear(need, ...how) : undefined),
};
