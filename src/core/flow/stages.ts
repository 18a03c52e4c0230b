/**
 * What one need gets from one card in one slot: every stage on the way with the band it carries, the stage
 * that limits, and how many units (ports, screens, drives) the card gives towards the need.
 */
import type { Card, Delivery } from '../parts/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine, Slot } from '../parts/machine.ts';
import { unitsWanted, type Need } from '../parts/need.ts';
import { slotLink } from '../rules/link.ts';
import type { Finding, Unit } from '../rules/finding.ts';
import { HEALTHY_COPY_SHARE, cableCarries, tcpBytesPerSecond } from '../standards/ethernet.ts';
import { OUTPUT_BITS_PER_SECOND, modeBitsPerSecond } from '../standards/screens.ts';
import { COPY_BYTES_PER_SECOND, DRIVES } from '../standards/storage.ts';
import { USB } from '../standards/usb.ts';
import { WIFI_SHARE } from '../standards/wifi.ts';
import { megabitsToBytesPerSecond, row } from '../units.ts';

export type StageCode =
  | 'slotLink'
  | 'cardPort'
  | 'cable'
  | 'farEnd'
  | 'ownDrive'
  | 'farDrive'
  | 'radio'
  | 'internet'
  | 'output'
  | 'drivePort'
  | 'card';

export interface FlowStage {
  readonly code: StageCode;
  /** What a healthy one shows at least, and what it can carry at most. */
  readonly low: number;
  readonly high: number;
}

export interface Flow {
  readonly need: Need;
  /** Units the card gives towards the need; zero when it falls short. */
  readonly units: number;
  readonly unit: Unit;
  /** What the need asks for, in that unit. */
  readonly wanted: number;
  readonly low: number;
  readonly high: number;
  readonly stages: readonly FlowStage[];
  readonly limiting: StageCode | null;
  readonly finding: Finding;
}

type DeliveryOf<Kind extends Delivery['kind']> = Extract<Delivery, { kind: Kind }>;
type NeedOf<Kind extends Need['kind']> = Extract<Need, { kind: Kind }>;

/** What the card, in this slot, gives towards the need; null when it is of another kind. */
export function flowOf(card: Card, slot: Slot, need: Need, machine: Machine): Flow | null {
  const { delivers } = card;
  if (delivers.kind === 'network' && need.kind === 'network') {
    return rate(
      need,
      delivers.ports,
      need.bytesPerSecond,
      [...linkStage(card, slot), ...networkStages(delivers, machine)],
      machine.path.farEndMegabits === null || machine.path.cable === null,
    );
  }
  if (delivers.kind === 'usb' && need.kind === 'usb') {
    const [low, high] = row(USB, delivers.signalling).practiceBytesPerSecond;
    return rate(need, delivers.ports, need.bytesPerSecond, [
      ...linkStage(card, slot),
      { code: 'cardPort', low, high },
    ]);
  }
  if (delivers.kind === 'drives' && need.kind === 'drives') {
    const flow = rate(
      need,
      delivers.ports,
      need.bytesPerSecond,
      driveStages(card, slot, delivers, need),
    );
    return delivers.socket === 'm2' ? flow : withBays(flow, machine);
  }
  if (delivers.kind === 'wifi' && need.kind === 'wifi') {
    return wifiFlow(card, slot, delivers, need, machine);
  }
  if (delivers.kind === 'screens' && need.kind === 'screens')
    return screensFlow(delivers, need, machine);
  if (delivers.kind === 'sound' && need.kind === 'sound') {
    const stage: FlowStage = { code: 'card', low: delivers.channels, high: delivers.channels };
    return conclude(need, 'count', 1, need.channels, [stage], false);
  }
  return null;
}

function rate(
  need: Need,
  units: number,
  wanted: number,
  stages: readonly FlowStage[],
  factMissing = false,
): Flow {
  const linkMissing = !stages.some(({ code }) => code === 'slotLink');
  return conclude(need, 'B/s', units, wanted, stages, factMissing || linkMissing);
}

