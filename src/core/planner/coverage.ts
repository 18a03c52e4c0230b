/** Whether a set of cards meets a set of needs. */
import { unitsWanted, type Need } from '../parts/need.ts';
import type { Candidate } from './candidates.ts';

/**
 * What a need takes its units from, where one unit can serve one need only: a port in use is not free for another
 * wish, but ports at the back and at the front are not the same ports. Null where needs can share.
 */
function pool(need: Need): string | null {
  switch (need.kind) {
    case 'usb':
      return `usb ${need.where}`;
    case 'legacy':
      return `legacy ${need.port}`;
    case 'screens':
    case 'drives':
    case 'serialLink':
      return need.kind;
    default:
      return null;
  }
}

/**
 * A group of needs that the placed cards cannot serve all at once, or null when every need is met.
 * Needs of a counted kind are met together when every group of them finds enough units on the cards that
 * can serve any of the group (Hall's condition). Where a card's outputs differ, the stronger ones also serve
 * the weaker wishes, so the most units it gives to any need of the group is what it gives to the group.
 */
export function shortGroup(
  needs: readonly Need[],
  placed: readonly Candidate[],
): readonly Need[] | null {
  for (const group of groups(needs)) {
    const wanted = group.reduce((total, need) => total + unitsWanted(need), 0);
    const given = placed.reduce((total, candidate) => total + unitsFor(candidate, group), 0);
    if (given < wanted) return group;
  }
  return null;
}

export function unitsFor(candidate: Candidate, group: readonly Need[]): number {
  return Math.max(0, ...group.map((need) => candidate.units.get(need.id) ?? 0));
}

/** Every group that has to be looked at together, small ones first. */
function groups(needs: readonly Need[]): readonly (readonly Need[])[] {
  const single = needs.map((need) => [need]);
  const pools = new Set(needs.flatMap((need) => pool(need) ?? []));
  const together = [...pools].flatMap((each) =>
    subsets(needs.filter((need) => pool(need) === each)).filter((group) => group.length > 1),
  );
  return [...single, ...together];
}

function subsets(needs: readonly Need[]): readonly (readonly Need[])[] {
  return needs.reduce<readonly (readonly Need[])[]>(
    (soFar, need) => [...soFar, ...soFar.map((group) => [...group, need])],
    [[]],
  );
}
