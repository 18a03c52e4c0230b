/**
 * What it costs at least to complete a plan, from any place on and with anything still lacking: the exact optimum
 * of the plan's sum alone – what each card costs, what is left, what is waited for – where watts, plugs, lanes, the
 * budget and what cards cause each other are forgotten. All of these only add to the cost or forbid, so it never says
 * too much: the bound is admissible. Budget and watts come in at a price each, as Lagrange multipliers: a plan within
 * the limit gains no more from the price than the limit allows, which keeps it admissible for any price of zero or more.
 */
import { leastLeft } from './coverage.ts';
import {
  BESIDE,
  besideAfter,
  besideEmpty,
  digit,
  type Choice,
  type Lacks,
  type Place,
} from './places.ts';
import type { Want } from './wants.ts';

/** One must more outweighs whatever money can be. */
export const MUST = 1e14;
/** A card that has to stay and has no place, or a wish that is to be served and is not. */
export const IMPOSSIBLE = 40 * MUST;

export interface Prices {
  /** Cents × percent for each cent of money, and for each watt. */
  readonly money: number;
  readonly watts: number;
}

const FREE: Prices = { money: 0, watts: 0 };

export interface Costs {
  /** What leaving a want costs; infinite for a wish that is not to be left here. */
  readonly leaving: (want: Want) => number;
  readonly givingUp: number;
  /** Waiting in cents × percent, for each level of waiting that occurs, from none up. */
  readonly waits: readonly number[];
  readonly waitLevel: (choice: Choice) => number;
  /** What cards cost that stand directly beside each other: a hand's room, and air taken. */
  readonly outFirst: number;
  readonly noAir: number;
}

export interface Relaxation {
  /** From a place on, with so much lacking, having to wait so long already, and with such a thing before the place. */
  readonly least: (place: number, lacking: number, waiting: number, beside: number) => number;
  /** Money and watts of a plan that costs as little as `least` says, from the first place on. */
  readonly uses: (lacking: number) => { readonly moneyCents: number; readonly watts: number };
}

/** Asks for relaxations at prices; each is worked out once. */
export function relaxations(
  places: readonly Place[],
  lacks: Lacks,
  costs: Costs,
): (prices?: Prices) => Relaxation {
  const folded = foldingOf(lacks);
  const ends = endCosts(folded, costs);
  const alike = places.map(({ choices }) => alikeOf(choices, folded, costs));
  const known = new Map<string, Relaxation>();
  return (prices = FREE) => {
    const key = `${prices.money} ${prices.watts}`;
    const ways = () => alike.map((sets) => sets.map((set) => cheapest(set, prices)));
    const found = known.get(key) ?? relaxation(places, folded, costs, ends, ways());
    known.set(key, found);
    return found;
  };
}

/** By what is waited for and what stands before the place: the least cost by state. */
type Table = readonly Float64Array[];

function relaxation(
  places: readonly Place[],
  folded: Folding,
  costs: Costs,
  ends: Float64Array,
  ways: readonly (readonly Way[])[],
): Relaxation {
  const { waits } = costs;
  const row = (waiting: number, beside: number) => waiting * BESIDE.length + beside;
  // By place, from the last to the first; the end costs the same whatever was waited for and stands there.
  const tables: Table[] = Array<Table>(places.length + 1);
  tables[places.length] = Array<Float64Array>(waits.length * BESIDE.length).fill(ends);
  for (let at = places.length - 1; at >= 0; at -= 1) {
    const table = emptied(places[at]!, tables[at + 1]!, costs);
    for (const { cost, wait, to, choice } of ways[at]!) {
      const following = tables[choice.next]!;
      for (let beside = 0; beside < BESIDE.length; beside += 1) {
        const caused = cost + causedBy(choice, beside, costs);
        const then = besideAfter(choice, beside);
        for (let waiting = 0; waiting < waits.length; waiting += 1) {
          const longer = wait > waiting ? wait : waiting;
          const here = caused + waits[longer]! - waits[waiting]!;
          lower(table[row(waiting, beside)]!, following[row(longer, then)]!, to, here);
        }
      }
    }
    tables[at] = table;
  }
  const value = (place: number, state: number, waiting: number, beside: number) =>
    tables[place]![row(waiting, beside)]![state]!;
  return {
    least: (place, lacking, waiting, beside) => value(place, folded.fold(lacking), waiting, beside),
    uses: (lacking) => {
      let [moneyCents, watts, at, state, waiting, beside] = [0, 0, 0, folded.fold(lacking), 0, 0];
      while (at < places.length) {
        const place = places[at]!;
        const wanted = value(at, state, waiting, beside);
        const isBest = ({ cost, wait, to, choice }: Way): boolean => {
          const longer = Math.max(wait, waiting);
          const here = cost + causedBy(choice, beside, costs) + waits[longer]! - waits[waiting]!;
          const rest = value(choice.next, to[state]!, longer, besideAfter(choice, beside));
          return here + rest === wanted;
        };
        const way = ways[at]!.find(isBest);
        if (way === undefined) {
          at += 1;
          beside = besideEmpty(place);
          continue;
        }
        moneyCents += way.choice.candidate.moneyCents;
        watts += wattsOf(way.choice);
        state = way.to[state]!;
        waiting = Math.max(waiting, way.wait);
        beside = besideAfter(way.choice, beside);
        at = way.choice.next;
      }
      return { moneyCents, watts };
    },
  };
}

