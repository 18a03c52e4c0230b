/** SAS host adapters: connectors inside, each with lanes for four drives. */
import * as z from 'zod/mini';
import * as limits from '../../parts/limits.ts';
import type { DeepReadonly } from '../../units.ts';
import { noContradictions, type CardKind } from '../cardKind.ts';
import { LANES_OF_CONNECTOR, SAS, SAS_GIGABITS } from './standard.ts';

const schema = z.object({
  kind: z.literal('sas'),
  connectors: limits.counted,
  /** The fastest that its lanes come up at. */
  gigabits: z.union(SAS_GIGABITS.map((each) => z.literal(each))),
});
export type SasCard = DeepReadonly<z.infer<typeof schema>>;

const lanes = ({ connectors }: SasCard): number => connectors * LANES_OF_CONNECTOR;

export const sasCard = {
  schema,
  plain: { kind: 'sas', connectors: 2, gigabits: 12 },
  classes: { 0x0107: {} },
  isWayOnLine: false,
  hangsOn: null,
  plateEnds: [],
  mostBytesPerSecond: (card) => lanes(card) * SAS[card.gigabits].practiceBytesPerSecond[1],
  rearSockets: () => [],
  cabledPorts: lanes,
  contradictions: noContradictions,
} as const satisfies CardKind<SasCard>;
