/** Prices that make the relaxation's bound tight where money or watts run short. */
import type { Choice } from './positions.ts';
import { FREE, wattsOf, type Prices, type Relaxations } from './relaxation.ts';

/** So many relaxations are worked out anew, at most. */
const MOST_NEW = 6;
/** So many prices are worth asking at every partial plan, at most. */
const MOST_KEPT = 8;
/** Where both run short the best price of the one depends on that of the other: so many times each is looked for. */
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

/** The bound at a price, and how it goes on from there: by so much for each further unit of the price. */
interface Tangent {
  readonly price: number;
  readonly value: number;
  readonly slope: number;
}

/**
 * The bound by the price is concave, and each relaxation gives a tangent to it: what its cheapest plan uses beyond the
 * limit. The next price to try is where the tangents from below and from above meet; where the bound reaches that
 * point there is none better (Kelley's cutting planes, in one dimension).
 * @param enough a bound that need not be bettered
 * @returns the best from the start on first, and others after it: further on one of them may be better
 */
export function tightPrices(
  relaxed: Relaxations,
  lacking: number,
  limits: Limits,
  enough: number,
): readonly Prices[] {
  const worth = (prices: Prices): number =>
    relaxed.at(prices).least(0, lacking, 0, 0) -
    (prices.money > 0 ? prices.money * limits.moneyCents : 0) -
    (prices.watts > 0 ? prices.watts * limits.watts : 0);
  let best = FREE;
  let most = -Infinity;
  const regard = (prices: Prices): number => {
    const value = worth(prices);
    if (value > most) [most, best] = [value, prices];
    return value;
  };
  relaxed.known().forEach(regard);
  const mostKnown = relaxed.known().length + MOST_NEW;
  const isDone = () => most >= enough || relaxed.known().length >= mostKnown;

  const search = (what: 'money' | 'watts', highest: number, limit: number) => {
    const from = best;
    const tangent = (price: number): Tangent => {
      const prices = { ...from, [what]: price };
      const plan = relaxed.at(prices).cheapest(lacking);
      return {
        price,
        value: regard(prices),
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
    .map((prices) => ({ prices, value: worth(prices) }))
    .toSorted((a, b) => b.value - a.value)
    .slice(0, MOST_KEPT)
    .map(({ prices }) => prices);
}

/** Cents or watts that the choices of a plan take together. */
export const used = (plan: readonly Choice[], what: keyof Prices): number =>
  plan.reduce(
    (sum, choice) => sum + (what === 'money' ? choice.candidate.moneyCents : wattsOf(choice)),
    0,
  );
