/** Every rule asked of one card in one slot, and of every card in every slot. */
import type { Card } from '../parts/card.ts';
import type { Machine, Slot } from '../parts/machine.ts';
import { body } from './body.ts';
import { bracket } from './bracket.ts';
import { driverSupport, type DriverLibrary } from './driverSupport.ts';
import { worstVerdict, type Finding, type Verdict } from './finding.ts';
import { firmware } from './firmware.ts';
import { headers } from './headers.ts';
import { machineAround } from './housing.ts';
import { link } from './link.ts';
import { power } from './power.ts';
import { quirks } from './quirks.ts';
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
  return verdictAt(card, place(slot, machine), machine, cardFindings(card, machine, library));
}

/** Card by card, slot by slot, in the order given. */
export function verdictTable(
  cards: readonly Card[],
  machine: Machine,
  library: DriverLibrary,
): readonly (readonly SlotVerdict[])[] {
  const places = machine.slots.map((slot) => place(slot, machine));
  return cards.map((card) => {
    const ofCard = cardFindings(card, machine, library);
    return places.map((at) => verdictAt(card, at, machine, ofCard));
  });
}

/** A slot with what lies around it and what others leave of it: the same for every card. */
interface Place {
  readonly slot: Slot;
  readonly around: Machine;
  readonly inUse: Slot;
}

const place = (slot: Slot, machine: Machine): Place => ({
  slot,
  around: machineAround(slot, machine),
  inUse: slotInUse(slot, machine),
});

/** What is the same in every slot. */
const cardFindings = (card: Card, machine: Machine, library: DriverLibrary): readonly Finding[] => [
  ...firmware(card, machine),
  ...driverSupport(card, machine, library),
];

function verdictAt(
  card: Card,
  { slot, around, inUse }: Place,
  machine: Machine,
  ofCard: readonly Finding[],
): SlotVerdict {
  const seated = seat(card, slot, around);
  // A card of the wrong bus never goes in: no other question makes sense.
  const findings = seated.some(({ code }) => code === 'seat.bus')
    ? seated
    : [
        ...seated,
        ...sharing(card, slot, machine),
        ...link(card, inUse),
        // A module in a socket of the board meets no opening.
        ...(card.bus === 'm2' ? [] : [...bracket(card, around), ...body(card, slot, around)]),
        ...headers(card, slot, around),
        ...power(card, slot, around),
        ...quirks(card, slot, machine),
        ...ofCard,
      ];
  return { card, slot, verdict: worstVerdict(findings), findings };
}
