/** Candidates that another one in the same slot makes superfluous. */
import { valueOf } from '../parts/fact.ts';
import { missingPlug } from '../rules/power.ts';
import type { Candidate } from './candidates.ts';

/**
 * Leaves out every candidate that could be exchanged, in any plan, for another one in the same slot that costs
 * no more, takes up no more of anything and gives no less. Of two that are equal the first stays.
 */
export function undominated(candidates: readonly Candidate[]): readonly Candidate[] {
  return candidates.filter(
    (candidate, n) =>
      !candidates.some(
        (other, m) =>
          m !== n && dominates(other, candidate) && (m < n || !dominates(candidate, other)),
      ),
  );
}

function dominates(a: Candidate, b: Candidate): boolean {
  return (
    a.slot.id === b.slot.id &&
    a.kind === b.kind &&
    // Reckoning with fewer lanes stands beside more other cards; what takes lanes elsewhere is the signal alone.
    lanesOf(a) <= lanesOf(b) &&
    a.card.m2?.signal === b.card.m2?.signal &&
    a.priceCents <= b.priceCents &&
    a.priceCents + a.troubleCents <= b.priceCents + b.troubleCents &&
    a.card.openings <= b.card.openings &&
    a.card.peakWatts <= b.card.peakWatts &&
    needsNoOtherPlugs(a, b) &&
    [...b.units].every(([needId, units]) => (a.units.get(needId) ?? 0) >= units)
  );
}

const lanesOf = ({ slot }: Candidate): number => valueOf(slot.lanes) ?? Infinity;

/** Whether the plugs that serve `b` serve `a` as well, socket for socket. */
const needsNoOtherPlugs = (a: Candidate, b: Candidate): boolean =>
  missingPlug(
    a.card.sockets,
    b.card.sockets.map((type) => ({ type, count: 1 })),
  ) === null;
