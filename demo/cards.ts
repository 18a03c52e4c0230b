/** The invented catalogue of the parts supplier. Makers, models and device identities are invented. */
import type { Card } from '../src/core/index.ts';

const VENDOR = {
  Kelpwick: 0xf1a0,
  Brinehollow: 0xf1a1,
  Gannetry: 0xf1a2,
  Marlstrand: 0xf1a3,
  Sundwick: 0xf1a4,
  Pellworth: 0xf1a5,
  Quillbark: 0xf1a6,
} as const;

type Maker = keyof typeof VENDOR;
type Row = Omit<Card, 'id' | 'maker' | 'model' | 'ids' | 'delivers'>;

/** A small single-width card with both brackets, as most of the catalogue is. */
const SMALL: Row = {
  bus: 'pcie',
  lanes: 1,
  generation: 2,
  lengthMm: 120,
  heightMm: 68.9,
  openings: 1,
  brackets: ['full', 'low'],
  bracketMounted: 'full',
  peakWatts: 6,
  slotWatts: 6,
  sockets: [],
  leadsBeforeSeating: [],
  priceCents: 0,
};

/** A full-height graphics card. */
const GRAPHICS: Row = {
  ...SMALL,
  lanes: 16,
  generation: 4,
  heightMm: 111.15,
  openings: 2,
  brackets: ['full'],
  slotWatts: 60,
};

const AHCI = 0x010601;
const NVME = 0x010802;
const XHCI = 0x0c0330;
const ETHERNET = 0x020000;
const RADIO = 0x028000;
const VGA = 0x030000;
const AUDIO = 0x040300;

