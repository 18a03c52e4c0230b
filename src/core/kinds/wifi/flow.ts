/** The radio, from the link of its card to the internet plan. */
import type { Machine } from '../../document/machine.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Finding } from '../../rules/finding.ts';
import { healthyCopyShare } from '../../standards/ethernet.ts';
import { WIFI_SHARE, radioMegabits } from '../../standards/wifi.ts';
import { megabitsToBytesPerSecond } from '../../units.ts';
import {
  conclude,
  delivering,
  lacking,
  linkStages,
  linkUnknown,
  providerId,
  sharedStage,
  type Flow,
  type FlowStage,
  type Provider,
} from '../flow.ts';
import type { WifiCard } from './card.ts';
import type { WifiNeed } from './need.ts';

export function wifiFlow(from: Provider, need: WifiNeed, machine: Machine): Flow | null {
  const provider = delivering(from, 'wifi');
  if (provider === null) return null;
  const { delivers } = provider;
  const radio = megabitsToBytesPerSecond(radioLink(delivers, machine.accessPoint));
  const share = WIFI_SHARE[valueOf(machine.accessPoint.distance) ?? 'sameRoom'];
  const internet = valueOf(machine.path.internetMegabits);
  const behind = valueOf(machine.accessPoint.wireMegabits);
  const wire = (code: 'accessWire' | 'internet', megabits: number): FlowStage => {
    const high = megabitsToBytesPerSecond(megabits);
    return sharedStage(code, code, { low: high * healthyCopyShare(megabits), high });
  };
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
        low: radio * share[0],
        high: radio * share[1],
      }),
      ...(behind === null ? [] : [wire('accessWire', behind)]),
      ...(internet === null ? [] : [wire('internet', internet)]),
    ],
    factMissing: internet === null || linkUnknown(provider),
    besides: [
      ...noBluetooth,
      ...lacking(need.bands, delivers.bands),
      ...noCommonBand(delivers, machine.accessPoint),
    ],
  });
}

/** What the radio and the access point come up at, in megabits per second: the lesser of the two. */
function radioLink(
  { radioMegabits: own }: WifiCard,
  { standard, channelMhz, streams }: Machine['accessPoint'],
): number {
  const spoken = valueOf(standard);
  if (spoken === null) return own;
  return Math.min(own, radioMegabits(spoken, valueOf(channelMhz), valueOf(streams) ?? 2));
}

function noCommonBand(
  { bands }: WifiCard,
  accessPoint: Machine['accessPoint'],
): readonly Finding[] {
  const there = valueOf(accessPoint.bands);
  return there === null || there.some((band) => bands.includes(band))
    ? []
    : [{ code: 'deliver.noCommonBand', verdict: 'blocked' }];
}
