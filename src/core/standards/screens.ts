/**
 * Screen modes and what a screen output carries.
 * Sources: VESA CVT 1.2 for the timings; DisplayPort 1.2/1.4, HDMI 1.4b/2.0 and DVI for the payloads (from memory).
 */

export interface ScreenMode {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly refreshHz: number;
}

export const OUTPUT_SIGNALS = ['dp-hbr2', 'dp-hbr3', 'hdmi-340', 'hdmi-600', 'dvi'] as const;
export type OutputSignal = (typeof OUTPUT_SIGNALS)[number];

/** Payload of an output in bits per second. */
export const OUTPUT_BITS_PER_SECOND: Readonly<Record<OutputSignal, number>> = {
  'dp-hbr2': 17.28e9,
  'dp-hbr3': 25.92e9,
  'hdmi-340': 8.16e9,
  'hdmi-600': 14.4e9,
  dvi: 165e6 * 24,
};

interface BlankingRow {
  readonly cellPx: number;
  readonly horizontalBlankPx: number;
  readonly clockStepHz: number;
  readonly minimumBlankMicroseconds: number;
  readonly frontPorchLines: number;
  readonly backPorchLines: number;
  /** Fixed lines of vertical sync, or null where the aspect ratio decides. */
  readonly syncLines: number | null;
}

/** CVT reduced blanking, first and second version. */
const BLANKING: Readonly<Record<1 | 2, BlankingRow>> = {
  1: {
    cellPx: 8,
    horizontalBlankPx: 160,
    clockStepHz: 250_000,
    minimumBlankMicroseconds: 460,
    frontPorchLines: 3,
    backPorchLines: 7,
    syncLines: null,
  },
  2: {
    cellPx: 1,
    horizontalBlankPx: 80,
    clockStepHz: 1_000,
    minimumBlankMicroseconds: 460,
    frontPorchLines: 1,
    backPorchLines: 6,
    syncLines: 8,
  },
};

const SYNC_LINES_BY_ASPECT: readonly (readonly [number, number, number])[] = [
  [4, 3, 4],
  [16, 9, 5],
  [16, 10, 6],
  [5, 4, 7],
  [15, 9, 7],
];
const SYNC_LINES_OTHERWISE = 10;

/** Pixel clock in hertz of a mode with CVT reduced blanking of the given version. */
export function pixelClockHz(mode: ScreenMode, version: 1 | 2 = 1): number {
  const blanking = BLANKING[version];
  const activePx = Math.floor(mode.widthPx / blanking.cellPx) * blanking.cellPx;
  const linePeriod = (1e6 / mode.refreshHz - blanking.minimumBlankMicroseconds) / mode.heightPx;
  const syncLines =
    blanking.syncLines ?? syncLinesByAspect(activePx, mode.heightPx, blanking.cellPx);
  const blankLines = Math.max(
    Math.floor(blanking.minimumBlankMicroseconds / linePeriod) + 1,
    blanking.frontPorchLines + syncLines + blanking.backPorchLines,
  );
  const exactHz =
    mode.refreshHz * (mode.heightPx + blankLines) * (activePx + blanking.horizontalBlankPx);
  return Math.floor(exactHz / blanking.clockStepHz) * blanking.clockStepHz;
}

/** Bits per second a mode needs of an output. */
export function modeBitsPerSecond(mode: ScreenMode, bitsPerPixel = 24): number {
  return pixelClockHz(mode) * bitsPerPixel;
}

function syncLinesByAspect(activePx: number, heightPx: number, cellPx: number): number {
  const match = SYNC_LINES_BY_ASPECT.find(
    ([across, down]) => cellPx * Math.floor((heightPx * across) / down / cellPx) === activePx,
  );
  return match?.[2] ?? SYNC_LINES_OTHERWISE;
}
