import type { Said } from '../figures';

/** Of `BandPicture.svelte`. */
export const bandPicture = {
  whatEachStageCarriesThe: 'What each stage carries; the same figures stand in the table below',
  likely: (likely: Said) => `, ${likely} % likely`,
  wanted: 'wanted',
  measured: 'measured',
  whatEachStageCarries: 'What each stage carries',
  to: (flowFigure: Said, flowFigure2: Said) => `${flowFigure} to ${flowFigure2}`,
  likelyToHoldItBack: (likely: Said) => `${likely} % likely to hold it back`,
};

/** Of `CopyTimer.svelte`. */
export const copyTimer = {
  sizeOfTheCopyGb: 'Size of the copy, GB',
  whatIsCopied: 'What is copied',
  startWithTheCopy: 'Start with the copy',
  stopItIsDone: 'Stop: it is done',
  s: (seconds: Said) => `${seconds} s`,
  howManyGigabytesAreCopied: 'How many gigabytes are copied?',
  gbIn: (gigabytes: Said, took: Said, flowFigure: Said) =>
    `${gigabytes} GB in ${took}: ${flowFigure}`,
};

/** Of `Diagnosis.svelte`. */
export const diagnosis = {
  nextCheck: 'Next check',
  aboutMin: (minutes: Said) => `about ${minutes} min`,
  whatDoesItShow: 'What does it show?',
  asPlanned: 'as planned',
  enterWhatItShows: 'Enter what it shows',
  cause: 'Cause',
  found: (causeWords: Said) => `Found: ${causeWords}`,
  and: (causeWords: Said) => `And: ${causeWords}`,
  makeItATask: 'Make it a task',
  noCheckIsLeftThat: 'No check is left that tells these apart',
  mendTheOneThatCosts: 'Mend the one that costs least, and measure again.',
  nothingWasFound: 'Nothing was found',
  allThatWasLookedAt:
    'All that was looked at is as planned, and the figure lies close below what a healthy one shows. Measure once more; if it stays so, it is this machine’s own.',
  nothingKnownAgreesWithAll: 'Nothing known agrees with all of this',
  aFigureOrAnAnswer:
    'A figure or an answer contradicts the others. Take back the one that you are least sure of, or measure again.',
  whatAgreesSoFar: 'What agrees so far',
  ruledOutAndByWhat: (out: number) => `Ruled out, and by what (${out})`,
  lookedAt: 'Looked at',
  takeBack: (place: Said) => `Take back: ${place}`,
  takeBack2: 'Take back',
  byTheReport: 'by the report',
};

/** Of `MachineReport.svelte`. */
export const machineReport = {
  notFittedYet: 'Not fitted yet',
  asPlanned: 'As planned',
  whatTheMachineAndIts: 'What the machine and its tools report',
  read: (at: Said, conditions: Said) => `Read ${at}${conditions}`,
  card: 'Card',
  slot: 'Slot',
  seen: 'Seen',
  againstThePlan: 'Against the plan',
  notInTheReport: 'not in the report',
  dropTheReportTakenAfter:
    'Drop the report taken after fitting, or the result of a measurement; or paste it',
  lspciVvnnADeviceList:
    'lspci -vvnn, a device list, the survey file; iperf3 -J, fio JSON, hdparm -t, the last lines of dd, rsync, scp or robocopy, ethtool, iw, smartctl, nvme, a table with a column MB/s',
};

/** Of `MeasureGuide.svelte`. */
export const measureGuide = {
  copy: (command: Said) => `Copy ${command}`,
  copy2: 'Copy',
  atTheFarEnd: 'At the far end',
  here: 'Here',
  saveAsAFileTo: 'Save as a file to run',
  copied: 'Copied.',
  theBrowserDoesNotLet: 'The browser does not let it be copied: select it by hand.',
};

