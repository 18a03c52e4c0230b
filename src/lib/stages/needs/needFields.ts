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
import { boundsAt, boundsWords, isWithin, type NumberBounds } from '$core/parts';
import { typedMeasure, unitOfName } from '$core/read';
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
  | { readonly as: 'number'; readonly scale: number }
  | { readonly as: 'tick' }
  | { readonly as: 'choice'; readonly options: readonly Option[] }
  | { readonly as: 'ticks'; readonly options: readonly Option[] }
);

/** @param scale what one is that is typed without a unit, in the unit in which it is kept */
const number = (path: string, label: string, scale = 1): NeedField => ({
  as: 'number',
  path,
  label,
  scale,
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
    number('count', 'Screens'),
    choice('into', 'Joined to', ['screen', 'screens'], ['card', 'another card, by a loop lead']),
    number('mode.widthPx', 'Pixels across'),
    number('mode.heightPx', 'Pixels down'),
    number('mode.refreshHz', 'Refresh, Hz'),
    choice('bitsPerColour', 'Bits a colour', [8, '8'], [10, '10']),
    choice(
      'input',
      'Their socket',
      [null, 'whichever the card has'],
      ...SCREEN_INPUTS.map((input): Option => [input, INPUT_WORDS[input]]),
    ),
  ],
  graphics: [
    number('memoryGigabytes', 'Memory, GB'),
    choice('speedClass', 'Speed', ...SPEED_CLASS_WORDS.map((label, n): Option => [n + 1, label])),
    ticks(
      'encodes',
      'Encodes films as',
      ...ENCODINGS.map((each): Option => [each, ENCODING_WORDS[each]]),
    ),
  ],
  usb: [
    number('ports', 'Ports'),
    choice('where', 'At the', ['rear', 'back'], ['front', 'front']),
    number('bytesPerSecond', 'One alone, MB/s', MEGABYTE),
    number('milliamps', 'Current per port, mA (0: any)'),
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
    number('bytesPerSecond', 'Copy at, MB/s', MEGABYTE),
    choice('direction', 'The copies go', ['to', 'to the far end'], ['from', 'from the far end']),
    number('ports', 'Ports'),
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
    number('megabits', 'Rate, Mb/s'),
    ticks('bands', 'Bands', ...WIFI_BANDS.map((band): Option => [band, `${band} GHz`])),
    tick('bluetooth', 'with Bluetooth'),
  ],
  sound: [
    number('channels', 'Channels'),
    number('inputs', 'Inputs'),
    tick('optical', 'optical socket'),
    tick('front', 'front sockets too'),
  ],
  drives: [
    number('ports', 'Drives'),
    number('usableGigabytes', 'Or room for data, TB', 1_000),
    number('driveGigabytes', 'Of drives of, GB'),
    number('bytesPerSecond', 'Each, or as an array, MB/s', MEGABYTE),
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
    number('count', 'Drives'),
    choice('medium', 'They are', ['hardDisk', 'hard disks'], ['solidState', 'solid-state']),
    number('bytesPerSecond', 'Each, MB/s', MEGABYTE),
    choice('together', 'While', [true, 'all at work'], [false, 'one alone']),
    choice('direction', 'The figure is for', ['read', 'reading'], ['write', 'writing']),
    tick('usedDrives', 'used before'),
    tick('bootable', 'bootable'),
  ],
  serialLink: [
    number('ports', 'Ports'),
    number('bytesPerSecond', 'MB/s', MEGABYTE),
    choice('gigabits', 'Gb/s', ...SERIAL_LINK_GIGABITS.map((each): Option => [each, String(each)])),
  ],
  legacy: [
    number('ports', 'Ports'),
    choice('port', 'Kind', ['serial', 'serial'], ['parallel', 'parallel']),
  ],
  otherDevice: [
    choice(
      'what',
      'What',
      ...OTHER_DEVICES.map((each): Option => [each, OTHER_DEVICE_WORDS[each]]),
    ),
    number('units', 'How many'),
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

type NumberField = Extract<NeedField, { as: 'number' }>;

/** What a number field of this need takes, as the schema has it, in the unit in which it is typed. */
function boundsOf(need: Need, { path, scale }: NumberField): NumberBounds {
  const { least, most, over, whole } = boundsAt(needKindOf(need).schema, path);
  return { least: least / scale, most: most / scale, over, whole: whole && scale === 1 };
}

/** What a number field takes, in words. */
export function expected(need: Need, field: NumberField): string {
  const bounds = boundsOf(need, field);
  return `A ${bounds.whole ? 'whole ' : ''}number ${boundsWords(bounds)} is expected`;
}

/** The number typed, in the unit in which it is kept; null where it is none that fits. */
export function typed(need: Need, { path, scale }: NumberField, text: string): number | null {
  const value = typedMeasure(text, unitOfName(path), scale);
  return value !== null && isWithin(boundsAt(needKindOf(need).schema, path), value) ? value : null;
}

/** The need with a value put at a field's place; null where the need does not take it. */
export function writeField(need: Need, { path }: NeedField, value: unknown): Need | null {
  const parsed = Need.safeParse(withValueAt(need, path, value));
  return parsed.success ? parsed.data : null;
}
