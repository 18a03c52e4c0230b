/** Graphics cards: small ones for offices, drawing cards for workstations, long ones with fans. */
import { statementThat } from '../../src/core/parts/index.ts';
import type { Card } from '../../src/core/document/index.ts';
import { CLASS, CLASSIC, SMALL, TALL, card, draws, screens, type Maker, type Row } from './row.ts';

/** A fan over the middle of a card of this length. */
const fanOf = (lengthMm: number) => ({
  fromMm: Math.round(lengthMm * 0.35),
  toMm: Math.round(lengthMm * 0.85),
  airMm: 20,
});

const LOW: Row = {
  ...SMALL,
  lanes: 8,
  generation: 3,
  boot: 'both',
  year: 2018,
  weightGrams: 190,
  windowMegabytes: 256,
};

const LONG: Row = {
  ...SMALL,
  ...TALL,
  lanes: 16,
  generation: 4,
  openings: 2,
  slotWatts: 60,
  boot: 'both',
  year: 2021,
  windowMegabytes: 256,
};

const long = (lengthMm: number, weightGrams: number, row: Partial<Row>): Row => ({
  ...LONG,
  lengthMm,
  weightGrams,
  fan: fanOf(lengthMm),
  ...row,
});

const vga = (
  maker: Maker,
  model: string,
  device: number,
  row: Row,
  delivers: Card['delivers'],
): Card => card(maker, model, device, CLASS.vga, row, delivers);

const DP2_HDMI = [
  ['dp-hbr3', 2],
  ['hdmi-600', 1],
] as const;
const DP3_HDMI = [
  ['dp-hbr3', 3],
  ['hdmi-600', 1],
] as const;
const DP3_HDMI48 = [
  ['dp-uhbr10', 3],
  ['hdmi-frl48', 1],
] as const;
const ALL = ['h264', 'h265', 'av1'] as const;
const OLD = ['h264', 'h265'] as const;

const office: readonly Card[] = [
  vga(
    'Kelpwick',
    'Lantern 1',
    0x700e,
    { ...LOW, lanes: 1, lengthMm: 146, ...draws(19), priceCents: 6_400, year: 2016 },
    screens(
      2,
      [
        ['hdmi-340', 1],
        ['dvi', 1],
      ],
      1,
      1,
    ),
  ),
  vga(
    'Kelpwick',
    'Lantern 1D',
    0x700f,
    { ...LOW, lengthMm: 150, ...draws(22), priceCents: 7_600, year: 2016 },
    screens(
      2,
      [
        ['dp-hbr2', 1],
        ['dvi-dual', 1],
      ],
      2,
      1,
      ['h264'],
    ),
  ),
  vga(
    'Kelpwick',
    'Lantern 2',
    0x7010,
    { ...LOW, lengthMm: 168, ...draws(30), priceCents: 9_800 },
    screens(2, [['dp-hbr2', 2]], 2, 1, ['h264']),
  ),
  vga(
    'Kelpwick',
    'Lantern 3',
    0x7011,
    {
      ...LOW,
      lanes: 16,
      lengthMm: 169,
      openings: 2,
      ...draws(50),
      fan: { fromMm: 60, toMm: 130, airMm: 15 },
      weightGrams: 320,
      priceCents: 14_900,
    },
    screens(3, DP2_HDMI, 4, 2, OLD),
  ),
  vga(
    'Kelpwick',
    'Lantern 4Q',
    0x7012,
    {
      ...LOW,
      lanes: 16,
      lengthMm: 167,
      ...draws(47),
      fan: { fromMm: 55, toMm: 120, airMm: 12 },
      priceCents: 28_900,
      year: 2022,
    },
    screens(4, [['dp-hbr3', 4]], 4, 2, ALL),
  ),
  vga(
    'Kelpwick',
    'Lantern 2L',
    0x7013,
    {
      ...LOW,
      lengthMm: 160,
      ...draws(28),
      brackets: ['low'],
      bracketMounted: 'low',
      priceCents: 9_200,
    },
    screens(
      2,
      [
        ['dp-hbr2', 1],
        ['hdmi-600', 1],
      ],
      2,
      1,
      ['h264'],
    ),
  ),
  vga(
    'Kelpwick',
    'Lantern 3S',
    0x7014,
    { ...LOW, lanes: 16, lengthMm: 175, ...draws(40), priceCents: 16_900, year: 2020 },
    screens(3, [['dp-hbr3', 3]], 4, 2, OLD),
  ),
  vga(
    'Marlstrand',
    'Candle 2',
    0x7300,
    { ...LOW, lengthMm: 152, ...draws(25), priceCents: 5_900, year: 2015 },
    screens(
      2,
      [
        ['vga', 1],
        ['dvi', 1],
        ['hdmi-340', 1],
      ],
      1,
      1,
    ),
  ),
  vga(
    'Marlstrand',
    'Candle 3',
    0x7302,
    { ...LOW, lengthMm: 160, ...draws(30), priceCents: 8_700, year: 2019 },
    screens(
      3,
      [
        ['hdmi-600', 1],
        ['dp-hbr2', 1],
        ['dvi', 1],
      ],
      2,
      1,
      OLD,
    ),
  ),
  vga(
    'Marlstrand',
    'Candle 4',
    0x7303,
    {
      ...LOW,
      lengthMm: 165,
      ...draws(38),
      brackets: ['low'],
      bracketMounted: 'low',
      priceCents: 12_500,
    },
    screens(4, [['dp-hbr2', 4]], 2, 1, OLD),
  ),
  vga(
    'Oarlock',
    'Glim 1',
    0x7801,
    { ...LOW, lanes: 1, lengthMm: 128, ...draws(15), priceCents: 4_900, year: 2014, boot: 'bios' },
    screens(1, [['dvi', 1]], 1, 1),
  ),
  vga(
    'Oarlock',
    'Glim 2',
    0x7802,
    { ...LOW, lengthMm: 145, ...draws(20), priceCents: 6_900 },
    screens(
      2,
      [
        ['dp-hbr2', 1],
        ['hdmi-340', 1],
      ],
      2,
      1,
      ['h264'],
    ),
  ),
  vga(
    'Marlstrand',
    'Skiff P',
    0x7310,
    {
      ...CLASSIC,
      brackets: ['full', 'low'],
      ...draws(18),
      lengthMm: 150,
      boot: 'bios',
      priceCents: 5_900,
    },
    screens(2, [['dvi', 2]], 0.25, 1),
  ),
  vga(
    'Oarlock',
    'Glim P',
    0x7803,
    { ...CLASSIC, ...draws(14), lengthMm: 140, boot: 'bios', priceCents: 3_900 },
    screens(1, [['vga', 1]], 0.06, 1),
  ),
];

