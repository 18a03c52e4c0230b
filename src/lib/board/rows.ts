/** The rows of words beside the drawing: what each names, where its line begins, and what is said of it. */
import { valueOf } from '$core/parts';
import type { Machine } from '$core/document';
import type { Verdict } from '$core/rules';
import { VERDICT_WORDS } from '$words/findings';
import { distinctNames, partsWithin, spread, textPx } from './labels';
import type { BoardLayout, DrawnBody } from './layout';
import { slotLine } from './slotWords';
import type { Views } from './views';
import { rows as texts } from '$words/board';

export interface Overlay {
  readonly verdict: Verdict;
  /** One word for what decides it, beside the drawing, and the whole reason when read aloud. */
  readonly topic: string;
  readonly reason: string;
}

export interface LabelRow {
  readonly key: string;
  readonly kind: 'slot' | 'body' | 'obstacle' | 'measure' | 'lead';
  /** The slot that is chosen by it; null: none is. */
  readonly slotId: string | null;
  /** Where its line begins, in pixels; null for what is numbered in the drawing. */
  readonly from: { readonly x: number; readonly y: number } | null;
  /** Where its middle would be best. */
  readonly wantedPx: number;
  readonly name: string;
  /** What else tells it from things of the same name. */
  readonly also: string;
  readonly figure: string;
  readonly verdict?: Verdict;
  readonly number?: number;
}

export interface PlacedRow extends LabelRow {
  readonly y: number;
}

/** Room for a mark or a number before a name. */
export const MARK_PX = 20;
const BETWEEN_PX = 8;
/** In a column narrower than this names come first, and figures where there is room. */
const NARROW_PX = 140;
/** Over the first row, so that its letters stay on the drawing. */
const TOP_PX = 3;
/** Of a row's room, what its figure may take from its name. */
const FIGURE_SHARE = 0.55;

export const BODY_WORDS: Readonly<Record<DrawnBody['kind'], string>> = {
  there: texts.isIn,
  leaving: texts.comesOut,
  planned: texts.planned,
  later: texts.forLater,
  fitted: texts.isIn,
  trial: texts.tried,
};

export function planRows(
  machine: Machine,
  layout: BoardLayout,
  { plan }: Views,
  overlay: ReadonlyMap<string, Overlay>,
): readonly LabelRow[] {
  const slots = layout.slots.map(({ slot, inPlace, connector, middleMm }): LabelRow => {
    const says = overlay.get(slot.id);
    const ends = inPlace ?? connector;
    const y = plan.y(middleMm);
    return {
      key: `slot ${slot.id}`,
      kind: 'slot',
      slotId: slot.id,
      from: { x: plan.x(ends.xMm + ends.widthMm), y },
      wantedPx: y,
      name: slot.label,
      also: valueOf(slot.port)?.slice(5) ?? '',
      ...(says === undefined
        ? { figure: slotLine(slot) }
        : {
            figure: `${VERDICT_WORDS[says.verdict]}${says.topic === '' ? '' : `: ${says.topic}`}`,
            verdict: says.verdict,
          }),
    };
  });
  const bodies = layout.bodies.map((body, n): LabelRow => {
    // What comes out and what goes into the same slot begin apart.
    const y = plan.y(body.yMm + body.depthMm * (body.kind === 'leaving' ? 0.85 : 0.65));
    const length = body.lengthMm === null ? 'length ?' : texts.mm(body.lengthMm);
    return {
      key: `body ${n}`,
      kind: 'body',
      slotId: body.slotId,
      from: { x: plan.x(body.xMm + body.widthMm), y },
      wantedPx: y,
      name: body.name,
      also: machine.slots.find(({ id }) => id === body.slotId)?.label ?? '',
      // The drawing shows what is planned; what comes out is said as well.
      figure:
        body.kind === 'leaving' || body.kind === 'later'
          ? `${BODY_WORDS[body.kind]}, ${length}`
          : `${length}, ${BODY_WORDS[body.kind]}`,
    };
  });
  const obstacles = layout.obstacles.map((obstacle): LabelRow => {
    const y = plan.y(obstacle.yMm + obstacle.depthMm / 2);
    return {
      key: `obstacle ${obstacle.id}`,
      kind: 'obstacle',
      slotId: null,
      from: { x: plan.x(obstacle.xMm + obstacle.widthMm), y },
      wantedPx: y,
      name: obstacle.name,
      also: `${obstacle.xMm}/${obstacle.yMm}`,
      figure: texts.highMovable(obstacle.heightMm, obstacle.movable),
    };
  });
  return [...slots, ...bodies, ...obstacles];
}

/** Rows in their places, each with as much of its words as there is room for. */
export function placedRows(
  rows: readonly LabelRow[],
  { columnWidthPx }: Views,
): readonly PlacedRow[] {
  const inOrder = rows.toSorted((a, b) => a.wantedPx - b.wantedPx);
  const rooms = inOrder.map(({ verdict, number, figure }) => {
    const all = columnWidthPx - (verdict === undefined && number === undefined ? 0 : MARK_PX);
    // A name goes before all but the first part of what is said of it.
    const [first = ''] = figure.split(', ');
    const forFigure = Math.min(textPx(first), all * FIGURE_SHARE);
    const isBare = figure === '' || all < NARROW_PX;
    return { all, forName: all - (isBare ? 0 : forFigure + BETWEEN_PX) };
  });
  const names = distinctByKind(inOrder, rooms);
  const middles = spread(
    inOrder.map(({ wantedPx }) => wantedPx),
    TOP_PX,
  );
  return inOrder.map((row, n) => ({
    ...row,
    name: names[n]!,
    figure: partsWithin(row.figure, rooms[n]!.all - textPx(names[n]!) - BETWEEN_PX),
    y: middles[n]!,
  }));
}

/** The same thing is named twice where it stands in two views: only things of one kind are told apart. */
function distinctByKind(
  rows: readonly LabelRow[],
  rooms: readonly { readonly forName: number }[],
): readonly string[] {
  const names: string[] = rows.map(({ name }) => name);
  for (const kind of ['slot', 'body', 'obstacle', 'measure', 'lead'] as const) {
    const at = rows.flatMap((row, n) => (row.kind === kind ? [n] : []));
    const distinct = distinctNames(
      at.map((n) => ({
        name: rows[n]!.name,
        // Leads are told apart by their numbers, and measures by their figures.
        also: kind === 'lead' || kind === 'measure' ? null : rows[n]!.also,
        roomPx: rooms[n]!.forName,
      })),
    );
    at.forEach((n, i) => (names[n] = distinct[i]!));
  }
  return names;
}