/** Of `NeedProof.svelte`. */
export const needProof = {
  niceToHave: ', nice to have',
  by: 'by',
  metByTheMachineAs: 'Met by the machine as it is: nothing was chosen for it.',
  thePlanHasNoCard: 'The plan has no card for this need: there is nothing to expect.',
  byTheMachineAsIt: 'by the machine as it is',
  mendedMeasureAgain: 'Mended: measure again.',
  itNeedNotBeMeasured: 'It need not be measured.',
  notMeasuredYet: 'Not measured yet.',
  beforeTheWork: (flowFigure: Said) => `${flowFigure} before the work.`,
  itIsNotThis: 'It is not this',
  mended: 'Mended',
  mended2: (value: Said) => `Mended: ${value}.`,
  takeBack: 'Take back',
  measured: 'Measured',
  timeACopy: 'Time a copy',
  howToMeasureItHere: 'How to measure it here',
  temperatureCountsSpeeds: (held: Said) => `Temperature, counts, speeds${held}`,
  allRuns: 'All runs',
  whatEachPartCarries: 'What each part carries',
  untilMended: 'until mended',
  untilMend: (n: Said) => `until mend ${n}`,
  wire: (position: Said) => `wire ${position}`,
};

/** Of `OpenResults.svelte`. */
export const openResults = {
  whichNeedWasMeasured: 'Which need was measured?',
  noNeedOfThisPlan: 'No need of this plan is measured like this.',
};

/** Of `ProveStage.svelte`. */
export const proveStage = {
  noPlanYet: 'No plan yet',
  whatIsExpectedFollowsFrom: 'What is expected follows from an accepted plan.',
  toChoose: 'To Choose',
  measuredAgainstWhatWasExpected: 'Measured against what was expected',
  expected: 'expected',
  wanted: 'wanted',
  oneRun: 'one run',
  median: 'median',
  oneOfTheNeeds: 'One of the needs',
  toLookAtBeforeAnything: 'To look at before anything is measured',
  pickOneWhenItIs: 'Pick one when it is as it says.',
  theReportOfTheMachine: 'The report of the machine',
};

/** Of `Readings.svelte`. */
export const readings = {
  readOff: 'Read off',
  number: (unit: Said) => `Number${unit}`,
  noteIt: 'Note it',
  remove: (readingWords: Said) => `Remove: ${readingWords}`,
  remove2: 'Remove',
  aNumberAboveZeroIs: 'A number above zero is expected',
};

/** Of `RunForm.svelte`. */
export const runForm = {
  measured: 'measured',
  whatWasMeasured: 'What was measured',
  addRun: 'Add run',
  moreAboutThisRun: 'More about this run',
  direction: 'Direction',
  asTheNeedAsks: 'As the need asks',
  copiedGb: 'Copied, GB',
  numberOfFiles: 'Number of files',
  settingTried: 'Setting tried',
  stripe256Kb: 'stripe 256 kB',
  oneAloneTheOthersRest: 'One alone, the others rest',
  firstAfterAColdStart: 'First after a cold start',
  aNumberAboveZeroIs: 'A number above zero is expected',
};

/** Of `RunStrip.svelte`. */
export const runStrip = {
  wanted: (flowFigure: Said) => `${flowFigure} wanted`,
  expectedTo: (flowFigure: Said, flowFigure2: Said) => `Expected ${flowFigure} to ${flowFigure2}`,
  wanted2: (flowFigure: Said) => `wanted ${flowFigure}`,
  medianOf: (name: Said, flowFigure: Said, runs: number) =>
    `${name}: median ${flowFigure} of ${runs}`,
};

/** Of `RunTable.svelte`. */
export const runTable = {
  farFromTheRest: '· far from the rest',
  removeTheRunOf: (flowFigure: Said) => `Remove the run of ${flowFigure}`,
  remove: 'Remove',
  runsByHowTheyWere: 'Runs by how they were measured',
  how: 'How',
  expected: 'Expected',
  measured: 'Measured',
  runs: 'Runs',
  seenAtWork: 'seen at work',
  measureThreeTimes: ': measure three times',
  itBeganWellAndThen: '; it began well and then fell',
  files: (files: Said) => `${files} files`,
};

/** Of `VariantTable.svelte`. */
export const variantTable = {
  settingsTried: 'Settings tried',
  setting: 'Setting',
  median: 'Median',
  runs: 'Runs',
  best: 'best',
  keepItsSlowerRunsStill: (name: Said, name2: Said) =>
    `Keep “${name}”: its slower runs still lie above the median of “${name2}”.`,
  noSettingIsClearlyThe:
    'No setting is clearly the best: their runs overlap. Measure each three times.',
  asItStands: 'as it stands',
};
