/** In an external box: does the driver bear that the card comes and goes with it, and is the chain short enough? */
import { classDriver } from '../drivers/classDrivers.ts';
import { driverForCard, type DriverLibrary } from '../drivers/chooseDriver.ts';
import type { Card } from '../document/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine, Slot } from '../document/machine.ts';
import { MOST_IN_CHAIN } from '../standards/serialLink.ts';
import type { Finding } from './finding.ts';

export function enclosure(
  card: Card,
  slot: Slot,
  machine: Machine,
  library: DriverLibrary,
): readonly Finding[] {
  const around = machine.enclosures.find(({ id }) => id === slot.enclosureId);
  if (around === undefined) return [];
  return [
    ...hotPlug(card, machine, library),
    ...(around.chainPosition > MOST_IN_CHAIN
      ? [
          {
            code: 'enclosure.chainTooLong',
            verdict: 'blocked',
            needed: around.chainPosition,
            available: MOST_IN_CHAIN,
            unit: 'count',
          } as const,
        ]
      : []),
  ];
}

/** A box is switched on after the machine and pulled while it runs. Drivers of a whole class bear that. */
function hotPlug(card: Card, machine: Machine, library: DriverLibrary): readonly Finding[] {
  const chosen = driverForCard(card, machine, library).package;
  if (chosen === null) {
    return classDriver(card.ids.class24, machine.system) === null
      ? []
      : [{ code: 'enclosure.hotPlug', verdict: 'clear' }];
  }
  const subject = `${chosen.title} ${chosen.version}`;
  // What the system was seen to say of the same card goes before what nobody says of its driver.
  const isSafe = chosen.hotPlug ?? seenHere(card, machine);
  if (isSafe === null) return [{ code: 'enclosure.hotPlugUnknown', verdict: 'unknown', subject }];
  return isSafe
    ? [{ code: 'enclosure.hotPlug', verdict: 'clear' }]
    : [{ code: 'enclosure.noHotPlug', verdict: 'limited', subject }];
}

function seenHere({ ids }: Card, { slots }: Machine): boolean | null {
  for (const { occupant } of slots) {
    const there = valueOf(occupant);
    const seen = there === null ? null : valueOf(there.hotPlug);
    if (seen !== null && there?.ids?.vendor === ids.vendor && there.ids.device === ids.device)
      return seen;
  }
  return null;
}
