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
import { boundsWords } from '$words/expects';
import { boundsAt, isWithin, type NumberBounds } from '$core/parts';
import { typedMeasure, unitOfName } from '$core/read';
import { valueAt, withValueAt } from '$core/paths';
import { DRIVER_SCOPE_WORDS } from '$words/kinds/drivers';
import { SPEED_CLASS_WORDS, WANTED_DRIVE_WORDS } from '$words/choices';
import {
  ENCODING_WORDS,
  FEATURE_WORDS,
  INPUT_WORDS,
  OTHER_DEVICE_WORDS,
  USB_DEVICE_WORDS,
} from '$words/things';
import { needFields as texts } from '$words/stages/needs';

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
    number('count', texts.screens),
    choice(
      'into',
      texts.joinedTo,
      ['screen', texts.theirScreens],
      ['card', texts.anotherCardByALoop],
    ),
    number('mode.widthPx', texts.pixelsAcross),
    number('mode.heightPx', texts.pixelsDown),
    number('mode.refreshHz', texts.refreshHz),
    choice('bitsPerColour', texts.bitsAColour, [8, '8'], [10, '10']),
    choice(
      'input',
      texts.theirSocket,
      [null, texts.whicheverTheCardHas],
      ...SCREEN_INPUTS.map((input): Option => [input, INPUT_WORDS[input]]),
    ),
  ],
  graphics: [
    number('memoryGigabytes', texts.memoryGb),
    choice(
      'speedClass',
      texts.speed,
      ...SPEED_CLASS_WORDS.map((label, n): Option => [n + 1, label]),
    ),
    ticks(
      'encodes',
      texts.encodesFilmsAs,
      ...ENCODINGS.map((each): Option => [each, ENCODING_WORDS[each]]),
    ),
  ],
  usb: [
    number('ports', texts.ports),
    choice('where', texts.atThe, ['rear', texts.back], ['front', texts.front]),
    number('bytesPerSecond', texts.oneAloneMbS, MEGABYTE),
    number('milliamps', texts.currentPerPortMa0),
    tick('typeC', texts.typeC),
    choice(
      'device',
      texts.copiedToOrFrom,
      [null, texts.whatever],
      ...USB_DEVICES.map((each): Option => [each, USB_DEVICE_WORDS[each]]),
    ),
    choice(
      'deviceSignalling',
      texts.itsOwnSocket,
      ...USB_SIGNALLING.map((each): Option => [each, texts.usb(each)]),
    ),
  ],
  network: [
    number('bytesPerSecond', texts.copyAtMbS, MEGABYTE),
    choice(
      'direction',
      texts.theCopiesGo,
      ['to', texts.toTheFarEnd],
      ['from', texts.fromTheFarEnd],
    ),
    number('ports', texts.ports),
    choice(
      'team',
      texts.severalPorts,
      ['none', texts.eachByItself],
      ['throughput', texts.asATeamForThe],
      ['survival', texts.onSeparateCardsToSurvive],
    ),
    tick('encrypted', texts.encryptedByTheMachineItself),
    ticks(
      'features',
      texts.and,
      ...NETWORK_FEATURES.map((each): Option => [each, FEATURE_WORDS[each]]),
    ),
  ],
  wifi: [
    number('megabits', texts.rateMbS),
    ticks('bands', texts.bands, ...WIFI_BANDS.map((band): Option => [band, texts.ghz(band)])),
    tick('bluetooth', texts.withBluetooth),
  ],
  sound: [
    number('channels', texts.channels),
    number('inputs', texts.inputs),
    tick('optical', texts.opticalSocket),
    tick('front', texts.frontSocketsToo),
  ],
  drives: [
    number('ports', texts.drives),
    number('usableGigabytes', texts.orRoomForDataTb, 1_000),
    number('driveGigabytes', texts.ofDrivesOfGb),
    number('bytesPerSecond', texts.eachOrAsAnArray, MEGABYTE),
    choice('together', texts.while, [true, texts.allAtWork], [false, texts.oneAlone]),
    choice(
      'drive',
      texts.socket,
      ...WANTED_DRIVES.map((each): Option => [each, WANTED_DRIVE_WORDS[each]]),
    ),
    choice(
      'medium',
      texts.theyAre,
      ['solidState', texts.solidState],
      ['hardDisk', texts.hardDisks],
    ),
    choice(
      'array',
      texts.used,
      ['single', texts.separately],
      ['mirror', texts.asAMirror],
      ['stripe', texts.asAStripe],
      ['parity', texts.withParity],
    ),
    choice('direction', texts.theFigureIsFor, ['read', texts.reading], ['write', texts.writing]),
    tick('usedDrives', texts.usedBefore),
    tick('bootable', texts.bootable),
    tick('systemDriver', texts.runsOnTheSystemsOwn),
  ],
  sas: [
    number('count', texts.drives),
    choice(
      'medium',
      texts.theyAre,
      ['hardDisk', texts.hardDisks],
      ['solidState', texts.solidState],
    ),
    number('bytesPerSecond', texts.eachMbS, MEGABYTE),
    choice('together', texts.while, [true, texts.allAtWork], [false, texts.oneAlone]),
    choice('direction', texts.theFigureIsFor, ['read', texts.reading], ['write', texts.writing]),
    tick('usedDrives', texts.usedBefore),
    tick('bootable', texts.bootable),
  ],
  serialLink: [
    number('ports', texts.ports),
    number('bytesPerSecond', 'MB/s', MEGABYTE),
    choice(
      'gigabits',
      texts.gbS,
      ...SERIAL_LINK_GIGABITS.map((each): Option => [each, String(each)]),
    ),
  ],
  legacy: [
    number('ports', texts.ports),
    choice('port', texts.kind, ['serial', texts.serial], ['parallel', texts.parallel]),
  ],
  otherDevice: [
    choice(
      'what',
      texts.what,
      ...OTHER_DEVICES.map((each): Option => [each, OTHER_DEVICE_WORDS[each]]),
    ),
    number('units', texts.howMany),
  ],
  keep: [],
  drivers: [
    choice(
      'scope',
      texts.whichDevices,
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
  return texts.aWholeNumberIsExpected(bounds.whole, boundsWords(bounds));
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
