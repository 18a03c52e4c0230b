/** Names of facts, how to find them out, and who gave them. */
import type { Box, Contradiction, CopyDrive, FactCode, Machine, Testimony, Witness } from '$core';
import { linkWords } from './figures';

interface FactWords {
  readonly name: string;
  readonly how: string;
}

export const FACT_WORDS: Readonly<Record<FactCode, FactWords>> = {
  slots: {
    name: 'Slots',
    how: 'Drop the machine’s lspci report, take a template, or add them by hand.',
  },
  'slot.connectorLanes': {
    name: 'Length of the slot',
    how: 'Look: x1 is 25 mm long, x4 39, x8 56, x16 89.',
  },
  'slot.lanes': { name: 'Lanes really wired', how: 'Drop the machine’s lspci report.' },
  'slot.generation': { name: 'Generation', how: 'Drop the machine’s lspci report.' },
  'slot.opening': { name: 'Opening it faces', how: 'Count openings from the processor’s end.' },
  'slot.occupant': { name: 'What sits in it', how: 'Look.' },
  'slot.openEnd': { name: 'Far end of the slot', how: 'Look: open or closed.' },
  'slot.powerWatts': {
    name: 'Power limit of the slot',
    how: 'Read the machine’s registers, or the board’s manual.',
  },
  'slot.keying': {
    name: 'Key of the slot',
    how: 'Look: a key near the rear edge is 3.3 V, one near the far end 5 V.',
  },
  'slot.splits': { name: 'Splitting of its lanes', how: 'Look in the firmware’s setup.' },
  'slot.key': { name: 'Key of the socket', how: 'Read the letter beside it on the board.' },
  'slot.wired': {
    name: 'What is wired to the socket',
    how: 'Read the board’s manual: PCI Express, SATA, USB, or only a radio’s own signals.',
  },
  'slot.moduleLengthsMm': {
    name: 'Lengths it holds',
    how: 'Measure from the socket to each screw post: 30, 42, 60, 80, 110 mm.',
  },
  'slot.uplink': {
    name: 'What lies between it and the processor',
    how: 'Read the board’s manual: straight at the processor, or behind a switch.',
  },
  'slot.fan': {
    name: 'Fan of the card in it',
    how: 'Look at the side that faces the next opening.',
  },
  'board.headers': {
    name: 'Free headers of the board',
    how: 'Look along its lower edge; count the pins.',
  },
  'case.frontLeads': {
    name: 'Free front leads',
    how: 'Follow the leads from the front panel to their plugs.',
  },
  'firmware.kind': { name: 'Kind of firmware', how: 'Look in its setup: UEFI or BIOS.' },
  'firmware.date': { name: 'Age of the firmware', how: 'Read its date in its setup.' },
  'firmware.largeWindows': {
    name: 'Large windows into memory',
    how: 'Look in the firmware’s setup for memory above 4 GB.',
  },
  'case.bracket': {
    name: 'Bracket height',
    how: 'Measure a cover: about 120 mm is full, 79 mm low.',
  },
  'case.lengthRoomMm': {
    name: 'Room for length',
    how: 'Measure from the rear edge to the first thing in the way.',
  },
  'case.openings': { name: 'Openings', how: 'Count the covers at the back.' },
  'case.covers': { name: 'Kind of covers', how: 'Screwed, clipped, or snapped off: look.' },
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
    how: 'Read the 12 V row on its label.',
  },
  'supply.baseWatts': {
    name: '12 V load already there',
    how: 'Add up processor, graphics, drives and fans.',
  },
  'supply.plugs': { name: 'Free plugs', how: 'Look at the leads of the supply.' },
  'path.cable': { name: 'Cable class', how: 'Read what is printed on the cable.' },
  'path.farEndMegabits': { name: 'Speeds of the far end', how: 'Read the label of the switch.' },
  'path.internetMegabits': { name: 'Internet plan', how: 'Ask, or read the bill.' },
};

export const WITNESS_WORDS: Readonly<Record<Witness, string>> = {
  registers: 'read from its registers',
  text: 'read from its report',
  firmware: 'by the firmware’s record',
  system: 'told by its system',
  screen: 'told by the screen itself',
  template: 'from the template',
  technician: 'told by hand',
};

export const WITNESS_SHORT: Readonly<Record<Witness, string>> = {
  registers: 'registers',
  text: 'report',
  firmware: 'firmware',
  system: 'system',
  screen: 'screen',
  template: 'template',
  technician: 'by hand',
};

/** Facts that can be contradicted and that no rule asks for by name. */
const OTHER_NAMES: Readonly<Record<string, string>> = {
  'slot.number': 'Number of the slot',
  'slot.port': 'Port of the slot',
  'slot.uplink': 'Link it hangs on',
  'system.name': 'Name of the system',
  'system.build': 'Build or kernel',
  'system.secureBoot': 'Secure boot',
  'firmware.kind': 'Kind of firmware',
  'firmware.version': 'Firmware version',
  'firmware.date': 'Date of the firmware',
  'path.ownMegabits': 'Speed of its own port',
};

/** How the values of a fact are said; all others are said as they are. */
const VALUES: Readonly<Record<string, (value: unknown) => string>> = {
  'slot.lanes': (value) => `x${String(value)}`,
  'slot.connectorLanes': (value) => `x${String(value)}`,
  'slot.generation': (value) => `Gen ${String(value)}`,
  'slot.powerWatts': (value) => `${String(value)} W`,
  'slot.occupant': (value) => (value === null ? 'nothing' : (value as { name: string }).name),
  'slot.uplink': (value) => {
    if (value === null) return 'none';
    const { generation, lanes } = value as { generation: 1; lanes: number };
    return linkWords({ generation, width: lanes });
  },
};

/** A contradiction in words, and where it is settled. */
export function contradictionWords(
  { path, believed, others }: Contradiction,
  machine: Machine,
): {
  readonly code: string;
  readonly slotId: string | undefined;
  readonly name: string;
  readonly says: string;
} {
  const [room, n] = path;
  const slot = room === 'slots' ? machine.slots[Number(n)] : undefined;
  const field = String(path.at(-1));
  const code = slot === undefined ? path.join('.') : `slot.${field}`;
  const name = FACT_WORDS[code as FactCode]?.name ?? OTHER_NAMES[code] ?? field;
  const says = ({ value, witness }: Testimony<unknown>) =>
    `${(VALUES[code] ?? plain)(value)} ${WITNESS_BY[witness]}`;
  return {
    code,
    slotId: slot?.id,
    name: slot === undefined ? name : `${name}, ${slot.label}`,
    says: `${says(believed)}, against ${others.map(says).join(', ')}`,
  };
}

const plain = (value: unknown): string =>
  Array.isArray(value)
    ? value.join(', ')
    : typeof value === 'boolean'
      ? value
        ? 'yes'
        : 'no'
      : String(value);

const WITNESS_BY: Readonly<Record<Witness, string>> = {
  registers: 'by its registers',
  text: 'by its report',
  firmware: 'by the firmware',
  system: 'by its system',
  screen: 'by the screen',
  template: 'by the template',
  technician: 'by hand',
};

export const BOX_KIND_WORDS: Readonly<Record<Box['kind'], string>> = {
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
