/** Parts of which nothing is known, as format 14 has them: what later formats add, they add themselves. */

export const BLANK_CASE = {
  bracket: null,
  openings: null,
  lengthRoomMm: null,
  heightRoomMm: null,
  frontLeads: null,
  bays: null,
  tightOpenings: [],
  covers: null,
  spareScrews: null,
  spareCovers: null,
  spareModuleScrews: null,
  panelHeld: null,
  opensBothSides: null,
  retentionBar: null,
  frontCovers: null,
  guides: null,
  leadLock: null,
} as const;

const BLANK_SUPPLY = {
  labelWatts: null,
  twelveVoltWatts: null,
  ageYears: null,
  baseWatts: null,
  measuredWatts: null,
  plugs: null,
  plugsInUse: null,
} as const;

const BLANK_SYSTEM = {
  family: null,
  version: null,
  architecture: null,
  name: null,
  build: null,
  secureBoot: null,
} as const;

export const BLANK_HOPS = [
  {
    id: 'far-end',
    name: '',
    kind: 'machine',
    leads: [
      {
        id: 'far-end-lead',
        place: 'patch',
        cable: null,
        metres: null,
        condition: null,
      },
    ],
    portMegabits: null,
    linkMegabits: null,
  },
] as const;

export const BLANK_PATH = {
  hops: BLANK_HOPS,
  internetMegabits: null,
  ownMegabits: null,
  processor: null,
  ownDrive: null,
  ownDrivePort: null,
  farDrive: null,
  ownArray: null,
  farArray: null,
} as const;

export const BLANK_ACCESS_POINT = {
  standard: null,
  bands: null,
  channelMhz: null,
  streams: null,
  distance: null,
  wireMegabits: null,
} as const;

export const BLANK_MACHINE = {
  name: '',
  board: null,
  case: BLANK_CASE,
  slots: [],
  conditions: [],
  obstacles: [],
  enclosures: [],
  supply: BLANK_SUPPLY,
  system: BLANK_SYSTEM,
  secondSystem: null,
  firmware: {
    kind: null,
    version: null,
    date: null,
    largeWindows: null,
  },
  builtIn: null,
  headers: null,
  onBoard: [],
  screens: [],
  path: BLANK_PATH,
  accessPoint: BLANK_ACCESS_POINT,
  functions: [],
  inTrouble: [],
  damage: [],
  leads: [],
  toFit: [],
} as const;

export const BLANK_SLOT = {
  id: '',
  label: '',
  bus: 'pcie',
  number: null,
  port: null,
  connectorLanes: null,
  lanes: null,
  generation: null,
  openEnd: null,
  powerWatts: null,
  opening: null,
  occupant: null,
  state: null,
  uplink: null,
  splits: null,
  latch: null,
  hotPlug: null,
  cardLength: null,
  sharesOpening: null,
  keying: null,
  key: null,
  moduleLengthsMm: null,
  wired: null,
  place: null,
  enclosureId: null,
} as const;

export const BLANK_OCCUPANT = {
  name: '',
  ids: null,
  disposition: 'stays',
  signal: null,
  openings: null,
  lengthMm: null,
  heightMm: null,
  fan: null,
  watts: null,
  plugs: null,
  frontLeads: null,
  hotPlug: null,
} as const;

export const BLANK_SCREEN = {
  id: '',
  name: '',
  input: null,
  otherInputs: null,
  preferred: null,
  modes: [],
  halfColour: [],
  hdmiMegabits: null,
  bitsPerColour: null,
  tiles: {
    across: 1,
    down: 1,
  },
} as const;

export const BLANK_DRIVE = {
  id: '',
  maker: '',
  model: '',
  medium: 'solidState',
  form: '2.5',
  socket: 'sata',
  gigabytes: 0,
  readBytesPerSecond: null,
  writeBytesPerSecond: null,
  sustainedBytesPerSecond: null,
  ratedTerabytes: null,
  writtenTerabytes: null,
  failing: null,
  sides: null,
  heightMm: null,
  fiveVoltWatts: null,
  twelveVoltWatts: null,
  serial: '',
} as const;
