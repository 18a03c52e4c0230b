/** Invented machines: the templates that a survey can start from. */
import { emptyMachine, type Machine } from '../src/core/document/index.ts';
import {
  boardOf,
  box,
  builtIn,
  caseOf,
  classic,
  cooler,
  express,
  firmwareOf,
  fitted,
  headersAt,
  memory,
  occupied,
  socket,
  supplyOf,
  systemOf,
  t,
} from './machineParts.ts';

const TO_GIGABIT = [100, 1000];
const TO_2500 = [100, 1000, 2500];

const ASIDE = 'Unplug the fan and lay its lead along the edge of the board';

/** A roomy tower with seven openings. */
export const TOWER: Machine = {
  ...emptyMachine('Longreach T7 tower'),
  firmware: firmwareOf('uefi', 2021, true),
  headers: headersAt(['usb-9-pin', 120, 292]),
  builtIn: builtIn({ megabits: TO_GIGABIT, usb: [4, '3.2-1', 900], channels: 6, drives: 2 }),
  board: boardOf(244, 305, 173),
  case: caseOf('full', 7, 310, 'screwed'),
  slots: [
    express(1, 'Slot 1', {
      connector: 1,
      lanes: 1,
      generation: 3,
      watts: 25,
      openEnd: true,
      number: 1,
    }),
    fitted(
      express(2, 'Slot 2', { connector: 16, lanes: 16, generation: 4, watts: 75, number: 2 }),
      'Kelpwick Beacon 120',
    ),
    express(4, 'Slot 4', { connector: 1, lanes: 1, generation: 3, watts: 25, number: 4 }),
    express(5, 'Slot 5', { connector: 16, lanes: 4, generation: 3, watts: 25, number: 5 }),
    express(7, 'Slot 7', { connector: 8, lanes: 8, generation: 3, watts: 25, number: 7 }),
  ],
  obstacles: [
    cooler(62, 42, 92, 150),
    box('memory', 'memory', 'Memory', [184, 30, 34, 133, 34]),
    box('heat', 'heatSink', 'Heat sink of the board', [165, 215, 40, 40, 9]),
    box('front', 'header', 'Front panel header', [200, 292, 30, 8, 12]),
    box('cage', 'cage', 'Drive cage', [262, 170, 48, 130, 60]),
  ],
  supply: supplyOf(650, 600, 285, [
    ['8-pin', 1],
    ['sata', 6],
    ['4-pin', 2],
  ]),
  system: systemOf('linux', '6.1'),
};

/** A small office desktop with low brackets. */
export const SMALL_DESKTOP: Machine = {
  ...emptyMachine('Cove Office S desktop'),
  firmware: firmwareOf('uefi', 2019),
  headers: headersAt(['usb-9-pin', 150, 232]),
  builtIn: builtIn({
    megabits: TO_GIGABIT,
    usb: [4, '3.2-1', 900],
    screens: [
      ['hdmi-340', 1],
      ['vga', 1],
    ],
    channels: 2,
    drives: 1,
  }),
  board: boardOf(230, 245, 152),
  case: caseOf('low', 4, 190, 'clipped'),
  slots: [
    express(1, 'Slot 1', { connector: 1, lanes: 1, generation: 2, watts: 10, number: 1 }),
    express(2, 'Slot 2', { connector: 16, lanes: 16, generation: 3, watts: 35, number: 2 }),
    express(4, 'Slot 4', {
      connector: 4,
      lanes: 4,
      generation: 3,
      watts: 25,
      openEnd: true,
      number: 4,
    }),
  ],
  obstacles: [
    cooler(55, 30, 80, 60),
    box('memory', 'memory', 'Memory', [170, 12, 18, 120, 32]),
    box('battery', 'other', 'Board battery', [150, 204, 22, 20, 7]),
    box('fan', 'fanPlug', 'Case fan plug', [176, 146, 10, 12, 14], ASIDE, true),
  ],
  supply: supplyOf(260, 216, 95, [['sata', 1]]),
  system: systemOf('windows', '11'),
};

