/** Work that wants a fast picture: memory, speed, encoders. */
import * as z from 'zod/mini';
import * as limits from '../../parts/limits.ts';
import { listOf } from '../../parts/limits.ts';
import { ENCODINGS } from '../../standards/screens.ts';
import type { DeepReadonly } from '../../units.ts';
import { asAsked, common, no, none, nothing, type NeedKind } from '../needKind.ts';

const schema = z.object({
  ...common,
  kind: z.literal('graphics'),
  memoryGigabytes: limits.moreThanNoGigabytes,
  speedClass: limits.speedClassAsked,
  encodes: listOf(z.enum(ENCODINGS), ENCODINGS.length),
});
export type GraphicsNeed = DeepReadonly<z.infer<typeof schema>>;

export const graphicsNeed = {
  schema,
  plain: { kind: 'graphics', memoryGigabytes: 4, speedClass: 2, encodes: [] },
  servedBy: ['screens'],
  asks: [],
  runs: [],
  measuredBy: [],
  readings: ['temperature', 'refreshHz'],
  warms: 'graphics',
  units: () => 1,
  pool: nothing,
  isAtFront: no,
  mounted: nothing,
  keeps: nothing,
  settled: none,
  extras: none,
  direction: nothing,
  asMeasured: asAsked,
  files: () => 'solidState',
  measures: none,
} as const satisfies NeedKind<GraphicsNeed>;
