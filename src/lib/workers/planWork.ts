/** The planner in the worker. */
import { choosing, type Choice, type ChoiceProgress } from '$core/planner';
import type { PlanRequest } from '$core/plans';
import { drive, end, stop } from './drive';
import { thenLetGo } from './letGo';

export const planWork = {
  choose: (
    request: PlanRequest,
    hear: (progress: ChoiceProgress) => void,
  ): Promise<Choice | null> => thenLetGo(hear, drive(choosing(request), hear)),
  /** Ends the search that runs with what it has found by then. */
  stop,
  /** Ends the question that runs: nobody waits for it any more. */
  end,
};
