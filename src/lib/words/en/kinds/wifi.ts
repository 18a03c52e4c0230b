/** Words of Wi-Fi cards, and of needs for a radio. */
import type { DeliveryOf, NeedOf } from '$core/kinds';
import { QUIET, THRICE, wireTest } from './guides';
import { READ_OR_WRITTEN, list, type CardWords, type NeedWords } from './kindWords';

export const wifiCard: CardWords<DeliveryOf<'wifi'>> = {
  name: 'Wi-Fi',
  option: 'Wi-Fi',
  columns: {
    radioMegabits: 'Radio, Mb/s',
    bluetooth: 'Bluetooth',
    bands: 'Bands',
    aerials: 'Aerials',
  },
  delivers: ({ radioMegabits, bluetooth }) =>
    `radio ${radioMegabits} Mb/s${bluetooth ? ', Bluetooth' : ''}`,
};

export const wifiNeed: NeedWords<NeedOf<'wifi'>> = {
  name: 'Wi-Fi',
  // As its box and the internet plan have it.
  rate: { words: 'Mb/s', scale: 1e6 / 8, unit: 'b/s' },
  direction: READ_OR_WRITTEN,
  stands: null,
  asks: ({ megabits, bluetooth, bands }) =>
    list(`${megabits} Mb/s`, bluetooth ? 'Bluetooth' : '', ...bands.map((band) => `${band} GHz`)),
  guide: (_need, { family }) => ({
    first: [
      'The machine where it will stand, the access point where it is.',
      QUIET,
      `${THRICE} Note the band and the rate of the radio beside it.`,
    ],
    ways: [
      wireTest('from'),
      {
        title: 'Band and rate of the radio',
        commands: [family === 'windows' ? 'netsh wlan show interfaces' : 'iw dev NAME link'],
        reads: 'Drop or paste what it prints.',
      },
    ],
  }),
};
