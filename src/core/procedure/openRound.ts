/** Which round of fitting is worked on: the next waits until the one before is fitted, driven and proven. */
import type { RoundNumber } from '../document/act.ts';
import type { Job, Stage } from '../document/job.ts';
import { steps } from './steps.ts';
import type { Step } from './step.ts';

const WORKED: readonly Stage[] = ['fit', 'drivers', 'prove'];

const isOfRounds = ({ stage }: Step): boolean => WORKED.includes(stage);

export function openRound(job: Job): RoundNumber {
  const all = steps(job).filter(isOfRounds);
  return (all.find(({ isOpen }) => isOpen) ?? all.at(-1))?.round ?? 1;
}

/** Steps that can be worked on by now. */
export function openSteps(job: Job): readonly Step[] {
  const open = openRound(job);
  return steps(job).filter((step) => !isOfRounds(step) || step.round <= open);
}

/** The stage of the round that is worked on which comes next; null where nothing of it is left. */
export const stageOfRound = (job: Job): Stage | null =>
  openSteps(job).find((step) => isOfRounds(step) && step.isOpen)?.stage ?? null;

/** What a round was built on is not taken back under it. */
export const mayTakeBack = (job: Job, { round }: Step): boolean =>
  !steps(job).some((step) => step.round > round && isOfRounds(step) && !step.isOpen);
