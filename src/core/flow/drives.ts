/** Drives: what each gets alone or while all work, and whether the machine starts from them. */
import type { DeliveryOf } from '../parts/delivery.ts';
import { classIsDriven } from '../drivers/classDrivers.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../parts/machine.ts';
import { unitsNeeded, type NeedOf } from '../parts/need.ts';
import type { Finding, Verdict } from '../rules/finding.ts';
import { devicesShown } from '../placement/slotLink.ts';
import type { PlugAdapter, PlugType } from '../standards/plugs.ts';
import {
  DRIVES,
  arrayBytesPerSecond,
  arrayGain,
  usableOf,
  type DriveArray,
  type DriveSocket,
} from '../standards/storage.ts';
import { row } from '../units.ts';
import type { Flow, FlowStage, ForDrives, Provider, ProviderCard } from './flow.ts';
import { conclude, providerId, linkStages, linkUnknown } from './flow.ts';

export function drivesFlow(
  provider: Provider<DeliveryOf<'drives'>>,
  need: NeedOf<'drives'>,
  machine: Machine,
): Flow {
  const sockets = socketsFor(provider, need, machine);
  const [low, high] = row(DRIVES, sockets.socket).practiceBytesPerSecond;
  const wanted = unitsNeeded(need);
  const atOnce = need.together || need.array !== 'single' ? wanted : 1;
  const working = Math.max(1, Math.min(sockets.count, atOnce));
  // Sockets behind a port multiplier share the controller's own port; the fullest port decides.
  const share = 1 / Math.ceil(working / sockets.ownPorts);
  const several = { count: wanted, how: need.array };
  const [least, most] = arrayGain(several, need.direction);
  const cabled = isModule(need, sockets.socket) ? null : onCables(wanted, machine);
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
      ...(need.medium === 'hardDisk' ? [hardDisk()] : []),
    ],
    streams: working,
    gain: { low: least, high: most },
    socket: sockets.socket,
    factMissing: !sockets.overBoard && linkUnknown(provider),
    besides: [
      ...sockets.lacking,
      ...tooSmall(need, several),
      ...(provider.fitted === null || sockets.overBoard
        ? []
        : [
            ...boots(provider.fitted.card, need, machine),
            ...driven(provider.fitted.card, need, machine),
          ]),
      ...(cabled?.findings ?? []),
    ],
  });
  return cabled === null ? flow : { ...flow, forDrives: cabled.forDrives };
}

/** No number of drives of that size leaves the room that is wanted. */
function tooSmall(
  { usableGigabytes, driveGigabytes }: NeedOf<'drives'>,
  several: { readonly count: number; readonly how: DriveArray },
): readonly Finding[] {
  const available = usableOf(several, driveGigabytes);
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

/** What large files show on one disk, whatever port it hangs on. */
function hardDisk(): FlowStage {
  const [low, high] = arrayBytesPerSecond('disk', { count: 1, how: 'single' }, 'read');
  return { code: 'drive', low, high };
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

function socketsFor(
  provider: Provider<DeliveryOf<'drives'>>,
  need: NeedOf<'drives'>,
  machine: Machine,
): Sockets {
  const { delivers, fitted } = provider;
  const wanted = need.drive;
  if (wanted === 'm2Sata') {
    const ports = boardPorts(machine);
    const count = Math.min(delivers.sataModules, ports ?? delivers.sataModules);
    return {
      socket: 'sata',
      count,
      ownPorts: Math.max(1, count),
      id: 'drives board',
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
  valueOf(builtIn)?.reduce(
    (sum, each) => sum + (each.kind === 'drives' && each.socket === 'sata' ? each.ports : 0),
    0,
  ) ?? null;

const isModule = ({ drive }: NeedOf<'drives'>, socket: DriveSocket): boolean =>
  socket === 'm2' || drive === 'm2Sata';

/** A machine starts from drives on a card only when the card brings start-up code that its firmware runs. */
function boots(
  card: ProviderCard,
  need: NeedOf<'drives'>,
  { firmware }: Machine,
): readonly Finding[] {
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
  need: NeedOf<'drives'>,
  { system }: Machine,
): readonly Finding[] {
  if (!need.systemDriver) return [];
  const state = classIsDriven(card.ids.class24, system);
  if (state === 'yes') return [];
  return state === 'unknown'
    ? [{ code: 'deliver.ownDriverUnknown', verdict: 'unknown' }]
    : [{ code: 'deliver.ownDriver', verdict: 'blocked' }];
}

/** What drives on cables find of bays and power plugs, and what is bought where that is too little. */
function onCables(
  needed: number,
  { case: room, supply }: Machine,
): { readonly findings: readonly Finding[]; readonly forDrives: ForDrives } {
  const bays = valueOf(room.bays) ?? needed;
  const plugs = valueOf(supply.plugs);
  const free = (wanted: PlugType): number =>
    plugs === null
      ? needed
      : plugs.reduce((sum, { type, count }) => sum + (type === wanted ? count : 0), 0);
  const [own, others] = [free('sata'), free('4-pin')];
  // A drive plug of the other kind feeds one by an adapter, a splitter a second one: never a third.
  const there = own + others;
  const adapted = Math.min(others, Math.max(0, needed - own));
  const split = Math.min(there, Math.max(0, needed - there));
  const unfed = needed > there + split;
  return {
    findings: [
      ...(bays < needed ? [short('deliver.fewBays', 'needs', needed, bays)] : []),
      ...(unfed ? [short('deliver.drivesUnfed', 'limited', needed, there + split)] : []),
      ...(split > 0 && !unfed ? [short('deliver.fewDrivePlugs', 'needs', needed, there)] : []),
    ],
    forDrives: {
      bays: Math.max(0, needed - bays),
      plugAdapters: [
        ...Array<PlugAdapter>(adapted).fill('4-pin-to-sata'),
        ...Array<PlugAdapter>(split).fill('split-sata'),
      ],
    },
  };
}

const short = (
  code: 'deliver.fewBays' | 'deliver.fewDrivePlugs' | 'deliver.drivesUnfed',
  verdict: Verdict,
  needed: number,
  available: number,
): Finding => ({ code, verdict, needed, available, unit: 'count' });
