/** Which steps a report proves to be done: each ticks itself. What a report shows to be wrong ticks nothing. */
import type { ActName } from '../document/act.ts';
import type { Job } from '../document/job.ts';
import { steps } from '../procedure/steps.ts';
import type { Step, StepCode } from '../procedure/step.ts';
import { driverStates, type DriverOutcome, type DriverState } from './driverStates.ts';

const WORKS: readonly DriverOutcome[] = ['right', 'resolved'];
/** The device is there, whatever runs it. */
const IS_THERE: readonly DriverOutcome[] = [
  ...WORKS,
  'noDriver',
  'generic',
  'older',
  'link',
  'problem',
];

/** What each step needs to be shown. */
const PROOF: Partial<Record<StepCode, (state: DriverState) => boolean>> = {
  checkDevice: ({ outcome }) => IS_THERE.includes(outcome),
  installDriver: ({ outcome }) => WORKS.includes(outcome),
  ownDriver: ({ outcome }) => WORKS.includes(outcome),
  installFound: ({ outcome }) => WORKS.includes(outcome),
  checkLink: ({ outcome, differences }) =>
    IS_THERE.includes(outcome) &&
    !differences.some(({ code }) => code.startsWith('link') || code === 'otherSlot'),
};

/** Steps of the job that its last report proves, whether they are ticked or not. */
export const provenSteps = (job: Job): readonly ActName[] =>
  steps(job).flatMap((step) => {
    const state = stateOf(step, job);
    const proof = PROOF[step.code];
    const isLinkRead = step.code !== 'checkLink' || hasLink(job, step.slotId);
    return state !== null && proof?.(state) === true && isLinkRead
      ? { code: step.code, on: step.on, round: step.round }
      : [];
  });

/** The device or card that a step is about, as the last report has it; null where it is about none. */
export const stateOf = ({ slotId, deviceId }: Step, job: Job): DriverState | null =>
  driverStates(job).find(
    (state) =>
      (slotId !== null && state.slotId === slotId) || (deviceId !== null && state.id === deviceId),
  ) ?? null;

/** A report may list a card without what its link trained to. */
const hasLink = ({ observations }: Job, slotId: string | null): boolean =>
  observations.some(
    (each) => each.kind === 'device' && each.subject.slotId === slotId && each.value.link !== null,
  );
