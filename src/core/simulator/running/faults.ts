/** What may be wrong with a machine that runs, part by part; each is a state of that part, and mending takes it away. */
import type { AssembledCard } from '../../assembly/assembly.ts';
import type { Machine } from '../../document/machine.ts';
import { toInstall } from '../../drivers/chooseDriver.ts';
import { carriesModules } from '../../kinds/drives/ports.ts';
import type { Need } from '../../kinds/need.ts';
import { faultsAt as at, type Fault } from '../../kinds/running.ts';
import { runningOf } from '../../kinds/runnings.ts';
import { makesPictures } from '../../kinds/screens/picture.ts';
import { trainedIn } from './capacities.ts';

/** All that can be wrong on the way of a need through this card. */
export function faultsPossible(
  card: AssembledCard,
  need: Need,
  machine: Machine,
): readonly Fault[] {
  const kind = runningOf(need);
  const driver = at(
    'driver',
    ...(toInstall(card.driver) !== null || makesPictures(card.card.delivers)
      ? (['genericDriver'] as const)
      : []),
    'oldDriver',
  );
  return [
    ...(kind.isThroughCard ? ofCard(card) : []),
    ...driver,
    ...kind.faults(need, card, machine),
  ];
}

function ofCard(assembled: AssembledCard): readonly Fault[] {
  const { card, slot } = assembled;
  const link = trainedIn(card, slot);
  // Common practice, no source.
  const draws = card.peakWatts >= 12;
  return [
    ...(link !== null && link.width > 1
      ? at('slotLink', 'halfSeated', 'screwMissing', 'dirtyContact', 'wrongSlot')
      : []),
    ...(link !== null && link.generation > 1
      ? at(
          'slotLink',
          'slotSetLower',
          ...(card.quirks.includes('coldStart') ? (['coldStart'] as const) : []),
        )
      : []),
    ...(link !== null && slot.uplink?.value != null ? at('uplink', 'uplinkBusy') : []),
    ...at('firmware', 'oldFirmware'),
    ...(card.sockets.length > 0 ? at('power', 'plugForgotten') : []),
    ...(draws || carriesModules(card.delivers) ? at('cooling', 'tooHot', 'fanForgotten') : []),
    ...at('card', 'cardFaulty'),
  ];
}
