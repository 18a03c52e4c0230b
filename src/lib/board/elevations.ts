/** The views from the side and from behind, in millimetres and as rows of words. */
import {
  BRACKET_LENGTH_MM,
  BRACKET_WIDTH_MM,
  PORTS_WINDOW_MM,
  REAR_SOCKETS,
  boardSockets,
  rearLeads,
  valueOf,
  type Machine,
  type Need,
  type RearSockets,
} from '$core';
import { figure } from '$lib/wording/figures';
import { leadEndWords, socketWords } from '$lib/wording/rear';
import { spread } from './labels';
import type { BoardLayout, CardOnSlot, DrawnBody } from './layout';
import type { LabelRow } from './rows';
import type { Views } from './views';

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
  const ofCards = rearLeads(placed, needs, machine).flatMap(({ slotId, sockets }) =>
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
      (body) => body.placed && body.yMm < middle + 1 && body.yMm + body.depthMm > middle - 1,
    );
    const fresh = before.find(({ kind }) => kind === 'planned' || kind === 'trial');
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

/** Where the numbers of the sockets stand, in pixels: after their group on the bracket, or beside the window. */
export function numbersOf(
  { sockets }: Elevations,
  { rearX, rearY }: Views,
): readonly { readonly number: number; readonly x: number; readonly y: number }[] {
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
    ...drawn
      .filter(({ slotId }) => slotId !== null)
      .map(({ number, endMm, y }) => ({ number, x: rearX(endMm + NUMBER_MM / 2), y: y + 4 })),
    ...ofBoard.map(({ number }, n) => ({
      number,
      x: rearX(PORTS_WINDOW_MM.high) + NUMBER_PX,
      y: beside[n]! + 4,
    })),
  ];
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
            figure: `${figure(body.heightMm, 'mm')} high${coverMm !== null && body.heightMm > coverMm ? ', too high' : ''}`,
          }),
          slotId: body.slotId,
        },
  );
  const fans = airs.map(({ body, fan, thereMm }, n) => ({
    ...measure(`air ${n}`, views.plan.x(fan.toMm), (body.heightMm ?? BRACKET_LENGTH_MM.full) / 2, {
      name: `Fan, ${body.name}`,
      figure: thereMm === null ? 'air free' : `${Math.round(thereMm)} of ${fan.airMm} mm of air`,
    }),
    slotId: body.slotId,
    ...(thereMm !== null && thereMm < fan.airMm ? { verdict: 'limited' as const } : {}),
  }));
  return [
    ...(coverMm === null
      ? []
      : [measure('cover', right, coverMm, { name: 'Cover', figure: `${coverMm} mm` })]),
    measure('full', right, BRACKET_LENGTH_MM.full, { name: 'Full bracket', figure: '120 mm' }),
    measure('low', right, BRACKET_LENGTH_MM.low, { name: 'Low bracket', figure: '79 mm' }),
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
      figure: slotId === null ? 'of the board' : leadEndWords(group.end),
      number,
    })),
  ];
}
