/** Share of the radio rate that arrives. Common practice, no source: half to two thirds, never more than the internet plan. */
export const WIFI_SHARE = [1 / 2, 2 / 3] as const;
