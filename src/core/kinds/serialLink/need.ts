/** Fast serial ports for boxes and docks. */
import * as z from 'zod/mini';
import * as limits from '../../parts/limits.ts';
import type { DeepReadonly } from '../../units.ts';
import { asAsked, common, no, none, nothing, type NeedKind } from '../needKind.ts';
import { REAR_PORTS } from '../usb/rearPorts.ts';

const schema = z.object({
  ...common,
  kind: z.literal('serialLink'),
  ports: limits.counted,
  /** The mode the port has to come up in, and what it has to carry by then, each way. */
  gigabits: limits.gigabits,
  bytesPerSecond: limits.bytesPerSecond,
});
export type SerialLinkNeed = DeepReadonly<z.infer<typeof schema>>;

export const serialLinkNeed = {
  schema,
  plain: { kind: 'serialLink', ports: 1, gigabits: 40, bytesPerSecond: 1e9 },
  servedBy: ['serialLink'],
  asks: [],
  runs: ['large', 'small', 'own'],
  measuredBy: ['copy'],
  readings: ['temperature'],
  warms: 'other',
  units: ({ ports }) => ports,
  pool: () => REAR_PORTS,
  isAtFront: no,
  mounted: nothing,
  keeps: nothing,
  settled: none,
  extras: none,
  direction: nothing,
  asMeasured: asAsked,
  files: () => 'solidState',
  measures: none,
} as const satisfies NeedKind<SerialLinkNeed>;
