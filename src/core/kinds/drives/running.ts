/** Drives as they run. */
import type { Machine } from '../../document/machine.ts';
import { valueOf } from '../../parts/fact.ts';
import {
  DRIVES,
  arrayBytesPerSecond,
  arrayGain,
  portPractice,
  showsOfRated,
} from '../../standards/storage.ts';
import { unitsNeeded } from '../need.ts';
import {
  faultsAt,
  split,
  type Fault,
  type InSlot,
  type Make,
  type Measuring,
  type Part,
  type Range,
  type RunningKind,
} from '../running.ts';
import { socketWanted, type DrivesNeed } from './need.ts';

function streams(need: DrivesNeed, { card, slot }: InSlot, { alone }: Measuring): number {
  const { delivers } = card;
  if (delivers.kind !== 'drives') return 1;
  if (need.array === 'single' && (alone || !need.together)) return 1;
  const sockets = card.needsSplit
    ? Math.max(1, Math.floor(Math.min(valueOf(slot.lanes) ?? card.lanes, card.lanes) / 4))
    : delivers.ports;
  return Math.max(1, Math.min(sockets, delivers.ports, unitsNeeded(need)));
}

const DISK = arrayBytesPerSecond('disk', { count: 1, how: 'single' }, 'read');

function parts(
  need: DrivesNeed,
  { card }: InSlot,
  _machine: Machine,
  { direction }: Measuring,
  make: Make,
  sharing: number,
): readonly Part[] {
  const { delivers } = card;
  if (delivers.kind !== 'drives') return [];
  const overBoard = socketWanted(need) === 'm2Sata';
  const socket = overBoard ? 'sata' : delivers.socket;
  const ownPorts = overBoard ? sharing : delivers.ownPorts;
  const port = portPractice(socket, need.these.length === 0 ? null : card.generation);
  const drives = need.these.map((drive): Range => {
    const rated = direction === 'read' ? drive.readBytesPerSecond : drive.writeBytesPerSecond;
    const [least, most] =
      rated !== null
        ? showsOfRated(rated)
        : drive.medium === 'hardDisk'
          ? DISK
          : DRIVES[socket].practiceBytesPerSecond;
    const full = direction === 'write' ? drive.sustainedBytesPerSecond : null;
    return full === null ? [least, most] : [Math.min(least, full), Math.max(most, full)];
  });
  if (drives.length === 0 && need.medium === 'hardDisk') drives.push(DISK);
  return [
    make('dataLead', split(port, Math.ceil(sharing / ownPorts))),
    ...(drives.length === 0
      ? []
      : [
          make(
            'drives',
            [
              Math.min(...drives.map(([least]) => least)),
              Math.min(...drives.map(([, most]) => most)),
            ],
            true,
          ),
        ]),
  ];
}

const faults = ({ array }: DrivesNeed, { card: { delivers } }: InSlot): readonly Fault[] => [
  ...faultsAt('drives', 'driveSlow'),
  ...(delivers.kind === 'drives' && delivers.socket === 'sata'
    ? faultsAt('dataLead', 'dataLeadPoor')
    : []),
  ...(array === 'single' ? [] : faultsAt('driveCount', 'driveUnplugged')),
  ...(array === 'stripe' || array === 'parity' ? faultsAt('array', 'stripeSmall') : []),
];

export const drivesRunning: RunningKind<DrivesNeed> = {
  isOverLink: (need) => socketWanted(need) !== 'm2Sata',
  isThroughCard: true,
  wobbles: true,
  feelsLink: false,
  files: ({ medium }) => (medium === 'hardDisk' ? 'disk' : 'solidState'),
  streams,
  gain: (need, _card, { direction }) =>
    arrayGain({ count: unitsNeeded(need), how: need.array }, direction),
  parts,
  faults,
  missesDrive: ({ array }, { direction }) => array !== 'mirror' || direction === 'read',
};
