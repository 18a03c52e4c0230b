import { counted, plural, type Said } from './figures';

/** Of `BackupInspection.svelte`. */
export const backupInspection = {
  madeByVersionJobPhotograph: ({
    madeAt,
    madeBy,
    jobs,
    pictures,
    fresh,
    same,
    newer,
    older,
    bothChanged,
  }: {
    madeAt: Said;
    madeBy: Said;
    jobs: number;
    pictures: number;
    fresh: Said;
    same: Said;
    newer: Said;
    older: Said;
    bothChanged: Said;
  }) =>
    `Made ${madeAt} by version ${madeBy}: ${counted(jobs, 'job')}, ${counted(pictures, 'photograph')}. Against what is here: ${fresh} new, ${same} the same, ${newer} newer, ${older} older, ${bothChanged} changed in both.`,
  leftOutBecauseNoBackup: (leftOut: Said) =>
    `Left out, because no backup of Tenant makes it or it does not read: ${leftOut}.`,
  everythingInItIsHere: 'Everything in it is here already, as it is.',
  newTakenIn: (fresh: number) => `${fresh} new, taken in`,
  what: 'What',
  inTheBackup: 'In the backup',
  then: 'Then',
  whatBecomesOf: (called: Said) => `What becomes of ${called}`,
  everythingBecomesAsTheBackup: (displaced: number) =>
    `Everything becomes as the backup has it. ${displaced === 0 ? 'Nothing here has to give way.' : `${displaced} here give way and go into the bin for 30 days:`}`,
  restoreWhole: 'Restore whole',
  backToMerging: 'Back to merging',
  mergeItIn: 'Merge it in',
  restoreWholeInstead: 'Restore whole instead',
  cancel: 'Cancel',
};

/** Of `BinList.svelte`. */
export const binList = {
  binThingsDeleted: (things: number) =>
    `Bin: ${things} ${plural(things, 'thing', 'things')} deleted`,
  whatIsDeletedStaysHere: (binDays: Said) => `What is deleted stays here for ${binDays} days.`,
  withoutAName: 'without a name',
  noDate: 'no date',
  exportAsItIs: 'Export as it is',
  putBack: 'Put back',
  deleteForGood: 'Delete for good',
  job: 'Job',
  card: 'Card',
  extra: 'Extra',
  template: 'Template',
  settingThatDidNotRead: 'Setting that did not read',
  notAnEntryOfThe: 'Not an entry of the bin',
  couldNotBePutBack: (name: Said) =>
    `${name} could not be put back: its place is taken, or the store is full.`,
};

/** Of `JobList.svelte`. */
export const jobList = {
  jobsOnTheBench: 'Jobs on the bench',
  searchJobs: 'Search jobs',
  searchCustomerMachineTitle: 'Search customer, machine, title ( / )',
  importAJobFile: 'Import a job file',
  catalogue: 'Catalogue',
  newJob: 'New job',
  deleted: 'Deleted:',
  itStaysInTheBin: (name: Said) => `${name}. It stays in the bin for 30 days.`,
  undo: 'Undo',
  wasNotImportedNothingHas: (name: Said) => `${name} was not imported. Nothing has changed.`,
  close: 'Close',
  readingTheJobsKeptIn: 'Reading the jobs kept in this browser',
  noJobsYet: 'No jobs yet',
  aJobTakesOneMachine:
    'A job takes one machine and what its owner wants from survey to hand-over. Three ways to begin:',
  dropAMachinesFiles: 'Drop a machine’s files',
  itsOwnReportsTellSlots: 'Its own reports tell slots, cards and system.',
  takeATemplate: 'Take a template',
  aMachineOfItsKind: 'A machine of its kind; correct what is different.',
  walkThroughTheDemo: 'Walk through the demo',
  thirteenInventedJobsAtDifferent: 'Thirteen invented jobs, at different stages.',
  theDemoCouldNotBe: 'The demo could not be fetched: Tenant’s server is away. Try again later.',
  noJobMatches: (sought: Said) => `No job matches “${sought}”.`,
  job: 'Job',
  customer: 'Customer',
  machine: 'Machine',
  standsAt: 'Stands at',
  stillOpen: 'Still open',
  changed: 'Changed',
  actions: 'Actions',
  thisJobCannotBeShown: (id: Said) => `${id}: this job cannot be shown here.`,
  openIt: 'Open it',
  showMoreOfJobsAre: (found: Said, found2: number) =>
    `Show more: ${found} of ${found2} jobs are not shown`,
  whatWasSetAside: 'What was set aside',
  ofYourOwnCardsExtras: (refused: number) =>
    `Of your own cards, extras and templates ${refused} cannot be read by this version. They are kept as they are.`,
  jobsAreKeptInThis:
    'Jobs are kept in this browser and nowhere else. Export a job to take it elsewhere; back up everything to keep it.',
  untitledJob: 'untitled job',
  clear: 'Clear what is searched for',
};

