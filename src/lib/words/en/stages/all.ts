import { counted, type Said } from '../figures';

/** Of `AnswerLine.svelte`. */
export const answerLine = {
  backTo: (isBack: boolean, stageWords: Said) => `${isBack ? 'Back' : 'On'} to ${stageWords}`,
};

/** Of `Divider.svelte`. */
export const divider = {
  widthOfThePanel: 'Width of the panel',
};

/** Of `JobHead.svelte`. */
export const jobHead = {
  untitledJob: 'Untitled job',
  noCustomerYet: 'no customer yet',
  machineNotSurveyed: 'machine not surveyed',
  notSavedYet: 'Not saved yet',
  notSaved: 'Not saved',
  nothingToUndo: 'Nothing to undo',
  undo: (canUndo: Said) => `Undo: ${canUndo}`,
  nothingToRedo: 'Nothing to redo',
  redo: (canRedo: Said) => `Redo: ${canRedo}`,
  logOfThisJob: 'Log of this job',
  saved: 'Saved',
  saving: 'Saving',
};

/** Of `JobLog.svelte`. */
export const jobLog = {
  logOfThisJob: 'Log of this job',
  nothingHasBeenChangedYet: 'Nothing has been changed yet.',
  when: 'When',
  who: 'Who',
  what: 'What',
  close: 'Close',
};

/** Of `JobPage.svelte`. */
export const jobPage = {
  untitledJob: 'Untitled job',
  tenant: (stageWords: Said, title: Said) => `${stageWords} – ${title} – Tenant`,
  skipTo: (stageWords: Said) => `Skip to ${stageWords}`,
  thisStage: 'This stage',
  openingTheStage: 'Opening the stage',
};

/** Of `JobView.svelte`. */
export const jobView = {
  theBench: 'The bench',
  openingTheJob: 'Opening the job',
  toTheJobs: 'To the jobs',
  thisJobIsNotIn: 'This job is not in this browser',
  itMayHaveBeenDeleted:
    'It may have been deleted: then it lies in the bin of the list. Or it is kept in another browser: a job file or a backup brings it here.',
  thisJobCannotBeOpened: 'This job cannot be opened',
  itsRecordDoesNotRead:
    'Its record does not read as a job. It is kept whole in the list of jobs, to be repaired or exported.',
  thisJobWasChangedBy: 'This job was changed by a newer Tenant',
  anotherWindowRunsANewer:
    'Another window runs a newer version. Reload this page to take it over here too; the job is kept whole.',
};

/** Of `MachineView.svelte`. */
export const machineView = {
  theMachine: 'The machine',
  showTheBoard: 'Show the board',
  foldTheBoard: 'Fold the board',
  theBoard: 'The board',
  theBoardAppearsHereAs: 'The board appears here as the survey tells of it: slots, openings, case.',
  factsOfTheSlot: 'Facts of the slot',
  theBoardAsATable: 'The board as a table',
};

/** Of `PartFailed.svelte`. */
export const partFailed = {
  cannotBeShownForThis: (what: Said) => `${what} cannot be shown for this job.`,
  theJobIsKeptAs: (error: Said) =>
    `The job is kept as it is, and the other parts work on. (${error})`,
};

/** Of `ReadResult.svelte`. */
export const readResult = {
  readingBrokeOffTheSurvey: (failed: Said) =>
    `Reading broke off; the survey has not changed. (${failed})`,
  readingWasStoppedTheSurvey: 'Reading was stopped; the survey has not changed.',
  machine: (n: Said) => `machine ${n}`,
  take: (board: Said) => `Take ${board}`,
  deviceFrom: (devices: number, fileNames: Said) =>
    `${counted(devices, 'device')}, from ${fileNames}`,
  couldBeOfAnyOf: (loose: Said) =>
    `Could be of any of them and stay out: ${loose}. Drop them again by themselves.`,
  startAnotherJobForIt:
    'Start another job for it, or take it where the board of this machine was changed.',
  takeItAllTheSame: 'Take it all the same',
  oneFile: 'One file',
  files: (files: number) => `${files} files`,
  leftOutOfTheSurvey: 'Left out of the survey:',
  ifTheSurveyItselfWas:
    'If the survey itself was wrong, take this report into it. The plan is then to be made anew.',
  takeItIntoTheSurvey: 'Take it into the survey',
  theseFilesAreOfMachines: (machines: number) =>
    `These files are of ${machines} machines. Nothing was taken: which one is this job’s?`,
  thisIsAReportOf:
    'This is a report of another machine: most of its devices are not those of the survey. Nothing was taken.',
  nothingWasReadTheSurvey: 'Nothing was read; the survey has not changed.',
  slotRecord: 'slot record',
  readAndTakenIntoThe: (value: Said, settled: number) =>
    `Read and taken into the survey: ${value}; ${counted(settled, 'fact')} settled.`,
  measurementReadSayWhichNeed: (open: number) =>
    `${counted(open, 'measurement')} read: say which need was measured. The survey has not changed.`,
  noListOfDevicesIs:
    'No list of devices is in it: nothing to hold against the accepted plan. The survey has not changed.',
  heldAgainstTheAcceptedPlan: (observedWords: Said, proven: number) =>
    `Held against the accepted plan: ${observedWords}${proven === 0 ? '' : `, ${counted(proven, 'step')} ticked by it`}. The survey has not changed.`,
};

