/** Words of cards with a purpose of their own, and of needs for them. */
import type { DeliveryOf, NeedOf } from '$core/kinds';
import { OTHER_DEVICE_WORDS } from '../things';
import { plainGuide } from './guides';
import { IN_BYTES, READ_OR_WRITTEN, type CardWords, type NeedWords } from './kindWords';

export const otherDeviceCard: CardWords<DeliveryOf<'otherDevice'>> = {
  name: 'Other device',
  option: 'other device',
  columns: {
    what: 'Purpose',
    units: 'Inputs, ports or lines',
    socket: 'Their sockets',
    bytesPerSecond: 'Bytes a second at full work',
  },
  delivers: ({ units, what }) => `${units} × ${OTHER_DEVICE_WORDS[what]}`,
};

export const otherDeviceNeed: NeedWords<NeedOf<'otherDevice'>> = {
  name: 'Other device',
  rate: IN_BYTES,
  direction: READ_OR_WRITTEN,
  stands: null,
  asks: ({ units, what }) => `${units} × ${OTHER_DEVICE_WORDS[what]}`,
  guide: plainGuide,
};
