/** What a file of evidence is, told by what stands in it; its name decides only where the contents cannot. */
import { isBundle } from './bundle.ts';
import { startsAsEdid } from './screens/edid.ts';
import { END_OF_TABLE, LARGEST_TABLE, hasEntryPoint } from './firmware/structures.ts';
import { isResultTable } from './results/table.ts';
import { bytesFromText, decodeText, looksBinary } from './text.ts';

export type EvidenceKind =
  | 'bundle'
  | 'lspci'
  | 'lspciMachine'
  | 'pciconf'
  | 'attached'
  | 'configSpace'
  | 'firmwareTable'
  | 'firmwareEntry'
  | 'dmidecode'
  | 'edid'
  | 'osRelease'
  | 'uname'
  | 'modulesAlias'
  | 'ipLink'
  | 'ethtool'
  | 'deviceList'
  | 'hardwareReport'
  | 'smartctl'
  | 'iperf3'
  | 'fio'
  | 'copies'
  | 'radio'
  | 'nvme'
  | 'resultTable'
  | 'loadedDrivers'
  | 'systemFacts'
  | 'driverSetup'
  | 'links'
  | 'pciIds'
  | 'usbIds';

export type Recognised =
  | { readonly kind: EvidenceKind; readonly bytes: Uint8Array; readonly text: null }
  | { readonly kind: EvidenceKind; readonly bytes: null; readonly text: string }
  | null;

/** As much of a text as is looked at. */
const HEAD_LETTERS = 64 * 1024;
const ENTRY_POINT_BYTES = 32;

/** Path of a device's registers as Linux offers them. */
export const CONFIG_PATH = /([0-9a-f]{4,8}:[0-9a-f]{2}:[0-9a-f]{2}\.[0-7])[/-]config(?:\.hex)?$/;

const BY_NAME: readonly (readonly [RegExp, EvidenceKind])[] = [
  [/(^|\/|› )loaded-drivers$/, 'loadedDrivers'],
  [/(^|\/|› )system-facts$/, 'systemFacts'],
  [/(^|\/|› )links$/, 'links'],
  [/(^|\/)pci\.ids$/, 'pciIds'],
  [/(^|\/)usb\.ids$/, 'usbIds'],
];

