/** USB, fast serial ports, ports of an older age, sound. */
import type { Card } from '../../src/core/document/index.ts';
import type { DeliveryOf } from '../../src/core/kinds/index.ts';
import {
  CLASS,
  CLASSIC,
  SMALL,
  TALL,
  card,
  draws,
  sound,
  usb,
  type Maker,
  type Row,
} from './row.ts';

const hub = (
  maker: Maker,
  model: string,
  device: number,
  row: Partial<Row>,
  delivers: DeliveryOf<'usb'>,
): Card => card(maker, model, device, CLASS.xhci, { ...SMALL, ...row }, delivers);

const fed = (watts: number, ...sockets: Row['sockets']) => ({
  peakWatts: watts,
  slotWatts: 5,
  sockets,
});
const HEADER_19: Row['frontHeaders'] = [{ type: 'usb-19-pin', atMm: 85 }];
const HEADER_C: Row['frontHeaders'] = [{ type: 'type-c-20-pin', atMm: 90 }];

const usbCards: readonly Card[] = [
  hub(
    'Gannetry',
    'Quay 2',
    0x7201,
    { lengthMm: 80, ...draws(10), priceCents: 1_900 },
    usb(2, '3.2-1', 900),
  ),
  hub(
    'Gannetry',
    'Quay 2L',
    0x7203,
    { lengthMm: 70, ...draws(9), brackets: ['low'], bracketMounted: 'low', priceCents: 1_900 },
    usb(2, '3.2-1', 900),
  ),
  hub(
    'Gannetry',
    'Quay 4P',
    0x7202,
    { lengthMm: 95, ...fed(22, 'sata'), priceCents: 3_400 },
    usb(4, '3.2-1', 900),
  ),
  hub(
    'Gannetry',
    'Quay 4M',
    0x7204,
    { lengthMm: 96, ...fed(22, '4-pin'), priceCents: 3_200 },
    usb(4, '3.2-1', 900),
  ),
  hub(
    'Gannetry',
    'Quay 4',
    0x7205,
    { lengthMm: 92, ...draws(10), priceCents: 2_700 },
    usb(4, '3.2-1', 400),
  ),
  hub(
    'Gannetry',
    'Quay 2F',
    0x7206,
    {
      lengthMm: 98,
      ...fed(22, 'sata'),
      frontHeaders: HEADER_19,
      priceCents: 3_600,
    },
    usb(2, '3.2-1', 900),
  ),
  hub(
    'Gannetry',
    'Quay 4F',
    0x7207,
    {
      lengthMm: 112,
      ...fed(32, 'sata'),
      frontHeaders: HEADER_19,
      priceCents: 4_900,
    },
    usb(4, '3.2-1', 700),
  ),
  hub(
    'Gannetry',
    'Quay 5M',
    0x7208,
    { lengthMm: 104, ...fed(26, '4-pin'), priceCents: 3_700 },
    usb(5, '3.2-1', 900),
  ),
  hub(
    'Gannetry',
    'Quay 7',
    0x7209,
    { ...TALL, lengthMm: 125, ...fed(38, '4-pin'), priceCents: 5_600 },
    usb(7, '3.2-1', 900),
  ),
  hub(
    'Gannetry',
    'Pier 2',
    0x7212,
    { lanes: 4, generation: 3, lengthMm: 105, ...draws(15), priceCents: 4_900 },
    usb(2, '3.2-2', 900),
  ),
  hub(
    'Gannetry',
    'Pier 2C',
    0x7213,
    { lanes: 4, generation: 3, lengthMm: 105, ...draws(20), priceCents: 5_900 },
    usb(2, '3.2-2', 1500, 1),
  ),
  hub(
    'Gannetry',
    'Pier 4',
    0x7210,
    {
      lanes: 4,
      generation: 3,
      lengthMm: 120,
      peakWatts: 28,
      slotWatts: 8,
      sockets: ['sata'],
      priceCents: 7_900,
    },
    usb(4, '3.2-2', 900),
  ),
  hub(
    'Gannetry',
    'Pier 2X',
    0x7211,
    { lanes: 4, generation: 3, lengthMm: 110, ...draws(20), priceCents: 8_900 },
    usb(2, '3.2-2x2', 1500, 2),
  ),
  hub(
    'Gannetry',
    'Pier 0C',
    0x7214,
    {
      lanes: 1,
      generation: 3,
      lengthMm: 100,
      peakWatts: 18,
      slotWatts: 8,
      sockets: ['sata'],
      frontHeaders: HEADER_C,
      priceCents: 4_400,
      year: 2021,
    },
    usb(0, '3.2-2', 1500),
  ),
  hub(
    'Gannetry',
    'Pier 1C',
    0x7215,
    {
      lanes: 4,
      generation: 3,
      lengthMm: 108,
      peakWatts: 28,
      slotWatts: 10,
      sockets: ['sata'],
      frontHeaders: HEADER_C,
      priceCents: 6_400,
      year: 2022,
    },
    usb(1, '3.2-2', 1500, 1),
  ),
  hub(
    'Gannetry',
    'Pier 0X',
    0x7216,
    {
      lanes: 4,
      generation: 3,
      lengthMm: 112,
      peakWatts: 26,
      slotWatts: 10,
      sockets: ['sata'],
      frontHeaders: HEADER_C,
      priceCents: 9_200,
      year: 2023,
    },
    usb(0, '3.2-2x2', 3000),
  ),
  hub(
    'Oarlock',
    'Stage 2',
    0x7850,
    { lengthMm: 78, ...draws(10), brackets: ['full'], priceCents: 1_400 },
    usb(2, '3.2-1', 500),
  ),
  hub(
    'Oarlock',
    'Stage 4',
    0x7851,
    { lengthMm: 95, ...fed(20, 'sata'), brackets: ['full'], priceCents: 2_500, quirks: ['sleep'] },
    usb(4, '3.2-1', 900),
  ),
  hub(
    'Oarlock',
    'Stage 4F',
    0x7852,
    {
      lengthMm: 108,
      ...fed(30, '4-pin'),
      frontHeaders: HEADER_19,
      priceCents: 3_500,
    },
    usb(4, '3.2-1', 700),
  ),
  hub(
    'Oarlock',
    'Stage 2C',
    0x7854,
    { lanes: 4, generation: 3, lengthMm: 100, ...draws(18), priceCents: 4_600, year: 2021 },
    usb(2, '3.2-2', 1500, 2),
  ),
  hub(
    'Gannetry',
    'Quay 4C',
    0x720a,
    { lengthMm: 99, ...fed(28, 'sata'), priceCents: 4_200, year: 2021 },
    usb(4, '3.2-1', 900, 1),
  ),
  hub(
    'Oarlock',
    'Stage 5C',
    0x7853,
    { lanes: 1, generation: 3, lengthMm: 102, ...fed(30, 'sata'), priceCents: 4_300, year: 2020 },
    usb(5, '3.2-1', 900, 2),
  ),
  card(
    'Brinehollow',
    'Jetty 5',
    0x7150,
    CLASS.ehci,
    { ...CLASSIC, ...draws(12), priceCents: 1_500 },
    usb(5, '2.0', 500),
  ),
  card(
    'Brinehollow',
    'Jetty 3',
    0x7151,
    CLASS.ehci,
    { ...CLASSIC, brackets: ['full', 'low'], ...draws(8), priceCents: 1_200 },
    usb(3, '2.0', 500),
  ),
];

