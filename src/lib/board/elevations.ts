/** The views from the side and from behind, in millimetres and as rows of words. */
import {
  BRACKET_LENGTH_MM,
  BRACKET_WIDTH_MM,
  CONNECTOR_START_MM,
  PORTS_WINDOW_MM,
  REAR_SOCKETS,
} from '$core/standards';
import { boardSockets, rearLeads, type RearSockets } from '$core/assembly';
import { valueOf } from '$core/parts';
import type { Machine } from '$core/document';
import type { Need } from '$core/kinds';
import { figure } from '$words/figures';
import { leadEndWords, socketWords } from '$words/rear';
import { spread } from './labels';
import type { BoardLayout, CardOnSlot, DrawnBody } from './layout';
import type { LabelRow } from './rows';
import type { Views } from './views';
import { elevations as texts } from '$words/board';

/** Where sockets may stand along a bracket, from its end at the board and from its bent end. Common practice, no source. */
const BRACKET_ENDS_MM = { atBoard: 12, atBend: 12 };
/** Between two sockets. */
const SOCKET_GAP_MM = 3;
/** From the board to the sockets that stand on it. */
const BOARD_SOCKET_MM = 4;
/** Room on a bracket for the number of a group of sockets, and beside the window, in pixels. */
const NUMBER_MM = 10;
const NUMBER_PX = 12;

/** A fan, the air that it wants, and what there is up to the next body; null: nothing stands before it. */
interface Air {
  readonly body: DrawnBody;
  readonly fan: NonNullable<DrawnBody['fan']>;
  readonly thereMm: number | null;
}

interface DrawnSockets {
  readonly number: number;
  readonly slotId: string | null;
  readonly faces: readonly Face[];
  readonly sockets: RearSockets;
}

/** One socket as it shows from behind: heights over the board, and along the rear edge. */
interface Face {
  readonly zMm: number;
  readonly yMm: number;
  readonly highMm: number;
  readonly alongMm: number;
}

interface DrawnBracket {
  readonly number: number;
  readonly yMm: number;
  readonly lengthMm: number;
  readonly state: 'cover' | 'planned' | 'there' | 'leaving';
  readonly slotId: string | null;
}

export interface Elevations {
  /** From the board to the cover over the cards; null while not known. */
  readonly coverMm: number | null;
  readonly airs: readonly Air[];
  readonly brackets: readonly DrawnBracket[];
  readonly sockets: readonly DrawnSockets[];
}

export function elevationsOf(
  machine: Machine,
  layout: BoardLayout,
  placed: readonly CardOnSlot[],
  needs: readonly Need[],
): Elevations {
  const brackets = bracketsOf(machine, layout);
  // Behind the machine nothing shows of a card that its slot is only kept for.
  const seen = placed.filter(({ isLater }) => isLater !== true);
  const ofCards = rearLeads(seen, needs, machine).flatMap(({ slotId, sockets }) =>
    sockets.length === 0 || slotId === null
      ? []
      : onBracket(
          sockets,
          brackets.find((each) => each.slotId === slotId && each.state === 'planned') ?? null,
          slotId,
        ),
  );
  const ofBoard = layout.ports === null ? [] : inWindow(boardSockets(machine), layout.ports.yMm);
  return {
    coverMm: valueOf(machine.case.heightRoomMm),
    airs: airsOf(layout.bodies),
    brackets,
    sockets: [...ofCards, ...ofBoard].map((each, n) => ({ ...each, number: n + 1 })),
  };
}

function bracketsOf(machine: Machine, { openings, bodies }: BoardLayout): readonly DrawnBracket[] {
  const lengthMm = BRACKET_LENGTH_MM[valueOf(machine.case.bracket) ?? 'full'];
  return openings.map(({ number, yMm, depthMm, takenBy }) => {
    const middle = yMm + depthMm / 2;
    const before = bodies.filter(
      (body) =>
        body.placed &&
        body.kind !== 'later' &&
        body.yMm < middle + 1 &&
        body.yMm + body.depthMm > middle - 1,
    );
    const fresh = before.find(
      ({ kind }) => kind === 'planned' || kind === 'fitted' || kind === 'trial',
    );
    const stays = before.find(({ kind }) => kind === 'there');
    const body = fresh ?? stays ?? before[0];
    return {
      number,
      yMm: middle - BRACKET_WIDTH_MM / 2,
      lengthMm,
      slotId: body?.slotId ?? null,
      state:
        fresh !== undefined || (body === undefined && takenBy === 'planned')
          ? 'planned'
          : stays !== undefined
            ? 'there'
            : body !== undefined
              ? 'leaving'
              : 'cover',
    };
  });
}

