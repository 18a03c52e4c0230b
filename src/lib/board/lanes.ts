import { slotLink, valueOf, type Machine } from '$core';
import type { CardOnSlot } from './layout';

/** Lanes wired to slots as far as known, and how many of them fitted and planned cards take. */
export function lanesUsed(machine: Machine, planned: readonly CardOnSlot[]) {
  const express = machine.slots.filter(({ bus }) => bus === 'pcie');
  const wired = express.reduce((total, slot) => total + (valueOf(slot.lanes) ?? 0), 0);
  const taken = express
    .filter((slot) => !['goes', undefined].includes(valueOf(slot.occupant)?.fate))
    .reduce((total, slot) => total + (valueOf(slot.lanes) ?? 0), 0);
  const added = planned
    .filter(({ slot }) => slot.bus === 'pcie')
    .reduce((total, { card, slot }) => total + (slotLink(card, slot)?.link?.width ?? 0), 0);
  return { wired, used: taken + added };
}
