/** Which wants have to be looked at together, and which are left where units are missing. */
import type { Want } from './demands.ts';

/** Units given towards each want, by its id. */
export type Units = ReadonlyMap<string, number>;

/** Wants of one pool that must find enough units together. */
export interface Group {
  readonly wants: readonly Want[];
  readonly units: number;
}

/**
 * Every want alone, and every set of wants that share a pool. Wants of one pool are met together when every such
 * group finds enough units on the cards that can serve any of the group (Hall's condition). Where a card's
 * outputs differ, the stronger ones also serve the weaker wishes, so the most units it gives to any want of the
 * group is what it gives to the group.
 */
export function groupsOf(wants: readonly Want[]): readonly Group[] {
  const pools = new Set(wants.flatMap(({ pool }) => pool ?? []));
  const together = [...pools].flatMap((each) =>
    subsets(wants.filter(({ pool }) => pool === each)).filter((group) => group.length > 1),
  );
  return [...wants.map((want) => [want]), ...together]
    .toSorted((a, b) => a.length - b.length)
    .map((group) => ({
      wants: group,
      units: group.reduce((sum, { units }) => sum + units, 0),
    }));
}

export function unitsFor({ wants }: Group, units: Units): number {
  let most = 0;
  for (const { id } of wants) most = Math.max(most, units.get(id) ?? 0);
  return most;
}

/**
 * The wants to leave where these groups are short: of all ways to touch each of them the one that costs least.
 * @param cost of leaving a want
 */
export function leastLeft(
  short: readonly Group[],
  cost: (want: Want) => number,
): { readonly cost: number; readonly left: readonly Want[] } {
  const [first, ...others] = short;
  if (first === undefined) return { cost: 0, left: [] };
  let best = { cost: Infinity, left: [] as readonly Want[] };
  for (const want of first.wants) {
    const rest = leastLeft(
      others.filter(({ wants }) => !wants.includes(want)),
      cost,
    );
    const total = cost(want) + rest.cost;
    if (total < best.cost) best = { cost: total, left: [want, ...rest.left] };
  }
  return best;
}

export function subsets(wants: readonly Want[]): readonly (readonly Want[])[] {
  return wants.reduce<readonly (readonly Want[])[]>(
    (soFar, want) => [...soFar, ...soFar.map((group) => [...group, want])],
    [[]],
  );
}
