/**
 * Screen modes and what a screen output carries.
 * Sources: VESA CVT 1.2 for the timings; DisplayPort 1.2/1.4, its small connector and its way over Type-C, HDMI 1.4b/2.0 and
 * DVI for the payloads (from memory).
 */

export interface ScreenMode {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly refreshHz: number;
}

/** Sockets of screens, as a screen's own report tells them apart; `digital` where it does not say which. */
export const SCREEN_INPUTS = [
  'analogue',
  'digital',
  'dvi',
  'hdmi',
  'displayport',
  'miniDisplayport',
  'usbC',
] as const;
export type ScreenInput = (typeof SCREEN_INPUTS)[number];

/** What an output is joined to: a screen, or the input of another card in the same machine. */
export const SCREEN_ENDS = ['screen', 'card'] as const;

/** Hardware that encodes films while they run. */
export const ENCODINGS = ['h264', 'h265', 'av1'] as const;
export type Encoding = (typeof ENCODINGS)[number];

export const OUTPUT_SIGNALS = [
  'dp-hbr2',
  'dp-hbr3',
  'dp-uhbr10',
  'minidp-hbr2',
  'minidp-hbr3',
  'usbc-hbr2',
  'usbc-hbr3',
  'hdmi-340',
  'hdmi-600',
  'hdmi-frl48',
  'dvi',
  'dvi-dual',
  'vga',
] as const;
export type OutputSignal = (typeof OUTPUT_SIGNALS)[number];

/**
 * Gigabits per second of HDMI's fixed-rate links, all lanes together, by the code of a screen's report.
 * Source: HDMI 2.1, table of Max_FRL_Rate (from memory): 3 × 3, 3 × 6, 4 × 6, 4 × 8, 4 × 10, 4 × 12.
 */
export const FRL_GIGABITS: readonly number[] = [0, 9, 18, 24, 32, 40, 48];
/** Of a fixed-rate link, what is picture: 16 of 18 bits. Source: HDMI 2.1 (from memory). */
const FRL_PAYLOAD = 16 / 18;

/** The fastest that a screen's HDMI input takes, in bits per second; null where its report does not say. */
export function hdmiBitsPerSecond(
  clockHz: number | null,
  frlGigabits: number | null,
): number | null {
  if (clockHz === null && frlGigabits === null) return null;
  return Math.max((clockHz ?? 0) * BITS_PER_PIXEL, (frlGigabits ?? 0) * 1e9 * FRL_PAYLOAD);
}

interface OutputRow {
  /** The socket it comes out of. */
  readonly socket: ScreenInput;
  /** Payload. */
  readonly bitsPerSecond: number;
}

/** Bits of a pixel at eight bits a colour; DVI and analogue limits are pixel clocks at this depth. */
const BITS_PER_PIXEL = 24;

export const OUTPUTS: Readonly<Record<OutputSignal, OutputRow>> = {
  'dp-hbr2': { socket: 'displayport', bitsPerSecond: 17.28e9 },
  'dp-hbr3': { socket: 'displayport', bitsPerSecond: 25.92e9 },
  'dp-uhbr10': { socket: 'displayport', bitsPerSecond: 38.69e9 },
  'minidp-hbr2': { socket: 'miniDisplayport', bitsPerSecond: 17.28e9 },
  'minidp-hbr3': { socket: 'miniDisplayport', bitsPerSecond: 25.92e9 },
  'usbc-hbr2': { socket: 'usbC', bitsPerSecond: 17.28e9 },
  'usbc-hbr3': { socket: 'usbC', bitsPerSecond: 25.92e9 },
  'hdmi-340': { socket: 'hdmi', bitsPerSecond: 8.16e9 },
  'hdmi-600': { socket: 'hdmi', bitsPerSecond: 14.4e9 },
  'hdmi-frl48': { socket: 'hdmi', bitsPerSecond: 42.67e9 },
  dvi: { socket: 'dvi', bitsPerSecond: 165e6 * BITS_PER_PIXEL },
  'dvi-dual': { socket: 'dvi', bitsPerSecond: 330e6 * BITS_PER_PIXEL },
  // Converters of this age reach about 200 MHz. Common practice, no source.
  vga: { socket: 'analogue', bitsPerSecond: 200e6 * BITS_PER_PIXEL },
};

export const SCREEN_ADAPTERS = [
  'dp-hdmi-passive',
  'dp-hdmi-active',
  'dp-dvi-passive',
  'dp-dvi-dual-active',
  'dp-vga-active',
  'hdmi-dvi-passive',
  'hdmi-vga-active',
  'hdmi-dp-active',
  'dvi-hdmi-passive',
  'minidp-dp-passive',
  'minidp-hdmi-passive',
  'minidp-dvi-passive',
  'minidp-vga-active',
  'usbc-dp-passive',
  'usbc-hdmi-active',
] as const;
export type ScreenAdapter = (typeof SCREEN_ADAPTERS)[number];

interface AdapterRow {
  readonly from: ScreenInput;
  readonly to: ScreenInput;
  /** Active ones convert the signal; passive ones rely on the output to speak the other's language. */
  readonly active: boolean;
  readonly bitsPerSecond: number;
}

