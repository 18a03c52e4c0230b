/** What each part of a machine that runs really carries, drawn from its band, in bytes per second or in the figure of its need. */
import type { AssembledCard } from '../../assembly/assembly.ts';
import type { Card } from '../../document/card.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Machine, Slot } from '../../document/machine.ts';
import { socketWanted, unitsNeeded, type Need, type NeedOf } from '../../kinds/need.ts';
import type { RunDirection } from '../../parts/run.ts';
import { healthyCopyShare, tcpBytesPerSecond } from '../../standards/ethernet.ts';
import {
  CLASSIC_PCI_BYTES_PER_SECOND,
  CLASSIC_PCI_SHARE,
  bestBytesPerSecond,
  reckonedBytesPerSecond,
  type Generation,
  type Link,
} from '../../standards/pciExpress.ts';
import { PROCESSORS } from '../../standards/processors.ts';
import { SERIAL_LINK_USB, serialLinkBytesPerSecond } from '../../standards/serialLink.ts';
import {
  DRIVES,
  SATA_PORT_BYTES_PER_SECOND,
  arrayBytesPerSecond,
  portPractice,
  showsOfRated,
  type CopyDrive,
} from '../../standards/storage.ts';
import { USB, USB_DEVICE_BYTES_PER_SECOND } from '../../standards/usb.ts';
import { WIFI_SHARE, radioMegabits } from '../../standards/wifi.ts';
import { megabitsToBytesPerSecond } from '../../units.ts';
import type { Chance } from './chance.ts';
import { negotiated } from './wires.ts';

/** A part with what it carries while nothing is wrong with it. */
export interface Part {
  readonly id: string;
  readonly carries: number;
  /** It is no part of a measurement from memory to memory. */
  readonly isDrive: boolean;
}

/** What the measurement is of. */
export interface Asked {
  readonly direction: RunDirection;
  readonly alone: boolean;
}

/** What card and slot would train to; null where there are no lanes. */
export function trainedIn(card: Card, slot: Slot): Link | null {
  const lanes = valueOf(slot.lanes);
  const generation = valueOf(slot.generation);
  if (slot.bus === 'pci' || (card.m2 !== null && card.m2.signal !== 'pcie')) return null;
  if (lanes === null || generation === null || lanes === 0) return null;
  // Where a slot is split each device on the card has four lanes of it.
  const wide = Math.min(lanes, card.lanes, card.needsSplit ? 4 : 32);
  return {
    generation: Math.min(generation, card.generation) as Generation,
    width: [32, 16, 12, 8, 4, 2, 1].find((each) => each <= wide)!,
  };
}

/** How far along the way from the usual to the best share of a link its packets are. */
export const overLink = (link: Link, luck: number): number =>
  reckonedBytesPerSecond(link) + luck * (bestBytesPerSecond(link) - reckonedBytesPerSecond(link));

/** Drives, ports or copies that share what is before them. */
export function streamsOf({ card, slot }: AssembledCard, need: Need, { alone }: Asked): number {
  if (need.kind === 'network' && card.delivers.kind === 'network' && need.team === 'throughput')
    return alone ? 1 : Math.min(card.delivers.ports, need.ports);
  if (need.kind !== 'drives' || card.delivers.kind !== 'drives') return 1;
  if (need.array === 'single' && (alone || !need.together)) return 1;
  const sockets = card.needsSplit
    ? Math.max(1, Math.floor(Math.min(valueOf(slot.lanes) ?? card.lanes, card.lanes) / 4))
    : card.delivers.ports;
  return Math.max(1, Math.min(sockets, card.delivers.ports, unitsNeeded(need)));
}

/** Every part of the way, with what a stream gets of it. @param luck 0 to 1, of the link */
export function partsOf(
  assembled: AssembledCard,
  need: Need,
  machine: Machine,
  asked: Asked,
  chance: Chance,
): readonly Part[] {
  const { card, slot } = assembled;
  const part = (id: string, band: readonly [number, number], isDrive = false): Part => ({
    id,
    carries: chance.within(band),
    isDrive,
  });
  const streams = streamsOf(assembled, need, asked);
  const link = trainedIn(card, slot);
  const uplink = valueOf(slot.uplink);
  const shared = card.needsSplit ? 1 : streams;
  const luck = chance.within([0, 1]);
  const isOverLink = !(need.kind === 'drives' && socketWanted(need) === 'm2Sata');
  const before: readonly Part[] = !isOverLink
    ? []
    : [
        ...(link === null
          ? slot.bus === 'pci'
            ? [
                part('slotLink', [
                  (CLASSIC_PCI_BYTES_PER_SECOND * CLASSIC_PCI_SHARE) / streams,
                  CLASSIC_PCI_BYTES_PER_SECOND / streams,
                ]),
              ]
            : []
          : [{ id: 'slotLink', carries: overLink(link, luck) / shared, isDrive: false }]),
        ...(uplink === null || link === null
          ? []
          : [
              {
                id: 'uplink',
                carries:
                  overLink({ generation: uplink.generation, width: uplink.lanes }, luck) / streams,
                isDrive: false,
              },
            ]),
      ];
  const { delivers } = card;
  switch (need.kind) {
    case 'network':
      return delivers.kind === 'network'
        ? [...before, ...ofNetwork(delivers.megabits, need, machine, asked, part, streams)]
        : before;
    case 'usb': {
      const signalling = delivers.kind === 'usb' ? delivers.signalling : SERIAL_LINK_USB.signalling;
      const device = need.device === null ? null : USB_DEVICE_BYTES_PER_SECOND[need.device];
      const socket = USB[need.deviceSignalling].practiceBytesPerSecond;
      return [
        ...before,
        part('usbLink', USB[signalling].practiceBytesPerSecond),
        ...(device === null
          ? []
          : [
              part(
                'usbDevice',
                [Math.min(device[0], socket[0]), Math.min(device[1], socket[1])],
                true,
              ),
              ...ownDrive(machine, 'write', part, 1),
            ]),
      ];
    }
    case 'drives':
      return [...before, ...ofDrives(assembled, need, asked, part, streams)];
    case 'wifi':
      return delivers.kind === 'wifi' ? [...before, ...ofRadio(delivers, machine, part)] : before;
    case 'serialLink':
      return delivers.kind === 'serialLink'
        ? [
            ...before,
            part('portLead', [
              serialLinkBytesPerSecond(delivers.gigabits),
              serialLinkBytesPerSecond(delivers.gigabits),
            ]),
          ]
        : before;
    // Pictures: what is fluent at work, and what screens show.
    case 'graphics':
      return [part('card', [30, 60])];
    case 'screens':
      return [part('screenMode', [need.mode.refreshHz, need.mode.refreshHz])];
    default:
      return [];
  }
}

