/** What each need should get from the accepted plan: the figure to prove, before anything is measured. */
import type { Flow } from '../flow/flow.ts';
import { flowOf } from '../flow/flowOf.ts';
import type { Job, Placement } from '../parts/job.ts';
import type { Slot } from '../parts/machine.ts';
import type { Need } from '../parts/need.ts';
import { slotInUse } from '../rules/sharing.ts';

export interface Fitted {
  readonly placement: Placement;
  readonly slot: Slot;
}

export interface Expectation {
  readonly need: Need;
  /** The card that serves the need best, or null where the plan leaves the need unmet. */
  readonly fitted: Fitted | null;
  readonly flow: Flow | null;
}

/**
 * Placements with their slots, each with the lanes the whole plan leaves it; a slot that is no longer in the
 * survey drops out.
 */
export function fittedCards(job: Job): readonly Fitted[] {
  const fitted = (job.plan?.placements ?? []).flatMap((placement) => {
    const slot = job.machine.slots.find((each) => each.id === placement.slotId);
    return slot === undefined ? [] : [{ placement, slot }];
  });
  const placed = fitted.map(({ placement: { card }, slot }) => ({ card, slot }));
  return fitted.map(({ placement, slot }) => ({
    placement,
    slot: slotInUse(slot, job.machine, placed),
  }));
}

export function expectations(job: Job): readonly Expectation[] {
  const fitted = fittedCards(job);
  return job.needs.map((need) => {
    const serving = fitted
      .flatMap((each) => {
        const flow = flowOf(each.placement.card, each.slot, need, job.machine);
        return flow === null || flow.units === 0 ? [] : [{ fitted: each, flow }];
      })
      .toSorted((a, b) => b.flow.high - a.flow.high)[0];
    return { need, fitted: serving?.fitted ?? null, flow: serving?.flow ?? null };
  });
}