function conclude(
  need: Need,
  unit: Unit,
  units: number,
  wanted: number,
  stages: readonly FlowStage[],
  factMissing: boolean,
): Flow {
  const low = Math.min(...stages.map((stage) => stage.low));
  const high = Math.min(...stages.map((stage) => stage.high));
  const limiting = stages.find((stage) => stage.high === high)?.code ?? null;
  const figures = { needed: wanted, available: high, unit } as const;
  const subject = limiting ?? undefined;
  const base = { need, unit, wanted, low, high, stages, limiting };
  // Too little over what is known stays too little, whatever is still unknown.
  if (high < wanted) {
    return { ...base, units: 0, finding: finding('deliver.short', 'blocked', figures, subject) };
  }
  if (factMissing) {
    return { ...base, units, finding: finding('deliver.unknown', 'unknown', figures, subject) };
  }
  return low < wanted
    ? { ...base, units, finding: finding('deliver.tight', 'limited', figures, subject) }
    : { ...base, units, finding: finding('deliver.meets', 'clear', figures, subject) };
}

function finding(
  code: Finding['code'],
  verdict: Finding['verdict'],
  figures: Pick<Finding, 'needed' | 'available' | 'unit'>,
  subject: string | undefined,
): Finding {
  return { code, verdict, ...figures, ...(subject === undefined ? {} : { subject }) };
}

function linkStage(card: Card, slot: Slot, sharers = 1): readonly FlowStage[] {
  const got = slotLink(card, slot);
  return got === null
    ? []
    : [{ code: 'slotLink', low: got.low / sharers, high: got.high / sharers }];
}

/** A wire comes up at the fastest speed that the card, the cable and the far end all know. */
function networkStages(delivers: DeliveryOf<'network'>, machine: Machine): readonly FlowStage[] {
  const { cable, cableMetres, farEndMegabits } = machine.path;
  const wire = (code: StageCode, speeds: readonly number[]): FlowStage => {
    const fastest = tcpBytesPerSecond(speeds.length === 0 ? 0 : Math.max(...speeds));
    return { code, low: fastest * HEALTHY_COPY_SHARE, high: fastest };
  };
  const farEnd = valueOf(farEndMegabits);
  const cableClass = valueOf(cable);
  const byFarEnd = delivers.megabits.filter((speed) => farEnd?.includes(speed) ?? true);
  const byBoth = byFarEnd.filter(
    (speed) => cableClass === null || cableCarries(cableClass, valueOf(cableMetres) ?? 1, speed),
  );
  return [
    wire('cardPort', delivers.megabits),
    ...(farEnd === null ? [] : [wire('farEnd', byFarEnd)]),
    ...(cableClass === null ? [] : [wire('cable', byBoth)]),
    ...copyDrive('ownDrive', machine.path.ownDrive),
    ...copyDrive('farDrive', machine.path.farDrive),
  ];
}

/** A copy is no faster than the drives at its two ends; where they are not told, nothing is said of them. */
function copyDrive(code: StageCode, drive: Machine['path']['ownDrive']): readonly FlowStage[] {
  if (drive === null) return [];
  const [low, high] = COPY_BYTES_PER_SECOND[drive.value];
  return [{ code, low, high }];
}

function driveStages(
  card: Card,
  slot: Slot,
  delivers: DeliveryOf<'drives'>,
  need: NeedOf<'drives'>,
): readonly FlowStage[] {
  const [low, high] = row(DRIVES, delivers.socket).practiceBytesPerSecond;
  const together = Math.min(delivers.ports, need.ports);
  return [...linkStage(card, slot, together), { code: 'drivePort', low, high }];
}

