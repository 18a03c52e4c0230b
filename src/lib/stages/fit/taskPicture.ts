/**
 * What a task looks like: three views of the case in millimetres, the part lit in each, and how it moves. From above x leads
 * away from the rear edge and y along it; from the side z is the height over the board; from behind z leads to the right.
 */
import {
  BRACKET_LENGTH_MM,
  BRACKET_WIDTH_MM,
  CARD_HEIGHT_MM,
  CONNECTOR_START_MM,
} from '$core/standards';
import { headerWayMm } from '$core/rules';
import { housings, openingMiddleMm, type Housing } from '$core/placement';
import { valueOf } from '$core/parts';
import type { Assembly } from '$core/assembly';
import type { Machine } from '$core/document';
import type { Step } from '$core/procedure';
import { boardLayout, type BoardLayout, type CardOnSlot, type DrawnBody } from '$lib/board/layout';
import { taskPicture as texts } from '$words/stages/fit';

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

interface PictureShape extends Box {
  readonly kind:
    'board' | 'body' | 'obstacle' | 'opening' | 'cover' | 'connector' | 'latch' | 'plug';
  readonly isLit: boolean;
}

/** In, out, or turned; from where to where. */
interface Motion {
  readonly kind: 'arrow' | 'turn';
  readonly from: readonly [x: number, y: number];
  readonly to: readonly [x: number, y: number];
}

/** From where to where, and over how many millimetres. */
interface Lead {
  readonly points: readonly (readonly [x: number, y: number])[];
  readonly mm: number;
}

export interface PictureView {
  readonly name: string;
  readonly focus: Box;
  readonly shapes: readonly PictureShape[];
  readonly motions: readonly Motion[];
  readonly lead: Lead | null;
}

const MARGIN_MM = 18;
const LIFT_MM = 45;
const LATCH_MM = 7;
const PLUG_MM = 10;
/** What is drawn of a height that nobody told. */
const USUAL_HEIGHT_MM = CARD_HEIGHT_MM.full;

const OUT_CODES: readonly Step['code'][] = ['takeOut', 'takeOutFirst', 'takeToMove'];
const IN_CODES: readonly Step['code'][] = ['seat', 'moveCard', 'putBack'];
const AT_OPENING: readonly Step['code'][] = ['removeCover', 'closeOpening', 'fitPlate'];
const PLUGGED: readonly Step['code'][] = [
  'plug',
  'plugBack',
  'freeCard',
  'joinDrives',
  'joinFront',
];

/** The views of a task, the one that shows it best first; none where nothing of it lies in the case. */
export function taskPicture(
  step: Step,
  whole: Machine,
  cards: readonly CardOnSlot[],
  assembly: Assembly,
): readonly PictureView[] {
  if (step.task === null || step.task.view === null) return [];
  // Where the board's own ports are nobody told.
  if (step.code === 'joinDrives' && step.slotId === null) return [];
  const room = roomOf(step, whole);
  if (room === undefined) return [];
  // What goes is drawn until it is out.
  const slots = whole.slots.filter(({ enclosureId }) => enclosureId === room.id);
  const machine: Machine = { ...room.machine, slots };
  // Of the cards that come, those that are in by now, and the one that it is about.
  const planned = cards.filter(
    ({ slot, isIn }) => slot.enclosureId === room.id && (isIn === true || slot.id === step.slotId),
  );
  const layout = boardLayout(machine, planned);
  if (layout.openings.length === 0) return [];
  const lit = litBy(step, layout, machine);
  const views = [
    above(step, layout, lit, machine, assembly),
    fromSide(step, layout, lit),
    fromBehind(step, layout, lit, machine),
  ];
  // A module lies on the board: nothing of it shows from behind.
  const isModule = lit.body !== null && lit.opening === null;
  const first = isModule ? 0 : { above: 0, side: 1, behind: 2 }[step.task.view];
  return [views[first]!, ...views.filter((_, n) => n !== first)];
}

/** The case that a task is done in: that of its slot, or the one it names. */
function roomOf({ slotId, values }: Step, machine: Machine): Housing | undefined {
  const slot = machine.slots.find(({ id }) => id === slotId);
  const named = 'enclosure' in values ? values.enclosure : '';
  return housings(machine).find(({ id, name }) =>
    slot === undefined ? (named === '' ? id === null : name === named) : id === slot.enclosureId,
  );
}

interface Lit {
  readonly body: DrawnBody | null;
  readonly opening: number | null;
  readonly obstacle: string | null;
}

function litBy({ slotId, values, code }: Step, { bodies }: BoardLayout, machine: Machine): Lit {
  const isObstacle = ['moveObstacle', 'restorePlug', 'leadPlugRound'].includes(code);
  const slot = machine.slots.find(({ id }) => id === slotId);
  return {
    body: isObstacle ? null : (bodies.find((each) => each.slotId === slotId) ?? null),
    opening: isObstacle
      ? null
      : 'opening' in values
        ? values.opening
        : (valueOf(slot?.opening ?? null) ?? null),
    obstacle: isObstacle && 'name' in values ? String(values.name) : null,
  };
}