/** Where going on from the state that follows costs less than what is known, that is what it costs. */
function lower(row: Float64Array, following: Float64Array, to: Int32Array, cost: number): void {
  for (let state = 0; state < to.length; state += 1) {
    const total = cost + following[to[state]!]!;
    if (total < row[state]!) row[state] = total;
  }
}

/** A place that nothing new goes into: what stands before it is beside it no more, unless something stands in it. */
function emptied(place: Place, following: Table, costs: Costs): Table {
  const then = besideEmpty(place);
  return following.map((_, at) => {
    const beside = at % BESIDE.length;
    const row = following[at - beside + then]!.slice();
    if (place.taken && isFlanked(beside)) {
      for (let state = 0; state < row.length; state += 1) row[state]! += costs.outFirst;
    }
    return row;
  });
}

const isFlanked = (beside: number): boolean => beside === 2 || beside === 4;

/** What a card costs that goes in directly behind another; never more than the rules will say. */
const causedBy = ({ long, candidate }: Choice, beside: number, costs: Costs): number =>
  (isFlanked(beside) ? costs.outFirst : 0) +
  (beside > 2 && long && candidate.existing === null ? costs.noAir : 0);

/** Watts that a choice adds to what the machine draws. */
export const wattsOf = ({ candidate }: Choice): number =>
  candidate.existing === null ? candidate.card.peakWatts : 0;

/** Choices of a place that are alike in all that follows from them, but for what they cost and use. */
interface Alike {
  readonly choices: readonly Choice[];
  readonly wait: number;
  /** The state after it by the state before it; past the last one where it takes a lead that is gone. */
  readonly to: Int32Array;
}

interface Way extends Omit<Alike, 'choices'> {
  readonly choice: Choice;
  readonly cost: number;
}

function alikeOf(
  choices: readonly Choice[],
  folded: Folding,
  { waitLevel }: Costs,
): readonly Alike[] {
  const sets = new Map<string, { choices: Choice[]; wait: number; to: Int32Array }>();
  for (const choice of choices) {
    const { candidate, gives, next, touchesNext, long } = choice;
    const wait = waitLevel(choice);
    const blows = touchesNext && candidate.card.fan !== null;
    const key = `${next} ${touchesNext} ${blows} ${long} ${candidate.existing?.slot.id} ${wait} ${gives.join(';')}`;
    const set = sets.get(key);
    if (set === undefined) sets.set(key, { choices: [choice], wait, to: folded.step(choice) });
    else set.choices.push(choice);
  }
  return [...sets.values()];
}

/** Of choices that are alike the cheapest, at these prices. */
function cheapest({ choices, wait, to }: Alike, { money, watts }: Prices): Way {
  let best: Way | null = null;
  for (const choice of choices) {
    const { atLeast, moneyCents } = choice.candidate;
    const cost = atLeast + money * moneyCents + watts * wattsOf(choice);
    if (best === null || cost < best.cost) best = { choice, cost, wait, to };
  }
  return best!;
}

/** So many ways to lack are looked at, at most; beyond, units are counted in twos, fours and so on. */
const MOST_STATES = 4_000;

interface Folding {
  readonly lacks: Lacks;
  readonly fold: (state: number) => number;
  /** The state after a choice by the state before it; `size` where it takes a lead that is gone. */
  readonly step: (choice: Choice) => Int32Array;
}

/**
 * Lacks counted more coarsely where there are too many of them. Rounding up what is lacking and what a card gives
 * lets a card give more than it does, never less: the bound stays admissible.
 */
