/** Which demands have to be looked at together, and which are left where units are missing. */
import type { Demand } from './demands.ts';

/** Units given towards each demand, by its id. */
export type Units = ReadonlyMap<string, number>;

/** Demands of one pool that must find enough units together. */
export interface Group {
  readonly demands: readonly Demand[];
  readonly units: number;
}

/**
 * Every demand alone, and every set of demands that share a pool. Demands of one pool are met together when every such
 * group finds enough units on the cards that can serve any of the group (Hall's condition). Where a card's
 * outputs differ, the stronger ones also serve the weaker wishes, so the most units it gives to any demand of the
 * group is what it gives to the group.
 */
export function groupsOf(demands: readonly Demand[]): readonly Group[] {
  const pools = new Set(demands.flatMap(({ pool }) => pool ?? []));
  const together = [...pools].flatMap((each) =>
    subsets(demands.filter(({ pool }) => pool === each)).filter((group) => group.length > 1),
  );
  return [...demands.map((demand) => [demand]), ...together]
    .toSorted((a, b) => a.length - b.length)
    .map((group) => ({
      demands: group,
      units: group.reduce((sum, { units }) => sum + units, 0),
    }));
}

export function unitsFor({ demands }: Group, units: Units): number {
  let most = 0;
  for (const { id } of demands) most = Math.max(most, units.get(id) ?? 0);
  return most;
}

/**
 * The demands to leave where these groups are short: of all ways to touch each of them the one that costs least.
 * @param cost of leaving a demand
 */
export function leastUnmet(
  short: readonly Group[],
  cost: (demand: Demand) => number,
): { readonly cost: number; readonly unmet: readonly Demand[] } {
  const [first, ...others] = short;
  if (first === undefined) return { cost: 0, unmet: [] };
  let best = { cost: Infinity, unmet: [] as readonly Demand[] };
  for (const demand of first.demands) {
    const rest = leastUnmet(
      others.filter(({ demands }) => !demands.includes(demand)),
      cost,
    );
    const total = cost(demand) + rest.cost;
    if (total < best.cost) best = { cost: total, unmet: [demand, ...rest.unmet] };
  }
  return best;
}

export function subsets(demands: readonly Demand[]): readonly (readonly Demand[])[] {
  return demands.reduce<readonly (readonly Demand[])[]>(
    (soFar, demand) => [...soFar, ...soFar.map((group) => [...group, demand])],
    [[]],
  );
}
