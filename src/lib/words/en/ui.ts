import { counted, type Said } from './figures';

/** Of `CellField.svelte`. */
export const cellField = {
  none: 'none',
  isNot: (text: Said, expects: Said) => `“${text}” is not ${expects}`,
};

/** Of `ExportJob.svelte`. */
export const exportJob = {
  thisJob: 'this job',
  export: (title: Said) => `Export ${title}`,
  export2: 'Export',
  cancel: 'Cancel',
  theMachineNeedsPlanAnd:
    'The machine, needs, plan and figures go as they are. What is not ticked stays here, wherever it stands. A backup holds everything.',
  goesOutInWordsRead: 'Goes out in words: read it before you export',
  nothingIsLeftOut: 'Nothing is left out.',
  leftOutText: (stayed: number) => `Left out: ${counted(stayed, 'text')}`,
  photographs: 'photographs',
  close: 'Close',
};

/** Of `ExportTicks.svelte`. */
export const exportTicks = {
  goesOutWithIt: 'Goes out with it',
};

/** Of `Fetched.svelte`. */
export const fetched = {
  couldNotBeFetchedTenant: (what: Said, isOvertaken: boolean) =>
    `${what} could not be fetched: ${isOvertaken ? 'Tenant was renewed in another window. Reload this one to go on with the newer version.' : 'the server is away and nothing is kept of it.'}`,
  tryAgain: 'Try again',
  thisPart: 'This part',
};

/** Of `Guarded.svelte`. */
export const guarded = {
  cannotBeShown: (what: Said) => `${what} cannot be shown.`,
  nothingOfTheJobIs: (error: Said) =>
    `Nothing of the job is lost, and the other parts work on. (${error})`,
  tryAgain: 'Try again',
  thisPart: 'This part',
};

/** Of `KeysHelp.svelte`. */
export const keysHelp = {
  keys: 'Keys',
  singleLettersAndDigitsAct: 'Single letters and digits act',
  thisList: 'this list',
  searchInTheListOn: 'search in the list on the screen',
  goToTheStageSurvey:
    'go to the stage: Survey, Needs, Choose, Prepare, Fit, Drivers, Prove, Hand over',
  ctrlZ: 'Ctrl Z',
  undoInEveryStage: 'undo, in every stage',
  ctrlShiftZ: 'Ctrl Shift Z',
  aNewJobInThe: 'a new job, in the list of jobs',
  toTheBoardArrowsThen: 'to the board; arrows then move from slot to slot',
  alt: 'Alt ↑ ↓',
  theSlotFacesTheNext: 'the slot faces the next opening, in Survey',
  arrows: 'Arrows',
  onAnObstacleInThe:
    'on an obstacle in the drawing, in Survey: a millimetre that way; with Shift ten; with Alt it stretches',
  toTheBestPlanThe: 'to the best plan, the cards, the watts, in Choose',
  tryTheCardThatHas:
    'try the card that has the focus where it does best, and again in the next slot, in Choose',
  esc: 'Esc',
  takeEverythingOnTrialOff: 'take everything on trial off again, in Choose',
  fromCardToCardIn: 'from card to card in the list, in Choose',
  acceptTheProposedPlanOr: 'accept the proposed plan, or what is on trial, in Choose',
  tickTheStepAndGo: 'tick the step and go to the next, in Prepare, Fit, Drivers and Hand over',
  takeBackTheLastTick: 'take back the last tick there',
  redo: 'redo',
  close: 'Close',
};

/** Of `RenewalNotice.svelte`. */
export const renewalNotice = {
  tenantWasRenewedInAnother: (version: Said) =>
    `Tenant was renewed in another window. This one goes on with version ${version}; reload it to take the newer one.`,
  reload: 'Reload',
  aNewerVersionOfTenant: (version: Said) =>
    `A newer version of Tenant is here. This window goes on with version ${version} until you take it over.`,
  takeItOver: 'Take it over',
  saveFirst: 'Save first.',
};

/** Of `TopBar.svelte`. */
export const topBar = {
  tenant: 'Tenant',
  keys: 'Keys (?)',
  dark: 'Dark',
  light: 'Light',
};

/** Of `Total.svelte`. */
export const total = {
  withTax: (withTax: Said, taxPoints: Said) => `, ${withTax} with ${taxPoints} % tax`,
};
