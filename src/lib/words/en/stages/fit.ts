import type { Said } from '../figures';

/** Of `Bench.svelte`. */
export const bench = {
  atTheBench: 'At the bench',
  taskOfLeft: ({
    position,
    steps,
    minutesWords,
    round,
  }: {
    position: Said;
    steps: number;
    minutesWords: Said;
    round: Said;
  }) => `Task ${position} of ${steps}, ${minutesWords} left${round}`,
  allTasksAreDone: (steps: number) => `All ${steps} tasks are done`,
  readAloudOn: 'Read aloud: on',
  readAloud: 'Read aloud',
  goOnP: 'Go on (p)',
  pauseP: 'Pause (p)',
  backBackspace: 'Back (backspace)',
  leaveEsc: 'Leave (esc)',
  caution: 'Caution',
  fromBehind: 'From behind',
  youShouldSee: 'You should see',
  inYourHand: 'In your hand',
  whyNow: 'Why now',
  fitNothingIsLeftHere: 'Fit: nothing is left here',
  onTheTrayNow: 'On the tray now:',
  itDoesNotGoN: 'It does not go (n)',
  doneSpace: 'Done (space)',
  leaveTheBench: 'Leave the bench',
};

/** Of `DoesNotGo.svelte`. */
export const doesNotGo = {
  itDoesNotGo: 'It does not go',
  whatDidYouFind: 'What did you find?',
  anotherPartCameItIs: 'Another part came, it is broken, or it did not come: order it again',
  somethingElseGoOnWith: 'Something else: go on with a reason',
  whatIsWrongWithIt: 'What is wrong with it?',
  whyDoYouGoOn: 'Why do you go on?',
  itStaysInTheLog: 'It stays in the log',
  putItOnOrderAgain: 'Put it on order again',
  goOnWithThisReason: 'Go on with this reason',
  whatItIs: 'What it is',
  fromTheRearEdgeMm: 'From the rear edge, mm',
  heightOverTheBoardMm: 'Height over the board, mm',
  itCanBeMovedAside: 'It can be moved aside',
  itsPlugIsPulledFor: 'Its plug is pulled for that, and goes in again',
  whichKind: 'Which kind',
  whichOne: 'Which one',
  itReachesMm: 'It reaches, mm',
  theCardIsMm: 'The card is, mm',
  planningTheRest: 'Planning the rest',
  planTheRestAnewWhat: 'Plan the rest anew; what is done stays done',
  whatChanges: 'What changes',
  ofTheMustHavesCan: (unmet: Said) => `${unmet} of the must-haves can no longer be met.`,
  takeThisList: 'Take this list',
  backToTheTask: 'Back to the task',
  somethingElseWasFound: 'Something else was found',
  pickWhatIsMissing: 'Pick what is missing.',
  measureFromTheBoardsUpper:
    'Measure from the board’s upper edge down to the plug, in millimetres.',
  measureFromTheRearEdge: 'Measure from the rear edge to where it ends, in millimetres.',
  measureTheLeadFromThe: 'Measure the lead from the card to its plug, in millimetres.',
  measureTheCardFromIts: 'Measure the card from its bracket to its far end, in millimetres.',
  sayWhatItIsHow:
    'Say what it is, how far it stands from the rear edge, and how high, in millimetres.',
  thePlannerFailedNothingWas: (error: Said) => `The planner failed: ${error}. Nothing was changed.`,
};

/** Of `FitStage.svelte`. */
export const fitStage = {
  whyNow: 'Why now',
  fromBehind: 'From behind',
  inTheViewOfThe: (numberWords: Said) => `${numberWords} in the view of the board`,
  youShouldSee: 'You should see',
  takes: 'Takes',
  onTheTrayNow: 'On the tray now',
  atTheBenchOneTask: 'At the bench: one task at a time',
  printTheList: 'Print the list',
  theListToPrint: 'The list to print',
};

/** Of `Procedure.svelte`. */
export const procedure = {
  theListOnPaper: 'The list on paper',
  fit: (minutesWords: Said) => `Fit, ${minutesWords}`,
  bagForWhatComesOut: 'bag for what comes out',
  haveReady: (value: Said) => `Have ready: ${value}.`,
  caution: (cautionWords: Said) => `Caution: ${cautionWords}`,
  tray: 'tray',
};

/** Of `StaticWays.svelte`. */
export const staticWays = {
  yourWayAgainstStatic: 'Your way against static',
};

/** Of `TaskPicture.svelte`. */
export const taskPicture = {
  mm: (mm: Said) => `${mm} mm`,
  fromAbove: 'From above',
  fromTheSide: 'From the side',
  fromBehind: 'From behind',
};

/** Of `rest.ts`. */
export const rest = {
  isNotFittedAnyMore: (card: Said) => `${card} is not fitted any more`,
  goesToNotTo: (card: Said, label: Said, label2: Said) =>
    `${card} goes to ${label}, not to ${label2}`,
  comesInto: (card: Said, label: Said) => `${card} comes into ${label}`,
  new: (title: Said) => `New: ${title}`,
  noMore: (title: Said) => `No more: ${title}`,
  itCostsMoreNobodyHas: 'It costs more; nobody has told how much yet',
  itCostsTheSame: 'It costs the same',
  itCostsMoreBeforeTax: (abs: Said, cents: number) =>
    `It costs ${abs} ${cents > 0 ? 'more' : 'less'}, before tax`,
};