/** In this order: a report of devices may quote nearly anything. */
const BY_CONTENT: readonly (readonly [RegExp, EvidenceKind])[] = [
  [/"smartctl"\s{0,9}:\s{0,9}\{/, 'smartctl'],
  [/"version"\s{0,9}:\s{0,9}"iperf 3/, 'iperf3'],
  [/"fio version"\s{0,9}:/, 'fio'],
  [/"avail_spare"\s{0,9}:/, 'nvme'],
  [/"SP(?:PCI|Software|Hardware)DataType"\s{0,9}:/, 'hardwareReport'],
  [/<string>SP(?:PCI|Software|Hardware)DataType<\/string>/, 'hardwareReport'],
  [/^(?:PCI|PCI Cards|Software|Hardware):[ \t]{0,9}\r?\n\s/m, 'hardwareReport'],
  [/^#\s*List of PCI ID/m, 'pciIds'],
  [/^#\s*List of USB ID/m, 'usbIds'],
  [/^Slot:\t/m, 'lspciMachine'],
  [/^[a-z][a-z0-9_]{0,30}\d{1,5}@pci\d/m, 'pciconf'],
  [/^pci\d{1,5}: <[^>\n]{0,200}> (?:numa-domain \d{1,3} )?on pcib\d/m, 'attached'],
  [/^(?:[0-9a-f]{4,8}:)?[0-9a-f]{2}:[0-9a-f]{2}\.[0-7] \S/m, 'lspci'],
  [/^Handle 0x[0-9A-F]+, DMI type \d+/m, 'dmidecode'],
  [/^alias pci:/m, 'modulesAlias'],
  [/^Settings for \S+:/m, 'ethtool'],
  [/"ifname"\s*:/, 'ipLink'],
  // A driver's setup file names devices that it drives: none of them need be in this machine.
  [/^[ \t]*\[version\][ \t]*\r?$/im, 'driverSetup'],
  [/VEN_[0-9A-F]{4}&|VID_[0-9A-F]{4}&|\\\\?ACPI|^"?InstanceId/i, 'deviceList'],
  [/^Connected to [0-9a-f:]{17} \(on |\(Mbps\)\s{1,40}: \d/im, 'radio'],
  [/^PRETTY_NAME=|^VERSION_ID=/m, 'osRelease'],
  [/^(?:Linux|FreeBSD|NetBSD|OpenBSD|DragonFly) (?:\S+ )?\d+\.\d+/m, 'uname'],
];

/** What copy tools print at their end, behind whatever they copied. */
const TAIL_LETTERS = 4 * 1024;
const COPIED: readonly RegExp[] = [
  /^\d{1,18} \S{1,12} (?:\([^)\n]{0,40}\) \S{1,20}, \d|transferred in \d)/m,
  /^\d{1,9}\+\d{1,9} records out$/m,
  /^sent [\d,.]{1,24} bytes {1,4}received \d/m,
  /\s100% {1,4}\d{1,7}[KMGT]?B {1,4}\d/,
  /:\s{1,40}\d[\d.,\u00a0' ]{0,24} Bytes\/\S/i,
];

export function recognise(name: string, content: Uint8Array | string): Recognised {
  return typeof content === 'string' ? recogniseText(name, content) : recogniseFile(name, content);
}

function recogniseFile(name: string, bytes: Uint8Array): Recognised {
  const binary = recogniseBytes(name, bytes);
  if (binary !== null) return { kind: binary, bytes, text: null };
  return looksBinary(bytes) ? null : recogniseText(name, decodeText(bytes));
}

function recogniseText(name: string, text: string): Recognised {
  if (isBundle(text)) return { kind: 'bundle', bytes: null, text };
  const head = text.slice(0, HEAD_LETTERS);
  const named = BY_NAME.find(([pattern]) => pattern.test(name))?.[1];
  if (named !== undefined) return { kind: named, bytes: null, text };
  const coded = bytesFromText(text);
  if (coded !== null) {
    const kind = recogniseBytes(name, coded);
    if (kind !== null) return { kind, bytes: coded, text: null };
  }
  const kind = BY_CONTENT.find(([pattern]) => pattern.test(head))?.[1];
  if (kind !== undefined) return { kind, bytes: null, text };
  if (isResultTable(head.split('\n', 1)[0] ?? ''))
    return { kind: 'resultTable', bytes: null, text };
  const tail = text.slice(-TAIL_LETTERS);
  return COPIED.some((pattern) => pattern.test(tail))
    ? { kind: 'copies', bytes: null, text }
    : null;
}

function recogniseBytes(name: string, bytes: Uint8Array): EvidenceKind | null {
  if (startsAsEdid(bytes)) return 'edid';
  if (CONFIG_PATH.test(name) && bytes.length >= 64) return 'configSpace';
  if (hasEntryPoint(bytes)) {
    return bytes.length <= ENTRY_POINT_BYTES ? 'firmwareEntry' : 'firmwareTable';
  }
  return startsAsTable(bytes) ? 'firmwareTable' : null;
}

/** The raw table has no mark: it is known by its structures, which follow each other up to the one that ends it. */
function startsAsTable(bytes: Uint8Array): boolean {
  if (bytes.length > LARGEST_TABLE) return false;
  let at = 0;
  while (at + 4 <= bytes.length) {
    const [type, length = 0] = [bytes[at], bytes[at + 1]];
    if (length < 4) return false;
    if (type === END_OF_TABLE) return at > 0;
    at += length;
    while (at + 1 < bytes.length && (bytes[at] !== 0 || bytes[at + 1] !== 0)) at += 1;
    at += 2;
  }
  return false;
}
