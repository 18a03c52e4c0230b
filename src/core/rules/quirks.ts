/** Catches that a card is known for, as they show in this slot of this machine. */
import type { Card } from '../document/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine, Slot } from '../document/machine.ts';
import type { Quirk } from '../standards/cardForm.ts';
import type { Finding } from './finding.ts';

export function quirks(card: Card, slot: Slot, machine: Machine): readonly Finding[] {
  return card.quirks.flatMap((quirk) => QUESTIONS[quirk](slot, machine));
}

type Known = 'quirk.coldStart' | 'quirk.sleep' | 'quirk.restarts';
const FIRMWARE_FIRST: readonly Finding[] = [{ code: 'quirk.firmwareFirst', verdict: 'needs' }];
const always = (code: Known) => (): readonly Finding[] => [{ code, verdict: 'limited' }];

const QUESTIONS: Readonly<Record<Quirk, (slot: Slot, machine: Machine) => readonly Finding[]>> = {
  coldStart: always('quirk.coldStart'),
  sleep: always('quirk.sleep'),
  restarts: always('quirk.restarts'),
  // What stands above it is asked with air and bodies.
  notBelowFan: () => [],
  firmwareFirst: () => FIRMWARE_FIRST,
  processorSlot: ({ uplink }) => {
    if (uplink === null) return [{ code: 'quirk.slotUnknown', verdict: 'unknown' }];
    return uplink.value === null
      ? []
      : [{ code: 'quirk.processorSlot', verdict: 'blocked', subject: uplink.value.name }];
  },
  // With the board's own header it is led there; without, a jumper on the card stands in for it.
  jumper: (_, { headers }) =>
    valueOf(headers)?.some(({ type }) => type === 'serial-link-5-pin') === true
      ? []
      : [{ code: 'quirk.jumper', verdict: 'needs' }],
};
