/** Where the three views stand on one sheet, at one scale: from above, below it from the side, beside it from behind. */
import { BRACKET_LENGTH_MM } from '$core/standards';
import { valueOf } from '$core/parts';
import type { Machine } from '$core/document';
import type { BoardLayout } from './layout';
import { boardScale, type BoardScale } from './scale';

/** Between two views: room for the measures of the plan. */
const BETWEEN_PX = 34;
const EDGE_PX = 6;
const NAME_PX = 12;
const GAP_PX = 10;
/** In which lines bend towards their words. */
const COLUMN_GAP_PX = 18;
const MOST_PX_PER_MM = 2.4;
const LEAST_PX_PER_MM = 0.4;
/** Below this the view from behind stands under the others. */
const BESIDE_PX_PER_MM = 0.7;
/** Air above the highest thing of a view. */
const OVER_MM = 8;

/** What the view from behind takes away from the board. */
const drawnBehindMm = ({ case: room }: Machine): number =>
  BRACKET_LENGTH_MM[valueOf(room.bracket) ?? 'full'] + OVER_MM / 2;

/** Height over the board that is drawn: cover, full bracket, and whatever stands higher. */
const drawnHeightMm = (machine: Machine, { bodies, obstacles }: BoardLayout): number =>
  OVER_MM +
  Math.max(
    BRACKET_LENGTH_MM.full,
    valueOf(machine.case.heightRoomMm) ?? 0,
    ...bodies.map(({ heightMm }) => heightMm ?? 0),
    ...obstacles.map(({ heightMm }) => heightMm),
  );

export interface Views {
  readonly plan: BoardScale;
  /** Pixels of a height over the board in the view from the side. */
  readonly sideY: (zMm: number) => number;
  /** In the view from behind: of a height over the board, and along the rear edge. */
  readonly rearX: (zMm: number) => number;
  readonly rearY: (yMm: number) => number;
  /** Where the view from behind is named: under it, or where it stands under the others over it. */
  readonly rearNamePx: number;
  /** Where the words stand. */
  readonly columnPx: number;
  readonly columnWidthPx: number;
  /** Where the words of the view from the side begin. */
  readonly sideTopPx: number;
  readonly bottomPx: number;
}

/** @param highPx the most height there is for it @param isBare without words, where the drawing stands aside */
export function viewsOf(
  machine: Machine,
  layout: BoardLayout,
  widePx: number,
  highPx: number,
  isBare = false,
): Views {
  const zTopMm = drawnHeightMm(machine, layout);
  const rearMm = drawnBehindMm(machine);
  const columnWidthPx = isBare
    ? 0
    : Math.round(widePx < 480 ? widePx * 0.4 : Math.min(290, Math.max(186, widePx * 0.31)));
  const room = widePx - columnWidthPx - EDGE_PX - COLUMN_GAP_PX;
  const fit = (mmWide: number, mmHigh: number) =>
    Math.max(
      LEAST_PX_PER_MM,
      Math.min(MOST_PX_PER_MM, room / mmWide, (highPx - BETWEEN_PX - 2 * EDGE_PX) / mmHigh),
    );
  const beside = fit(rearMm + layout.widthMm, layout.heightMm + zTopMm);
  const isBeside = (room - GAP_PX) / (rearMm + layout.widthMm) >= BESIDE_PX_PER_MM;
  const pxPerMm = isBeside
    ? beside * (1 - GAP_PX / room)
    : // Aside all three are to be seen at once; else there is room to scroll.
      fit(layout.widthMm, layout.heightMm * (isBare ? 2.2 : 1) + zTopMm);
  const left = EDGE_PX + (isBeside ? rearMm * pxPerMm + GAP_PX : 0);
  const plan = boardScale(layout, pxPerMm, { x: left, y: EDGE_PX });
  const sideTopPx = plan.bottomPx + BETWEEN_PX;
  const sideBottom = sideTopPx + zTopMm * pxPerMm;
  const rearTop = sideBottom + BETWEEN_PX;
  return {
    plan,
    sideY: (zMm) => sideBottom - zMm * pxPerMm,
    rearX: (zMm) => EDGE_PX + zMm * pxPerMm,
    rearY: isBeside ? plan.y : (yMm) => rearTop + (yMm - layout.topMm) * pxPerMm,
    rearNamePx: isBeside ? plan.bottomPx + NAME_PX : rearTop - NAME_PX,
    columnPx: plan.rightPx + COLUMN_GAP_PX,
    columnWidthPx,
    sideTopPx,
    bottomPx: (isBeside ? sideBottom : rearTop + layout.heightMm * pxPerMm + NAME_PX) + 2 * EDGE_PX,
  };
}
