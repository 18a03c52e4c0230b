/** Wire and radio: from the port through cable and far end to the drives, or from the radio to the internet plan. */
import type { DeliveryOf } from '../parts/delivery.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../parts/machine.ts';
import type { NeedOf, StageCode } from '../parts/need.ts';
import type { Finding } from '../rules/finding.ts';
import {
  cableCarries,
  healthyCopyShare,
  reachMetres,
  tcpBytesPerSecond,
} from '../standards/ethernet.ts';
import { arrayBytesPerSecond } from '../standards/storage.ts';
import { WIFI_SHARE } from '../standards/wifi.ts';
import { megabitsToBytesPerSecond } from '../units.ts';
import {
  conclude,
  providerId,
  lacking,
  linkStages,
  linkUnknown,
  sharedStage,
  type Flow,
  type FlowStage,
  type Provider,
} from './flow.ts';

export function networkFlow(
  provider: Provider<DeliveryOf<'network'>>,
  need: NeedOf<'network'>,
  machine: Machine,
): Flow {
  const { delivers } = provider;
  const isTeam = need.team === 'throughput';
  const streams = isTeam ? Math.min(delivers.ports, need.ports) : 1;
  return conclude({
    need,
    unit: 'B/s',
    // Of a team each port has to carry its part.
    wanted: isTeam ? need.bytesPerSecond / need.ports : need.bytesPerSecond,
    // Two ports of one card fail together.
    units: need.team === 'survival' ? Math.min(1, delivers.ports) : delivers.ports,
    streams,
    stages: [...linkStages(provider, streams), ...wireStages(provider, need, machine)],
    factMissing:
      machine.path.farEndMegabits === null || machine.path.cable === null || linkUnknown(provider),
    besides: [
      ...lacking(need.features, delivers.features),
      ...beyondStandard(delivers.megabits, machine.path),
      ...beyondReach(delivers.megabits, machine.path),
    ],
  });
}

/** Speeds that the card and the far end know, and of these what the cable carries too. */
function speedsOn(megabits: readonly number[], path: Machine['path']) {
  const farEnd = valueOf(path.farEndMegabits);
  const cable = valueOf(path.cable);
  const metres = valueOf(path.cableMetres) ?? 1;
  const byFarEnd = megabits.filter((speed) => farEnd?.includes(speed) ?? true);
  const promised = (speed: number) =>
    cable === null ? 'standard' : cableCarries(cable, metres, speed);
  return { byFarEnd, byBoth: byFarEnd.filter((speed) => promised(speed) !== null), promised };
}

/** The speed that it would come up at is one that the standard does not promise of the cable. */
function beyondStandard(megabits: readonly number[], path: Machine['path']): readonly Finding[] {
  const { byBoth, promised } = speedsOn(megabits, path);
  const fastest = Math.max(0, ...byBoth);
  return fastest > 0 && promised(fastest) === 'usually'
    ? [
        {
          code: 'deliver.cableUsually',
          verdict: 'limited',
          needed: fastest * 1e6,
          available: Math.max(0, ...byBoth.filter((speed) => promised(speed) === 'standard')) * 1e6,
          unit: 'b/s',
        },
      ]
    : [];
}

/** A run that is longer than its class may be for any speed that both ends know. */
function beyondReach(megabits: readonly number[], path: Machine['path']): readonly Finding[] {
  const [cable, metres] = [valueOf(path.cable), valueOf(path.cableMetres)];
  const { byFarEnd, byBoth } = speedsOn(megabits, path);
  if (cable === null || metres === null || byFarEnd.length === 0 || byBoth.length > 0) return [];
  const reach = Math.max(...byFarEnd.map((speed) => reachMetres(cable, speed)));
  return reach === 0 || metres <= reach
    ? []
    : [
        {
          code: 'deliver.cableTooLong',
          verdict: 'blocked',
          needed: metres,
          available: reach,
          unit: 'm',
        },
      ];
}

/** A wire comes up at the fastest speed that the card, the cable and the far end all know. */
function wireStages(
  provider: Provider<DeliveryOf<'network'>>,
  { direction, team, ports: wanted }: NeedOf<'network'>,
  { path }: Machine,
): readonly FlowStage[] {
  const { megabits, ports } = provider.delivers;
  // The wire leads from this port to the far end, so all streams of the port share all of it.
  const wire = (code: StageCode, speeds: readonly number[]): FlowStage => {
    const fastest = speeds.length === 0 ? 0 : Math.max(...speeds);
    const high = tcpBytesPerSecond(fastest);
    const band = { low: high * healthyCopyShare(fastest), high };
    const shared = { id: `${code} ${providerId(provider)}`, ...band };
    return { code, ...band, shared: team === 'none' ? shared : { ...shared, copies: ports } };
  };
  // The drives at both ends serve all ports of a team.
  const copies = team === 'throughput' ? wanted : 1;
  const farEnd = valueOf(path.farEndMegabits);
  const cableClass = valueOf(path.cable);
  const { byFarEnd, byBoth } = speedsOn(megabits, path);
  return [
    wire('cardPort', megabits),
    ...(farEnd === null ? [] : [wire('farEnd', byFarEnd)]),
    ...(cableClass === null ? [] : [wire('cable', byBoth)]),
    ...copyDrive(
      'ownDrive',
      path.ownDrive,
      path.ownArray,
      direction === 'to' ? 'read' : 'write',
      copies,
    ),
    ...copyDrive(
      'farDrive',
      path.farDrive,
      path.farArray,
      direction === 'to' ? 'write' : 'read',
      copies,
    ),
  ];
}

/** A copy is no faster than the drives at its two ends; where they are not told, nothing is said of them. */
function copyDrive(
  code: StageCode,
  drive: Machine['path']['ownDrive'],
  array: Machine['path']['ownArray'],
  what: 'read' | 'write',
  streams: number,
): readonly FlowStage[] {
  if (drive === null) return [];
  const several = valueOf(array) ?? { count: 1, how: 'single' };
  const [low, high] = arrayBytesPerSecond(drive.value, several, what);
  return [sharedStage(code, code, { low, high }, streams)];
}

export function wifiFlow(
  provider: Provider<DeliveryOf<'wifi'>>,
  need: NeedOf<'wifi'>,
  machine: Machine,
): Flow {
  const { delivers } = provider;
  const radio = megabitsToBytesPerSecond(delivers.radioMegabits);
  const internet = valueOf(machine.path.internetMegabits);
  const plan = internet === null ? null : megabitsToBytesPerSecond(internet);
  const noBluetooth: readonly Finding[] =
    need.bluetooth && !delivers.bluetooth
      ? [{ code: 'deliver.noBluetooth', verdict: 'blocked' }]
      : [];
  return conclude({
    need,
    unit: 'B/s',
    wanted: megabitsToBytesPerSecond(need.megabits),
    inBits: true,
    units: 1,
    stages: [
      ...linkStages(provider),
      sharedStage('radio', `radio ${providerId(provider)}`, {
        low: radio * WIFI_SHARE[0],
        high: radio * WIFI_SHARE[1],
      }),
      ...(plan === null
        ? []
        : [
            sharedStage('internet', 'internet', {
              low: plan * healthyCopyShare(internet!),
              high: plan,
            }),
          ]),
    ],
    factMissing: internet === null || linkUnknown(provider),
    besides: [...noBluetooth, ...lacking(need.bands, delivers.bands)],
  });
}
