/** What a plan still lacks, counted as one number, and more coarsely where there are too many such numbers. */
import type { Group } from '../candidates/coverage.ts';
import type { Existing } from '../candidates/existing.ts';

/** What a choice takes off each lack, as pairs of the lack's place and the amount. */
export type Gives = readonly (readonly [number, number])[];

/**
 * What a plan lacks: units of every group of wants, a place for every card that is there, and – growing less as they
 * are taken – leads of the front panel. Counted as digits of one number.
 */
export interface Lacks {
  readonly groups: readonly Group[];
  readonly existing: readonly Existing[];
  readonly leads: readonly string[];
  /** Most of each digit, in the order: groups, cards that are there, leads. */
  readonly most: readonly number[];
  readonly strides: readonly number[];
  /** How many numbers there are. */
  readonly size: number;
  /** All lacking, all leads free. */
  readonly start: number;
}

export function lacksOf(
  groups: readonly Group[],
  existing: readonly Existing[],
  leads: readonly string[],
  given: (group: Group) => number,
): Lacks {
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
    start: most.reduce((sum, digit, n) => sum + digit * strides[n]!, 0),
  };
}

export const digit = ({ strides, most }: Lacks, state: number, n: number): number =>
  Math.floor(state / strides[n]!) % (most[n]! + 1);

/** Where the digits of leads begin. */
export const leadsFrom = ({ groups, existing }: Lacks): number => groups.length + existing.length;

/** The state after so much is given; -1 where it takes a lead that is gone. */
export function after(lacks: Lacks, state: number, gives: Gives): number {
  const first = leadsFrom(lacks);
  let left = state;
  for (const [n, amount] of gives) {
    const there = digit(lacks, left, n);
    if (n >= first && there < amount) return -1;
    left -= Math.min(there, amount) * lacks.strides[n]!;
  }
  return left;
}

/** So many ways to lack are looked at, at most; beyond, units are counted in twos, fours and so on. */
const MOST_STATES = 4_000;

export interface Folding {
  readonly lacks: Lacks;
  readonly fold: (state: number) => number;
  /** The state after a choice by the state before it; `size` where it takes a lead that is gone. */
  readonly step: (gives: Gives) => Int32Array;
}

/**
 * Lacks counted more coarsely where there are too many of them. Rounding up what is lacking and what a card gives
 * lets a card give more than it does, never less: the bound stays admissible.
 */
export function foldingOf(lacks: Lacks): Folding {
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
  const digits = most.map((_, n) => {
    const ofStates = new Int32Array(size);
    for (let state = 0; state < size; state += 1) ofStates[state] = digit(coarse, state, n);
    return ofStates;
  });
  const first = leadsFrom(lacks);
  const same = new Int32Array(size);
  for (let state = 0; state < size; state += 1) same[state] = state;
  const steps = new Map<Gives, Int32Array>();
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
    step: (gives) => {
      const known = steps.get(gives);
      if (known !== undefined) return known;
      const to = same.slice();
      for (const [n, amount] of gives) {
        const there = digits[n]!;
        const given = Math.ceil(amount / grain(n));
        const stride = strides[n]!;
        for (let state = 0; state < size; state += 1) {
          if (to[state] === size) continue;
          if (n >= first && there[state]! < given) to[state] = size;
          else to[state]! -= Math.min(there[state]!, given) * stride;
        }
      }
      steps.set(gives, to);
      return to;
    },
  };
}
