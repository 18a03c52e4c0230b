/** How the bench has to stand when all is done and closed: the same value as how it stands, once what is open is done. */
import { benchState, type BenchState } from '../../assembly/benchState.ts';
import { memoOf } from '../../memo.ts';
import type { Job } from '../../document/job.ts';
import { steps } from '../steps.ts';

/** Doing what the list asks never changes it; a plan, or something found, does. */
export const goalState = memoOf((job: Job): BenchState => {
  const open = steps(job).filter(({ task, isOpen }) => task !== null && isOpen);
  return benchState([
    ...job.acts,
    ...open.map(({ code, on, round }) => ({
      code,
      on,
      round,
      at: job.changedAt,
      who: '',
      seconds: null,
    })),
  ]);
});
