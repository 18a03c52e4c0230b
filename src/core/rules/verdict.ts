/** Every rule asked of one card in one slot, and of every card in every slot. */
import type { Card } from '../parts/card.ts';
import type { Machine, Slot } from '../parts/machine.ts';
import { bodyInHousing, bodyInSlot } from './body.ts';
import { bracket } from './bracket.ts';
import { driverSupport, type DriverLibrary } from './driverSupport.ts';
import { worstVerdict, type Finding, type Verdict } from './finding.ts';
import { firmware } from './firmware.ts';
import { headers } from './headers.ts';
import { machineAround } from './housing.ts';
import { link } from './link.ts';
import { powerInHousing, powerInSlot } from './power.ts';
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
  const at = place(slot, machine);
  return verdictAt(card, at, machine, [
    ...cardFindings(card, machine, library),
    ...housingFindings(card, at.around),
  ]);
}

/** Card by card, slot by slot, in the order given. What several slots share is asked once. */
export function verdictTable(
  cards: readonly Card[],
  machine: Machine,
  library: DriverLibrary,
): readonly (readonly SlotVerdict[])[] {
  const places = machine.slots.map((slot) => place(slot, machine));
  return cards.map((card) => {
    const ofCard = cardFindings(card, machine, library);
    const inHousing = new Map<Machine, readonly Finding[]>();
    return places.map((at) => {
      const shared = inHousing.get(at.around) ?? [...ofCard, ...housingFindings(card, at.around)];
      inHousing.set(at.around, shared);
      return verdictAt(card, at, machine, shared);
    });
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

/** What is the same in every slot of a housing. A module in a socket of the board meets no opening. */
const housingFindings = (card: Card, around: Machine): readonly Finding[] => [
  ...(card.bus === 'm2' ? [] : [...bracket(card, around), ...bodyInHousing(card, around)]),
  ...powerInHousing(card, around),
];

function verdictAt(
  card: Card,
  { slot, around, inUse }: Place,
  machine: Machine,
  shared: readonly Finding[],
): SlotVerdict {
  const seated = seat(card, slot, around);
  // A card of the wrong bus never goes in: no other question makes sense.
  const findings =
    card.bus === slot.bus
      ? seated.concat(
          sharing(card, slot, machine),
          link(card, inUse),
          card.bus === 'm2' ? [] : bodyInSlot(card, slot, around),
          headers(card, slot, around),
          powerInSlot(card, slot, around),
          quirks(card, slot, machine),
          shared,
        )
      : seated;
  return { card, slot, verdict: worstVerdict(findings), findings };
}
