/** Cards for drives: SATA with and without multiplication, carriers for modules, controllers with a driver of their own. */
import type { Card } from '../../src/core/document/index.ts';
import type { DeliveryOf } from '../../src/core/kinds/index.ts';
import {
  CLASS,
  CLASSIC,
  MODULE,
  SMALL,
  TALL,
  card,
  draws,
  drives,
  type Maker,
  type Row,
} from './row.ts';

const sata = (
  maker: Maker,
  model: string,
  device: number,
  row: Partial<Row>,
  delivers: DeliveryOf<'drives'>,
  class24: number = CLASS.ahci,
): Card => card(maker, model, device, class24, { ...SMALL, generation: 3, ...row }, delivers);

const REAR_ROW = { leadsBeforeSeating: ['Drive cables to the card’s rear row'] };

/** Four data leads in its box. */
const SATA_LEADS: Card['contents'] = Array.from({ length: 4 }, () => ({
  kind: 'driveCable',
  fits: 'sata',
}));

const cabled: readonly Card[] = [
  sata(
    'Pellworth',
    'Locker 1',
    0x750f,
    { generation: 2, lengthMm: 80, ...draws(3), priceCents: 1_700, boot: 'both' },
    drives(1, 'sata'),
  ),
  sata(
    'Pellworth',
    'Locker 2',
    0x7510,
    { lengthMm: 85, ...draws(4), priceCents: 2_500, boot: 'both' },
    drives(2, 'sata'),
  ),
  sata(
    'Pellworth',
    'Locker 2L',
    0x7513,
    { lengthMm: 80, ...draws(4), brackets: ['low'], bracketMounted: 'low', priceCents: 2_700 },
    drives(2, 'sata'),
  ),
  sata(
    'Pellworth',
    'Locker 4',
    0x7514,
    { lengthMm: 100, ...draws(5), priceCents: 3_900, contents: SATA_LEADS },
    drives(4, 'sata'),
  ),
  sata(
    'Pellworth',
    'Locker 4B',
    0x7515,
    { lanes: 4, lengthMm: 118, ...draws(6), ...REAR_ROW, priceCents: 5_200, boot: 'both' },
    drives(4, 'sata'),
  ),
  sata(
    'Pellworth',
    'Locker 5',
    0x7516,
    { lengthMm: 110, ...draws(5), priceCents: 4_500 },
    drives(5, 'sata'),
  ),
  sata(
    'Pellworth',
    'Locker 6',
    0x7511,
    { lanes: 4, lengthMm: 125, ...draws(7), ...REAR_ROW, priceCents: 6_800 },
    drives(6, 'sata'),
  ),
  sata(
    'Pellworth',
    'Locker 6X',
    0x7517,
    { lengthMm: 115, ...draws(6), priceCents: 5_200 },
    drives(6, 'sata'),
  ),
  sata(
    'Pellworth',
    'Locker 8',
    0x7518,
    { lanes: 4, lengthMm: 140, ...draws(9), ...REAR_ROW, priceCents: 9_400 },
    drives(8, 'sata'),
  ),
  sata(
    'Pellworth',
    'Locker 10',
    0x7512,
    { lanes: 4, lengthMm: 160, ...draws(10), ...REAR_ROW, priceCents: 12_900 },
    drives(10, 'sata'),
  ),
  sata(
    'Pellworth',
    'Locker 10M',
    0x7519,
    { lengthMm: 150, ...draws(8), priceCents: 6_900, year: 2016 },
    drives(10, 'sata', 2),
  ),
  sata(
    'Pellworth',
    'Locker 20M',
    0x751a,
    { lanes: 4, ...TALL, lengthMm: 190, ...draws(14), priceCents: 13_900, year: 2018 },
    drives(20, 'sata', 6),
  ),
  sata(
    'Oarlock',
    'Crate 2',
    0x7870,
    { generation: 2, lengthMm: 82, ...draws(3), brackets: ['full'], priceCents: 1_600 },
    drives(2, 'sata'),
  ),
  sata(
    'Oarlock',
    'Crate 4',
    0x7871,
    { generation: 2, lengthMm: 98, ...draws(4), priceCents: 2_600 },
    drives(4, 'sata', 2),
  ),
  sata(
    'Oarlock',
    'Crate 5',
    0x7872,
    { lengthMm: 108, ...draws(5), priceCents: 3_300 },
    drives(5, 'sata'),
  ),
  sata(
    'Oarlock',
    'Crate 6',
    0x7873,
    { lanes: 4, lengthMm: 120, ...draws(6), priceCents: 4_900 },
    drives(6, 'sata'),
  ),
  sata(
    'Thornmere',
    'Vault 4R',
    0x7720,
    {
      lanes: 8,
      ...TALL,
      lengthMm: 168,
      ...draws(14),
      boot: 'both',
      priceCents: 19_900,
      year: 2015,
    },
    drives(4, 'sata'),
    CLASS.raid,
  ),
  sata(
    'Thornmere',
    'Vault 8R',
    0x7721,
    { lanes: 8, lengthMm: 168, ...draws(18), boot: 'both', priceCents: 28_900, year: 2017 },
    drives(8, 'sata'),
    CLASS.raid,
  ),
  sata(
    'Thornmere',
    'Vault 8H',
    0x7722,
    { lanes: 8, lengthMm: 156, ...draws(13), boot: 'both', priceCents: 16_900, year: 2016 },
    drives(8, 'sata'),
    CLASS.raid,
  ),
  sata(
    'Thornmere',
    'Vault 16H',
    0x7723,
    { lanes: 8, lengthMm: 168, ...draws(20), boot: 'uefi', priceCents: 34_900, year: 2021 },
    drives(16, 'sata'),
    CLASS.raid,
  ),
  card(
    'Pellworth',
    'Chest P2',
    0x7530,
    CLASS.raid,
    { ...CLASSIC, ...draws(5), boot: 'bios', priceCents: 2_200 },
    drives(2, 'sata'),
  ),
  card(
    'Pellworth',
    'Locker M5',
    0x751b,
    CLASS.ahci,
    {
      ...MODULE,
      m2: { keys: ['B', 'M'], moduleLengthMm: 80, signal: 'pcie' },
      lengthMm: 80,
      generation: 3,
      ...draws(5),
      priceCents: 4_400,
      year: 2021,
    },
    drives(5, 'sata'),
  ),
];

