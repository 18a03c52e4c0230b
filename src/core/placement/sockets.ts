/** What a slot gives a card and what is left for plugs to give: its sockets, with how far a lead has to reach. */
import type { Card } from '../document/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine, Slot } from '../document/machine.ts';
import { CLASSIC_PCI_WATTS, SLOT_WATTS_AT_START } from '../standards/cardForm.ts';
import { row } from '../units.ts';
import { openingMiddleMm } from './geometry.ts';
import { socketsOf, type Socket } from './plugs.ts';

/** What the slot gives, or where nobody knows, what the standard assures of any slot of its kind. */
export function slotLimitWatts(slot: Slot): number {
  const told = valueOf(slot.powerWatts);
  if (told !== null) return told;
  return slot.bus === 'pci'
    ? CLASSIC_PCI_WATTS
    : row(SLOT_WATTS_AT_START, valueOf(slot.connectorLanes) ?? 1);
}

/** A card's sockets with how far a lead has to reach for them; zero where no lead was measured, so that it does not matter. */
export function socketsIn(card: Card, slot: Slot, machine: Machine): readonly Socket[] {
  if (card.sockets.length === 0) return [];
  const opening = valueOf(slot.opening);
  const measured = valueOf(machine.supply.plugs)?.some(({ reachMm }) => reachMm != null) === true;
  return socketsOf(card, opening !== null && measured ? openingMiddleMm(machine, opening) : 0);
}
