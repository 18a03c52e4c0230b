/** Candidates that another one in the same slot makes superfluous. */
import { valueOf } from '../parts/fact.ts';
import { socketsOf } from '../rules/plugs.ts';
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

/** Whether what feeds `b` would feed `a` as well: each socket of `a` has one of `b` of its type that draws as much. */
function needsNoOtherPlugs(a: Candidate, b: Candidate): boolean {
  const left = socketsOf(b.card).toSorted((one, other) => other.watts - one.watts);
  return socketsOf(a.card)
    .toSorted((one, other) => other.watts - one.watts)
    .every(({ type, watts }) => {
      const at = left.findIndex((socket) => socket.type === type && socket.watts >= watts);
      if (at === -1) return false;
      left.splice(at, 1);
      return true;
    });
}
