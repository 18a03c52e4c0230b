/** A device with a purpose of its own, on a card. */
import { REAR_SOCKET_KINDS } from '../../standards/rearSockets.ts';
import { asItIs, joinEach, servedByCards, type Way } from '../way.ts';
import { otherDeviceFlow } from './flow.ts';
import type { OtherDeviceNeed } from './need.ts';

export const otherDeviceWay: Way<OtherDeviceNeed> = {
  flow: otherDeviceFlow,
  stands: servedByCards,
  proven: asItIs,
  join: joinEach(REAR_SOCKET_KINDS, 'device'),
};
