/** What is still open in each stage, once there are steps. */
import type { Job, Stage } from '../parts/job.ts';
import type { Need } from '../parts/need.ts';
import { figureFor } from '../parts/observation.ts';
import { openBefore, type OpenCounts } from './standing.ts';
import { steps } from './steps.ts';

export function openItems(job: Job): OpenCounts {
  const unticked = steps(job).filter(({ id }) => job.ticks[id] === undefined);
  const of = (stage: Stage) => unticked.filter((step) => step.stage === stage).length;
  const isMeasured = ({ id }: Need) =>
    figureFor(job.observations, id) !== null || job.plan?.met.includes(id) === true;
  return {
    ...openBefore(job),
    prepare: of('prepare'),
    fit: of('fit'),
    drivers: of('drivers'),
    prove:
      of('prove') + (job.plan === null ? [] : job.needs).filter((need) => !isMeasured(need)).length,
    'hand-over': of('hand-over'),
  };
}