type Unnumbered = Omit<DrawnSockets, 'number'>;

/** In one row along the bracket, evenly where there is little room; their order is that of the catalogue. */
function onBracket(
  groups: readonly RearSockets[],
  bracket: DrawnBracket | null,
  slotId: string,
): readonly Unnumbered[] {
  if (bracket === null) return groups.map((sockets) => ({ slotId, sockets, faces: [] }));
  const room = bracket.lengthMm - BRACKET_ENDS_MM.atBoard - BRACKET_ENDS_MM.atBend;
  const wide = groups.reduce(
    (sum, { kind, count }) => sum + count * (REAR_SOCKETS[kind].longMm + SOCKET_GAP_MM) + NUMBER_MM,
    0,
  );
  const squeeze = Math.min(1, room / wide);
  let zMm = BRACKET_ENDS_MM.atBoard;
  return groups.map((sockets) => {
    const { longMm, shortMm } = REAR_SOCKETS[sockets.kind];
    const faces = Array.from({ length: sockets.count }, (): Face => {
      const at = zMm;
      zMm += (longMm + SOCKET_GAP_MM) * squeeze;
      return {
        zMm: at,
        yMm: bracket.yMm + (BRACKET_WIDTH_MM - shortMm) / 2,
        highMm: longMm * squeeze,
        alongMm: shortMm,
      };
    });
    zMm += NUMBER_MM * squeeze;
    return { slotId, sockets, faces };
  });
}

/** In one column along the window: how they are spread over it is not surveyed. */
function inWindow(groups: readonly RearSockets[], topMm: number): readonly Unnumbered[] {
  const long = groups.reduce(
    (sum, { kind, count }) => sum + count * (REAR_SOCKETS[kind].shortMm + SOCKET_GAP_MM),
    0,
  );
  const squeeze = Math.min(1, (PORTS_WINDOW_MM.along - 2 * SOCKET_GAP_MM) / long);
  let yMm = topMm + SOCKET_GAP_MM;
  return groups.map((sockets) => ({
    slotId: null,
    sockets,
    faces: Array.from({ length: sockets.count }, (): Face => {
      const { longMm, shortMm } = REAR_SOCKETS[sockets.kind];
      const at = yMm;
      yMm += (shortMm + SOCKET_GAP_MM) * squeeze;
      return {
        zMm: BOARD_SOCKET_MM,
        yMm: at,
        highMm: Math.min(longMm, PORTS_WINDOW_MM.high - 2 * BOARD_SOCKET_MM),
        alongMm: shortMm * squeeze,
      };
    }),
  }));
}

/** Fans blow towards the next opening: the first body there that reaches as far as the fan takes its air. */
function airsOf(bodies: readonly DrawnBody[]): readonly Air[] {
  const standing = bodies.filter(({ placed, kind }) => placed && kind !== 'leaving');
  return standing.flatMap((body): readonly Air[] => {
    const { fan } = body;
    if (fan === null) return [];
    const endMm = body.yMm + body.depthMm;
    const gaps = standing
      .filter((other) => other.yMm >= body.yMm + body.depthMm / 2 && other !== body)
      .filter(({ widthMm }) => widthMm > fan.fromMm)
      .map(({ yMm }) => yMm - endMm);
    return [{ body, fan, thereMm: gaps.length === 0 ? null : Math.max(0, Math.min(...gaps)) }];
  });
}

/** A rectangle of one of the views, in pixels; `round`: the whole of it is an oval. */
interface Shape {
  readonly kind: string;
  /** The slot that it is lit with. */
  readonly slotId: string | null;
  readonly at: {
    readonly x: number;
    readonly y: number;
    readonly width: number;
    readonly height: number;
  };
  readonly round?: boolean;
}

