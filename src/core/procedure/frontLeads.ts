/** Which lead of the front panel goes to which card: where several could take it, to the one that serves the front. */
import { valueOf } from '../parts/fact.ts';
import type { Job } from '../parts/job.ts';
import { expectations, type Fitted } from '../proof/expect.ts';
import type { FrontLead } from '../standards/headers.ts';

/** By slot. While no lead of the case is told, each card has its own to ask for. */
export function frontLeadsOf(
  job: Job,
  fitted: readonly Fitted[],
): ReadonlyMap<string, readonly FrontLead[]> {
  const there = valueOf(job.machine.case.frontLeads);
  const free = there?.map(({ type }) => type) ?? null;
  const serving = new Set(
    expectations(job).flatMap(({ need, fitted: by }) =>
      (need.kind === 'usb' && need.where === 'front') || (need.kind === 'sound' && need.front)
        ? (by?.slot.id ?? [])
        : [],
    ),
  );
  const joined = new Map<string, readonly FrontLead[]>();
  const order = fitted.toSorted(
    (a, b) => Number(serving.has(b.slot.id)) - Number(serving.has(a.slot.id)),
  );
  for (const { placement, slot } of order) {
    if (slot.enclosureId !== null) continue;
    const own = placement.card.frontHeaders.flatMap(({ type }): readonly FrontLead[] => {
      if (free === null) return [type];
      const at = free.indexOf(type);
      return at === -1 ? [] : free.splice(at, 1);
    });
    joined.set(slot.id, own);
  }
  return joined;
}