const link = (ports: number, gigabits: number) =>
  ({ kind: 'serialLink', ports, gigabits }) as const;

const serialLinks: readonly Card[] = (
  [
    [
      'Strait 20',
      0x7230,
      4,
      2,
      2,
      20,
      14_900,
      2014,
      ['coldStart', 'sleep', 'processorSlot', 'jumper'],
    ],
    ['Strait 40', 0x7231, 4, 3, 2, 40, 19_900, 2018, ['coldStart', 'processorSlot', 'jumper']],
    ['Strait 40M', 0x7232, 4, 3, 1, 40, 15_900, 2020, ['processorSlot', 'jumper']],
    ['Strait 40N', 0x7233, 4, 4, 2, 40, 23_900, 2023, ['processorSlot']],
    ['Strait 40X', 0x7234, 4, 4, 2, 40, 29_900, 2025, []],
  ] as const
).map(([model, device, lanes, generation, ports, gigabits, priceCents, year, quirks]) =>
  card(
    'Gannetry',
    model,
    device,
    CLASS.bridge,
    {
      ...SMALL,
      lanes,
      generation,
      lengthMm: 135,
      peakWatts: 32,
      slotWatts: 20,
      sockets: ['6-pin'],
      boardLeads: quirks.some((quirk) => quirk === 'jumper')
        ? [{ type: 'serial-link-5-pin', lengthMm: 300 }]
        : [],
      priceCents,
      year,
      quirks,
      leadDays: 6,
    },
    link(ports, gigabits),
  ),
);

