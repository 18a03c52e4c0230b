/** What may hold drives back: one of them, its data lead, or how they work as one. */
import type { RunTest } from '../../parts/run.ts';
import type { Described } from '../component.ts';
import { isOf } from '../components.ts';
import type { Flow } from '../flow.ts';
import type { OfCard, ServingCard } from '../proof.ts';
import type { DrivesNeed } from './need.ts';

export const drivesCauses = (
  need: DrivesNeed,
  { hangs }: Flow,
  _card: ServingCard,
  { all }: OfCard,
): readonly Described[] => [
  ...all,
  DRIVES,
  ...(hangs === 'cables' ? [DATA_LEAD] : []),
  ...arrayOf(need),
];

/** The slowest of those that work together. */
export const DRIVES: Described = {
  what: 'drives',
  stages: isOf('drive', 'drivePort'),
  checks: ['onBoardPort'],
  fallBacks: [{ cause: 'driveSlow', shows: { onBoardPort: 'slow' } }],
};

export const DATA_LEAD: Described = {
  what: 'dataLead',
  checks: ['readDataLink', 'swapDataLead'],
  fallBacks: [{ cause: 'dataLeadPoor', shows: { readDataLink: 'lower', swapDataLead: 'better' } }],
};

const isWritten = ({ direction }: RunTest): boolean => direction === 'write';

/** Drives that work as one: one that is missing is felt where all of them read; small stripes are felt in reading. */
function arrayOf({ array }: DrivesNeed): readonly Described[] {
  if (array === 'single') return [];
  return [
    {
      what: 'driveCount',
      checks: ['countDrives'],
      fallBacks: [
        {
          cause: 'driveUnplugged',
          shows: { countDrives: 'missing' },
          ...(array === 'mirror' ? { spares: isWritten } : {}),
        },
      ],
    },
    {
      what: 'array',
      checks: ['readStripe'],
      fallBacks:
        array === 'mirror'
          ? []
          : [{ cause: 'stripeSmall', shows: { readStripe: 'small' }, spares: isWritten }],
    },
  ];
}
