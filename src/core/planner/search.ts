/**
 * Branch and bound over candidates (card in slot).
 *
 * A plan is a set of candidates that do not collide, with the needs it leaves unmet given up. The search
 * takes a group of needs that is still short and branches on every candidate that helps it, and on giving up
 * each need of it. Every optimal plan is on one of these branches, since a card that helps no need only costs.
 */
import type { Machine } from '../parts/machine.ts';
import { unitsWanted, type Need } from '../parts/need.ts';
import { leastCost, type Missing } from './bound.ts';
import type { Candidate } from './candidates.ts';
import { collide } from './conflicts.ts';
import { compareCost, overBudgetCents, type Cost } from './cost.ts';
import { shortGroup, unitsFor } from './coverage.ts';
import { undominated } from './dominance.ts';

export interface Found {
  readonly placed: readonly Candidate[];
  readonly unmet: readonly Need[];
  readonly cost: Cost;
  /** Partial plans looked at. */
  readonly searched: number;
}

interface Partial {
  readonly placed: readonly Candidate[];
  readonly givenUp: readonly Need[];
}

export function search(
  candidates: readonly Candidate[],
  needs: readonly Need[],
  machine: Machine,
  budgetCents: number | null,
): Found {
  // Cheap ones first: a good plan found early cuts off the most.
  const offered = undominated(candidates).toSorted((a, b) => totalCents(a) - totalCents(b));
  const least = leastCost(needs, offered, machine);
  // The need with the fewest candidates first: its branches are few, and all others follow from them.
  const helping = (need: Need) => offered.filter(({ units }) => units.has(need.id)).length;
  const ordered = needs.toSorted((a, b) => helping(a) - helping(b));
  const seen = new Set<string>();
  let best: Partial = { placed: [], givenUp: needs };
  let bestCost = costOf(best, budgetCents);
  let searched = 0;

  const better = (partial: Partial): void => {
    const cost = costOf(partial, budgetCents);
    if (compareCost(cost, bestCost) < 0) [best, bestCost] = [partial, cost];
  };

  /**
   * What any completion that could still win costs at least. Admissible: serving what is short costs at least
   * what `leastCost` says, or the need is given up. Giving up a must makes the first part of the cost larger,
   * which outweighs all that follows; so the musts alone bound the budget's part. A wish that would bring the
   * plan further over the budget than the best one is as good as given up: served, it could not win.
   */
  const bound = (partial: Partial, active: readonly Need[]): Cost => {
    const cost = costOf(partial, budgetCents);
    const missing = active.flatMap((need) => stillMissing(need, partial));
    const taken = partial.placed.reduce((sum, each) => sum + least.slotsTaken(each), 0);
    const slotsLeft = Math.max(0, least.slotsFree - taken);
    const over = (needed: readonly Missing[]) =>
      overBudgetCents(cost.priceCents + least.price(needed, slotsLeft), budgetCents);
    const musts = missing.filter(({ need }) => need.must);
    const hopeless =
      cost.mustsUnmet < bestCost.mustsUnmet
        ? []
        : missing.filter(
            (each) => !each.need.must && over([...musts, each]) > bestCost.overBudgetCents,
          );
    const hopeful = missing.filter((each) => !hopeless.includes(each));
    return {
      ...cost,
      overBudgetCents: over(musts),
      nicesUnmet: cost.nicesUnmet + weigh(hopeless.map(({ need }) => need)),
      // Only the sum of price and trouble is compared, so what is to come may stand as price.
      priceCents: cost.priceCents + least.total(hopeful, slotsLeft),
    };
  };

  const branch = (partial: Partial): void => {
    const key = keyOf(partial);
    if (seen.has(key)) return;
    seen.add(key);
    searched += 1;
    const active = ordered.filter((need) => !partial.givenUp.includes(need));
    const group = shortGroup(active, partial.placed);
    if (group === null) {
      better(partial);
      return;
    }
    if (compareCost(bound(partial, active), bestCost) >= 0) return;
    for (const candidate of offered) {
      if (unitsFor(candidate, group) === 0) continue;
      const placed = [...partial.placed, candidate];
      if (!collide(placed, machine)) branch({ ...partial, placed });
    }
    for (const need of group) branch({ ...partial, givenUp: [...partial.givenUp, need] });
  };

  branch({ placed: [], givenUp: [] });
  return { placed: best.placed, unmet: best.givenUp, cost: bestCost, searched };
}

const weigh = (wishes: readonly Need[]): number =>
  wishes.reduce((total, { weight }) => total + weight, 0);

const totalCents = (candidate: Candidate): number => candidate.priceCents + candidate.troubleCents;

function stillMissing(need: Need, { placed }: Partial): readonly Missing[] {
  const given = placed.reduce((sum, each) => sum + (each.units.get(need.id) ?? 0), 0);
  const units = unitsWanted(need) - given;
  return units > 0 ? [{ need, units }] : [];
}

function costOf({ placed, givenUp }: Partial, budgetCents: number | null): Cost {
  const priceCents = placed.reduce((total, candidate) => total + candidate.priceCents, 0);
  return {
    mustsUnmet: givenUp.filter((need) => need.must).length,
    overBudgetCents: overBudgetCents(priceCents, budgetCents),
    nicesUnmet: weigh(givenUp.filter((need) => !need.must)),
    priceCents,
    troubleCents: placed.reduce((total, candidate) => total + candidate.troubleCents, 0),
  };
}

const keyOf = ({ placed, givenUp }: Partial): string =>
  `${placed
    .map(({ card, slot }) => `${card.id}@${slot.id}x${slot.lanes?.value ?? '?'}`)
    .toSorted()
    .join()}|${givenUp
    .map(({ id }) => id)
    .toSorted()
    .join()}`;
