/**
 * What the codes of a firmware slot record mean, and the words in which they are printed.
 * Source: DMTF DSP0134, System Management BIOS 3.5, "System Slots (Type 9)" (from memory; checked code by code
 * against dmidecode in the reference tests).
 */
import type { Generation } from './pciExpress.ts';

export type RecordedBus = 'pcie' | 'pci' | 'm2' | 'other';
export const M2_KEYS = ['A', 'B', 'E', 'M'] as const;
export type M2Key = (typeof M2_KEYS)[number];

export interface SlotTypeRow {
  readonly bus: RecordedBus;
  readonly words: string;
  readonly generation: Generation | null;
  /** Lanes that the type itself names. */
  readonly lanes: number | null;
  readonly key: M2Key | null;
}

const other = (bus: RecordedBus, words: string, key: M2Key | null = null): SlotTypeRow => ({
  bus,
  words,
  generation: null,
  lanes: null,
  key,
});

const EXPRESS_WIDTHS = [null, 1, 2, 4, 8, 16] as const;

/**
 * The plain code of a generation and the five that also name a width, from `first` on. “PCI Express” without a number
 * says nothing of the generation: firmware writes it for all of them.
 */
const express = (
  first: number,
  generation: Generation | null,
): readonly (readonly [number, SlotTypeRow])[] =>
  EXPRESS_WIDTHS.map((lanes, n) => {
    const words = [
      'PCI Express',
      ...(generation === null ? [] : [String(generation)]),
      ...(lanes === null ? [] : [`x${lanes}`]),
    ].join(' ');
    return [first + n, { bus: 'pcie', words, generation, lanes, key: null }];
  });

/** By the code of the record. Ports with a slot of another kind take no expansion card, whatever is wired there. */
export const SLOT_TYPES: ReadonlyMap<number, SlotTypeRow> = new Map<number, SlotTypeRow>([
  [0x06, other('pci', 'PCI')],
  [0x0e, other('pci', 'PCI-66')],
  [0x12, other('pci', 'PCI-X')],
  [0x14, other('m2', 'M.2 Socket 1-DP', 'A')],
  [0x15, other('m2', 'M.2 Socket 1-SD', 'E')],
  [0x16, other('m2', 'M.2 Socket 2', 'B')],
  [0x17, other('m2', 'M.2 Socket 3', 'M')],
  ...[
    'MXM Type I',
    'MXM Type II',
    'MXM Type III',
    'MXM Type III-HE',
    'MXM Type IV',
    'MXM 3.0 Type A',
    'MXM 3.0 Type B',
    'PCI Express 2 SFF-8639 (U.2)',
    'PCI Express 3 SFF-8639 (U.2)',
    'PCI Express Mini 52-pin with bottom-side keep-outs',
    'PCI Express Mini 52-pin without bottom-side keep-outs',
    'PCI Express Mini 76-pin',
    'PCI Express 4 SFF-8639 (U.2)',
    'PCI Express 5 SFF-8639 (U.2)',
    'OCP NIC 3.0 Small Form Factor (SFF)',
    'OCP NIC 3.0 Large Form Factor (LFF)',
    'OCP NIC Prior to 3.0',
  ].map((words, n): readonly [number, SlotTypeRow] => [0x18 + n, other('other', words)]),
  [0xc4, other('pcie', 'PCI Express 6+')],
  [0xc5, other('other', 'EDSFF E1')],
  [0xc6, other('other', 'EDSFF E3')],
  ...express(0xa5, null),
  ...express(0xab, 2),
  ...express(0xb1, 3),
  ...express(0xb8, 4),
  ...express(0xbe, 5),
]);

/** Widths of the record's data bus: lanes where they are lanes, null where they are bits of an older bus. */
export const SLOT_WIDTHS: ReadonlyMap<
  number,
  { readonly words: string; readonly lanes: number | null }
> = new Map([
  [0x03, { words: '8-bit', lanes: null }],
  [0x04, { words: '16-bit', lanes: null }],
  [0x05, { words: '32-bit', lanes: null }],
  [0x06, { words: '64-bit', lanes: null }],
  [0x07, { words: '128-bit', lanes: null }],
  [0x08, { words: 'x1', lanes: 1 }],
  [0x09, { words: 'x2', lanes: 2 }],
  [0x0a, { words: 'x4', lanes: 4 }],
  [0x0b, { words: 'x8', lanes: 8 }],
  [0x0c, { words: 'x12', lanes: 12 }],
  [0x0d, { words: 'x16', lanes: 16 }],
  [0x0e, { words: 'x32', lanes: 32 }],
]);

/** How long a card may be; other lengths are those of drives. */
export type CardLength = 'short' | 'long';
export const SLOT_LENGTHS: ReadonlyMap<
  number,
  { readonly words: string; readonly length: CardLength }
> = new Map([
  [0x03, { words: 'Short', length: 'short' }],
  [0x04, { words: 'Long', length: 'long' }],
]);

/** What a slot can do, each a bit of the record's two bytes of characteristics, the second one above the first. */
export const SLOT_TRAITS = {
  fiveVolts: { bit: 0x0002, words: '5.0 V is provided' },
  threeVolts: { bit: 0x0004, words: '3.3 V is provided' },
  sharesOpening: { bit: 0x0008, words: 'Opening is shared' },
  hotPlug: { bit: 0x0200, words: 'Hot-plug devices are supported' },
  splits: { bit: 0x0800, words: 'PCIe slot bifurcation is supported' },
} as const;
export type SlotTrait = keyof typeof SLOT_TRAITS;

export type SlotUsage = 'available' | 'inUse' | 'unavailable';
export const SLOT_USAGES: ReadonlyMap<
  number,
  { readonly words: string; readonly usage: SlotUsage }
> = new Map([
  [0x03, { words: 'Available', usage: 'available' }],
  [0x04, { words: 'In Use', usage: 'inUse' }],
  [0x05, { words: 'Unavailable', usage: 'unavailable' }],
]);

export type SlotHeight = 'full' | 'low';
export const SLOT_HEIGHTS: ReadonlyMap<
  number,
  { readonly words: string; readonly height: SlotHeight }
> = new Map([
  [0x03, { words: 'Full height', height: 'full' }],
  [0x04, { words: 'Low-profile', height: 'low' }],
]);

/** The same document, "System Enclosure or Chassis (Type 3)"; kinds of machines that take no cards are left out. */
export const CHASSIS_TYPES: Readonly<Record<number, string>> = {
  3: 'Desktop',
  4: 'Low Profile Desktop',
  5: 'Pizza Box',
  6: 'Mini Tower',
  7: 'Tower',
  13: 'All In One',
  15: 'Space-saving',
  16: 'Lunch Box',
  17: 'Main Server Chassis',
  18: 'Expansion Chassis',
  23: 'Rack Mount Chassis',
  35: 'Mini PC',
  36: 'Stick PC',
};

/** The same document, "Onboard Devices Extended Information (Type 41)". */
export const OTHER_ON_BOARD = 'Other';
export const ON_BOARD_TYPES: Readonly<Record<number, string>> = {
  1: OTHER_ON_BOARD,
  3: 'Video',
  4: 'SCSI Controller',
  5: 'Ethernet',
  6: 'Token Ring',
  7: 'Sound',
  8: 'PATA Controller',
  9: 'SATA Controller',
  10: 'SAS Controller',
};
