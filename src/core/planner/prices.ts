/** Prices that make the relaxation's bound tight where money or watts run short. */
import { FREE, type AskRelaxed, type Prices } from './relaxation.ts';

/** So many prices are tried of each thing that runs short, at most, between none and the highest. */
const TRIES = 4;
/** Where both run short the best price of the one depends on that of the other: so many times each is looked for. */
const ROUNDS = 3;
/** A watt is never worth more: cents × percent. */
const MOST_FOR_A_WATT = 10_000_000;

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
 */
export function bestPrices(
  ask: AskRelaxed,
  lacking: number,
  limits: { readonly moneyCents: number; readonly watts: number; readonly mostForMoney: number },
): Prices {
  let best = FREE;
  let most = -Infinity;
  const search = (what: 'money' | 'watts', highest: number, limit: number) => {
    const from = best;
    const tangent = (price: number): Tangent => {
      const prices = { ...from, [what]: price };
      const relaxed = ask(prices);
      const value =
        relaxed.least(0, lacking, 0, 0) -
        (prices.money > 0 ? prices.money * limits.moneyCents : 0) -
        (prices.watts > 0 ? prices.watts * limits.watts : 0);
      if (value > most) [most, best] = [value, prices];
      const { moneyCents, watts } = relaxed.uses(lacking);
      return { price, value, slope: (what === 'money' ? moneyCents : watts) - limit };
    };
    let low = tangent(0);
    if (low.slope <= 0) return;
    let high = tangent(highest);
    for (let n = 0; n < TRIES && high.slope < 0; n += 1) {
      const ahead = low.value - low.slope * low.price - (high.value - high.slope * high.price);
      const price = ahead / (high.slope - low.slope);
      const next = tangent(price);
      const meeting = low.value + low.slope * (price - low.price);
      if (next.slope === 0 || next.value >= meeting - NEAR) break;
      if (next.slope > 0) low = next;
      else high = next;
    }
  };
  for (let round = 0; round < ROUNDS; round += 1) {
    const before = most;
    search('watts', MOST_FOR_A_WATT, limits.watts);
    search('money', limits.mostForMoney, limits.moneyCents);
    if (best.money === 0 || best.watts === 0 || most <= before + NEAR) break;
  }
  return best;
}

/** Cents × percent that are not worth another try. */
const NEAR = 100;
