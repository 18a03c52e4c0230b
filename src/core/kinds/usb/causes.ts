/** What may hold USB ports back: what the lead comes up at, and what is plugged in. */
import type { Delivery } from '../delivery.ts';
import { USB } from '../../standards/usb.ts';
import type { Described } from '../component.ts';
import { FILES, OWN_DRIVE, isOf } from '../components.ts';
import type { Flow } from '../flow.ts';
import type { OfCard, ServingCard } from '../proof.ts';
import type { UsbNeed } from './need.ts';

export const usbCauses = (
  { device }: UsbNeed,
  _flow: Flow,
  card: ServingCard,
  { all }: OfCard,
): readonly Described[] => [
  ...all,
  usbLinkOf(card),
  USB_DEVICE,
  FILES,
  ...(device === null ? [] : [OWN_DRIVE]),
];

/** Fast serial ports are as fast as any. */
const isOldPort = (delivers: Delivery): boolean =>
  delivers.kind === 'usb' && delivers.signalling === '2.0';

function usbLinkOf({ card }: ServingCard): Described {
  const isFaster = !isOldPort(card.delivers);
  const [low, high] = USB['2.0'].practiceBytesPerSecond;
  const carries = () => ({ low, high });
  return {
    what: 'usbLink',
    stages: isOf('cardPort'),
    checks: ['readUsbSpeed', 'swapUsbLead'],
    fallBacks: isFaster
      ? [
          { cause: 'usbLeadOld', shows: { readUsbSpeed: 'older', swapUsbLead: 'better' }, carries },
          { cause: 'usbPlugLoose', shows: { readUsbSpeed: 'older' }, carries },
        ]
      : [],
  };
}

const USB_DEVICE: Described = {
  what: 'usbDevice',
  stages: isOf('usbDevice'),
  checks: ['otherDevice'],
  fallBacks: [{ cause: 'usbDeviceSlow', shows: { otherDevice: 'better' } }],
};
