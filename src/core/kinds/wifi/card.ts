/** Wi-Fi cards: a radio, its bands and its aerials. */
import * as z from 'zod/mini';
import * as limits from '../../parts/limits.ts';
import { listOf } from '../../parts/limits.ts';
import { WIFI_BANDS, WIFI_SHARE } from '../../standards/wifi.ts';
import { megabitsToBytesPerSecond, type DeepReadonly } from '../../units.ts';
import { noContradictions, noPorts, sockets, type CardKind } from '../cardKind.ts';

const schema = z.object({
  kind: z.literal('wifi'),
  radioMegabits: limits.megabits,
  bluetooth: z.boolean(),
  bands: listOf(z.enum(WIFI_BANDS), WIFI_BANDS.length),
  /** Sockets for aerials, which come through the bracket. */
  aerials: limits.countedOrNone,
});
export type WifiCard = DeepReadonly<z.infer<typeof schema>>;

export const wifiCard = {
  schema,
  plain: { kind: 'wifi', radioMegabits: 867, bluetooth: false, bands: ['2.4', '5'], aerials: 2 },
  classes: { 0x0280: {} },
  isWayOnLine: true,
  hangsOn: 'internet',
  plateEnds: ['aerial'],
  mostBytesPerSecond: ({ radioMegabits }) =>
    megabitsToBytesPerSecond(radioMegabits) * WIFI_SHARE.sameRoom[1],
  rearSockets: ({ aerials }) => sockets('aerial', aerials),
  cabledPorts: noPorts,
  contradictions: noContradictions,
} as const satisfies CardKind<WifiCard>;
