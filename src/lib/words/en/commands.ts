/** What a command did, for undo, redo and the log. */
import { LOG_SHORTENED, type CommandName } from '$core/commands';

const COMMAND_WORDS: Readonly<Record<CommandName, string>> = {
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
  addPin: 'fixed choice',
  removePin: 'fixed choice removed',
  setWeights: 'weights set',
  buyForMachine: 'bought for the machine',
  dropBought: 'in stock, not ordered',
  withdrawPlan: 'plan withdrawn',
  stageCards: 'cards for the second round',
  setBenchTest: 'trial in another machine',
  chooseStaticWay: 'way against static chosen',
  tickStep: 'step ticked',
  foundAtBench: 'found at the bench, and planned anew',
  untickStep: 'step unticked',
  orderAgain: 'ordered again',
  observe: 'figure or report recorded',
  removeObservation: 'figure removed',
  setDriverWays: 'way of drivers chosen',
  keepPackages: 'driver packages kept with the job',
  dropPackage: 'driver package removed',
};

/** What else a log tells: no commands of a hand. */
const OTHER_WORDS: Readonly<Record<string, string>> = {
  undo: 'undone',
  redo: 'done again',
  refuseAlternative: 'plan not taken',
  [LOG_SHORTENED]: 'the log was full; oldest entries left out',
};

/** The words of a log entry. A log that was imported may hold any word. */
export function logWords(command: string): string {
  const words: Readonly<Record<string, string>> = { ...COMMAND_WORDS, ...OTHER_WORDS };
  return Object.hasOwn(words, command) ? (words[command] ?? command) : command;
}
