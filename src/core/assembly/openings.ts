/** Which openings of the case lose their cover to this plan, and which are left open by cards that go. */
import { valueOf } from '../parts/fact.ts';
import type { Machine, Slot } from '../parts/machine.ts';
import type { Placed } from '../placement/lanesLeft.ts';

export interface Opening {
  /** Counted from the processor's end, in its housing. */
  readonly number: number;
  readonly enclosureId: string | null;
  /** The slot whose card fills it, or filled it. */
  readonly slotId: string;
}

/**
 * A bracket fills as many openings as its card takes; where that is not known, its own.
 * @param surveyed as it was before the plan @param planned with its own cards where the plan wants them
 * @param placed new and moved cards
 */
export function openingsOf(
  surveyed: Machine,
  planned: Machine,
  placed: readonly Placed[],
): {
  /** Filled by a new or moved card, and by none so far: in the order of the cards. */
  readonly toOpen: readonly Opening[];
  /** Filled so far, and by nothing any more. */
  readonly toClose: readonly Opening[];
} {
  const before = surveyed.slots.flatMap((slot) => filledBy(slot, occupiedOpenings(slot)));
  const filled = placed.flatMap(({ card, slot }) => filledBy(slot, card.openings));
  const staying = planned.slots.flatMap((slot) =>
    valueOf(slot.occupant)?.disposition === 'remove' ? [] : filledBy(slot, occupiedOpenings(slot)),
  );
  const after = [...filled, ...staying];
  return {
    toOpen: filled.filter((each) => !before.some((other) => isSame(each, other))),
    toClose: before.filter((each) => !after.some((other) => isSame(each, other))),
  };
}

const isSame = (a: Opening, b: Opening): boolean =>
  a.number === b.number && a.enclosureId === b.enclosureId;

function occupiedOpenings(slot: Slot): number {
  const occupant = valueOf(slot.occupant);
  return occupant === null ? 0 : (valueOf(occupant.openings) ?? 1);
}

function filledBy({ id, opening, enclosureId }: Slot, count: number): readonly Opening[] {
  const first = valueOf(opening);
  return first === null
    ? []
    : Array.from({ length: count }, (_, n) => ({ number: first + n, enclosureId, slotId: id }));
}
