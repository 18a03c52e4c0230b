/** The open lists of device names, `pci.ids` and `usb.ids`: names by numbers. Format as their own headers describe it. */
import type { ProblemList } from './problem.ts';
import type { TextReader } from './reader.ts';

export const pciIds = {
  kind: 'pciIds',
  name: /(^|\/)pci\.ids$/,
  head: [/^#\s*List of PCI ID/m],
  read(text, problems) {
    const { size } = readIdList(text, problems).devices;
    return { found: size, says: { pciLists: size > 0 ? [text] : [] } };
  },
} satisfies TextReader;

export const usbIds = {
  kind: 'usbIds',
  name: /(^|\/)usb\.ids$/,
  head: [/^#\s*List of USB ID/m],
  read(text, problems) {
    const { size } = readIdList(text, problems).devices;
    return { found: size, says: { usbLists: size > 0 ? [text] : [] } };
  },
} satisfies TextReader;

export interface IdList {
  readonly vendors: ReadonlyMap<number, string>;
  /** By vendor × 65536 + device. */
  readonly devices: ReadonlyMap<number, string>;
}

const LONGEST_LIST = 8 * 1024 * 1024;
const ENTRY = /^(\t?)([0-9a-f]{4}) {2}(.+)$/;

const deviceKey = (vendor: number, device: number): number => vendor * 0x10000 + device;

/** Vendors and devices; what lies deeper (subsystems) or behind (classes) is not needed and passed over. */
export function readIdList(input: string, problems: ProblemList): IdList {
  const vendors = new Map<number, string>();
  const devices = new Map<number, string>();
  if (input.length > LONGEST_LIST) {
    problems.add({ code: 'input.tooLarge', expected: `${LONGEST_LIST}`, found: `${input.length}` });
    return { vendors, devices };
  }
  let vendor: number | null = null;
  for (const line of input.split('\n')) {
    if (line === '' || line.startsWith('#') || line.startsWith('\t\t')) continue;
    const match = ENTRY.exec(line);
    if (match === null) {
      // A new section, such as the classes: its entries look like devices but are none.
      if (!line.startsWith('\t')) vendor = null;
      continue;
    }
    const [, indent, digits, name] = match as unknown as [string, string, string, string];
    const code = parseInt(digits, 16);
    if (indent === '') {
      vendor = code;
      vendors.set(code, name.trim());
    } else if (vendor !== null) devices.set(deviceKey(vendor, code), name.trim());
  }
  if (devices.size === 0) problems.add({ code: 'names.nothingFound', line: 1 });
  return { vendors, devices };
}

/** “Maker Model”, as far as the list knows; null where it knows neither. */
export function nameIn(list: IdList, vendor: number, device: number): string | null {
  const maker = list.vendors.get(vendor);
  const model = list.devices.get(deviceKey(vendor, device));
  if (maker === undefined) return null;
  return `${maker} ${model ?? 'device'}`.slice(0, 200);
}
