/** Ports that work as one. */
import type { Need, NeedOf } from '../need.ts';

/** How many ports a need wants to show the sum of, and that sum; null: each works by itself. */
export const teamWanted = (
  need: Need,
): Pick<NeedOf<'network'>, 'ports' | 'bytesPerSecond'> | null =>
  need.kind === 'network' && need.team === 'throughput' ? need : null;
