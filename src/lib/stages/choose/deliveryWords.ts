/** What a card brings, in one line. */
import type { Delivery } from '$core';
import { wireWords } from '$lib/wording/figures';

export function deliveryWords(delivers: Delivery): string {
  switch (delivers.kind) {
    case 'network':
      return `${ports(delivers.ports)}, up to ${wireWords(Math.max(...delivers.megabits))}`;
    case 'usb':
      return `${ports(delivers.ports)}, USB ${USB_WORDS[delivers.signalling]}`;
    case 'screens':
      return `${delivers.most} screens at once`;
    case 'wifi':
      return `radio ${delivers.radioMegabits} Mb/s${delivers.bluetooth ? ', Bluetooth' : ''}`;
    case 'drives':
      return `${delivers.ports} ${delivers.socket === 'sata' ? 'SATA' : 'M.2'} drive${delivers.ports === 1 ? '' : 's'}`;
    case 'sound':
      return `${delivers.channels} channels`;
  }
}

const ports = (count: number): string => `${count} port${count === 1 ? '' : 's'}`;

const USB_WORDS = {
  '2.0': '2.0',
  '3.2-1': '3.2 Gen 1',
  '3.2-2': '3.2 Gen 2',
  '3.2-2x2': '3.2 Gen 2x2',
} as const;
