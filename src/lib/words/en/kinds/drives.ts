/** Words of storage cards, and of needs for drives. */
import { areUsed, socketWanted, unitsNeeded, type DeliveryOf, type NeedOf } from '$core/kinds';
import { counted, figure, inMegabytes } from '../figures';
import { QUIET, THRICE, copyTo } from './guides';
import {
  IN_BYTES,
  READ_OR_WRITTEN,
  list,
  type Bench,
  type CardWords,
  type Guide,
  type NeedWords,
  type WayToMeasure,
} from './kindWords';

export const drivesCard: CardWords<DeliveryOf<'drives'>> = {
  name: 'Drives',
  option: 'drives',
  columns: {
    ports: 'Drives',
    socket: 'Drive socket',
    ownPorts: 'Ports of its own',
    sataModules: 'SATA modules led to the board',
  },
  delivers: ({ ports, socket, ownPorts, sataModules }) =>
    `${counted(ports, socket === 'sata' ? 'SATA drive' : 'module')}${
      ownPorts < ports ? ` on ${counted(ownPorts, 'port')}` : ''
    }${sataModules > 0 ? `, ${counted(sataModules, 'SATA module')} led to the board` : ''}`,
};

const DRIVE_KINDS = { any: '', sata: 'SATA', m2: 'M.2', m2Sata: 'M.2 SATA' } as const;

function drivesWanted(need: NeedOf<'drives'>): string {
  const { medium, usableGigabytes, driveGigabytes, these } = need;
  const kind = (these[0]?.medium ?? medium) === 'hardDisk' ? 'hard disks' : 'drives';
  const sizes = new Set(these.map(({ gigabytes }) => gigabytes));
  const size = these.length === 0 ? driveGigabytes : sizes.size === 1 ? these[0]?.gigabytes : null;
  const of =
    size == null || (these.length === 0 && usableGigabytes === 0) ? '' : `of ${figure(size, 'GB')}`;
  const drives = [String(unitsNeeded(need)), DRIVE_KINDS[socketWanted(need)], kind, of]
    .filter((part) => part !== '')
    .join(' ');
  return usableGigabytes === 0 ? drives : `${figure(usableGigabytes, 'GB')} on ${drives}`;
}

const ARRAY_WORDS = {
  parity: 'with parity',
  mirror: 'as a mirror',
  stripe: 'as a stripe',
} as const;

function figureWanted({ array, bytesPerSecond, together, direction }: NeedOf<'drives'>): string {
  const rate = inMegabytes(bytesPerSecond);
  if (array === 'single') return `${rate} each ${together ? 'together' : 'alone'}`;
  return `${ARRAY_WORDS[array]}, ${rate} ${direction === 'read' ? 'reading' : 'writing'}`;
}

export const drivesNeed: NeedWords<NeedOf<'drives'>> = {
  name: 'Drives',
  rate: IN_BYTES,
  direction: READ_OR_WRITTEN,
  stands: null,
  asks: (need) =>
    list(
      drivesWanted(need),
      figureWanted(need),
      areUsed(need) ? 'used before' : '',
      need.bootable ? 'bootable' : '',
      need.systemDriver ? 'runs on the system’s own driver' : '',
    ),
  guide: ({ together, array }, at) => drivesGuide(together && array === 'single', at),
};

/** @param allAtOnce whether each has a copy of its own at the same time */
export function drivesGuide(allAtOnce: boolean, at: Bench): Guide {
  return {
    first: [
      'Only on drives that are prepared and empty, or read from them only.',
      QUIET,
      `At least ${at.gigabytes} GB: less stays in the cache. ${THRICE}`,
      ...(allAtOnce ? ['All drives at once, each with its own copy; then one alone.'] : []),
    ],
    ways: [...(at.family === 'windows' ? [] : [pastTheCache(at)]), ...copyTo('MOUNT', at)],
  };
}

const pastTheCache = ({ gigabytes }: Bench): WayToMeasure => ({
  title: 'Read and write, past the cache',
  commands: [
    `fio --name=write --filename=/MOUNT/probe --rw=write --bs=1M --size=${gigabytes}G --direct=1 --ioengine=psync --output-format=json > write.json`,
    `fio --name=read --filename=/MOUNT/probe --rw=read --bs=1M --size=${gigabytes}G --direct=1 --ioengine=psync --output-format=json > read.json`,
    'rm /MOUNT/probe',
  ],
  reads: 'Drop both files.',
});
