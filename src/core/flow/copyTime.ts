/** How long a copy takes: a size at a rate, and many small files, each of which costs time by itself. */

/** For opening, naming and closing one small file over a network, from good to bad. Common practice, no source. */
const SECONDS_A_FILE: readonly [number, number] = [0.000_5, 0.005];

export interface CopyTime {
  readonly leastSeconds: number;
  readonly mostSeconds: number;
}

/**
 * @param bytes of all files together @param files how many there are
 * @param rate bytes per second, from what to reckon with to the most
 */
export function copyTime(
  { bytes, files }: { readonly bytes: number; readonly files: number },
  rate: { readonly low: number; readonly high: number },
): CopyTime {
  return {
    leastSeconds: bytes / rate.high + files * SECONDS_A_FILE[0],
    mostSeconds: bytes / rate.low + files * SECONDS_A_FILE[1],
  };
}
