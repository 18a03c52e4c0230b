/** Of `Board.svelte`. */
export const board = {
  theMachineToScaleFrom: 'The machine, to scale: from above, from the side, from behind',
  theBoardToScale: 'The board, to scale',
  slotsFromTheProcessorsEnd: 'Slots from the processor’s end',
  openingNotToldYet: 'Opening not told yet',
  mmMm: ({
    name,
    xMm,
    yMm,
    widthMm,
    depthMm,
  }: {
    name: string | number;
    xMm: string | number;
    yMm: string | number;
    widthMm: string | number;
    depthMm: string | number;
  }) => `${name}: ${xMm} / ${yMm} mm, ${widthMm} × ${depthMm} mm`,
  facesOpening: (label: string | number, opening: number | null) =>
    `${label}: faces opening ${opening ?? '?'}`,
  mm: (label: string | number, xMm: string | number, yMm: string | number) =>
    `${label}: ${xMm} / ${yMm} mm`,
};

/** Of `BoardGround.svelte`. */
export const boardGround = {
  roomForLengthMm: (rightPx: boolean, roomMm: string | number) =>
    `${rightPx ? 'room for length ' : ''}${roomMm} mm`,
};

/** Of `ElevationViews.svelte`. */
export const elevationViews = {
  fromTheSide: 'From the side',
  fromBehind: 'From behind',
  n50Mm: '50 mm',
};

/** Of `ObstacleHandles.svelte`. */
export const obstacleHandles = {
  mmFromTheRearMm: ({
    name,
    xMm,
    yMm,
    widthMm,
    depthMm,
  }: {
    name: string | number;
    xMm: string | number;
    yMm: string | number;
    widthMm: string | number;
    depthMm: string | number;
  }) =>
    `${name}: ${xMm} mm from the rear, ${yMm} mm down, ${widthMm} by ${depthMm} mm. Arrows move it, with Alt they stretch it, with Shift by ten`,
};

/** Of `Tally.svelte`. */
export const tally = {
  tally: 'Tally',
  n12V: (name: string | number) => `12 V, ${name}`,
  n12VLoad: '12 V load',
  ofWOver: (load: string | number, limit: string | number, over: boolean) =>
    `${load} of ${limit} W${over ? ', over' : ''}`,
  lanesInUse: 'Lanes in use',
  ofKnown: (used: string | number, wired: string | number) => `${used} of ${wired} known`,
  price: 'Price',
  atLeast: 'at least ',
  of: (budgetCents: string | number) => ` of ${budgetCents}`,
  over: ', over',
  factsUnknown: 'Facts unknown',
  none: 'none',
};

/** Of `elevations.ts`. */
export const elevations = {
  highTooHigh: (heightMm: string | number, coverMm: boolean) =>
    `${heightMm} high${coverMm ? ', too high' : ''}`,
  fan: (name: string | number) => `Fan, ${name}`,
  airFree: 'air free',
  ofMmOfAir: (thereMm: string | number, airMm: string | number) =>
    `${thereMm} of ${airMm} mm of air`,
  cover: 'Cover',
  mm: (coverMm: string | number) => `${coverMm} mm`,
  fullBracket: 'Full bracket',
  lowBracket: 'Low bracket',
  ofTheBoard: 'of the board',
};

/** Of `rows.ts`. */
export const rows = {
  isIn: 'is in',
  comesOut: 'comes out',
  forLater: 'for later',
  mm: (lengthMm: string | number) => `${lengthMm} mm`,
  highMovable: (heightMm: string | number, movable: boolean) =>
    `${heightMm} high${movable ? ', movable' : ''}`,
  planned: 'planned',
  tried: 'tried',
};

/** Of `slotWords.ts`. */
export const slotWords = {
  classicPci133MbS: 'classic PCI, 133 MB/s shared',
  m2Key: (key: string | number) => `M.2 key ${key}`,
  toMm: (max: string | number) => `to ${max} mm`,
  orX: (value: string | number) => ` or x${value}?`,
  allWired: 'all wired',
  wiredX: (lanes: string | number) => `wired x${lanes}`,
  gen: 'Gen ?',
  gen2: (generation: string | number) => `Gen ${generation}`,
  movedHere: (name: string | number) => `${name}, moved here`,
  movesAway: 'moves away',
  comesOut: 'comes out',
};
