/** Knows the cards that are fitted already by their identity, and gives them their record from the catalogue. */
import { cardName, type Card } from '../document/card.ts';
import { known, valueOf } from '../parts/fact.ts';
import type { Machine, Slot } from '../document/machine.ts';
import { deviceId } from '../parts/pciFunction.ts';

/** Name, length, thickness, fan and power of each fitted card that is in the catalogue; what was measured stays. */
export function withCardRecords(machine: Machine, cards: readonly Card[]): Machine {
  const byId = new Map(cards.map((card) => [deviceId(card.ids), card]));
  return { ...machine, slots: machine.slots.map((slot) => withRecord(slot, byId)) };
}

function withRecord(slot: Slot, byId: ReadonlyMap<string, Card>): Slot {
  const occupant = valueOf(slot.occupant);
  const card = occupant?.ids == null ? undefined : byId.get(deviceId(occupant.ids));
  if (slot.occupant === null || occupant === null || card === undefined) return slot;
  return {
    ...slot,
    occupant: {
      ...slot.occupant,
      value: {
        ...occupant,
        name: cardName(card),
        openings: occupant.openings ?? known(card.openings, 'template'),
        lengthMm: occupant.lengthMm ?? known(card.lengthMm, 'template'),
        heightMm: occupant.heightMm ?? known(card.heightMm, 'template'),
        fan: occupant.fan ?? known(card.fan, 'template'),
        watts: occupant.watts ?? known(card.peakWatts, 'template'),
        plugs: occupant.plugs ?? known(card.sockets, 'template'),
      },
    },
  };
}
