/**
 * Leads inside a machine by kind, and parts of the machine itself: what each end plugs into, and what keeps it from going in
 * the wrong way. An end that is part of a thing – of a fan, of the supply, of the front panel – is none that is plugged in.
 * Sources: ATA/ATAPI-5 for ribbons of 40 and 80 wires and their colours, Serial ATA for its plugs, the ATX12V and EPS12V design
 * guides for the board's power, 4-wire PWM fan specification, the usual conventions of front panels (all from memory).
 */

/** What an end plugs into. */
export type LeadEndKind =
  | 'board'
  | 'drive'
  /** The far end of a ribbon: beyond the twist of a floppy's. */
  | 'endDrive'
  | 'middleDrive'
  | 'discDrive'
  | 'soundInput'
  | 'supplyPlug';

/** What keeps a plug from going in the wrong way. */
type LeadGuard =
  | 'latch'
  | 'keyed'
  /** Nothing does: wire 1 is coloured, and pin 1 marked. */
  | 'pinOne'
  /** Nothing does: plus to plus. */
  | 'polarity'
  /** Either way is right. */
  | 'eitherWay';

interface LeadRow {
  readonly ends: readonly LeadEndKind[];
  readonly guard: LeadGuard;
  /** How the drives on it are told apart; absent: one drive, or none. */
  readonly drivesBy?: 'jumper' | 'position';
  /** It comes out of the power supply. */
  readonly fromSupply?: true;
  /** The colour that each end has, in their order. */
  readonly colours?: readonly string[];
}

const RIBBON = ['board', 'endDrive', 'middleDrive'] as const;

const LEADS = {
  'ribbon-40': { ends: RIBBON, guard: 'pinOne', drivesBy: 'jumper' },
  'ribbon-80': {
    ends: RIBBON,
    guard: 'keyed',
    drivesBy: 'position',
    colours: ['blue', 'black', 'grey'],
  },
  // The twist tells the drives apart: both are set as the second one.
  'floppy-34': { ends: RIBBON, guard: 'pinOne' },
  sata: { ends: ['board', 'drive'], guard: 'keyed' },
  'board-power-20': { ends: ['board'], guard: 'latch', fromSupply: true },
  'board-power-24': { ends: ['board'], guard: 'latch', fromSupply: true },
  'processor-power-4': { ends: ['board'], guard: 'latch', fromSupply: true },
  'processor-power-8': { ends: ['board'], guard: 'latch', fromSupply: true },
  'drive-power-4': { ends: ['drive'], guard: 'keyed', fromSupply: true },
  'drive-power-sata': { ends: ['drive'], guard: 'keyed', fromSupply: true },
  'floppy-power': { ends: ['drive'], guard: 'keyed', fromSupply: true },
  'splitter-4': { ends: ['supplyPlug', 'drive', 'drive'], guard: 'keyed' },
  'fan-3': { ends: ['board'], guard: 'keyed' },
  'fan-4': { ends: ['board'], guard: 'keyed' },
  'disc-sound': { ends: ['discDrive', 'soundInput'], guard: 'pinOne' },
  'front-switch': { ends: ['board'], guard: 'eitherWay' },
  'front-light': { ends: ['board'], guard: 'polarity' },
  'front-speaker': { ends: ['board'], guard: 'eitherWay' },
  'front-usb-9': { ends: ['board'], guard: 'keyed' },
  'front-usb-19': { ends: ['board'], guard: 'keyed' },
  'front-type-c': { ends: ['board'], guard: 'keyed' },
  'front-sound': { ends: ['board'], guard: 'keyed' },
  'lighting-3': { ends: ['board'], guard: 'keyed' },
  'lighting-4': { ends: ['board'], guard: 'polarity' },
} as const satisfies Readonly<Record<string, LeadRow>>;
export type LeadKind = keyof typeof LEADS;
export const LEAD_KINDS = Object.keys(LEADS) as [LeadKind, ...LeadKind[]];
export const leadRow = (kind: LeadKind): LeadRow => LEADS[kind];

/** Most ends of one lead. */
export const MOST_ENDS = 3;

/** Parts of the machine itself, in the order in which they usually go in. Common practice, no source. */
export const MACHINE_PARTS = ['supply', 'processor', 'cooler', 'memory', 'posts', 'board'] as const;
export type MachinePart = (typeof MACHINE_PARTS)[number];

/** What a machine that is built from nothing has to have joined, before anything is added to it. */
export type BuildLead =
  '' | 'processorFan' | 'caseFan' | 'powerSwitch' | 'resetSwitch' | 'powerLight' | 'driveLight';
export const BUILD_LEADS: readonly { readonly kind: LeadKind; readonly name: BuildLead }[] = [
  { kind: 'board-power-24', name: '' },
  { kind: 'processor-power-8', name: '' },
  { kind: 'fan-4', name: 'processorFan' },
  { kind: 'fan-4', name: 'caseFan' },
  { kind: 'front-switch', name: 'powerSwitch' },
  { kind: 'front-switch', name: 'resetSwitch' },
  { kind: 'front-light', name: 'powerLight' },
  { kind: 'front-light', name: 'driveLight' },
];