/** A ten-year-old family tower with old PCI slots. */
export const OLD_TOWER: Machine = {
  ...emptyMachine('Fathom Family tower'),
  firmware: firmwareOf('bios', 2010),
  headers: headersAt(['usb-9-pin', 140, 292]),
  builtIn: builtIn({
    megabits: TO_GIGABIT,
    usb: [4, '2.0', 500],
    screens: [['vga', 1]],
    channels: 6,
    drives: 2,
  }),
  board: boardOf(220, 305, 173),
  case: caseOf('full', 7, 250, 'snapped'),
  slots: [
    express(1, 'Slot 1', { connector: 1, lanes: 1, generation: 1, watts: 10 }),
    express(2, 'Slot 2', { connector: 16, lanes: 16, generation: 2, watts: 75 }),
    express(3, 'Slot 3', { connector: 1, lanes: 1, generation: 1, watts: 10 }),
    classic(4, 'Slot 4 (PCI)'),
    classic(5, 'Slot 5 (PCI)'),
    occupied(classic(6, 'Slot 6 (PCI)'), 'Old modem card', 1, 130),
  ],
  obstacles: [
    cooler(60, 48, 88, 110),
    box('memory', 'memory', 'Memory', [168, 30, 26, 133, 31]),
    box(
      'sound',
      'header',
      'Front sound lead',
      [62, 262, 45, 6, 16],
      'Unplug the lead and lead it round below the card',
      true,
    ),
    box('fan', 'fanPlug', 'Fan plug and lead', [88, 206, 12, 14, 16], ASIDE, true),
    box('cage', 'cage', 'Drive cage', [252, 170, 58, 130, 60]),
  ],
  supply: supplyOf(350, 300, 120, [
    ['sata', 1],
    ['4-pin', 2],
  ]),
  system: systemOf('windows', '10'),
};

/** A mini board: one short slot, and a socket meant for a radio. */
export const MINI: Machine = {
  ...emptyMachine('Dinghy M1 mini board'),
  firmware: firmwareOf('uefi', 2020),
  headers: headersAt(['usb-9-pin', 100, 160]),
  builtIn: builtIn({
    megabits: TO_GIGABIT,
    usb: [4, '3.2-1', 900],
    screens: [['hdmi-600', 1]],
    channels: 2,
    drives: 2,
  }),
  board: boardOf(170, 170, 152),
  case: caseOf('full', 2, 200, 'screwed'),
  slots: [
    express(1, 'Slot 1', { connector: 1, lanes: 1, generation: 3, watts: 25, openEnd: true }),
    socket('radio', 'Radio socket', {
      key: 'E',
      lengths: [30],
      wired: ['pcie', 'usb'],
      lanes: 1,
      generation: 2,
      at: [110, 126],
    }),
  ],
  obstacles: [
    cooler(45, 40, 70, 45),
    memory(148, 20, 18),
    box('front', 'header', 'Front USB header', [118, 118, 22, 7, 11]),
  ],
  supply: supplyOf(150, 132, 45, [['sata', 1]]),
  system: systemOf('linux', '6.1'),
};

/** A board of middling size in a case with four openings. */
export const MICRO_TOWER: Machine = {
  ...emptyMachine('Skerry Micro tower'),
  firmware: firmwareOf('uefi', 2022, true),
  headers: headersAt(['usb-9-pin', 130, 236]),
  builtIn: builtIn({
    megabits: TO_2500,
    usb: [6, '3.2-1', 900],
    screens: [
      ['dp-hbr2', 1],
      ['hdmi-600', 1],
    ],
    channels: 6,
    drives: 4,
  }),
  board: boardOf(244, 244, 173),
  case: caseOf('full', 4, 280, 'screwed'),
  slots: [
    express(1, 'Slot 1', { connector: 16, lanes: 16, generation: 4, watts: 75, splits: true }),
    socket('drive', 'Drive socket', {
      key: 'M',
      lengths: [42, 60, 80],
      wired: ['pcie', 'sata'],
      lanes: 4,
      generation: 3,
      at: [90, 182],
    }),
    express(3, 'Slot 3', { connector: 1, lanes: 1, generation: 3, watts: 25 }),
    express(4, 'Slot 4', { connector: 16, lanes: 4, generation: 3, watts: 25 }),
  ],
  conditions: [{ id: 'c1', slotId: 's4', keepsLanes: 2, whenSlotId: 's3', holds: 'anything' }],
  obstacles: [
    cooler(58, 44, 90, 120),
    memory(180, 26),
    box('front', 'header', 'Front USB header', [196, 168, 14, 28, 12]),
    box('fan', 'fanPlug', 'Case fan plug', [212, 226, 10, 8, 12], ASIDE, true),
  ],
  supply: supplyOf(450, 408, 170, [
    ['8-pin', 1],
    ['sata', 3],
    ['4-pin', 1],
  ]),
  system: systemOf('windows', '11'),
};

