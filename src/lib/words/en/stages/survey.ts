import { counted, plural, type Said } from '../figures';

/** Of `AsItCame.svelte`. */
export const asItCame = {
  asItCame: 'As it came',
  noteWhatIsDeadOr:
    'Note what is dead or damaged before anything is touched: a port, a header, a cracked plate. It is shown to the customer first, and stands on the sheet.',
  remove: (what: Said) => `Remove: ${what}`,
  deadOrDamaged: 'Dead or damaged',
  usbPortAtTheBack: 'USB port at the back, lower left: dead',
  noteIt: 'Note it',
};

/** Of `BuiltIn.svelte`. */
export const builtIn = {
  onTheBoardItself: 'On the board itself',
  notKnownNeedsCannotSay: 'Not known: needs cannot say whether the machine meets them already.',
  nothingUseful: 'Nothing useful',
  kinds: (own: number) => `${own} kinds`,
  notOnTheBoard: (cardKindWords: Said) => `Not on the board: ${cardKindWords}`,
  theBoardAlsoHas: 'The board also has',
  choose: 'choose',
};

/** Of `CaseForm.svelte`. */
export const caseForm = {
  case: 'Case',
  bracketHeight: 'Bracket height',
  openings: 'Openings',
  roomForLength: 'Room for length',
  covers: 'Covers',
  roomForHeight: 'Room for height',
  freeBays: 'Free bays',
  openingsWithLessRoom: 'Openings with less room',
  freeFrontLeads: 'Free front leads',
  freeHeadersOfTheBoard: 'Free headers of the board',
  powerSupply: 'Power supply',
  wattsOnTheLabel: 'Watts on the label',
  n12VLimit: '12 V limit',
  n12VLoadNow: '12 V load now',
  yearsInUse: 'Years in use',
  n12VLoadMeasuredAt: '12 V load measured at full load',
  freePlugs: 'Free plugs',
  plugsInUseWhereOne: 'Plugs in use, where one might be exchanged',
  obstaclesOnTheBoard: 'Obstacles on the board',
  dragThemOnTheDrawing:
    'Drag them on the drawing, or type millimetres here: from the rear edge, from the board’s top, along the slot and across it, and how high.',
  whatItIs: 'What it is',
  mm: (label: Said) => `${label}, mm`,
  isExpected: (expects: Said) => `${expects} is expected`,
  kind: 'Kind',
  howItIsMoved: 'How it is moved',
  whichLeadWhichScrews: 'which lead, which screws',
  itsPlugGoesInAgain: 'its plug goes in again at the same place',
  canBeMovedAside: 'can be moved aside',
  remove: (name: Said) => `Remove ${name}`,
  headerPlugCageOrHeat: 'Header, plug, cage or heat sink',
  aNumber: 'a number',
  aHeight: 'a height',
  rear: 'Rear',
  top: 'Top',
  along: 'Along',
  across: 'Across',
  high: 'High',
  aLength: 'a length',
  thing: (n: Said) => `Thing ${n}`,
};

/** Of `Devices.svelte`. */
export const devices = {
  driver: (driver: Said) => `driver ${driver}`,
  couldRunOn: (modules: Said) => `could run on ${modules}`,
  memoryWindowOf: (megabytes: Said, megabytes2: Said) =>
    `memory window ${megabytes} of ${megabytes2}`,
  belowWhichBothCouldDo: (linkWords: Said) => `below ${linkWords}, which both could do`,
  devicesThatAreNotWorking: 'Devices that are not working',
  noName: 'no name',
  portsWithSlotsAsThey: 'Ports with slots, as they report themselves',
  slot: 'Slot',
  port: 'Port',
  widestLink: 'Widest link',
  powerLimit: 'Power limit',
  holds: 'Holds',
  trainedTo: 'Trained to',
  notTold: 'not told',
  notSet: 'not set',
  w: (powerWatts: Said) => `${powerWatts} W`,
  nothing: 'nothing',
  allDevicesAsATree: (functions: number) => `All ${functions} devices as a tree`,
  mb: (bytes: Said) => `${bytes} MB`,
};

/** Of `Evidence.svelte`. */
export const evidence = {
  howToGetTheReport: 'How to get the report',
  linuxInstalledOrFromA: 'Linux: installed, or from a live USB stick',
  theSurveyScriptRunsAs:
    'The survey script runs as it is, changes nothing, leaves serial numbers out, and writes one file:',
  surveyScript: 'Survey script',
  orByHand: 'Or by hand:',
  copied: 'Copied',
  windows: 'Windows',
  oneLineInItsShell: 'One line in its shell, as administrator; it writes machine.json:',
  macos: 'macOS',
  oneLineInItsTerminal: 'One line in its terminal; it writes machine.json:',
  namesOfDevices: 'Names of devices',
  dropTheOpenLists: 'Drop the open lists',
  and: 'and',
  onceTheyAreKeptIn: 'once; they are kept in this browser.',
  copy: 'Copy',
  whatToType: 'What to type',
};

