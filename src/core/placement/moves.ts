/** The machine after cards that are in it have moved or been given up. */
import type { Machine, Slot } from '../parts/machine.ts';

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
  if (moves.length === 0 && givenUp.length === 0) return machine;
  const slotOf = (slotId: string) => machine.slots.find(({ id }) => id === slotId);
  return {
    ...machine,
    slots: machine.slots.map((slot): Slot => {
      const from = slotOf(moves.find(({ toSlotId }) => toSlotId === slot.id)?.fromSlotId ?? '');
      if (from?.occupant != null) return { ...slot, occupant: from.occupant };
      if (slot.occupant?.value == null) return slot;
      if (moves.some(({ fromSlotId }) => fromSlotId === slot.id)) {
        return { ...slot, occupant: { ...slot.occupant, value: null } };
      }
      return givenUp.includes(slot.id)
        ? {
            ...slot,
            occupant: {
              ...slot.occupant,
              value: { ...slot.occupant.value, disposition: 'remove' },
            },
          }
        : slot;
    }),
  };
}