const boxOf = ({
  xMm,
  yMm,
  widthMm,
  depthMm,
}:
  | BoardLayout['bodies'][number]
  | BoardLayout['openings'][number]
  | BoardLayout['obstacles'][number]): Box => ({
  x: xMm,
  y: yMm,
  width: widthMm,
  height: depthMm,
});

const endsOf = ({ from, to }: Motion): readonly Box[] =>
  [from, to].map(([x, y]) => ({ x, y, width: 0, height: 0 }));

const around = (boxes: readonly Box[]): Box => {
  const x = Math.min(...boxes.map((each) => each.x)) - MARGIN_MM;
  const y = Math.min(...boxes.map((each) => each.y)) - MARGIN_MM;
  const right = Math.max(...boxes.map((each) => each.x + each.width)) + MARGIN_MM;
  const bottom = Math.max(...boxes.map((each) => each.y + each.height)) + MARGIN_MM;
  return { x, y, width: right - x, height: bottom - y };
};

function above(
  step: Step,
  layout: BoardLayout,
  lit: Lit,
  machine: Machine,
  assembly: Assembly,
): PictureView {
  const atOpening = AT_OPENING.includes(step.code);
  const shapes: PictureShape[] = [
    ...(layout.board === null
      ? []
      : [{ ...boxOf(layout.board as never), kind: 'board' as const, isLit: false }]),
    ...layout.openings.map((each) => ({
      ...boxOf(each),
      kind: 'opening' as const,
      isLit: each.number === lit.opening,
    })),
    ...layout.slots
      .filter(({ placed }) => placed)
      .map(({ connector, slot }) => ({
        ...boxOf(connector as never),
        kind: 'connector' as const,
        isLit: slot.id === step.slotId && lit.obstacle === null,
      })),
    ...layout.slots.flatMap(({ connector, slot, placed }) =>
      placed && valueOf(slot.latch) === true
        ? [
            {
              x: connector.xMm + connector.widthMm,
              y: connector.yMm - 1,
              width: LATCH_MM,
              height: connector.depthMm + 2,
              kind: 'latch' as const,
              isLit: slot.id === step.slotId && lit.obstacle === null,
            },
          ]
        : [],
    ),
    ...layout.obstacles.map((each) => ({
      ...boxOf(each),
      kind: 'obstacle' as const,
      isLit: each.name === lit.obstacle,
    })),
    ...layout.bodies
      .filter((each) => each.placed || each === lit.body)
      .map((each) => ({
        ...boxOf(each),
        kind: 'body' as const,
        isLit: each === lit.body && !atOpening,
      })),
  ];
  const obstacle = layout.obstacles.find(({ name }) => name === lit.obstacle);
  const motions: Motion[] =
    obstacle === undefined
      ? []
      : [
          step.code === 'moveObstacle'
            ? {
                kind: 'arrow',
                from: [obstacle.xMm + obstacle.widthMm / 2, obstacle.yMm + obstacle.depthMm / 2],
                to: [
                  obstacle.xMm + obstacle.widthMm + LIFT_MM,
                  obstacle.yMm + obstacle.depthMm / 2,
                ],
              }
            : {
                kind: 'arrow',
                from: [
                  obstacle.xMm + obstacle.widthMm + LIFT_MM,
                  obstacle.yMm + obstacle.depthMm / 2,
                ],
                to: [obstacle.xMm + obstacle.widthMm / 2, obstacle.yMm + obstacle.depthMm / 2],
              },
        ];
  const lead = leadOf(step, lit, machine, assembly);
  const litBoxes = shapes.filter(({ isLit }) => isLit);
  const leadBoxes = (lead?.points ?? []).map(([x, y]) => ({ x, y, width: 0, height: 0 }));
  return {
    name: texts.fromAbove,
    focus: around(
      litBoxes.length + leadBoxes.length > 0
        ? [...litBoxes, ...leadBoxes, ...motions.flatMap(endsOf)]
        : shapes,
    ),
    shapes,
    motions,
    lead,
  };
}

/** A lead of the supply comes down from the board's upper edge, one to a header leads along it. */
function leadOf(step: Step, lit: Lit, machine: Machine, { cards }: Assembly): Lead | null {
  const card = cards.find(({ slot }) => slot.id === step.slotId);
  if (card === undefined || lit.body === null || lit.opening === null) return null;
  const middle = openingMiddleMm(machine, lit.opening);
  if (step.code === 'joinHeader') {
    const header = card.headers.find(({ type }) => type === step.values.header);
    if (header?.place === undefined) return null;
    const { xMm, yMm } = header.place;
    const turn = Math.max(xMm, card.card.lengthMm);
    return {
      points: [
        [card.card.lengthMm, middle],
        [turn, middle],
        [turn, yMm],
        [xMm, yMm],
      ],
      mm: Math.round(headerWayMm(header, card.card, card.slot, machine)),
    };
  }
  if (step.code !== 'plug') return null;
  const x = Math.max(CONNECTOR_START_MM, card.card.lengthMm - PLUG_MM);
  return {
    points: [
      [x, 0],
      [x, middle],
    ],
    mm: Math.round(middle),
  };
}

