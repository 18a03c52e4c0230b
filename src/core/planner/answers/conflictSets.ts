/**
 * Why no plan meets all musts: the smallest sets of needs, pins and limits of the machine that clash. Without any one
 * of its members a set clashes no more – a need not asked, a pin given up, a limit imagined away.
 *
 * Found over correction sets: whatever clashes has to hold a member of every set whose loss frees the rest, so the
 * smallest set that meets all that are known either clashes, or shows a new one. (The method is known as implicit
 * hitting sets for smallest unsatisfiable subsets; Ignatiev and others, 2015, from memory.)
 */
import type { Need } from '../../kinds/need.ts';
import { pinKey, type Pin } from '../../document/planning.ts';
import { scaleOf } from '../../plans/cost.ts';
import { CONSTRAINTS, type Constraint } from '../candidates/constraints.ts';
import { planContextOf } from './plan.ts';
import type { PlanRequest } from '../../plans/proposal.ts';
import { searching, type Search } from '../search/search.ts';

export type Member =
  | { readonly kind: 'need'; readonly need: Need }
  | { readonly kind: 'pin'; readonly pin: Pin }
  | { readonly kind: 'limit'; readonly limit: Constraint };

export interface ConflictSet {
  readonly members: readonly Member[];
}

/** Sets of equal size beyond the first few tell a customer nothing new. */
const MOST_SETS = 4;

/** Whether some plan meets the musts among these members, keeps their pins, and is within their limits. */
function* isPossible(request: PlanRequest, members: readonly Member[]): Search<unknown, boolean> {
  const limits = new Set(members.flatMap((each) => (each.kind === 'limit' ? [each.limit] : [])));
  const context = planContextOf(
    {
      ...request,
      needs: members.flatMap((each) => (each.kind === 'need' ? [each.need] : [])),
      pins: members.flatMap((each) => (each.kind === 'pin' ? [each.pin] : [])),
      budgetCents: null,
    },
    scaleOf(),
    new Set(CONSTRAINTS.filter((limit) => !limits.has(limit))),
  );
  const { best } = yield* searching({ ...context.problem, anyPlan: true });
  return best.cost.mustsUnmet === 0;
}

/** Everything that could clash: musts, pins, and the machine's limits. */
const membersOf = ({ needs, pins = [] }: PlanRequest): readonly Member[] => [
  ...needs.filter(({ must }) => must).map((need): Member => ({ kind: 'need', need })),
  ...pins.map((pin): Member => ({ kind: 'pin', pin })),
  ...CONSTRAINTS.map((limit): Member => ({ kind: 'limit', limit })),
];

/** The smallest sets that clash, none of them part of another; none where a plan meets all musts. */
export function* conflictSets(request: PlanRequest): Search<unknown, readonly ConflictSet[]> {
  const all = membersOf(request);
  const everything = (1 << all.length) - 1;
  const known = new Map<number, boolean>();
  function* possible(set: number): Search<unknown, boolean> {
    const found =
      known.get(set) ??
      (yield* isPossible(
        request,
        all.filter((_, n) => set & (1 << n)),
      ));
    known.set(set, found);
    return found;
  }
  const sets: number[] = [];
  const corrections: number[] = [];
  while (sets.length < MOST_SETS) {
    const candidate = smallestHitting(corrections, sets, all.length);
    if (candidate === null || (sets[0] !== undefined && size(candidate) > size(sets[0]))) break;
    if (!(yield* possible(candidate))) {
      sets.push(candidate);
      continue;
    }
    // As much as goes without a clash; what is left out is one more correction set.
    let grown = candidate;
    for (let n = 0; n < all.length; n += 1) {
      const further = grown | (1 << n);
      if (further !== grown && (yield* possible(further))) grown = further;
    }
    if (grown === everything) return [];
    corrections.push(everything & ~grown);
  }
  return sets.map((set) => ({ members: all.filter((_, n) => set & (1 << n)) }));
}

function size(set: number): number {
  let count = 0;
  for (let left = set; left !== 0; left &= left - 1) count += 1;
  return count;
}

/** The smallest set that has a member of each, and holds none of those that are found already; null where there is none. */
function smallestHitting(
  toHit: readonly number[],
  found: readonly number[],
  members: number,
): number | null {
  let best: number | null = null;
  const branch = (set: number, banned: number): void => {
    if (best !== null && size(set) >= size(best)) return;
    const missed = toHit.find((each) => (each & set) === 0);
    if (missed === undefined) {
      if (!found.some((each) => (each & set) === each)) best = set;
      return;
    }
    let barred = banned;
    for (let n = 0; n < members; n += 1) {
      const bit = 1 << n;
      if ((missed & bit) === 0 || (barred & bit) !== 0) continue;
      branch(set | bit, barred);
      barred |= bit;
    }
  };
  branch(0, 0);
  return best;
}

export const memberKey = (member: Member): string => {
  switch (member.kind) {
    case 'need':
      return `need ${member.need.id}`;
    case 'pin':
      return `pin ${pinKey(member.pin)}`;
    case 'limit':
      return `limit ${member.limit}`;
  }
};
