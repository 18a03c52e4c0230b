/** Every rule asked of one card in one slot, and of every card in every slot. */
import { memo, memoOf, memoBy } from '../memo.ts';
import type { Card } from '../document/card.ts';
import type { Machine, Slot } from '../document/machine.ts';
import { bodyInHousing, bodyInSlot, moduleInSocket } from './body.ts';
import { enclosure } from './enclosure.ts';
import { bracket } from './bracket.ts';
import { driverSupport } from './driverSupport.ts';
import type { DriverLibrary } from '../drivers/chooseDriver.ts';
import { worstVerdict, type Finding, type Verdict } from './finding.ts';
import { firmware } from './firmware.ts';
import { headers } from './headers.ts';
import { machineAround } from '../placement/housing.ts';
import { link } from './link.ts';
import { plates } from './plates.ts';
import { powerInHousing, powerInSlot } from './power.ts';
import { quirks } from './quirks.ts';
import { said } from './said.ts';
import { seat } from './seat.ts';
import { sharing } from './sharing.ts';
import { slotInUse } from '../placement/lanesLeft.ts';

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
  return verdictAt(card, at, machine, library, [
    ...cardFindings(card, machine, library),
    ...housingFindings(card, at.around),
  ]);
}

/** The same questions asked of many cards and slots: what several slots share is asked once a card. */
export interface VerdictAsker {
  /** Whether it goes into the slot at all: the cheapest of the questions. */
  readonly seated: (card: Card, slot: Slot) => readonly Finding[];
  /** What is the same in every slot of the housing that this slot is in. */
  readonly shared: (card: Card, slot: Slot) => readonly Finding[];
  readonly whole: (card: Card, slot: Slot) => SlotVerdict;
}

export function verdictAsker(machine: Machine, library: DriverLibrary): VerdictAsker {
  const placeOf = memoOf((slot: Slot): Place => place(slot, machine));
  const sharedByHousing = memoBy<Machine, readonly Finding[]>();
  const sharedIn = (card: Card, { around }: Place): readonly Finding[] =>
    memo(sharedByHousing(card), around, () =>
      cardFindings(card, machine, library).concat(housingFindings(card, around)),
    );
  return {
    seated: (card, slot) => seat(card, slot, placeOf(slot).around),
    shared: (card, slot) => sharedIn(card, placeOf(slot)),
    whole: (card, slot) => {
      const at = placeOf(slot);
      return verdictAt(card, at, machine, library, sharedIn(card, at));
    },
  };
}

/** Card by card, slot by slot, in the order given. */
export function verdictTable(
  cards: readonly Card[],
  machine: Machine,
  library: DriverLibrary,
): readonly (readonly SlotVerdict[])[] {
  const { whole } = verdictAsker(machine, library);
  return cards.map((card) => machine.slots.map((slot) => whole(card, slot)));
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
  ...plates(card, around),
  ...powerInHousing(card, around),
];

function verdictAt(
  card: Card,
  { slot, around, inUse }: Place,
  machine: Machine,
  library: DriverLibrary,
  shared: readonly Finding[],
): SlotVerdict {
  const seated = seat(card, slot, around);
  // A card of the wrong bus never goes in: no other question makes sense.
  const findings =
    card.bus === slot.bus
      ? seated.concat(
          sharing(card, slot, machine),
          link(card, inUse),
          card.bus === 'm2' ? moduleInSocket(card, slot, around) : bodyInSlot(card, slot, around),
          headers(card, slot, around),
          powerInSlot(card, slot, around),
          quirks(card, slot, machine),
          said(card, slot, machine),
          enclosure(card, slot, machine, library),
          shared,
        )
      : seated;
  return { card, slot, verdict: worstVerdict(findings), findings };
}
