/** Drives: what each gets alone or while all work, and whether the machine starts from them. */
import { classIsDriven } from '../../drivers/classDrivers.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Machine } from '../../document/machine.ts';
import { driveName, type Drive } from '../../parts/drive.ts';
import { unitsNeeded } from '../need.ts';
import type { DrivesCard } from './card.ts';
import { socketWanted, type DrivesNeed } from './need.ts';
import { cabledPorts } from './ports.ts';
import { drivesOf, inBays } from '../../placement/bays.ts';
import type { Finding, Verdict } from '../../rules/finding.ts';
import { devicesShown } from '../../placement/slotLink.ts';
import { PLUGS, type PlugAdapter, type PlugType } from '../../standards/plugs.ts';
import {
  DRIVES,
  LEAST_DRIVES,
  WORN_SHARE,
  arrayBytesPerSecond,
  arrayGain,
  portPractice,
  showsOfRated,
  usableOf,
  type DriveArray,
  type DriveSocket,
} from '../../standards/storage.ts';
import { row } from '../../units.ts';
import type { Flow, FlowStage, ForDrives, Provider, ProviderCard } from '../flow.ts';
import { conclude, delivering, providerId, linkStages, linkUnknown } from '../flow.ts';

export function drivesFlow(from: Provider, need: DrivesNeed, machine: Machine): Flow | null {
  const provider = delivering(from, 'drives');
  if (provider === null) return null;
  const sockets = socketsFor(provider, need, machine);
  const [low, high] = portPractice(
    sockets.socket,
    // What is not known of the drives is a good one of the usual generation.
    need.these.length === 0 ? null : (provider.fitted?.card.generation ?? null),
  );
  const wanted = unitsNeeded(need);
  const atOnce = need.together || need.array !== 'single' ? wanted : 1;
  const working = Math.max(1, Math.min(sockets.count, atOnce));
  // Sockets behind a port multiplier share the controller's own port; the fullest port decides.
  const share = 1 / Math.ceil(working / sockets.ownPorts);
  const several = { count: wanted, how: need.array };
  const [least, most] = arrayGain(several, need.direction);
  const cabled = isModule(need, sockets.socket) ? null : onCables(need, wanted, machine);
  const flow = conclude({
    need,
    unit: 'B/s',
    wanted: need.bytesPerSecond,
    units: sockets.count,
    stages: [
      ...(sockets.overBoard ? [] : linkStages(provider, working)),
      {
        code: 'drivePort',
        low: low * share,
        high: high * share,
        shared: { id: sockets.id, low, high, copies: sockets.ownPorts },
      },
      ...driveStages(need, sockets.socket),
    ],
    streams: working,
    gain: { low: least, high: most },
    hangs: sockets.socket === 'sata' ? 'cables' : 'card',
    factMissing: !sockets.overBoard && linkUnknown(provider),
    besides: [
      ...sockets.lacking,
      ...tooSmall(need, several),
      ...need.these.flatMap(worn),
      ...(provider.fitted === null || sockets.overBoard
        ? []
        : [
            ...boots(provider.fitted.card, need, machine),
            ...driven(provider.fitted.card, need, machine),
          ]),
      ...(cabled?.findings ?? []),
    ],
  });
  const cables =
    sockets.socket === 'sata' ? [{ fits: 'sata', count: Math.min(flow.units, wanted) }] : [];
  return { ...flow, forDrives: { ...(cabled?.forDrives ?? flow.forDrives), cables } };
}

/** No number of drives of that size leaves the room that is wanted; or those that are known do not. */
function tooSmall(
  { usableGigabytes, driveGigabytes, these }: DrivesNeed,
  several: { readonly count: number; readonly how: DriveArray },
): readonly Finding[] {
  const least = LEAST_DRIVES[several.how];
  if (several.count < least)
    return [
      {
        code: 'deliver.fewDrives',
        verdict: 'blocked',
        needed: least,
        available: several.count,
        unit: 'count',
      },
    ];
  // Of drives that work as one the smallest decides.
  const sizes = these.map(({ gigabytes }) => gigabytes);
  const available =
    sizes.length > 0 && several.how === 'single'
      ? sizes.reduce((sum, each) => sum + each, 0)
      : usableOf(several, Math.min(...sizes, sizes.length > 0 ? Infinity : driveGigabytes));
  return available >= usableGigabytes
    ? []
    : [
        {
          code: 'deliver.drivesTooSmall',
          verdict: 'blocked',
          needed: usableGigabytes,
          available,
          unit: 'GB',
        },
      ];
}

