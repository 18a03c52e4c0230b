import type { Said } from '../figures';

/** Of `Cautions.svelte`. */
export const cautions = {
  cautions: 'Cautions',
  caution: 'Caution',
};

/** Of `StepList.svelte`. */
export const stepList = {
  allStepsOfThisStage: 'All steps of this stage',
  done: (at: Said) => `done ${at}`,
  takeBack: 'take back',
};

/** Of `StepStage.svelte`. */
export const stepStage = {
  noPlanYet: 'No plan yet',
  theStepsFollowFromAn: 'The steps follow from an accepted plan.',
  toChoose: 'To Choose',
  stepOf: (stageWords: Said, position: Said, steps: number) =>
    `${stageWords}, step ${position} of ${steps}`,
  whatBelongsToThisStep: 'What belongs to this step',
  doneAlreadyNext: 'Done already – next',
  waitsUntilTheRoundBefore: 'Waits until the round before is proven',
  doneNextSpace: 'Done – next (space)',
  nothingIsLeftHere: (stageWords: Said, isLastRound: boolean) =>
    `${stageWords}: nothing is left here${isLastRound ? '' : ' in this round'}`,
  onTo: (stageWords: Said, indexOf: Said) => `On to ${stageWords} (${indexOf})`,
};