function foldingOf(lacks: Lacks): Folding {
  let by = 1;
  let most = lacks.most;
  const count = () => most.reduce((product, each) => product * (each + 1), 1);
  while (count() > MOST_STATES && Math.max(...most.slice(0, lacks.groups.length)) > 1) {
    by *= 2;
    most = lacks.most.map((each, n) => (n < lacks.groups.length ? Math.ceil(each / by) : each));
  }
  const strides: number[] = [];
  let size = 1;
  for (const each of most) {
    strides.push(size);
    size *= each + 1;
  }
  const coarse: Lacks = { ...lacks, most, strides, size };
  const grain = (n: number) => (n < lacks.groups.length ? by : 1);
  const leadsFrom = lacks.groups.length + lacks.existing.length;
  const steps = new Map<string, Int32Array>();
  return {
    lacks: coarse,
    fold: (state) => {
      if (by === 1) return state;
      let folded = 0;
      for (let n = 0; n < most.length; n += 1) {
        folded += Math.ceil(digit(lacks, state, n) / grain(n)) * strides[n]!;
      }
      return folded;
    },
    step: ({ gives }) => {
      const key = gives.join(';');
      const known = steps.get(key);
      if (known !== undefined) return known;
      const to = new Int32Array(size);
      for (let state = 0; state < size; state += 1) {
        let left = state;
        for (const [n, amount] of gives) {
          const there = digit(coarse, state, n);
          const given = Math.ceil(amount / grain(n));
          if (n >= leadsFrom && there < given) {
            left = size;
            break;
          }
          left -= Math.min(there, given) * strides[n]!;
        }
        to[state] = left;
      }
      steps.set(key, to);
      return to;
    },
  };
}

/** By state, and at last for what cannot be. */
function endCosts({ lacks }: Folding, costs: Costs): Float64Array {
  const ends = new Float64Array(lacks.size + 1).fill(Infinity);
  for (let state = 0; state < lacks.size; state += 1) ends[state] = endOf(lacks, state, costs).cost;
  return ends;
}

/** What is left where a plan ends with so much lacking, and what that costs. */
export function endOf(
  lacks: Lacks,
  state: number,
  { leaving, givingUp }: Pick<Costs, 'leaving' | 'givingUp'>,
): { readonly cost: number; readonly left: readonly Want[] } {
  const short = lacks.groups.filter((_, n) => digit(lacks, state, n) > 0);
  const { cost, left } = leastLeft(short, (want) => Math.min(IMPOSSIBLE, leaving(want)));
  const homeless = lacks.existing.reduce((sum, { mayGo }, n) => {
    const there = digit(lacks, state, lacks.groups.length + n) === 0;
    return sum + (there ? 0 : mayGo ? givingUp : IMPOSSIBLE);
  }, 0);
  return { cost: cost + homeless, left };
}

/** Halvings on the way to the best price. */
const STEPS = 4;
/** A watt is never worth more: cents × percent. */
const MOST_FOR_A_WATT = 200_000;

/**
 * Prices that make the bound tight where money or watts run short: raised while the cheapest plan at that price still
 * uses too much, lowered while it uses less.
 */
export function bestPrices(
  ask: (prices?: Prices) => Relaxation,
  lacking: number,
  limits: { readonly moneyCents: number; readonly watts: number; readonly mostForMoney: number },
): Prices {
  let best = FREE;
  let most = -Infinity;
  const worth = (prices: Prices) =>
    ask(prices).least(0, lacking, 0, 0) -
    (prices.money > 0 ? prices.money * limits.moneyCents : 0) -
    (prices.watts > 0 ? prices.watts * limits.watts : 0);
  const search = (what: 'money' | 'watts', highest: number, limit: number) => {
    const from = best;
    /** Whether at this price the cheapest plan still uses too much. */
    const tooMuch = (price: number): boolean => {
      const prices = { ...from, [what]: price };
      const value = worth(prices);
      if (value > most) [most, best] = [value, prices];
      const { moneyCents, watts } = ask(prices).uses(lacking);
      return (what === 'money' ? moneyCents : watts) > limit;
    };
    if (tooMuch(highest)) return;
    let [low, high] = [0, highest];
    for (let step = 0; step < STEPS; step += 1) {
      const price = (low + high) / 2;
      if (tooMuch(price)) low = price;
      else high = price;
    }
  };
  most = worth(FREE);
  const { moneyCents, watts } = ask().uses(lacking);
  if (watts > limits.watts) search('watts', MOST_FOR_A_WATT, limits.watts);
  if (moneyCents > limits.moneyCents) search('money', limits.mostForMoney, limits.moneyCents);
  return best;
}
