import { counted, type Said } from '../figures';

/** Of `Drives.svelte`. */
export const drives = {
  theDrivesThemselves: (drives: number) =>
    `The drives themselves${drives > 0 ? ` (${drives})` : ', where they are known'}`,
  drive: 'Drive',
  saysItselfThatItIs: ': says itself that it is about to fail',
  notTold: 'not told',
  aNumberIsExpected: 'A number is expected',
  serialNumber: 'Serial number',
  removeThisDrive: 'Remove this drive',
  aDrive: 'A drive',
  oneMoreLikeTheLast: 'One more like the last',
  readSmartctlJsonA: 'Read smartctl --json -a',
  keepSerialNumbers: 'keep serial numbers',
  driveForAnotherKindOf: (found: number) =>
    `${counted(found, 'drive')} for another kind of socket left out: put them into a need of their own.`,
  isTooLargeToBe: (name: Said) => `${name} is too large to be what smartctl prints.`,
  driveRead: (read: number) => `${counted(read, 'drive')} read.`,
};

/** Of `InternetPlan.svelte`. */
export const internetPlan = {
  theInternetPlanCarriesOnly: (carries: Said) =>
    `The internet plan carries only ${carries} Mb/s: no card makes it faster.`,
};

/** Of `NeedForm.svelte`. */
export const needForm = {
  removeThisNeed: 'Remove this need',
  inTheCustomersWords: 'In the customer’s words',
  mustOrNice: 'Must or nice',
  must: 'Must',
  nice: 'Nice',
  forLater: 'for later',
  counts1To5: 'Counts, 1 to 5',
  backedByAtLeast: 'Backed by at least',
  usedTogetherWith: 'Used together with',
  onItsOwn: 'on its own',
  group: (letter: Said) => `group ${letter}`,
  alsoWanted: 'Also wanted',
};

/** Of `NeedsStage.svelte`. */
export const needsStage = {
  whatTheCustomerWants: 'What the customer wants',
  inTheCustomersWordsAnd: 'In the customer’s words, and in figures that can be measured.',
  thisNeed: 'This need',
  nothingIsAskedForYet: 'Nothing is asked for yet. Add what the customer wants.',
  addANeed: 'Add a need',
  whatItMayCost: 'What it may cost',
  budgetForCards: 'Budget for cards',
  noneNamed: 'none named',
  emptyPriceDoesNotLimit: 'Empty: price does not limit the plan',
  aPlanForAllMusts: (budgetCents: Said) =>
    `A plan for all musts may go over ${budgetCents}, and says so`,
  priceOfAReplacement: 'Price of a replacement',
  notAsked: 'not asked',
  withItTheCeilingFor: 'With it, the ceiling for this machine',
  theCeilingIsMoreIs: (deserved: Said) =>
    `The ceiling is ${deserved}; more is said, never forbidden`,
  ceilingOfIt: 'Ceiling, % of it',
  anAmountSuchAs180: 'An amount such as 180 or 180.50 is expected',
  aPercentageFrom1To: 'A percentage from 1 to 100 is expected',
};

/** Of `ScreensRead.svelte`. */
export const screensRead = {
  screensThatWereRead: 'Screens that were read:',
};

/** Of `WhatStays.svelte`. */
export const whatStays = {
  whatStays: 'What stays',
  nothingIsFitted: 'nothing is fitted',
};

/** Of `driveFields.ts`. */
export const driveFields = {
  maker: 'Maker',
  model: 'Model',
  sizeGb: 'Size, GB',
  kind: 'Kind',
  hardDisk: 'hard disk',
  form: 'Form',
  socket: 'Socket',
  readsMbS: 'Reads, MB/s',
  writesMbS: 'Writes, MB/s',
  cacheFullMbS: 'Cache full, MB/s',
  ratedTbWritten: 'Rated, TB written',
  writtenSoFarTb: 'Written so far, TB',
  heightMm: 'Height, mm',
  chips: 'Chips',
  notTold: 'not told',
  solidState: 'solid-state',
};

/** Of `needFields.ts`. */
export const needFields = {
  screens: 'Screens',
  joinedTo: 'Joined to',
  anotherCardByALoop: 'another card, by a loop lead',
  pixelsAcross: 'Pixels across',
  pixelsDown: 'Pixels down',
  refreshHz: 'Refresh, Hz',
  bitsAColour: 'Bits a colour',
  theirSocket: 'Their socket',
  whicheverTheCardHas: 'whichever the card has',
  memoryGb: 'Memory, GB',
  speed: 'Speed',
  encodesFilmsAs: 'Encodes films as',
  ports: 'Ports',
  atThe: 'At the',
  oneAloneMbS: 'One alone, MB/s',
  currentPerPortMa0: 'Current per port, mA (0: any)',
  typeC: 'Type-C',
  copiedToOrFrom: 'Copied to or from',
  itsOwnSocket: 'Its own socket',
  usb: (each: Said) => `USB ${each}`,
  copyAtMbS: 'Copy at, MB/s',
  theCopiesGo: 'The copies go',
  toTheFarEnd: 'to the far end',
  fromTheFarEnd: 'from the far end',
  severalPorts: 'Several ports',
  eachByItself: 'each by itself',
  asATeamForThe: 'as a team, for the sum',
  onSeparateCardsToSurvive: 'on separate cards, to survive a failure',
  encryptedByTheMachineItself: 'encrypted by the machine itself',
  and: 'And',
  rateMbS: 'Rate, Mb/s',
  bands: 'Bands',
  ghz: (band: Said) => `${band} GHz`,
  withBluetooth: 'with Bluetooth',
  channels: 'Channels',
  inputs: 'Inputs',
  opticalSocket: 'optical socket',
  frontSocketsToo: 'front sockets too',
  drives: 'Drives',
  orRoomForDataTb: 'Or room for data, TB',
  ofDrivesOfGb: 'Of drives of, GB',
  eachOrAsAnArray: 'Each, or as an array, MB/s',
  while: 'While',
  allAtWork: 'all at work',
  oneAlone: 'one alone',
  socket: 'Socket',
  theyAre: 'They are',
  hardDisks: 'hard disks',
  used: 'Used',
  asAMirror: 'as a mirror',
  asAStripe: 'as a stripe',
  withParity: 'with parity',
  theFigureIsFor: 'The figure is for',
  usedBefore: 'used before',
  runsOnTheSystemsOwn: 'runs on the system’s own driver',
  eachMbS: 'Each, MB/s',
  gbS: 'Gb/s',
  kind: 'Kind',
  what: 'What',
  howMany: 'How many',
  whichDevices: 'Which devices',
  aWholeNumberIsExpected: (whole: boolean, boundsWords: Said) =>
    `A ${whole ? 'whole ' : ''}number ${boundsWords} is expected`,
  theirScreens: 'screens',
  back: 'back',
  front: 'front',
  whatever: 'whatever',
  solidState: 'solid-state',
  separately: 'separately',
  reading: 'reading',
  writing: 'writing',
  bootable: 'bootable',
  serial: 'serial',
  parallel: 'parallel',
};
