/** Leads inside a machine, their ends, and parts of the machine itself, in words. */
import {
  leadRow,
  type BuildLead,
  type LeadEndKind,
  type LeadKind,
  type MachinePart,
} from '$core/standards';
import type { HandOverSheet } from '$core/write';

export const LEAD_WORDS: Readonly<Record<LeadKind, string>> = {
  'ribbon-40': 'IDE ribbon, 40 wires',
  'ribbon-80': 'IDE ribbon, 80 wires',
  'floppy-34': 'floppy ribbon',
  sata: 'SATA data lead',
  'board-power-20': 'board power, 20 pins',
  'board-power-24': 'board power, 24 pins',
  'processor-power-4': 'processor power, 4 pins',
  'processor-power-8': 'processor power, 8 pins',
  'drive-power-4': 'drive power, 4 pins',
  'drive-power-sata': 'SATA power',
  'floppy-power': 'floppy power',
  'splitter-4': 'splitter, 4 pins',
  'fan-3': 'fan, 3 pins',
  'fan-4': 'fan, 4 pins',
  'disc-sound': 'CD audio lead',
  'front-switch': 'front switch',
  'front-light': 'front light',
  'front-speaker': 'case speaker',
  'front-usb-9': 'front USB 2.0, 9 pins',
  'front-usb-19': 'front USB 3, 19 pins',
  'front-type-c': 'front Type-C, 20 pins',
  'front-sound': 'front audio',
  'lighting-3': 'lighting, 5 V, 3 pins',
  'lighting-4': 'lighting, 12 V, 4 pins',
};

export const END_WORDS: Readonly<Record<LeadEndKind, string>> = {
  board: 'the board',
  drive: 'its drive',
  endDrive: 'the drive at the end',
  middleDrive: 'the drive in the middle',
  discDrive: 'the disc drive',
  soundInput: 'the sound card, or the board',
  supplyPlug: 'a plug of the supply',
};

export const PART_WORDS: Readonly<Record<MachinePart, string>> = {
  supply: 'power supply',
  processor: 'processor',
  cooler: 'processor cooler',
  memory: 'memory',
  posts: 'board posts',
  board: 'board',
};

/** What a machine that is built from nothing has to have joined, where a kind has several. */
export const BUILD_LEAD_WORDS: Readonly<Record<BuildLead, string>> = {
  '': '',
  processorFan: 'processor fan',
  caseFan: 'case fan',
  powerSwitch: 'power switch',
  resetSwitch: 'reset switch',
  powerLight: 'power light',
  driveLight: 'drive light',
};

/** “fan, 4 pins (case fan)”. */
export const leadName = ({ kind, name }: { readonly kind: LeadKind; readonly name: string }) =>
  name === '' ? LEAD_WORDS[kind] : `${LEAD_WORDS[kind]} (${name})`;

const BARRED_WORDS: Readonly<Record<HandOverSheet['leftLoose'][number]['because'], string>> = {
  taken: 'another plug is in its place',
  noHeader: 'there is no such header',
  pinBent: 'a pin is bent there',
};

/** “front light (drive light), at the board: a pin is bent there”. */
export const leftLooseWords = ({ lead, end, because }: HandOverSheet['leftLoose'][number]) =>
  `${leadName(lead)}, at ${END_WORDS[leadRow(lead.kind).ends[end] ?? 'board']}: ${BARRED_WORDS[because]}`;
