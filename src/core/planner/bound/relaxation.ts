/**
 * What it costs at least to complete a plan, from any place on and with anything still lacking: the exact optimum
 * of the plan's sum alone – what each card costs, what is left, what is waited for, what cards cause that stand
 * directly beside each other – where watts, plugs, lanes, the budget and all else are forgotten. All of these only add
 * to the cost or forbid, so it never says too much: the bound is admissible. Budget and watts come in at a price each,
 * as Lagrange multipliers: a plan within the limit gains no more from the price than the limit allows, which keeps it
 * admissible for any price of zero or more – of money up to what a cent over the budget costs, since it may be broken.
 *
 * Worked out by dynamic programming, from the last place to the first. A table holds, by how long is waited already and
 * by what stands before the place, the least cost of waiting and of all that follows, for each state of what is lacking.
 */
import { leastLeft } from '../candidates/coverage.ts';
import {
  digit,
  foldingOf,
  leadsFrom,
  type Folding,
  type Gives,
  type Lacks,
} from './coverageState.ts';
import { BESIDE, besideAfter, besideEmpty, type Choice, type Place } from './positions.ts';
import type { Want } from '../candidates/demands.ts';

/** One must more outweighs whatever money can be. */
export const MUST = 1e14;
/** A card that has to stay and has no place, or a wish that is to be served and is not. */
export const IMPOSSIBLE = 40 * MUST;

export interface Prices {
  /** Cents × percent for each cent of money, and for each watt. */
  readonly money: number;
  readonly watts: number;
}

export const FREE: Prices = { money: 0, watts: 0 };

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
  /**
   * From a place on, with so much lacking, having to wait so long already, and with such a thing before the place.
   * What is waited for so far is counted in.
   */
  readonly least: (place: number, lacking: number, waiting: number, beside: number) => number;
  /** A plan that costs as little as `least` says, from the first place on, as far as the relaxation knows. */
  readonly cheapest: (lacking: number) => readonly Choice[];
}

/** Relaxations at prices; each is worked out once. */
export class Relaxations {
  private readonly ground: Ground;
  private readonly alike: readonly (readonly Alike[])[];
  private readonly workedOut = new Map<
    string,
    { readonly prices: Prices; readonly relaxed: Relaxation }
  >();

  constructor(places: readonly Place[], lacks: Lacks, costs: Costs) {
    const folded = foldingOf(lacks);
    const fansMatter =
      costs.noAir > 0 &&
      places.some(({ choices }) => choices.some(blowsAtNext)) &&
      places.some(({ choices }) => choices.some(takesAir));
    const ends = endCosts(folded, costs);
    this.ground = {
      places,
      costs,
      folded,
      ends,
      besides: fansMatter ? BESIDE.length : BESIDE.indexOf('fan'),
      scratch: { soFar: leastRows(ends.length), longer: leastRows(ends.length) },
    };
    this.alike = places.map(({ choices }) => alikeOf(choices, this.ground));
  }

  at(prices: Prices = FREE): Relaxation {
    const key = `${prices.money} ${prices.watts}`;
    const known = this.workedOut.get(key);
    if (known !== undefined) return known.relaxed;
    const first = leadsFrom(this.ground.folded.lacks);
    const ways = this.alike.map((sets) =>
      undominated(
        sets.map((set) => cheapest(set, prices)),
        first,
      ),
    );
    const relaxed = relaxation(this.ground, ways);
    this.workedOut.set(key, { prices, relaxed });
    return relaxed;
  }

  /** Prices whose relaxation is worked out already. */
  known(): readonly Prices[] {
    return [...this.workedOut.values()].map(({ prices }) => prices);
  }
}

interface Ground {
  readonly places: readonly Place[];
  readonly costs: Costs;
  readonly folded: Folding;
  readonly ends: Float64Array;
  /** How many of `BESIDE` are told apart: without fans only the first. */
  readonly besides: number;
  /** Rows that are written anew for every table: of choices that leave the waiting as it is, and of those that lengthen it. */
  readonly scratch: { readonly soFar: Least; readonly longer: Least };
}

type Row = Float64Array;
/** By what is waited for, by what stands before the place: the least cost by state. */
type Table = readonly (readonly Row[])[];

