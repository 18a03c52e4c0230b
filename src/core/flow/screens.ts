/**
 * Screens: which output carries the mode into which screen's socket, through which adapter; and graphics work,
 * which asks for memory, speed and encoders.
 */
import type { DeliveryOf } from '../parts/delivery.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../parts/machine.ts';
import type { NeedOf } from '../parts/need.ts';
import type { Finding } from '../rules/finding.ts';
import {
  ADAPTERS,
  OUTPUTS,
  SCREEN_ADAPTERS,
  modeBitsPerSecond,
  type Blanking,
  type OutputSignal,
  type ScreenAdapter,
  type ScreenInput,
} from '../standards/screens.ts';
import { conclude, lacking, type Flow, type Provider } from './flow.ts';

export function screensFlow(
  { delivers }: Provider<DeliveryOf<'screens'>>,
  need: NeedOf<'screens'>,
  machine: Machine,
): Flow {
  const sockets = delivers.outputs.flatMap(({ signal, count }) =>
    Array.from({ length: count }, () => signal),
  );
  const inputs = inputsOf(need, machine);
  const usual = pairScreens(sockets, inputs, need, 1);
  // Modes that a cable cannot quite carry may still pass with the shorter blanking of modern screens.
  const tight = pairScreens(sockets, inputs, need, 2);
  const paired = tight.length > usual.length ? tight : usual;
  const bits = modeBitsPerSecond(need.mode, need.bitsPerColour);
  const best = Math.max(...delivers.outputs.map(({ signal }) => OUTPUTS[signal].bitsPerSecond));
  const refreshHz = need.mode.refreshHz * Math.min(1, best / bits);
  const adapters = paired.flatMap(({ adapter }) => adapter ?? []);
  const figures = { needed: bits, available: best, unit: 'b/s', subject: 'output' } as const;
  const flow = conclude({
    need,
    unit: 'Hz',
    wanted: need.mode.refreshHz,
    units: Math.min(paired.length, delivers.most),
    stages: [
      paired.length > 0
        ? { code: 'output', low: need.mode.refreshHz, high: need.mode.refreshHz }
        : { code: 'output', low: refreshHz, high: refreshHz },
    ],
    factMissing: false,
    besides: [
      ...(paired.length === 0 ? [noPair(best >= bits, inputs[0] ?? null, figures)] : []),
      ...(paired === tight && tight.length > usual.length
        ? [{ ...figures, code: 'deliver.tightBlanking', verdict: 'limited' } as const]
        : []),
      ...adapters
        .slice(0, 1)
        .map((subject): Finding => ({ code: 'deliver.screenAdapter', verdict: 'needs', subject })),
      ...screensThatCannot(need, machine),
    ],
  });
  return flow.finding.code === 'deliver.meets'
    ? { ...flow, adapters, finding: { ...flow.finding, ...figures } }
    : { ...flow, adapters };
}

const noPair = (
  carried: boolean,
  input: ScreenInput | null,
  figures: Pick<Finding, 'needed' | 'available' | 'unit' | 'subject'>,
): Finding =>
  carried && input !== null
    ? { code: 'deliver.noAdapter', verdict: 'blocked', subject: input }
    : { code: 'deliver.short', verdict: 'blocked', ...figures };

/** The socket of each screen wanted: as the need says, or as the screens that were read say; null: any. */
function inputsOf(need: NeedOf<'screens'>, { screens }: Machine): readonly (ScreenInput | null)[] {
  return Array.from(
    { length: need.count },
    (_, n) => need.input ?? valueOf(screens[n]?.input ?? null),
  );
}

interface Pair {
  readonly adapter: ScreenAdapter | null;
}

/**
 * As many screens as possible, each on an output of its own, and of all ways one with the fewest adapters.
 * Screens that ask for the same are alike, and so are outputs: what is searched is small.
 */
