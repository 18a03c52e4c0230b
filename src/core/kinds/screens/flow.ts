/** Screens: which output carries the mode into which screen's socket, through which adapter. */
import { valueOf } from '../../parts/fact.ts';
import type { Machine } from '../../document/machine.ts';
import type { ScreensNeed } from './need.ts';
import type { Finding } from '../../rules/finding.ts';
import type { Payload } from '../../rules/findingCodes.ts';
import {
  ADAPTERS,
  OUTPUTS,
  SCREEN_ADAPTERS,
  modeBitsPerSecond,
  type Blanking,
  type OutputSignal,
  type ScreenAdapter,
  type ScreenInput,
  type ScreenMode,
} from '../../standards/screens.ts';
import { conclude, delivering, type Flow, type Provider } from '../flow.ts';

export function screensFlow(from: Provider, need: ScreensNeed, machine: Machine): Flow | null {
  const provider = delivering(from, 'screens');
  if (provider === null) return null;
  const { delivers } = provider;
  const sockets = delivers.outputs.flatMap(({ signal, count }) =>
    Array.from({ length: count }, () => signal),
  );
  const wanted = wantedScreens(need, machine);
  const usual = pairScreens(sockets, wanted, delivers.most, 1);
  // Modes that a cable cannot quite carry may still pass with the shorter blanking of modern screens.
  const tight = pairScreens(sockets, wanted, delivers.most, 2);
  const paired = tight.length > usual.length ? tight : usual;
  const bits = modeBitsPerSecond(need.mode, need.bitsPerColour);
  const best = Math.max(...delivers.outputs.map(({ signal }) => OUTPUTS[signal].bitsPerSecond));
  const refreshHz = need.mode.refreshHz * Math.min(1, best / bits);
  /** Outputs beyond those carry as many more of the same: they are there for other needs. */
  const more = (): number => {
    const further = Math.max(0, Math.min(sockets.length, delivers.most) - wanted.length);
    const alike = Array.from({ length: further }, () => screenAsked(need));
    return further === 0
      ? 0
      : pairScreens(sockets, [...wanted, ...alike], delivers.most, 2).length - paired.length;
  };
  const ways = paired.flat();
  const adapters = ways.flatMap(({ adapter }) => adapter ?? []);
  const figures = { needed: bits, available: best, unit: 'b/s', subject: 'output' } as const;
  const halved = ways.find(({ halfColour }) => halfColour);
  const flow = conclude({
    need,
    unit: 'Hz',
    wanted: need.mode.refreshHz,
    units: paired.length < wanted.length ? paired.length : paired.length + more(),
    stages: [
      paired.length > 0
        ? { code: 'output', low: need.mode.refreshHz, high: need.mode.refreshHz }
        : { code: 'output', low: refreshHz, high: refreshHz },
    ],
    factMissing: false,
    besides: [
      ...(paired.length === 0 ? [noPair(best >= bits, wanted[0]!, figures)] : []),
      ...(paired === tight && tight.length > usual.length
        ? [{ ...figures, code: 'deliver.tightBlanking', verdict: 'limited' } as const]
        : []),
      ...(halved === undefined
        ? []
        : [
            {
              ...figures,
              available: halved.carries,
              code: 'deliver.halfColour',
              verdict: 'limited',
            } as const,
          ]),
      ...adapters
        .slice(0, 1)
        .map((subject): Finding => ({ code: 'deliver.screenAdapter', verdict: 'needs', subject })),
      ...screensThatCannot(need, machine),
      ...lessColour(need, machine),
    ],
  });
  return flow.finding.code === 'deliver.meets'
    ? { ...flow, adapters, finding: { ...flow.finding, ...figures } }
    : { ...flow, adapters };
}

/** No output carries it, no adapter leads there, or the screen's own input takes less than the output gives. */
function noPair(
  isCarried: boolean,
  { inputs, hdmiBitsPerSecond }: WantedScreen,
  figures: Payload<'deliver.tightBlanking'>,
): Finding {
  const [input] = inputs;
  if (!isCarried || input === undefined || input === null)
    return { code: 'deliver.short', verdict: 'blocked', ...figures };
  return input === 'hdmi' && hdmiBitsPerSecond !== null && hdmiBitsPerSecond < (figures.needed ?? 0)
    ? { ...figures, code: 'deliver.screenInput', verdict: 'blocked', available: hdmiBitsPerSecond }
    : { code: 'deliver.noAdapter', verdict: 'blocked', subject: input };
}

