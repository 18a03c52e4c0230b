/** What a card brings, in one line. */
import type { Card, Delivery } from '$core';
import { counted, wireWords } from './figures';
import { OTHER_DEVICE_WORDS } from './things';

export function deliveryWords(delivers: Delivery): string {
  switch (delivers.kind) {
    case 'network':
      return `${counted(delivers.ports, 'port')}, up to ${wireWords(Math.max(...delivers.megabits))}`;
    case 'usb':
      return `${delivers.ports === 0 ? 'none' : counted(delivers.ports, 'port')} at the back, USB ${USB_WORDS[delivers.signalling]}`;
    case 'screens':
      return `${counted(delivers.most, 'screen')}, ${delivers.memoryGigabytes} GB, class ${delivers.speedClass}`;
    case 'wifi':
      return `radio ${delivers.radioMegabits} Mb/s${delivers.bluetooth ? ', Bluetooth' : ''}`;
    case 'drives':
      return `${counted(delivers.ports, delivers.socket === 'sata' ? 'SATA drive' : 'module')}${
        delivers.ownPorts < delivers.ports ? ` on ${counted(delivers.ownPorts, 'port')}` : ''
      }${delivers.sataModules > 0 ? `, ${counted(delivers.sataModules, 'SATA module')} led to the board` : ''}`;
    case 'sound':
      return `${delivers.channels} channels${delivers.optical ? ', optical' : ''}`;
    case 'serialLink':
      return `${counted(delivers.ports, 'port')}, ${delivers.gigabits} Gb/s`;
    case 'otherDevice':
      return `${delivers.units} × ${OTHER_DEVICE_WORDS[delivers.what]}`;
    case 'legacy':
      return [
        delivers.serial > 0 ? `${delivers.serial} serial` : '',
        delivers.parallel > 0 ? `${delivers.parallel} parallel` : '',
      ]
        .filter((part) => part !== '')
        .join(', ');
  }
}

/** What it goes into, in a word or two. */
export const busWords = ({ bus, generation, lanes, m2 }: Card): string =>
  bus === 'pci'
    ? 'PCI'
    : bus === 'm2'
      ? `M.2 ${m2?.keys.join('+') ?? ''}`
      : `Gen ${generation} x${lanes}`;

const USB_WORDS = {
  '2.0': '2.0',
  '3.2-1': '3.2 Gen 1',
  '3.2-2': '3.2 Gen 2',
  '3.2-2x2': '3.2 Gen 2x2',
} as const;
