/** Share of the radio rate that arrives. Common practice, no source: half to two thirds, never more than the internet plan. */
export const WIFI_SHARE = [1 / 2, 2 / 3] as const;

/** Bands of radio in gigahertz. Source: IEEE 802.11n/ac/ax (from memory). */
export const WIFI_BANDS = ['2.4', '5', '6'] as const;
export type WifiBand = (typeof WIFI_BANDS)[number];