export function pairScreens(
  sockets: readonly OutputSignal[],
  inputs: readonly (ScreenInput | null)[],
  need: Pick<NeedOf<'screens'>, 'mode' | 'bitsPerColour'>,
  blanking: Blanking,
): readonly Pair[] {
  const bits = (input: ScreenInput | null) =>
    modeBitsPerSecond(need.mode, need.bitsPerColour, input === 'analogue' ? 'none' : blanking);
  const free = new Map<OutputSignal, number>();
  for (const signal of sockets) free.set(signal, (free.get(signal) ?? 0) + 1);
  const fits = inputs.map((input) => {
    const wanted = bits(input);
    return [...free.keys()].flatMap((signal) => {
      const adapter = between(signal, input, wanted);
      return adapter === undefined ? [] : [{ signal, adapter }];
    });
  });
  // Screens with few ways first.
  const order = fits.toSorted((a, b) => a.length - b.length);
  let best: readonly Pair[] = [];
  const adaptersIn = (pairs: readonly Pair[]) =>
    pairs.filter(({ adapter }) => adapter !== null).length;
  const branch = (at: number, soFar: readonly Pair[]): void => {
    const most = soFar.length + order.length - at;
    const worse = adaptersIn(soFar) >= adaptersIn(best);
    if (most < best.length || (most === best.length && worse && best.length > 0)) return;
    const ways = order[at];
    if (ways === undefined) {
      best = soFar;
      return;
    }
    for (const { signal, adapter } of ways) {
      const left = free.get(signal) ?? 0;
      if (left === 0) continue;
      free.set(signal, left - 1);
      branch(at + 1, [...soFar, { adapter }]);
      free.set(signal, left);
    }
    branch(at + 1, soFar);
  };
  branch(0, []);
  return best;
}

/** Null: the cable goes straight in. Undefined: nothing carries the mode from this output into that socket. */
function between(
  signal: OutputSignal,
  input: ScreenInput | null,
  bits: number,
): ScreenAdapter | null | undefined {
  const { socket, bitsPerSecond } = OUTPUTS[signal];
  if (bits > bitsPerSecond) return undefined;
  const straight =
    input === null || input === socket || (input === 'digital' && socket !== 'analogue');
  if (straight) return null;
  return SCREEN_ADAPTERS.find(
    (adapter) =>
      ADAPTERS[adapter].from === socket &&
      ADAPTERS[adapter].to === input &&
      ADAPTERS[adapter].bitsPerSecond >= bits,
  );
}

/** Screens that were read and do not report a mode as large and as fast as this. */
function screensThatCannot(
  { mode, count }: NeedOf<'screens'>,
  { screens }: Machine,
): readonly Finding[] {
  const needed = Math.min(screens.length, count);
  const available = screens.filter(({ modes }) =>
    modes.some(
      (each) =>
        each.widthPx >= mode.widthPx &&
        each.heightPx >= mode.heightPx &&
        // A screen may say 59.95 where people say 60.
        each.refreshHz >= mode.refreshHz - 0.5,
    ),
  ).length;
  return available >= needed
    ? []
    : [{ code: 'deliver.screenLess', verdict: 'limited', needed, available, unit: 'count' }];
}

export function graphicsFlow(
  { delivers }: Provider<DeliveryOf<'screens'>>,
  need: NeedOf<'graphics'>,
): Flow {
  return conclude({
    need,
    unit: 'GB',
    wanted: need.memoryGigabytes,
    units: 1,
    stages: [{ code: 'card', low: delivers.memoryGigabytes, high: delivers.memoryGigabytes }],
    factMissing: false,
    besides: [...slower(delivers, need), ...lacking(need.encodes, delivers.encodes)],
  });
}

const slower = (
  { speedClass }: DeliveryOf<'screens'>,
  need: NeedOf<'graphics'>,
): readonly Finding[] =>
  speedClass >= need.speedClass
    ? []
    : [
        {
          code: 'deliver.slower',
          verdict: 'blocked',
          needed: need.speedClass,
          available: speedClass,
          unit: 'count',
        },
      ];