/** What one screen asks of a card's outputs. */
export interface WantedScreen {
  /** Its sockets, the one in use first; null: whichever the card has. */
  readonly inputs: readonly (ScreenInput | null)[];
  /** What each of its streams shows. */
  readonly mode: ScreenMode;
  readonly bitsPerColour: 8 | 10;
  readonly streams: number;
  /** The most its HDMI input takes; null where nobody knows. */
  readonly hdmiBitsPerSecond: number | null;
  /** It takes the mode at half the colour over HDMI as well. */
  readonly halfColour: boolean;
}

/** A screen of which nothing but the need tells. */
const screenAsked = ({ mode, bitsPerColour, input }: ScreensNeed): WantedScreen => ({
  inputs: [input],
  mode,
  bitsPerColour,
  streams: 1,
  hdmiBitsPerSecond: null,
  halfColour: false,
});

/** Screens as the need says, or as those that were read say. */
function wantedScreens(
  { count, mode, bitsPerColour, input, ...need }: ScreensNeed,
  machine: Machine,
): readonly WantedScreen[] {
  const screens = screensOf(need, machine);
  return Array.from({ length: count }, (_, n): WantedScreen => {
    const screen = screens[n];
    const { across, down } = screen?.tiles ?? { across: 1, down: 1 };
    // What one stream shows needs no second one.
    const isTiled =
      across * down > 1 && screen !== undefined && !screen.modes.some((each) => shows(each, mode));
    const own = valueOf(screen?.input ?? null);
    const others = valueOf(screen?.otherInputs ?? null) ?? [];
    const megabits = screen?.hdmiMegabits ?? null;
    return {
      inputs: input === null ? [own, ...(own === null ? [] : others)] : [input],
      mode: isTiled
        ? {
            ...mode,
            widthPx: Math.ceil(mode.widthPx / across),
            heightPx: Math.ceil(mode.heightPx / down),
          }
        : mode,
      bitsPerColour,
      streams: isTiled ? across * down : 1,
      hdmiBitsPerSecond: megabits === null ? null : megabits * 1e6,
      halfColour: screen?.halfColour.some((each) => isSame(each, mode)) ?? false,
    };
  });
}

/** Screens that the need is about; the input of another card tells nothing of itself. */
const screensOf = ({ into }: Pick<ScreensNeed, 'into'>, { screens }: Machine) =>
  into === 'screen' ? screens : [];

/** A screen may say 59.95 where people say 60. */
const NEAR_HZ = 0.5;

const shows = (reported: ScreenMode, { widthPx, heightPx, refreshHz }: ScreenMode): boolean =>
  reported.widthPx >= widthPx &&
  reported.heightPx >= heightPx &&
  reported.refreshHz >= refreshHz - NEAR_HZ;

const isSame = (reported: ScreenMode, { widthPx, heightPx, refreshHz }: ScreenMode): boolean =>
  reported.widthPx === widthPx &&
  reported.heightPx === heightPx &&
  Math.abs(reported.refreshHz - refreshHz) < NEAR_HZ;

/** How one stream reaches a screen. */
export interface Way {
  readonly signal: OutputSignal;
  /** Null: the cable goes straight in. */
  readonly adapter: ScreenAdapter | null;
  readonly halfColour: boolean;
  /** Bits per second of the narrowest part. */
  readonly carries: number;
}

/** Half the colour is worse than an adapter. */
const price = ({ adapter, halfColour }: Way): number =>
  (adapter === null ? 0 : 1) + (halfColour ? 2 : 0);
const priceOf = (screens: readonly (readonly Way[])[]): number =>
  screens.flat().reduce((sum, way) => sum + price(way), 0);

/**
 * As many screens as possible, each stream on an output of its own and no more streams than the card makes at once;
 * and of all ways the one that costs least in adapters and colour.
 * Screens that ask for the same are alike, and so are outputs: what is searched is small.
 * @returns the streams of each screen that gets all of its own
 */
