/**
 * Screen modes and what a screen output carries.
 * Sources: VESA CVT 1.2 for the timings; DisplayPort 1.2/1.4, HDMI 1.4b/2.0 and DVI for the payloads (from memory).
 */

export interface ScreenMode {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly refreshHz: number;
}

/** Sockets of screens, as a screen's own report tells them apart. */
export const SCREEN_INPUTS = ['analogue', 'digital', 'dvi', 'hdmi', 'displayport'] as const;
export type ScreenInput = (typeof SCREEN_INPUTS)[number];

export const OUTPUT_SIGNALS = ['dp-hbr2', 'dp-hbr3', 'hdmi-340', 'hdmi-600', 'dvi'] as const;
export type OutputSignal = (typeof OUTPUT_SIGNALS)[number];

/**
 * Modes named by a video code in a screen's report: those of a desktop's screen, not of television's other rasters.
 * Source: CTA-861-H, table of video codes (from memory; checked row by row against `edid-decode --list-vics`).
 */
const ctaMode = (
  widthPx: number,
  heightPx: number,
  refreshHz: number,
  megahertz: number,
): ScreenMode & { readonly pixelClockHz: number } => ({
  widthPx,
  heightPx,
  refreshHz,
  pixelClockHz: megahertz * 1e6,
});
export const CTA_MODES: ReadonlyMap<number, ReturnType<typeof ctaMode>> = new Map([
  [4, ctaMode(1280, 720, 60, 74.25)],
  [16, ctaMode(1920, 1080, 60, 148.5)],
  [19, ctaMode(1280, 720, 50, 74.25)],
  [31, ctaMode(1920, 1080, 50, 148.5)],
  [32, ctaMode(1920, 1080, 24, 74.25)],
  [33, ctaMode(1920, 1080, 25, 74.25)],
  [34, ctaMode(1920, 1080, 30, 74.25)],
  [63, ctaMode(1920, 1080, 120, 297)],
  [64, ctaMode(1920, 1080, 100, 297)],
  [93, ctaMode(3840, 2160, 24, 297)],
  [94, ctaMode(3840, 2160, 25, 297)],
  [95, ctaMode(3840, 2160, 30, 297)],
  [96, ctaMode(3840, 2160, 50, 594)],
  [97, ctaMode(3840, 2160, 60, 594)],
  [102, ctaMode(4096, 2160, 60, 594)],
  [107, ctaMode(3840, 2160, 60, 594)],
]);

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
