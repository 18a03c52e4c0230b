/** Names of facts, how to find them out, and who gave them. */
import {
  factNameAt,
  type Obstacle,
  type Contradiction,
  type CopyDrive,
  type FactCode,
  type FactName,
  type FactValues,
  type Link,
  type Machine,
  type Claim,
  type Source,
  type SystemFamily,
} from '$core';
import { deliveryWords } from './deliveries';
import { linkWords, modeWords } from './figures';
import { HEADER_WORDS, INPUT_WORDS } from './things';

interface FactWords {
  readonly name: string;
  readonly how: string;
}

export const FACT_WORDS: Readonly<Record<FactCode, FactWords>> = {
  slots: {
    name: 'Slots',
    how: 'Drop the machine’s own report (Evidence says how to get one), take a template, or add them by hand.',
  },
  'slot.connectorLanes': {
    name: 'Length of the slot',
    how: 'Look: x1 is 25 mm long, x4 39, x8 56, x16 89.',
  },
  'slot.lanes': {
    name: 'Lanes wired',
    how: 'Drop the machine’s own report: Evidence says how to get one.',
  },
  'slot.generation': {
    name: 'Generation',
    how: 'Drop the machine’s own report, or read the board’s manual.',
  },
  'slot.opening': { name: 'Opening it faces', how: 'Count openings from the processor’s end.' },
  'slot.occupant': { name: 'What sits in it', how: 'Look, and enter what it holds.' },
  'slot.openEnd': {
    name: 'Far end of the slot',
    how: 'Look at the far end of the slot: open or closed.',
  },
  'slot.powerWatts': {
    name: 'Power limit of the slot',
    how: 'Drop the report of a Linux system, or look in the board’s manual.',
  },
  'slot.keying': {
    name: 'Key of the slot',
    how: 'Look: a key near the rear edge is 3.3 V, one near the far end 5 V.',
  },
  'slot.splits': { name: 'Bifurcation', how: 'Look in firmware setup, or in the board’s manual.' },
  'slot.key': {
    name: 'Key of the socket',
    how: 'Read the letter beside it on the board, or in the manual.',
  },
  'slot.wired': {
    name: 'What is wired to the socket',
    how: 'Read the board’s manual: PCI Express, SATA, USB, or only a radio’s own signals.',
  },
  'slot.moduleLengthsMm': {
    name: 'Module lengths it holds',
    how: 'Measure from the socket to each screw post: 30, 42, 60, 80, 110 mm.',
  },
  'slot.uplink': {
    name: 'What lies between it and the processor',
    how: 'Read the board’s manual: connected directly to the processor, or behind a switch.',
  },
  'slot.fan': {
    name: 'Fan of the card in it',
    how: 'Look at the side that faces the next opening.',
  },
  'board.headers': {
    name: 'Free headers of the board',
    how: 'Look along the lower edge of the board; count the pins.',
  },
  'case.frontLeads': {
    name: 'Free front leads',
    how: 'Follow the leads from the front panel to their plugs.',
  },
  'firmware.kind': {
    name: 'Kind of firmware',
    how: 'Look in its setup, or drop a report: UEFI or BIOS.',
  },
  'firmware.date': {
    name: 'Age of the firmware',
    how: 'Read its date in its setup, or drop a report.',
  },
  'firmware.largeWindows': {
    name: 'Above 4G decoding',
    how: 'Look in firmware setup for above 4G decoding.',
  },
  'case.bracket': {
    name: 'Bracket height',
    how: 'Measure a slot cover: about 120 mm is full, 79 mm low.',
  },
  'case.lengthRoomMm': {
    name: 'Room for length',
    how: 'Measure from the rear edge to the first thing in the way.',
  },
  'case.openings': { name: 'Openings', how: 'Count the slot covers at the back.' },
  'case.covers': { name: 'Kind of slot covers', how: 'Screwed, clipped, or snapped off: look.' },
  'system.family': { name: 'System', how: 'Start the machine and look, or ask.' },
  'system.version': {
    name: 'System version',
    how: 'Start the machine and look: 10, 11, kernel 6.1.',
  },
  'system.architecture': {
    name: 'Architecture',
    how: 'Nearly always x86-64; the system’s own page about itself says.',
  },
  'supply.twelveVoltWatts': {
    name: '12 V watts of the supply',
    how: 'Read the 12 V row on the supply’s label.',
  },
  'supply.baseWatts': {
    name: '12 V load now',
    how: 'Add up processor, graphics, drives and fans.',
  },
  'supply.plugs': { name: 'Free plugs', how: 'Look at the free plugs of the supply.' },
  'path.cable': { name: 'Cable class', how: 'Read what is printed on the cable.' },
  'path.farEndMegabits': {
    name: 'Port speeds at the far end',
    how: 'Read the label of the switch.',
  },
  'path.internetMegabits': { name: 'Internet plan', how: 'Ask, or read the bill.' },
  'screen.input': {
    name: 'Input of the screen',
    how: 'Look at its back: which socket is the lead in?',
  },
  'screen.otherInputs': {
    name: 'Other inputs of the screen',
    how: 'Look at its back: its report tells of one socket only. A free DisplayPort saves an adapter.',
  },
};

