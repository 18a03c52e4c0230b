/** What is still open in each stage, and where the job stands. */
import { STAGES, type Job, type Stage } from '../parts/job.ts';
import type { Need } from '../parts/need.ts';
import { figureFor } from '../parts/observation.ts';
import { unknownFacts } from '../rules/unknownFacts.ts';
import { steps } from './steps.ts';

export type OpenCounts = Readonly<Record<Stage, number>>;

export function openItems(job: Job): OpenCounts {
  const unticked = steps(job).filter(({ id }) => job.ticks[id] === undefined);
  const of = (stage: Stage) => unticked.filter((step) => step.stage === stage).length;
  const isMeasured = ({ id }: Need) =>
    figureFor(job.observations, id) !== null || job.plan?.met.includes(id) === true;
  return {
    survey: unknownFacts(job.machine, job.needs).length,
    needs: job.needs.length === 0 ? 1 : 0,
    choose: job.plan === null ? 1 : 0,
    prepare: of('prepare'),
    fit: of('fit'),
    drivers: of('drivers'),
    prove:
      of('prove') + (job.plan === null ? [] : job.needs).filter((need) => !isMeasured(need)).length,
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

/** What a list shows of a job, without its machine. */
export interface JobSummary {
  readonly id: string;
  readonly revision: number;
  readonly title: string;
  readonly customer: string;
  readonly machine: string;
  readonly changedAt: string;
  /** Ids of its photographs. */
  readonly photos: readonly string[];
  /** The stage that waits for work; null when the job is done. */
  readonly standing: Stage | null;
  /** How much is open in that stage; null where that cannot be said. */
  readonly open: number | null;
  /** Facts of the survey that are not known. */
  readonly unknown: number;
}

export function summaryOf(job: Job): JobSummary {
  const at = standing(job);
  const open = openItems(job);
  const { id, revision, title, customer, changedAt } = job;
  return {
    id,
    revision,
    title,
    customer,
    machine: job.machine.name,
    changedAt,
    photos: job.photos.map(({ id: photoId }) => photoId),
    standing: at,
    open: at === null ? 0 : open[at],
    unknown: open.survey,
  };
}
