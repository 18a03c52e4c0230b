/** Invented machines: the templates that a survey can start from. */
import {
  emptyMachine,
  emptySlot,
  known,
  vacant,
  type Box,
  type Generation,
  type Machine,
  type Slot,
} from '../src/core/index.ts';

const t = <Value>(value: Value) => known(value, 'template');

interface ExpressRow {
  readonly connector: 1 | 4 | 8 | 16;
  readonly lanes: number;
  readonly generation: Generation;
  readonly watts: number;
  readonly openEnd?: boolean;
  readonly number?: number;
}

function express(opening: number, label: string, row: ExpressRow): Slot {
  return {
    ...emptySlot(`s${opening}`, label),
    number: row.number === undefined ? null : t(row.number),
    connectorLanes: t(row.connector),
    lanes: t(row.lanes),
    generation: t(row.generation),
    openEnd: t(row.openEnd ?? false),
    powerWatts: t(row.watts),
    opening: t(opening),
    occupant: vacant('template'),
  };
}

const classic = (opening: number, label: string): Slot => ({
  ...emptySlot(`s${opening}`, label, 'pci'),
  opening: t(opening),
  occupant: vacant('template'),
});

const occupied = (slot: Slot, name: string, openings: number, lengthMm: number): Slot => ({
  ...slot,
  occupant: t({ name, openings: t(openings), lengthMm: t(lengthMm) }),
});

const box = (
  id: string,
  name: string,
  [xMm, yMm, widthMm, depthMm, heightMm]: readonly [number, number, number, number, number],
  movable: boolean,
): Box => ({ id, name, xMm, yMm, widthMm, depthMm, heightMm, movable });

/** A roomy tower with seven openings. */
export const TOWER: Machine = {
  ...emptyMachine('Longreach T7 tower'),
  board: t({ widthMm: 244, depthMm: 305, firstOpeningMm: 173 }),
  case: { bracket: t('full'), openings: t(7), lengthRoomMm: t(310), covers: t('screwed') },
  slots: [
    express(1, 'Slot 1', {
      connector: 1,
      lanes: 1,
      generation: 3,
      watts: 25,
      openEnd: true,
      number: 1,
    }),
    occupied(
      express(2, 'Slot 2', { connector: 16, lanes: 16, generation: 4, watts: 75, number: 2 }),
      'Kelpwick Beacon 120',
      2,
      201,
    ),
    express(4, 'Slot 4', { connector: 1, lanes: 1, generation: 3, watts: 25, number: 4 }),
    express(5, 'Slot 5', { connector: 16, lanes: 4, generation: 3, watts: 25, number: 5 }),
    express(7, 'Slot 7', { connector: 8, lanes: 8, generation: 3, watts: 25, number: 7 }),
  ],
  boxes: [
    box('cooler', 'Processor cooler', [62, 42, 92, 92, 150], false),
    box('memory', 'Memory', [184, 30, 34, 133, 34], false),
    box('heat', 'Heat sink of the board', [165, 215, 40, 40, 9], false),
    box('front', 'Front panel header', [200, 292, 30, 8, 12], false),
    box('cage', 'Drive cage', [262, 170, 48, 130, 60], false),
  ],
  supply: {
    twelveVoltWatts: t(600),
    baseWatts: t(285),
    plugs: t([
      { type: '8-pin', count: 1 },
      { type: 'sata', count: 6 },
      { type: '4-pin', count: 2 },
    ]),
  },
  system: { family: t('linux'), version: t('6.1'), architecture: t('x86-64') },
};

/** A small office desktop with low brackets. */
export const SMALL_DESKTOP: Machine = {
  ...emptyMachine('Cove Office S desktop'),
  board: t({ widthMm: 230, depthMm: 245, firstOpeningMm: 152 }),
  case: { bracket: t('low'), openings: t(4), lengthRoomMm: t(190), covers: t('clipped') },
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
  boxes: [
    box('cooler', 'Processor cooler', [55, 30, 80, 80, 60], false),
    box('memory', 'Memory', [170, 12, 18, 120, 32], false),
    box('battery', 'Board battery', [150, 204, 22, 20, 7], false),
    box('fan', 'Case fan plug', [176, 146, 10, 12, 14], true),
  ],
  supply: {
    twelveVoltWatts: t(216),
    baseWatts: t(95),
    plugs: t([{ type: 'sata', count: 1 }]),
  },
  system: { family: t('windows'), version: t('11'), architecture: t('x86-64') },
};

/** A ten-year-old family tower with old PCI slots. */
export const OLD_TOWER: Machine = {
  ...emptyMachine('Fathom Family tower'),
  board: t({ widthMm: 220, depthMm: 305, firstOpeningMm: 173 }),
  case: { bracket: t('full'), openings: t(7), lengthRoomMm: t(250), covers: t('snapped') },
  slots: [
    express(1, 'Slot 1', { connector: 1, lanes: 1, generation: 1, watts: 10 }),
    express(2, 'Slot 2', { connector: 16, lanes: 16, generation: 2, watts: 75 }),
    express(3, 'Slot 3', { connector: 1, lanes: 1, generation: 1, watts: 10 }),
    classic(4, 'Slot 4 (PCI)'),
    classic(5, 'Slot 5 (PCI)'),
    occupied(classic(6, 'Slot 6 (PCI)'), 'Old modem card', 1, 130),
  ],
  boxes: [
    box('cooler', 'Processor cooler', [60, 48, 88, 88, 110], false),
    box('memory', 'Memory', [168, 30, 26, 133, 31], false),
    box('sound', 'Front sound lead', [62, 262, 45, 6, 16], true),
    box('fan', 'Fan plug and lead', [88, 206, 12, 14, 16], true),
    box('cage', 'Drive cage', [252, 170, 58, 130, 60], false),
  ],
  supply: {
    twelveVoltWatts: t(300),
    baseWatts: t(120),
    plugs: t([
      { type: 'sata', count: 1 },
      { type: '4-pin', count: 2 },
    ]),
  },
  system: { family: t('windows'), version: t('10'), architecture: t('x86-64') },
};

export const TEMPLATES: readonly Machine[] = [TOWER, SMALL_DESKTOP, OLD_TOWER];
