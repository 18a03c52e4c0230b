/**
 * What it costs at least to complete a plan, from any position on and with anything still remaining: the exact optimum
 * of the plan's sum alone – what each card costs, what is left, what is waited for, what cards cause that stand
 * directly beside each other – where watts, plugs, lanes, the budget and all else are forgotten. All of these only add
 * to the cost or forbid, so it never says too much: the bound is admissible. Budget and watts come in at a multiplier each,
 * as Lagrange multipliers: a plan within the limit gains no more from the multiplier than the limit allows, which keeps it
 * admissible for any multiplier of zero or more – of money up to what a cent over the budget costs, since it may be broken.
 *
 * Worked out by dynamic programming, from the last position to the first. A table holds, by how long is waited already and
 * by what stands before the position, the least cost of waiting and of all that follows, for each state of what remains.
 */
import { MUST } from '../../plans/cost.ts';
import { itemAt } from '../../units.ts';
import { memo } from '../../memo.ts';
import { leastUnmet } from '../../plans/coverage.ts';
import {
  digit,
  foldingOf,
  leadsFrom,
  stateAt,
  type Folding,
  type Coverage,
  type CoverageState,
} from './coverageState.ts';
import { BESIDE, besideAfter, besideEmpty, type Option, type Position } from './positions.ts';
import type { Demand } from '../../plans/demands.ts';

/** A card that has to stay and has no position, or a wish that is to be served and is not. */
export const IMPOSSIBLE = 40 * MUST;

export interface Multipliers {
  /** Cents × percent for each cent of money, and for each watt. */
  readonly money: number;
  readonly watts: number;
}

export const FREE: Multipliers = { money: 0, watts: 0 };

export interface Costs {
  /** What leaving a demand unmet costs; infinite for a wish that is not to be left unmet here. */
  readonly leaving: (demand: Demand) => number;
  readonly givingUp: number;
  /** Waiting in cents × percent, for each level of waiting that occurs, from none up. */
  readonly waits: readonly number[];
  readonly waitLevel: (option: Option) => number;
  /** What cards cost that stand directly beside each other: a hand's room, and air taken. */
  readonly outFirst: number;
  readonly noAir: number;
}

export interface Relaxation {
  /**
   * From a position on, with so much remaining, having to wait so long already, and with such a thing before the position.
   * What is waited for so far is counted in.
   */
  readonly least: (position: number, remaining: number, waiting: number, beside: number) => number;
  /** A plan that costs as little as `least` says, from the first position on, as far as the relaxation knows. */
  readonly cheapest: (remaining: number) => readonly Option[];
}

/** Relaxations at multipliers; each is worked out once. */
export class Relaxations {
  private readonly context: RelaxationContext;
  private readonly alike: readonly (readonly Alike[])[];
  private readonly workedOut = new Map<
    string,
    { readonly multipliers: Multipliers; readonly relaxed: Relaxation }
  >();

  constructor(positions: readonly Position[], coverageState: CoverageState, costs: Costs) {
    const folded = foldingOf(coverageState);
    const fansMatter =
      costs.noAir > 0 &&
      positions.some(({ options }) => options.some(blowsAtNext)) &&
      positions.some(({ options }) => options.some(takesAir));
    const ends = endCosts(folded, costs);
    this.context = {
      positions,
      costs,
      folded,
      ends,
      besides: fansMatter ? BESIDE.length : BESIDE.indexOf('fan'),
      scratch: { soFar: leastRows(ends.length), longer: leastRows(ends.length) },
    };
    this.alike = positions.map(({ options }) => alikeOf(options, this.context));
  }

  at(multipliers: Multipliers = FREE): Relaxation {
    const key = `${multipliers.money} ${multipliers.watts}`;
    const known = this.workedOut.get(key);
    if (known !== undefined) return known.relaxed;
    const first = leadsFrom(this.context.folded.coverageState);
    const ways = this.alike.map((sets) =>
      undominated(
        sets.map((set) => cheapest(set, multipliers)),
        first,
      ),
    );
    const relaxed = relaxation(this.context, ways);
    this.workedOut.set(key, { multipliers, relaxed });
    return relaxed;
  }

