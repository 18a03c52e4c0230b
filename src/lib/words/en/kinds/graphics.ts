/** Words of needs for graphics work. */
import type { NeedOf } from '$core/kinds';
import { figure } from '../figures';
import { ENCODING_WORDS } from '../things';
import { IN_BYTES, READ_OR_WRITTEN, list, type NeedWords } from './kindWords';

export const graphicsNeed: NeedWords<NeedOf<'graphics'>> = {
  name: 'Graphics work',
  rate: IN_BYTES,
  direction: READ_OR_WRITTEN,
  stands: null,
  asks: ({ memoryGigabytes, speedClass, encodes }) =>
    list(
      `${figure(memoryGigabytes, 'GB')} of memory`,
      `class ${speedClass}`,
      ...encodes.map((each) => ENCODING_WORDS[each]),
    ),
  guide: () => ({
    first: [
      'Screen on the new card, synchronisation with the screen off: else the screen’s own rate is all that shows.',
      'The customer’s own work, or a scene that always runs alike. Five minutes, so that it gets warm.',
    ],
    ways: [],
  }),
};
