/** What comes free when a card leaves the machine for good: its watts, the plugs that fed it, the leads joined to it. */
import { memoOf } from '../memo.ts';
import { valueOf } from '../parts/fact.ts';
import type { Enclosure, Machine, Occupant } from '../document/machine.ts';

type Room = Pick<Machine, 'case' | 'supply'>;

/**
 * The machine with what leaving cards give back. They stay in their slots, to be taken out first, but give nothing a
 * second time. What is not known of a card is not given back.
 */
export const withoutLeaving = memoOf((machine: Machine): Machine => {
  const leaving = machine.slots.filter(({ occupant }) => givesBack(valueOf(occupant)));
  if (leaving.length === 0) return machine;
  const cardsIn = (id: string | null) =>
    leaving.flatMap(({ enclosureId, occupant }) =>
      enclosureId === id ? (valueOf(occupant) ?? []) : [],
    );
  return {
    ...machine,
    ...given(machine, cardsIn(null)),
    enclosures: machine.enclosures.map((box): Enclosure => ({
      ...box,
      ...given(box, cardsIn(box.id)),
    })),
    slots: machine.slots.map((slot) =>
      leaving.includes(slot) && slot.occupant !== null && slot.occupant.value !== null
        ? { ...slot, occupant: { ...slot.occupant, value: spent(slot.occupant.value) } }
        : slot,
    ),
  };
});

/** Whether it goes for good, and something is known that comes free with it. */
export const givesBack = (occupant: Occupant | null): boolean =>
  occupant?.disposition === 'remove' &&
  [occupant.watts, occupant.plugs, occupant.frontLeads].some((fact) => fact !== null);

const spent = (occupant: Occupant): Occupant => ({
  ...occupant,
  watts: null,
  plugs: null,
  frontLeads: null,
});

/** Case and supply of one housing with what these cards leave. */
function given({ case: room, supply }: Room, cards: readonly Occupant[]): Room {
  const watts = cards.reduce((sum, card) => sum + (valueOf(card.watts) ?? 0), 0);
  const plugs = cards.flatMap((card) => valueOf(card.plugs) ?? []);
  const leads = cards.flatMap((card) => valueOf(card.frontLeads) ?? []);
  const { baseWatts, plugs: free } = supply;
  return {
    case: {
      ...room,
      frontLeads: room.frontLeads && {
        ...room.frontLeads,
        value: [...room.frontLeads.value, ...leads.map((type) => ({ type }))],
      },
    },
    supply: {
      ...supply,
      baseWatts: baseWatts && { ...baseWatts, value: Math.max(0, baseWatts.value - watts) },
      plugs: free && {
        ...free,
        value: [...free.value, ...plugs.map((type) => ({ type, count: 1 }))],
      },
    },
  };
}