function relaxation(ground: Ground, ways: readonly (readonly Way[])[]): Relaxation {
  const { places, folded, ends, costs, besides } = ground;
  // The end costs what is waited for, whatever stands there.
  const atEnd = costs.waits.map((wait) =>
    Array<Row>(besides).fill(ends.map((cost) => cost + wait)),
  );
  const tables: Table[] = Array<Table>(places.length + 1).fill(atEnd);
  for (let at = places.length - 1; at >= 0; at -= 1) {
    tables[at] = tableOf(places[at]!, ways[at]!, tables, tables[at + 1]!, ground);
  }
  const rowOf = (beside: number) => (beside < besides ? beside : beside - 2);
  const value = (place: number, state: number, waiting: number, beside: number) =>
    tables[place]![waiting]![rowOf(beside)]![state]!;
  return {
    least: (place, lacking, waiting, beside) => value(place, folded.fold(lacking), waiting, beside),
    cheapest: (lacking) => {
      const chosen: Choice[] = [];
      let [at, state, waiting, beside] = [0, folded.fold(lacking), 0, 0];
      while (at < places.length) {
        const place = places[at]!;
        let least =
          value(at + 1, state, waiting, besideEmpty(place)) +
          (place.taken && isFlanked(beside) ? costs.outFirst : 0);
        let best: Way | null = null;
        for (const way of ways[at]!) {
          const { choice, cost, to, wait } = way;
          const then = besideAfter(choice, beside);
          const rest = value(choice.next, to[state]!, Math.max(wait, waiting), then);
          const total = cost + causedBy(choice, beside, costs) + rest;
          // Where it costs the same a card goes into the first slot that takes it.
          const isBetter = total < least || (total === least && best === null);
          if (isBetter) [least, best] = [total, way];
        }
        if (best === null) {
          at += 1;
          beside = besideEmpty(place);
          continue;
        }
        chosen.push(best.choice);
        state = best.to[state]!;
        waiting = Math.max(waiting, best.wait);
        beside = besideAfter(best.choice, beside);
        at = best.choice.next;
      }
      return chosen;
    },
  };
}

/**
 * Least costs over some choices, apart by what they make of what stands before the place: with nothing there; with a card
 * there; and of the latter those that take the air of a fan, if there is one.
 */
interface Least {
  readonly alone: Row;
  readonly beside: Row;
  readonly beforeFan: Row;
}

function leastRows(size: number): Least {
  const row = () => new Float64Array(size);
  return { alone: row(), beside: row(), beforeFan: row() };
}

function emptyLeast({ alone, beside, beforeFan }: Least): void {
  for (const row of [alone, beside, beforeFan]) row.fill(Infinity);
}

function tableOf(
  place: Place,
  ways: readonly Way[],
  tables: readonly Table[],
  emptied: Table,
  ground: Ground,
): Table {
  const { soFar, longer } = ground.scratch;
  const table: (readonly Row[])[] = [];
  // Whatever makes one wait longer than now costs the same however long one waits already.
  emptyLeast(longer);
  for (let waiting = ground.costs.waits.length - 1; waiting >= 0; waiting -= 1) {
    emptyLeast(soFar);
    for (const way of ways) {
      if (way.wait > waiting) continue;
      const into = way.wait < waiting ? soFar : longer;
      const following = tables[way.choice.next]![waiting]!;
      lower(
        into.alone,
        way.takesAir ? into.beforeFan : into.beside,
        following[way.thenAlone]!,
        following[way.thenBeside]!,
        way,
      );
    }
    table[waiting] = rowsOf(place, emptied[waiting]![besideEmpty(place)]!, ground);
  }
  return table;
}

/** The rows by what stands before the place, from the choices in the scratch rows and from leaving the place empty. */
function rowsOf(
  { taken }: Place,
  empty: Row,
  { costs: { outFirst, noAir }, besides, scratch: { soFar, longer } }: Ground,
): readonly Row[] {
  const rows = Array.from({ length: besides }, () => new Float64Array(empty.length));
  const [nothing, card, flanked, fan, flankedFan] = rows;
  for (let state = 0; state < empty.length; state += 1) {
    const free = empty[state]!;
    const freeFlanked = taken ? free + outFirst : free;
    const alone = Math.min(soFar.alone[state]!, longer.alone[state]!);
    const calm = Math.min(soFar.beside[state]!, longer.beside[state]!);
    const airy = Math.min(soFar.beforeFan[state]!, longer.beforeFan[state]!);
    const behind = Math.min(calm, airy);
    nothing![state] = Math.min(free, alone);
    card![state] = Math.min(free, behind);
    flanked![state] = Math.min(freeFlanked, behind + outFirst);
    if (fan === undefined || flankedFan === undefined) continue;
    const behindFan = Math.min(calm, airy + noAir);
    fan[state] = Math.min(free, behindFan);
    flankedFan[state] = Math.min(freeFlanked, behindFan + outFirst);
  }
  return rows;
}

/** Where going on from the state that follows costs less than what is known, that is what it costs. */
function lower(
  alone: Row,
  beside: Row,
  followingAlone: Row,
  followingBeside: Row,
  { to, cost }: Way,
): void {
  for (let state = 0; state < to.length; state += 1) {
    const then = to[state]!;
    const one = cost + followingAlone[then]!;
    const other = cost + followingBeside[then]!;
    if (one < alone[state]!) alone[state] = one;
    if (other < beside[state]!) beside[state] = other;
  }
}

const isFlanked = (beside: number): boolean => beside === 2 || beside === 4;

const takesAir = ({ long, candidate }: Choice): boolean => long && candidate.existing === null;

