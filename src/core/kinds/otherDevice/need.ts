/** A device with a purpose of its own. */
import * as z from 'zod/mini';
import * as limits from '../../parts/limits.ts';
import { OTHER_DEVICES } from '../../standards/otherDevices.ts';
import type { DeepReadonly } from '../../units.ts';
import { asAsked, common, no, none, nothing, type NeedKind } from '../needKind.ts';

const schema = z.object({
  ...common,
  kind: z.literal('otherDevice'),
  what: z.enum(OTHER_DEVICES),
  units: limits.counted,
});
export type OtherDeviceNeed = DeepReadonly<z.infer<typeof schema>>;

export const otherDeviceNeed = {
  schema,
  plain: { kind: 'otherDevice', what: 'capture', units: 1 },
  servedBy: ['otherDevice'],
  asks: [],
  runs: [],
  measuredBy: [],
  readings: [],
  warms: 'other',
  units: ({ units }) => units,
  pool: ({ what }) => `other ${what}`,
  isAtFront: no,
  mounted: nothing,
  keeps: nothing,
  settled: none,
  extras: none,
  direction: nothing,
  asMeasured: asAsked,
  files: () => 'solidState',
  measures: none,
} as const satisfies NeedKind<OtherDeviceNeed>;
