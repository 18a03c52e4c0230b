import { counted, plural, type Said } from '../figures';

/** Of `DeviceDrivers.svelte`. */
export const deviceDrivers = {
  newCard: 'new card.',
  wasNotThere: 'was not there',
  notInTheReport: 'not in the report',
  link: (linkWords: Said) => `link ${linkWords}`,
  everyDeviceAndItsDriver: 'Every device and its driver',
  deviceToSeeToDrop: (told: number) =>
    `${counted(told, 'device')} to see to. Drop the machine’s report once the drivers are in: each check then ticks itself, or says what is wrong.`,
  devicesAreNotRightYet: (wrong: Said, wrong2: number) =>
    `${plural(wrong2, 'One device is', `${wrong} devices are`)} not right yet.`,
  nothingIsWrongInThe: 'Nothing is wrong in the report.',
  read: (at: Said, conditions: Said) => `Read ${at}${conditions}`,
  before: 'Before',
  planned: 'Planned',
  now: 'Now',
  hideDeviceWithNothingTo: (areAllShown: boolean, quiet: number) =>
    `${areAllShown ? 'Hide' : 'Show'} ${counted(quiet, 'device')} with nothing to do`,
  dropTheReportTakenNow: 'Drop the report taken now (a device list, lspci -vvnn, the survey file)',
  orPasteIt: 'Or paste it',
};

/** Of `DriveGuard.svelte`. */
export const driveGuard = {
  drivesToBePrepared: 'Drives to be prepared',
  ofNamed: (named: number, count: Said) => `${named} of ${count} named.`,
  theStepIsDoneOnly: 'The step is done only once each of them is.',
  gbEmpty: ({
    serial,
    driveName,
    gigabytes,
    isNothing,
  }: {
    serial: Said;
    driveName: Said;
    gigabytes: Said;
    isNothing: boolean;
  }) =>
    `${serial}, ${driveName}${gigabytes} GB, ${isNothing ? 'empty' : 'holds something; the customer has agreed twice'}`,
  takeBack: 'take back',
  fromTheNeeds: 'From the needs:',
  aDrive: 'a drive',
  gb: (driveName: Said, gigabytes: Said, serial: Said) => `${driveName}, ${gigabytes} GB${serial}`,
  serialNumber: 'Serial number',
  sizeGb: 'Size, GB',
  whatIsOnIt: 'What is on it',
  notLookedAt: 'not looked at',
  nothing: 'nothing',
  something: 'something',
  serialNumberOnceMore: 'Serial number once more',
  theCustomerWasAskedTwice: 'The customer was asked twice, and wants it erased',
  nameThisDrive: 'Name this drive',
  enterTheSerialNumberThat: 'Enter the serial number that stands on it.',
  thisDriveIsNamedAlready: 'This drive is named already.',
  enterItsSizeAsThe: 'Enter its size, as the system shows it.',
  lookAtWhatIsOn: 'Look at what is on it: nothing is prepared unseen.',
  itHoldsSomethingTypeIts:
    'It holds something. Type its serial number once more: all of that will be gone.',
  askTheCustomerASecond: 'Ask the customer a second time.',
};

/** Of `DriversStage.svelte`. */
export const driversStage = {
  theLastReport: 'The last report:',
  theListOfSteps: 'The list of steps',
  howDriversAreDealtWith: 'How drivers are dealt with',
  theTableOfDevices: 'The table of devices',
  theDriverPackagesAtHand: 'The driver packages at hand',
};

/** Of `PackagesAtHand.svelte`. */
export const packagesAtHand = {
  driverPackagesAtHand: 'Driver packages at hand',
  dropAFolderAnArchive:
    'Drop a folder, an archive (.zip), setup files (.inf), or a kernel’s modules.alias: it is only looked at, and nothing is installed.',
  downloadPlannedPackages: (wanted: number) =>
    `Download ${plural(wanted, 'the planned package', `the ${wanted} planned packages`)}`,
  keptWithThisJob: 'Kept with this job',
  remove: 'remove',
  dropDriverPackagesHere: 'Drop driver packages here',
  orPasteASetupFile: 'Or paste a setup file or a list of aliases',
  noneOfItIsA: 'None of it is a driver package.',
  packagesRead: (packages: number) => `${packages} ${plural(packages, 'package', 'packages')} read`,
  otherFilesLeftOut: (others: Said, others2: number) =>
    `; ${others} other ${plural(others2, 'file', 'files')} left out.`,
  drives: 'Drives',
  listedAs: 'Listed as',
  how: 'How',
  againstNow: 'Against now',
  planned: 'planned',
  drivesNothingOfThisMachine: 'Drives nothing of this machine or plan.',
  namedByItAndNot: (missing: Said) =>
    `Named by it and not there: ${missing}. Without them the system may refuse it.`,
  countThemForThisJob: 'Count them for this job',
  driversAreThenChosenFrom: 'Drivers are then chosen from these as well, and stay with the job.',
  theStick: 'The stick',
  theyCouldNotBeRead: (error: Said) => `They could not be read: ${error}`,
  isNotWhatItsMaker: (title: Said, version: Said, wrong: Said) =>
    `${title} ${version}: ${wrong} is not what its maker published. It was not taken.`,
  couldNotBeDownloadedTry: (title: Said, version: Said) =>
    `${title} ${version} could not be downloaded. Try again once the library can be reached.`,
  theStickCouldNotBe: (error: Said) =>
    `The stick could not be written: what was shown is not there any more, or has changed. Drop the packages again. (${error})`,
};

/** Of `Stick.svelte`. */
export const stick = {
  forAStick: 'For a stick',
  choosingTheFewestPackages: 'Choosing the fewest packages',
  noPackageAtHandIs:
    'No package at hand is wanted by this plan or by a device that nothing drives.',
  file: (files: number) => counted(files, 'file'),
  packageSoFarLookingWhether: (stick: number) =>
    `${counted(stick, 'package')} so far; looking whether fewer would do`,
  theseWillDo: 'These will do',
  theyDriveAllThatThese: 'They drive all that these packages can. Perhaps fewer would do.',
  writeTheStickFile: (files: number, bytes: Said) =>
    `Write the stick (${counted(files, 'file')}, ${bytes})`,
  ofWritten: (written: Said, bytes: Said) => `${written} of ${bytes} written`,
  stopWriting: 'Stop writing',
  anArchiveToUnpackOnto:
    'An archive to unpack onto a stick, with the sum of each file, a script for either system that checks them, and a page to read on the bench.',
  noneOfThesePackagesDrives: (undriven: Said) => `None of these packages drives: ${undriven}.`,
};

/** Of `Ways.svelte`. */
export const ways = {
  otherwiseThanUsual: ' otherwise than usual',
  howDriversAreDealtWith: (departures: Said, departures2: number) =>
    `How drivers are dealt with: ${departures2 === 0 ? 'as usual' : departures}`,
};
