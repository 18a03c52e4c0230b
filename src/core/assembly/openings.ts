/** Which openings of the case lose their cover to this plan, and which are left open by cards that go. */
import { valueOf } from '../parts/fact.ts';
import type { Job } from '../document/job.ts';
import type { Machine, Slot } from '../document/machine.ts';
import { benchState } from './benchState.ts';
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
 * @param job by whose acts plates are in an opening already, and openings are open
 * @param kept openings that no plate takes: cards that come later go there
 */
export function openingsOf(
  surveyed: Machine,
  planned: Machine,
  placed: readonly Placed[],
  job: Pick<Job, 'acts'> = { acts: [] },
  kept: readonly Opening[] = [],
): {
  /** Filled by a new or moved card, and by none so far: in the order of the cards. */
  readonly toOpen: readonly Opening[];
  /** Filled so far, and by nothing any more. */
  readonly toClose: readonly Opening[];
  /** Where plates of new and moved cards go: in the order of the cards. */
  readonly plates: readonly Opening[];
} {
  const before = surveyed.slots.flatMap((slot) => filledBy(slot, occupiedOpenings(slot)));
  const filled = placed.flatMap(openingsOfCard);
  const staying = planned.slots.flatMap((slot) =>
    valueOf(slot.occupant)?.disposition === 'remove' ? [] : filledBy(slot, occupiedOpenings(slot)),
  );
  const bodies = [...filled, ...staying];
  const plates = platesOf(placed, [...bodies, ...kept], planned, job);
  const after = [...bodies, ...plates];
  return {
    plates,
    toOpen: [...filled, ...plates].filter((each) => !before.some((other) => isSame(each, other))),
    toClose: before.filter((each) => !after.some((other) => isSame(each, other))),
  };
}

/** Where the bracket of a card goes. */
export const openingsOfCard = ({ card, slot }: Placed): readonly Opening[] =>
  filledBy(slot, card.openings);

/** Plates go where no card's bracket is: first through openings that face no slot, then through the last ones. */
function platesOf(
  placed: readonly Placed[],
  filled: readonly Opening[],
  machine: Machine,
  job: Pick<Job, 'acts'>,
): readonly Opening[] {
  const taken = [...filled];
  const state = benchState(job.acts);
  return placed.flatMap(({ card, slot: { id, enclosureId } }) => {
    const room = machine.enclosures.find((each) => each.id === enclosureId)?.case ?? machine.case;
    // A plate that is in stays where it is.
    const isIn = (number: number) => state.holds('fitPlate', { slot: id, opening: number });
    const faced = new Set(
      machine.slots
        .filter((slot) => slot.enclosureId === enclosureId)
        .map(({ opening }) => valueOf(opening)),
    );
    const own = Array.from({ length: valueOf(room.openings) ?? 0 }, (_, n): Opening => ({
      number: n + 1,
      enclosureId,
      slotId: id,
    }))
      .filter((each) => !taken.some((other) => isSame(each, other)))
      .toSorted(
        (one, other) =>
          Number(isIn(other.number)) - Number(isIn(one.number)) ||
          Number(faced.has(one.number)) - Number(faced.has(other.number)) ||
          other.number - one.number,
      )
      .slice(0, card.plates);
    taken.push(...own);
    return own;
  });
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