/** What large files show on one drive, whatever port it hangs on: the slowest of those that are known. */
function driveStages(
  { these, medium, direction }: DrivesNeed,
  socket: DriveSocket,
): readonly FlowStage[] {
  const bands =
    these.length === 0
      ? medium === 'hardDisk'
        ? [DISK]
        : []
      : these.map((drive) => bandOf(drive, direction, socket));
  return bands.length === 0
    ? []
    : [
        {
          code: 'drive',
          low: Math.min(...bands.map(([low]) => low)),
          high: Math.min(...bands.map(([, high]) => high)),
        },
      ];
}

const DISK = arrayBytesPerSecond('disk', { count: 1, how: 'single' }, 'read');

/** By its rates as far as they are told, else as a good one of its kind. */
function bandOf(
  {
    medium,
    readBytesPerSecond,
    writeBytesPerSecond,
    sustainedBytesPerSecond,
  }: Pick<
    Drive,
    'medium' | 'readBytesPerSecond' | 'writeBytesPerSecond' | 'sustainedBytesPerSecond'
  >,
  direction: 'read' | 'write',
  socket: DriveSocket,
): readonly [number, number] {
  const rated = direction === 'read' ? readBytesPerSecond : writeBytesPerSecond;
  const [low, high] =
    rated !== null
      ? showsOfRated(rated)
      : medium === 'hardDisk'
        ? DISK
        : row(DRIVES, socket).practiceBytesPerSecond;
  // Long copies fill the cache, and end at what it writes without.
  return direction === 'write' && sustainedBytesPerSecond !== null
    ? [Math.min(low, sustainedBytesPerSecond), Math.max(high, sustainedBytesPerSecond)]
    : [low, high];
}

/** A drive that says it is about to fail carries nothing; one near the end of what it is rated for may not last. */
function worn(drive: Drive): readonly Finding[] {
  const { failing, ratedTerabytes, writtenTerabytes } = drive;
  const subject = driveName(drive);
  if (failing === true) return [{ code: 'deliver.driveFailing', verdict: 'blocked', subject }];
  if (ratedTerabytes === null || writtenTerabytes === null) return [];
  return writtenTerabytes < ratedTerabytes * WORN_SHARE
    ? []
    : [
        {
          code: 'deliver.driveWorn',
          verdict: 'limited',
          subject,
          needed: ratedTerabytes,
          available: writtenTerabytes,
          unit: 'TB',
        },
      ];
}

/** Where the drives of a need go. */
interface Sockets {
  readonly socket: DriveSocket;
  readonly count: number;
  readonly ownPorts: number;
  /** Those of the same name share their ports. */
  readonly id: string;
  /** Their data goes over a lead to a port of the board, and not over the slot. */
  readonly overBoard: boolean;
  readonly lacking: readonly Finding[];
}

function socketsFor(provider: Provider<DrivesCard>, need: DrivesNeed, machine: Machine): Sockets {
  const { delivers, fitted } = provider;
  const wanted = socketWanted(need);
  if (wanted === 'm2Sata') {
    const ports = boardPorts(machine);
    const count = Math.min(delivers.sataModules, ports ?? delivers.sataModules);
    return {
      socket: 'sata',
      count,
      ownPorts: Math.max(1, count),
      id: 'drives-board',
      overBoard: true,
      lacking: [
        ...(delivers.sataModules === 0 ? [otherDrive('m2')] : []),
        ...(delivers.sataModules > 0 && ports === 0 ? [NO_BOARD_PORT] : []),
        ...(delivers.sataModules > 0 && ports === null ? [BOARD_PORTS_UNKNOWN] : []),
      ],
    };
  }
  const shown = fitted === null ? null : devicesShown(fitted.card, fitted.slot);
  return {
    socket: delivers.socket,
    count: Math.min(delivers.ports, shown ?? delivers.ports),
    ownPorts: delivers.ownPorts,
    id: `drives ${providerId(provider)}`,
    overBoard: false,
    lacking: wanted === 'any' || wanted === delivers.socket ? [] : [otherDrive(delivers.socket)],
  };
}

const otherDrive = (subject: DriveSocket): Finding => ({
  code: 'deliver.otherDrive',
  verdict: 'blocked',
  subject,
});
const NO_BOARD_PORT: Finding = { code: 'deliver.noBoardPort', verdict: 'blocked' };
const BOARD_PORTS_UNKNOWN: Finding = { code: 'deliver.boardPortsUnknown', verdict: 'unknown' };

