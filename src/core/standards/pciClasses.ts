/**
 * Names of device classes, and the classes every current system drives itself.
 * Source: PCI Code and ID Assignment Specification (from memory).
 */
import { inHex } from '../units.ts';

/** By base class and subclass, as one 16-bit number. */
const CLASS_NAMES: Readonly<Record<number, string>> = {
  0x0100: 'SCSI storage controller',
  0x0101: 'IDE interface',
  0x0104: 'RAID bus controller',
  0x0106: 'SATA controller',
  0x0107: 'Serial attached SCSI controller',
  0x0108: 'Non-volatile memory controller',
  0x0200: 'Ethernet controller',
  0x0280: 'Network controller',
  0x0300: 'VGA compatible controller',
  0x0302: '3D controller',
  0x0380: 'Display controller',
  0x0400: 'Multimedia video controller',
  0x0401: 'Multimedia audio controller',
  0x0403: 'Audio device',
  0x0500: 'RAM memory',
  0x0600: 'Host bridge',
  0x0601: 'ISA bridge',
  0x0604: 'PCI bridge',
  0x0607: 'CardBus bridge',
  0x0700: 'Serial controller',
  0x0701: 'Parallel controller',
  0x0780: 'Communication controller',
  0x0c00: 'FireWire',
  0x0c03: 'USB controller',
  0x0c05: 'SMBus',
};

export const CLASS_BRIDGE = 0x0604;

/** The name of a 16-bit class, or its number in hexadecimal where the table has none. */
export function className(classCode: number): string {
  return CLASS_NAMES[classCode] ?? `Class ${inHex(classCode, 4)}`;
}