function card(
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

const screens = (most: number, ...outputs: Extract<Card['delivers'], { kind: 'screens' }>['outputs'][number][]) =>
  ({ kind: 'screens', most, outputs }) as const;

export const CARDS: readonly Card[] = [
  card(
    'Kelpwick',
    'Lantern 2',
    0x7010,
    VGA,
    { ...SMALL, lanes: 8, generation: 3, lengthMm: 168, peakWatts: 30, slotWatts: 30, priceCents: 9_800 },
    screens(2, { signal: 'dp-hbr2', count: 2 }),
  ),
  card(
    'Kelpwick',
    'Lantern 3',
    0x7011,
    VGA,
    {
      ...SMALL,
      lanes: 16,
      generation: 3,
      lengthMm: 169,
      openings: 2,
      peakWatts: 50,
      slotWatts: 50,
      priceCents: 14_900,
    },
    screens(3, { signal: 'dp-hbr3', count: 2 }, { signal: 'hdmi-600', count: 1 }),
  ),
  card(
    'Kelpwick',
    'Beacon 120',
    0x7020,
    VGA,
    { ...GRAPHICS, lengthMm: 201, peakWatts: 120, sockets: ['6-pin'], priceCents: 27_900 },
    screens(4, { signal: 'dp-hbr3', count: 3 }, { signal: 'hdmi-600', count: 1 }),
  ),
  card(
    'Kelpwick',
    'Beacon 200',
    0x7021,
    VGA,
    { ...GRAPHICS, lengthMm: 267, peakWatts: 200, sockets: ['8-pin'], priceCents: 44_900 },
    screens(4, { signal: 'dp-hbr3', count: 3 }, { signal: 'hdmi-600', count: 1 }),
  ),
  card(
    'Marlstrand',
    'Foghorn 320',
    0x7301,
    VGA,
    {
      ...GRAPHICS,
      generation: 5,
      lengthMm: 318,
      openings: 3,
      peakWatts: 320,
      sockets: ['12v-2x6'],
      priceCents: 89_900,
    },
    screens(4, { signal: 'dp-hbr3', count: 3 }, { signal: 'hdmi-600', count: 1 }),
  ),
  card(
    'Marlstrand',
    'Skiff P',
    0x7310,
    VGA,
    { ...SMALL, bus: 'pci', peakWatts: 18, slotWatts: 18, lengthMm: 150, priceCents: 5_900 },
    screens(2, { signal: 'dvi', count: 2 }),
  ),
  card(
    'Gannetry',
    'Quay 2',
    0x7201,
    XHCI,
    { ...SMALL, lengthMm: 80, peakWatts: 10, slotWatts: 10, priceCents: 1_900 },
    { kind: 'usb', ports: 2, signalling: '3.2-1' },
  ),
  card(
    'Gannetry',
    'Quay 4P',
    0x7202,
    XHCI,
    { ...SMALL, lengthMm: 95, peakWatts: 22, slotWatts: 5, sockets: ['sata'], priceCents: 3_400 },
    { kind: 'usb', ports: 4, signalling: '3.2-1' },
  ),
  card(
    'Gannetry',
    'Pier 4',
    0x7210,
    XHCI,
    {
      ...SMALL,
      lanes: 4,
      generation: 3,
      lengthMm: 120,
      peakWatts: 28,
      slotWatts: 8,
      sockets: ['sata'],
      priceCents: 7_900,
    },
    { kind: 'usb', ports: 4, signalling: '3.2-2' },
  ),
  card(
    'Gannetry',
    'Pier 2X',
    0x7211,
    XHCI,
    { ...SMALL, lanes: 4, generation: 3, lengthMm: 110, peakWatts: 20, slotWatts: 20, priceCents: 8_900 },
    { kind: 'usb', ports: 2, signalling: '3.2-2x2' },
  ),
  card(
    'Brinehollow',
    'Jetty 5',
    0x7150,
    0x0c0320,
    { ...SMALL, bus: 'pci', brackets: ['full'], peakWatts: 12, slotWatts: 12, priceCents: 1_500 },
    { kind: 'usb', ports: 5, signalling: '2.0' },
  ),
  card(
    'Sundwick',
    'Gull 300',
    0x7401,
    RADIO,
    { ...SMALL, generation: 1, lengthMm: 90, peakWatts: 3, slotWatts: 3, priceCents: 1_800 },
    { kind: 'wifi', radioMegabits: 300, bluetooth: false },
  ),
  card(
    'Sundwick',
    'Gull 1200',
    0x7402,
    RADIO,
    {
      ...SMALL,
      generation: 1,
      lengthMm: 100,
      peakWatts: 5,
      slotWatts: 5,
      leadsBeforeSeating: ['Bluetooth lead to the 9-pin USB header'],
      priceCents: 3_900,
    },
    { kind: 'wifi', radioMegabits: 1201, bluetooth: true },
  ),
  card(
    'Sundwick',
    'Tern 2400',
    0x7403,
    RADIO,
    {
      ...SMALL,
      lengthMm: 110,
      peakWatts: 6,
      slotWatts: 6,
      leadsBeforeSeating: ['Bluetooth lead to the 9-pin USB header', 'Aerial base lead'],
      priceCents: 5_900,
    },
    { kind: 'wifi', radioMegabits: 2402, bluetooth: true },
  ),
  card(
    'Sundwick',
    'Petrel P',
    0x7410,
    RADIO,
    { ...SMALL, bus: 'pci', peakWatts: 4, slotWatts: 4, priceCents: 1_200 },
    { kind: 'wifi', radioMegabits: 150, bluetooth: false },
  ),
  card(
    'Brinehollow',
    'Hawser 1',
    0x7101,
    ETHERNET,
    { ...SMALL, generation: 1, lengthMm: 85, peakWatts: 3, slotWatts: 3, priceCents: 1_600 },
    { kind: 'network', ports: 1, megabits: [100, 1000] },
  ),
  card(
    'Brinehollow',
    'Hawser 2.5',
    0x7102,
    ETHERNET,
    { ...SMALL, lengthMm: 90, peakWatts: 4, slotWatts: 4, priceCents: 2_900 },
    { kind: 'network', ports: 1, megabits: [100, 1000, 2500] },
  ),
  card(
    'Brinehollow',
    'Hawser 5',
    0x7103,
    ETHERNET,
    { ...SMALL, generation: 3, lengthMm: 95, peakWatts: 6, slotWatts: 6, priceCents: 5_900 },
    { kind: 'network', ports: 1, megabits: [100, 1000, 2500, 5000] },
  ),
  card(
    'Brinehollow',
    'Cable 10',
    0x7110,
    ETHERNET,
    { ...SMALL, lanes: 4, generation: 3, lengthMm: 130, peakWatts: 9, slotWatts: 9, priceCents: 11_900 },
    { kind: 'network', ports: 1, megabits: [100, 1000, 2500, 5000, 10000] },
  ),
  card(
    'Pellworth',
    'Anchor 10E',
    0x7501,
    ETHERNET,
    { ...SMALL, lanes: 8, lengthMm: 140, peakWatts: 14, slotWatts: 14, priceCents: 6_900 },
    { kind: 'network', ports: 1, megabits: [1000, 10000] },
  ),
  card(
    'Pellworth',
    'Anchor 10D',
    0x7502,
    ETHERNET,
    { ...SMALL, lanes: 8, generation: 3, lengthMm: 150, peakWatts: 16, slotWatts: 16, priceCents: 18_900 },
    { kind: 'network', ports: 2, megabits: [100, 1000, 2500, 5000, 10000] },
  ),
  card(
    'Pellworth',
    'Locker 2',
    0x7510,
    AHCI,
    { ...SMALL, generation: 3, lengthMm: 85, peakWatts: 4, slotWatts: 4, priceCents: 2_500 },
    { kind: 'drives', ports: 2, socket: 'sata' },
  ),
  card(
    'Pellworth',
    'Locker 6',
    0x7511,
    AHCI,
    {
      ...SMALL,
      lanes: 4,
      generation: 3,
      lengthMm: 125,
      peakWatts: 7,
      slotWatts: 7,
      leadsBeforeSeating: ['Drive cables to the card’s rear row'],
      priceCents: 6_800,
    },
    { kind: 'drives', ports: 6, socket: 'sata' },
  ),
  card(
    'Pellworth',
    'Locker 10',
    0x7512,
    AHCI,
    {
      ...SMALL,
      lanes: 4,
      generation: 3,
      lengthMm: 160,
      peakWatts: 10,
      slotWatts: 10,
      leadsBeforeSeating: ['Drive cables to the card’s rear row'],
      priceCents: 12_900,
    },
    { kind: 'drives', ports: 10, socket: 'sata' },
  ),
  card(
    'Pellworth',
    'Hold 1',
    0x7520,
    NVME,
    { ...SMALL, lanes: 4, generation: 4, lengthMm: 110, peakWatts: 9, slotWatts: 9, priceCents: 2_200 },
    { kind: 'drives', ports: 1, socket: 'm2' },
  ),
  card(
    'Quillbark',
    'Fiddle 2',
    0x7601,
    AUDIO,
    {
      ...SMALL,
      generation: 1,
      lengthMm: 100,
      peakWatts: 5,
      slotWatts: 5,
      leadsBeforeSeating: ['Front audio lead'],
      priceCents: 3_500,
    },
    { kind: 'sound', channels: 2 },
  ),
  card(
    'Quillbark',
    'Organ 8',
    0x7602,
    AUDIO,
    {
      ...SMALL,
      lengthMm: 135,
      heightMm: 98,
      brackets: ['full'],
      peakWatts: 15,
      slotWatts: 8,
      sockets: ['4-pin'],
      leadsBeforeSeating: ['Front audio lead'],
      priceCents: 8_900,
    },
    { kind: 'sound', channels: 8 },
  ),
];
