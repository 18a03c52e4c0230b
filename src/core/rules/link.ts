/** Is the link in the slot all that the card can use? */
import type { Card } from '../document/card.ts';
import type { Slot } from '../document/machine.ts';
import { mostBytesPerSecond } from '../kinds/delivery.ts';
import { drivesKeptBusy } from '../kinds/drives/ports.ts';
import type { Finding } from './finding.ts';
import { slotLink } from '../placement/slotLink.ts';

export function link(card: Card, slot: Slot): Finding {
  const got = slotLink(card, slot);
  if (got === null) return { code: 'link.slotUnknown', verdict: 'unknown' };
  const needed = mostBytesPerSecond(card.delivers);
  const figures = { needed, available: got.high, unit: 'B/s' } as const;
  if (needed === 0) return { code: 'link.plenty', verdict: 'clear', ...figures };
  if (got.high >= needed) return { code: 'link.enough', verdict: 'clear', ...figures };
  const drives = drivesKeptBusy(card.delivers, got.high);
  if (drives !== null)
    return {
      code: 'link.fewDrives',
      verdict: 'limited',
      needed: drives.ports,
      available: drives.busy,
      unit: 'count',
    };
  return got.narrowedBy === null
    ? { code: 'link.narrowed', verdict: 'limited', ...figures }
    : { code: 'link.uplinkNarrows', verdict: 'limited', subject: got.narrowedBy, ...figures };
}
