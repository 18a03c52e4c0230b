/** Which new cards of a plan wait: without them all that is wanted now finds enough. */
import type { SearchProblem } from '../bound/searchSpace.ts';
import type { Candidate } from '../candidates/candidates.ts';
import type { Parts } from '../../plans/cost.ts';
import { groupsOf, unitsFor } from '../../plans/coverage.ts';
import type { Found } from '../search/searchState.ts';

/**
 * Dear ones first: of several that could wait as much money as can be is kept. A plan is searched as if a card that could serve
 * something now were bought now; here it is known what the others do already.
 */
export function waitingIn(
  { placed, unmet }: Found,
  { demands, contributions }: SearchProblem,
): ReadonlySet<Candidate> {
  const later = demands.filter(({ need }) => need?.later === true);
  if (later.length === 0) return new Set();
  const now = groupsOf(
    demands.filter((demand) => !later.includes(demand) && !unmet.includes(demand)),
  );
  const isEnough = (cards: readonly Candidate[]) =>
    now.every(
      (group) =>
        [...contributions, ...cards.map(({ units }) => units)].reduce(
          (sum, units) => sum + unitsFor(group, units),
          0,
        ) >= group.units,
    );
  let kept = placed;
  const mayWait = placed
    .filter(({ existing, units }) => existing === null && later.some(({ id }) => units.has(id)))
    .toSorted((a, b) => b.card.priceCents - a.card.priceCents);
  for (const card of mayWait) {
    const others = kept.filter((each) => each !== card);
    if (isEnough(others)) kept = others;
  }
  return new Set(placed.filter((each) => !kept.includes(each)));
}

/** What a plan costs, with what its waiting cards cost told apart. */
export function partsWith(parts: Parts, waiting: ReadonlySet<Candidate>): Parts {
  const moved = [...waiting].filter(({ later }) => !later);
  if (moved.length === 0) return parts;
  const price = moved.reduce((sum, { card }) => sum + card.priceCents, 0);
  const extras = moved.reduce((sum, each) => sum + (each.parts.extras ?? 0), 0);
  return {
    ...parts,
    price: (parts.price ?? 0) - price,
    extras: (parts.extras ?? 0) - extras,
    later: (parts.later ?? 0) + price + extras,
  };
}
