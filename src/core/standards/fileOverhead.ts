/**
 * What each file costs beside its bytes: opened, named, dated, closed, and over a wire asked for each time. Seconds, least and most.
 * Common practice, no source: folders of small files copy at a few to a few tens of megabytes a second, whatever the wire.
 */
export const FILE_SECONDS = {
  wire: [0.001, 0.006],
  solidState: [0.0001, 0.0008],
  disk: [0.004, 0.015],
} as const satisfies Readonly<Record<string, readonly [number, number]>>;

/** The size that is reckoned with where nobody counted: letters, pictures, parts of programs. Common practice, no source. */
export const SMALL_FILE_BYTES = 100_000;

/** Files larger than this on average show what one large file shows. Common practice, no source. */
export const LARGE_FILE_BYTES = 50_000_000;

/** Bytes per second of files of a size, over what carries `bytesPerSecond` and takes so many seconds for each. */
export const withFileCost = (bytesPerSecond: number, size: number, seconds: number): number =>
  size / (size / bytesPerSecond + seconds);
