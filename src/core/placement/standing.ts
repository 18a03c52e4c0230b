/** What stands in the slots of a housing, told once for all cards that are asked about. */
import type { Card } from '../parts/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine, Slot } from '../parts/machine.ts';

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
  /** Undefined while nobody has told. */
  readonly fan: Card['fan'] | undefined;
}

const told = new WeakMap<Machine, readonly Standing[]>();
const beside = new WeakMap<Machine, Map<string, readonly Standing[]>>();

/** All but the slot itself. */
export function standingBeside(slot: Slot, machine: Machine): readonly Standing[] {
  const soFar = beside.get(machine) ?? new Map<string, readonly Standing[]>();
  beside.set(machine, soFar);
  const found = soFar.get(slot.id) ?? standing(machine).filter(({ slotId }) => slotId !== slot.id);
  soFar.set(slot.id, found);
  return found;
}

/** In the order of their openings. @param machine as it is seen from in one housing */
function standing(machine: Machine): readonly Standing[] {
  const found = told.get(machine);
  if (found !== undefined) return found;
  const all = machine.slots
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
            occupant === null ? 'unknown' : card === null || card.fate === 'goes' ? 'free' : 'card',
          name: card?.name ?? '',
          openings: card === null ? null : valueOf(card.openings),
          lengthMm: (card === null ? null : valueOf(card.lengthMm)) ?? Infinity,
          fan: card?.fan == null ? undefined : card.fan.value,
        },
      ];
    })
    .toSorted((a, b) => a.opening - b.opening);
  told.set(machine, all);
  return all;
}
