import type { Obstacle } from '$core/document';
import type { Said } from './figures';

/** Of `Board.svelte`. */
export const board = {
  theMachineToScaleFrom: 'The machine, to scale: from above, from the side, from behind',
  theBoardToScale: 'The board, to scale',
  slotsFromTheProcessorsEnd: 'Slots from the processor’s end',
  openingNotToldYet: 'Opening not told yet',
  obstacleAt: ({ name, xMm, yMm, widthMm, depthMm }: Obstacle) =>
    `${name}: ${xMm} / ${yMm} mm, ${widthMm} × ${depthMm} mm`,
  facesOpening: (label: Said, opening: number | null) =>
    `${label}: faces opening ${opening ?? '?'}`,
  mm: (label: Said, xMm: Said, yMm: Said) => `${label}: ${xMm} / ${yMm} mm`,
};

/** Of `BoardGround.svelte`. */
export const boardGround = {
  roomForLengthMm: (isWide: boolean, roomMm: Said) =>
    `${isWide ? 'room for length ' : ''}${roomMm} mm`,
};

/** Of `ElevationViews.svelte`. */
export const elevationViews = {
  fromTheSide: 'From the side',
  fromBehind: 'From behind',
  n50Mm: '50 mm',
};

/** Of `ObstacleHandles.svelte`. */
export const obstacleHandles = {
  obstacleHandle: ({ name, xMm, yMm, widthMm, depthMm }: Obstacle) =>
    `${name}: ${xMm} mm from the rear, ${yMm} mm down, ${widthMm} by ${depthMm} mm. Arrows move it, with Alt they stretch it, with Shift by ten`,
};

/** Of `Tally.svelte`. */
export const tally = {
  tally: 'Tally',
  n12V: (name: Said) => `12 V, ${name}`,
  n12VLoad: '12 V load',
  ofWOver: (load: Said, limit: Said, over: boolean) =>
    `${load} of ${limit} W${over ? ', over' : ''}`,
  lanesInUse: 'Lanes in use',
  ofKnown: (used: Said, wired: Said) => `${used} of ${wired} known`,
  price: 'Price',
  atLeast: 'at least ',
  of: (budgetCents: Said) => ` of ${budgetCents}`,
  over: ', over',
  factsUnknown: 'Facts unknown',
  none: 'none',
};

/** Of `elevations.ts`. */
export const elevations = {
  highTooHigh: (heightMm: Said, coverMm: boolean) =>
    `${heightMm} high${coverMm ? ', too high' : ''}`,
  fan: (name: Said) => `Fan, ${name}`,
  airFree: 'air free',
  ofMmOfAir: (thereMm: Said, airMm: Said) => `${thereMm} of ${airMm} mm of air`,
  cover: 'Cover',
  mm: (coverMm: Said) => `${coverMm} mm`,
  fullBracket: 'Full bracket',
  lowBracket: 'Low bracket',
  ofTheBoard: 'of the board',
};

/** Of `rows.ts`. */
export const rows = {
  isIn: 'is in',
  comesOut: 'comes out',
  forLater: 'for later',
  mm: (lengthMm: Said) => `${lengthMm} mm`,
  highMovable: (heightMm: Said, movable: boolean) =>
    `${heightMm} high${movable ? ', movable' : ''}`,
  planned: 'planned',
  tried: 'tried',
};

/** Of `slotWords.ts`. */
export const slotWords = {
  classicPci133MbS: 'classic PCI, 133 MB/s shared',
  m2Key: (key: Said) => `M.2 key ${key}`,
  toMm: (max: Said) => `to ${max} mm`,
  orX: (value: Said) => ` or x${value}?`,
  allWired: 'all wired',
  wiredX: (lanes: Said) => `wired x${lanes}`,
  gen: 'Gen ?',
  gen2: (generation: Said) => `Gen ${generation}`,
  movedHere: (name: Said) => `${name}, moved here`,
  movesAway: 'moves away',
  comesOut: 'comes out',
};
