/** What the link between a card and a slot trains to, and what lies above it. */
import { memo, memoBy } from '../memo.ts';
import type { Card } from '../document/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Slot } from '../document/machine.ts';
import {
  CLASSIC_PCI_BYTES_PER_SECOND,
  CLASSIC_PCI_SHARE,
  bestBytesPerSecond,
  reckonedBytesPerSecond,
  trainedLink,
  type Link,
} from '../standards/pciExpress.ts';
import { DRIVES } from '../standards/storage.ts';
import { USB } from '../standards/usb.ts';
import { row } from '../units.ts';

/** Payload of the link in a slot, in bytes per second, as a band from what to reckon with to the best. */
export interface SlotLink {
  /** Null for classic PCI, which has no lanes. */
  readonly link: Link | null;
  readonly low: number;
  readonly high: number;
  /** What lies between the slot and the processor, where that is narrower than the link itself. */
  readonly narrowedBy: string | null;
  /** The link by itself, whatever lies above it. */
  readonly own: Band;
  /** The narrower link above it that it shares with other slots; null: there is none. */
  readonly uplink: (Band & { readonly id: string; readonly name: string }) | null;
}

/** Bytes per second, from what to reckon with to the most. */
export interface Band {
  readonly low: number;
  readonly high: number;
}

/** Nothing above it. */
const alone = (link: Link | null, own: Band): SlotLink => ({
  link,
  ...own,
  narrowedBy: null,
  own,
  uplink: null,
});

/** What a socket's other signals carry: a SATA port, USB 2.0, or the bare radio front end that asks for nothing. */
const MODULE_BYTES_PER_SECOND = {
  sata: row(DRIVES, 'sata').practiceBytesPerSecond,
  usb: row(USB, '2.0').practiceBytesPerSecond,
  radio: [Infinity, Infinity],
} as const;

/** What of a card decides its link. */
export interface LinkedCard extends Pick<Card, 'generation'> {
  readonly lanes: number;
  readonly m2: Pick<NonNullable<Card['m2']>, 'signal'> | null;
}

/** Answers by slot and by what decides them: a catalogue asks the same of the same slot a thousand times. */
const linkByCard = memoBy<string, SlotLink | null>();

/** The link a card gets in a slot, or null while the slot's lanes or generation are not known. */
export const slotLink = (card: LinkedCard, slot: Slot): SlotLink | null =>
  memo(linkByCard(slot), `${card.m2?.signal ?? ''}${card.generation}x${card.lanes}`, () =>
    ask(card, slot),
  );

/** Lanes of each device on a card for which the slot is split. Every module takes four. */
const SPLIT_LANES = 4;

/** What one device on the card gets: where the slot is split for it each has its own few lanes. */
export const deviceLink = (
  card: LinkedCard & Pick<Card, 'needsSplit'>,
  slot: Slot,
): SlotLink | null =>
  slotLink(card.needsSplit ? { ...card, lanes: Math.min(card.lanes, SPLIT_LANES) } : card, slot);

/** Devices that show on such a card where its slot has so many lanes; null while that is not known. */
export function devicesShown(
  { needsSplit, lanes }: Pick<Card, 'needsSplit' | 'lanes'>,
  slot: Slot,
): number | null {
  if (!needsSplit) return null;
  const wired = valueOf(slot.lanes);
  if (wired === null || wired === 0) return wired;
  // With fewer lanes than one wants the first still comes up.
  return Math.max(1, Math.floor(Math.min(wired, lanes) / SPLIT_LANES));
}

function ask(card: LinkedCard, slot: Slot): SlotLink | null {
  if (slot.bus === 'pci') {
    return alone(null, {
      low: CLASSIC_PCI_BYTES_PER_SECOND * CLASSIC_PCI_SHARE,
      high: CLASSIC_PCI_BYTES_PER_SECOND,
    });
  }
  if (card.m2 !== null && card.m2.signal !== 'pcie') {
    const [low, high] = MODULE_BYTES_PER_SECOND[card.m2.signal];
    return alone(null, { low, high });
  }
  const lanes = valueOf(slot.lanes);
  const generation = valueOf(slot.generation);
  if (lanes === null || generation === null) return null;
  // Dead while another slot is used: no link at all.
  if (lanes === 0) return alone(null, { low: 0, high: 0 });
  const link = trainedLink(
    { generation: card.generation, width: card.lanes },
    { generation, width: lanes },
  );
  const own = bandOf(link);
  const uplink = valueOf(slot.uplink);
  if (uplink === null) return alone(link, own);
  const above = bandOf({ generation: uplink.generation, width: uplink.lanes });
  return {
    link,
    low: Math.min(own.low, above.low),
    high: Math.min(own.high, above.high),
    narrowedBy: above.high < own.high ? uplink.name : null,
    own,
    uplink: { ...above, id: uplink.id, name: uplink.name },
  };
}

const bandOf = (link: Link): Band => ({
  low: reckonedBytesPerSecond(link),
  high: bestBytesPerSecond(link),
});