/** Source: VESA DisplayPort Dual-Mode 1.1, DVI 1.0 (from memory); rates of active ones are common practice, no source. */
export const ADAPTERS: Readonly<Record<ScreenAdapter, AdapterRow>> = {
  'dp-hdmi-passive': adapter('displayport', 'hdmi', false, 300e6),
  'dp-hdmi-active': adapter('displayport', 'hdmi', true, 600e6),
  'dp-dvi-passive': adapter('displayport', 'dvi', false, 165e6),
  'dp-dvi-dual-active': adapter('displayport', 'dvi', true, 330e6),
  'dp-vga-active': adapter('displayport', 'analogue', true, 200e6),
  'hdmi-dvi-passive': adapter('hdmi', 'dvi', false, 165e6),
  'hdmi-vga-active': adapter('hdmi', 'analogue', true, 165e6),
  'hdmi-dp-active': adapter('hdmi', 'displayport', true, 600e6),
  'dvi-hdmi-passive': adapter('dvi', 'hdmi', false, 165e6),
  // The same signal in another plug: all that the output gives.
  'minidp-dp-passive': adapter('miniDisplayport', 'displayport', false, 1_080e6),
  'minidp-hdmi-passive': adapter('miniDisplayport', 'hdmi', false, 300e6),
  'minidp-dvi-passive': adapter('miniDisplayport', 'dvi', false, 165e6),
  'minidp-vga-active': adapter('miniDisplayport', 'analogue', true, 200e6),
  'usbc-dp-passive': adapter('usbC', 'displayport', false, 1_080e6),
  'usbc-hdmi-active': adapter('usbC', 'hdmi', true, 600e6),
};

function adapter(
  from: ScreenInput,
  to: ScreenInput,
  active: boolean,
  pixelClockHz: number,
): AdapterRow {
  return { from, to, active, bitsPerSecond: pixelClockHz * BITS_PER_PIXEL };
}

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

/** No reduced blanking, for analogue screens; its first version; its second. */
export type Blanking = 'none' | 1 | 2;

/** Pixel clock in hertz of a mode with CVT blanking of the given version. */
export function pixelClockHz(mode: ScreenMode, version: Blanking = 1): number {
  return version === 'none' ? fullBlankingClockHz(mode) : reducedClockHz(mode, BLANKING[version]);
}

function reducedClockHz(mode: ScreenMode, blanking: BlankingRow): number {
  const activePx = Math.floor(mode.widthPx / blanking.cellPx) * blanking.cellPx;
  const linePeriod = (1e6 / mode.refreshHz - blanking.minimumBlankMicroseconds) / mode.heightPx;
  const syncLines = blanking.syncLines ?? syncLinesByAspect(activePx, mode.heightPx);
  const blankLines = Math.max(
    Math.floor(blanking.minimumBlankMicroseconds / linePeriod) + 1,
    blanking.frontPorchLines + syncLines + blanking.backPorchLines,
  );
  const exactHz =
    mode.refreshHz * (mode.heightPx + blankLines) * (activePx + blanking.horizontalBlankPx);
  return Math.floor(exactHz / blanking.clockStepHz) * blanking.clockStepHz;
}

/** Figures of CVT 1.2, section 5.3: cells, porches in lines, sync and back porch in microseconds, the blanking line. */
const FULL = {
  cellPx: 8,
  frontPorchLines: 3,
  syncAndBackPorchMicroseconds: 550,
  dutyPercent: 30,
  dutyPercentPerMillisecond: 300,
  leastDutyPercent: 20,
  clockStepMegahertz: 0.25,
} as const;

function fullBlankingClockHz({ widthPx, heightPx, refreshHz }: ScreenMode): number {
  const activePx = Math.floor(widthPx / FULL.cellPx) * FULL.cellPx;
  const lineMicroseconds =
    (1e6 / refreshHz - FULL.syncAndBackPorchMicroseconds) / (heightPx + FULL.frontPorchLines);
  // How much of a line is blank grows as lines get longer, and a line is timed by the estimate above.
  const duty = Math.max(
    FULL.leastDutyPercent,
    FULL.dutyPercent - (FULL.dutyPercentPerMillisecond * lineMicroseconds) / 1000,
  );
  const blankPx =
    Math.floor((activePx * duty) / (100 - duty) / (2 * FULL.cellPx)) * 2 * FULL.cellPx;
  const megahertz = (activePx + blankPx) / lineMicroseconds;
  return Math.floor(megahertz / FULL.clockStepMegahertz) * FULL.clockStepMegahertz * 1e6;
}

/** Bits per second a mode needs of an output or an adapter. */
export function modeBitsPerSecond(
  mode: ScreenMode,
  bitsPerColour: 8 | 10 = 8,
  blanking: Blanking = 1,
): number {
  return pixelClockHz(mode, blanking) * bitsPerColour * 3;
}

/** Lines of sync tell the aspect ratio, where the mode has one of these exactly. */
function syncLinesByAspect(activePx: number, heightPx: number): number {
  const match = SYNC_LINES_BY_ASPECT.find(
    ([across, down]) => heightPx * across === activePx * down && heightPx % down === 0,
  );
  return match?.[2] ?? SYNC_LINES_OTHERWISE;
}
