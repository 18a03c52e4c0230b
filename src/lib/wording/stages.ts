import type { Stage, StageCode } from '$core';

export const STAGE_WORDS: Readonly<Record<Stage, string>> = {
  survey: 'Survey',
  needs: 'Needs',
  choose: 'Choose',
  prepare: 'Prepare',
  fit: 'Fit',
  drivers: 'Drivers',
  prove: 'Prove',
  'hand-over': 'Hand over',
};

/** The stages a rate passes on its way. */
export const FLOW_WORDS: Readonly<Record<StageCode, string>> = {
  slotLink: 'link in the slot',
  uplink: 'link behind the slots',
  cardPort: 'port on the card',
  cable: 'wire to the far end',
  farEnd: 'far end',
  ownDrive: 'drive it is copied from',
  farDrive: 'drive at the far end',
  radio: 'radio',
  internet: 'internet plan',
  output: 'screen output',
  drivePort: 'drive port',
  card: 'card',
};