/** An old workstation with two small graphics plugs of its board. */
export const WORKSTATION: Machine = {
  ...emptyMachine('Breakwater W9 workstation'),
  firmware: firmwareOf('bios', 2013),
  headers: headersAt(['usb-9-pin', 200, 298]),
  builtIn: builtIn({ megabits: TO_GIGABIT, usb: [5, '2.0', 500], channels: 2, drives: 2 }),
  board: boardOf(330, 305, 173),
  case: {
    ...caseOf('full', 7, 320, 'screwed'),
    panelHeld: t('latch'),
    retentionBar: t(true),
    guides: t(true),
  },
  slots: [
    express(1, 'Slot 1', { connector: 16, lanes: 16, generation: 2, watts: 75, number: 1 }),
    express(3, 'Slot 2', { connector: 16, lanes: 16, generation: 2, watts: 75, number: 2 }),
    express(5, 'Slot 3', {
      connector: 8,
      lanes: 4,
      generation: 2,
      watts: 25,
      openEnd: true,
      number: 3,
    }),
    express(7, 'Slot 4', {
      connector: 8,
      lanes: 4,
      generation: 2,
      watts: 25,
      openEnd: true,
      number: 4,
    }),
  ],
  obstacles: [
    cooler(70, 30, 100, 130),
    memory(220, 30, 90, 120),
    box('cage', 'cage', 'Drive sledges', [300, 180, 60, 120, 110]),
  ],
  supply: supplyOf(980, 880, 310, [
    ['mini-6-pin', 2],
    ['sata', 2],
  ]),
  system: systemOf('linux', '5.10'),
};

/** A board for servers in a flat case: many slots of middling length, low brackets. */
export const SERVER_BOARD: Machine = {
  ...emptyMachine('Anchorage S2 server board'),
  firmware: firmwareOf('uefi', 2019, true),
  headers: headersAt(['usb-9-pin', 240, 318]),
  builtIn: builtIn({
    megabits: TO_GIGABIT,
    usb: [2, '3.2-1', 900],
    screens: [['vga', 1]],
    channels: 2,
    drives: 8,
  }),
  board: boardOf(305, 330, 173),
  case: caseOf('low', 7, 240, 'screwed'),
  slots: [
    ...[1, 2, 3, 4, 5, 6].map((opening) =>
      express(opening, `Slot ${opening}`, {
        connector: 8,
        lanes: opening > 4 ? 4 : 8,
        generation: 3,
        watts: 25,
        openEnd: true,
        number: opening,
        splits: true,
      }),
    ),
    express(7, 'Slot 7', {
      connector: 16,
      lanes: 16,
      generation: 3,
      watts: 75,
      number: 7,
      splits: true,
    }),
  ],
  obstacles: [
    box('air', 'other', 'Air shroud', [60, 20, 180, 120, 65]),
    box('batt', 'other', 'Board battery', [255, 250, 22, 20, 7]),
  ],
  supply: supplyOf(550, 540, 180, [['4-pin', 2]]),
  system: systemOf('linux', '6.1'),
};

/** A gaming desktop whose second long slot takes half of the first one's lanes. */
export const GAMING: Machine = {
  ...emptyMachine('Spinnaker G4 desktop'),
  firmware: firmwareOf('uefi', 2022, true),
  headers: headersAt(['usb-9-pin', 140, 296], ['serial-link-5-pin', 110, 296]),
  builtIn: builtIn({ megabits: TO_2500, usb: [6, '3.2-2', 900, 1], channels: 8, drives: 4 }),
  board: boardOf(244, 305, 173),
  case: caseOf('full', 7, 345, 'screwed'),
  slots: [
    express(1, 'Slot 1', { connector: 1, lanes: 1, generation: 3, watts: 25 }),
    fitted(
      express(2, 'Slot 2', { connector: 16, lanes: 16, generation: 4, watts: 75, splits: true }),
      'Kelpwick Beacon 200',
    ),
    express(5, 'Slot 5', { connector: 16, lanes: 8, generation: 4, watts: 75, splits: true }),
    express(7, 'Slot 7', { connector: 16, lanes: 4, generation: 3, watts: 25 }),
    socket('drive', 'Drive socket 2', {
      key: 'M',
      lengths: [60, 80, 110],
      wired: ['pcie', 'sata'],
      lanes: 4,
      generation: 3,
      at: [82, 264],
    }),
  ],
  conditions: [
    { id: 'c1', slotId: 's2', keepsLanes: 8, whenSlotId: 's5', holds: 'anything' },
    { id: 'c2', slotId: 's7', keepsLanes: 0, whenSlotId: 'drive', holds: 'pcie' },
  ],
  obstacles: [
    cooler(60, 36, 110, 155),
    memory(192, 30),
    box('heat', 'heatSink', 'Heat sink of the board', [168, 218, 46, 46, 8]),
    box('front', 'header', 'Front Type-C header', [226, 148, 10, 22, 14]),
  ],
  supply: supplyOf(750, 744, 360, [
    ['8-pin', 2],
    ['sata', 4],
    ['4-pin', 2],
  ]),
  system: systemOf('windows', '11'),
};

