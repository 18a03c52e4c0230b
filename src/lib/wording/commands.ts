/** What a command did, for undo, redo and the log. */
import type { CommandName } from '$core';

export const COMMAND_WORDS: Readonly<Record<CommandName, string>> = {
  describeJob: 'job details',
  takeTemplate: 'machine taken from a template',
  readMachine: 'machine read from its own report',
  changeMachine: 'survey corrected',
  addPhoto: 'photograph added',
  removePhoto: 'photograph removed',
  addNeed: 'need added',
  changeNeed: 'need changed',
  removeNeed: 'need removed',
  setBudget: 'budget set',
  setWorth: 'worth of the machine set',
  acceptPlan: 'plan accepted',
  addPin: 'settled beforehand',
  removePin: 'settled no longer',
  setWeights: 'weights set',
  buyForMachine: 'bought for the machine',
  dropBought: 'there already, not bought',
  withdrawPlan: 'plan withdrawn',
  tickStep: 'step ticked',
  untickStep: 'step unticked',
  recordReading: 'reading recorded',
  removeReading: 'reading removed',
};

/** The words of a log entry, whose command may also be an undo or a redo. */
export function logWords(command: string): string {
  if (command === 'undo') return 'undone';
  if (command === 'redo') return 'done again';
  if (command === 'refuseAlternative') return 'plan not taken';
  return COMMAND_WORDS[command as CommandName] ?? command;
}
