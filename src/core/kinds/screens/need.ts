/** So many screens in a mode. */
import * as z from 'zod/mini';
import * as limits from '../../parts/limits.ts';
import { SCREEN_ENDS, SCREEN_INPUTS } from '../../standards/screens.ts';
import type { DeepReadonly } from '../../units.ts';
import { asAsked, common, no, none, nothing, type NeedKind } from '../needKind.ts';

const schema = z.object({
  ...common,
  kind: z.literal('screens'),
  count: limits.counted,
  mode: z.object({
    widthPx: limits.pixels,
    heightPx: limits.pixels,
    refreshHz: limits.refreshHz,
  }),
  bitsPerColour: z.union([z.literal(8), z.literal(10)]),
  /** The socket on these screens; null: whichever the card has. */
  input: z.nullable(z.enum(SCREEN_INPUTS)),
  /** What the outputs are joined to: screens, or the input of another card in this machine, by a loop lead. */
  into: z.enum(SCREEN_ENDS),
});
export type ScreensNeed = DeepReadonly<z.infer<typeof schema>>;

export const screensNeed = {
  schema,
  plain: {
    kind: 'screens',
    count: 2,
    mode: { widthPx: 3840, heightPx: 2160, refreshHz: 60 },
    bitsPerColour: 8,
    input: null,
    into: 'screen',
  },
  servedBy: ['screens'],
  asks: ['screenInputs'],
  runs: [],
  measuredBy: [],
  readings: [],
  warms: 'graphics',
  units: ({ count }) => count,
  pool: () => 'screens',
  isAtFront: no,
  mounted: nothing,
  keeps: nothing,
  settled: none,
  extras: ({ into, input, count }, units) =>
    into === 'card' ? [{ kind: 'loopLead', fits: input ?? '', count: Math.min(units, count) }] : [],
  direction: nothing,
  asMeasured: asAsked,
  files: () => 'solidState',
  measures: none,
} as const satisfies NeedKind<ScreensNeed>;