/** Everything of both views that has an outline, from the back to the front, and the lines they stand on. */
export function shapesOf(
  { coverMm, airs, brackets, sockets }: Elevations,
  layout: BoardLayout,
  views: Views,
): {
  readonly shapes: readonly Shape[];
  readonly lines: readonly (readonly [kind: string, d: string])[];
} {
  const { plan, sideY, rearX, rearY } = views;
  const px = (mm: number) => mm * plan.pxPerMm;
  /** From the side a thing reaches from one height over the board to another. */
  const upright = (xMm: number, widthMm: number, fromMm: number, toMm: number) => ({
    x: plan.x(xMm),
    y: sideY(toMm),
    width: px(widthMm),
    height: px(toMm - fromMm),
  });
  const behind = (zMm: number, yMm: number, highMm: number, alongMm: number) => ({
    x: rearX(zMm),
    y: rearY(yMm),
    width: px(highMm),
    height: px(alongMm),
  });
  const shape = (kind: string, slotId: string | null, at: Shape['at'], round = false): Shape => ({
    kind,
    slotId,
    at,
    round,
  });
  const tooHigh = layout.bodies.filter(
    ({ kind, heightMm }) =>
      kind !== 'leaving' && heightMm !== null && coverMm !== null && heightMm > coverMm,
  );
  const shapes = [
    ...layout.obstacles.map(({ xMm, widthMm, heightMm, movable }) =>
      shape(`obstacle${movable ? ' movable' : ''}`, null, upright(xMm, widthMm, 0, heightMm)),
    ),
    ...layout.bodies.flatMap(
      ({ kind, slotId, xMm, widthMm, fromMm, heightMm, edgeEndMm, bendMm }) => {
        const topMm = topOf(heightMm);
        return [
          shape(`body ${kind}`, slotId, upright(xMm, widthMm, fromMm, topMm)),
          ...(edgeEndMm === null
            ? []
            : [
                shape(
                  'edge',
                  null,
                  upright(CONNECTOR_START_MM, edgeEndMm - CONNECTOR_START_MM, 0, fromMm),
                ),
              ]),
          ...(bendMm === 0
            ? []
            : [shape('bend', null, upright(widthMm - bendMm, bendMm, topMm, topMm + bendMm))]),
        ];
      },
    ),
    ...airs.map(({ body: { fromMm, heightMm }, fan }) =>
      shape(
        'fan',
        null,
        upright(fan.fromMm, fan.toMm - fan.fromMm, fromMm + 2, topOf(heightMm) - 2),
        true,
      ),
    ),
    ...layout.conflicts.map(({ xMm, widthMm, fromMm, toMm }) =>
      shape('conflict', null, upright(xMm, widthMm, fromMm, toMm)),
    ),
    ...tooHigh.map(({ xMm, widthMm, heightMm }) =>
      shape('conflict', null, upright(xMm, widthMm, coverMm ?? 0, heightMm ?? 0)),
    ),
    ...(layout.ports === null
      ? []
      : [
          shape(
            'window',
            null,
            behind(0, layout.ports.yMm, PORTS_WINDOW_MM.high, layout.ports.depthMm),
          ),
        ]),
    ...brackets.map(({ yMm, lengthMm, state, slotId }) =>
      shape(
        ['bracket', `is-${state}`].join(' '),
        slotId,
        behind(0, yMm, lengthMm, BRACKET_WIDTH_MM),
      ),
    ),
    ...sockets.flatMap(({ slotId, faces }) =>
      faces.map(({ zMm, yMm, highMm, alongMm }) =>
        shape('socket', slotId, behind(zMm, yMm, highMm, alongMm)),
      ),
    ),
  ];
  const endMm = layout.leftMm + layout.widthMm;
  const level = (zMm: number, toMm: number) => `M${plan.x(0)} ${sideY(zMm)}H${plan.x(toMm)}`;
  return {
    shapes,
    lines: [
      ['level', level(BRACKET_LENGTH_MM.low, endMm)],
      ['level', level(BRACKET_LENGTH_MM.full, endMm)],
      ...(coverMm === null ? [] : [['cover', level(coverMm, endMm)] as const]),
      ['base', level(0, layout.board?.widthMm ?? endMm)],
      ['base', `M${plan.x(0)} ${views.sideTopPx}V${sideY(0)}`],
      ['base', `M${rearX(0)} ${rearY(layout.topMm)}v${px(layout.heightMm)}`],
      ['scale', `M${rearX(0)} ${views.bottomPx - 12}v8m0 -4h${px(50)}m0 -4v8`],
    ],
  };
}

/** Whose height nobody told is drawn as high as a low bracket. */
const topOf = (heightMm: number | null) => heightMm ?? BRACKET_LENGTH_MM.low;

