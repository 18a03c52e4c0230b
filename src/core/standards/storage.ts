/**
 * Drive ports. Source: Serial ATA 3.x, 6 Gb/s after 8b/10b (from memory); the band is common practice, no source.
 */
import { MEGABYTE } from '../units.ts';

export const DRIVE_SOCKETS = ['sata', 'm2'] as const;
export type DriveSocket = (typeof DRIVE_SOCKETS)[number];

interface DriveRow {
  /** What one port can carry after coding. */
  readonly portBytesPerSecond: number;
  /** What a good solid-state drive shows on it alone, low and high. */
  readonly practiceBytesPerSecond: readonly [number, number];
}

export const DRIVES: Readonly<Record<DriveSocket, DriveRow>> = {
  sata: {
    portBytesPerSecond: 600 * MEGABYTE,
    practiceBytesPerSecond: [480 * MEGABYTE, 560 * MEGABYTE],
  },
  // A Gen 3 x4 socket; see pciExpress.ts for the rate of its lanes.
  m2: {
    portBytesPerSecond: 3_938 * MEGABYTE,
    practiceBytesPerSecond: [2_800 * MEGABYTE, 3_500 * MEGABYTE],
  },
};
