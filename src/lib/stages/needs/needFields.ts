/** The numbers and choices of each kind of need, as they are typed and ticked. */
import {
  ENCODINGS,
  NETWORK_FEATURES,
  OTHER_DEVICES,
  SCREEN_INPUTS,
  SERIAL_LINK_GIGABITS,
  USB_DEVICES,
  USB_SIGNALLING,
  WANTED_DRIVES,
  WIFI_BANDS,
} from '$core/standards';
import { Need, needKindOf, type NeedKind } from '$core/kinds';
import { valueAt, withValueAt } from '$core/paths';
import { DRIVER_SCOPE_WORDS } from '$lib/wording/kinds/drivers';
import { SPEED_CLASS_WORDS, WANTED_DRIVE_WORDS } from '$lib/wording/choices';
import {
  ENCODING_WORDS,
  FEATURE_WORDS,
  INPUT_WORDS,
  OTHER_DEVICE_WORDS,
  USB_DEVICE_WORDS,
} from '$lib/wording/things';

type Option = readonly [value: string | number | boolean | null, label: string];

export type NeedField = {
  /** Property names with dots between. */
  readonly path: string;
  readonly label: string;
} & (
  | { readonly as: 'number'; readonly most: number; readonly scale: number; readonly least: number }
  | { readonly as: 'tick' }
  | { readonly as: 'choice'; readonly options: readonly Option[] }
  | { readonly as: 'ticks'; readonly options: readonly Option[] }
);

const number = (path: string, label: string, most: number, scale = 1, least = 1): NeedField => ({
  as: 'number',
  path,
  label,
  most,
  scale,
  least,
});
const tick = (path: string, label: string): NeedField => ({ as: 'tick', path, label });
const choice = (path: string, label: string, ...options: readonly Option[]): NeedField => ({
  as: 'choice',
  path,
  label,
  options,
});
const ticks = (path: string, label: string, ...options: readonly Option[]): NeedField => ({
  as: 'ticks',
  path,
  label,
  options,
});

const MEGABYTE = 1e6;

