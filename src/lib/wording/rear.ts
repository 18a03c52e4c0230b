/** Sockets at the back of a machine and where their leads go, in words. */
import type { LeadEnd, RearSocketKind, RearSockets } from '$core';
import { SCREEN_ADAPTER_WORDS } from './things';

const SOCKET_WORDS: Readonly<Record<RearSocketKind, string>> = {
  displayport: 'DisplayPort',
  miniDisplayport: 'small DisplayPort',
  hdmi: 'HDMI',
  dvi: 'DVI',
  analogue: 'analogue',
  usbA: 'USB-A',
  usbC: 'USB-C',
  network: 'network',
  aerial: 'aerial',
  jack: '3.5 mm',
  optical: 'optical',
  serial: 'serial',
  parallel: 'parallel',
};

export const socketWords = ({ kind, count }: RearSockets): string =>
  `${count > 1 ? `${count} × ` : ''}${SOCKET_WORDS[kind]}`;

/** Where it leads; an adapter is said after it. */
export function leadEndWords(end: LeadEnd): string {
  switch (end.to) {
    case 'screen': {
      const screen = end.name === null ? `to screen ${end.number}` : `to ${end.name}`;
      return end.adapter === null ? screen : `${screen}, ${SCREEN_ADAPTER_WORDS[end.adapter]}`;
    }
    case 'otherCard':
      return `to another card${end.adapter === null ? '' : `, ${SCREEN_ADAPTER_WORDS[end.adapter]}`}`;
    case 'farEnd':
      return 'to the far end';
    case 'usbDevice':
      return 'to its device';
    case 'speakers':
      return 'to speakers';
    case 'device':
      return 'to its device';
    case 'box':
      return 'to box or dock';
    case 'aerial':
      return 'aerial on';
    case 'free':
      return 'free';
  }
}
