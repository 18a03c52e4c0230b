/** A wire that carries so much, to the far end or from it. */
import * as z from 'zod/mini';
import * as limits from '../../parts/limits.ts';
import { listOf } from '../../parts/limits.ts';
import { NETWORK_FEATURES, NETWORK_TEAMS } from '../../standards/ethernet.ts';
import type { DeepReadonly } from '../../units.ts';
import { common, no, none, nothing, type NeedKind } from '../needKind.ts';

const schema = z.object({
  ...common,
  kind: z.literal('network'),
  bytesPerSecond: limits.bytesPerSecond,
  ports: limits.counted,
  /** Whether the ports work as one; the figure above is then that of all of them, many copies at once. */
  team: z.enum(NETWORK_TEAMS),
  /** Copied to the far end, or fetched from it. */
  direction: z.enum(['to', 'from']),
  /** Encrypted on the way, by the machine itself. */
  encrypted: z.boolean(),
  features: listOf(z.enum(NETWORK_FEATURES), NETWORK_FEATURES.length),
});
export type NetworkNeed = DeepReadonly<z.infer<typeof schema>>;

export const networkNeed = {
  schema,
  plain: {
    kind: 'network',
    bytesPerSecond: 250e6,
    ports: 1,
    team: 'none',
    direction: 'to',
    encrypted: false,
    features: [],
  },
  servedBy: ['network'],
  asks: ['wire'],
  runs: ['large', 'small', 'own', 'wire'],
  measuredBy: ['wire', 'copy'],
  readings: ['linkMegabits', 'temperature'],
  warms: 'other',
  units: ({ ports }) => ports,
  pool: nothing,
  isAtFront: no,
  mounted: nothing,
  keeps: nothing,
  settled: none,
  extras: none,
  direction: ({ direction }) => (direction === 'to' ? 'write' : 'read'),
  asMeasured: (need, { direction, alone }) => ({
    ...need,
    direction: direction === 'read' ? 'from' : 'to',
    team: alone && need.team === 'throughput' ? 'none' : need.team,
  }),
  files: () => 'wire',
  measures: () => ['large', 'wire', 'otherWay'],
} as const satisfies NeedKind<NetworkNeed>;
