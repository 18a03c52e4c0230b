/** What each need should get from the accepted plan: the figure to prove, before anything is measured. */
import type { Flow } from '../flow/flow.ts';
import { flowOf } from '../flow/flowOf.ts';
import type { Job, Placement } from '../parts/job.ts';
import type { Machine, Slot } from '../parts/machine.ts';
import { withMoves } from '../placement/moves.ts';
import type { Need } from '../parts/need.ts';
import { slotInUse } from '../placement/lanesLeft.ts';

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

/** The machine with its own cards where the accepted plan wants them. */
export const plannedMachine = ({ machine, plan }: Pick<Job, 'machine' | 'plan'>): Machine =>
  plan === null ? machine : withMoves(machine, plan.moves, plan.givenUp);

/**
 * New cards with their slots, each with the lanes the whole plan leaves it; a slot that is no longer in the
 * survey drops out.
 */
export const fittedCards = (job: Job): readonly Fitted[] =>
  inSlots(job, job.plan?.placements ?? []);

/** The same for cards of the machine that the plan moves. */
export const movedCards = (job: Job): readonly Fitted[] =>
  inSlots(
    job,
    (job.plan?.moves ?? []).map(({ toSlotId, card }) => ({ slotId: toSlotId, card })),
  );

function inSlots(job: Job, placements: readonly Placement[]): readonly Fitted[] {
  const machine = plannedMachine(job);
  const slotOf = (slotId: string) => machine.slots.find(({ id }) => id === slotId);
  const placed = (job.plan?.placements ?? []).flatMap(({ card, slotId }) => {
    const slot = slotOf(slotId);
    return slot === undefined ? [] : [{ card, slot }];
  });
  return placements.flatMap((placement) => {
    const slot = slotOf(placement.slotId);
    return slot === undefined ? [] : [{ placement, slot: slotInUse(slot, machine, placed) }];
  });
}

export function expectations(job: Job): readonly Expectation[] {
  const fitted = [...fittedCards(job), ...movedCards(job)];
  const machine = plannedMachine(job);
  return job.needs.map((need) => {
    const serving = fitted
      .flatMap((each) => {
        const flow = flowOf(each.placement.card, each.slot, need, machine);
        return flow === null || flow.units === 0 ? [] : [{ fitted: each, flow }];
      })
      .toSorted((a, b) => b.flow.high - a.flow.high)[0];
    return { need, fitted: serving?.fitted ?? null, flow: serving?.flow ?? null };
  });
}
