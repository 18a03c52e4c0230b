/** What a plan still has to cover, counted as one number, and more coarsely where there are too many such numbers. */
import { itemAt } from '../../units.ts';
import { memoOf } from '../../memo.ts';
import type { Group } from '../candidates/coverage.ts';
import type { Existing } from '../candidates/existing.ts';

/** What an option covers: pairs of a digit of the state and the amount. */
export type Coverage = readonly (readonly [number, number])[];

/**
 * What remains to be covered: units of every group of demands, a place for every card that is there, and – growing less as they
 * are taken – leads of the front panel. Counted as digits of one number.
 */
export interface CoverageState {
  readonly groups: readonly Group[];
  readonly existing: readonly Existing[];
  readonly leads: readonly string[];
  /** Most of each digit, in the order: groups, cards that are there, leads. */
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
): CoverageState {
  const wanted = groups.map((group) => Math.max(0, group.units - given(group)));
  const kinds = [...new Set(leads)];
  const most = [
    ...wanted,
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
    groups,
    existing,
    leads: kinds,
    most,
    strides,
    size,
    start: most.reduce((sum, digit, n) => sum + digit * itemAt(strides, n), 0),
  };
}

/** What a list of all states has for one of them. */
export const stateAt = (of: Int32Array, state: number): number => of[state] ?? 0;

export const digit = ({ strides, most }: CoverageState, state: number, n: number): number =>
  Math.floor(state / (strides[n] ?? 1)) % ((most[n] ?? 0) + 1);

/** Where the digits of leads begin. */
export const leadsFrom = ({ groups, existing }: CoverageState): number =>
  groups.length + existing.length;

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

/** So many states are looked at, at most; beyond, units are counted in twos, fours and so on. */
const MOST_STATES = 4_000;

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
  let by = 1;
  let most = coverageState.most;
  const count = () => most.reduce((product, each) => product * (each + 1), 1);
  while (count() > MOST_STATES && Math.max(...most.slice(0, coverageState.groups.length)) > 1) {
    by *= 2;
    most = coverageState.most.map((each, n) =>
      n < coverageState.groups.length ? Math.ceil(each / by) : each,
    );
  }
  const strides: number[] = [];
  let size = 1;
  for (const each of most) {
    strides.push(size);
    size *= each + 1;
  }
  const coarse: CoverageState = { ...coverageState, most, strides, size };
  const grain = (n: number) => (n < coverageState.groups.length ? by : 1);
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
      if (by === 1) return state;
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
