/**
 * The board drawing as rectangles in millimetres, computed from the survey and the plan: x from the rear
 * edge of the case, y along it. Screens only scale it.
 */
import {
  CONNECTOR_LENGTH_MM,
  CONNECTOR_START_MM,
  CONNECTOR_THICKNESS_MM,
  OPENING_PITCH_MM,
  PLUG_BEND_MM,
  PORTS_WINDOW_MM,
  UNDER_CARD_ROOM_MM,
  UNDER_MODULE_ROOM_MM,
  MODULE_WIDTH_MM,
  SOCKET_DEPTH_MM,
} from '$core/standards';
import {
  bodyAround,
  cardEdgeEndMm,
  connectorLengthMm,
  openingMiddleMm,
  type Rectangle,
  moduleRectangle,
} from '$core/placement';
import { cardName, type Obstacle, type Card, type Machine, type Slot } from '$core/document';
import { valueOf } from '$core/parts';
import { openingsOf } from '$core/assembly';

/** Depth of the strip in front of the rear edge in which openings are drawn, and the gap between two of them. */
const OPENING_STRIP_MM = 15;
const OPENING_GAP_MM = 2.5;
const MARGIN_MM = 16;
/** Room for the words above the rows of slots that have no place yet. */
const TRAY_HEAD_MM = 16;
/** Drawn where an occupant's length is not known, with an open end. */
const UNKNOWN_LENGTH_MM = 110;
/** Drawn where no length of module is known. Source: M.2 4.0 (from memory). */
const SHORTEST_MODULE_MM = 30;
/** How far a module with parts on its upper side stands over the board. Source: M.2 4.0 (from memory). */
const MODULE_TOP_MM = 4;
/** Rear edge to the board's own edge. Common practice, no source. */
const BOARD_INSET_MM = 4;

interface DrawnOpening extends Rectangle {
  readonly number: number;
  readonly takenBy: 'card' | 'planned' | null;
}

interface DrawnSlot {
  readonly slot: Slot;
  /** A socket at its place on the board, with the ground its longest module takes; null for all others. */
  readonly inPlace: Rectangle | null;
  /** False where nobody has told its opening: it is drawn in a row below the board. */
  readonly placed: boolean;
  readonly middleMm: number;
  readonly connector: Rectangle;
  /** False where the connector's length is not known and it is drawn open. */
  readonly lengthKnown: boolean;
  /** The part with lanes really wired; null while not known. */
  readonly wired: Rectangle | null;
}

/** Ground that two things claim at once, and between which heights over the board. */
interface Conflict extends Rectangle {
  readonly fromMm: number;
  readonly toMm: number;
}

export interface DrawnBody extends Rectangle {
  readonly slotId: string;
  readonly placed: boolean;
  readonly name: string;
  readonly lengthMm: number | null;
  /** From which height over the board it reaches to which; the upper one null while not known. */
  readonly fromMm: number;
  readonly heightMm: number | null;
  /** Where the contacts in its slot end; null for a module, and while not known. */
  readonly edgeEndMm: number | null;
  /** Its fan; null where it has none, or nobody told. */
  readonly fan: Card['fan'];
  /** What leads that plug into its upper edge want above it; zero where none does. */
  readonly bendMm: number;
  /** What is there and stays, or comes out; what is planned, for now or for later, or in by now; what is only tried. */
  readonly kind: 'there' | 'leaving' | 'planned' | 'later' | 'fitted' | 'trial';
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
  readonly obstacles: readonly Obstacle[];
  /** From the rear edge to where a card stops; null while not known. */
  readonly roomMm: number | null;
  /** Ground that two things claim at once. */
  readonly conflicts: readonly Conflict[];
  /** Where the rows of slots begin whose opening nobody has told; null where there are none. */
  readonly trayMm: number | null;
}

