/** Ports of an older age. */
import * as z from 'zod/mini';
import * as limits from '../../parts/limits.ts';
import type { DeepReadonly } from '../../units.ts';
import { noContradictions, noPorts, sockets, type CardKind } from '../cardKind.ts';

const schema = z.object({
  kind: z.literal('legacy'),
  serial: limits.countedOrNone,
  parallel: limits.countedOrNone,
});
export type LegacyCard = DeepReadonly<z.infer<typeof schema>>;

export const legacyCard = {
  schema,
  plain: { kind: 'legacy', serial: 1, parallel: 0 },
  classes: { 0x0700: {}, 0x0701: {} },
  isWayOnLine: false,
  hangsOn: null,
  // They are pressed on their ribbon.
  plateEnds: [],
  mostBytesPerSecond: () => 0,
  rearSockets: ({ serial, parallel }) => [
    ...sockets('serial', serial),
    ...sockets('parallel', parallel),
  ],
  cabledPorts: noPorts,
  contradictions: noContradictions,
} as const satisfies CardKind<LegacyCard>;