export const SOURCE_WORDS: Readonly<Record<Source, string>> = {
  registers: 'read from its registers',
  text: 'read from its report',
  firmware: 'by the firmware’s record',
  system: 'by its system',
  screen: 'by the screen itself',
  template: 'from the template',
  technician: 'entered by hand',
};

export const SOURCE_SHORT: Readonly<Record<Source, string>> = {
  registers: 'registers',
  text: 'report',
  firmware: 'firmware',
  system: 'system',
  screen: 'screen',
  template: 'template',
  technician: 'by hand',
};

export const SYSTEM_FAMILY_WORDS: Readonly<Record<SystemFamily, string>> = {
  windows: 'Windows',
  linux: 'Linux',
  bsd: 'BSD',
  unix: 'another Unix',
  'macos-like': 'macOS or alike',
  other: 'another system',
};

/** Facts that can be contradicted and that no rule asks for by name. */
const OTHER_NAMES: Readonly<Record<Exclude<FactName, FactCode>, string>> = {
  'slot.number': 'Number of the slot',
  'slot.port': 'Port of the slot',
  'slot.place': 'Place of the slot',
  'slot.hotPlug': 'Hot-plug',
  'slot.cardLength': 'Length of cards it takes',
  'slot.sharesOpening': 'Opening shared with another slot',
  'occupant.openings': 'Openings the card takes',
  'occupant.lengthMm': 'Length of the card',
  'occupant.fan': 'Fan of the card',
  'occupant.watts': '12 V load of the card',
  'occupant.plugs': 'Plugs that feed the card',
  'occupant.frontLeads': 'Front leads joined to the card',
  'case.heightRoomMm': 'Room for height',
  'case.bays': 'Free drive bays',
  'case.spareScrews': 'Spare screws',
  'supply.labelWatts': 'Watts on the label of the supply',
  'supply.ageYears': 'Age of the supply',
  'supply.measuredWatts': '12 V load measured at full load',
  'supply.plugsInUse': 'Plugs in use',
  'system.name': 'Name of the system',
  'system.build': 'Build or kernel',
  'system.secureBoot': 'Secure boot',
  'firmware.version': 'Firmware version',
  'path.cableMetres': 'Length of the cable',
  'path.ownMegabits': 'Link speed now',
  'path.ownDrive': 'Local drive',
  'path.farDrive': 'Drive at the far end',
  'path.ownArray': 'RAID level of the local drives',
  'path.farArray': 'RAID level at the far end',
  'screen.preferred': 'Native mode of the screen',
  'board.board': 'Outline of the board',
  'board.builtIn': 'Devices on the board',
};

const asIs = String;
const yesOrNo = (is: boolean): string => (is ? 'yes' : 'no');
const inUnit = (unit: string) => (value: number) => `${value} ${unit}`;
const listed = (values: readonly (string | number)[]): string =>
  values.length === 0 ? 'none' : values.join(', ');
const placed = ({ xMm, yMm }: { readonly xMm: number; readonly yMm: number }): string =>
  `${xMm} × ${yMm} mm from the corner`;
const arrayed = (array: FactValues['path.ownArray']): string =>
  array === null ? 'single' : `${array.count} drives, ${array.how}`;