/** Of `EvidenceDrop.svelte`. */
export const evidenceDrop = {
  dropFilesOrAFolder: 'Drop files or a folder here, or paste a report',
  seeInProveWhatDiffers: 'See in Prove what differs from the plan',
  noCustomer: 'no customer',
  untitledJob: 'untitled job',
  thisMachineWasHereBefore: (customer: Said, title: Said) =>
    `This machine was here before: ${customer}, ${title}.`,
  takeWhatWasMeasuredThen: 'Take what was measured then',
};

/** Of `FactField.svelte`. */
export const factField = {
  notKnown: 'not known',
  says: (sourceShort: Said, shown: Said) => `${sourceShort} says ${shown}`,
  isNot: (trimmed: Said, expects: Said) => `“${trimmed}” is not ${expects}`,
  inUnit: (label: string, unit: string) => `${label}, ${unit}`,
};

/** Of `HopForm.svelte`. */
export const hopForm = {
  to: (leadWords: Said, name: Said) => `${leadWords} to ${name}`,
  lead: 'Lead',
  cableClass: 'Cable class',
  length: 'Length',
  condition: 'Condition',
  removeThisLead: 'Remove this lead',
  endsIn: 'Ends in',
  name: 'Name',
  portSpeeds: 'Port speeds',
  cameUpAt: 'Came up at',
  deviceBeforeThisOne: 'Device before this one',
  remove: (name: Said) => `Remove ${name}`,
  aLength: 'a length',
};

/** Of `InnerWork.svelte`. */
export const innerWork = {
  partsAndLeadsToFit: 'Parts and leads to fit',
  besideTheCardsWhatIs:
    'Beside the cards: what is not in the machine yet, and leads that are loose, or may be. Each end gets a task of its own in Fit.',
  notInTheMachineYet: 'Not in the machine yet',
  builtFromNothing: 'Built from nothing',
  which: (leadWords: Said) => `Which ${leadWords}`,
  whichOne: 'which one',
  remove: (leadName: Said) => `Remove: ${leadName}`,
  at: (endWords: Said) => `at ${endWords}`,
  at2: (leadName: Said, endWords: Said) => `${leadName} at ${endWords}`,
  whatIsPrintedWhereGoes: (leadName: Said) => `What is printed where ${leadName} goes`,
  fan2: 'FAN2',
  lead: 'Lead',
  whichOne2: 'Which one',
  powerLightFrontFanHard: 'power light, front fan, hard disk',
  addTheLead: 'Add the lead',
  pluggedIn: 'plugged in',
  notKnown: 'not known',
  nothingThere: 'nothing there',
  loose: 'loose',
};

/** Of `PathForm.svelte`. */
export const pathForm = {
  networkPath: 'Network path',
  atItsTwoEnds: 'At its two ends',
  linkSpeedNow: 'Link speed now',
  ageOfTheProcessor: 'Age of the processor',
  localDrive: 'Local drive',
  itsPort: 'Its port',
  raidLevel: 'RAID level',
  driveAtTheFarEnd: 'Drive at the far end',
  raidLevelAtTheFar: 'RAID level at the far end',
  radioAndInternet: 'Radio and internet',
  accessPoint: 'Access point',
  itsBandsGhz: 'Its bands, GHz',
  channelWidth: 'Channel width',
  streams: 'Streams',
  distance: 'Distance',
  itsOwnWire: 'Its own wire',
  internetPlan: 'Internet plan',
  sataGbS: (port: Said) => `SATA ${port} Gb/s`,
  mhz: (width: Said) => `${width} MHz`,
  aNumberOfStreams: 'a number of streams',
};

/** Of `PathPicture.svelte`. */
export const pathPicture = {
  theNetworkPathFromThis: (said: Said) => `The network path from this machine: ${said}`,
  thisMachine: 'this machine',
  to: (name: Said, wireWords: Said, isKnown: boolean) =>
    `to ${name} ${isKnown ? wireWords : 'not known'}`,
};

