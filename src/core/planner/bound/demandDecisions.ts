/** Which demands stay unmet, decided before cards are; and what a partial plan costs at least where that is decided. */
import { itemAt } from '../../units.ts';
import type { Machine } from '../../document/machine.ts';
import { wattsForNew } from '../candidates/conflicts.ts';
import { MUST, OVER_BUDGET_FACTOR, type Scale } from '../../plans/cost.ts';
import { subsets } from '../../plans/coverage.ts';
import { mostWanted, type CoverageState } from './coverageState.ts';
import type { Constraint } from '../candidates/constraints.ts';
import type { Option } from './positions.ts';
import { tightMultipliers, used } from './multipliers.ts';
import {
  costOfLeaving,
  decidedBeforehand,
  penaltyScore,
  type SearchProblem,
} from './searchSpace.ts';
import { type Relaxations } from './relaxation.ts';
import type { Demand } from '../../plans/demands.ts';

/** How far a partial plan is: what its cost so far and the least cost of its rest depend on. */
export interface Reached {
  /** The next position to fill. */
  readonly position: number;
  readonly remaining: number;
  /** The level of waiting. */
  readonly waiting: number;
  /** What stands directly before that position: see `BESIDE`. */
  readonly beside: number;
  readonly moneyCents: number;
  readonly watts: number;
  /** Cents × percent of what is placed and of what it causes, but for the waiting. */
  readonly score: number;
}

const BEGINNING = { position: 0, waiting: 0, beside: 0, moneyCents: 0, watts: 0 };

/**
 * One way to decide beforehand which demands stay unmet: the others have to be served, or it is no plan of this decision. That
 * makes the bound sharp where money or watts run short, since no demand can be served in part.
 */
export interface DemandDecision {
  readonly unmet: readonly Demand[];
  /** Where its search begins, and what its plans cost at least. */
  readonly start: Reached;
  readonly least: number;
  readonly bound: Bound;
  /** Plans that the relaxations find cheapest: often they can be had, and then there is one to better from the start. */
  readonly promising: readonly (readonly Option[])[];
}

export interface DemandDecisions {
  /** The most promising decision; null after the last. Of those that cost no less than `enough` it is not known how much. */
  readonly next: (enough: number) => DemandDecision | null;
  /** What any plan of the decisions to come costs at least. */
  readonly ahead: () => number;
}

/** All ways to leave demands unmet, the most promising first. The dear bound is only asked where the cheap one promises something. */
export function demandDecisions(
  problem: SearchProblem,
  coverageState: CoverageState,
  relaxed: Relaxations,
): DemandDecisions {
  const plain = relaxed.at();
  interface Waiting {
    readonly unmet: readonly Demand[];
    readonly start: Reached;
    readonly least: number;
    readonly decision: DemandDecision | null;
  }
  const queue = subsets(decidedBeforehand(problem.demands))
    .map((unmet): Waiting => {
      const remaining = remainingWithout(coverageState, unmet);
      const score = unmet.reduce((sum, demand) => sum + costOfLeaving(demand, problem.scale), 0);
      const least = score + plain.least(0, remaining, 0, 0);
      return { unmet, start: { ...BEGINNING, remaining, score }, least, decision: null };
    })
    .toSorted((a, b) => b.least - a.least);
  const next = (enough: number): DemandDecision | null => {
    const first = queue.pop();
    if (first === undefined || first.decision !== null) return first?.decision ?? null;
    const { unmet, start } = first;
    const { bound, promising } = boundOf(problem, start, relaxed, enough);
    const least = Math.max(first.least, bound(start));
    const at = queue.findLastIndex((other) => other.least >= least) + 1;
    queue.splice(at, 0, { ...first, least, decision: { unmet, start, least, bound, promising } });
    return next(enough);
  };
  return { next, ahead: () => queue.at(-1)?.least ?? Infinity };
}

/** What remains at the start where these demands are unmet: nothing of any group with one of them. */
const remainingWithout = (
  { supplies, most, strides, start }: CoverageState,
  unmet: readonly Demand[],
): number =>
  supplies.reduce((state, supply, n) => {
    const asked = supply.filter(
      ({ group }) => !group.demands.some((demand) => unmet.includes(demand)),
    );
    return state - (itemAt(most, n) - mostWanted(asked)) * itemAt(strides, n);
  }, start);

/** @param enough more than this need not be known */
type Bound = (reached: Reached, enough?: number) => number;

/**
 * A plan keeps to the watts that leave the supply its headroom, or pays for using it; either way it costs at least as
 * much as the relaxed rest, and as the relaxed rest at the best multiplier for what runs short.
 */
function boundOf(
  { machine, budgetCents, scale, without: imagined }: SearchProblem,
  start: Reached,
  relaxed: Relaxations,
  enough: number,
): Pick<DemandDecision, 'bound' | 'promising'> {
  const budget = budgetCents ?? Infinity;
  const mostForMoney = OVER_BUDGET_FACTOR * scale.overBudget;
  const plain = relaxed.at();
  const over = (cents: number) => (cents > budget ? (cents - budget) * mostForMoney : 0);
  const ways = wattWays(machine, scale, imagined).map((way) => {
    const limits = { moneyCents: budget, watts: way.limit, mostForMoney };
    const short = used(plain.cheapest(start.remaining), 'watts') > way.limit;
    const tried = [
      ...tightMultipliers(relaxed, start.remaining, limits, enough - start.score - way.extra),
      // So dear that a must is left rather than a watt too much drawn: tells what is not possible at all.
      ...(short ? [{ money: 0, watts: MUST }] : []),
    ];
    return {
      ...way,
      relaxedBy: tried.map((multipliers) => ({ multipliers, rest: relaxed.at(multipliers) })),
    };
  });
  const bound: Bound = (reached, enough = Infinity) => {
    const { position, remaining, waiting, beside, moneyCents: money, watts, score } = reached;
    const simply = score + plain.least(position, remaining, waiting, beside) + over(money);
    let least = Infinity;
    for (const { extra, limit, relaxedBy } of ways) {
      if (watts > limit) continue;
      let value = simply;
      for (const { multipliers, rest } of relaxedBy) {
        if (value + extra >= enough) break;
        const byMultiplier =
          score +
          rest.least(position, remaining, waiting, beside) +
          (multipliers.money > 0 ? multipliers.money * (money - budget) : 0) +
          (multipliers.watts > 0 ? multipliers.watts * (watts - limit) : 0) -
          (multipliers.watts === MUST ? ROUNDING : 0);
        if (byMultiplier > value) value = byMultiplier;
      }
      least = Math.min(least, value + extra);
    }
    return least;
  };
  const rests = new Set([plain, ...ways.flatMap(({ relaxedBy }) => relaxedBy[0]?.rest ?? [])]);
  return { bound, promising: [...rests].map((rest) => rest.cheapest(start.remaining)) };
}

/** Sums of musts times watts are too large to be exact to the last unit. */
const ROUNDING = 64;

/** Watts that new cards may draw, and what drawing so much costs: within the headroom nothing, beyond it something. */
function wattWays(machine: Machine, scale: Scale, imagined: ReadonlySet<Constraint>) {
  const most = wattsForNew(machine);
  const unlimited = [{ limit: Infinity, extra: 0 }];
  // Boxes outside have supplies of their own; their headroom is only asked of whole plans.
  if (machine.enclosures.length > 0 || imagined.has('power') || most === null) return unlimited;
  const extra = penaltyScore('power.headroomUsed', scale);
  return [
    { limit: Math.max(0, most.comfortable), extra: 0 },
    { limit: Math.max(0, most.utmost), extra },
  ];
}
