/** What acts took, job by job, and of all jobs together. */
import type { Job } from '../../document/job.ts';

/** Seconds by the code of the act, pauses not counted. */
export type SpentByAct = Readonly<Record<string, readonly number[]>>;

/** Faster than this no hand does anything at a bench: it was ticked, and not timed. Common practice, no source. */
const QUICKEST_SECONDS = 5;

/** What was timed in one job. */
export function spentIn({ acts }: Pick<Job, 'acts'>): SpentByAct {
  const spent = new Map<string, number[]>();
  for (const { code, seconds } of acts)
    if (seconds !== null && seconds >= QUICKEST_SECONDS)
      spent.set(code, [...(spent.get(code) ?? []), seconds]);
  return Object.fromEntries(spent);
}

/** Of all jobs together. */
export function logbookOf(jobs: readonly SpentByAct[]): SpentByAct {
  const codes = new Set(jobs.flatMap((spent) => Object.keys(spent)));
  return Object.fromEntries(
    [...codes].map((code) => [code, jobs.flatMap((spent) => spent[code] ?? [])]),
  );
}