/** An office desktop whose one short slot lies under its graphics card. */
const OFFICE_STACKED: Machine = {
  ...emptyMachine('Jetty Office D desktop'),
  firmware: firmwareOf('uefi', 2017),
  headers: headersAt(['usb-9-pin', 150, 222]),
  builtIn: builtIn({
    megabits: TO_GIGABIT,
    usb: [4, '3.2-1', 900],
    screens: [['hdmi-340', 1]],
    channels: 2,
    drives: 2,
  }),
  board: boardOf(226, 230, 152),
  case: caseOf('full', 4, 260, 'clipped'),
  slots: [
    fitted(
      express(1, 'Slot 1', { connector: 16, lanes: 16, generation: 3, watts: 75 }),
      'Kelpwick Beacon 120',
    ),
    express(2, 'Slot 2', { connector: 1, lanes: 1, generation: 2, watts: 10 }),
    classic(4, 'Slot 4 (PCI)'),
  ],
  obstacles: [cooler(52, 34, 84, 90), memory(172, 20)],
  supply: supplyOf(400, 336, 190, [
    ['sata', 2],
    ['4-pin', 1],
  ]),
  system: systemOf('windows', '10'),
};

/** An office desktop with two graphics cards, its only short slot between them. */
export const OFFICE_TWO_CARDS: Machine = {
  ...emptyMachine('Jetty Office T desktop'),
  firmware: firmwareOf('uefi', 2020),
  headers: headersAt(['usb-9-pin', 150, 292]),
  builtIn: builtIn({ megabits: TO_GIGABIT, usb: [4, '3.2-1', 900], channels: 2, drives: 2 }),
  board: boardOf(244, 305, 173),
  case: caseOf('full', 7, 300, 'screwed'),
  slots: [
    fitted(
      express(1, 'Slot 1', { connector: 16, lanes: 16, generation: 3, watts: 75 }),
      'Kelpwick Beacon 120',
    ),
    express(3, 'Slot 2', { connector: 1, lanes: 1, generation: 2, watts: 10 }),
    fitted(
      express(4, 'Slot 3', { connector: 16, lanes: 4, generation: 3, watts: 75 }),
      'Kelpwick Beacon 75',
    ),
    classic(7, 'Slot 4 (PCI)'),
  ],
  obstacles: [cooler(52, 34, 84, 90), memory(172, 20)],
  supply: supplyOf(500, 432, 260, [
    ['sata', 2],
    ['4-pin', 1],
  ]),
  system: systemOf('windows', '10'),
};

/** A machine of another age: five classic slots and nothing else. */
const CLASSIC_ONLY: Machine = {
  ...emptyMachine('Old Ketch P5 tower'),
  firmware: firmwareOf('bios', 2006),
  headers: t([]),
  builtIn: builtIn({
    megabits: [10, 100],
    usb: [2, '2.0', 500],
    screens: [['vga', 1]],
    channels: 2,
    drives: 1,
    more: [{ kind: 'legacy', serial: 1, parallel: 1 }],
  }),
  board: boardOf(220, 280, 160),
  case: caseOf('full', 7, 300, 'snapped'),
  slots: [1, 2, 3, 4, 5].map((opening) => classic(opening, `Slot ${opening} (PCI)`)),
  obstacles: [
    cooler(120, 20, 60, 50),
    box(
      'ribbon',
      'header',
      'Drive ribbon',
      [196, 150, 12, 55, 30],
      'Lift the ribbon out of its header; its red edge marks pin 1',
    ),
  ],
  supply: supplyOf(235, 120, 60, [['4-pin', 3]]),
  system: systemOf('windows', '6.1'),
};