/** Drawing cards: one opening wide, much memory, for workstations. */
const drawing: readonly Card[] = (
  [
    ['Drafting 1', 0x7030, 40, [], 168, 2, 3, 29_900, 2017],
    ['Drafting 2', 0x7031, 50, [], 168, 4, 3, 42_900, 2019],
    ['Drafting 3', 0x7032, 75, [], 201, 8, 3, 64_900, 2019],
    ['Drafting 5', 0x7034, 105, ['6-pin'], 241, 8, 4, 89_900, 2019],
    ['Drafting 6', 0x7035, 140, ['6-pin'], 241, 16, 4, 129_900, 2021],
  ] as const
).map(([model, device, watts, sockets, lengthMm, memory, speed, priceCents, year]) =>
  vga(
    'Kelpwick',
    model,
    device,
    long(lengthMm, 420, {
      openings: 1,
      generation: 3,
      peakWatts: watts,
      slotWatts: Math.min(watts, 75),
      sockets,
      supplyWatts: watts > 75 ? 400 : null,
      priceCents,
      year,
    }),
    screens(4, [['dp-hbr3', 4]], memory, speed, OLD),
  ),
);

/** The one that old workstations with two small board plugs are upgraded to. */
const drafting4: Card = vga(
  'Kelpwick',
  'Drafting 4',
  0x7033,
  long(251, 760, {
    generation: 3,
    peakWatts: 175,
    slotWatts: 75,
    sockets: ['8-pin'],
    supplyWatts: 500,
    priceCents: 54_900,
    year: 2016,
    boot: 'both',
    chip: 'Kelpwick KW-7 display',
    returnDays: 14,
    statements: [
      statementThat('listed', {
        machine: 'Breakwater W9 workstation',
        slot: 'Slot 1',
        source: 'Breakwater, cards for the W9',
        date: '2017-02-01',
      }),
    ],
  }),
  screens(
    4,
    [
      ['dp-hbr2', 3],
      ['dvi-dual', 1],
    ],
    8,
    4,
    OLD,
  ),
);

