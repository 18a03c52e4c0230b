/** What it takes at least to serve needs that are still short, for the search to cut off plans that cannot win. */
import { valueOf } from '../parts/fact.ts';
import type { Machine, Slot } from '../parts/machine.ts';
import { SERVED_BY, unitsWanted, type Need } from '../parts/need.ts';
import type { Candidate } from './candidates.ts';

export interface LeastCost {
  /**
   * Cents for needs with so many units missing, within so many slots: of the cards' prices, or of price and
   * trouble together. Infinite where they cannot all be served.
   */
  readonly price: (missing: readonly Missing[], slotsLeft: number) => number;
  readonly total: (missing: readonly Missing[], slotsLeft: number) => number;
  /** Free slots that a candidate takes: its own and those its body covers. */
  readonly slotsTaken: (candidate: Candidate) => number;
  readonly slotsFree: number;
}

export interface Missing {
  readonly need: Need;
  readonly units: number;
}

/**
 * Admissible, part by part. Each need alone: the cheapest set of candidates that gives its units within a
 * number of slots, any candidate as often as one likes, collisions forgotten. Needs that one kind of card serves:
 * the dearest of them, since one card may serve them all. Kinds: their sum, since a card is of one kind, over the best
 * way to share out the slots, since bodies that do not touch never take the same slot twice.
 */
export function leastCost(
  needs: readonly Need[],
  candidates: readonly Candidate[],
  machine: Machine,
): LeastCost {
  const free = machine.slots.filter(({ occupant }) => {
    const there = valueOf(occupant);
    return there === null || there.fate === 'goes';
  });
  const slotsTaken = (candidate: Candidate) => countTaken(candidate, free);
  const tables = new Map(
    needs.map((need) => {
      const helping = candidates.filter((candidate) => candidate.units.has(need.id));
      const table = (cost: (candidate: Candidate) => number) =>
        coverTable(
          helping.map((candidate) => ({
            units: candidate.units.get(need.id) ?? 0,
            slots: slotsTaken(candidate),
            cost: cost(candidate),
          })),
          unitsWanted(need),
          free.length,
        );
      return [
        need.id,
        {
          price: table((candidate) => candidate.priceCents),
          total: table((candidate) => candidate.priceCents + candidate.troubleCents),
        },
      ];
    }),
  );
  const shared = (missing: readonly Missing[], slotsLeft: number, part: 'price' | 'total') => {
    const kinds = [...new Set(missing.map(({ need }) => SERVED_BY[need.kind]))].map((kind) => {
      const rows = missing
        .filter(({ need }) => SERVED_BY[need.kind] === kind)
        .map(({ need, units }) => tables.get(need.id)?.[part][units] ?? []);
      return Array.from({ length: slotsLeft + 1 }, (_, slots) =>
        Math.max(...rows.map((row) => row[slots] ?? Infinity)),
      );
    });
    return cheapestShare(kinds, slotsLeft);
  };
  return {
    price: (missing, slotsLeft) => shared(missing, slotsLeft, 'price'),
    total: (missing, slotsLeft) => shared(missing, slotsLeft, 'total'),
    slotsTaken,
    slotsFree: free.length,
  };
}

function countTaken({ card, slot }: Candidate, free: readonly Slot[]): number {
  const own = valueOf(slot.opening);
  if (own === null) return 1;
  return free.filter((other) => {
    const opening = valueOf(other.opening);
    return (
      other.enclosureId === slot.enclosureId &&
      opening !== null &&
      opening >= own &&
      opening < own + card.openings
    );
  }).length;
}

interface Item {
  readonly units: number;
  readonly slots: number;
  readonly cost: number;
}

/** table[units][slots]: the least cost to get at least so many units within so many slots. */
function coverTable(items: readonly Item[], most: number, slots: number): readonly number[][] {
  const best = new Map<string, Item>();
  for (const item of items) {
    const key = `${item.units}/${item.slots}`;
    const soFar = best.get(key);
    if (soFar === undefined || item.cost < soFar.cost) best.set(key, item);
  }
  const distinct = [...best.values()];
  const table = [Array<number>(slots + 1).fill(0)];
  for (let units = 1; units <= most; units += 1) {
    table.push(
      Array.from({ length: slots + 1 }, (_, within) =>
        Math.min(
          ...distinct
            .filter((item) => item.slots <= within)
            .map(
              (item) =>
                item.cost + (table[Math.max(0, units - item.units)]?.[within - item.slots] ?? 0),
            ),
        ),
      ),
    );
  }
  return table;
}

/** The least sum over the kinds when the slots are shared out in the best way. */
function cheapestShare(kinds: readonly (readonly number[])[], slots: number): number {
  const sums = kinds.reduce<readonly number[]>(
    (soFar, kind) =>
      Array.from({ length: slots + 1 }, (_, within) => {
        let least = Infinity;
        for (let own = 0; own <= within; own += 1) {
          least = Math.min(least, (kind[own] ?? Infinity) + (soFar[within - own] ?? Infinity));
        }
        return least;
      }),
    Array<number>(slots + 1).fill(0),
  );
  return sums[slots] ?? 0;
}
