/**
 * Drive ports. Source: Serial ATA 3.x, 6 Gb/s after 8b/10b (from memory); the band is common practice, no source.
 */
import { MEGABYTE } from '../units.ts';

export const DRIVE_SOCKETS = ['sata', 'm2'] as const;
export type DriveSocket = (typeof DRIVE_SOCKETS)[number];

/** Drives as they are wanted: on a cable, as a module over the slot's lanes, as a module that is a SATA drive. */
export const WANTED_DRIVES = ['any', 'sata', 'm2', 'm2Sata'] as const;

/** Where a drive goes: by the width of its case in inches, or as a module on a board or card. */
export const DRIVE_FORMS = ['3.5', '2.5', 'module'] as const;
export type DriveForm = (typeof DRIVE_FORMS)[number];
/** A module with chips on both sides is thicker, and wants another pad under it. */
export const MODULE_SIDES = ['single', 'double'] as const;

/** Bays of a case, by the width of what goes in, in inches. */
export const BAY_SIZES = ['5.25', '3.5', '2.5'] as const;
export type BaySize = (typeof BAY_SIZES)[number];
/** What holds a narrower drive in a wider bay. */
export type BayFrame = '5.25-to-3.5' | '5.25-to-2.5' | '3.5-to-2.5';

export const DRIVE_MEDIA = ['solidState', 'hardDisk'] as const;

/**
 * What a whole drive shows when large files are copied from or to it, low and high.
 * Common practice, no source; the SATA row is that of facts measured on good drives.
 */
export const COPY_DRIVES = ['disk', 'sata', 'nvme'] as const;
export type CopyDrive = (typeof COPY_DRIVES)[number];
const COPY_BYTES_PER_SECOND: Readonly<Record<CopyDrive, readonly [number, number]>> = {
  disk: [90 * MEGABYTE, 210 * MEGABYTE],
  sata: [480 * MEGABYTE, 560 * MEGABYTE],
  nvme: [1_200 * MEGABYTE, 3_500 * MEGABYTE],
};

/**
 * The machine's own ports for drives on cables, by their speed: what a good drive shows on one, low and high.
 * Source: Serial ATA 1.0 to 3.x, 1.5, 3 and 6 Gb/s after 8b/10b (from memory); the bands are common practice, no source.
 */
export const SATA_PORTS = ['1.5', '3', '6'] as const;
export type SataPort = (typeof SATA_PORTS)[number];
export const SATA_PORT_BYTES_PER_SECOND: Readonly<Record<SataPort, readonly [number, number]>> = {
  '1.5': [110 * MEGABYTE, 140 * MEGABYTE],
  '3': [240 * MEGABYTE, 285 * MEGABYTE],
  '6': [480 * MEGABYTE, 560 * MEGABYTE],
};

/** How several drives work as one. Common practice, no source. */
export const DRIVE_ARRAYS = ['single', 'mirror', 'stripe', 'parity'] as const;
export type DriveArray = (typeof DRIVE_ARRAYS)[number];

/**
 * What drives show together, low and high in bytes per second. A mirror reads up to the sum and writes as its
 * slowest; a stripe does the sum both ways; parity does the sum but one, writing less. Common practice, no source.
 */
export function arrayBytesPerSecond(
  drive: CopyDrive,
  array: { readonly count: number; readonly how: DriveArray },
  what: 'read' | 'write',
): readonly [number, number] {
  const [low, high] = COPY_BYTES_PER_SECOND[drive];
  const [least, most] = arrayGain(array, what);
  return [low * least, high * most];
}

/** Fewest drives that can be put together so. */
export const LEAST_DRIVES: Readonly<Record<DriveArray, number>> = {
  single: 1,
  mirror: 2,
  stripe: 2,
  parity: 3,
};
const MOST_DRIVES = 32;

/**
 * Room that drives of one size leave for data: all drives of a mirror hold the same, one drive's worth of parity holds
 * none. What a file system takes for itself is not counted. @param each in any unit, which is that of the answer
 */
export function usableOf(
  { count, how }: { readonly count: number; readonly how: DriveArray },
  each: number,
): number {
  if (how === 'mirror') return each;
  return how === 'parity' ? Math.max(0, count - 1) * each : count * each;
}

/** Fewest drives of this size that leave so much room; the most there may be where no number of them does. */
export function drivesFor(how: DriveArray, usable: number, each: number): number {
  for (let count = LEAST_DRIVES[how]; count < MOST_DRIVES; count += 1)
    if (usableOf({ count, how }, each) >= usable) return count;
  return how === 'mirror' ? LEAST_DRIVES.mirror : MOST_DRIVES;
}

/** How many times one drive's rate an array shows, at least and at most. */
export function arrayGain(
  { count, how }: { readonly count: number; readonly how: DriveArray },
  what: 'read' | 'write',
): readonly [number, number] {
  if (how === 'single') return [1, 1];
  if (how === 'stripe') return [count, count];
  if (how === 'parity') {
    // Parity has to be reckoned and written as well, the slower the less the controller helps.
    const most = Math.max(1, count - 1);
    return what === 'read' ? [1, most] : [0.5, most];
  }
  return what === 'read' ? [1, count] : [1, 1];
}

interface DriveRow {
  /** What one port can carry after coding. */
  readonly portBytesPerSecond: number;
  /** What a good solid-state drive shows on it alone, low and high. */
  readonly practiceBytesPerSecond: readonly [number, number];
}

/** Of what is printed on a drive large files show so much, at least. Common practice, no source. */
const SHOWN_OF_RATED = 0.85;
export const showsOfRated = (rated: number): readonly [number, number] => [
  rated * SHOWN_OF_RATED,
  rated,
];

/** From this share of what it is rated for on a drive counts as worn. Common practice, no source. */
export const WORN_SHARE = 0.8;

/** The generation of the lanes that a module of the usual kind has. */
const USUAL_GENERATION = 3;

/**
 * What a port shows at large files, low and high in bytes per second, with a drive behind it that is fast enough.
 * @param generation of the lanes behind a module; null: the usual one
 */
export function portPractice(
  socket: DriveSocket,
  generation: number | null,
): readonly [number, number] {
  const [low, high] = DRIVES[socket].practiceBytesPerSecond;
  // Each generation carries twice what the one before it does.
  const times = socket === 'm2' ? 2 ** ((generation ?? USUAL_GENERATION) - USUAL_GENERATION) : 1;
  return [low * times, high * times];
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
