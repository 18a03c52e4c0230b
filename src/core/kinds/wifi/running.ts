/** A radio as it runs. */
import type { Machine } from '../../document/machine.ts';
import { valueOf } from '../../parts/fact.ts';
import { healthyCopyShare } from '../../standards/ethernet.ts';
import { WIFI_SHARE, radioMegabits } from '../../standards/wifi.ts';
import { megabitsToBytesPerSecond } from '../../units.ts';
import {
  always,
  faultsAt,
  never,
  once,
  one,
  type InSlot,
  type Make,
  type Measuring,
  type Part,
  type RunningKind,
} from '../running.ts';
import type { WifiNeed } from './need.ts';

function parts(
  _need: WifiNeed,
  { card: { delivers } }: InSlot,
  { accessPoint, path }: Machine,
  _how: Measuring,
  make: Make,
): readonly Part[] {
  if (delivers.kind !== 'wifi') return [];
  const own = delivers.radioMegabits;
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
    return [make(id, [most * healthyCopyShare(megabits), most])];
  };
  return [
    make('radio', [bytes * share[0], bytes * share[1]]),
    ...wire('accessWire', valueOf(accessPoint.wireMegabits)),
    ...wire('internet', valueOf(path.internetMegabits)),
  ];
}

export const wifiRunning: RunningKind<WifiNeed> = {
  isOverLink: always,
  isThroughCard: true,
  wobbles: true,
  feelsLink: false,
  files: () => 'wire',
  streams: one,
  gain: once,
  parts,
  faults: () => [
    ...faultsAt('radio', 'aerialLoose', 'otherBand', 'radioWeak'),
    ...faultsAt('internet', 'planLess'),
  ],
  missesDrive: never,
};
