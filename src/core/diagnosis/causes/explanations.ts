/**
 * Which states of the components, singly or in pairs, agree with all that was observed, and how likely each is: how often it is
 * met, times how well it explains every figure. An answer that a state would not give excludes it, and so does a figure that no
 * capacity within its band could have shown.
 */
import type { Flow } from '../../kinds/flow.ts';
import type { Band } from '../../placement/slotLink.ts';
import type { Cause } from '../../standards/causes.ts';
import type { Check } from '../../standards/checks.ts';
import { bandOfSmallFiles } from '../expectedRun.ts';
import type { RunTest } from '../../parts/run.ts';
import { shownBy, type Component, type ComponentState } from '../../kinds/component.ts';

export interface CauseAt {
  /** Id of the component. */
  readonly part: string;
  readonly cause: Cause;
}

export interface Explanation {
  /** None: all is as planned. */
  readonly causes: readonly CauseAt[];
  /** Of all that agree. */
  readonly probability: number;
}

export interface ObservedFigure {
  readonly test: RunTest;
  /** Of one large file where the test is of many small ones. */
  readonly expected: Flow;
  readonly value: number;
  /** It began well and then fell; null: it was measured too seldom to say. */
  readonly falls: boolean | null;
}

export interface Answer {
  readonly part: string;
  readonly check: Check;
  readonly answer: string;
}

export interface Observed {
  readonly figures: readonly ObservedFigure[];
  readonly answers: readonly Answer[];
}

/** Repeated measurements of one thing differ by so much, as a share. Common practice, no source. */
const NOISE = 0.02;
/** A figure outside the band of an explanation by more than this share excludes it. */
export const TOLERANCE = 0.08;
/** What is slowed down by heat begins well and then falls; little else does. Common practice, no source. */
const FALLS_BY_HEAT = 0.7;
const FALLS_OTHERWISE = 0.04;
const BY_HEAT: readonly (Cause | null)[] = ['tooHot', 'fanForgotten'];

/** Those that agree, the likeliest first; none where nothing known agrees. */
export function explanationsOf(
  components: readonly Component[],
  observed: Observed,
): readonly Explanation[] {
  const chances = components.map((component) => chancesOf(component, observed));
  const found: Found[] = [];
  const add = (chosen: ReadonlyMap<number, Chance>): void => {
    const weight = weightOf(chances, chosen, observed);
    if (weight > 0)
      found.push({
        weight,
        causes: [...chosen].map(([n, { cause }]) => ({ part: components[n]!.id, cause: cause! })),
      });
  };
  add(new Map());
  chances.forEach(({ fallBacks }, n) => {
    for (const one of fallBacks) {
      add(new Map([[n, one]]));
      for (let m = n + 1; m < chances.length; m += 1)
        for (const other of chances[m]!.fallBacks)
          add(
            new Map([
              [n, one],
              [m, other],
            ]),
          );
    }
  });
  const needed = withoutIdle(found);
  const total = needed.reduce((sum, { weight }) => sum + weight, 0);
  return needed
    .map(({ causes, weight }) => ({ causes, probability: weight / total }))
    .toSorted((a, b) => b.probability - a.probability);
}

interface Found {
  readonly causes: readonly CauseAt[];
  readonly weight: number;
}

/** An explanation of one cause, and what it takes over from pairs. */
interface Standing {
  readonly weight: number;
  gains: number;
}

/**
 * A pair of which one alone agrees with everything explains no more than that one: what else may be the matter is not felt, and is
 * asked once it is. Its weight goes to those that it holds.
 */
function withoutIdle(found: readonly Found[]): readonly Found[] {
  const keyOf = ({ part, cause }: CauseAt): string => `${part} ${cause}`;
  const alone = new Map(
    found.flatMap(({ causes, weight }) =>
      causes.length === 1 && causes[0] !== undefined
        ? [[keyOf(causes[0]), { weight, gains: 0 }] as [string, Standing]]
        : [],
    ),
  );
  const both = found.filter(({ causes, weight }) => {
    if (causes.length < 2) return false;
    const held = causes.flatMap((each) => alone.get(keyOf(each)) ?? []);
    const total = held.reduce((sum, each) => sum + each.weight, 0);
    for (const each of held) each.gains += (weight * each.weight) / total;
    return held.length === 0;
  });
  return [
    ...found.flatMap((each) => {
      const [first, second] = each.causes;
      if (second !== undefined) return [];
      const gains = first === undefined ? 0 : (alone.get(keyOf(first))?.gains ?? 0);
      return { ...each, weight: each.weight + gains };
    }),
    ...both,
  ];
}

