import { plural, type Said } from '../figures';

/** Of `HandOverStage.svelte`. */
export const handOverStage = {
  nothingToHandOverYet: 'Nothing to hand over yet',
  theSheetFollowsFromAn: 'The sheet follows from an accepted plan.',
  toChoose: 'To Choose',
  handOver: 'Hand over',
  theSheet: 'The sheet',
  printTheSheet: 'Print the sheet',
  serialNumberOfIn: (card: Said, label: Said) => `Serial number of ${card} in ${label}`,
  asItStandsOnThe: 'as it stands on the card; optional',
  measuredAndFineHereThe: (tried: Said) =>
    `Measured and fine here: ${tried}. The next job can count on it.`,
  noteItInTheCatalogue: 'Note it in the catalogue',
  notesForTheNextTechnician: 'Notes for the next technician',
  tried: (names: Said) => `${names}: tried`,
  theBrowsersStoreRefusedIt:
    'The browser’s store refused: it is noted only as long as this window is open.',
  notedInTheCatalogueTried: (names: Said) => `Noted in the catalogue: ${names} tried here.`,
};

/** Of `Sheet.svelte`. */
export const sheet = {
  untitledJob: 'Untitled job',
  machine: 'machine',
  by: ({
    customer,
    name,
    technician,
    changedAt,
  }: {
    customer: Said;
    name: Said;
    technician: Said;
    changedAt: Said;
  }) => `${customer === '' ? '' : `For ${customer} · `}${name} · by ${technician} · ${changedAt}`,
  asItWasFound: (found: Said) => `As it was found: ${found}.`,
  whatWasFitted: 'What was fitted',
  card: 'Card',
  where: 'Where',
  link: 'Link',
  driver: 'Driver',
  price: 'Price',
  serialNumber: (serial: Said) => `Serial number ${serial}`,
  opening: (opening: Said) => `, opening ${opening}`,
  nothingTheMachineMeetsWhat: 'Nothing: the machine meets what was wanted.',
  noPrice: 'no price',
  together: 'Together',
  atLeast: 'at least ',
  whereItSitsAndWhat: 'Where it sits, and what plugs in where',
  drives: 'Drives',
  drive: 'Drive',
  serialNumber2: (serial: Said) => `, serial number ${serial}`,
  ofWhatItIsRated: (wornShare: Said) =>
    `, ${wornShare} % of what it is rated for was written when it came`,
  keptFreeForLater: 'Kept free for later',
  forToday: (name: Said, priceCents: Said) => `, for ${name}; ${priceCents} today`,
  driversOfTheMachine: 'Drivers of the machine',
  goodToKnow: 'Good to know',
  partsKeptForYou: 'Parts kept for you',
  whichCameOut: (name: Said) => `${name}, which came out`,
  slotCoverSOfOpening: (coversKept: number, coversKept2: Said) =>
    `Slot cover${plural(coversKept, '', 's')} of opening ${coversKept2}`,
  spareBracketOfWithIts: (name: Said) => `Spare bracket of ${name} with its screws`,
  fromTheBoxOf: (extraWords: Said, card: Said) => `${extraWords}, from the box of ${card}`,
  leftLooseInside: 'Left loose inside',
  pleaseMind: 'Please mind',
  notes: 'Notes',
  dateName: 'Date, name',
  handedOverBy: 'Handed over by',
  receivedBy: 'Received by',
  runsOn: (seen: Said) => `runs on ${seen}`,
  plannedNoneWasSeen: (title: Said, version: Said) => `planned: ${title} ${version}; none was seen`,
  noneWasSeen: 'none was seen',
  plannedTheSystemsOwnNone: (ownDriver: Said) =>
    `planned: the system’s own (${ownDriver}); none was seen`,
  linuxKernel: 'Linux, kernel',
  system: (system: Said, build: Said) => `system ${system}${build}`,
  firmware: (firmware: string, date: string | null) =>
    `firmware ${firmware}${date === null ? '' : ` of ${date}`}`,
  screens: (screens: Said) => `screens ${screens}`,
  secondSystem: (systemFamilyWords: Said) => `second system ${systemFamilyWords}`,
  notWorking: (inTrouble: Said) => `not working ${inTrouble}`,
  damaged: (damage: Said) => `damaged ${damage}`,
};

/** Of `SheetFigures.svelte`. */
export const sheetFigures = {
  whatItDoesNow: 'What it does now',
  wanted: 'Wanted',
  expected: 'Expected',
  measured: 'Measured',
  meaning: 'Meaning',
  notMeasured: 'not measured',
  notMeasuredSince: 'not measured since',
  metByTheMachine: 'met by the machine',
  notServed: 'not served',
  byTheMachineItself: ', by the machine itself',
  untilMended: 'until mended',
  asItWas: 'as it was',
  keptTheBestOfThe: (variant: Said) => `Kept: ${variant}, the best of the settings tried.`,
  mended: (value: Said) => `Mended: ${value}.`,
};
