/** Where millimetres of the board lie on the screen: every line of the drawing goes through here. */
import type { Rectangle } from '$core/placement';

export interface BoardScale {
  readonly pxPerMm: number;
  /** Pixels from the drawing's left and upper edge. */
  readonly x: (mm: number) => number;
  readonly y: (mm: number) => number;
  readonly rect: (of: Rectangle) => { x: number; y: number; width: number; height: number };
  /** The edges of what is drawn to scale; words stand beyond them. */
  readonly rightPx: number;
  readonly bottomPx: number;
}

/**
 * @param area what is drawn, in millimetres from the rear and from the upper edge of the board
 * @param at where its corner stands on the sheet
 */
export function boardScale(
  area: {
    readonly leftMm: number;
    readonly topMm: number;
    readonly widthMm: number;
    readonly heightMm: number;
  },
  pxPerMm: number,
  at: { readonly x: number; readonly y: number } = { x: 0, y: 0 },
): BoardScale {
  const x = (mm: number) => at.x + (mm - area.leftMm) * pxPerMm;
  const y = (mm: number) => at.y + (mm - area.topMm) * pxPerMm;
  return {
    pxPerMm,
    x,
    y,
    rect: (of) => ({
      x: x(of.xMm),
      y: y(of.yMm),
      width: of.widthMm * pxPerMm,
      height: of.depthMm * pxPerMm,
    }),
    rightPx: at.x + area.widthMm * pxPerMm,
    bottomPx: at.y + area.heightMm * pxPerMm,
  };
}
