/** A radio that carries so much, over one band or several. */
import * as z from 'zod/mini';
import * as limits from '../../parts/limits.ts';
import { listOf } from '../../parts/limits.ts';
import { WIFI_BANDS } from '../../standards/wifi.ts';
import type { DeepReadonly } from '../../units.ts';
import { asAsked, common, no, none, nothing, type NeedKind } from '../needKind.ts';

const schema = z.object({
  ...common,
  kind: z.literal('wifi'),
  megabits: limits.megabits,
  bluetooth: z.boolean(),
  bands: listOf(z.enum(WIFI_BANDS), WIFI_BANDS.length),
});
export type WifiNeed = DeepReadonly<z.infer<typeof schema>>;

export const wifiNeed = {
  schema,
  plain: { kind: 'wifi', megabits: 100, bluetooth: false, bands: [] },
  servedBy: ['wifi'],
  asks: ['internet'],
  runs: ['large', 'wire', 'own'],
  measuredBy: ['wire', 'copy'],
  readings: ['temperature'],
  warms: 'other',
  units: () => 1,
  pool: nothing,
  isAtFront: no,
  mounted: nothing,
  keeps: nothing,
  settled: none,
  extras: none,
  direction: nothing,
  asMeasured: asAsked,
  files: () => 'wire',
  measures: none,
} as const satisfies NeedKind<WifiNeed>;