/** Free ports of the board for drives on cables; null while nobody told. */
const boardPorts = ({ builtIn }: Machine): number | null =>
  valueOf(builtIn)?.reduce((sum, each) => sum + cabledPorts(each), 0) ?? null;

const isModule = (need: DrivesNeed, socket: DriveSocket): boolean =>
  socket === 'm2' || socketWanted(need) === 'm2Sata';

/** A machine starts from drives on a card only when the card brings start-up code that its firmware runs. */
function boots(card: ProviderCard, need: DrivesNeed, { firmware }: Machine): readonly Finding[] {
  if (!need.bootable) return [];
  if (card.boot === 'none') return [{ code: 'deliver.notBootable', verdict: 'blocked' }];
  const kind = valueOf(firmware.kind);
  if (card.boot === 'both' || card.boot === kind) return [];
  return kind === null
    ? [{ code: 'deliver.bootUnknown', verdict: 'unknown' }]
    : [{ code: 'deliver.notBootable', verdict: 'blocked' }];
}

function driven(
  card: ProviderCard,
  need: DrivesNeed,
  { system, secondSystem }: Machine,
): readonly Finding[] {
  if (!need.systemDriver) return [];
  const states = [system, ...(secondSystem === null ? [] : [secondSystem])].map((each) =>
    classIsDriven(card.ids.class24, each),
  );
  if (states.every((state) => state === 'yes')) return [];
  return states.every((state) => state !== 'no')
    ? [{ code: 'deliver.ownDriverUnknown', verdict: 'unknown' }]
    : [{ code: 'deliver.ownDriver', verdict: 'blocked' }];
}

/** What drives on cables find of bays and power plugs, and what is bought where that is too little. */
export function onCables(
  need: Pick<DrivesNeed, 'id' | 'these'>,
  needed: number,
  { case: room, supply }: Machine,
): { readonly findings: readonly Finding[]; readonly forDrives: Omit<ForDrives, 'cables'> } {
  const { these } = need;
  const there = room.baysFor?.get(need.id) ?? valueOf(room.bays);
  const drives = drivesOf(need, needed);
  const { placed: bays, frames } =
    there === null ? { placed: needed, frames: [] } : inBays(drives, there);
  const plugs = valueOf(supply.plugs);
  const free = (wanted: PlugType): number =>
    plugs === null
      ? needed
      : plugs.reduce((sum, { type, count }) => sum + (type === wanted ? count : 0), 0);
  const [own, others] = [free('sata'), free('4-pin')];
  // A drive plug of the other kind feeds one by an adapter, a splitter a second one: never a third.
  const leads = own + others;
  const adapted = Math.min(others, Math.max(0, needed - own));
  const split = canShareAPlug(these) ? Math.min(leads, Math.max(0, needed - leads)) : 0;
  const unfed = needed > leads + split;
  return {
    findings: [
      ...(bays < needed ? [short('deliver.fewBays', 'needs', needed, bays)] : []),
      ...(unfed ? [short('deliver.drivesUnfed', 'limited', needed, leads + split)] : []),
      ...(split > 0 && !unfed ? [short('deliver.fewDrivePlugs', 'needs', needed, leads)] : []),
    ],
    forDrives: {
      bays: Math.max(0, needed - bays),
      frames,
      plugAdapters: [
        ...Array<PlugAdapter>(adapted).fill('4-pin-to-sata'),
        ...Array<PlugAdapter>(split).fill('split-sata'),
      ],
    },
  };
}

/** Whether one plug carries any two of them, rail by rail; what is not told of a drive is as usual, and it does. */
function canShareAPlug(these: readonly Drive[]): boolean {
  const most = (rail: 'fiveVoltWatts' | 'twelveVoltWatts') =>
    these
      .map((drive) => drive[rail] ?? 0)
      .toSorted((a, b) => b - a)
      .slice(0, 2)
      .reduce((sum, watts) => sum + watts, 0);
  const { watts, fiveVoltWatts } = PLUGS.sata;
  return most('twelveVoltWatts') <= watts && most('fiveVoltWatts') <= fiveVoltWatts;
}

const short = (
  code: 'deliver.fewBays' | 'deliver.fewDrivePlugs' | 'deliver.drivesUnfed',
  verdict: Verdict,
  needed: number,
  available: number,
): Finding => ({ code, verdict, needed, available, unit: 'count' });