/** Where the numbers of the sockets stand, in pixels: after their group on the bracket, or beside the window. */
export function numbersOf({ sockets }: Elevations, { rearX, rearY }: Views): readonly Numbered[] {
  const drawn = sockets.flatMap(({ number, slotId, faces }) => {
    const [first, last] = [faces[0], faces.at(-1)];
    return first === undefined || last === undefined
      ? []
      : {
          number,
          slotId,
          endMm: last.zMm + last.highMm,
          y: rearY((first.yMm + last.yMm + last.alongMm) / 2),
        };
  });
  const ofBoard = drawn.filter(({ slotId }) => slotId === null);
  const beside = spread(
    ofBoard.map(({ y }) => y),
    0,
  );
  return [
    ...apart(
      drawn
        .filter(({ slotId }) => slotId !== null)
        .map(({ number, endMm, y }) => ({ number, x: rearX(endMm + NUMBER_MM / 2), y: y + 4 })),
    ),
    ...ofBoard.map(({ number }, n) => ({
      number,
      x: rearX(PORTS_WINDOW_MM.high) + NUMBER_PX,
      y: beside[n]! + 4,
    })),
  ];
}

interface Numbered {
  readonly number: number;
  readonly x: number;
  readonly y: number;
}

/** Room that a number takes, from its line up. */
const DIGIT_PX = { wide: 9, high: 11 };

/** In a small drawing openings lie closer than numbers are high: the next one goes beside the one that is in its way. */
function apart(numbers: readonly Numbered[]): readonly Numbered[] {
  const placed: Numbered[] = [];
  for (const each of numbers) {
    let { x } = each;
    while (
      placed.some(
        (other) =>
          Math.abs(other.x - x) < DIGIT_PX.wide && Math.abs(other.y - each.y) < DIGIT_PX.high,
      )
    )
      x += DIGIT_PX.wide;
    placed.push({ ...each, x });
  }
  return placed;
}

/** Heights, air and leads: in the column below the rows of the plan. */
export function elevationRows(
  { coverMm, airs, sockets }: Elevations,
  { bodies, widthMm, leftMm }: BoardLayout,
  views: Views,
): readonly LabelRow[] {
  const right = views.plan.x(leftMm + widthMm) - 4;
  const measure = (
    key: string,
    x: number,
    zMm: number,
    row: Pick<LabelRow, 'name' | 'figure'>,
  ) => ({
    key,
    kind: 'measure' as const,
    slotId: null,
    from: { x, y: views.sideY(zMm) },
    wantedPx: views.sideY(zMm),
    also: '',
    ...row,
  });
  const heights = bodies.flatMap((body, n) =>
    body.heightMm === null || body.edgeEndMm === null
      ? []
      : {
          ...measure(`height ${n}`, views.plan.x(body.widthMm), body.heightMm, {
            name: body.name,
            figure: texts.highTooHigh(
              figure(body.heightMm, 'mm'),
              coverMm !== null && body.heightMm > coverMm,
            ),
          }),
          slotId: body.slotId,
        },
  );
  const fans = airs.map(({ body, fan, thereMm }, n) => ({
    ...measure(`air ${n}`, views.plan.x(fan.toMm), (body.heightMm ?? BRACKET_LENGTH_MM.full) / 2, {
      name: texts.fan(body.name),
      figure: thereMm === null ? texts.airFree : texts.ofMmOfAir(Math.round(thereMm), fan.airMm),
    }),
    slotId: body.slotId,
    ...(thereMm !== null && thereMm < fan.airMm ? { verdict: 'limited' as const } : {}),
  }));
  return [
    ...(coverMm === null
      ? []
      : [measure('cover', right, coverMm, { name: texts.cover, figure: texts.mm(coverMm) })]),
    measure('full', right, BRACKET_LENGTH_MM.full, {
      name: texts.fullBracket,
      figure: texts.mm(Math.round(BRACKET_LENGTH_MM.full)),
    }),
    measure('low', right, BRACKET_LENGTH_MM.low, {
      name: texts.lowBracket,
      figure: texts.mm(Math.round(BRACKET_LENGTH_MM.low)),
    }),
    ...heights,
    ...fans,
    ...sockets.map(({ number, slotId, sockets: group }) => ({
      key: `lead ${number}`,
      kind: 'lead' as const,
      slotId,
      from: null,
      wantedPx: views.sideY(0),
      name: socketWords(group),
      also: '',
      figure: slotId === null ? texts.ofTheBoard : leadEndWords(group.end),
      number,
    })),
  ];
}
