/**
 * What the board's conditions leave of a slot: lanes that another slot's use takes away. A condition holds for
 * what is fitted already and for what a plan adds.
 */
import type { Card } from '../document/card.ts';
import { known, valueOf } from '../parts/fact.ts';
import type { Condition, Machine, Slot } from '../document/machine.ts';

export interface Placed {
  readonly card: Card;
  readonly slot: Slot;
}

/** The slot with the lanes that are left to it; itself where no condition holds. */
export function slotInUse(slot: Slot, machine: Machine, placed: readonly Placed[] = []): Slot {
  const left = machine.conditions
    .filter(({ slotId }) => slotId === slot.id)
    .filter((condition) => holds(condition, machine, placed) === true)
    .map(({ keepsLanes }) => keepsLanes);
  return left.reduce(withLanes, slot);
}

/** The slot with at most so many lanes. Of lanes that nobody has counted only “none” can be said. */
function withLanes(slot: Slot, most: number): Slot {
  if (slot.lanes === null) return most === 0 ? { ...slot, lanes: known(0, 'technician') } : slot;
  return slot.lanes.value <= most ? slot : { ...slot, lanes: { ...slot.lanes, value: most } };
}

/**
 * The slot as it is now, and as each condition would leave it: with fewer and fewer lanes, down to one. What a
 * plan reckons with is one of these.
 */
export function laneLevels(slot: Slot, machine: Machine): readonly Slot[] {
  const now = valueOf(slotInUse(slot, machine).lanes);
  const fewer = machine.conditions
    .filter(({ slotId, keepsLanes }) => slotId === slot.id && keepsLanes > 0)
    .map(({ keepsLanes }) => keepsLanes)
    .filter((lanes) => now !== null && lanes < now);
  return [slot, ...[...new Set(fewer)].map((lanes) => withLanes(slot, lanes))];
}

/** What a card in one slot leaves of another; the same slot where no condition ties them. */
export const slotBeside = (slot: Slot, other: Placed, machine: Machine): Slot =>
  machine.conditions
    .filter(({ slotId, whenSlotId }) => slotId === slot.id && whenSlotId === other.slot.id)
    .filter((condition) => takes(condition, other.card))
    .reduce((soFar, { keepsLanes }) => withLanes(soFar, keepsLanes), slot);

/** Null while it is not known what sits in the slot that the condition asks about. */
export function holds(
  condition: Condition,
  machine: Machine,
  placed: readonly Placed[],
): boolean | null {
  if (placed.some(({ card, slot }) => slot.id === condition.whenSlotId && takes(condition, card)))
    return true;
  const other = machine.slots.find(({ id }) => id === condition.whenSlotId);
  if (other === undefined) return false;
  if (other.occupant === null) return null;
  const occupant = other.occupant.value;
  if (occupant === null || occupant.disposition === 'remove') return false;
  if (condition.holds === 'anything') return true;
  return occupant.signal === null ? null : occupant.signal === condition.holds;
}

export const takes = ({ holds: what }: Condition, card: Card): boolean =>
  what === 'anything' || (card.m2?.signal ?? 'pcie') === what;
