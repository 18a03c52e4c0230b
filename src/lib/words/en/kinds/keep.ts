/** Words of needs that something stays. */
import type { NeedOf } from '$core/kinds';
import { plainGuide } from './guides';
import { IN_BYTES, READ_OR_WRITTEN, type NeedWords } from './kindWords';

export const keepNeed: NeedWords<NeedOf<'keep'>> = {
  name: 'Keep what is there',
  rate: IN_BYTES,
  direction: READ_OR_WRITTEN,
  stands: { met: 'The machine keeps it.', short: 'The survey says that it goes.' },
  asks: () => 'stays in the machine',
  guide: plainGuide,
};