const legacy = (
  model: string,
  device: number,
  row: Row,
  serial: number,
  parallel: number,
  priceCents: number,
): Card =>
  card(
    'Thornmere',
    model,
    device,
    serial > 0 ? CLASS.serial : CLASS.parallel,
    { ...row, ...draws(4), lengthMm: 100, priceCents },
    { kind: 'legacy', serial, parallel },
  );
const EXPRESS: Row = { ...SMALL, generation: 1, year: 2012 };

const olderAge: readonly Card[] = [
  legacy('Bollard S1', 0x7701, EXPRESS, 1, 0, 1_500),
  legacy('Bollard S2', 0x7702, EXPRESS, 2, 0, 1_900),
  legacy('Bollard S4', 0x7703, EXPRESS, 4, 0, 3_400),
  legacy('Bollard S8', 0x7704, { ...EXPRESS, ...TALL, plates: 1 }, 8, 0, 6_900),
  legacy('Bollard L1', 0x7705, EXPRESS, 0, 1, 1_800),
  legacy('Bollard S2L1', 0x7706, { ...EXPRESS, plates: 1 }, 2, 1, 2_900),
  legacy('Bollard PS2', 0x7710, CLASSIC, 2, 0, 1_600),
  legacy('Bollard PS4', 0x7711, CLASSIC, 4, 0, 2_800),
  legacy('Bollard PL1', 0x7712, CLASSIC, 0, 1, 1_500),
  legacy('Bollard PS2L1', 0x7713, { ...CLASSIC, plates: 1 }, 2, 1, 2_400),
];

const media = (
  model: string,
  device: number,
  class24: number,
  row: Partial<Row>,
  delivers: Omit<DeliveryOf<'otherDevice'>, 'kind'>,
): Card =>
  card(
    'Marlstrand',
    model,
    device,
    class24,
    { ...SMALL, ...row },
    { kind: 'otherDevice', ...delivers },
  );

/** Cards for purposes of their own. A picture of 1920 × 1080 at 60 Hz takes about 250 MB/s as it comes in. */
const purposes: readonly Card[] = [
  media(
    'Lens 1',
    0x7a01,
    CLASS.video,
    { generation: 2, lengthMm: 110, ...draws(8), priceCents: 11_900 },
    { what: 'capture', units: 1, socket: 'hdmi', bytesPerSecond: 250e6 },
  ),
  media(
    'Lens 2',
    0x7a02,
    CLASS.video,
    { lanes: 4, generation: 2, lengthMm: 140, ...draws(12), priceCents: 19_900 },
    { what: 'capture', units: 2, socket: 'hdmi', bytesPerSecond: 500e6 },
  ),
  media(
    'Skerry 2',
    0x7a03,
    CLASS.tuner,
    { generation: 1, lengthMm: 100, ...draws(5), priceCents: 4_900, year: 2016 },
    { what: 'tuner', units: 2, socket: 'aerial', bytesPerSecond: 10e6 },
  ),
];

