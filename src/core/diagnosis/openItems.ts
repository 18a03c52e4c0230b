/** What is still open in each stage, once there are steps. A must that falls short is open, and never done. */
import type { Job, Stage } from '../document/job.ts';
import { openBefore, type OpenCounts } from '../procedure/standing.ts';
import { openSteps } from '../procedure/openRound.ts';
import { provings } from './provings.ts';

export function openItems(job: Job): OpenCounts {
  const unticked = openSteps(job).filter(({ isOpen }) => isOpen);
  const of = (stage: Stage) => unticked.filter((step) => step.stage === stage).length;
  const unproven = provings(job).filter(
    ({ state, expectation: { need } }) => state !== 'fine' && (state !== 'short' || need.must),
  );
  return {
    ...openBefore(job),
    prepare: of('prepare'),
    fit: of('fit'),
    drivers: of('drivers'),
    prove: of('prove') + unproven.length,
    'hand-over': of('hand-over'),
  };
}