/** What a card costs that goes in directly behind another; never more than the rules will say. */
const causedBy = (choice: Choice, beside: number, costs: Costs): number =>
  (isFlanked(beside) ? costs.outFirst : 0) + (beside > 2 && takesAir(choice) ? costs.noAir : 0);

/** Watts that a choice adds to what the machine draws. */
export const wattsOf = ({ candidate }: Choice): number =>
  candidate.existing === null ? candidate.card.peakWatts : 0;

const blowsAtNext = (choice: Choice): boolean => besideAfter(choice, 0) > 2;

/** Choices of a place that are alike in all that follows from them, but for what they cost and use. */
interface Alike {
  readonly choices: readonly Choice[];
  readonly wait: number;
  /** The state after it by the state before it; past the last one where it takes a lead that is gone. */
  readonly to: Int32Array;
  /** What stands before the next place where nothing, and where something, stood before this one. */
  readonly thenAlone: number;
  readonly thenBeside: number;
  readonly takesAir: boolean;
}

interface Way extends Omit<Alike, 'choices'> {
  readonly choice: Choice;
  readonly cost: number;
}

function alikeOf(
  choices: readonly Choice[],
  { folded, costs: { waitLevel }, besides }: Ground,
): readonly Alike[] {
  const fansMatter = besides === BESIDE.length;
  const row = (beside: number) => (beside < besides ? beside : beside - 2);
  type Set = Omit<Alike, 'choices'> & { readonly choices: Choice[] };
  const sets = new Map<Gives, Map<string, Set>>();
  for (const choice of choices) {
    const { gives, next } = choice;
    const wait = waitLevel(choice);
    const [thenAlone, thenBeside] = [row(besideAfter(choice, 0)), row(besideAfter(choice, 1))];
    const airless = fansMatter && takesAir(choice);
    const ofGives = sets.get(gives) ?? new Map<string, Set>();
    if (ofGives.size === 0) sets.set(gives, ofGives);
    const key = `${next} ${thenAlone} ${thenBeside} ${airless} ${wait}`;
    const set = ofGives.get(key);
    if (set !== undefined) set.choices.push(choice);
    else {
      const to = folded.step(gives);
      ofGives.set(key, { choices: [choice], wait, to, thenAlone, thenBeside, takesAir: airless });
    }
  }
  return [...sets.values()].flatMap((ofGives) => [...ofGives.values()]);
}

/** Of choices that are alike the cheapest, at these prices. */
function cheapest({ choices, ...rest }: Alike, { money, watts }: Prices): Way {
  let best: Choice | null = null;
  let least = Infinity;
  for (const choice of choices) {
    const { atLeast, moneyCents } = choice.candidate;
    const cost = atLeast + money * moneyCents + watts * wattsOf(choice);
    if (best === null || cost < least) [best, least] = [choice, cost];
  }
  return { ...rest, choice: best!, cost: least };
}

/** Without the ways that another outdoes: it gives no less, takes no lead more, costs no more, and leaves no worse place. */
function undominated(ways: readonly Way[], leadsFrom: number): readonly Way[] {
  const kept: Way[] = [];
  for (const way of ways.toSorted((a, b) => a.cost - b.cost)) {
    if (!kept.some((other) => outdoes(other, way, leadsFrom))) kept.push(way);
  }
  return kept;
}

const outdoes = (a: Way, b: Way, leadsFrom: number): boolean =>
  a.choice.next === b.choice.next &&
  a.wait <= b.wait &&
  // A card that stands beside costs what follows no less than none, and one with a fan no less than one without.
  a.thenAlone <= b.thenAlone &&
  a.thenBeside <= b.thenBeside &&
  (!a.takesAir || b.takesAir) &&
  a.choice.candidate.existing === null &&
  b.choice.candidate.existing === null &&
  covers(a.choice.gives, b.choice.gives, (n) => n < leadsFrom) &&
  covers(b.choice.gives, a.choice.gives, (n) => n >= leadsFrom);

/** Whether of these lacks as much is given by `a` as by `b`. */
const covers = (a: Gives, b: Gives, counts: (n: number) => boolean): boolean =>
  b.every(([n, amount]) => !counts(n) || a.some(([m, other]) => m === n && other >= amount));

/** By state, and at last for what cannot be. What it costs depends on what is lacking at all, not on how much. */
function endCosts({ lacks }: Folding, costs: Costs): Float64Array {
  const ends = new Float64Array(lacks.size + 1).fill(Infinity);
  const known = new Map<number, number>();
  for (let state = 0; state < lacks.size; state += 1) {
    let lacking = 0;
    for (let n = 0; n < lacks.most.length; n += 1) {
      lacking = lacking * 2 + (digit(lacks, state, n) > 0 ? 1 : 0);
    }
    const cost = known.get(lacking) ?? endOf(lacks, state, costs).cost;
    known.set(lacking, cost);
    ends[state] = cost;
  }
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