/** Of `Photos.svelte`. */
export const photos = {
  photographs: (photos: Said) => `Photographs${photos}`,
  photographOfTheMachine: 'Photograph of the machine',
  photographOfTheSlot: 'Photograph of the slot',
  thePictureIsNotIn: 'The picture is not in this browser.',
  noWords: 'no words',
  removeThePhotograph: 'Remove the photograph',
  whatItShows: 'What it shows',
  addAPhotograph: 'Add a photograph',
  couldNotBeKeptIt: (name: Said) =>
    `${name} could not be kept: it is no picture, or the browser’s store is full.`,
};

/** Of `Screens.svelte`. */
export const screens = {
  screen: 'Screen',
  bestMode: 'Best mode',
  notKnown: 'not known',
  suchAs38402160At: 'such as 3840 × 2160 at 60 Hz',
  remove: (name: Said) => `Remove ${name}`,
  input: 'Input',
  otherInputs: 'Other inputs',
  itsWholePictureTakesOutputs: (across: Said, across2: Said, down: Said) =>
    `Its whole picture takes ${across} outputs: ${across2} across, ${down} down.`,
  screen2: (n: Said) => `Screen ${n}`,
};

/** Of `Sharing.svelte`. */
export const sharing = {
  sharedWithOtherSlots: 'Shared with other slots',
  when: 'When',
  holds: 'holds',
  thisOne: 'this one',
  isDead: 'is dead',
  fallsToX: (lanes: Said) => `falls to x${lanes}`,
  remove: 'Remove',
  losesLanesWhenAnotherSlot: 'Loses lanes when another slot is used',
  sharesAnUpstreamLinkOf: 'Shares an upstream link of',
  notKnown: 'not known',
  noneStraightAtTheProcessor: 'none: straight at the processor',
  gen: (n: Said) => `Gen ${n}`,
  with: 'with',
  x: (lanes: Said) => `x${lanes}`,
  standsIn: 'Stands in',
  theMachinesCase: 'the machine’s case',
  sharedWith: (sharers: Said) => `, shared with ${sharers}`,
  nameOfTheBox: 'Name of the box',
  itIsInAnExternal: 'It is in an external box',
  aPciExpressModule: 'a PCI Express module',
  aSataModule: 'a SATA module',
  theBoardsOwnSwitch: 'the board’s own switch',
  externalBox: (n: Said) => `External box ${n}`,
  anything: 'anything',
};

/** Of `SlotForm.svelte`. */
export const slotForm = {
  deleteSlot: 'Delete slot',
  name: 'Name',
  key: 'Key',
  moduleLengthsItHolds: 'Module lengths it holds',
  wiredToIt: 'Wired to it',
  openingItFaces: 'Opening it faces',
  lengthOfTheSlot: 'Length of the slot',
  farEnd: 'Far end',
  lanesWired: 'Lanes wired',
  generation: 'Generation',
  powerLimit: 'Power limit',
  itsLanes: 'Its lanes',
  hotPlug: 'Hot-plug',
  openingIs: 'Opening is',
  cardsUpTo: 'Cards up to',
  itsState: 'Its state',
  holds: 'Holds',
  notKnown: 'not known',
  nothing: 'nothing',
  aCard: 'a card',
  theCardInIt: 'The card in it',
  it: 'It',
  interface: 'Interface',
  openingsItTakes: 'Openings it takes',
  lengthOfTheCard: 'Length of the card',
  heightOfTheCard: 'Height of the card',
  its12VLoad: 'Its 12 V load',
  plugsThatFeedIt: 'Plugs that feed it',
  frontLeadsJoinedToIt: 'Front leads joined to it',
  itsFan: 'Its fan',
  aNumberOfOpenings: 'a number of openings',
  aNumberOfWatts: 'a number of watts',
  worksWhileItRuns: 'works while it runs',
  offOnly: 'off only',
  sharedWithAnotherSlot: 'shared with another slot',
  itsOwn: 'its own',
  halfLength: 'half length',
  fullLength: 'full length',
  aLength: 'a length',
  fromTheRear: 'From the rear',
  aPlace: 'a place',
  fromTheBoardsTop: 'From the board’s top',
  saysNothing: (sourceShort: Said, name: string | undefined) =>
    `${sourceShort} says ${name ?? 'nothing'}`,
  card: 'Card',
};

/** Of `SlotList.svelte`. */
export const slotList = {
  slotsOfTheMachine: 'Slots of the machine',
  slot: 'Slot',
  whatIsKnown: 'What is known',
  opening: 'Opening',
  holds: 'Holds',
  nothing: 'nothing',
  noSlotsYetReadThe: 'No slots yet. Read the machine’s report, take a template, or add them.',
  pciExpressSlot: 'PCI Express slot',
  classicPciSlot: 'Classic PCI slot',
  m2Socket: 'M.2 socket',
  selectASlotHereOr: 'Select a slot here or on the board to correct it.',
  slot2: (n: Said) => `Slot ${n}`,
};

