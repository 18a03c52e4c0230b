/** What stands in the slots of a housing, told once for all cards that are asked about. */
import { memo, memoOf, memoBy } from '../memo.ts';
import type { Card } from '../document/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine, Slot } from '../document/machine.ts';

/** A slot that faces an opening, with what is in it. */
export interface Standing {
  readonly slotId: string;
  readonly label: string;
  readonly opening: number;
  /** `free` also where what is in it comes out. */
  readonly holds: 'card' | 'free' | 'unknown';
  readonly name: string;
  /** Openings its card takes; null while nobody knows. */
  readonly openings: number | null;
  readonly lengthMm: number;
  readonly heightMm: number;
  /** Undefined while nobody has told. */
  readonly fan: Card['fan'] | undefined;
}

const besideBySlot = memoBy<string, readonly Standing[]>();

/** All but the slot itself. */
export const standingBeside = (slot: Slot, machine: Machine): readonly Standing[] =>
  memo(besideBySlot(machine), slot.id, () =>
    standing(machine).filter(({ slotId }) => slotId !== slot.id),
  );

/** In the order of their openings. @param machine as it is seen from in one housing */
const standing = memoOf((machine: Machine): readonly Standing[] =>
  machine.slots
    .flatMap(({ id, label, opening, occupant }): readonly Standing[] => {
      const at = valueOf(opening);
      if (at === null) return [];
      const card = valueOf(occupant);
      return [
        {
          slotId: id,
          label,
          opening: at,
          holds:
            occupant === null
              ? 'unknown'
              : card === null || card.disposition === 'remove'
                ? 'free'
                : 'card',
          name: card?.name ?? '',
          openings: card === null ? null : valueOf(card.openings),
          lengthMm: (card === null ? null : valueOf(card.lengthMm)) ?? Infinity,
          heightMm: (card === null ? null : valueOf(card.heightMm)) ?? Infinity,
          fan: card?.fan == null ? undefined : card.fan.value,
        },
      ];
    })
    .toSorted((a, b) => a.opening - b.opening),
);
