/**
 * The board drawing as rectangles in millimetres, computed from the survey and the plan: x from the rear
 * edge of the case, y along it. Screens only scale it.
 */
import {
  CONNECTOR_LENGTH_MM,
  CONNECTOR_START_MM,
  CONNECTOR_THICKNESS_MM,
  OPENING_PITCH_MM,
  UNDER_CARD_ROOM_MM,
  bodyRectangle,
  cardName,
  connectorLengthMm,
  openingMiddleMm,
  valueOf,
  type Box,
  type Card,
  type Machine,
  type Rectangle,
  type Slot,
} from '$core';

/** Depth of the strip in front of the rear edge in which openings are drawn, and the gap between two of them. */
const OPENING_STRIP_MM = 15;
const OPENING_GAP_MM = 2.5;
const MARGIN_MM = 16;
/** Drawn where an occupant's length is not known, with an open end. */
const UNKNOWN_LENGTH_MM = 110;
/** Length of the window in the rear edge for the board's own ports. Source: ATX Specification 2.2 (from memory). */
const PORTS_LENGTH_MM = 158.75;
/** Rear edge to the board's own edge. Common practice, no source. */
const BOARD_INSET_MM = 4;

interface DrawnOpening extends Rectangle {
  readonly number: number;
  readonly takenBy: 'card' | 'planned' | null;
}

interface DrawnSlot {
  readonly slot: Slot;
  readonly middleMm: number;
  readonly connector: Rectangle;
  /** False where the connector's length is not known and it is drawn open. */
  readonly lengthKnown: boolean;
  /** The part with lanes really wired; null while not known. */
  readonly wired: Rectangle | null;
}

interface DrawnBody extends Rectangle {
  readonly slotId: string;
  readonly name: string;
  readonly lengthMm: number | null;
  readonly kind: 'there' | 'planned' | 'trial';
}

export interface BoardLayout {
  readonly leftMm: number;
  readonly topMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly board: Rectangle | null;
  /** Where the board's own ports come through the rear edge; null while the outline is not known. */
  readonly ports: Rectangle | null;
  readonly openings: readonly DrawnOpening[];
  readonly slots: readonly DrawnSlot[];
  readonly bodies: readonly DrawnBody[];
  readonly boxes: readonly Box[];
  /** From the rear edge to where a card stops; null while not known. */
  readonly roomMm: number | null;
  /** Ground that two things claim at once. */
  readonly conflicts: readonly Rectangle[];
  /** Slots whose opening nobody has told: they cannot be drawn in their place. */
  readonly unplaced: readonly Slot[];
}

export interface CardOnSlot {
  readonly card: Card;
  readonly slot: Slot;
}

export function boardLayout(
  machine: Machine,
  planned: readonly CardOnSlot[],
  trial: CardOnSlot | null,
): BoardLayout {
  const placed = machine.slots.filter((slot) => slot.opening !== null);
  const bodies = [
    ...placed.flatMap((slot) => occupantBody(machine, slot)),
    ...planned.flatMap((each) => cardBody(machine, each, 'planned')),
    ...(trial === null ? [] : cardBody(machine, trial, 'trial')),
  ];
  const roomMm = valueOf(machine.case.lengthRoomMm);
  const outline = valueOf(machine.board);
  const lastOpening = Math.max(
    valueOf(machine.case.openings) ?? 1,
    ...placed.map((slot) => valueOf(slot.opening) ?? 1),
  );
  const firstMm = openingMiddleMm(machine, 1);
  const topMm = outline === null ? firstMm - OPENING_PITCH_MM - MARGIN_MM / 2 : -MARGIN_MM / 2;
  const bottomMm = Math.max(
    outline?.depthMm ?? 0,
    openingMiddleMm(machine, lastOpening) + OPENING_PITCH_MM,
  );
  const rightMm = Math.max(
    roomMm ?? 0,
    outline?.widthMm ?? 0,
    CONNECTOR_START_MM + 100,
    ...bodies.map((body) => body.widthMm),
    ...machine.boxes.map((box) => box.xMm + box.widthMm),
  );
  return {
    leftMm: -OPENING_STRIP_MM - MARGIN_MM / 2,
    topMm,
    widthMm: rightMm + MARGIN_MM + OPENING_STRIP_MM,
    heightMm: bottomMm - topMm,
    board:
      outline === null
        ? null
        : { xMm: BOARD_INSET_MM, yMm: 0, widthMm: outline.widthMm, depthMm: outline.depthMm },
    ports:
      outline === null
        ? null
        : {
            xMm: -OPENING_STRIP_MM,
            yMm: Math.max(0, firstMm - OPENING_PITCH_MM / 2 - PORTS_LENGTH_MM),
            widthMm: OPENING_STRIP_MM - 2,
            depthMm: Math.min(PORTS_LENGTH_MM, firstMm - OPENING_PITCH_MM / 2) - OPENING_GAP_MM,
          },
    openings: Array.from({ length: valueOf(machine.case.openings) ?? 0 }, (_, n) =>
      opening(machine, n + 1, bodies),
    ),
    slots: placed.map((slot) => drawnSlot(machine, slot)),
    bodies,
    boxes: machine.boxes.filter((box) => box.yMm + box.depthMm > topMm && box.yMm < bottomMm),
    roomMm,
    conflicts: conflictsOf(machine, bodies, roomMm),
    unplaced: machine.slots.filter((slot) => slot.opening === null),
  };
}

