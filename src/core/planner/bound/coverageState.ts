/** What a plan still has to cover, counted as one number, and more coarsely where there are too many such numbers. */
import { itemAt } from '../../units.ts';
import { memo, memoOf } from '../../memo.ts';
import type { Group } from '../../plans/coverage.ts';
import type { Existing } from '../candidates/existing.ts';

/** What an option covers: pairs of a digit of the state and the amount. */
export type Coverage = readonly (readonly [number, number])[];

/** A group of demands, and how many units of it are still wanted when the search begins. */
interface Counted {
  readonly group: Group;
  readonly wanted: number;
}

/**
 * What remains to be covered: units of every group of demands, a place for every card that is there, and – growing less as they
 * are taken – leads of the front panel. Counted as digits of one number.
 */
export interface CoverageState {
  /**
   * Groups that draw on the same supply share a digit: what is given to one of them is given to all, so that the one that wants
   * most decides. Those whose demands may be left while others are served stand alone.
   */
  readonly supplies: readonly (readonly Counted[])[];
  readonly existing: readonly Existing[];
  readonly leads: readonly string[];
  /** Most of each digit, in the order: supplies, cards that are there, leads. */
  readonly most: readonly number[];
  readonly strides: readonly number[];
  /** How many numbers there are. */
  readonly size: number;
  /** All of it remaining, all leads free. */
  readonly start: number;
}

export function coverageStateOf(
  groups: readonly Group[],
  existing: readonly Existing[],
  leads: readonly string[],
  given: (group: Group) => number,
  supplyOf: (group: Group) => string,
): CoverageState {
  const bySupply = new Map<string, Counted[]>();
  for (const group of groups)
    memo(bySupply, supplyOf(group), () => []).push({
      group,
      wanted: Math.max(0, group.units - given(group)),
    });
  const supplies = [...bySupply.values()];
  const kinds = [...new Set(leads)];
  const most = [
    ...supplies.map((each) => mostWanted(each)),
    ...existing.map(() => 1),
    ...kinds.map((kind) => leads.filter((each) => each === kind).length),
  ];
  const strides: number[] = [];
  let size = 1;
  for (const digit of most) {
    strides.push(size);
    size *= digit + 1;
  }
  return {
    supplies,
    existing,
    leads: kinds,
    most,
    strides,
    size,
    start: most.reduce((sum, digit, n) => sum + digit * itemAt(strides, n), 0),
  };
}

export const mostWanted = (supply: readonly Counted[]): number =>
  Math.max(0, ...supply.map(({ wanted }) => wanted));

/** What a list of all states has for one of them. */
export const stateAt = (of: Int32Array, state: number): number => of[state] ?? 0;

export const digit = ({ strides, most }: CoverageState, state: number, n: number): number =>
  Math.floor(state / (strides[n] ?? 1)) % ((most[n] ?? 0) + 1);

/** Where the digits of leads begin. */
export const leadsFrom = ({ supplies, existing }: CoverageState): number =>
  supplies.length + existing.length;

/** The state after so much is covered; -1 where it takes a lead that is gone. */
export function after(coverageState: CoverageState, state: number, coverage: Coverage): number {
  const first = leadsFrom(coverageState);
  let remaining = state;
  for (const [n, amount] of coverage) {
    const there = digit(coverageState, remaining, n);
    if (n >= first && there < amount) return -1;
    remaining -= Math.min(there, amount) * itemAt(coverageState.strides, n);
  }
  return remaining;
}

/** So many states are looked at, at most; beyond, some units are counted in twos, fours and so on. */
const MOST_STATES = 8_000;

export interface Folding {
  readonly coverageState: CoverageState;
  readonly fold: (state: number) => number;
  /** The state after an option by the state before it; `size` where it takes a lead that is gone. */
  readonly step: (coverage: Coverage) => Int32Array;
}

/**
 * States counted more coarsely where there are too many of them. Rounding up what remains and what a card covers
 * lets a card cover more than it does, never less: the bound stays admissible.
 */
export function foldingOf(coverageState: CoverageState): Folding {
  const grains = grainsOf(coverageState);
  const grain = (n: number) => grains[n] ?? 1;
  const isWhole = grains.every((each) => each === 1);
  const most = coverageState.most.map((each, n) => Math.ceil(each / grain(n)));
  const strides: number[] = [];
  let size = 1;
  for (const each of most) {
    strides.push(size);
    size *= each + 1;
  }
  const coarse: CoverageState = { ...coverageState, most, strides, size };
  const digits = most.map((_, n) => {
    const ofStates = new Int32Array(size);
    for (let state = 0; state < size; state += 1) ofStates[state] = digit(coarse, state, n);
    return ofStates;
  });
  const first = leadsFrom(coverageState);
  const same = new Int32Array(size);
  for (let state = 0; state < size; state += 1) same[state] = state;
  return {
    coverageState: coarse,
    fold: (state) => {
      if (isWhole) return state;
      let folded = 0;
      for (let n = 0; n < most.length; n += 1) {
        folded += Math.ceil(digit(coverageState, state, n) / grain(n)) * itemAt(strides, n);
      }
      return folded;
    },
    step: memoOf((coverage: Coverage) => {
      const to = same.slice();
      for (const [n, amount] of coverage) {
        const there = itemAt(digits, n);
        const given = Math.ceil(amount / grain(n));
        const stride = itemAt(strides, n);
        for (let state = 0; state < size; state += 1) {
          if (to[state] === size) continue;
          if (n >= first && stateAt(there, state) < given) to[state] = size;
          else to[state] = stateAt(to, state) - Math.min(stateAt(there, state), given) * stride;
        }
      }
      return to;
    }),
  };
}

/**
 * How many units of each supply are counted as one. What several demands want together is mostly asked by each of them alone
 * as well: that is left out first. Then the supply of which most is wanted is counted in twos, and so on.
 */
function grainsOf({ supplies, most }: CoverageState): readonly number[] {
  const grains = supplies.map(() => 1);
  const coarse = (n: number) => Math.ceil(itemAt(most, n) / itemAt(grains, n));
  const others = most.slice(supplies.length).reduce((product, each) => product * (each + 1), 1);
  const count = () => supplies.reduce((product, _, n) => product * (coarse(n) + 1), others);
  const isOfSeveral = (n: number) =>
    itemAt(supplies, n).every(({ group }) => group.demands.length > 1);
  while (supplies.length > 0 && count() > MOST_STATES) {
    const several = supplies.findIndex((_, n) => isOfSeveral(n) && coarse(n) > 0);
    const largest = supplies.reduce((best, _, n) => (coarse(n) > coarse(best) ? n : best), 0);
    if (several !== -1) grains[several] = Infinity;
    else if (coarse(largest) > 1) grains[largest] = itemAt(grains, largest) * 2;
    else break;
  }
  return grains;
}
