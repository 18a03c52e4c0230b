/** Sound cards. */
import * as z from 'zod/mini';
import * as limits from '../../parts/limits.ts';
import type { DeepReadonly } from '../../units.ts';
import { noContradictions, noPorts, sockets, type CardKind } from '../cardKind.ts';

const schema = z.object({
  kind: z.literal('sound'),
  channels: limits.counted,
  /** Line and microphone inputs. */
  inputs: limits.countedOrNone,
  optical: z.boolean(),
});
export type SoundCard = DeepReadonly<z.infer<typeof schema>>;

export const soundCard = {
  schema,
  plain: { kind: 'sound', channels: 2, inputs: 1, optical: false },
  classes: { 0x0401: {}, 0x0403: {} },
  isWayOnLine: false,
  hangsOn: null,
  plateEnds: ['jack'],
  mostBytesPerSecond: () => 0,
  rearSockets: ({ channels, inputs, optical }) => [
    ...sockets('jack', Math.ceil(channels / 2) + inputs),
    ...sockets('optical', optical ? 1 : 0),
  ],
  cabledPorts: noPorts,
  contradictions: noContradictions,
} as const satisfies CardKind<SoundCard>;
