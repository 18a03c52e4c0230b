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

/** The stages of a path that a rate passes. */
export const FLOW_WORDS: Readonly<Record<StageCode, string>> = {
  slotLink: 'slot’s link',
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
  drive: 'drives',
  card: 'card',
};
