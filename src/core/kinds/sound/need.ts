/** Sound: channels out, inputs, an optical socket. */
import * as z from 'zod/mini';
import * as limits from '../../parts/limits.ts';
import type { DeepReadonly } from '../../units.ts';
import { asAsked, common, none, nothing, type NeedKind } from '../needKind.ts';

const schema = z.object({
  ...common,
  kind: z.literal('sound'),
  channels: limits.counted,
  inputs: limits.countedOrNone,
  optical: z.boolean(),
  /** The sockets at the front are to work as well. */
  front: z.boolean(),
});
export type SoundNeed = DeepReadonly<z.infer<typeof schema>>;

export const soundNeed = {
  schema,
  plain: { kind: 'sound', channels: 2, inputs: 0, optical: false, front: false },
  servedBy: ['sound'],
  asks: [],
  runs: [],
  measuredBy: [],
  readings: [],
  warms: 'other',
  units: () => 1,
  pool: nothing,
  isAtFront: ({ front }) => front,
  mounted: nothing,
  keeps: nothing,
  settled: none,
  extras: none,
  direction: nothing,
  asMeasured: asAsked,
  files: () => 'solidState',
  measures: none,
} as const satisfies NeedKind<SoundNeed>;
