/** Of `Cautions.svelte`. */
export const cautions = {
  cautions: 'Cautions',
  caution: 'Caution',
};

/** Of `StepList.svelte`. */
export const stepList = {
  allStepsOfThisStage: 'All steps of this stage',
  done: (at: string | number) => `done ${at}`,
  takeBack: 'take back',
};

/** Of `StepStage.svelte`. */
export const stepStage = {
  noPlanYet: 'No plan yet',
  theStepsFollowFromAn: 'The steps follow from an accepted plan.',
  toChoose: 'To Choose',
  stepOf: (stageWords: string | number, position: string | number, steps: number) =>
    `${stageWords}, step ${position} of ${steps}`,
  whatBelongsToThisStep: 'What belongs to this step',
  doneAlreadyNext: 'Done already – next',
  waitsUntilTheRoundBefore: 'Waits until the round before is proven',
  doneNextSpace: 'Done – next (space)',
  nothingIsLeftHere: (stageWords: string | number, isLastRound: boolean) =>
    `${stageWords}: nothing is left here${isLastRound ? '' : ' in this round'}`,
  onTo: (stageWords: string | number, indexOf: string | number) =>
    `On to ${stageWords} (${indexOf})`,
};
