/** What is still open in each stage, and where the job stands. */
import { STAGES, type Job, type Stage } from '../parts/job.ts';
import { unknownFacts } from '../rules/unknownFacts.ts';
import { steps } from './steps.ts';

export type OpenCounts = Readonly<Record<Stage, number>>;

export function openItems(job: Job): OpenCounts {
  const unticked = steps(job).filter(({ id }) => job.ticks[id] === undefined);
  const of = (stage: Stage) => unticked.filter((step) => step.stage === stage).length;
  const measured = new Set(job.readings.map(({ needId }) => needId));
  return {
    survey: unknownFacts(job.machine, job.needs).length,
    needs: job.needs.length === 0 ? 1 : 0,
    choose: job.plan === null ? 1 : 0,
    prepare: of('prepare'),
    fit: of('fit'),
    drivers: of('drivers'),
    prove:
      of('prove') +
      (job.plan === null ? [] : job.needs).filter(({ id }) => !measured.has(id)).length,
    'hand-over': of('hand-over'),
  };
}

/** The first stage that waits for work; null when the job is done. */
export function standing(job: Job): Stage | null {
  if (job.machine.slots.length === 0) return 'survey';
  if (job.needs.length === 0) return 'needs';
  if (job.plan === null) return 'choose';
  const open = openItems(job);
  return STAGES.slice(STAGES.indexOf('prepare')).find((stage) => open[stage] > 0) ?? null;
}