/** Of `SlotShapes.svelte`. */
export const slotShapes = {
  n10Mm: '10 mm',
  whichIsItSlotsTo: 'Which is it? Slots to scale',
  fromAboveTheRearOf: 'From above, the rear of the machine to the left; the gap is the key.',
  pciAndPciExpressSlots: 'PCI and PCI Express slots by length and key',
  m2SocketsThreeTimes: 'M.2 sockets, three times as large, contact 1 to the left.',
  m2SocketsByKey: 'M.2 sockets by key',
  pci: (keying: Said) => `PCI, ${keying}`,
  pciExpressX: (lanes: Said) => `PCI Express x${lanes}`,
  m2Key: (key: Said) => `M.2, key ${key}`,
};

/** Of `SurveyStage.svelte`. */
export const surveyStage = {
  survey: 'Survey',
  whatTheJobIsAnd: 'What the job is, and whose',
  machine: 'Machine',
  slot: (label: Said) => `Slot ${label}`,
  thisSlot: 'This slot',
  theDropForEvidence: 'The drop for evidence',
  theListOfWhatIs: 'The list of what is not known',
  sourcesDisagreeOnOneFact: 'Sources disagree on one fact',
  sourcesDisagreeOnFacts: (disagreements: number) => `Sources disagree on ${disagreements} facts`,
  theFirstOneNamedIs: 'The first one named is used; what you enter by hand overrides all.',
  onlyTheFirst: 'Only the first',
  all: (disagreements: number) => `All ${disagreements}`,
  partsOfTheSurvey: 'Parts of the survey',
  evidence: 'Evidence',
  slots: 'Slots',
  case: 'Case',
  system: 'System',
  path: 'Path',
  theCase: 'The case',
  whatTheJobIs: 'What the job is',
  twoScreensAndWiFi: 'Two screens and Wi-Fi',
  customer: 'Customer',
  technician: 'Technician',
  whatIsNotKnownYet: 'What is not known yet is being counted.',
  everyFactIsKnownSources: (disputed: number) =>
    `Every fact is known; sources disagree on ${counted(disputed, 'fact')}.`,
  factsOpenOfWhich: (open: number, weighty: number, most: number) =>
    open === 1
      ? `${counted(open, 'fact')} open: ${counted(most, 'verdict')} ${plural(most, 'waits', 'wait')} for it.`
      : `${counted(open, 'fact')} open: ${weighty} of them ${plural(weighty, 'settles', 'settle')} ${counted(most, 'verdict')}${plural(weighty, '', ' each')}.`,
};

/** Of `SystemForm.svelte`. */
export const systemForm = {
  system: 'System',
  family: 'Family',
  version: 'Version',
  architecture: 'Architecture',
  buildOrKernel: 'Build or kernel',
  itsOwnName: 'Its own name',
  secureBoot: 'Secure boot',
  itIsStartedWithA: 'It is started with a second system as well',
  secondSystem: 'Second system',
  itHasOnlyOneSystem: 'It has only one system',
  firmware: 'Firmware',
  kind: 'Kind',
  released: 'Released',
  above4gDecoding: 'Above 4G decoding',
  onTheBoardSwitchedOn: (onBoard: Said) => `On the board, switched on: ${onBoard}.`,
  screens: 'Screens',
  on: 'on',
  off: 'off',
};

/** Of `Templates.svelte`. */
export const templates = {
  orStartFromAMachine: 'Or start from a machine like it',
  templateOrAMachineThat: 'Template, or a machine that was here before',
  noTemplatesAtHand: 'no templates at hand',
  chooseAMachine: 'choose a machine',
  templates: 'Templates',
  keptOnThisBench: 'Kept on this bench',
  wasHereBefore: 'Was here before',
  noCustomer: 'no customer',
  noName: 'no name',
  itTakesThePlaceOf:
    'It takes the place of the survey so far; undo brings that back. What the machine reports wins over it.',
  keepThisMachineAsA: 'Keep this machine as a template',
  withoutAName: 'without a name',
  deleteTheTemplate: (name: Said) => `Delete the template ${name}`,
  templateWithoutAName: 'template without a name',
  deletedItStaysInThe: (name: Said) => `Deleted: ${name}. It stays in the bin for 30 days.`,
  machineWithoutAName: 'machine without a name',
  keptAsATemplate: (name: Said) => `Kept as a template: ${name}.`,
  itCouldNotBeKept: 'It could not be kept: the browser’s store is full or blocked.',
};