const NEED_FIELDS: Readonly<Record<NeedKind, readonly NeedField[]>> = {
  screens: [
    number('count', 'Screens', 8),
    choice('into', 'Joined to', ['screen', 'screens'], ['card', 'another card, by a loop lead']),
    number('mode.widthPx', 'Pixels across', 16_384),
    number('mode.heightPx', 'Pixels down', 16_384),
    number('mode.refreshHz', 'Refresh, Hz', 500),
    choice('bitsPerColour', 'Bits a colour', [8, '8'], [10, '10']),
    choice(
      'input',
      'Their socket',
      [null, 'whichever the card has'],
      ...SCREEN_INPUTS.map((input): Option => [input, INPUT_WORDS[input]]),
    ),
  ],
  graphics: [
    number('memoryGigabytes', 'Memory, GB', 256),
    choice('speedClass', 'Speed', ...SPEED_CLASS_WORDS.map((label, n): Option => [n + 1, label])),
    ticks(
      'encodes',
      'Encodes films as',
      ...ENCODINGS.map((each): Option => [each, ENCODING_WORDS[each]]),
    ),
  ],
  usb: [
    number('ports', 'Ports', 20),
    choice('where', 'At the', ['rear', 'back'], ['front', 'front']),
    number('bytesPerSecond', 'One alone, MB/s', 5_000, MEGABYTE),
    number('milliamps', 'Current per port, mA (0: any)', 5_000, 1, 0),
    tick('typeC', 'Type-C'),
    choice(
      'device',
      'Copied to or from',
      [null, 'whatever'],
      ...USB_DEVICES.map((each): Option => [each, USB_DEVICE_WORDS[each]]),
    ),
    choice(
      'deviceSignalling',
      'Its own socket',
      ...USB_SIGNALLING.map((each): Option => [each, `USB ${each}`]),
    ),
  ],
  network: [
    number('bytesPerSecond', 'Copy at, MB/s', 10_000, MEGABYTE),
    choice('direction', 'The copies go', ['to', 'to the far end'], ['from', 'from the far end']),
    number('ports', 'Ports', 8),
    choice(
      'team',
      'Several ports',
      ['none', 'each by itself'],
      ['throughput', 'as a team, for the sum'],
      ['survival', 'on separate cards, to survive a failure'],
    ),
    tick('encrypted', 'encrypted by the machine itself'),
    ticks(
      'features',
      'And',
      ...NETWORK_FEATURES.map((each): Option => [each, FEATURE_WORDS[each]]),
    ),
  ],
  wifi: [
    number('megabits', 'Rate, Mb/s', 10_000),
    ticks('bands', 'Bands', ...WIFI_BANDS.map((band): Option => [band, `${band} GHz`])),
    tick('bluetooth', 'with Bluetooth'),
  ],
  sound: [
    number('channels', 'Channels', 8),
    number('inputs', 'Inputs', 8, 1, 0),
    tick('optical', 'optical socket'),
    tick('front', 'front sockets too'),
  ],
  drives: [
    number('ports', 'Drives', 32),
    number('usableGigabytes', 'Or room for data, TB', 10_000, 1_000, 0),
    number('driveGigabytes', 'Of drives of, GB', 100_000),
    number('bytesPerSecond', 'Each, or as an array, MB/s', 50_000, MEGABYTE),
    choice('together', 'While', [true, 'all at work'], [false, 'one alone']),
    choice(
      'drive',
      'Socket',
      ...WANTED_DRIVES.map((each): Option => [each, WANTED_DRIVE_WORDS[each]]),
    ),
    choice('medium', 'They are', ['solidState', 'solid-state'], ['hardDisk', 'hard disks']),
    choice(
      'array',
      'Used',
      ['single', 'separately'],
      ['mirror', 'as a mirror'],
      ['stripe', 'as a stripe'],
      ['parity', 'with parity'],
    ),
    choice('direction', 'The figure is for', ['read', 'reading'], ['write', 'writing']),
    tick('usedDrives', 'used before'),
    tick('bootable', 'bootable'),
    tick('systemDriver', 'runs on the system’s own driver'),
  ],
  sas: [
    number('count', 'Drives', 256),
    choice('medium', 'They are', ['hardDisk', 'hard disks'], ['solidState', 'solid-state']),
    number('bytesPerSecond', 'Each, MB/s', 50_000, MEGABYTE),
    choice('together', 'While', [true, 'all at work'], [false, 'one alone']),
    choice('direction', 'The figure is for', ['read', 'reading'], ['write', 'writing']),
    tick('usedDrives', 'used before'),
    tick('bootable', 'bootable'),
  ],
  serialLink: [
    number('ports', 'Ports', 4),
    number('bytesPerSecond', 'MB/s', 10_000, MEGABYTE),
    choice('gigabits', 'Gb/s', ...SERIAL_LINK_GIGABITS.map((each): Option => [each, String(each)])),
  ],
  legacy: [
    number('ports', 'Ports', 8),
    choice('port', 'Kind', ['serial', 'serial'], ['parallel', 'parallel']),
  ],
  otherDevice: [
    choice(
      'what',
      'What',
      ...OTHER_DEVICES.map((each): Option => [each, OTHER_DEVICE_WORDS[each]]),
    ),
    number('units', 'How many', 16),
  ],
  keep: [],
  drivers: [
    choice(
      'scope',
      'Which devices',
      ...Object.entries(DRIVER_SCOPE_WORDS).map(([scope, words]): Option => [scope, words]),
    ),
  ],
};

/** The fields of this very need. */
export function fieldsOf(need: Need): readonly NeedField[] {
  const settled = needKindOf(need).settled(need);
  return NEED_FIELDS[need.kind].filter(({ path }) => !settled.includes(path));
}

export const readField = (need: Need, { path }: NeedField): unknown => valueAt(need, path);

/** What a number field takes, in words. */
export const expected = ({ least, most }: Extract<NeedField, { as: 'number' }>): string =>
  `A whole number from ${least} to ${most} is expected`;

/** The number typed, or null where it is none that fits. */
export function typed(
  { least, most, scale }: Extract<NeedField, { as: 'number' }>,
  text: string,
): number | null {
  const value = Number(text.trim());
  return text.trim() === '' || !Number.isInteger(value) || value < least || value > most
    ? null
    : value * scale;
}

/** The need with a value put at a field's place; null where the need does not take it. */
export function writeField(need: Need, { path }: NeedField, value: unknown): Need | null {
  const parsed = Need.safeParse(withValueAt(need, path, value));
  return parsed.success ? parsed.data : null;
}