function fromSide(step: Step, layout: BoardLayout, lit: Lit): PictureView {
  const upright = (body: DrawnBody, liftMm = 0): Box => {
    const topMm = body.heightMm ?? USUAL_HEIGHT_MM;
    return {
      x: body.xMm,
      y: -topMm - liftMm,
      width: body.widthMm,
      height: topMm - body.fromMm,
    };
  };
  const moves = OUT_CODES.includes(step.code) || IN_CODES.includes(step.code);
  const width = Math.max(
    ...layout.bodies.map((each) => each.xMm + each.widthMm),
    layout.widthMm / 2,
  );
  const board: PictureShape = { x: 0, y: 0, width, height: 2, kind: 'board', isLit: false };
  const drawn = layout.bodies.filter((each) => each.placed || each === lit.body);
  const shapes: PictureShape[] = [
    board,
    ...layout.obstacles.map(({ name, xMm, widthMm, heightMm }) => ({
      x: xMm,
      y: -heightMm,
      width: widthMm,
      height: heightMm,
      kind: 'obstacle' as const,
      isLit: name === lit.obstacle,
    })),
    ...drawn.map((each) => ({
      ...upright(each, each === lit.body && moves ? LIFT_MM / 2 : 0),
      kind: 'body' as const,
      isLit: each === lit.body,
    })),
  ];
  const { body } = lit;
  const box = body === null ? null : upright(body);
  const middle = box === null ? 0 : box.x + box.width / 2;
  const motions: Motion[] =
    box === null || !moves
      ? []
      : IN_CODES.includes(step.code)
        ? [{ kind: 'arrow', from: [middle, box.y - LIFT_MM], to: [middle, box.y + box.height / 2] }]
        : [
            {
              kind: 'arrow',
              from: [middle, box.y + box.height / 2],
              to: [middle, box.y - LIFT_MM],
            },
          ];
  const plugs: PictureShape[] =
    box !== null && PLUGGED.includes(step.code)
      ? [
          {
            x: box.x + box.width - 2 * PLUG_MM,
            y: box.y - PLUG_MM,
            width: PLUG_MM,
            height: PLUG_MM,
            kind: 'plug',
            isLit: true,
          },
        ]
      : [];
  const litBoxes = [...shapes, ...plugs].filter(({ isLit }) => isLit);
  const moving = [
    ...motions,
    ...plugs.map(({ x, y }): Motion =>
      step.code === 'freeCard'
        ? { kind: 'arrow', from: [x + PLUG_MM / 2, y], to: [x + PLUG_MM / 2, y - LIFT_MM] }
        : { kind: 'arrow', from: [x + PLUG_MM / 2, y - LIFT_MM], to: [x + PLUG_MM / 2, y] },
    ),
  ];
  return {
    name: texts.fromTheSide,
    focus: around(litBoxes.length > 0 ? [board, ...litBoxes, ...moving.flatMap(endsOf)] : shapes),
    shapes: [...shapes, ...plugs],
    motions: moving,
    lead: null,
  };
}

function fromBehind(step: Step, layout: BoardLayout, lit: Lit, machine: Machine): PictureView {
  const lengthMm = BRACKET_LENGTH_MM[valueOf(machine.case.bracket) ?? 'full'];
  const brackets = layout.openings.map(({ number, yMm, depthMm }) => ({
    number,
    box: {
      x: 0,
      y: yMm + depthMm / 2 - BRACKET_WIDTH_MM / 2,
      width: lengthMm,
      height: BRACKET_WIDTH_MM,
    },
  }));
  const at = brackets.find(({ number }) => number === lit.opening)?.box ?? null;
  const shapes: PictureShape[] = brackets.map(({ number, box }) => ({
    ...box,
    kind:
      layout.openings.find((each) => each.number === number)?.takenBy === null
        ? 'cover'
        : 'opening',
    isLit: number === lit.opening,
  }));
  const motions: Motion[] = [];
  if (at !== null) {
    const y = at.y + at.height / 2;
    const end = at.x + at.width;
    if (step.code === 'removeCover')
      motions.push({ kind: 'arrow', from: [end - 10, y], to: [end + LIFT_MM, y] });
    if (step.code === 'closeOpening' || step.code === 'fitPlate')
      motions.push({ kind: 'arrow', from: [end + LIFT_MM, y], to: [end - 10, y] });
    if (step.code === 'screw' || step.code === 'removeCover' || OUT_CODES.includes(step.code))
      motions.push({ kind: 'turn', from: [end - 4, y], to: [end - 4, y] });
  }
  return {
    name: texts.fromBehind,
    focus: around(
      at === null
        ? shapes
        : brackets
            .filter(({ number }) => Math.abs(number - (lit.opening ?? 0)) < 2)
            .map(({ box }) => ({ ...box, width: box.width + (motions.length > 0 ? LIFT_MM : 0) })),
    ),
    shapes,
    motions,
    lead: null,
  };
}