/** Of `Worklist.svelte`. */
export const worklist = {
  toTheEvidence: 'To the evidence',
  notKnown: 'not known',
  oneForAllOrOne: 'one for all, or one each',
  verdictsWaitForIt: (decides: Said, decides2: number) =>
    `${plural(decides2, 'One verdict waits', `${decides} verdicts wait`)} for it.`,
  notKnownYetBeingCounted: 'Not known yet: being counted',
  allFactsThatTheRules: 'All facts that the rules need are known',
  notKnownYet: (unknown: number) => `Not known yet: ${unknown}`,
  moreFactThatNoVerdict: (others: number) =>
    `${counted(others, 'more fact')} that no verdict waits for now`,
  isNotOneForAll: ({
    text,
    expects,
    several,
    several2,
  }: {
    text: Said;
    expects: Said;
    several: Said;
    several2: number;
  }) =>
    `“${text}” is not ${expects}${several2 > 1 ? `: one for all, or ${several} with commas between (lists: semicolons)` : ''}`,
  system: 'System',
  startTheMachineAndLook:
    'Start the machine and look, or ask: Windows 11, 64 bit; Linux 6.1, 64 bit.',
  aSystemSuchAsWindows: 'a system, such as Windows 11, 64 bit',
};

/** Of `factFields.ts`. */
export const factFields = {
  nothingOrTheNameOf: 'nothing, or the name of a card',
  snappedOff: 'snapped off',
  gen: (n: Said) => `Gen ${n}`,
  anOpening: 'an opening',
  openAtItsEnd: 'open at its end',
  aNumberOfWatts: 'a number of watts',
  canBeSplit: 'can be split',
  cannotBeSplit: 'cannot be split',
  key: (key: Said) => `key ${key}`,
  hasOne: 'has one',
  hasNone: 'has none',
  fullHeight: 'full height',
  lowProfile: 'low profile',
  aLength: 'a length',
  aNumberOfOpenings: 'a number of openings',
  aLatch: 'a latch',
  comesOffToo: 'comes off too',
  staysOn: 'stays on',
  aBarOverAll: 'a bar over all',
  noBar: 'no bar',
  aNumber: 'a number',
  hasALock: 'has a lock',
  notGiven: 'not given',
  aRate: 'a rate',
  processorTellAnythingElseIn: '“processor”; tell anything else in the form of the slot',
  toTheProcessor: 'to the processor',
  straightToTheProcessor: 'straight to the processor',
  nothing: 'nothing',
  screwed: 'screwed',
  clipped: 'clipped',
  closed: 'closed',
  screws: 'screws',
  given: 'given',
  x8664Bit: 'x86, 64 bit',
  x8632Bit: 'x86, 32 bit',
  arm64Bit: 'ARM, 64 bit',
  wordsForNothing: ['nothing', 'none', 'empty', 'no'],
  uefi: 'UEFI',
  bios: 'BIOS',
};

/** Of `fields.ts`. */
export const fields = {
  oneOfTheChoices: 'one of the choices',
  aText: 'a text',
  aDateSuchAs2019: 'a date such as 2019-03-14',
  aListOfOrNone: (labels: Said) => `a list of ${labels}, or none`,
  orNone: (expects: Said) => `${expects}, or none`,
  aListSuchAs2: (baySizes: Said) =>
    `a list such as 2 × 3.5, 1 × 2.5 up to 9.5 mm (${baySizes}), or none`,
  aListSuchAs42: 'a list such as 42, 80',
  aVersionSuchAs11: 'a version such as 11 or 6.1',
  singleOrANumberWith: 'single, or a number with mirror, stripe or parity, such as 2 mirror',
  aListSuchAs3: 'a list such as 3: 210, 4: 180 thick 1',
  aListSuchAs1: (plugTypes: Said) =>
    `a list such as 1 × 8-pin on lead A to 340, 2 × sata (${plugTypes}), or none`,
  aListSuchAsSata: (plugTypes: Said) =>
    `a list such as sata to 300 feeds hard disk at 120 or 4-pin (${plugTypes}), or none`,
  aListSuchAsAudio: (frontLeads: Said) =>
    `a list such as audio, usb-19-pin to 120 (${frontLeads}), or none`,
  aListSuchAsUsb: (boardHeaders: Said) =>
    `a list such as usb-9-pin at 120/292 (${boardHeaders}), or none`,
  aListOf: (ethernetMegabits: Said) => `a list of ${ethernetMegabits}`,
};
