/** Where a slot is: in the machine's own case, or in an external box with case, supply and slots of its own. */
import { memoOf } from '../memo.ts';
import type { Machine, Slot } from '../document/machine.ts';
import { withoutLeaving } from './leaving.ts';

/** The machine as a card in this slot meets it: only what is in the same housing, with what leaving cards give back. */
export function machineAround(slot: Slot, machine: Machine): Machine {
  if (machine.enclosures.length === 0) return withoutLeaving(machine);
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
export const housings = memoOf((whole: Machine): readonly Housing[] => {
  const machine = withoutLeaving(whole);
  if (machine.enclosures.length === 0) return [{ id: null, name: machine.name, machine }];
  const own = machine.slots.filter(({ enclosureId }) => enclosureId === null);
  const enclosures = machine.enclosures
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
        obstacles: [],
      },
    }));
  return own.length === 0 && machine.board === null
    ? enclosures
    : [{ id: null, name: machine.name, machine: { ...machine, slots: own } }, ...enclosures];
});
