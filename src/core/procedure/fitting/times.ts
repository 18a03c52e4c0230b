/** What acts took, job by job, and of all jobs together. */
import { withoutRound, type Job } from '../../parts/job.ts';
import { ACTS, type FitCode } from './acts.ts';

/** Seconds by act, pauses not counted. */
export type SpentByAct = Readonly<Partial<Record<FitCode, readonly number[]>>>;

/** What was timed in one job. */
export function spentIn({ spentSeconds }: Pick<Job, 'spentSeconds'>): SpentByAct {
  const spent: Partial<Record<FitCode, number[]>> = {};
  for (const [id, seconds] of Object.entries(spentSeconds)) {
    const [code = ''] = withoutRound(id).split(':');
    if (Object.hasOwn(ACTS, code)) (spent[code as FitCode] ??= []).push(seconds);
  }
  return spent;
}

/** Of all jobs together. */
export function logbookOf(jobs: readonly SpentByAct[]): SpentByAct {
  const all: Partial<Record<FitCode, number[]>> = {};
  for (const spent of jobs)
    for (const [code, seconds] of Object.entries(spent))
      (all[code as FitCode] ??= []).push(...seconds);
  return all;
}