export interface CardOnSlot {
  readonly card: Card;
  readonly slot: Slot;
  /** It is planned no longer: it sits in its slot. */
  readonly isIn?: boolean;
  /** Its slot is kept for it: nothing is bought now. */
  readonly isLater?: boolean;
}

export function boardLayout(
  machine: Machine,
  planned: readonly CardOnSlot[],
  trials: readonly CardOnSlot[] = [],
): BoardLayout {
  const roomMm = valueOf(machine.case.lengthRoomMm);
  const outline = valueOf(machine.board);
  const [topMm, bottomMm] = boardReach(machine);
  const unplaced = machine.slots.filter((slot) => slot.opening === null && slot.place === null);
  const trayMm = unplaced.length === 0 ? null : bottomMm + TRAY_HEAD_MM;
  const heightMm = (trayMm ?? bottomMm) + unplaced.length * OPENING_PITCH_MM - topMm;

  /** A slot's own opening, or its row below the board. */
  const middleOf = (slot: Slot): number => {
    const opening = valueOf(slot.opening);
    if (opening !== null) return openingMiddleMm(machine, opening);
    const place = valueOf(slot.place);
    if (place !== null) return place.yMm + MODULE_WIDTH_MM / 2;
    const row = unplaced.findIndex(({ id }) => id === slot.id);
    return bottomMm + TRAY_HEAD_MM + (row + 0.5) * OPENING_PITCH_MM;
  };
  const bodies = [
    ...machine.slots.flatMap((slot) => occupantBody(slot, middleOf(slot))),
    ...planned.flatMap((each) =>
      cardBody(
        each,
        middleOf(each.slot),
        each.isIn === true ? 'fitted' : each.isLater === true ? 'later' : 'planned',
      ),
    ),
    ...trials.flatMap((each) => cardBody(each, middleOf(each.slot), 'trial')),
  ];
  const plates = openingsOf(machine, machine, [...planned, ...trials]).plates.map(
    ({ number }) => number,
  );
  const firstMm = openingMiddleMm(machine, 1);
  const rightMm = Math.max(
    roomMm ?? 0,
    outline?.widthMm ?? 0,
    CONNECTOR_START_MM + 100,
    ...bodies.map((body) => body.widthMm),
    ...machine.obstacles.map((obstacle) => obstacle.xMm + obstacle.widthMm),
  );
  return {
    leftMm: -OPENING_STRIP_MM - MARGIN_MM / 2,
    topMm,
    widthMm: rightMm + MARGIN_MM + OPENING_STRIP_MM,
    heightMm,
    trayMm,
    board:
      outline === null
        ? null
        : { xMm: BOARD_INSET_MM, yMm: 0, widthMm: outline.widthMm, depthMm: outline.depthMm },
    ports:
      outline === null
        ? null
        : {
            xMm: -OPENING_STRIP_MM,
            yMm: Math.max(0, firstMm - OPENING_PITCH_MM / 2 - PORTS_WINDOW_MM.along),
            widthMm: OPENING_STRIP_MM - 2,
            depthMm:
              Math.min(PORTS_WINDOW_MM.along, firstMm - OPENING_PITCH_MM / 2) - OPENING_GAP_MM,
          },
    openings: Array.from({ length: valueOf(machine.case.openings) ?? 0 }, (_, n) =>
      opening(machine, n + 1, bodies, plates),
    ),
    slots: [...machine.slots.filter((slot) => !unplaced.includes(slot)), ...unplaced].map((slot) =>
      drawnSlot(slot, middleOf(slot)),
    ),
    bodies,
    obstacles: machine.obstacles.filter(
      (obstacle) => obstacle.yMm + obstacle.depthMm > topMm && obstacle.yMm < bottomMm,
    ),
    roomMm,
    conflicts: conflictsOf(machine, bodies, roomMm),
  };
}