type Make = (id: string, band: readonly [number, number], isDrive?: boolean) => Part;

function ofNetwork(
  megabits: readonly number[],
  need: NeedOf<'network'>,
  machine: Machine,
  { direction, alone }: Asked,
  part: Make,
  streams: number,
): readonly Part[] {
  const { path } = machine;
  const wire = (speed: number): readonly [number, number] => [
    tcpBytesPerSecond(speed) * healthyCopyShare(speed),
    tcpBytesPerSecond(speed),
  ];
  const copies = need.team === 'throughput' && !alone ? need.ports : 1;
  const processor = valueOf(path.processor);
  const rows = processor === null ? null : PROCESSORS[processor];
  return [
    part('port', wire(Math.max(...megabits))),
    ...negotiated(megabits, path).map(({ speed }, n) => {
      const [low, high] = wire(speed);
      const by = n === 0 ? 1 : streams;
      return part(`wire ${n}`, [low / by, high / by]);
    }),
    ...(rows === null
      ? []
      : [part('processor', split(need.encrypted ? rows.encrypted : rows.plain, copies))]),
    ...ownDrive(machine, direction === 'write' ? 'read' : 'write', part, copies),
    ...endDrive('farDrive', path.farDrive, path.farArray, direction, part, copies),
  ];
}

const split = ([low, high]: readonly [number, number], by: number): readonly [number, number] => [
  low / by,
  high / by,
];

function ownDrive(
  { path }: Machine,
  what: RunDirection,
  part: Make,
  copies: number,
): readonly Part[] {
  const port = valueOf(path.ownDrivePort);
  const count = valueOf(path.ownArray)?.count ?? 1;
  return [
    ...endDrive('ownDrive', path.ownDrive, path.ownArray, what, part, copies),
    ...(port === null || valueOf(path.ownDrive) === 'nvme'
      ? []
      : [part('ownDrivePort', split(SATA_PORT_BYTES_PER_SECOND[port], copies / count), true)]),
  ];
}

function endDrive(
  id: string,
  drive: Machine['path']['ownDrive'],
  array: Machine['path']['ownArray'],
  what: RunDirection,
  part: Make,
  copies: number,
): readonly Part[] {
  const kind: CopyDrive | null = valueOf(drive);
  if (kind === null) return [];
  const of = valueOf(array) ?? { count: 1, how: 'single' as const };
  return [part(id, split(arrayBytesPerSecond(kind, of, what), copies), true)];
}

function ofDrives(
  { card }: AssembledCard,
  need: NeedOf<'drives'>,
  { direction }: Asked,
  part: Make,
  streams: number,
): readonly Part[] {
  if (card.delivers.kind !== 'drives') return [];
  const overBoard = socketWanted(need) === 'm2Sata';
  const socket = overBoard ? 'sata' : card.delivers.socket;
  const ownPorts = overBoard ? streams : card.delivers.ownPorts;
  const [low, high] = portPractice(socket, need.these.length === 0 ? null : card.generation);
  const onOne = Math.ceil(streams / ownPorts);
  const drives = need.these.map((drive): readonly [number, number] => {
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
    part('dataLead', [low / onOne, high / onOne]),
    ...(drives.length === 0
      ? []
      : [
          part(
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

const DISK = arrayBytesPerSecond('disk', { count: 1, how: 'single' }, 'read');

function ofRadio(
  { radioMegabits: own }: Extract<Card['delivers'], { kind: 'wifi' }>,
  { accessPoint, path }: Machine,
  part: Make,
): readonly Part[] {
  const standard = valueOf(accessPoint.standard);
  const link =
    standard === null
      ? own
      : Math.min(
          own,
          radioMegabits(
            standard,
            valueOf(accessPoint.channelMhz),
            valueOf(accessPoint.streams) ?? 2,
          ),
        );
  const share = WIFI_SHARE[valueOf(accessPoint.distance) ?? 'sameRoom'];
  const bytes = megabitsToBytesPerSecond(link);
  const wire = (id: string, megabits: number | null): readonly Part[] => {
    if (megabits === null) return [];
    const most = megabitsToBytesPerSecond(megabits);
    return [part(id, [most * healthyCopyShare(megabits), most])];
  };
  return [
    part('radio', [bytes * share[0], bytes * share[1]]),
    ...wire('accessWire', valueOf(accessPoint.wireMegabits)),
    ...wire('internet', valueOf(path.internetMegabits)),
  ];
}