/** Drives on cables want bays; those on the card itself do not. */
function withBays(flow: Flow, machine: Machine): Flow {
  const bays = valueOf(machine.case.bays);
  const wanted = unitsWanted(flow.need);
  if (bays === null || bays >= wanted || flow.finding.verdict !== 'clear') return flow;
  return {
    ...flow,
    finding: {
      code: 'deliver.fewBays',
      verdict: 'limited',
      needed: wanted,
      available: bays,
      unit: 'count',
    },
  };
}

function wifiFlow(
  card: Card,
  slot: Slot,
  delivers: DeliveryOf<'wifi'>,
  need: NeedOf<'wifi'>,
  machine: Machine,
): Flow {
  const radio = megabitsToBytesPerSecond(delivers.radioMegabits);
  const internet = valueOf(machine.path.internetMegabits);
  const plan = internet === null ? null : megabitsToBytesPerSecond(internet);
  const wanted = megabitsToBytesPerSecond(need.megabits);
  const flow = rate(
    need,
    1,
    wanted,
    [
      ...linkStage(card, slot),
      { code: 'radio', low: radio * WIFI_SHARE[0], high: radio * WIFI_SHARE[1] },
      ...(plan === null
        ? []
        : [{ code: 'internet' as const, low: plan * HEALTHY_COPY_SHARE, high: plan }]),
    ],
    internet === null,
  );
  return need.bluetooth && !delivers.bluetooth
    ? { ...flow, units: 0, finding: { code: 'deliver.noBluetooth', verdict: 'blocked' } }
    : flow;
}

/** Screens: an output either carries the mode or does not; the card's own limit caps how many at once. */
function screensFlow(
  delivers: DeliveryOf<'screens'>,
  need: NeedOf<'screens'>,
  machine: Machine,
): Flow {
  const neededBits = modeBitsPerSecond(need.mode);
  const bits = (output: { readonly signal: keyof typeof OUTPUT_BITS_PER_SECOND }) =>
    OUTPUT_BITS_PER_SECOND[output.signal];
  const able = delivers.outputs.filter((output) => bits(output) >= neededBits);
  const sockets = able.reduce((total, output) => total + output.count, 0);
  const bestBits = Math.max(...delivers.outputs.map(bits));
  const refreshHz = need.mode.refreshHz * Math.min(1, bestBits / neededBits);
  return {
    ...conclude(
      need,
      'Hz',
      Math.min(sockets, delivers.most),
      need.mode.refreshHz,
      [{ code: 'output', low: refreshHz, high: refreshHz }],
      false,
    ),
    finding:
      able.length > 0 && screensThatShow(need.mode, machine) < screensSurveyed(machine, need)
        ? {
            code: 'deliver.screenLess',
            verdict: 'limited',
            needed: screensSurveyed(machine, need),
            available: screensThatShow(need.mode, machine),
            unit: 'count',
          }
        : able.length > 0
          ? {
              code: 'deliver.meets',
              verdict: 'clear',
              needed: neededBits,
              available: bestBits,
              unit: 'b/s',
              subject: 'output',
            }
          : {
              code: 'deliver.short',
              verdict: 'blocked',
              needed: neededBits,
              available: bestBits,
              unit: 'b/s',
              subject: 'output',
            },
  };
}

/** Surveyed screens that the need could use; none where no screen was read. */
const screensSurveyed = ({ screens }: Machine, need: NeedOf<'screens'>): number =>
  Math.min(screens.length, need.count);

/** Screens that report a mode as large and as fast as this. */
const screensThatShow = (mode: NeedOf<'screens'>['mode'], { screens }: Machine): number =>
  screens.filter(({ modes }) =>
    modes.some(
      (each) =>
        each.widthPx >= mode.widthPx &&
        each.heightPx >= mode.heightPx &&
        // A screen may say 59.95 where people say 60.
        each.refreshHz >= mode.refreshHz - 0.5,
    ),
  ).length;

/** Whether a flow alone satisfies its need. */
export const satisfies = (flow: Flow): boolean => flow.units >= unitsWanted(flow.need);
