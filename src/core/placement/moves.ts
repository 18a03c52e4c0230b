/** The machine after cards that are in it have moved or been given up. */
import type { Machine, Slot } from '../document/machine.ts';
import { withoutLeaving } from './leaving.ts';

export interface Move {
  readonly fromSlotId: string;
  readonly toSlotId: string;
}

/** What moves is in its new slot and its old one is empty; what is given up is marked to come out. */
export function withMoves(
  machine: Machine,
  moves: readonly Move[],
  givenUp: readonly string[],
): Machine {
  const left = leaving(machine, givenUp);
  if (moves.length === 0) return left;
  const slotOf = (slotId: string) => left.slots.find(({ id }) => id === slotId);
  // A card that moves may take the place of one that goes: what that gives back is given back before.
  const freed = withoutLeaving(left);
  return {
    ...freed,
    slots: freed.slots.map((slot): Slot => {
      const from = slotOf(moves.find(({ toSlotId }) => toSlotId === slot.id)?.fromSlotId ?? '');
      if (from?.occupant != null) return { ...slot, occupant: from.occupant };
      if (slot.occupant?.value == null) return slot;
      return moves.some(({ fromSlotId }) => fromSlotId === slot.id)
        ? { ...slot, occupant: { ...slot.occupant, value: null } }
        : slot;
    }),
  };
}

/** The machine with the cards of these slots marked to come out. */
function leaving(machine: Machine, slotIds: readonly string[]): Machine {
  if (slotIds.length === 0) return machine;
  return {
    ...machine,
    slots: machine.slots.map((slot): Slot =>
      slot.occupant?.value != null && slotIds.includes(slot.id)
        ? {
            ...slot,
            occupant: {
              ...slot.occupant,
              value: { ...slot.occupant.value, disposition: 'remove' },
            },
          }
        : slot,
    ),
  };
}
