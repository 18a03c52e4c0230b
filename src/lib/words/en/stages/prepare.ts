import type { Said } from '../figures';

/** Of `BeforeFigures.svelte`. */
export const beforeFigures = {
  noNeedOfThisPlan:
    'No need of this plan is measured in a figure: the photographs and the device list are enough.',
  measuredBeforeTheWork: 'Measured before the work',
  before: (kindWords: Said) => `${kindWords} before`,
  removeTheRunOf: (flowFigure: Said) => `Remove the run of ${flowFigure}`,
  remove: 'Remove',
  whereTheMachineCannotDo: 'Where the machine cannot do it yet, leave it empty.',
};

/** Of `FactQuestion.svelte`. */
export const factQuestion = {
  enterIt: (name: Said) => `Enter it: ${name}`,
  orGoOnWithoutIt: 'Or go on without it, because',
  nobodyCanTellYet: 'nobody can tell yet',
  goOnWithoutIt: 'Go on without it',
};

/** Of `FirmwareSettings.svelte`. */
export const firmwareSettings = {
  settingsNoted: 'Settings noted',
  remove: 'Remove',
  setting: 'Setting',
  setTo: 'Set to',
  noteIt: 'Note it',
  oftenLost: 'Often lost:',
  startUpOrder: 'Start-up order',
  storageMode: 'Storage mode',
  secureBoot: 'Secure boot',
  slotSplitting: 'Slot splitting',
  fanCurve: 'Fan curve',
};

/** Of `PrepareStage.svelte`. */
export const prepareStage = {
  itIsNotAsOrdered: 'It is not as ordered',
};
