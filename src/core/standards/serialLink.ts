/**
 * Fast serial ports for boxes and docks. Part of their line rate that devices behind them get as data:
 * common practice, no source – about 22 of 40 Gb/s.
 */
const DATA_SHARE = 0.55;
/** Devices behind one port, one behind the other. Source: specifications of such ports (from memory). */
export const MOST_IN_CHAIN = 6;

/**
 * What such a port is as a USB port: from 40 Gb/s on it has to carry 3.2 Gen 2, and it gives a device 3 A. Source: USB4
 * Specification 1.0 and Type-C 2.x (from memory). Older ones carry no USB of their own.
 */
export const SERIAL_LINK_USB = {
  leastGigabits: 40,
  signalling: '3.2-2',
  milliamps: 3_000,
} as const;
export const SERIAL_LINK_GIGABITS = [20, 40] as const;

export const serialLinkBytesPerSecond = (gigabits: number): number =>
  (gigabits * 1e9 * DATA_SHARE) / 8;
