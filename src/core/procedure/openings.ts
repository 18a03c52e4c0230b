/** Which openings of the case lose their cover to this plan, and which are left open by cards that go. */
import { valueOf } from '../parts/fact.ts';
import type { Job } from '../parts/job.ts';
import type { Slot } from '../parts/machine.ts';
import { fittedCards, movedCards, plannedMachine } from '../proof/expect.ts';

export interface Opening {
  /** Counted from the processor's end, in its housing. */
  readonly number: number;
  readonly enclosureId: string | null;
  /** The slot whose card fills it, or filled it. */
  readonly slotId: string;
}

/**
 * A bracket fills as many openings as its card takes; where that is not known, its own.
 * @param job with its survey as it was before the plan
 */
export function openingsOf(job: Job): {
  /** Filled by a new or moved card, and by none so far: in the order of the cards. */
  readonly toOpen: readonly Opening[];
  /** Filled so far, and by nothing any more. */
  readonly toClose: readonly Opening[];
} {
  const before = job.machine.slots.flatMap((slot) => filledBy(slot, occupiedOpenings(slot)));
  const placed = [...fittedCards(job), ...movedCards(job)].flatMap(({ placement, slot }) =>
    filledBy(slot, placement.card.openings),
  );
  const staying = plannedMachine(job).slots.flatMap((slot) =>
    valueOf(slot.occupant)?.fate === 'goes' ? [] : filledBy(slot, occupiedOpenings(slot)),
  );
  const after = [...placed, ...staying];
  return {
    toOpen: placed.filter((each) => !before.some((other) => isSame(each, other))),
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
