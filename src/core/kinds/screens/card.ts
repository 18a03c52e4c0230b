/** Graphics cards: outputs for screens, and how much and how fast they draw. */
import * as z from 'zod/mini';
import * as limits from '../../parts/limits.ts';
import { listOf } from '../../parts/limits.ts';
import { ENCODINGS, OUTPUTS, OUTPUT_SIGNALS } from '../../standards/screens.ts';
import type { DeepReadonly } from '../../units.ts';
import { noContradictions, noPorts, sockets, type CardKind } from '../cardKind.ts';

const schema = z.object({
  kind: z.literal('screens'),
  outputs: listOf(
    z.object({ signal: z.enum(OUTPUT_SIGNALS), count: limits.counted }),
    OUTPUT_SIGNALS.length,
  ),
  /** Screens it drives at once, whatever its sockets. */
  most: limits.counted,
  memoryGigabytes: limits.gigabytes,
  /** How fast it draws: see GRAPHICS_CLASSES. */
  speedClass: limits.speedClass,
  encodes: listOf(z.enum(ENCODINGS), ENCODINGS.length),
});
export type ScreensCard = DeepReadonly<z.infer<typeof schema>>;

export const screensCard = {
  schema,
  plain: {
    kind: 'screens',
    outputs: [{ signal: 'dp-hbr2', count: 1 }],
    most: 1,
    memoryGigabytes: 0,
    speedClass: 1,
    encodes: [],
  },
  classes: { 0x0300: {}, 0x0302: {}, 0x0380: {} },
  isWayOnLine: false,
  hangsOn: 'screenInputs',
  plateEnds: ['jack'],
  // Screens alone use little of a link: eight lanes do as well as sixteen (common practice, no source).
  mostBytesPerSecond: () => 0,
  rearSockets: ({ outputs }) =>
    outputs.flatMap(({ signal, count }) => {
      const { socket } = OUTPUTS[signal];
      return sockets(socket === 'digital' ? 'dvi' : socket, count);
    }),
  cabledPorts: noPorts,
  contradictions: noContradictions,
} as const satisfies CardKind<ScreensCard>;
