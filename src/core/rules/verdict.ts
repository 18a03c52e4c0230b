/** Every rule asked of one card in one slot, and of every card in every slot. */
import type { Card } from '../parts/card.ts';
import type { Machine, Slot } from '../parts/machine.ts';
import { body } from './body.ts';
import { bracket } from './bracket.ts';
import { driverSupport, type DriverLibrary } from './driverSupport.ts';
import { worstVerdict, type Finding, type Verdict } from './finding.ts';
import { frontLeads } from './frontLeads.ts';
import { machineAround } from './housing.ts';
import { link } from './link.ts';
import { power } from './power.ts';
import { seat } from './seat.ts';
import { sharing, slotInUse } from './sharing.ts';

export interface SlotVerdict {
  readonly card: Card;
  readonly slot: Slot;
  readonly verdict: Verdict;
  readonly findings: readonly Finding[];
}

export function slotVerdict(
  card: Card,
  slot: Slot,
  machine: Machine,
  library: DriverLibrary,
): SlotVerdict {
  const around = machineAround(slot, machine);
  const seated = seat(card, slot, around);
  const inUse = slotInUse(slot, machine);
  // A card of the wrong bus never goes in: no other question makes sense.
  const findings = seated.some(({ code }) => code === 'seat.bus')
    ? seated
    : [
        ...seated,
        ...sharing(card, slot, machine),
        ...link(card, inUse),
        // A module in a socket of the board meets no opening.
        ...(card.bus === 'm2' ? [] : [...bracket(card, around), ...body(card, slot, around)]),
        ...frontLeads(card, around),
        ...power(card, slot, around),
        ...driverSupport(card, machine, library),
      ];
  return { card, slot, verdict: worstVerdict(findings), findings };
}

/** Card by card, slot by slot, in the order given. */
export function verdictTable(
  cards: readonly Card[],
  machine: Machine,
  library: DriverLibrary,
): readonly (readonly SlotVerdict[])[] {
  return cards.map((card) =>
    machine.slots.map((slot) => slotVerdict(card, slot, machine, library)),
  );
}