const carrier = (model: string, device: number, row: Partial<Row>, ports: number): Card =>
  card(
    'Pellworth',
    model,
    device,
    CLASS.nvme,
    { ...SMALL, lanes: 4, generation: 4, boot: 'uefi', year: 2020, ...row },
    drives(ports, 'm2'),
  );

const carriers: readonly Card[] = [
  carrier('Hold 1', 0x7520, { lengthMm: 110, ...draws(9), priceCents: 2_200 }, 1),
  carrier(
    'Hold 1L',
    0x7521,
    {
      generation: 3,
      lengthMm: 100,
      ...draws(9),
      brackets: ['low', 'full'],
      bracketMounted: 'low',
      priceCents: 1_700,
    },
    1,
  ),
  carrier(
    'Hold 1F',
    0x7522,
    { lengthMm: 120, ...draws(11), fan: { fromMm: 60, toMm: 100, airMm: 8 }, priceCents: 3_400 },
    1,
  ),
  carrier(
    'Hold 1 G5',
    0x7523,
    { generation: 5, lengthMm: 120, ...draws(14), priceCents: 4_900, year: 2024 },
    1,
  ),
  carrier(
    'Hold 2',
    0x7524,
    { lanes: 8, lengthMm: 140, needsSplit: true, ...draws(18), priceCents: 4_900 },
    2,
  ),
  carrier(
    'Hold 2W',
    0x7525,
    { lanes: 8, generation: 3, lengthMm: 160, ...draws(26), priceCents: 17_900 },
    2,
  ),
  carrier(
    'Hold 4',
    0x7526,
    { ...TALL, lanes: 16, lengthMm: 215, needsSplit: true, ...draws(38), priceCents: 6_900 },
    4,
  ),
  carrier(
    'Hold 4F',
    0x7527,
    {
      ...TALL,
      lanes: 16,
      lengthMm: 269,
      needsSplit: true,
      ...draws(42),
      fan: { fromMm: 150, toMm: 220, airMm: 10 },
      priceCents: 9_900,
    },
    4,
  ),
  carrier(
    'Hold 4W',
    0x7528,
    {
      ...TALL,
      lanes: 16,
      generation: 3,
      lengthMm: 240,
      peakWatts: 65,
      slotWatts: 45,
      sockets: ['6-pin'],
      fan: { fromMm: 120, toMm: 190, airMm: 12 },
      weightGrams: 520,
      priceCents: 44_900,
    },
    4,
  ),
];

/** One module on the slot’s lanes, one on a cable to the board. */
const pair: Card = card(
  'Oarlock',
  'Crate Pair',
  0x7880,
  CLASS.nvme,
  {
    ...SMALL,
    lanes: 4,
    generation: 3,
    boot: 'uefi',
    lengthMm: 118,
    ...draws(12),
    priceCents: 2_900,
  },
  drives(1, 'm2', 1, 1),
);

export const STORAGE: readonly Card[] = [...cabled, ...carriers, pair];