/** From where to where the board is drawn: its outline, or else around the openings that are known. */
function boardReach(machine: Machine): readonly [topMm: number, bottomMm: number] {
  const outline = valueOf(machine.board);
  const openings = [
    valueOf(machine.case.openings) ?? 0,
    ...machine.slots.map((slot) => valueOf(slot.opening) ?? 0),
  ];
  const last = Math.max(...openings);
  const firstMm = openingMiddleMm(machine, 1);
  const topMm = outline === null ? firstMm - OPENING_PITCH_MM : -MARGIN_MM / 2;
  const lastMm = last === 0 ? topMm : openingMiddleMm(machine, last) + OPENING_PITCH_MM;
  return [topMm, Math.max(outline?.depthMm ?? topMm, lastMm)];
}

/** @param plates openings that a new card's further sockets take */
function opening(
  machine: Machine,
  number: number,
  bodies: readonly DrawnBody[],
  plates: readonly number[],
): DrawnOpening {
  const middle = openingMiddleMm(machine, number);
  const height = OPENING_PITCH_MM - OPENING_GAP_MM;
  const taker = bodies.find(
    (body) => body.placed && body.yMm < middle + 1 && body.yMm + body.depthMm > middle - 1,
  );
  return {
    number,
    xMm: -OPENING_STRIP_MM,
    yMm: middle - height / 2,
    widthMm: OPENING_STRIP_MM - 2,
    depthMm: height,
    takenBy:
      taker === undefined
        ? plates.includes(number)
          ? 'planned'
          : null
        : taker.kind === 'there' || taker.kind === 'leaving'
          ? 'card'
          : taker.kind === 'later'
            ? null
            : 'planned',
  };
}

function drawnSlot(slot: Slot, middleMm: number): DrawnSlot {
  const place = valueOf(slot.place);
  if (slot.bus === 'm2' && place !== null) return drawnSocket(slot, place);
  const length = connectorLengthMm(slot);
  const lanes = valueOf(slot.lanes);
  const known = length ?? wiredLengthMm(lanes ?? 1);
  const connector: Rectangle = {
    xMm: CONNECTOR_START_MM,
    yMm: middleMm - CONNECTOR_THICKNESS_MM / 2,
    widthMm: known,
    depthMm: CONNECTOR_THICKNESS_MM,
  };
  const wired = slot.bus === 'pci' ? known : lanes === null ? null : wiredLengthMm(lanes);
  return {
    slot,
    inPlace: null,
    placed: slot.opening !== null,
    middleMm,
    connector,
    lengthKnown: length !== null,
    wired: wired === null ? null : { ...connector, widthMm: Math.min(known, wired) },
  };
}

