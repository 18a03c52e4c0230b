/** A slot, a socket, a box, a supply of an invented machine in a line each. */
import {
  emptyCase,
  emptyMachine,
  emptySlot,
  emptySupply,
  known,
  occupantNamed,
  vacant,
  type Box,
  type Generation,
  type M2Key,
  type Machine,
  type PlugType,
  type Slot,
} from '../src/core/index.ts';

export const t = <Value>(value: Value) => known(value, 'template');

interface ExpressRow {
  readonly connector: 1 | 4 | 8 | 16;
  readonly lanes: number;
  readonly generation: Generation;
  readonly watts: number;
  readonly openEnd?: boolean;
  readonly number?: number;
  readonly splits?: boolean;
}

export function express(opening: number, label: string, row: ExpressRow): Slot {
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
    splits: t(row.splits ?? false),
  };
}

export const classic = (opening: number, label: string): Slot => ({
  ...emptySlot(`s${opening}`, label, 'pci'),
  keying: t('5 V'),
  opening: t(opening),
  occupant: vacant('template'),
});

export const occupied = (slot: Slot, name: string, openings: number, lengthMm: number): Slot => ({
  ...slot,
  occupant: t({ ...occupantNamed(name), openings: t(openings), lengthMm: t(lengthMm) }),
});

/** A socket for modules, at a place on the board. */
export const socket = (
  id: string,
  label: string,
  row: {
    readonly key: M2Key;
    readonly lengths: readonly number[];
    readonly wired: readonly ('pcie' | 'sata' | 'usb' | 'radio')[];
    readonly lanes: number;
    readonly generation: Generation;
    readonly at: readonly [xMm: number, yMm: number];
  },
): Slot => ({
  ...emptySlot(id, label, 'm2'),
  key: t(row.key),
  moduleLengthsMm: t(row.lengths),
  wired: t(row.wired),
  lanes: t(row.lanes),
  generation: t(row.generation),
  place: t({ xMm: row.at[0], yMm: row.at[1] }),
  occupant: vacant('template'),
});

export const box = (
  id: string,
  kind: Box['kind'],
  name: string,
  [xMm, yMm, widthMm, depthMm, heightMm]: readonly [number, number, number, number, number],
  moving = '',
): Box => ({
  id,
  name,
  kind,
  xMm,
  yMm,
  widthMm,
  depthMm,
  heightMm,
  movable: moving !== '',
  moving,
});

export const caseOf = (
  bracket: 'full' | 'low',
  openings: number,
  lengthRoomMm: number,
  covers: 'screwed' | 'clipped' | 'snapped',
): Machine['case'] => ({
  ...emptyCase(),
  bracket: t(bracket),
  openings: t(openings),
  lengthRoomMm: t(lengthRoomMm),
  covers: t(covers),
});

export const supplyOf = (
  labelWatts: number,
  twelveVoltWatts: number,
  baseWatts: number,
  plugs: readonly (readonly [type: PlugType, count: number])[],
): Machine['supply'] => ({
  ...emptySupply(),
  labelWatts: t(labelWatts),
  twelveVoltWatts: t(twelveVoltWatts),
  baseWatts: t(baseWatts),
  plugs: t(plugs.map(([type, count]) => ({ type, count }))),
});

export const systemOf = (family: 'windows' | 'linux', version: string): Machine['system'] => ({
  ...emptyMachine().system,
  family: t(family),
  version: t(version),
  architecture: t('x86-64'),
});

export const boardOf = (
  widthMm: number,
  depthMm: number,
  firstOpeningMm: number,
): Machine['board'] => t({ widthMm, depthMm, firstOpeningMm });

/** What is the same on nearly every board of a size. */
export const cooler = (x: number, y: number, size: number, high: number): Box =>
  box('cooler', 'heatSink', 'Processor cooler', [x, y, size, size, high]);
export const memory = (x: number, y: number, wide = 34, deep = 133): Box =>
  box('memory', 'memory', 'Memory', [x, y, wide, deep, 34]);
