/**
 * The best complete placement of cards for all needs together, exact, by branch and bound.
 *
 * A plan is a set of candidates (card in slot) that do not collide, with the needs it leaves unmet given up.
 * The search takes the first group of needs that is still short and branches on every candidate that helps
 * it, and on giving up each need of it; every optimal plan is on one of these branches, since a card that
 * helps no need only costs.
 */
import type { Card } from '../parts/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine, Slot } from '../parts/machine.ts';
import type { Need } from '../parts/need.ts';
import { openingsCollide } from '../rules/body.ts';
import type { DriverLibrary } from '../rules/driverSupport.ts';
import type { Finding } from '../rules/finding.ts';
import { missingPlug, sum } from '../rules/power.ts';
import { assess, type Candidate } from './candidates.ts';
import { compareCost, overBudgetCents, type Cost } from './cost.ts';
import { shortGroup, unitsFor } from './coverage.ts';
import { refusals, type Refusal } from './refusals.ts';

export interface PlanRequest {
  readonly machine: Machine;
  readonly needs: readonly Need[];
  readonly budgetCents: number | null;
  readonly cards: readonly Card[];
  readonly library: DriverLibrary;
}

export interface PlannedCard {
  readonly card: Card;
  readonly slot: Slot;
  readonly findings: readonly Finding[];
}

export interface Proposal {
  readonly placements: readonly PlannedCard[];
  readonly unmet: readonly Need[];
  readonly cost: Cost;
  /** What concerns all cards together: the sum on 12 V. */
  readonly together: readonly Finding[];
  readonly refusals: readonly Refusal[];
  /** Partial plans looked at. */
  readonly searched: number;
}

interface Partial {
  readonly placed: readonly Candidate[];
  readonly givenUp: readonly Need[];
}

export function proposePlan(request: PlanRequest): Proposal {
  const { cards, needs, machine, library } = request;
  const assessments = assess(cards, needs, machine, library);
  const candidates = assessments.flatMap(({ candidate }) => candidate ?? []);
  const { best, cost, searched } = search(request, candidates);
  return {
    placements: best.placed.map(({ card, slot, findings }) => ({ card, slot, findings })),
    unmet: best.givenUp,
    cost,
    together: sum(watts(best.placed), machine),
    refusals: refusals(assessments, best.placed, (one, other) => collide([one, other], machine)),
    searched,
  };
}

function search(request: PlanRequest, candidates: readonly Candidate[]) {
  const { needs, machine, budgetCents } = request;
  const cheapest = cheapestByNeed(needs, candidates);
  const seen = new Set<string>();
  let best: Partial = { placed: [], givenUp: needs };
  let bestCost = costOf(best, budgetCents);
  let searched = 0;

  const better = (partial: Partial): void => {
    const cost = costOf(partial, budgetCents);
    if (compareCost(cost, bestCost) < 0) [best, bestCost] = [partial, cost];
  };

  /**
   * What any completion costs at least. Admissible: every card is of one kind, so each kind still short needs
   * at least one more card, and no cheaper one than the cheapest for its dearest unmet need. A completion may
   * instead give a need up. Giving up a must makes the first part of the cost larger, which outweighs all that
   * follows. Giving up a wish only outweighs what comes after the budget, so wishes do not count towards the
   * budget's part of the bound.
   */
  const bound = (partial: Partial, active: readonly Need[]): Cost => {
    const least = new Map<string, { price: number; total: number }>();
    for (const need of active) {
      if (shortGroup([need], partial.placed) === null) continue;
      const cheap = cheapest.get(need.id);
      const soFar = least.get(need.kind) ?? { price: 0, total: 0 };
      least.set(need.kind, {
        price: need.must ? Math.max(soFar.price, cheap?.price ?? Infinity) : soFar.price,
        total: Math.max(soFar.total, cheap?.total ?? Infinity),
      });
    }
    const cost = costOf(partial, budgetCents);
    let { priceCents } = cost;
    let totalCents = cost.priceCents + cost.troubleCents;
    for (const { price, total } of least.values()) {
      priceCents += price;
      totalCents += total;
    }
    // Only the sum of price and trouble is compared, so the whole of it may stand as price.
    return {
      ...cost,
      overBudgetCents: overBudgetCents(priceCents, budgetCents),
      priceCents: totalCents,
      troubleCents: 0,
    };
  };

  const branch = (partial: Partial): void => {
    const key = keyOf(partial);
    if (seen.has(key)) return;
    seen.add(key);
    searched += 1;
    const active = needs.filter((need) => !partial.givenUp.includes(need));
    const group = shortGroup(active, partial.placed);
    if (group === null) {
      better(partial);
      return;
    }
    if (compareCost(bound(partial, active), bestCost) >= 0) return;
    for (const candidate of candidates) {
      if (unitsFor(candidate, group) === 0) continue;
      const placed = [...partial.placed, candidate];
      if (!collide(placed, machine)) branch({ ...partial, placed });
    }
    for (const need of group) branch({ ...partial, givenUp: [...partial.givenUp, need] });
  };

  branch({ placed: [], givenUp: [] });
  return { best, cost: bestCost, searched };
}

/** Whether the last card of a plan collides with the earlier ones, or they ask too much together. */
function collide(placed: readonly Candidate[], machine: Machine): boolean {
  const added = placed.at(-1);
  if (added === undefined) return false;
  const others = placed.slice(0, -1);
  return (
    others.some((other) => other.slot.id === added.slot.id || touch(other, added)) ||
    plugsMissing(placed, machine) ||
    sum(watts(placed), machine).some(({ verdict }) => verdict === 'blocked')
  );
}

function touch(a: Candidate, b: Candidate): boolean {
  const [ofA, ofB] = [valueOf(a.slot.opening), valueOf(b.slot.opening)];
  if (ofA === null || ofB === null) return false;
  return openingsCollide(ofA, a.card.openings, ofB, b.card.openings);
}

function plugsMissing(placed: readonly Candidate[], machine: Machine): boolean {
  const free = valueOf(machine.supply.plugs);
  if (free === null) return false;
  return (
    missingPlug(
      placed.flatMap(({ card }) => card.sockets),
      free,
    ) !== null
  );
}

const watts = (placed: readonly Candidate[]): number =>
  placed.reduce((total, { card }) => total + card.peakWatts, 0);

function costOf({ placed, givenUp }: Partial, budgetCents: number | null): Cost {
  const priceCents = placed.reduce((total, candidate) => total + candidate.priceCents, 0);
  return {
    mustsUnmet: givenUp.filter((need) => need.must).length,
    overBudgetCents: overBudgetCents(priceCents, budgetCents),
    nicesUnmet: givenUp.filter((need) => !need.must).length,
    priceCents,
    troubleCents: placed.reduce((total, candidate) => total + candidate.troubleCents, 0),
  };
}

function cheapestByNeed(needs: readonly Need[], candidates: readonly Candidate[]) {
  return new Map(
    needs.map((need) => {
      const helping = candidates.filter((candidate) => candidate.units.has(need.id));
      return [
        need.id,
        {
          price: Math.min(...helping.map(({ priceCents }) => priceCents)),
          total: Math.min(...helping.map((c) => c.priceCents + c.troubleCents)),
        },
      ];
    }),
  );
}

const keyOf = ({ placed, givenUp }: Partial): string =>
  `${placed
    .map(({ card, slot }) => `${card.id}@${slot.id}`)
    .toSorted()
    .join()}|${givenUp
    .map(({ id }) => id)
    .toSorted()
    .join()}`;
