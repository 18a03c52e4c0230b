/** Ports of an older age. */
import * as z from 'zod/mini';
import * as limits from '../../parts/limits.ts';
import type { DeepReadonly } from '../../units.ts';
import { asAsked, common, no, none, nothing, type NeedKind } from '../needKind.ts';

const schema = z.object({
  ...common,
  kind: z.literal('legacy'),
  port: z.enum(['serial', 'parallel']),
  ports: limits.counted,
});
export type LegacyNeed = DeepReadonly<z.infer<typeof schema>>;

export const legacyNeed = {
  schema,
  plain: { kind: 'legacy', port: 'serial', ports: 1 },
  servedBy: ['legacy'],
  asks: [],
  runs: [],
  measuredBy: [],
  readings: [],
  warms: 'other',
  units: ({ ports }) => ports,
  pool: ({ port }) => `legacy ${port}`,
  isAtFront: no,
  mounted: nothing,
  keeps: nothing,
  settled: none,
  extras: none,
  direction: nothing,
  asMeasured: asAsked,
  files: () => 'solidState',
  measures: none,
} as const satisfies NeedKind<LegacyNeed>;
