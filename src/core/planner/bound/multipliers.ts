/** Prices that make the relaxation's bound tight where money or watts run short. */
import type { Option } from './positions.ts';
import { FREE, wattsOf, type Multipliers, type Relaxations } from './relaxation.ts';

/** So many relaxations are worked out anew, at most. */
const MOST_NEW = 6;
/** So many multipliers are worth asking at every partial plan, at most. */
const MOST_KEPT = 8;
/** Where both run short the best multiplier of the one depends on that of the other: so many times each is looked for. */
const ROUNDS = 3;
/** A watt is never worth more: cents × percent. */
const MOST_FOR_A_WATT = 10_000_000;
/** Cents × percent that are not worth another try. */
const NEAR = 100;

export interface Limits {
  readonly moneyCents: number;
  readonly watts: number;
  /** What a cent over the budget costs. */
  readonly mostForMoney: number;
}

/** The bound at a multiplier, and how it goes on from there: by so much for each further unit of the multiplier. */
interface Tangent {
  readonly price: number;
  readonly value: number;
  readonly slope: number;
}

/**
 * The bound by the multiplier is concave, and each relaxation gives a tangent to it: what its cheapest plan uses beyond the
 * limit. The next multiplier to try is where the tangents from below and from above meet; where the bound reaches that
 * point there is none better (Kelley's cutting planes, in one dimension).
 * @param enough a bound that need not be bettered
 * @returns the best from the start on first, and others after it: further on one of them may be better
 */
export function tightMultipliers(
  relaxed: Relaxations,
  remaining: number,
  limits: Limits,
  enough: number,
): readonly Multipliers[] {
  const worth = (multipliers: Multipliers): number =>
    relaxed.at(multipliers).least(0, remaining, 0, 0) -
    (multipliers.money > 0 ? multipliers.money * limits.moneyCents : 0) -
    (multipliers.watts > 0 ? multipliers.watts * limits.watts : 0);
  let best = FREE;
  let most = -Infinity;
  const regard = (multipliers: Multipliers): number => {
    const value = worth(multipliers);
    if (value > most) [most, best] = [value, multipliers];
    return value;
  };
  relaxed.known().forEach(regard);
  const mostKnown = relaxed.known().length + MOST_NEW;
  const isDone = () => most >= enough || relaxed.known().length >= mostKnown;

  const search = (what: 'money' | 'watts', highest: number, limit: number) => {
    const from = best;
    const tangent = (price: number): Tangent => {
      const multipliers = { ...from, [what]: price };
      const plan = relaxed.at(multipliers).cheapest(remaining);
      return {
        price,
        value: regard(multipliers),
        slope: used(plan, what) - limit,
      };
    };
    let low = tangent(0);
    if (low.slope <= 0 || isDone()) return;
    let high = tangent(highest);
    while (high.slope < 0 && !isDone()) {
      const ahead = low.value - low.slope * low.price - (high.value - high.slope * high.price);
      const price = ahead / (high.slope - low.slope);
      const next = tangent(price);
      const meeting = low.value + low.slope * (price - low.price);
      if (next.slope === 0 || next.value >= meeting - NEAR) return;
      if (next.slope > 0) low = next;
      else high = next;
    }
  };
  for (let round = 0; round < ROUNDS && !isDone(); round += 1) {
    const before = most;
    search('watts', MOST_FOR_A_WATT, limits.watts);
    search('money', limits.mostForMoney, limits.moneyCents);
    if (best.money === 0 || best.watts === 0 || most <= before + NEAR) break;
  }
  return relaxed
    .known()
    .filter(({ money, watts }) => money > 0 || watts > 0)
    .map((multipliers) => ({ multipliers, value: worth(multipliers) }))
    .toSorted((a, b) => b.value - a.value)
    .slice(0, MOST_KEPT)
    .map(({ multipliers }) => multipliers);
}

/** Cents or watts that the options of a plan take together. */
export const used = (plan: readonly Option[], what: keyof Multipliers): number =>
  plan.reduce(
    (sum, option) => sum + (what === 'money' ? option.candidate.moneyCents : wattsOf(option)),
    0,
  );
