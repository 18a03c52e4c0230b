/** A card of the invented catalogue in a line: its maker's number, what it is built like, what it delivers. */
import { PLAIN_CARD } from '../../src/core/catalogue/index.ts';
import type { Card } from '../../src/core/document/index.ts';
import type { DeliveryOf } from '../../src/core/kinds/index.ts';

const VENDOR = {
  Kelpwick: 0xf1a0,
  Brinehollow: 0xf1a1,
  Gannetry: 0xf1a2,
  Marlstrand: 0xf1a3,
  Sundwick: 0xf1a4,
  Pellworth: 0xf1a5,
  Quillbark: 0xf1a6,
  Thornmere: 0xf1a7,
  Oarlock: 0xf1a8,
} as const;

export type Maker = keyof typeof VENDOR;
export type Row = Omit<Card, 'id' | 'maker' | 'model' | 'ids' | 'delivers'>;

/** A small single-width card with both brackets, as most of the catalogue is. */
export const SMALL: Row = {
  ...PLAIN_CARD,
  weightGrams: 90,
  brackets: ['full', 'low'],
  peakWatts: 6,
  slotWatts: 6,
  year: 2019,
  leadDays: 2,
};

/** The same for classic PCI. */
export const CLASSIC: Row = {
  ...SMALL,
  bus: 'pci',
  keying: 'universal',
  brackets: ['full'],
  year: 2009,
  leadDays: 9,
};

/** A module for a socket. */
export const MODULE: Row = {
  ...SMALL,
  bus: 'm2',
  m2: { keys: ['E', 'A'], moduleLengthMm: 30, signal: 'pcie' },
  lengthMm: 30,
  heightMm: 22,
  weightGrams: 6,
};

export const CLASS = {
  ahci: 0x010601,
  raid: 0x010400,
  nvme: 0x010802,
  xhci: 0x0c0330,
  ehci: 0x0c0320,
  ethernet: 0x020000,
  radio: 0x028000,
  vga: 0x030000,
  audio: 0x040300,
  oldAudio: 0x040100,
  serial: 0x070002,
  parallel: 0x070103,
  video: 0x040000,
  tuner: 0x048000,
  bridge: 0x060400,
} as const;

/** The card draws all it takes from its slot. */
export const draws = (watts: number) => ({ peakWatts: watts, slotWatts: watts });

/** A low card too small for two brackets, or a tall one. */
export const TALL = { heightMm: 111.15, brackets: ['full'] } satisfies Partial<Row>;

export function card(
  maker: Maker,
  model: string,
  device: number,
  class24: number,
  row: Row,
  delivers: Card['delivers'],
): Card {
  const id = `${maker}-${model}`.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-');
  return { id, maker, model, ...row, ids: { vendor: VENDOR[maker], device, class24 }, delivers };
}

export const screens = (
  most: number,
  outputs: readonly (readonly [DeliveryOf<'screens'>['outputs'][number]['signal'], number])[],
  memoryGigabytes: number,
  speedClass: number,
  encodes: DeliveryOf<'screens'>['encodes'] = [],
): DeliveryOf<'screens'> => ({
  kind: 'screens',
  most,
  outputs: outputs.map(([signal, count]) => ({ signal, count })),
  memoryGigabytes,
  speedClass,
  encodes,
});

export const network = (
  ports: number,
  megabits: readonly number[],
  features: DeliveryOf<'network'>['features'] = ['wake', 'vlan'],
  medium: DeliveryOf<'network'>['medium'] = 'copper',
): DeliveryOf<'network'> => ({ kind: 'network', ports, megabits, medium, features });

export const usb = (
  ports: number,
  signalling: DeliveryOf<'usb'>['signalling'],
  milliamps: number,
  typeC = 0,
): DeliveryOf<'usb'> => ({ kind: 'usb', ports, signalling, typeC, milliamps });

export const drives = (
  ports: number,
  socket: 'sata' | 'm2',
  ownPorts = ports,
  sataModules = 0,
): DeliveryOf<'drives'> => ({ kind: 'drives', ports, socket, ownPorts, sataModules });

export const wifi = (
  radioMegabits: number,
  bluetooth: boolean,
  bands: DeliveryOf<'wifi'>['bands'],
  aerials = 2,
): DeliveryOf<'wifi'> => ({ kind: 'wifi', radioMegabits, bluetooth, bands, aerials });

export const sound = (channels: number, inputs: number, optical = false): DeliveryOf<'sound'> => ({
  kind: 'sound',
  channels,
  inputs,
  optical,
});
