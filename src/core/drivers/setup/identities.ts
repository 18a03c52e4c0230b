/**
 * The identities by which a setup file may name a device, the closest first: its own, and those of devices like it.
 * Source: the published identifiers of PCI and USB devices (from memory).
 */
import type { PciFunction } from '../../parts/pciFunction.ts';
import { inHex } from '../../units.ts';

export interface DeviceIdentities {
  /** In capitals, the closest first. */
  readonly hardware: readonly string[];
  readonly compatible: readonly string[];
}

type Named = Pick<
  PciFunction,
  'vendor' | 'device' | 'subsystem' | 'classCode' | 'programmingInterface'
> & {
  /** Null: nobody knows, of a card that is not in a machine yet. */
  readonly revision: number | null;
};

export function pciIdentities(of: Named): DeviceIdentities {
  const hex = (value: number, digits: number) => inHex(value, digits).toUpperCase();
  const vendor = `PCI\\VEN_${hex(of.vendor, 4)}`;
  const device = `${vendor}&DEV_${hex(of.device, 4)}`;
  const revised = (id: string): readonly string[] =>
    of.revision === null ? [] : [`${id}&REV_${hex(of.revision, 2)}`];
  const byClass = `CC_${hex(of.classCode, 4)}`;
  const byInterface = `${byClass}${hex(of.programmingInterface, 2)}`;
  const board =
    of.subsystem === null
      ? null
      : `${device}&SUBSYS_${hex(of.subsystem.device, 4)}${hex(of.subsystem.vendor, 4)}`;
  return {
    hardware: [
      ...(board === null ? [] : [...revised(board), board]),
      ...revised(device),
      device,
      `${device}&${byInterface}`,
      `${device}&${byClass}`,
    ],
    compatible: [
      `${vendor}&${byInterface}`,
      `${vendor}&${byClass}`,
      vendor,
      `PCI\\${byInterface}`,
      `PCI\\${byClass}`,
    ],
  };
}

const USB_INSTANCE =
  /^USB\\VID_([0-9A-F]{4})&PID_([0-9A-F]{4})(&REV_[0-9A-F]{4})?(&MI_[0-9A-F]{2})?/;

/** Of a device at a USB port, by the name under which a system lists it; null for what is none. */
export function usbIdentities(instance: string): DeviceIdentities | null {
  const found = USB_INSTANCE.exec(instance.toUpperCase());
  if (found === null) return null;
  const [, vendor = '', product = '', revision = '', part = ''] = found;
  const device = `USB\\VID_${vendor}&PID_${product}`;
  return {
    hardware: [...new Set([`${device}${revision}${part}`, `${device}${part}`])],
    compatible: [],
  };
}
