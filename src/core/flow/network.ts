/** Wire and radio: from the port through cable and far end to the drives, or from the radio to the internet plan. */
import type { DeliveryOf } from '../parts/delivery.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../parts/machine.ts';
import type { NeedOf } from '../parts/need.ts';
import type { Finding } from '../rules/finding.ts';
import { HEALTHY_COPY_SHARE, cableCarries, tcpBytesPerSecond } from '../standards/ethernet.ts';
import { COPY_BYTES_PER_SECOND } from '../standards/storage.ts';
import { WIFI_SHARE } from '../standards/wifi.ts';
import { megabitsToBytesPerSecond } from '../units.ts';
import {
  conclude,
  lacking,
  linkStage,
  linkUnknown,
  type Flow,
  type FlowStage,
  type Giver,
  type StageCode,
} from './flow.ts';

export function networkFlow(
  giver: Giver<DeliveryOf<'network'>>,
  need: NeedOf<'network'>,
  machine: Machine,
): Flow {
  const { delivers } = giver;
  return conclude({
    need,
    unit: 'B/s',
    wanted: need.bytesPerSecond,
    units: delivers.ports,
    stages: [...linkStage(giver), ...wireStages(delivers, machine)],
    factMissing:
      machine.path.farEndMegabits === null || machine.path.cable === null || linkUnknown(giver),
    besides: lacking(need.features, delivers.features),
  });
}

/** A wire comes up at the fastest speed that the card, the cable and the far end all know. */
function wireStages(delivers: DeliveryOf<'network'>, machine: Machine): readonly FlowStage[] {
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

export function wifiFlow(
  giver: Giver<DeliveryOf<'wifi'>>,
  need: NeedOf<'wifi'>,
  machine: Machine,
): Flow {
  const { delivers } = giver;
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
    units: 1,
    stages: [
      ...linkStage(giver),
      { code: 'radio', low: radio * WIFI_SHARE[0], high: radio * WIFI_SHARE[1] },
      ...(plan === null
        ? []
        : [{ code: 'internet' as const, low: plan * HEALTHY_COPY_SHARE, high: plan }]),
    ],
    factMissing: internet === null || linkUnknown(giver),
    besides: [...noBluetooth, ...lacking(need.bands, delivers.bands)],
  });
}