  /** Prices whose relaxation is worked out already. */
  known(): readonly Multipliers[] {
    return [...this.workedOut.values()].map(({ multipliers }) => multipliers);
  }
}

interface RelaxationContext {
  readonly positions: readonly Position[];
  readonly costs: Costs;
  readonly folded: Folding;
  readonly ends: Float64Array;
  /** How many of `BESIDE` are told apart: without fans only the first. */
  readonly besides: number;
  /** Rows that are written anew for every table: of options that leave the waiting as it is, and of those that lengthen it. */
  readonly scratch: { readonly soFar: Least; readonly longer: Least };
}

type Row = Float64Array;

/** A row has a cost for every state. Read by itself, since this is what a search does most. */
const costAt = (row: Row, state: number): number => row[state] ?? Infinity;

/** By what is waited for, by what stands before the position: the least cost by state. */
type Table = readonly (readonly Row[])[];

function relaxation(context: RelaxationContext, ways: readonly (readonly Way[])[]): Relaxation {
  const { positions, folded, ends, costs, besides } = context;
  // The end costs what is waited for, whatever stands there.
  const atEnd = costs.waits.map((wait) =>
    Array<Row>(besides).fill(ends.map((cost) => cost + wait)),
  );
  const tables: Table[] = Array<Table>(positions.length + 1).fill(atEnd);
  for (let at = positions.length - 1; at >= 0; at -= 1) {
    tables[at] = tableOf(
      itemAt(positions, at),
      itemAt(ways, at),
      tables,
      itemAt(tables, at + 1),
      context,
    );
  }
  const rowOf = (beside: number) => (beside < besides ? beside : beside - 2);
  const value = (position: number, state: number, waiting: number, beside: number) =>
    costAt(itemAt(itemAt(itemAt(tables, position), waiting), rowOf(beside)), state);
  return {
    least: (position, remaining, waiting, beside) =>
      value(position, folded.fold(remaining), waiting, beside),
    cheapest: (remaining) => {
      const chosen: Option[] = [];
      let [at, state, waiting, beside] = [0, folded.fold(remaining), 0, 0];
      while (at < positions.length) {
        const position = itemAt(positions, at);
        let least =
          value(at + 1, state, waiting, besideEmpty(position)) +
          (position.taken && isFlanked(beside) ? costs.outFirst : 0);
        let best: Way | null = null;
        for (const way of itemAt(ways, at)) {
          const { option, cost, to, wait } = way;
          const then = besideAfter(option, beside);
          const rest = value(option.next, stateAt(to, state), Math.max(wait, waiting), then);
          const total = cost + causedBy(option, beside, costs) + rest;
          // Where it costs the same a card goes into the first slot that takes it.
          const isBetter = total < least || (total === least && best === null);
          if (isBetter) [least, best] = [total, way];
        }
        if (best === null) {
          at += 1;
          beside = besideEmpty(position);
          continue;
        }
        chosen.push(best.option);
        state = stateAt(best.to, state);
        waiting = Math.max(waiting, best.wait);
        beside = besideAfter(best.option, beside);
        at = best.option.next;
      }
      return chosen;
    },
  };
}

