/** What keys and dragged cards mean on the drawing. */

/** Where the arrow keys point. */
export const ARROWS: Readonly<Record<string, readonly [dx: number, dy: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** What a card being dragged from a list to the board carries: its id in the catalogue. */
export const CARD_DRAG = 'application/x-tenant-card';
