/** USB ports as they run. */
import type { Machine } from '../../document/machine.ts';
import { SERIAL_LINK_USB } from '../../standards/serialLink.ts';
import { USB, USB_DEVICE_BYTES_PER_SECOND } from '../../standards/usb.ts';
import {
  always,
  faultsAt,
  never,
  once,
  one,
  ownDriveParts,
  type InSlot,
  type Make,
  type Measuring,
  type Part,
  type RunningKind,
} from '../running.ts';
import type { UsbNeed } from './need.ts';

function parts(
  { device, deviceSignalling }: UsbNeed,
  { card: { delivers } }: InSlot,
  machine: Machine,
  _how: Measuring,
  make: Make,
): readonly Part[] {
  const signalling = delivers.kind === 'usb' ? delivers.signalling : SERIAL_LINK_USB.signalling;
  const port = make('usbLink', USB[signalling].practiceBytesPerSecond);
  if (device === null) return [port];
  const own = USB_DEVICE_BYTES_PER_SECOND[device];
  const socket = USB[deviceSignalling].practiceBytesPerSecond;
  return [
    port,
    make('usbDevice', [Math.min(own[0], socket[0]), Math.min(own[1], socket[1])], true),
    ...ownDriveParts(machine, 'write', make, 1),
  ];
}

export const usbRunning: RunningKind<UsbNeed> = {
  isOverLink: always,
  isThroughCard: true,
  wobbles: true,
  feelsLink: false,
  files: ({ device }) => (device === 'disk' ? 'disk' : 'solidState'),
  streams: one,
  gain: once,
  parts,
  faults: ({ device }, { card: { delivers } }) => [
    ...(delivers.kind === 'usb' && delivers.signalling === '2.0'
      ? []
      : faultsAt('usbLink', 'usbLeadOld', 'usbPlugLoose')),
    ...faultsAt('usbDevice', 'usbDeviceSlow'),
    ...faultsAt('files', 'smallFiles'),
    ...(device === null ? [] : faultsAt('ownDrive', 'ownDriveSlow')),
  ],
  missesDrive: never,
};
