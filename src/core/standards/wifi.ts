/**
 * Radio. Source: IEEE 802.11n/ac/ax/be, rates of one stream at the shortest guard interval (from memory; the widths of
 * the design's table are checked against it).
 */

/** Bands of radio in gigahertz. Source: IEEE 802.11n/ac/ax (from memory). */
export const WIFI_BANDS = ['2.4', '5', '6'] as const;
export type WifiBand = (typeof WIFI_BANDS)[number];

export const RADIO_STANDARDS = ['n', 'ac', 'ax', 'be'] as const;
export type RadioStandard = (typeof RADIO_STANDARDS)[number];

/** Megabits per second of one stream by the width of the channel in megahertz. */
const STREAM_MEGABITS: Readonly<Record<RadioStandard, readonly (readonly [number, number])[]>> = {
  n: [
    [20, 72.2],
    [40, 150],
  ],
  ac: [
    [20, 86.7],
    [40, 200],
    [80, 433.3],
    [160, 866.7],
  ],
  ax: [
    [20, 143.4],
    [40, 286.8],
    [80, 600.5],
    [160, 1201],
  ],
  be: [
    [20, 172.1],
    [40, 344.1],
    [80, 720.6],
    [160, 1441.2],
    [320, 2882.4],
  ],
};

/**
 * The rate of a link, in megabits per second. A channel wider than the standard knows works at its widest.
 * @param channelMhz null: the widest of the standard
 */
export function radioMegabits(
  standard: RadioStandard,
  channelMhz: number | null,
  streams: number,
): number {
  const rows = STREAM_MEGABITS[standard];
  const fitting = rows.filter(([width]) => width <= (channelMhz ?? Infinity));
  return streams * (fitting.at(-1) ?? rows[0]!)[1];
}

export const DISTANCES = ['sameRoom', 'nextRoom', 'far'] as const;
export type Distance = (typeof DISTANCES)[number];

/** Share of the radio rate that arrives. Common practice, no source: half to two thirds, and less through walls. */
export const WIFI_SHARE: Readonly<Record<Distance, readonly [number, number]>> = {
  sameRoom: [1 / 2, 2 / 3],
  nextRoom: [1 / 4, 1 / 2],
  far: [1 / 16, 1 / 4],
};