const fanned: readonly Card[] = [
  vga(
    'Kelpwick',
    'Beacon 75',
    0x701f,
    long(170, 380, { peakWatts: 75, slotWatts: 75, priceCents: 17_900, year: 2019, generation: 3 }),
    screens(
      3,
      [
        ['dp-hbr3', 1],
        ['hdmi-600', 1],
        ['dvi', 1],
      ],
      4,
      2,
      OLD,
    ),
  ),
  vga(
    'Kelpwick',
    'Beacon 120',
    0x7020,
    long(201, 620, { peakWatts: 120, sockets: ['6-pin'], supplyWatts: 400, priceCents: 27_900 }),
    screens(4, DP3_HDMI, 6, 3, OLD),
  ),
  vga(
    'Kelpwick',
    'Beacon 120 S',
    0x7025,
    long(170, 540, { peakWatts: 120, sockets: ['6-pin'], supplyWatts: 400, priceCents: 29_900 }),
    screens(3, DP2_HDMI, 6, 3, OLD),
  ),
  vga(
    'Kelpwick',
    'Beacon 160',
    0x7022,
    long(229, 710, { peakWatts: 160, sockets: ['8-pin'], supplyWatts: 450, priceCents: 34_900 }),
    screens(4, DP3_HDMI, 8, 3, OLD),
  ),
  vga(
    'Kelpwick',
    'Beacon 200',
    0x7021,
    long(267, 940, { peakWatts: 200, sockets: ['8-pin'], supplyWatts: 550, priceCents: 44_900 }),
    screens(4, DP3_HDMI, 8, 4, OLD),
  ),
  vga(
    'Kelpwick',
    'Beacon 220 S',
    0x7023,
    long(242, 1_020, {
      peakWatts: 220,
      sockets: ['8-pin', '6-pin'],
      supplyWatts: 600,
      windowMegabytes: 12_288,
      priceCents: 52_900,
      year: 2023,
    }),
    screens(4, DP3_HDMI48, 12, 4, ALL),
  ),
  vga(
    'Kelpwick',
    'Beacon 285',
    0x7024,
    long(304, 1_380, {
      openings: 3,
      peakWatts: 285,
      sockets: ['8-pin', '8-pin'],
      supplyWatts: 700,
      windowMegabytes: 16_384,
      priceCents: 69_900,
      year: 2023,
    }),
    screens(4, DP3_HDMI48, 16, 5, ALL),
  ),
  vga(
    'Marlstrand',
    'Foghorn 115',
    0x7304,
    long(198, 560, {
      lanes: 8,
      peakWatts: 115,
      slotWatts: 70,
      sockets: ['6-pin'],
      supplyWatts: 450,
      windowMegabytes: 8_192,
      priceCents: 23_900,
      year: 2023,
      boot: 'uefi',
    }),
    screens(4, DP3_HDMI48, 8, 3, ALL),
  ),
  vga(
    'Marlstrand',
    'Foghorn 165',
    0x7305,
    long(241, 780, {
      lanes: 8,
      peakWatts: 165,
      sockets: ['8-pin'],
      supplyWatts: 500,
      windowMegabytes: 8_192,
      priceCents: 31_900,
      year: 2023,
      boot: 'uefi',
    }),
    screens(4, DP3_HDMI48, 8, 4, ALL),
  ),
  vga(
    'Marlstrand',
    'Foghorn 245',
    0x7306,
    long(276, 1_150, {
      peakWatts: 245,
      sockets: ['8-pin', '8-pin'],
      supplyWatts: 650,
      windowMegabytes: 12_288,
      priceCents: 54_900,
      year: 2023,
      boot: 'uefi',
    }),
    screens(4, DP3_HDMI48, 12, 4, ALL),
  ),
  vga(
    'Marlstrand',
    'Foghorn 320',
    0x7301,
    long(318, 1_640, {
      generation: 5,
      openings: 3,
      peakWatts: 320,
      sockets: ['12v-2x6'],
      contents: [{ kind: 'plugAdapter', fits: 'two-8-pin-to-12v-2x6' }],
      supplyWatts: 750,
      windowMegabytes: 16_384,
      priceCents: 89_900,
      year: 2025,
      boot: 'uefi',
    }),
    screens(4, DP3_HDMI48, 16, 5, ALL),
  ),
  vga(
    'Marlstrand',
    'Foghorn 450',
    0x7307,
    long(340, 2_100, {
      generation: 5,
      openings: 4,
      peakWatts: 450,
      sockets: ['12v-2x6'],
      contents: [{ kind: 'plugAdapter', fits: 'two-8-pin-to-12v-2x6' }],
      supplyWatts: 850,
      windowMegabytes: 24_576,
      priceCents: 164_900,
      year: 2025,
      boot: 'uefi',
    }),
    screens(4, DP3_HDMI48, 24, 5, ALL),
  ),
  vga(
    'Oarlock',
    'Squall 150',
    0x7810,
    long(210, 640, {
      peakWatts: 150,
      sockets: ['8-pin'],
      supplyWatts: 500,
      priceCents: 29_900,
      year: 2020,
      quirks: ['restarts'],
    }),
    screens(4, DP2_HDMI, 8, 3, OLD),
  ),
  vga(
    'Oarlock',
    'Squall 190',
    0x7811,
    long(255, 880, {
      peakWatts: 190,
      sockets: ['6-pin', '6-pin'],
      supplyWatts: 550,
      priceCents: 36_900,
      year: 2018,
    }),
    screens(4, DP2_HDMI, 8, 4, OLD),
  ),
];

export const GRAPHICS: readonly Card[] = [...office, ...drawing, drafting4, ...fanned];