/** How the values of every fact are said. */
const VALUES: { readonly [Name in FactName]: (value: FactValues[Name]) => string } = {
  'slot.number': asIs,
  'slot.port': asIs,
  'slot.connectorLanes': (lanes) => `x${lanes}`,
  'slot.lanes': (lanes) => `x${lanes}`,
  'slot.generation': (generation) => `Gen ${generation}`,
  'slot.openEnd': yesOrNo,
  'slot.powerWatts': inUnit('W'),
  'slot.opening': asIs,
  'slot.occupant': (card) => card?.name ?? 'nothing',
  'slot.uplink': (uplink) =>
    uplink === null
      ? 'none'
      : linkWords({ generation: uplink.generation, width: uplink.lanes as Link['width'] }),
  'slot.splits': yesOrNo,
  'slot.keying': asIs,
  'slot.key': asIs,
  'slot.moduleLengthsMm': listed,
  'slot.wired': listed,
  'slot.place': placed,
  'slot.hotPlug': yesOrNo,
  'slot.cardLength': (length) => (length === 'short' ? 'half length' : 'full length'),
  'slot.sharesOpening': yesOrNo,
  'occupant.openings': asIs,
  'occupant.lengthMm': inUnit('mm'),
  'occupant.fan': (fan) =>
    fan === null ? 'none' : `from ${fan.fromMm} mm on, ${fan.airMm} mm of air`,
  'occupant.watts': inUnit('W'),
  'occupant.plugs': listed,
  'occupant.frontLeads': (leads) => listed(leads.map((lead) => HEADER_WORDS[lead])),
  'case.bracket': asIs,
  'case.openings': asIs,
  'case.lengthRoomMm': inUnit('mm'),
  'case.heightRoomMm': inUnit('mm'),
  'case.frontLeads': (leads) => listed(leads.map(({ type }) => HEADER_WORDS[type])),
  'case.bays': asIs,
  'case.covers': asIs,
  'case.spareScrews': asIs,
  'supply.labelWatts': inUnit('W'),
  'supply.twelveVoltWatts': inUnit('W'),
  'supply.ageYears': inUnit('years'),
  'supply.baseWatts': inUnit('W'),
  'supply.measuredWatts': inUnit('W'),
  'supply.plugsInUse': (plugs) => listed(plugs.map(({ type, feeds }) => `${type} for ${feeds}`)),
  'supply.plugs': (plugs) => listed(plugs.map(({ count, type }) => `${count} × ${type}`)),
  'system.family': (family) => SYSTEM_FAMILY_WORDS[family],
  'system.version': asIs,
  'system.architecture': asIs,
  'system.name': asIs,
  'system.build': asIs,
  'system.secureBoot': yesOrNo,
  'firmware.kind': asIs,
  'firmware.version': asIs,
  'firmware.date': asIs,
  'firmware.largeWindows': yesOrNo,
  'path.cable': asIs,
  'path.cableMetres': inUnit('m'),
  'path.farEndMegabits': listed,
  'path.internetMegabits': inUnit('Mb/s'),
  'path.ownMegabits': inUnit('Mb/s'),
  'path.ownDrive': (drive) => COPY_DRIVE_WORDS[drive],
  'path.farDrive': (drive) => COPY_DRIVE_WORDS[drive],
  'path.ownArray': arrayed,
  'path.farArray': arrayed,
  'screen.input': (input) => INPUT_WORDS[input],
  'screen.otherInputs': (inputs) => listed(inputs.map((each) => INPUT_WORDS[each])),
  'screen.preferred': modeWords,
  'board.board': ({ widthMm, depthMm }) => `${widthMm} × ${depthMm} mm`,
  'board.builtIn': (deliveries) => listed(deliveries.map(deliveryWords)),
  'board.headers': (headers) => listed(headers.map(({ type }) => HEADER_WORDS[type])),
};

/** The value of a fact in words. */
const valueWords = <Name extends FactName>(name: Name, value: FactValues[Name]): string =>
  VALUES[name](value);

/** A contradiction in words, and where it is settled. */
export function contradictionWords(
  { path, believed, others }: Contradiction,
  machine: Machine,
): {
  readonly code: FactName;
  readonly slotId: string | undefined;
  readonly name: string;
  readonly says: string;
} {
  const [room, n] = path;
  const slot = room === 'slots' ? machine.slots[Number(n)] : undefined;
  const code = factNameAt(path);
  const name =
    code in FACT_WORDS
      ? FACT_WORDS[code as FactCode].name
      : OTHER_NAMES[code as keyof typeof OTHER_NAMES];
  const says = ({ value, source }: Claim<unknown>) =>
    `${valueWords(code, value as FactValues[FactName])} ${SOURCE_BY[source]}`;
  return {
    code,
    slotId: slot?.id,
    name: slot === undefined ? name : `${name}, ${slot.label}`,
    says: `${says(believed)}, against ${others.map(says).join(', ')}`,
  };
}

const SOURCE_BY: Readonly<Record<Source, string>> = {
  registers: 'by its registers',
  text: 'by its report',
  firmware: 'by the firmware',
  system: 'by its system',
  screen: 'by the screen',
  template: 'by the template',
  technician: 'by hand',
};

export const OBSTACLE_KIND_WORDS: Readonly<Record<Obstacle['kind'], string>> = {
  header: 'header',
  fanPlug: 'fan plug',
  cage: 'cage',
  heatSink: 'heat sink',
  memory: 'memory',
  other: 'other',
};

export const COPY_DRIVE_WORDS: Readonly<Record<CopyDrive, string>> = {
  disk: 'hard disk',
  sata: 'SATA solid-state drive',
  nvme: 'NVMe drive',
};