const FRONT_SOUND: Row['frontHeaders'] = [{ type: 'audio', atMm: 80 }];
const voice = (
  maker: Maker,
  model: string,
  device: number,
  row: Partial<Row>,
  delivers: DeliveryOf<'sound'>,
): Card =>
  card(
    maker,
    model,
    device,
    CLASS.audio,
    {
      ...SMALL,
      generation: 1,
      frontHeaders: FRONT_SOUND,
      ...row,
    },
    delivers,
  );

const sounds: readonly Card[] = [
  voice(
    'Quillbark',
    'Fiddle 2',
    0x7601,
    { lengthMm: 100, ...draws(5), priceCents: 3_500 },
    sound(2, 1),
  ),
  voice(
    'Quillbark',
    'Fiddle 2 O',
    0x7603,
    { lengthMm: 105, ...draws(5), priceCents: 4_900 },
    sound(2, 1, true),
  ),
  voice(
    'Quillbark',
    'Viol 2',
    0x7604,
    { lengthMm: 120, ...draws(8), priceCents: 7_900, year: 2021 },
    sound(2, 2, true),
  ),
  voice(
    'Quillbark',
    'Consort 6',
    0x7605,
    { lengthMm: 115, ...draws(6), priceCents: 4_200, year: 2015 },
    sound(6, 1, true),
  ),
  voice(
    'Quillbark',
    'Organ 8',
    0x7602,
    {
      generation: 2,
      lengthMm: 135,
      heightMm: 98,
      brackets: ['full'],
      peakWatts: 15,
      slotWatts: 8,
      sockets: ['4-pin'],
      priceCents: 8_900,
    },
    sound(8, 2, true),
  ),
  voice(
    'Quillbark',
    'Organ 8 S',
    0x7606,
    {
      generation: 2,
      lengthMm: 168,
      ...TALL,
      peakWatts: 22,
      slotWatts: 8,
      sockets: ['sata'],
      priceCents: 14_900,
      year: 2022,
    },
    sound(8, 4, true),
  ),
  voice(
    'Quillbark',
    'Mixer 4',
    0x7607,
    {
      generation: 1,
      lengthMm: 160,
      ...TALL,
      ...draws(9),
      frontHeaders: [],
      priceCents: 19_900,
      year: 2018,
    },
    sound(4, 4),
  ),
  voice('Oarlock', 'Pipe 2', 0x7860, { lengthMm: 88, ...draws(3), priceCents: 1_700 }, sound(2, 1)),
  voice(
    'Oarlock',
    'Pipe 2 O',
    0x7863,
    { lengthMm: 92, ...draws(3), priceCents: 2_300 },
    sound(2, 1, true),
  ),
  voice('Oarlock', 'Pipe 6', 0x7861, { lengthMm: 95, ...draws(4), priceCents: 2_600 }, sound(6, 1)),
  voice(
    'Oarlock',
    'Pipe 8',
    0x7862,
    { lengthMm: 110, ...draws(5), priceCents: 3_900 },
    sound(8, 2, true),
  ),
  card(
    'Quillbark',
    'Reed P',
    0x7610,
    CLASS.oldAudio,
    {
      ...CLASSIC,
      ...draws(5),
      frontHeaders: FRONT_SOUND,
      priceCents: 1_900,
    },
    sound(2, 2),
  ),
  card(
    'Quillbark',
    'Reed P6',
    0x7611,
    CLASS.oldAudio,
    {
      ...CLASSIC,
      ...draws(7),
      lengthMm: 150,
      frontHeaders: FRONT_SOUND,
      priceCents: 2_900,
    },
    sound(6, 2),
  ),
];

export const PORTS: readonly Card[] = [
  ...usbCards,
  ...serialLinks,
  ...olderAge,
  ...purposes,
  ...sounds,
];