/** Of `JobTableRow.svelte`. */
export const jobTableRow = {
  untitledJob: 'Untitled job',
  notSurveyed: 'not surveyed',
  cannotBeComputed: 'cannot be computed',
  done: 'Done',
  nothing: 'nothing',
  notKnownHowMuch: 'not known how much',
  notSaved: 'not saved',
  duplicate: 'Duplicate',
  export: 'Export',
  delete: 'Delete',
  factUnknown: (unknown: number) => `${counted(unknown, 'fact')} unknown.`,
};

/** Of `KeepingPanel.svelte`. */
export const keepingPanel = {
  backUpNow: 'Back up now:',
  changesLieInThisBrowser: (changes: Said, since: string | null) =>
    `${changes} changes lie in this browser only${since === null ? ', and there has never been a backup' : `, since ${since}`}.`,
  keptInThisBrowser: 'Kept in this browser',
  used: 'Used',
  theBrowserDoesNotSay: 'the browser does not say',
  of: (room: Said) => ` of ${room}`,
  mayBeEvicted: 'May be evicted',
  noTheBrowserPromised: 'no, the browser promised',
  yesWhenTheDiskIs: 'yes, when the disk is nearly full: back up',
  lastBackup: 'Last backup',
  never: 'never',
  nothingNewSince: 'nothing new since',
  changesSince: (changes: Said, changes2: number) =>
    `${changes} ${plural(changes2, 'change', 'changes')} since`,
  withoutANetwork: 'Without a network',
  worksEverythingIsKeptVersion: (worksOffline: boolean, version: Said) =>
    `${worksOffline ? 'works, everything is kept' : 'not yet, still fetching'} (version ${version})`,
  backUpEverything: 'Back up everything',
  restoreFromABackup: 'Restore from a backup',
  chooseAFolderForBackups: 'Choose a folder for backups',
  backupsGoTo: (folder: Said) => `Backups go to ${folder}`,
  stop: 'Stop',
  wasNotRestoredNothingHas: (name: Said) => `${name} was not restored. Nothing has changed.`,
  close: 'Close',
  whatTheBackupWouldChange: 'What the backup would change',
  theBin: 'The bin',
  wasStoppedNothingHasChanged: (what: Said) => `${what} was stopped; nothing has changed.`,
  brokeOffNothingHasChanged: (what: Said, error: Said) =>
    `${what} broke off; nothing has changed. (${error})`,
  theBackup: 'The backup',
  backingUp: 'Backing up',
  writtenTo: (name: Said, name2: Said, size: Said) => `Written to ${name}: ${name2}, ${size}.`,
  handedToTheBrowsersDownloads: (name: Said, size: Said) =>
    `Handed to the browser’s downloads: ${name}, ${size}.`,
  notInItTooLarge: (leftOut: Said) =>
    ` Not in it, too large or too long a key for a backup: ${leftOut}. Export these by themselves.`,
  readingTheBackup: 'Reading the backup',
  restoring: 'Restoring',
  restoredJobsChanged: (changed: number) =>
    `Restored: ${changed} ${plural(changed, 'job', 'jobs')} changed.`,
};

/** Of `Repair.svelte`. */
export const repair = {
  nothingSoundIsLeftOf: 'Nothing sound is left of this record. Export it as it is.',
  untitledJob: 'Untitled job',
  canBeReadAgainOnce: (title: Said) =>
    `“${title}” can be read again once this is left out of it. The record stays in the bin as it was.`,
  repairItSo: 'Repair it so',
  close: 'Close',
};

/** Of `SetAsideList.svelte`. */
export const setAsideList = {
  setAside: 'Set aside',
  theseRecordsDoNotRead:
    'These records do not read as jobs. They are kept whole: export or repair them before you delete them.',
  writtenByANewerTenant: 'Written by a newer Tenant. Reload the page to take the newer version.',
  exportAsItIs: 'Export as it is',
  repair: 'Repair',
  putItIntoTheBin: 'Put it into the bin, newer as it is?',
  record: (key: Said) => `record ${key}`,
  delete: 'Delete',
  keep: 'Keep',
};
