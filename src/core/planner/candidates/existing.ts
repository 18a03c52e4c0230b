/** The cards that are in the machine already: each may stay, move to another slot, or be given up where that is allowed. */
import type { Card } from '../../document/card.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Machine, Occupant, Slot } from '../../document/machine.ts';
import type { Pin } from '../../document/planning.ts';
import { slotInUse } from '../../placement/lanesLeft.ts';
import { memo } from '../../memo.ts';
import { givesBack, withoutLeaving } from '../../placement/leaving.ts';
import { withMoves } from '../../placement/moves.ts';
import { recordOf } from '../../flow/metByMachine.ts';

export interface Existing {
  readonly slot: Slot;
  /** With the lanes that the other cards of the machine leave it now. */
  readonly inUse: Slot;
  readonly occupant: Occupant;
  /** The catalogue's record: without one nothing is known of where else it would fit, so it stays. */
  readonly card: Card;
  readonly mayMove: boolean;
  readonly optional: boolean;
}

/** Cards of which something is to be decided. */
export function existingCards(
  machine: Machine,
  cards: readonly Card[],
  pins: readonly Pin[],
): readonly Existing[] {
  const mayMove = !pins.some(({ kind }) => kind === 'noMoves');
  return machine.slots.flatMap((slot): readonly Existing[] => {
    const occupant = valueOf(slot.occupant);
    if (occupant === null || occupant.disposition === 'remove') return [];
    const card = recordOf(occupant, cards);
    const optional = occupant.disposition === 'optional';
    return card === null || !(mayMove || optional)
      ? []
      : [
          {
            slot,
            inUse: slotInUse(slot, machine),
            occupant,
            card,
            mayMove,
            optional,
          },
        ];
  });
}

/**
 * The machine with the slots of these cards empty, and what the cards that may go give back: all of them, but for those that
 * stay.
 */
export function withoutExisting(
  machine: Machine,
  existing: readonly Existing[],
  staying: readonly Existing[] = [],
): Machine {
  if (existing.length === 0) return machine;
  const going = existing.filter((each) => each.optional && !staying.includes(each));
  const left = withoutLeaving(
    withMoves(
      machine,
      [],
      going.map(({ slot }) => slot.id),
    ),
  );
  return {
    ...left,
    slots: left.slots.map((slot) =>
      slot.occupant !== null && existing.some((each) => each.slot.id === slot.id)
        ? { ...slot, occupant: { ...slot.occupant, value: null } }
        : slot,
    ),
  };
}

/** The machine as a plan leaves it that keeps some of its cards: the others are given up, now or later. */
export type Keeping = (placed: readonly { readonly existing: Existing | null }[]) => Machine;

/** @param leftBy the machine that is left where these cards stay @param whole it with none of them */
export function keeping(
  whole: Machine,
  existing: readonly Existing[],
  leftBy: (staying: readonly Existing[]) => Machine,
): Keeping {
  const giving = existing.filter(
    ({ optional, occupant }) => optional && givesBack({ ...occupant, disposition: 'remove' }),
  );
  const known = new Map<string, Machine>([['', whole]]);
  return (placed) => {
    if (giving.length === 0) return whole;
    const staying = giving.filter((each) => placed.some((other) => other.existing === each));
    return memo(known, staying.map(({ slot }) => slot.id).join(), () => leftBy(staying));
  };
}

/**
 * The card as it meets another slot of its machine: its power plugs and leads are joined already and come along,
 * and its watts are in what the machine draws.
 */
export const asMoved = (card: Card): Card => ({
  ...card,
  sockets: [],
  peakWatts: 0,
  supplyWatts: null,
  boardLeads: [],
  frontHeaders: [],
});

/** Openings that it takes: as measured where it is there already, else as its record says. */
export const openingsTaken = ({
  card,
  existing,
}: {
  readonly card: Card;
  readonly existing: Existing | null;
}): number => valueOf(existing?.occupant.openings ?? null) ?? card.openings;
