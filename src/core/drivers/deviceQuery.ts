/** What a driver is asked for: a device by the names that setup files, kernels and makers' lists know it by. */
import { memoOf } from '../memo.ts';
import type { Card } from '../document/card.ts';
import type { Machine } from '../document/machine.ts';
import { deviceId, emptyFunction, type PciFunction } from '../parts/pciFunction.ts';
import { modalias } from './moduleMatching.ts';
import { pciIdentities, usbIdentities, type DeviceIdentities } from './setup/identities.ts';

export interface DeviceQuery {
  /** `vendor:device` in hexadecimal; null for what is no PCI device. */
  readonly id: string | null;
  readonly identities: DeviceIdentities;
  /** The name by which a kernel asks for a module; null for what is no PCI device. */
  readonly modalias: string | null;
  /** Null where nobody knows. */
  readonly class24: number | null;
  /** Year it came to market; null where nobody knows. */
  readonly year: number | null;
}

type CardNamed = Pick<Card, 'ids'> & { readonly year: number | null };

/** A card before it is in a machine: nothing is known of its revision and of whose board it is. */
export const cardQuery = memoOf(({ ids, year }: CardNamed): DeviceQuery => {
  const fn = {
    ...emptyFunction(''),
    ...ids,
    classCode: ids.class24 >> 8,
    programmingInterface: ids.class24 & 0xff,
  };
  return {
    id: deviceId(ids),
    identities: pciIdentities({ ...fn, revision: null }),
    modalias: modalias(fn),
    class24: ids.class24,
    year,
  };
});

export const functionQuery = memoOf((fn: PciFunction): DeviceQuery => ({
  id: deviceId(fn),
  identities: pciIdentities(fn),
  modalias: modalias(fn),
  class24: (fn.classCode << 8) | fn.programmingInterface,
  year: null,
}));

const PCI_INSTANCE =
  /^PCI\\VEN_([0-9A-F]{4})&DEV_([0-9A-F]{4})(?:&SUBSYS_([0-9A-F]{4})([0-9A-F]{4}))?(?:&REV_([0-9A-F]{2}))?/i;

/** A device of which a list gives only the name that the system has for it; null where that tells nothing. */
export function instanceQuery(instance: string): DeviceQuery | null {
  const usb = usbIdentities(instance);
  if (usb !== null) return { id: null, identities: usb, modalias: null, class24: null, year: null };
  const found = PCI_INSTANCE.exec(instance);
  if (found === null) return null;
  const hex = (digits: string | undefined) => parseInt(digits ?? '', 16);
  const [, vendor, device, boardDevice, boardVendor, revision] = found;
  const fn: PciFunction = {
    ...emptyFunction(''),
    vendor: hex(vendor),
    device: hex(device),
    subsystem:
      boardDevice === undefined ? null : { vendor: hex(boardVendor), device: hex(boardDevice) },
  };
  const { hardware } = pciIdentities({
    ...fn,
    revision: revision === undefined ? null : hex(revision),
  });
  // Its class is not told, and it is known by nothing that has one.
  const named = hardware.filter((each) => !each.includes('&CC_'));
  return {
    id: deviceId(fn),
    identities: { hardware: named, compatible: [] },
    modalias: null,
    class24: null,
    year: null,
  };
}

/** Everything of the machine that a driver can be asked for. */
export const machineQuery = ({
  functions,
  inTrouble,
}: Pick<Machine, 'functions' | 'inTrouble'>): readonly DeviceQuery[] => [
  ...functions.map(functionQuery),
  ...inTrouble.flatMap(({ id }) => instanceQuery(id) ?? []),
];
