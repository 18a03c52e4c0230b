/** A slot, a socket, a box, a supply of an invented machine in a line each. */
import {
  emptyCase,
  emptyMachine,
  emptySlot,
  asOccupant,
  cardName,
  emptySupply,
  occupantNamed,
  vacant,
  type Obstacle,
  type Machine,
  type Slot,
} from '../src/core/document/index.ts';
import { known } from '../src/core/parts/index.ts';
import type { Delivery } from '../src/core/kinds/index.ts';
import type { FrontLead, Generation, M2Key, PlugType } from '../src/core/standards/index.ts';
import { CARDS } from './catalogue/cards.ts';
import { drives, network, screens, sound, usb } from './catalogue/row.ts';

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
    latch: t(row.connector === 16),
    uplink: t(null),
  };
}

export const classic = (opening: number, label: string): Slot => ({
  ...emptySlot(`s${opening}`, label, 'pci'),
  keying: t('5 V'),
  opening: t(opening),
  occupant: vacant('template'),
});

/** Holds something that is in no catalogue any more. */
export const occupied = (slot: Slot, name: string, openings: number, lengthMm: number): Slot => ({
  ...slot,
  occupant: t({
    ...occupantNamed(name),
    openings: t(openings),
    lengthMm: t(lengthMm),
    fan: t(null),
  }),
});

/** Holds a card of the catalogue. */
export function fitted(slot: Slot, name: string): Slot {
  const card = CARDS.find((each) => cardName(each) === name);
  if (card === undefined) throw new Error(`No card ${name}`);
  return { ...slot, occupant: t(asOccupant(card, 'template')) };
}

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
  kind: Obstacle['kind'],
  name: string,
  [xMm, yMm, widthMm, depthMm, heightMm]: readonly [number, number, number, number, number],
  moving = '',
  /** Its plug goes in again where it was, once its lead is led round. */
  goesBack = false,
): Obstacle => ({
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
  ...(goesBack ? { plugAt: { xMm: xMm + widthMm / 2, yMm: yMm + depthMm / 2 } } : {}),
});

export const caseOf = (
  bracket: 'full' | 'low',
  openings: number,
  lengthRoomMm: number,
  covers: 'screwed' | 'clipped' | 'snapped',
  frontLeads: readonly FrontLead[] = [],
): Machine['case'] => ({
  ...emptyCase(),
  bracket: t(bracket),
  openings: t(openings),
  lengthRoomMm: t(lengthRoomMm),
  covers: t(covers),
  frontLeads: t(frontLeads.map((type) => ({ type }))),
  panelHeld: t('screws'),
  opensBothSides: t(bracket === 'full'),
  retentionBar: t(false),
  frontCovers: t('clipped'),
  spareScrews: t(4),
  spareCovers: t(0),
  spareModuleScrews: t(1),
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

/** Its kind, its year, and whether it places large windows above 4 GB. */
export const firmwareOf = (
  kind: 'uefi' | 'bios',
  year: number,
  largeWindows = false,
): Machine['firmware'] => ({
  ...emptyMachine().firmware,
  kind: t(kind),
  date: t(`${year}-05-12`),
  largeWindows: t(largeWindows),
});

/** What boards of an age bring along: wire, USB at the back, screens, sound, drives. */
export const builtIn = (row: {
  readonly megabits: readonly number[];
  readonly usb: Parameters<typeof usb>;
  readonly screens?: Parameters<typeof screens>[1];
  readonly channels: number;
  readonly drives: number;
  readonly more?: readonly Delivery[];
}): Machine['builtIn'] =>
  t([
    network(1, row.megabits, ['wake']),
    usb(...row.usb),
    ...(row.screens === undefined ? [] : [screens(2, row.screens, 0, 1)]),
    sound(row.channels, 2),
    drives(row.drives, 'sata'),
    ...(row.more ?? []),
  ]);

/** Free headers near the lower edge of the board. */
export const headersAt = (
  ...places: readonly (readonly [
    type: NonNullable<Machine['headers']>['value'][number]['type'],
    xMm: number,
    yMm: number,
  ])[]
): Machine['headers'] => t(places.map(([type, xMm, yMm]) => ({ type, place: { xMm, yMm } })));

export const boardOf = (
  widthMm: number,
  depthMm: number,
  firstOpeningMm: number,
): Machine['board'] => t({ widthMm, depthMm, firstOpeningMm });

/** What is the same on nearly every board of a size. */
export const cooler = (x: number, y: number, size: number, high: number): Obstacle =>
  box('cooler', 'heatSink', 'Processor cooler', [x, y, size, size, high]);
export const memory = (x: number, y: number, wide = 34, deep = 133): Obstacle =>
  box('memory', 'memory', 'Memory', [x, y, wide, deep, 34]);
