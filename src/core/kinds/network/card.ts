/** Network cards: ports for a wire, with the speeds that they come up at. */
import * as z from 'zod/mini';
import * as limits from '../../parts/limits.ts';
import { MOST, listOf } from '../../parts/limits.ts';
import { NETWORK_FEATURES, NETWORK_MEDIA, tcpBytesPerSecond } from '../../standards/ethernet.ts';
import type { DeepReadonly } from '../../units.ts';
import { noContradictions, noPorts, sockets, type CardKind } from '../cardKind.ts';

const schema = z.object({
  kind: z.literal('network'),
  ports: limits.counted,
  megabits: listOf(limits.wholeMegabits, MOST.speeds),
  medium: z.enum(NETWORK_MEDIA),
  features: listOf(z.enum(NETWORK_FEATURES), NETWORK_FEATURES.length),
});
export type NetworkCard = DeepReadonly<z.infer<typeof schema>>;

export const networkCard = {
  schema,
  plain: { kind: 'network', ports: 1, megabits: [100, 1000], medium: 'copper', features: [] },
  classes: { 0x0200: {} },
  isWayOnLine: true,
  hangsOn: 'wire',
  plateEnds: ['jack'],
  mostBytesPerSecond: ({ ports, megabits }) => ports * tcpBytesPerSecond(Math.max(...megabits)),
  rearSockets: ({ ports }) => sockets('network', ports),
  cabledPorts: noPorts,
  contradictions: noContradictions,
} as const satisfies CardKind<NetworkCard>;
