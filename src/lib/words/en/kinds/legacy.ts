/** Words of cards with ports of an older age, and of needs for them. */
import type { DeliveryOf, NeedOf } from '$core/kinds';
import { plainGuide } from './guides';
import { IN_BYTES, READ_OR_WRITTEN, list, type CardWords, type NeedWords } from './kindWords';

export const legacyCard: CardWords<DeliveryOf<'legacy'>> = {
  name: 'Serial or parallel port',
  option: 'serial or parallel ports',
  columns: {
    serial: 'Serial ports',
    parallel: 'Parallel ports',
  },
  delivers: ({ serial, parallel }) =>
    list(serial > 0 ? `${serial} serial` : '', parallel > 0 ? `${parallel} parallel` : ''),
};

export const legacyNeed: NeedWords<NeedOf<'legacy'>> = {
  name: 'Serial or parallel port',
  rate: IN_BYTES,
  direction: READ_OR_WRITTEN,
  stands: null,
  asks: ({ ports, port }) => `${ports} ${port}`,
  guide: plainGuide,
};
