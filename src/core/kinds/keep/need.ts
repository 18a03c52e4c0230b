/** What is in a slot stays in the machine. */
import * as z from 'zod/mini';
import { id } from '../../parts/limits.ts';
import type { DeepReadonly } from '../../units.ts';
import { asAsked, common, no, none, nothing, type NeedKind } from '../needKind.ts';

const schema = z.object({ ...common, kind: z.literal('keep'), slotId: id });
export type KeepNeed = DeepReadonly<z.infer<typeof schema>>;

export const keepNeed = {
  schema,
  plain: { kind: 'keep', slotId: 'slot' },
  servedBy: [],
  asks: [],
  runs: [],
  measuredBy: [],
  readings: [],
  warms: 'other',
  units: () => 1,
  pool: nothing,
  isAtFront: no,
  mounted: nothing,
  keeps: ({ slotId }) => slotId,
  settled: none,
  extras: none,
  direction: nothing,
  asMeasured: asAsked,
  files: () => 'solidState',
  measures: none,
} as const satisfies NeedKind<KeepNeed>;
