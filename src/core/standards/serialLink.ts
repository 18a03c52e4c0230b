/**
 * Fast serial ports for boxes and docks. Part of their line rate that devices behind them get as data:
 * common practice, no source – about 22 of 40 Gb/s.
 */
const DATA_SHARE = 0.55;
export const SERIAL_LINK_GIGABITS = [20, 40] as const;

export const serialLinkBytesPerSecond = (gigabits: number): number =>
  (gigabits * 1e9 * DATA_SHARE) / 8;
