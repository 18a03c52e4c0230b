/** Words of network cards, and of needs for a wire. */
import type { DeliveryOf, NeedOf } from '$core/kinds';
import { counted, inMegabytes, wireWords } from '../figures';
import { FEATURE_WORDS } from '../things';
import { QUIET, THRICE, copyTo, wireTest } from './guides';
import { IN_BYTES, list, type CardWords, type NeedWords } from './kindWords';

export const networkCard: CardWords<DeliveryOf<'network'>> = {
  name: 'Network',
  option: 'network',
  columns: {
    ports: 'Network ports',
    megabits: 'Mb/s',
    medium: 'Network sockets',
    features: 'Network features',
  },
  delivers: ({ ports, megabits }) =>
    `${counted(ports, 'port')}, up to ${wireWords(Math.max(...megabits))}`,
};

const TEAM_WORDS = {
  none: '',
  throughput: ' as a team, together',
  survival: ' on separate cards',
} as const;

export const networkNeed: NeedWords<NeedOf<'network'>> = {
  name: 'Network',
  rate: IN_BYTES,
  direction: { read: 'from the far end', write: 'to the far end' },
  stands: null,
  asks: ({ direction, bytesPerSecond, ports, team, features }) =>
    list(
      `Copies ${direction === 'from' ? 'fetched ' : ''}at ${inMegabytes(bytesPerSecond)}`,
      ports > 1 ? `${ports} ports${TEAM_WORDS[team]}` : '',
      ...features.map((feature) => FEATURE_WORDS[feature]),
    ),
  guide: ({ direction }, at) => ({
    first: [
      'The far end answers by name and by address, its share opens, and a small file can be written there: else it is a name or a permission, and no lead.',
      QUIET,
      `Copy at least ${at.gigabytes} GB in one file: less stays in memory. ${THRICE}`,
    ],
    ways: [wireTest(direction), ...copyTo('SHARE', at)],
  }),
};
