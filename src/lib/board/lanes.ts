/** Lanes of the board, and how many of them cards take. */
import { recordOf } from '$core/flow';
import { slotLink } from '$core/placement';
import { valueOf } from '$core/parts';
import type { Card, Machine, Slot } from '$core/document';
import type { CardOnSlot } from './layout';

/**
 * Lanes wired to slots as far as known, and how many of them fitted and planned cards take: what their links train to,
 * and of a card that is in no catalogue all that its slot has.
 */
export function lanesUsed(
  machine: Machine,
  planned: readonly CardOnSlot[],
  cards: readonly Card[],
): { readonly wired: number; readonly used: number } {
  const express = machine.slots.filter(({ bus }) => bus === 'pcie');
  const trained = (card: Card, slot: Slot) => slotLink(card, slot)?.link?.width ?? 0;
  const taken = (slot: Slot): number => {
    const card = planned.find((each) => each.slot.id === slot.id)?.card;
    if (card !== undefined) return trained(card, slot);
    const occupant = valueOf(slot.occupant);
    if (occupant === null || occupant.disposition === 'remove') return 0;
    const record = recordOf(occupant, cards);
    return record === null ? (valueOf(slot.lanes) ?? 0) : trained(record, slot);
  };
  return {
    wired: express.reduce((total, { lanes }) => total + (valueOf(lanes) ?? 0), 0),
    used: express.reduce((total, slot) => total + taken(slot), 0),
  };
}