function opening(machine: Machine, number: number, bodies: readonly DrawnBody[]): DrawnOpening {
  const middle = openingMiddleMm(machine, number);
  const height = OPENING_PITCH_MM - OPENING_GAP_MM;
  const taker = bodies.find(
    (body) => body.yMm < middle + 1 && body.yMm + body.depthMm > middle - 1,
  );
  return {
    number,
    xMm: -OPENING_STRIP_MM,
    yMm: middle - height / 2,
    widthMm: OPENING_STRIP_MM - 2,
    depthMm: height,
    takenBy: taker === undefined ? null : taker.kind === 'there' ? 'card' : 'planned',
  };
}

function drawnSlot(machine: Machine, slot: Slot): DrawnSlot {
  const middleMm = openingMiddleMm(machine, valueOf(slot.opening) ?? 1);
  const length = connectorLengthMm(slot);
  const lanes = valueOf(slot.lanes);
  const connector: Rectangle = {
    xMm: CONNECTOR_START_MM,
    yMm: middleMm - CONNECTOR_THICKNESS_MM / 2,
    widthMm: length ?? CONNECTOR_LENGTH_MM[1] ?? 0,
    depthMm: CONNECTOR_THICKNESS_MM,
  };
  return {
    slot,
    middleMm,
    connector,
    lengthKnown: length !== null,
    wired:
      slot.bus === 'pci'
        ? connector
        : lanes === null
          ? null
          : { ...connector, widthMm: Math.min(connector.widthMm, wiredLengthMm(lanes)) },
  };
}

/** Contacts of the lanes wired take as much of the connector as a connector of that many lanes is long. */
function wiredLengthMm(lanes: number): number {
  const known = Object.entries(CONNECTOR_LENGTH_MM).map(([of, mm]) => [Number(of), mm] as const);
  const exact = known.find(([of]) => of === lanes)?.[1];
  if (exact !== undefined) return exact;
  const below = known.findLast(([of]) => of < lanes) ?? [0, 0];
  const above = known.find(([of]) => of > lanes) ?? below;
  const share = above[0] === below[0] ? 0 : (lanes - below[0]) / (above[0] - below[0]);
  return below[1] + share * (above[1] - below[1]);
}

function occupantBody(machine: Machine, slot: Slot): readonly DrawnBody[] {
  const occupant = valueOf(slot.occupant);
  if (occupant === null) return [];
  const lengthMm = valueOf(occupant.lengthMm);
  const opening = valueOf(slot.opening) ?? 1;
  const openings = valueOf(occupant.openings) ?? 1;
  return [
    {
      ...bodyRectangle(machine, opening, lengthMm ?? UNKNOWN_LENGTH_MM, openings),
      slotId: slot.id,
      name: occupant.name,
      lengthMm,
      kind: 'there',
    },
  ];
}

function cardBody(
  machine: Machine,
  { card, slot }: CardOnSlot,
  kind: DrawnBody['kind'],
): readonly DrawnBody[] {
  const opening = valueOf(slot.opening);
  if (opening === null) return [];
  return [
    {
      ...bodyRectangle(machine, opening, card.lengthMm, card.openings),
      slotId: slot.id,
      name: cardName(card),
      lengthMm: card.lengthMm,
      kind,
    },
  ];
}

function conflictsOf(
  machine: Machine,
  bodies: readonly DrawnBody[],
  roomMm: number | null,
): readonly Rectangle[] {
  const fresh = bodies.filter(({ kind }) => kind !== 'there');
  const obstacles = machine.boxes.filter(({ heightMm }) => heightMm > UNDER_CARD_ROOM_MM);
  return fresh.flatMap((body) => [
    ...[...bodies.filter((other) => other !== body), ...obstacles].flatMap((other) =>
      common(body, other),
    ),
    ...(roomMm === null || body.widthMm <= roomMm
      ? []
      : [{ ...body, xMm: roomMm, widthMm: body.widthMm - roomMm }]),
  ]);
}

function common(a: Rectangle, b: Rectangle): readonly Rectangle[] {
  const xMm = Math.max(a.xMm, b.xMm);
  const yMm = Math.max(a.yMm, b.yMm);
  const widthMm = Math.min(a.xMm + a.widthMm, b.xMm + b.widthMm) - xMm;
  const depthMm = Math.min(a.yMm + a.depthMm, b.yMm + b.depthMm) - yMm;
  return widthMm > 0 && depthMm > 0 ? [{ xMm, yMm, widthMm, depthMm }] : [];
}
