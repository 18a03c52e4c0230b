/** Words of cards with fast serial ports, and of needs for them. */
import type { DeliveryOf, NeedOf } from '$core/kinds';
import { counted, figure } from '../figures';
import { plainGuide } from './guides';
import { IN_BYTES, READ_OR_WRITTEN, type CardWords, type NeedWords } from './kindWords';

export const serialLinkCard: CardWords<DeliveryOf<'serialLink'>> = {
  name: '40 Gb/s port',
  option: '40 Gb/s port',
  columns: {
    ports: 'Fast serial ports',
    gigabits: 'Gb/s',
  },
  delivers: ({ ports, gigabits }) => `${counted(ports, 'port')}, ${gigabits} Gb/s`,
};

export const serialLinkNeed: NeedWords<NeedOf<'serialLink'>> = {
  name: '40 Gb/s port',
  rate: IN_BYTES,
  direction: READ_OR_WRITTEN,
  stands: null,
  asks: ({ ports, gigabits, bytesPerSecond }) =>
    `${ports} of ${gigabits} Gb/s, ${figure(bytesPerSecond, 'B/s')} each`,
  guide: plainGuide,
};