/**
 * Least costs over some options, apart by what they make of what stands before the position: with nothing there; with a card
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
  position: Position,
  ways: readonly Way[],
  tables: readonly Table[],
  emptied: Table,
  context: RelaxationContext,
): Table {
  const { soFar, longer } = context.scratch;
  const table: (readonly Row[])[] = [];
  // Whatever makes one wait longer than now costs the same however long one waits already.
  emptyLeast(longer);
  for (let waiting = context.costs.waits.length - 1; waiting >= 0; waiting -= 1) {
    emptyLeast(soFar);
    for (const way of ways) {
      if (way.wait > waiting) continue;
      const into = way.wait < waiting ? soFar : longer;
      const following = itemAt(itemAt(tables, way.option.next), waiting);
      lower(
        into.alone,
        way.takesAir ? into.beforeFan : into.beside,
        itemAt(following, way.thenAlone),
        itemAt(following, way.thenBeside),
        way,
      );
    }
    table[waiting] = rowsOf(
      position,
      itemAt(itemAt(emptied, waiting), besideEmpty(position)),
      context,
    );
  }
  return table;
}

/** The rows by what stands before the position, from the options in the scratch rows and from leaving the position empty. */
function rowsOf(
  { taken }: Position,
  empty: Row,
  { costs: { outFirst, noAir }, besides, scratch: { soFar, longer } }: RelaxationContext,
): readonly Row[] {
  const row = () => new Float64Array(empty.length);
  const [nothing, card, flanked] = [row(), row(), row()];
  const [fan, flankedFan] = besides === BESIDE.length ? [row(), row()] : [];
  for (let state = 0; state < empty.length; state += 1) {
    const free = costAt(empty, state);
    const freeFlanked = taken ? free + outFirst : free;
    const alone = Math.min(costAt(soFar.alone, state), costAt(longer.alone, state));
    const calm = Math.min(costAt(soFar.beside, state), costAt(longer.beside, state));
    const airy = Math.min(costAt(soFar.beforeFan, state), costAt(longer.beforeFan, state));
    const behind = Math.min(calm, airy);
    nothing[state] = Math.min(free, alone);
    card[state] = Math.min(free, behind);
    flanked[state] = Math.min(freeFlanked, behind + outFirst);
    if (fan === undefined || flankedFan === undefined) continue;
    const behindFan = Math.min(calm, airy + noAir);
    fan[state] = Math.min(free, behindFan);
    flankedFan[state] = Math.min(freeFlanked, behindFan + outFirst);
  }
  return [
    nothing,
    card,
    flanked,
    ...(fan === undefined || flankedFan === undefined ? [] : [fan, flankedFan]),
  ];
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
    const then = stateAt(to, state);
    const one = cost + costAt(followingAlone, then);
    const other = cost + costAt(followingBeside, then);
    if (one < costAt(alone, state)) alone[state] = one;
    if (other < costAt(beside, state)) beside[state] = other;
  }
}

const isFlanked = (beside: number): boolean => beside === 2 || beside === 4;

const takesAir = ({ reachesFans, candidate }: Option): boolean =>
  reachesFans && candidate.existing === null;

/** What a card costs that goes in directly behind another; never more than the rules will say. */
const causedBy = (option: Option, beside: number, costs: Costs): number =>
  (isFlanked(beside) ? costs.outFirst : 0) + (beside > 2 && takesAir(option) ? costs.noAir : 0);

/** Watts that an option adds to what the machine draws. */
export const wattsOf = ({ candidate }: Option): number =>
  candidate.existing === null ? candidate.card.peakWatts : 0;

const blowsAtNext = (option: Option): boolean => besideAfter(option, 0) > 2;

/** Choices of a position that are alike in all that follows from them, but for what they cost and use. */
interface Alike {
  readonly options: readonly Option[];
  readonly wait: number;
  /** The state after it by the state before it; past the last one where it takes a lead that is gone. */
  readonly to: Int32Array;
  /** What stands before the next position where nothing, and where something, stood before this one. */
  readonly thenAlone: number;
  readonly thenBeside: number;
  readonly takesAir: boolean;
}

interface Way extends Omit<Alike, 'options'> {
  readonly option: Option;
  readonly cost: number;
}

function alikeOf(
  options: readonly Option[],
  { folded, costs: { waitLevel }, besides }: RelaxationContext,
): readonly Alike[] {
  const fansMatter = besides === BESIDE.length;
  const row = (beside: number) => (beside < besides ? beside : beside - 2);
  type Set = Omit<Alike, 'options'> & { readonly options: Option[] };
  const sets = new Map<Coverage, Map<string, Set>>();
  for (const option of options) {
    const { coverage, next } = option;
    const wait = waitLevel(option);
    const [thenAlone, thenBeside] = [row(besideAfter(option, 0)), row(besideAfter(option, 1))];
    const airless = fansMatter && takesAir(option);
    const ofCoverage = memo(sets, coverage, () => new Map<string, Set>());
    const key = `${next} ${thenAlone} ${thenBeside} ${airless} ${wait}`;
    const set = memo(ofCoverage, key, (): Set => ({
      options: [],
      wait,
      to: folded.step(coverage),
      thenAlone,
      thenBeside,
      takesAir: airless,
    }));
    set.options.push(option);
  }
  return [...sets.values()].flatMap((ofCoverage) => [...ofCoverage.values()]);
}

