/** What each part of a machine that runs really carries, drawn from its band, in bytes per second or in the figure of its need. */
import type { Card } from '../../document/card.ts';
import type { Machine, Slot } from '../../document/machine.ts';
import type { Need } from '../../kinds/need.ts';
import type { InSlot, Make, Measuring, Part } from '../../kinds/running.ts';
import { runningOf } from '../../kinds/runnings.ts';
import { valueOf } from '../../parts/fact.ts';
import {
  CLASSIC_PCI_BYTES_PER_SECOND,
  CLASSIC_PCI_SHARE,
  bestBytesPerSecond,
  reckonedBytesPerSecond,
  type Generation,
  type Link,
} from '../../standards/pciExpress.ts';
import type { Chance } from './chance.ts';

/** What card and slot would train to; null where there are no lanes. */
export function trainedIn(card: Card, slot: Slot): Link | null {
  const lanes = valueOf(slot.lanes);
  const generation = valueOf(slot.generation);
  if (slot.bus === 'pci' || (card.m2 !== null && card.m2.signal !== 'pcie')) return null;
  if (lanes === null || generation === null || lanes === 0) return null;
  // Where a slot is split each device on the card has four lanes of it.
  const wide = Math.min(lanes, card.lanes, card.needsSplit ? 4 : 32);
  return {
    generation: Math.min(generation, card.generation) as Generation,
    width: [32, 16, 12, 8, 4, 2, 1].find((each) => each <= wide)!,
  };
}

/** How far along the way from the usual to the best share of a link its packets are. */
export const overLink = (link: Link, luck: number): number =>
  reckonedBytesPerSecond(link) + luck * (bestBytesPerSecond(link) - reckonedBytesPerSecond(link));

/** Every part of the way, with what a stream gets of it. */
export function partsOf(
  inSlot: InSlot,
  need: Need,
  machine: Machine,
  how: Measuring,
  chance: Chance,
): readonly Part[] {
  const make: Make = (id, band, isDrive = false) => ({ id, carries: chance.within(band), isDrive });
  const kind = runningOf(need);
  const streams = kind.streams(need, inSlot, how);
  const luck = chance.within([0, 1]);
  return [
    ...(kind.isOverLink(need) ? linkParts(inSlot, streams, luck, make) : []),
    ...kind.parts(need, inSlot, machine, how, make, streams),
  ];
}

/** The link of the card, and what lies above it. @param luck 0 to 1 */
function linkParts(
  { card, slot }: InSlot,
  streams: number,
  luck: number,
  make: Make,
): readonly Part[] {
  const link = trainedIn(card, slot);
  if (link === null)
    return slot.bus === 'pci'
      ? [
          make('slotLink', [
            (CLASSIC_PCI_BYTES_PER_SECOND * CLASSIC_PCI_SHARE) / streams,
            CLASSIC_PCI_BYTES_PER_SECOND / streams,
          ]),
        ]
      : [];
  const uplink = valueOf(slot.uplink);
  const part = (id: string, over: Link, shared: number): Part => ({
    id,
    carries: overLink(over, luck) / shared,
    isDrive: false,
  });
  return [
    part('slotLink', link, card.needsSplit ? 1 : streams),
    ...(uplink === null
      ? []
      : [part('uplink', { generation: uplink.generation, width: uplink.lanes }, streams)]),
  ];
}
