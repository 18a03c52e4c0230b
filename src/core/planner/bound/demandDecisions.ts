/** Which wants are left, decided before cards are; and what a partial plan costs at least where that is decided. */
import type { Machine } from '../../parts/machine.ts';
import { wattsForNew } from '../candidates/conflicts.ts';
import { OVER_BUDGET_FACTOR, type Scale } from '../candidates/cost.ts';
import { subsets } from '../candidates/coverage.ts';
import type { Lacks } from './coverageState.ts';
import type { Limit } from '../candidates/constraints.ts';
import type { Choice } from './positions.ts';
import { tightPrices, used } from './multipliers.ts';
import {
  costOfLeaving,
  decidedBeforehand,
  troubleWeighed,
  type SearchProblem,
} from './searchSpace.ts';
import { MUST, type Relaxations } from './relaxation.ts';
import type { Want } from '../candidates/demands.ts';

/** How far a partial plan is: what its cost so far and the least cost of its rest depend on. */
export interface Reached {
  /** The next place to fill. */
  readonly place: number;
  readonly lacking: number;
  /** The level of waiting. */
  readonly waiting: number;
  /** What stands directly before that place: see `BESIDE`. */
  readonly beside: number;
  readonly moneyCents: number;
  readonly watts: number;
  /** Cents × percent of what is placed and of what it causes, but for the waiting. */
  readonly weighed: number;
}

const BEGINNING = { place: 0, waiting: 0, beside: 0, moneyCents: 0, watts: 0 };

/**
 * One way to decide beforehand which wants are left: the others have to be served, or it is no plan of this scene. That
 * makes the bound sharp where money or watts run short, since no want can be served in part.
 */
export interface Scene {
  readonly left: readonly Want[];
  /** Where its search begins, and what its plans cost at least. */
  readonly start: Reached;
  readonly least: number;
  readonly bound: Bound;
  /** Plans that the relaxations find cheapest: often they can be had, and then there is one to better from the start. */
  readonly promising: readonly (readonly Choice[])[];
}

export interface Scenes {
  /** The most promising scene; null after the last. Of those that cost no less than `enough` it is not known how much. */
  readonly next: (enough: number) => Scene | null;
  /** What any plan of the scenes to come costs at least. */
  readonly ahead: () => number;
}

/** All ways to leave wants, the most promising first. The dear bound is only asked where the cheap one promises something. */
export function scenesOf(problem: SearchProblem, lacks: Lacks, relaxed: Relaxations): Scenes {
  const plain = relaxed.at();
  interface Waiting {
    readonly left: readonly Want[];
    readonly start: Reached;
    readonly least: number;
    readonly scene: Scene | null;
  }
  const queue = subsets(decidedBeforehand(problem.wants))
    .map((left): Waiting => {
      const lacking = lackingWithout(lacks, left);
      const weighed = left.reduce((sum, want) => sum + costOfLeaving(want, problem.scale), 0);
      const least = weighed + plain.least(0, lacking, 0, 0);
      return { left, start: { ...BEGINNING, lacking, weighed }, least, scene: null };
    })
    .toSorted((a, b) => b.least - a.least);
  const next = (enough: number): Scene | null => {
    const first = queue.pop();
    if (first === undefined || first.scene !== null) return first?.scene ?? null;
    const { left, start } = first;
    const { bound, promising } = boundOf(problem, start, relaxed, enough);
    const least = Math.max(first.least, bound(start));
    const at = queue.findLastIndex((other) => other.least >= least) + 1;
    queue.splice(at, 0, { ...first, least, scene: { left, start, least, bound, promising } });
    return next(enough);
  };
  return { next, ahead: () => queue.at(-1)?.least ?? Infinity };
}

/** The lacks at the start where these wants are left: no group with one of them lacks anything. */
const lackingWithout = (lacks: Lacks, left: readonly Want[]): number =>
  lacks.groups.reduce(
    (state, { wants }, n) =>
      wants.some((want) => left.includes(want))
        ? state - lacks.most[n]! * lacks.strides[n]!
        : state,
    lacks.start,
  );

/** @param enough more than this need not be known */
type Bound = (reached: Reached, enough?: number) => number;

/**
 * A plan keeps to the watts that leave the supply its headroom, or pays for using it; either way it costs at least as
 * much as the relaxed rest, and as the relaxed rest at the best price for what runs short.
 */
function boundOf(
  { machine, budgetCents, scale, without: imagined }: SearchProblem,
  start: Reached,
  relaxed: Relaxations,
  enough: number,
): Pick<Scene, 'bound' | 'promising'> {
  const budget = budgetCents ?? Infinity;
  const mostForMoney = OVER_BUDGET_FACTOR * scale.overBudget;
  const plain = relaxed.at();
  const over = (cents: number) => (cents > budget ? (cents - budget) * mostForMoney : 0);
  const ways = wattWays(machine, scale, imagined).map((way) => {
    const limits = { moneyCents: budget, watts: way.limit, mostForMoney };
    const short = used(plain.cheapest(start.lacking), 'watts') > way.limit;
    const tried = [
      ...tightPrices(relaxed, start.lacking, limits, enough - start.weighed - way.extra),
      // So dear that a must is left rather than a watt too much drawn: tells what is not possible at all.
      ...(short ? [{ money: 0, watts: MUST }] : []),
    ];
    return { ...way, priced: tried.map((prices) => ({ prices, rest: relaxed.at(prices) })) };
  });
  const bound: Bound = (reached, enough = Infinity) => {
    const { place, lacking, waiting, beside, moneyCents: money, watts, weighed } = reached;
    const simply = weighed + plain.least(place, lacking, waiting, beside) + over(money);
    let least = Infinity;
    for (const { extra, limit, priced } of ways) {
      if (watts > limit) continue;
      let value = simply;
      for (const { prices, rest } of priced) {
        if (value + extra >= enough) break;
        const byPrice =
          weighed +
          rest.least(place, lacking, waiting, beside) +
          (prices.money > 0 ? prices.money * (money - budget) : 0) +
          (prices.watts > 0 ? prices.watts * (watts - limit) : 0) -
          (prices.watts === MUST ? ROUNDING : 0);
        if (byPrice > value) value = byPrice;
      }
      least = Math.min(least, value + extra);
    }
    return least;
  };
  const rests = new Set([plain, ...ways.flatMap(({ priced }) => priced[0]?.rest ?? [])]);
  return { bound, promising: [...rests].map((rest) => rest.cheapest(start.lacking)) };
}

/** Sums of musts times watts are too large to be exact to the last unit. */
const ROUNDING = 64;

/** Watts that new cards may draw, and what drawing so much costs: within the headroom nothing, beyond it something. */
function wattWays(machine: Machine, scale: Scale, imagined: ReadonlySet<Limit>) {
  const most = wattsForNew(machine);
  const unlimited = [{ limit: Infinity, extra: 0 }];
  // Boxes outside have supplies of their own; their headroom is only asked of whole plans.
  if (machine.enclosures.length > 0 || imagined.has('power') || most === null) return unlimited;
  const extra = troubleWeighed('power.headroomUsed', scale);
  return [
    { limit: Math.max(0, most.comfortable), extra: 0 },
    { limit: Math.max(0, most.utmost), extra },
  ];
}
