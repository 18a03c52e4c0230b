/** Needs in one line, and what a kind is called. */
import {
  areUsed,
  socketWanted,
  unitsNeeded,
  type MetByMachine,
  type DeliveryKind,
  type Need,
  type NeedKind,
  type NeedOf,
} from '$core';
import { figure, flowFigure, inMegabytes, modeWords } from './figures';
import { findingWords, remedyWords } from './findings';
import { FLOW_WORDS } from './stages';
import {
  ENCODING_WORDS,
  FEATURE_WORDS,
  INPUT_WORDS,
  MANNER_WORDS,
  OTHER_DEVICE_WORDS,
  USB_DEVICE_WORDS,
} from './things';

/** What kinds of cards are called. */
export const CARD_KIND_WORDS: Readonly<Record<DeliveryKind, string>> = {
  screens: 'Graphics',
  usb: 'USB',
  network: 'Network',
  wifi: 'Wi-Fi',
  sound: 'Sound',
  drives: 'Drives',
  serialLink: '40 Gb/s port',
  legacy: 'Serial or parallel port',
  otherDevice: 'Other device',
};

export const KIND_WORDS: Readonly<Record<NeedKind, string>> = {
  ...CARD_KIND_WORDS,
  screens: 'Screens',
  graphics: 'Graphics work',
  keep: 'Keep what is there',
  drivers: 'Drivers only',
};

const list = (...parts: readonly string[]): string =>
  parts.filter((part) => part !== '').join(', ');

export const needWords = (need: Need): string =>
  list(
    wantedWords(need),
    ...need.manners.map((manner) => MANNER_WORDS[manner]),
    need.later ? 'later' : '',
  );

function wantedWords(need: Need): string {
  switch (need.kind) {
    case 'network':
      return list(
        `Copies ${need.direction === 'from' ? 'fetched ' : ''}at ${inMegabytes(need.bytesPerSecond)}`,
        need.ports > 1 ? `${need.ports} ports${TEAM_WORDS[need.team]}` : '',
        ...need.features.map((feature) => FEATURE_WORDS[feature]),
      );
    case 'usb':
      return list(
        `${need.ports}${need.typeC ? ' Type-C' : ''} at the ${need.where === 'rear' ? 'back' : 'front'}`,
        `${inMegabytes(need.bytesPerSecond)} on one`,
        need.milliamps > 0 ? `${figure(need.milliamps, 'mA')} each` : '',
        need.device === null ? '' : `for ${USB_DEVICE_WORDS[need.device]}`,
      );
    case 'screens':
      return list(
        `${need.count} ${need.into === 'card' ? 'into another card, ' : 'of '}${modeWords(need.mode)}`,
        need.bitsPerColour === 10 ? '10 bits' : '',
        need.input === null ? '' : INPUT_WORDS[need.input],
      );
    case 'graphics':
      return list(
        `${figure(need.memoryGigabytes, 'GB')} of memory`,
        `class ${need.speedClass}`,
        ...need.encodes.map((each) => ENCODING_WORDS[each]),
      );
    case 'wifi':
      return list(
        `${need.megabits} Mb/s`,
        need.bluetooth ? 'Bluetooth' : '',
        ...need.bands.map((band) => `${band} GHz`),
      );
    case 'drives':
      return list(
        drivesWanted(need),
        need.array === 'single'
          ? `${inMegabytes(need.bytesPerSecond)} each ${need.together ? 'together' : 'alone'}`
          : `${need.array === 'parity' ? 'with parity' : `as a ${need.array}`}, ${inMegabytes(need.bytesPerSecond)} ${need.direction === 'read' ? 'reading' : 'writing'}`,
        areUsed(need) ? 'used before' : '',
        need.bootable ? 'bootable' : '',
        need.systemDriver ? 'runs on the system’s own driver' : '',
      );
    case 'sound':
      return list(
        `${need.channels} channels`,
        need.inputs > 0 ? `${need.inputs} inputs` : '',
        need.optical ? 'optical' : '',
        need.front ? 'front sockets' : '',
      );
    case 'serialLink':
      return `${need.ports} of ${need.gigabits} Gb/s, ${figure(need.bytesPerSecond, 'B/s')} each`;
    case 'legacy':
      return `${need.ports} ${need.port}`;
    case 'otherDevice':
      return `${need.units} × ${OTHER_DEVICE_WORDS[need.what]}`;
    case 'keep':
      return 'stays in the machine';
    case 'drivers':
      return DRIVER_SCOPE_WORDS[need.scope];
  }
}

/** Which devices a need for drivers alone asks about. */
export const DRIVER_SCOPE_WORDS: Readonly<Record<NeedOf<'drivers'>['scope'], string>> = {
  failing: 'every device works',
  display: 'a newer display driver',
  network: 'a newer network driver',
  all: 'newer drivers wherever there are any',
};

const TEAM_WORDS = {
  none: '',
  throughput: ' as a team, together',
  survival: ' on separate cards',
} as const;

const DRIVE_KINDS = { any: '', sata: 'SATA', m2: 'M.2', m2Sata: 'M.2 SATA' } as const;

function drivesWanted(need: NeedOf<'drives'>): string {
  const { medium, usableGigabytes, driveGigabytes, these } = need;
  const kind = (these[0]?.medium ?? medium) === 'hardDisk' ? 'hard disks' : 'drives';
  const sizes = new Set(these.map(({ gigabytes }) => gigabytes));
  const size = these.length === 0 ? driveGigabytes : sizes.size === 1 ? these[0]?.gigabytes : null;
  const of =
    size == null || (these.length === 0 && usableGigabytes === 0) ? '' : `of ${figure(size, 'GB')}`;
  const drives = [String(unitsNeeded(need)), DRIVE_KINDS[socketWanted(need)], kind, of]
    .filter((part) => part !== '')
    .join(' ');
  return usableGigabytes === 0 ? drives : `${figure(usableGigabytes, 'GB')} on ${drives}`;
}

/** Whether the machine meets it as it stands, with the figure and with what it takes. */
export function metByMachineWords(met: MetByMachine, need: Need): string {
  const { state, flow, units } = met;
  if (need.kind === 'drivers') return 'It takes no card: it is done in Drivers.';
  if (state === 'met')
    return flow === null
      ? 'The machine keeps it.'
      : [
          `The machine does it already: ${gives(flow)}.`,
          ...met.catches.flatMap((each) => [findingWords(each), remedyWords(each) ?? []].flat()),
        ].join(' ');
  if (state === 'unknown')
    return flow === null || units === 0
      ? 'Whether the machine does it already is not known.'
      : 'The machine may do it already; a part of the path is not known.';
  if (need.kind === 'keep') return 'The survey says that it goes.';
  return flow === null
    ? 'The machine has nothing of the kind.'
    : flow.finding.code === 'deliver.short' || units > 0
      ? `Not as it stands: ${gives(flow)}.`
      : `Not as it stands. ${findingWords(flow.finding)}`;
}

/** What a need takes, or where it falls back, although it is served: a sentence each. */
export const catchWords = ({ catches }: Pick<MetByMachine, 'catches'>): readonly string[] =>
  catches.map(findingWords);

const gives = (flow: NonNullable<MetByMachine['flow']>): string => {
  const { high, units, wanted, limiting } = flow;
  return list(
    units > 0 ? `${units} of that kind` : '',
    `${flowFigure(high, flow)} for ${flowFigure(wanted, flow)} wanted`,
    limiting === 'cable' || limiting === 'hop' || limiting === 'farEnd'
      ? `the ${FLOW_WORDS[limiting]} limits`
      : '',
  );
};