/** Of `ReportDrop.svelte`. */
export const reportDrop = {
  readIt: 'Read it',
  chooseFiles: 'Choose files',
  chooseAFolder: 'Choose a folder',
  dropTheEvidenceHere: 'Drop the evidence here',
  anotherReportDropItHere: 'Another report: drop it here, or open this to paste or choose it',
  reading: 'Reading',
  ofFiles: (done: number, all: number) => `${done} of ${all} files`,
  of: (done: string, all: string) => `${done} of ${all}`,
  stopReading: 'Stop reading',
  reportsOfLspciAndDmidecode:
    'Reports of lspci and dmidecode, firmware tables, screens’ EDID, device lists, a survey file: in any mixture',
  pastedText: 'pasted text',
};

/** Of `SavingNotice.svelte`. */
export const savingNotice = {
  thisJobIsNotSaved: 'This job is not saved. Leave this page open until it is.',
  thisJobIsOpenIn: 'This job is open in another window too. Both stay in step.',
};

/** Of `SavingTrouble.svelte`. */
export const savingTrouble = {
  notTakenAndNothingHas: 'Not taken, and nothing has changed:',
  export: 'Export',
  tryAgain: 'Try again',
  notSaved: (lowered: Said) => `Not saved: ${lowered}`,
  notSavedThisJobIs: 'Not saved: this job is no longer in the browser’s store.',
  itWasDeletedInAnother: 'It was deleted in another window, or the browser’s data was cleared.',
  saveItAnew: 'Save it anew',
  notSavedANewerVersion: 'Not saved: a newer version of Tenant has changed this job.',
  exportWhatIsHereIf:
    'Export what is here if you want to keep it, then reload to take the newer version.',
  reload: 'Reload',
  notSavedAnotherWindowChanged: 'Not saved: another window changed this job meanwhile.',
  nothingHasBeenOverwrittenKeep:
    'Nothing has been overwritten. Keep what is here as a copy, or go on with the other version.',
  keepAsACopy: 'Keep as a copy',
  takeTheOther: 'Take the other',
};

/** Of `SlotFacts.svelte`. */
export const slotFacts = {
  allSlots: 'All slots',
  itsLinkTrainedTo: (linkWords: Said) => `Its link trained to ${linkWords}`,
  lessThanBothEndsCould: (linkWords: Said) =>
    `, less than both ends could do: ${linkWords}. An idle card may save power; look again while it is busy, then at its seat and its contacts`,
  allThatBothEndsCan: ', all that both ends can do',
  plannedHere: 'Planned here:',
  mmLongWAtMost: (lengthMm: Said, peakWatts: Said) =>
    `, ${lengthMm} mm long, ${peakWatts} W at most.`,
  withMore: (link: Said, sharers: Said) => `${link} with ${sharers} more`,
  notKnown: 'not known',
  opening: 'Opening',
  holds: 'Holds',
  key: 'Key',
  wired: 'Wired',
  lengths: 'Lengths',
  mm: (lengths: Said) => `${lengths} mm`,
  lanesWired: 'Lanes wired',
  generation: 'Generation',
  length: 'Length',
  powerLimit: 'Power limit',
  port: 'Port',
  shares: 'Shares',
  state: 'State',
  hotPlug: 'Hot-plug',
  cardsUpTo: 'Cards up to',
  halfLength: (isShort: boolean) => `${isShort ? 'half' : 'full'} length`,
  openingIs: 'Opening is',
  itsOwn: 'its own',
  nothing: 'nothing',
  yes: 'yes',
  shared: 'shared',
  no: 'no',
};

/** Of `SlotTable.svelte`. */
export const slotTable = {
  theBoardAsATable: 'The board as a table',
  opening: 'Opening',
  slot: 'Slot',
  whatIsKnown: 'What is known',
  holds: 'Holds',
  planned: 'Planned',
  noSlotsYetTheSurvey: 'No slots yet: the survey has not begun.',
  nothing: 'nothing',
};

/** Of `StageRail.svelte`. */
export const stageRail = {
  stagesOfTheWork: 'Stages of the work',
  open: 'open',
  allJobs: 'All jobs',
};

/** Of `WaysOn.svelte`. */
export const waysOn = {
  undo: (canUndo: Said) => `Undo: ${canUndo}`,
  tryAgain: 'Try again',
  export: 'Export',
  setTheJobAsideIn: 'Set the job aside in the bin',
  untitledJob: 'untitled job',
};
