/** Needs in one line, and what a kind is called. */
import type { Need, NeedKind } from '$core';
import { inMegabytes, modeWords } from './figures';

export const KIND_WORDS: Readonly<Record<NeedKind, string>> = {
  network: 'Network',
  usb: 'USB at the back',
  screens: 'Screens',
  wifi: 'Wi-Fi',
  drives: 'Drives',
  sound: 'Sound',
};

export function needWords(need: Need): string {
  switch (need.kind) {
    case 'network':
      return `Copies at ${inMegabytes(need.bytesPerSecond)}`;
    case 'usb':
      return `${need.ports} ports, ${inMegabytes(need.bytesPerSecond)} on one`;
    case 'screens':
      return `${need.count} of ${modeWords(need.mode)}`;
    case 'wifi':
      return `${need.megabits} Mb/s${need.bluetooth ? ' with Bluetooth' : ''}`;
    case 'drives':
      return `${need.ports} drives, ${inMegabytes(need.bytesPerSecond)} each together`;
    case 'sound':
      return `${need.channels} channels`;
  }
}
