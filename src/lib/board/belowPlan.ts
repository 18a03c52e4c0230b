/** What stands in the one line below the plan: how much room a card's length has, and the name of the view under it. */
import { boardGround, elevationViews } from '$words/board';
import { shortened, textPx } from './labels';
import type { BoardScale } from './scale';

/** `textPx` is generous by itself. */
const GAP_PX = 3;
/** Less is no name any more. */
const LEAST_PX = 40;

/** @param roomMm null where nobody measured it */
export function belowPlan(
  { x, rightPx }: Pick<BoardScale, 'x' | 'rightPx'>,
  roomMm: number | null,
): { readonly room: string; readonly view: string } {
  const view = elevationViews.fromTheSide;
  if (roomMm === null) return { room: '', view };
  const allPx = rightPx - x(0) - GAP_PX;
  const isWide = textPx(boardGround.roomForLengthMm(true, roomMm)) + GAP_PX + textPx(view) <= allPx;
  const room = boardGround.roomForLengthMm(isWide, roomMm);
  const leftPx = allPx - textPx(room) - GAP_PX;
  if (textPx(view) <= leftPx) return { room, view };
  return { room, view: leftPx < LEAST_PX ? '' : shortened(view, leftPx) };
}
