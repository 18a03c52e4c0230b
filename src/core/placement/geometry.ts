/** Where slots and cards lie on the board, in millimetres from the rear edge (x) and the board's upper edge (y). */
import { valueOf } from '../parts/fact.ts';
import type { Card } from '../document/card.ts';
import type { Machine, Slot } from '../document/machine.ts';
import {
  CLASSIC_PCI_CONNECTOR_MM,
  COMPONENT_SIDE_MM,
  CONNECTOR_LENGTH_MM,
  CONNECTOR_START_MM,
  MODULE_WIDTH_MM,
  OPENING_PITCH_MM,
  SOCKET_DEPTH_MM,
  SOLDER_SIDE_MM,
} from '../standards/cardForm.ts';
import { row } from '../units.ts';

/** Middle of the first opening where the board's outline is not known. Common practice, no source. */
const FIRST_OPENING_OTHERWISE_MM = 170;

export interface Rectangle {
  readonly xMm: number;
  readonly yMm: number;
  readonly widthMm: number;
  readonly depthMm: number;
}

/** Middle of an opening, counted from 1. */
export function openingMiddleMm(machine: Machine, opening: number): number {
  const first = valueOf(machine.board)?.firstOpeningMm ?? FIRST_OPENING_OTHERWISE_MM;
  return first + (opening - 1) * OPENING_PITCH_MM;
}

/** The ground a card covers when it stands in an opening; `openings` is its thickness. */
export function bodyRectangle(
  machine: Machine,
  opening: number,
  lengthMm: number,
  openings: number,
): Rectangle {
  return bodyAround(openingMiddleMm(machine, opening), lengthMm, openings);
}

/** The same for a card whose own opening has its middle at `middleMm`. */
export function bodyAround(middleMm: number, lengthMm: number, openings: number): Rectangle {
  return {
    xMm: 0,
    yMm: middleMm - SOLDER_SIDE_MM,
    widthMm: lengthMm,
    depthMm: SOLDER_SIDE_MM + COMPONENT_SIDE_MM + (openings - 1) * OPENING_PITCH_MM,
  };
}

/** The ground that a module of a length covers from its socket on; null while nobody told where the socket lies. */
export function moduleRectangle(slot: Slot, moduleLengthMm: number): Rectangle | null {
  const place = valueOf(slot.place);
  return place === null
    ? null
    : {
        xMm: place.xMm + SOCKET_DEPTH_MM,
        yMm: place.yMm,
        widthMm: moduleLengthMm,
        depthMm: MODULE_WIDTH_MM,
      };
}

/** Openings that cards fill which stay, by what is known of them. */
export const openingsFilled = ({ slots }: Pick<Machine, 'slots'>): number =>
  slots.reduce((sum, { bus, occupant }) => {
    const card = valueOf(occupant);
    return bus === 'm2' || card === null || card.disposition === 'remove'
      ? sum
      : sum + (valueOf(card.openings) ?? 1);
  }, 0);

/** Length of a slot's connector, or null while it is not known. */
export function connectorLengthMm(slot: Slot): number | null {
  if (slot.bus === 'pci') return CLASSIC_PCI_CONNECTOR_MM;
  const lanes = valueOf(slot.connectorLanes);
  return lanes === null ? null : row(CONNECTOR_LENGTH_MM, lanes);
}

/** Where the contacts of a card end, measured from the rear edge. */
export function cardEdgeEndMm(card: Card): number {
  const length =
    card.bus === 'pci' ? CLASSIC_PCI_CONNECTOR_MM : row(CONNECTOR_LENGTH_MM, card.lanes);
  return CONNECTOR_START_MM + length;
}

export function overlap(a: Rectangle, b: Rectangle): boolean {
  return (
    a.xMm < b.xMm + b.widthMm &&
    b.xMm < a.xMm + a.widthMm &&
    a.yMm < b.yMm + b.depthMm &&
    b.yMm < a.yMm + a.depthMm
  );
}