/** A flat desktop whose two slots stand on a riser. */
const RISER_DESKTOP: Machine = {
  ...emptyMachine('Sandbar Flat desktop'),
  firmware: firmwareOf('uefi', 2016),
  headers: headersAt(['usb-9-pin', 120, 224]),
  builtIn: builtIn({
    megabits: TO_GIGABIT,
    usb: [4, '3.2-1', 900],
    screens: [['dp-hbr2', 1]],
    channels: 2,
    drives: 2,
  }),
  board: boardOf(240, 230, 120),
  case: caseOf('full', 2, 230, 'screwed'),
  slots: [
    express(1, 'Riser slot 1', { connector: 16, lanes: 16, generation: 3, watts: 50 }),
    classic(2, 'Riser slot 2 (PCI)'),
  ],
  obstacles: [cooler(50, 20, 80, 55), memory(170, 10, 26, 100)],
  supply: supplyOf(240, 200, 90, [['sata', 1]]),
  system: systemOf('windows', '10'),
};

/** A desktop without slots of its own, with a chain of two external boxes on a fast serial link. */
export const EXTERNAL_BOX: Machine = {
  ...emptyMachine('Outrigger host with two boxes'),
  firmware: firmwareOf('uefi', 2020, true),
  headers: t([]),
  builtIn: builtIn({
    megabits: TO_GIGABIT,
    usb: [2, '3.2-2', 900, 2],
    screens: [['dp-hbr3', 1]],
    channels: 2,
    drives: 1,
  }),
  enclosures: [
    {
      id: 'near',
      name: 'Outrigger X3 box',
      chainPosition: 1,
      case: caseOf('full', 5, 300, 'screwed'),
      supply: supplyOf(400, 380, 20, [
        ['6-pin', 1],
        ['sata', 3],
      ]),
    },
    {
      id: 'far',
      name: 'Outrigger X1 box',
      chainPosition: 2,
      case: caseOf('full', 1, 220, 'screwed'),
      supply: supplyOf(60, 50, 5, []),
    },
  ],
  slots: [
    ...(
      [
        [1, 8, 4],
        [3, 16, 8],
        [5, 8, 1],
      ] as const
    ).map(([opening, connector, lanes]) => ({
      ...express(opening, `Box slot ${opening}`, {
        connector,
        lanes,
        generation: 3,
        watts: 75,
      }),
      id: `near${opening}`,
      enclosureId: 'near',
      uplink: t({
        id: 'chain',
        name: 'the serial link to the box',
        generation: 3 as const,
        lanes: 4,
      }),
    })),
    {
      ...express(1, 'Second box', { connector: 4, lanes: 4, generation: 3, watts: 25 }),
      id: 'far1',
      enclosureId: 'far',
      uplink: t({ id: 'chain', name: 'the serial link to the box', generation: 3, lanes: 4 }),
    },
  ],
  system: systemOf('linux', '6.1'),
};

/** A ten-year-old home tower: everything behind the board's own switch but the graphics slot. */
export const HOME_TOWER: Machine = {
  ...emptyMachine('Fathom Home tower'),
  firmware: firmwareOf('uefi', 2015),
  headers: headersAt(['usb-9-pin', 130, 296]),
  builtIn: builtIn({
    megabits: TO_GIGABIT,
    usb: [4, '3.2-1', 900],
    screens: [['hdmi-340', 1]],
    channels: 6,
    drives: 2,
  }),
  board: boardOf(244, 305, 173),
  case: caseOf('full', 7, 290, 'clipped'),
  slots: [
    express(2, 'Slot 2', { connector: 16, lanes: 16, generation: 3, watts: 75 }),
    ...[3, 5, 6].map((opening) => ({
      ...express(opening, `Slot ${opening}`, {
        connector: opening === 5 ? 16 : 1,
        lanes: opening === 5 ? 4 : 1,
        generation: 2,
        watts: 25,
      }),
      uplink: t({
        id: 'chipset',
        name: 'the board’s own switch',
        generation: 2 as const,
        lanes: 4,
      }),
    })),
    classic(7, 'Slot 7 (PCI)'),
  ],
  obstacles: [
    cooler(60, 44, 92, 125),
    memory(188, 30),
    box('front', 'header', 'Front sound header', [68, 292, 12, 8, 12]),
  ],
  supply: supplyOf(500, 432, 180, [
    ['6-pin', 2],
    ['sata', 3],
    ['4-pin', 2],
  ]),
  system: systemOf('windows', '10'),
};

export const TEMPLATES: readonly Machine[] = [
  TOWER,
  MICRO_TOWER,
  GAMING,
  HOME_TOWER,
  OLD_TOWER,
  SMALL_DESKTOP,
  OFFICE_STACKED,
  OFFICE_TWO_CARDS,
  RISER_DESKTOP,
  MINI,
  WORKSTATION,
  SERVER_BOARD,
  EXTERNAL_BOX,
  CLASSIC_ONLY,
];
