/** Sockets at the back of a machine and where their leads go, in words. */
import type { LeadEnd } from '$core/kinds';
import type { RearSocketKind } from '$core/standards';
import type { RearSockets } from '$core/assembly';
import { plural } from './figures';
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

/** A lead by the socket that it goes into. */
export const REAR_LEAD_WORDS: Readonly<
  Record<RearSocketKind, { readonly one: string; readonly many: string }>
> = {
  displayport: { one: 'the DisplayPort lead', many: 'DisplayPort leads' },
  miniDisplayport: { one: 'the small DisplayPort lead', many: 'small DisplayPort leads' },
  hdmi: { one: 'the HDMI lead', many: 'HDMI leads' },
  dvi: { one: 'the DVI lead', many: 'DVI leads' },
  analogue: { one: 'the analogue lead', many: 'analogue leads' },
  usbA: { one: 'the USB-A lead', many: 'USB-A leads' },
  usbC: { one: 'the USB-C lead', many: 'USB-C leads' },
  network: { one: 'the network lead', many: 'network leads' },
  aerial: { one: 'the aerial', many: 'aerials' },
  jack: { one: 'the 3.5 mm lead', many: '3.5 mm leads' },
  optical: { one: 'the optical lead', many: 'optical leads' },
  serial: { one: 'the serial lead', many: 'serial leads' },
  parallel: { one: 'the parallel lead', many: 'parallel leads' },
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

/** “number 3”, “numbers 3 and 4”. */
export const numberWords = (numbers: readonly number[]): string =>
  `${plural(numbers.length, 'number', 'numbers')} ${numbers.join(' and ')}`;
