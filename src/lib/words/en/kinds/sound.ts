/** Words of sound cards, and of needs for sound. */
import type { DeliveryOf, NeedOf } from '$core/kinds';
import { plainGuide } from './guides';
import { IN_BYTES, READ_OR_WRITTEN, list, type CardWords, type NeedWords } from './kindWords';

export const soundCard: CardWords<DeliveryOf<'sound'>> = {
  name: 'Sound',
  option: 'sound',
  columns: {
    channels: 'Channels',
    inputs: 'Sound inputs',
    optical: 'Optical',
  },
  delivers: ({ channels, optical }) => `${channels} channels${optical ? ', optical' : ''}`,
};

export const soundNeed: NeedWords<NeedOf<'sound'>> = {
  name: 'Sound',
  rate: IN_BYTES,
  direction: READ_OR_WRITTEN,
  stands: null,
  asks: ({ channels, inputs, optical, front }) =>
    list(
      `${channels} channels`,
      inputs > 0 ? `${inputs} inputs` : '',
      optical ? 'optical' : '',
      front ? 'front sockets' : '',
    ),
  guide: plainGuide,
};
