/** Where a slot is: in the machine's own case, or in an external box with case, supply and slots of its own. */
import { memoOf } from '../memo.ts';
import type { Machine, Slot } from '../parts/machine.ts';

/** The machine as a card in this slot meets it: only what is in the same housing. */
export function machineAround(slot: Slot, machine: Machine): Machine {
  if (machine.enclosures.length === 0) return machine;
  return housings(machine).find(({ id }) => id === slot.enclosureId)?.machine ?? machine;
}

export interface Housing {
  /** Null for the machine's own case. */
  readonly id: string | null;
  readonly name: string;
  /** The machine as it is seen from in there. */
  readonly machine: Machine;
}

/** The case and then the external boxes in the order of their chain; the case only while it has anything to show. */
export const housings = memoOf((machine: Machine): readonly Housing[] => {
  if (machine.enclosures.length === 0) return [{ id: null, name: machine.name, machine }];
  const own = machine.slots.filter(({ enclosureId }) => enclosureId === null);
  const boxes = machine.enclosures
    .toSorted((a, b) => a.chainPosition - b.chainPosition)
    .map(({ id, name, case: room, supply }): Housing => ({
      id,
      name,
      machine: {
        ...machine,
        slots: machine.slots.filter(({ enclosureId }) => enclosureId === id),
        case: room,
        supply,
        board: null,
        boxes: [],
      },
    }));
  return own.length === 0 && machine.board === null
    ? boxes
    : [{ id: null, name: machine.name, machine: { ...machine, slots: own } }, ...boxes];
});