/** A socket and, from it, the ground of the longest module it holds. */
function drawnSocket(slot: Slot, { xMm, yMm }: { xMm: number; yMm: number }): DrawnSlot {
  const lengths = valueOf(slot.moduleLengthsMm);
  const connector = { xMm, yMm, widthMm: SOCKET_DEPTH_MM, depthMm: MODULE_WIDTH_MM };
  return {
    slot,
    inPlace: {
      ...connector,
      widthMm: SOCKET_DEPTH_MM + Math.max(SHORTEST_MODULE_MM, ...(lengths ?? [])),
    },
    placed: true,
    middleMm: yMm + MODULE_WIDTH_MM / 2,
    connector,
    lengthKnown: lengths !== null,
    wired: (valueOf(slot.wired) ?? []).includes('pcie') ? connector : null,
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

function occupantBody(slot: Slot, middleMm: number): readonly DrawnBody[] {
  const occupant = valueOf(slot.occupant);
  if (occupant === null) return [];
  const kind = occupant.disposition === 'remove' ? 'leaving' : 'there';
  if (slot.bus === 'm2') return moduleBody(slot, occupant.name, valueOf(occupant.lengthMm), kind);
  const lengthMm = valueOf(occupant.lengthMm);
  return [
    {
      ...bodyAround(middleMm, lengthMm ?? UNKNOWN_LENGTH_MM, valueOf(occupant.openings) ?? 1),
      slotId: slot.id,
      placed: slot.opening !== null,
      name: occupant.name,
      lengthMm,
      fromMm: UNDER_CARD_ROOM_MM,
      heightMm: null,
      edgeEndMm: null,
      fan: valueOf(occupant.fan),
      bendMm: 0,
      kind,
    },
  ];
}

/** A module in its socket; nowhere to draw while the socket has no place. */
function moduleBody(
  slot: Slot,
  name: string,
  lengthMm: number | null,
  kind: DrawnBody['kind'],
): readonly DrawnBody[] {
  const lies = moduleRectangle(slot, lengthMm ?? SHORTEST_MODULE_MM);
  if (lies === null) return [];
  return [
    {
      ...lies,
      slotId: slot.id,
      // It lies flat on the board, below what cards and obstacles claim.
      placed: false,
      name,
      lengthMm,
      fromMm: UNDER_MODULE_ROOM_MM,
      heightMm: MODULE_TOP_MM,
      edgeEndMm: null,
      fan: null,
      bendMm: 0,
      kind,
    },
  ];
}

function cardBody(
  { card, slot }: CardOnSlot,
  middleMm: number,
  kind: DrawnBody['kind'],
): readonly DrawnBody[] {
  if (card.m2 !== null) return moduleBody(slot, cardName(card), card.m2.moduleLengthMm, kind);
  return [cardInSlot(card, slot, middleMm, kind)];
}

const cardInSlot = (
  card: Card,
  slot: Slot,
  middleMm: number,
  kind: DrawnBody['kind'],
): DrawnBody => ({
  ...bodyAround(middleMm, card.lengthMm, card.openings),
  slotId: slot.id,
  placed: slot.opening !== null,
  name: cardName(card),
  lengthMm: card.lengthMm,
  fromMm: UNDER_CARD_ROOM_MM,
  heightMm: card.heightMm,
  edgeEndMm: cardEdgeEndMm(card),
  fan: card.fan,
  bendMm: card.sockets.length > 0 ? PLUG_BEND_MM : 0,
  kind,
});

function conflictsOf(
  machine: Machine,
  bodies: readonly DrawnBody[],
  roomMm: number | null,
): readonly Conflict[] {
  // Where a slot's opening is not known, nobody can tell what its card would touch.
  // What comes out is in nobody's way.
  const placed = bodies.filter((body) => body.placed && body.kind !== 'leaving');
  const fresh = placed.filter(({ kind }) => kind !== 'there');
  const obstacles = machine.obstacles.filter(({ heightMm }) => heightMm > UNDER_CARD_ROOM_MM);
  return fresh.flatMap((body) => {
    const { fromMm } = body;
    const up = (toMm: number) => (ground: Rectangle) => ({ ...ground, fromMm, toMm });
    const topMm = body.heightMm ?? fromMm;
    const beyond =
      roomMm === null || body.widthMm <= roomMm
        ? []
        : [{ ...groundOf(body), xMm: roomMm, widthMm: body.widthMm - roomMm }];
    return [
      ...[...placed.filter((other) => other !== body), ...obstacles].flatMap((other) =>
        common(body, other).map(up(Math.min(topMm, other.heightMm ?? topMm))),
      ),
      ...beyond.map(up(topMm)),
    ];
  });
}

const groundOf = ({ xMm, yMm, widthMm, depthMm }: Rectangle): Rectangle => ({
  xMm,
  yMm,
  widthMm,
  depthMm,
});

function common(a: Rectangle, b: Rectangle): readonly Rectangle[] {
  const xMm = Math.max(a.xMm, b.xMm);
  const yMm = Math.max(a.yMm, b.yMm);
  const widthMm = Math.min(a.xMm + a.widthMm, b.xMm + b.widthMm) - xMm;
  const depthMm = Math.min(a.yMm + a.depthMm, b.yMm + b.depthMm) - yMm;
  return widthMm > 0 && depthMm > 0 ? [{ xMm, yMm, widthMm, depthMm }] : [];
}
