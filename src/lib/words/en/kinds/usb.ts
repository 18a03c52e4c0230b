/** Words of USB cards, and of needs for USB ports. */
import type { DeliveryOf, NeedOf } from '$core/kinds';
import { counted, figure, inMegabytes } from '../figures';
import { USB_DEVICE_WORDS } from '../things';
import { QUIET, THRICE, copyTo } from './guides';
import { IN_BYTES, READ_OR_WRITTEN, list, type CardWords, type NeedWords } from './kindWords';

const USB_WORDS = {
  '2.0': '2.0',
  '3.2-1': '3.2 Gen 1',
  '3.2-2': '3.2 Gen 2',
  '3.2-2x2': '3.2 Gen 2x2',
} as const;

export const usbCard: CardWords<DeliveryOf<'usb'>> = {
  name: 'USB',
  option: 'USB',
  columns: {
    ports: 'USB ports at the back',
    signalling: 'USB',
    typeC: 'Type-C at the back',
    milliamps: 'mA each',
  },
  delivers: ({ ports, signalling }) =>
    `${ports === 0 ? 'none' : counted(ports, 'port')} at the back, USB ${USB_WORDS[signalling]}`,
};

export const usbNeed: NeedWords<NeedOf<'usb'>> = {
  name: 'USB',
  rate: IN_BYTES,
  direction: READ_OR_WRITTEN,
  stands: null,
  asks: ({ ports, typeC, where, bytesPerSecond, milliamps, device }) =>
    list(
      `${ports}${typeC ? ' Type-C' : ''} at the ${where === 'rear' ? 'back' : 'front'}`,
      `${inMegabytes(bytesPerSecond)} on one`,
      milliamps > 0 ? `${figure(milliamps, 'mA')} each` : '',
      device === null ? '' : `for ${USB_DEVICE_WORDS[device]}`,
    ),
  guide: (_need, at) => ({
    first: [
      'Straight into the port: no hub, and the lead that the device came with.',
      QUIET,
      `Copy at least ${at.gigabytes} GB in one file, from a drive that is faster than the port. ${THRICE}`,
    ],
    ways: copyTo('DEVICE', at),
  }),
};
