/** The numbers that the view from behind gives to the sockets which a task is about. */
import { rearLeads } from '$core/assembly';
import type { LeadEnd, Need } from '$core/kinds';
import type { Machine } from '$core/document';
import type { Step } from '$core/procedure';
import type { CardOnSlot } from '$lib/board/layout';

const LEADS_TO: Readonly<Partial<Record<Step['code'], LeadEnd['to']>>> = {
  moveScreenLead: 'screen',
  joinLoop: 'otherCard',
  joinAerials: 'aerial',
};

/** In their order; none for a task that is about no socket there. */
export function rearNumbers(
  { code, on, slotId }: Step,
  placed: readonly CardOnSlot[],
  needs: readonly Need[],
  machine: Machine,
): readonly number[] {
  const end = LEADS_TO[code];
  if (end === undefined && code !== 'joinRear') return [];
  const seen = placed.filter(({ isLater }) => isLater !== true);
  const groups = rearLeads(seen, needs, machine).flatMap(({ slotId: at, sockets }) =>
    sockets.map((group, n) => ({ at, n, to: group.end.to })),
  );
  return groups.flatMap(({ at, n, to }, before) =>
    at === slotId && (end === undefined ? n === on.socket : to === end) ? before + 1 : [],
  );
}
