/** The machine as it would be with cards in it that are only planned or on trial. */
import { asOccupant } from '../document/card.ts';
import { known, valueOf } from '../parts/fact.ts';
import type { Enclosure, Machine } from '../document/machine.ts';
import { assignPlugs, plugsOf, takenBy } from './plugs.ts';
import { socketsIn } from './sockets.ts';
import { machineAround } from './housing.ts';
import { withoutLeaving } from './leaving.ts';
import type { Placed } from './lanesLeft.ts';

/** Their slots hold them; nothing else changes. */
export function withOccupants(machine: Machine, placed: readonly Placed[]): Machine {
  if (placed.length === 0) return machine;
  return {
    ...machine,
    slots: machine.slots.map((slot) => {
      const card = placed.find((each) => each.slot.id === slot.id)?.card;
      // What stays in a slot is not thrown out by a card that is only tried there.
      if (card === undefined || valueOf(slot.occupant)?.disposition === 'stays') return slot;
      return { ...slot, occupant: known(asOccupant(card, 'technician'), 'technician') };
    }),
  };
}

/** And what they take is gone for the next one: watts, plugs, leads of the front, headers of the board. */
export function withCards(whole: Machine, placed: readonly Placed[]): Machine {
  if (placed.length === 0) return whole;
  const machine = withoutLeaving(whole);
  const inHousing = (id: string | null) => placed.filter(({ slot }) => slot.enclosureId === id);
  const own = inHousing(null);
  const { case: room, supply } = machine;
  return {
    ...withOccupants(machine, placed),
    ...taken(own, { case: room, supply }, machine),
    headers: machine.headers && {
      ...machine.headers,
      value: without(
        machine.headers.value,
        own.flatMap(({ card }) => card.boardLeads),
      ),
    },
    enclosures: machine.enclosures.map((enclosure): Enclosure => ({
      ...enclosure,
      ...taken(inHousing(enclosure.id), enclosure, machine),
    })),
  };
}

/** What is left of the case and the supply of one housing. */
function taken(
  placed: readonly Placed[],
  { case: room, supply }: Pick<Machine, 'case' | 'supply'>,
  machine: Machine,
): Pick<Machine, 'case' | 'supply'> {
  const [first] = placed;
  if (first === undefined) return { case: room, supply };
  const base = valueOf(supply.baseWatts);
  const watts = placed.reduce((total, { card }) => total + card.peakWatts, 0);
  return {
    case: {
      ...room,
      frontLeads: room.frontLeads && {
        ...room.frontLeads,
        value: without(
          room.frontLeads.value,
          placed.flatMap(({ card }) => card.frontHeaders),
        ),
      },
    },
    supply: {
      ...supply,
      baseWatts: supply.baseWatts && { ...supply.baseWatts, value: (base ?? 0) + watts },
      ...plugsLeft(placed, machineAround(first.slot, machine)),
    },
  };
}

/** One thing of each type wanted is gone. */
function without<Thing extends { readonly type: string }>(
  things: readonly Thing[],
  wanted: readonly { readonly type: string }[],
): readonly Thing[] {
  const left = [...things];
  for (const { type } of wanted) {
    const at = left.findIndex((thing) => thing.type === type);
    if (at !== -1) left.splice(at, 1);
  }
  return left;
}

/** What stays free, and what stays as it is in use: a plug that was exchanged feeds a card now. */
function plugsLeft(
  placed: readonly Placed[],
  machine: Machine,
): Pick<Machine['supply'], 'plugs' | 'plugsInUse'> {
  const { plugs, plugsInUse } = machine.supply;
  const sockets = placed.flatMap(({ card, slot }) => socketsIn(card, slot, machine));
  const there = plugsOf(machine.supply);
  const used = new Set(assignPlugs(sockets, there).feeds.flatMap(takenBy));
  let seen = 0;
  const left = plugs?.value.map((row) => {
    const from = seen;
    seen += row.count;
    const gone = [...used].filter((n) => n >= from && n < seen).length;
    return { ...row, count: row.count - gone };
  });
  const exchanged = new Set([...used].map((n) => there[n]?.inUse));
  return {
    plugs: plugs && { ...plugs, value: left ?? [] },
    plugsInUse: plugsInUse && {
      ...plugsInUse,
      value: plugsInUse.value.filter((each) => !exchanged.has(each)),
    },
  };
}
