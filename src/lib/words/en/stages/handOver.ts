import { plural } from '../figures';

/** Of `HandOverStage.svelte`. */
export const handOverStage = {
  nothingToHandOverYet: 'Nothing to hand over yet',
  theSheetFollowsFromAn: 'The sheet follows from an accepted plan.',
  toChoose: 'To Choose',
  handOver: 'Hand over',
  theSheet: 'The sheet',
  printTheSheet: 'Print the sheet',
  serialNumberOfIn: (card: string | number, label: string | number) =>
    `Serial number of ${card} in ${label}`,
  asItStandsOnThe: 'as it stands on the card; optional',
  measuredAndFineHereThe: (tried: string | number) =>
    `Measured and fine here: ${tried}. The next job can count on it.`,
  noteItInTheCatalogue: 'Note it in the catalogue',
  notesForTheNextTechnician: 'Notes for the next technician',
  tried: (names: string | number) => `${names}: tried`,
  theBrowsersStoreRefusedIt:
    'The browser’s store refused: it is noted only as long as this window is open.',
  notedInTheCatalogueTried: (names: string | number) =>
    `Noted in the catalogue: ${names} tried here.`,
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
    customer: string | number;
    name: string | number;
    technician: string | number;
    changedAt: string | number;
  }) => `${customer === '' ? '' : `For ${customer} · `}${name} · by ${technician} · ${changedAt}`,
  asItWasFound: (found: string | number) => `As it was found: ${found}.`,
  whatWasFitted: 'What was fitted',
  card: 'Card',
  where: 'Where',
  link: 'Link',
  driver: 'Driver',
  price: 'Price',
  serialNumber: (serial: string | number) => `Serial number ${serial}`,
  opening: (opening: string | number) => `, opening ${opening}`,
  nothingTheMachineMeetsWhat: 'Nothing: the machine meets what was wanted.',
  noPrice: 'no price',
  together: 'Together',
  atLeast: 'at least ',
  whereItSitsAndWhat: 'Where it sits, and what plugs in where',
  drives: 'Drives',
  drive: 'Drive',
  serialNumber2: (serial: string | number) => `, serial number ${serial}`,
  ofWhatItIsRated: (wornShare: string | number) =>
    `, ${wornShare} % of what it is rated for was written when it came`,
  keptFreeForLater: 'Kept free for later',
  forToday: (name: string | number, priceCents: string | number) =>
    `, for ${name}; ${priceCents} today`,
  driversOfTheMachine: 'Drivers of the machine',
  goodToKnow: 'Good to know',
  partsKeptForYou: 'Parts kept for you',
  whichCameOut: (name: string | number) => `${name}, which came out`,
  slotCoverSOfOpening: (coversKept: number, coversKept2: string | number) =>
    `Slot cover${plural(coversKept, '', 's')} of opening ${coversKept2}`,
  spareBracketOfWithIts: (name: string | number) => `Spare bracket of ${name} with its screws`,
  fromTheBoxOf: (extraWords: string | number, card: string | number) =>
    `${extraWords}, from the box of ${card}`,
  leftLooseInside: 'Left loose inside',
  pleaseMind: 'Please mind',
  notes: 'Notes',
  dateName: 'Date, name',
  handedOverBy: 'Handed over by',
  receivedBy: 'Received by',
  runsOn: (seen: string | number) => `runs on ${seen}`,
  plannedNoneWasSeen: (title: string | number, version: string | number) =>
    `planned: ${title} ${version}; none was seen`,
  noneWasSeen: 'none was seen',
  plannedTheSystemsOwnNone: (ownDriver: string | number) =>
    `planned: the system’s own (${ownDriver}); none was seen`,
  linuxKernel: 'Linux, kernel',
  system: (system: string | number, build: string | number) => `system ${system}${build}`,
  firmware: (firmware: string, date: string | null) =>
    `firmware ${firmware}${date === null ? '' : ` of ${date}`}`,
  screens: (screens: string | number) => `screens ${screens}`,
  secondSystem: (systemFamilyWords: string | number) => `second system ${systemFamilyWords}`,
  notWorking: (inTrouble: string | number) => `not working ${inTrouble}`,
  damaged: (damage: string | number) => `damaged ${damage}`,
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
  keptTheBestOfThe: (variant: string | number) =>
    `Kept: ${variant}, the best of the settings tried.`,
  mended: (value: string | number) => `Mended: ${value}.`,
};
