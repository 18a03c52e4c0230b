/** Words of graphics cards, and of needs for screens. */
import type { DeliveryOf, NeedOf } from '$core/kinds';
import { counted, modeWords } from '../figures';
import { INPUT_WORDS } from '../things';
import { IN_BYTES, READ_OR_WRITTEN, list, type CardWords, type NeedWords } from './kindWords';

export const screensCard: CardWords<DeliveryOf<'screens'>> = {
  name: 'Graphics',
  option: 'graphics',
  columns: {
    outputs: 'Outputs',
    most: 'Screens at once',
    memoryGigabytes: 'Memory, GB',
    speedClass: 'Speed class',
    encodes: 'Encodes',
  },
  delivers: ({ most, memoryGigabytes, speedClass }) =>
    `${counted(most, 'screen')}, ${memoryGigabytes} GB, class ${speedClass}`,
};

export const screensNeed: NeedWords<NeedOf<'screens'>> = {
  name: 'Screens',
  rate: IN_BYTES,
  direction: READ_OR_WRITTEN,
  stands: null,
  asks: ({ count, into, mode, bitsPerColour, input }) =>
    list(
      `${count} ${into === 'card' ? 'into another card, ' : 'of '}${modeWords(mode)}`,
      bitsPerColour === 10 ? '10 bits' : '',
      input === null ? '' : INPUT_WORDS[input],
    ),
  guide: (_need, { family }) => ({
    first: ['Set the mode on every screen, then read it where the system shows it.'],
    ways: [
      {
        title: 'The mode that is set',
        commands: [
          family === 'windows' ? 'Get-CimInstance Win32_VideoController' : 'xrandr --current',
        ],
        reads: 'The refresh rate with a star, or in the row CurrentRefreshRate.',
      },
    ],
  }),
};