/** Of options that are alike the cheapest, at these multipliers. */
function cheapest({ options, ...rest }: Alike, { money, watts }: Multipliers): Way {
  const costOf = (option: Option): number =>
    option.candidate.atLeast + money * option.candidate.moneyCents + watts * wattsOf(option);
  let best = itemAt(options, 0);
  let least = costOf(best);
  for (const option of options) {
    const cost = costOf(option);
    if (cost < least) [best, least] = [option, cost];
  }
  return { ...rest, option: best, cost: least };
}

/** Without the ways that another dominates: it gives no less, takes no lead more, costs no more, and leaves no worse position. */
function undominated(ways: readonly Way[], leadsFrom: number): readonly Way[] {
  const kept: Way[] = [];
  for (const way of ways.toSorted((a, b) => a.cost - b.cost)) {
    if (!kept.some((other) => dominates(other, way, leadsFrom))) kept.push(way);
  }
  return kept;
}

const dominates = (a: Way, b: Way, leadsFrom: number): boolean =>
  a.option.next === b.option.next &&
  a.wait <= b.wait &&
  // A card that stands beside costs what follows no less than none, and one with a fan no less than one without.
  a.thenAlone <= b.thenAlone &&
  a.thenBeside <= b.thenBeside &&
  (!a.takesAir || b.takesAir) &&
  a.option.candidate.existing === null &&
  b.option.candidate.existing === null &&
  covers(a.option.coverage, b.option.coverage, (n) => n < leadsFrom) &&
  covers(b.option.coverage, a.option.coverage, (n) => n >= leadsFrom);

/** Whether `a` covers as much of these as `b`. */
const covers = (a: Coverage, b: Coverage, counts: (n: number) => boolean): boolean =>
  b.every(([n, amount]) => !counts(n) || a.some(([m, other]) => m === n && other >= amount));

/** By state, and at last for what cannot be. What it costs depends on what remains at all, not on how much. */
function endCosts({ coverageState }: Folding, costs: Costs): Float64Array {
  const ends = new Float64Array(coverageState.size + 1).fill(Infinity);
  const byRemaining = new Map<number, number>();
  for (let state = 0; state < coverageState.size; state += 1) {
    let remaining = 0;
    for (let n = 0; n < coverageState.most.length; n += 1) {
      remaining = remaining * 2 + (digit(coverageState, state, n) > 0 ? 1 : 0);
    }
    ends[state] = memo(byRemaining, remaining, () => endOf(coverageState, state, costs).cost);
  }
  return ends;
}

/** What is unmet where a plan ends with so much remaining, and what that costs. */
export function endOf(
  coverageState: CoverageState,
  state: number,
  { leaving, givingUp }: Pick<Costs, 'leaving' | 'givingUp'>,
): { readonly cost: number; readonly unmet: readonly Demand[] } {
  // Of groups that share a supply each demand was decided beforehand: none of them may be short.
  const short = coverageState.supplies.flatMap((supply, n) =>
    digit(coverageState, state, n) > 0 ? (supply.at(-1)?.group ?? []) : [],
  );
  const { cost, unmet } = leastUnmet(short, (demand) => Math.min(IMPOSSIBLE, leaving(demand)));
  const homeless = coverageState.existing.reduce((sum, { optional }, n) => {
    const there = digit(coverageState, state, coverageState.supplies.length + n) === 0;
    return sum + (there ? 0 : optional ? givingUp : IMPOSSIBLE);
  }, 0);
  return { cost: cost + homeless, unmet };
}
