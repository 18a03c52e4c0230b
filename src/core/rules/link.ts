/** Is the link in the slot all that the card can use? */
import type { Card } from '../document/card.ts';
import type { Slot } from '../document/machine.ts';
import { tcpBytesPerSecond } from '../standards/ethernet.ts';
import { serialLinkBytesPerSecond } from '../standards/serialLink.ts';
import { DRIVES } from '../standards/storage.ts';
import { USB } from '../standards/usb.ts';
import { WIFI_SHARE } from '../standards/wifi.ts';
import { megabitsToBytesPerSecond, row } from '../units.ts';
import type { Finding } from './finding.ts';
import { slotLink } from '../placement/slotLink.ts';

export function link(card: Card, slot: Slot): Finding {
  const got = slotLink(card, slot);
  if (got === null) return { code: 'link.slotUnknown', verdict: 'unknown' };
  const needed = usableBytesPerSecond(card);
  const figures = { needed, available: got.high, unit: 'B/s' } as const;
  if (needed === 0) return { code: 'link.plenty', verdict: 'clear', ...figures };
  if (got.high >= needed) return { code: 'link.enough', verdict: 'clear', ...figures };
  if (card.delivers.kind === 'drives' && card.delivers.ownPorts > 1) {
    const { ownPorts, socket } = card.delivers;
    const each = row(DRIVES, socket).practiceBytesPerSecond[1];
    return {
      code: 'link.fewDrives',
      verdict: 'limited',
      needed: ownPorts,
      available: Math.floor(got.high / each),
      unit: 'count',
    };
  }
  return got.narrowedBy === null
    ? { code: 'link.narrowed', verdict: 'limited', ...figures }
    : { code: 'link.uplinkNarrows', verdict: 'limited', subject: got.narrowedBy, ...figures };
}

/**
 * The most a card can use with everything on it busy, in bytes per second. Graphics for screens alone use
 * little of their link: eight lanes do as well as sixteen (common practice, no source), so nothing is asked.
 */
export function usableBytesPerSecond(card: Card): number {
  const { delivers } = card;
  switch (delivers.kind) {
    case 'network':
      return delivers.ports * tcpBytesPerSecond(Math.max(...delivers.megabits));
    case 'usb':
      // One port at full speed: several at once share it, as every USB card does.
      return row(USB, delivers.signalling).practiceBytesPerSecond[1];
    case 'drives':
      return delivers.ownPorts * row(DRIVES, delivers.socket).practiceBytesPerSecond[1];
    case 'wifi':
      return megabitsToBytesPerSecond(delivers.radioMegabits) * WIFI_SHARE.sameRoom[1];
    case 'serialLink':
      return serialLinkBytesPerSecond(delivers.gigabits);
    case 'otherDevice':
      return delivers.bytesPerSecond;
    case 'screens':
    case 'sound':
    case 'legacy':
      return 0;
  }
}