export function pairScreens(
  sockets: readonly OutputSignal[],
  screens: readonly WantedScreen[],
  mostStreams: number,
  blanking: Blanking,
): readonly (readonly Way[])[] {
  const free = new Map<OutputSignal, number>();
  for (const signal of sockets) free.set(signal, (free.get(signal) ?? 0) + 1);
  // Screens with few ways first.
  const order = screens
    .map((screen) => ({ ...screen, ways: waysTo(screen, [...free.keys()], blanking) }))
    .toSorted((a, b) => a.streams - b.streams || a.ways.length - b.ways.length);
  let best: readonly (readonly Way[])[] = [];
  const branch = (at: number, soFar: readonly (readonly Way[])[], left: number): void => {
    const most = soFar.length + order.length - at;
    const isWorse = priceOf(soFar) >= priceOf(best);
    if (most < best.length || (most === best.length && isWorse && best.length > 0)) return;
    const screen = order[at];
    if (screen === undefined) {
      best = soFar;
      return;
    }
    const give = (streams: readonly Way[]): void => {
      if (streams.length === screen.streams) {
        branch(at + 1, [...soFar, streams], left - streams.length);
        return;
      }
      for (const way of screen.ways) {
        const outputs = free.get(way.signal) ?? 0;
        if (outputs === 0) continue;
        free.set(way.signal, outputs - 1);
        give([...streams, way]);
        free.set(way.signal, outputs);
      }
    };
    if (screen.streams <= Math.min(left, sockets.length)) give([]);
    branch(at + 1, soFar, left);
  };
  branch(0, [], mostStreams);
  return best;
}

/** From each output the best way into one of the screen's sockets; the cheapest first. */
function waysTo(
  screen: WantedScreen,
  signals: readonly OutputSignal[],
  blanking: Blanking,
): readonly Way[] {
  return signals
    .flatMap((signal) => {
      const ways = screen.inputs.flatMap((input) => wayInto(signal, input, screen, blanking) ?? []);
      return ways.toSorted((a, b) => price(a) - price(b))[0] ?? [];
    })
    .toSorted((a, b) => price(a) - price(b));
}

/** Null: nothing carries the mode from this output into that socket. */
function wayInto(
  signal: OutputSignal,
  input: ScreenInput | null,
  { mode, bitsPerColour, hdmiBitsPerSecond, halfColour }: WantedScreen,
  blanking: Blanking,
): Way | null {
  const { socket, bitsPerSecond } = OUTPUTS[signal];
  const bits = modeBitsPerSecond(mode, bitsPerColour, input === 'analogue' ? 'none' : blanking);
  const takes = input === 'hdmi' ? (hdmiBitsPerSecond ?? Infinity) : Infinity;
  const isStraight =
    input === null || input === socket || (input === 'digital' && socket !== 'analogue');
  const through = isStraight
    ? [null]
    : SCREEN_ADAPTERS.filter((id) => ADAPTERS[id].from === socket && ADAPTERS[id].to === input);
  const ways = through.map((adapter) => {
    const most = adapter === null ? Infinity : ADAPTERS[adapter].bitsPerSecond;
    return { signal, adapter, carries: Math.min(bitsPerSecond, takes, most) };
  });
  const whole = ways.find(({ carries }) => carries >= bits);
  if (whole !== undefined) return { ...whole, halfColour: false };
  const half =
    halfColour && input === 'hdmi' ? ways.find(({ carries }) => carries >= bits / 2) : undefined;
  return half === undefined ? null : { ...half, halfColour: true };
}

/** Screens that were read and do not report a mode as large and as fast as this. */
function screensThatCannot(
  { mode, count, ...need }: ScreensNeed,
  machine: Machine,
): readonly Finding[] {
  const screens = screensOf(need, machine);
  const needed = Math.min(screens.length, count);
  const available = screens.filter(({ modes, halfColour, preferred }) =>
    [...modes, ...halfColour, ...(valueOf(preferred) === null ? [] : [valueOf(preferred)!])].some(
      (each) => shows(each, mode),
    ),
  ).length;
  return available >= needed
    ? []
    : [{ code: 'deliver.screenLess', verdict: 'limited', needed, available, unit: 'count' }];
}

/** Screens that were read and name fewer bits of a colour than are wanted. */
function lessColour(
  { bitsPerColour: needed, count, ...need }: ScreensNeed,
  machine: Machine,
): readonly Finding[] {
  const screens = screensOf(need, machine);
  const least = Math.min(
    ...screens.slice(0, count).map((screen) => screen.bitsPerColour ?? needed),
  );
  return least >= needed
    ? []
    : [{ code: 'deliver.lessColour', verdict: 'limited', needed, available: least, unit: 'count' }];
}