/** What speaks for a state of one component: its odds against being as planned, and what it does to each figure. */
interface Chance {
  readonly cause: Cause | null;
  /** Zero: an answer excludes it. */
  readonly frequency: number;
  /** For each figure, of one large file and of many small ones. */
  readonly atFigure: readonly { readonly large: Lets; readonly small: Lets }[];
}

/** How a capacity lies to a figure that was measured. */
interface Lets {
  /** How likely the capacity is just this, and how likely it is more. */
  readonly density: number;
  readonly more: number;
  readonly band: Band;
}

interface Chances {
  readonly planned: Chance;
  readonly fallBacks: readonly Chance[];
}

function chancesOf(component: Component, { figures, answers }: Observed): Chances {
  const own = answers.filter(({ part }) => part === component.id);
  const chance = (state: ComponentState): Chance => ({
    cause: state.cause,
    frequency: own.every(({ check, answer }) => shownBy(component, state, check) === answer)
      ? state.frequency
      : 0,
    atFigure: figures.map((figure) => {
      const large = lets(bandIn(state, figure, figure.test.what === 'small'), figure.value);
      const isEither = figure.test.what === 'own';
      return { large, small: isEither ? lets(bandIn(state, figure, true), figure.value) : large };
    }),
  });
  return {
    planned: chance(component.planned),
    fallBacks: component.fallBacks.map(chance).filter(({ frequency }) => frequency > 0),
  };
}

const ANYTHING: Band = { low: Infinity, high: Infinity };

/** What a state lets through in a measurement, of one large file or of many small ones. */
export function bandIn(
  state: ComponentState,
  { test, expected }: Pick<ObservedFigure, 'test' | 'expected'>,
  isSmall: boolean,
): Band {
  const band = state.carries(test, expected);
  if (band === null) return ANYTHING;
  return isSmall ? bandOfSmallFiles(band, expected, test) : band;
}

/**
 * The capacity lies anywhere in its band, and a measurement of it is off by a little: an even distribution, blurred by a
 * logistic one, whose density and share above a value are closed forms.
 */
function lets(band: Band, value: number): Lets {
  if (band.high === Infinity) return { density: 0, more: 1, band };
  const scale = (NOISE * value) / 1.7;
  const width = Math.max(band.high - band.low, scale / 10);
  const below = (value - band.low) / scale;
  const above = (value - band.low - width) / scale;
  const density = (logistic(below) - logistic(above)) / width;
  const less = ((softplus(below) - softplus(above)) * scale) / width;
  return { density: Math.max(0, density), more: Math.min(1, Math.max(0, 1 - less)), band };
}

const logistic = (x: number): number => 1 / (1 + Math.exp(-x));
const softplus = (x: number): number => (x > 30 ? x : Math.log1p(Math.exp(x)));

/** How often it is met times how likely every figure is by it: one of the capacities is the figure, and all others are more. */
function weightOf(
  chances: readonly Chances[],
  chosen: ReadonlyMap<number, Chance>,
  { figures }: Observed,
): number {
  const states = chances.map(({ planned }, n) => chosen.get(n) ?? planned);
  let weight = 1;
  for (const { frequency } of states) weight *= frequency;
  const isHot = states.some(({ cause }) => BY_HEAT.includes(cause));
  const size = states.some(({ cause }) => cause === 'smallFiles') ? 'small' : 'large';
  for (let f = 0; f < figures.length && weight > 0; f += 1) {
    const { value, falls } = figures[f]!;
    let all = 1;
    let by = 0;
    let low = Infinity;
    let high = Infinity;
    for (const { atFigure } of states) {
      const { density, more, band } = atFigure[f]![size];
      // One of those so far is it and this is more, or this is it and they are more.
      by = by * more + density * all;
      all *= more;
      low = Math.min(low, band.low);
      high = Math.min(high, band.high);
    }
    if (value < low * (1 - TOLERANCE) || value > high * (1 + TOLERANCE)) return 0;
    weight *= by * value;
    if (falls !== null) {
      const chance = isHot ? FALLS_BY_HEAT : FALLS_OTHERWISE;
      weight *= falls ? chance : 1 - chance;
    }
  }
  return weight;
}
