/** Chance of a machine that runs, from a seed: what its parts really are within their bands, and how measurements wobble. */
import { randomLcg, randomNormal, randomUniform } from 'd3-random';

export interface Chance {
  /** Anywhere in a band. */
  readonly within: (band: readonly [number, number]) => number;
  /** One around which measurements wobble by a share. */
  readonly wobble: (share: number) => number;
  readonly oneOf: <Each>(list: readonly Each[]) => Each;
}

/** @param seed any whole number; the same gives the same machine */
export function chanceOf(seed: number): Chance {
  const source = randomLcg(((seed * 2_654_435_761) % 4_294_967_296) / 4_294_967_296);
  // The first numbers of neighbouring seeds lie close together.
  for (let n = 0; n < 8; n += 1) source();
  const uniform = randomUniform.source(source);
  const normal = randomNormal.source(source);
  return {
    within: ([low, high]) => uniform(low, high)(),
    wobble: (share) => Math.max(0.01, normal(1, share)()),
    oneOf: (list) => list[Math.floor(uniform(list.length)())]!,
  };
}
