/**
 * Every code that a finding can have, one row each: what it says besides its verdict, what group it belongs to, which fact it
 * hangs on, and what mends it or costs. Whatever treats findings by their code reads it here; the wording alone stands
 * beside the screens.
 */
import type { WeighedPart } from '../document/planning.ts';
import type { Backing } from '../parts/statement.ts';
import type { BracketHeight, PCI_KEYINGS, M2_SIGNALS, SlotBus } from '../document/machine.ts';
import type { StageCode } from '../kinds/stages.ts';
import type { BOOT_CODES, Manner } from '../standards/cardForm.ts';
import type { ExtraKind } from '../standards/extras.ts';
import type { BoardHeader, FrontLead } from '../standards/headers.ts';
import type { PlugAdapter, PlugType } from '../standards/plugs.ts';
import type { Encoding, ScreenAdapter, ScreenInput } from '../standards/screens.ts';
import type { M2Key } from '../standards/slotRecords.ts';
import type { DriveSocket } from '../standards/storage.ts';
import type { WifiBand } from '../standards/wifi.ts';
import type { NetworkFeature, NetworkModule } from '../standards/ethernet.ts';
import type { SystemFamily } from '../standards/systems.ts';
import type { FactCode } from './facts.ts';

export type Unit =
  | 'B/s'
  | 'b/s'
  | 'mm'
  | 'm'
  | 'W'
  | 'g'
  | 'GB'
  | 'TB'
  | 'MB'
  | 'mA'
  | 'lanes'
  | 'opening'
  | 'count'
  | 'year'
  | 'cents'
  | 'Hz'
  | 'frames';

/** What else a finding is about, by what kind of thing that is. */
export interface Subjects {
  /** What it is called: a card, a slot, an obstacle, a switch. */
  readonly name: string;
  /** Who says it. */
  readonly source: string;
  readonly bus: SlotBus;
  readonly key: M2Key;
  readonly signal: (typeof M2_SIGNALS)[number];
  readonly keying: (typeof PCI_KEYINGS)[number];
  readonly height: BracketHeight;
  readonly frontLead: FrontLead;
  readonly header: BoardHeader;
  readonly plug: PlugType;
  readonly plugs: readonly PlugType[];
  readonly plugAdapter: PlugAdapter;
  /** Title and version of a package, or the class that the system drives. */
  readonly driver: string;
  /** `vendor:device` in hexadecimal. */
  readonly identity: string;
  readonly boot: (typeof BOOT_CODES)[number];
  readonly stage: StageCode;
  /** Something wanted that a delivery does not have. */
  readonly feature: NetworkFeature | Encoding | WifiBand | PortWanted;
  readonly driveSocket: DriveSocket;
  readonly screenAdapter: ScreenAdapter;
  readonly screenInput: ScreenInput;
  readonly networkModule: NetworkModule;
  readonly backing: Backing;
  readonly manner: Manner;
  readonly family: SystemFamily;
}
export type SubjectKind = keyof Subjects;

/** Sockets that a card may lack. */
export type PortWanted = 'rear' | 'front' | 'typeC' | 'inputs' | 'optical';

/** Limits of a machine that keep cards out. */
export type Limit =
  'slots' | 'staying' | 'openings' | 'room' | 'bracket' | 'power' | 'lanes' | 'system' | 'firmware';

interface Row {
  /** Of what is needed and available; `rate`: of the need asked. */
  readonly unit?: Unit | 'rate';
  readonly subject?: SubjectKind;
  /** Of an unknown: the one fact that settles it. */
  readonly settledBy?: FactCode;
  /** The fact behind what is settled: where it is wrong, so is the verdict. */
  readonly restsOn?: FactCode;
  /** It blocks a card because of this limit. */
  readonly limit?: Limit;
  /** Of the place a card is in, and so asked of a card that only moves. */
  readonly ofPlace?: true;
  /** It depends on which other cards are in the plan, or on all of them: asked of whole plans only. */
  readonly ofPlan?: true;
  /** Of a card's plugs, which are asked of all cards at once. */
  readonly ofPlugs?: true;
  /** Settled by something bought: for the finding's subject, or any of the kind. */
  readonly buys?: { readonly kind: ExtraKind; readonly fits: 'subject' | 'any' };
  /**
   * What the catch is reckoned to cost, in cents, so that it can be weighed against price: bench time and the risk of
   * coming back. Adapters and longer leads are bought and stand under extras; what is left here is the work with them.
   * Common practice, no source.
   */
  readonly penalty?: readonly [WeighedPart, number];
}

const FINDINGS = {
  'seat.bus': { subject: 'bus', limit: 'slots', ofPlace: true },
  'seat.occupied': { subject: 'name', restsOn: 'slot.occupant', limit: 'staying', ofPlace: true },
  'seat.occupantUnknown': { settledBy: 'slot.occupant', ofPlace: true },
  'seat.emptyFirst': { subject: 'name', ofPlace: true },
  'seat.dead': { restsOn: 'slot.state', limit: 'slots', ofPlace: true },
  'seat.dirty': { restsOn: 'slot.state', ofPlace: true, penalty: ['disturbance', 200] },
  'seat.capped': { restsOn: 'slot.state', ofPlace: true, penalty: ['disturbance', 100] },
  'seat.keyUnknown': { settledBy: 'slot.key', ofPlace: true },
  'seat.otherKey': { subject: 'key', restsOn: 'slot.key', limit: 'slots', ofPlace: true },
  'seat.moduleLengthUnknown': { settledBy: 'slot.moduleLengthsMm', ofPlace: true },
  'seat.moduleLength': {
    unit: 'mm',
    restsOn: 'slot.moduleLengthsMm',
    limit: 'slots',
    ofPlace: true,
  },
  'seat.wiredUnknown': { settledBy: 'slot.wired', ofPlace: true },
  'seat.notWired': { subject: 'signal', restsOn: 'slot.wired', limit: 'slots', ofPlace: true },
  'seat.keyingUnknown': { settledBy: 'slot.keying', ofPlace: true },
  'seat.otherKeying': { subject: 'keying', restsOn: 'slot.keying', limit: 'slots', ofPlace: true },
  'seat.splitUnknown': { settledBy: 'slot.splits', ofPlace: true },
  'seat.split': { ofPlace: true, penalty: ['drivers', 500] },
  'seat.noSplit': { restsOn: 'slot.splits', limit: 'slots', ofPlace: true },
  'seat.fits': { ofPlace: true },
  'seat.openEnd': { unit: 'lanes', ofPlace: true },
  'seat.tooLong': { unit: 'lanes', restsOn: 'slot.openEnd', limit: 'slots', ofPlace: true },
  'seat.openEndUnknown': { unit: 'lanes', settledBy: 'slot.openEnd', ofPlace: true },
  'seat.connectorUnknown': { settledBy: 'slot.connectorLanes', ofPlace: true },
  'seat.behindOpenEnd': { unit: 'mm', subject: 'name', limit: 'slots', ofPlace: true },
  'link.enough': { unit: 'B/s', ofPlace: true },
  'link.plenty': { unit: 'B/s', ofPlace: true },
  'link.fewDrives': { unit: 'count', restsOn: 'slot.lanes', ofPlace: true },
  'link.narrowed': { unit: 'B/s', restsOn: 'slot.lanes', ofPlace: true },
  'link.slotUnknown': { settledBy: 'slot.lanes', ofPlace: true },
  'link.uplinkNarrows': { unit: 'B/s', subject: 'name', restsOn: 'slot.uplink', ofPlace: true },
  'sharing.unknown': { subject: 'name', ofPlace: true },
  'sharing.dead': { unit: 'lanes', subject: 'name', limit: 'lanes', ofPlace: true },
  'sharing.fewerLanes': { unit: 'lanes', subject: 'name', ofPlace: true },
  'sharing.kills': { unit: 'lanes', subject: 'name', limit: 'lanes', ofPlace: true },
  'sharing.takes': { unit: 'lanes', subject: 'name', ofPlace: true },
  'bracket.fits': { unit: 'mm' },
  'bracket.swap': {
    unit: 'mm',
    subject: 'height',
    restsOn: 'case.bracket',
    penalty: ['disturbance', 300],
  },
  'bracket.aerials': { unit: 'count', penalty: ['disturbance', 200] },
  'bracket.missing': {
    unit: 'mm',
    subject: 'height',
    restsOn: 'case.bracket',
    buys: { kind: 'bracket', fits: 'subject' },
    penalty: ['disturbance', 800],
  },
  'bracket.cardTooHigh': { unit: 'mm', restsOn: 'case.bracket', limit: 'bracket' },
  'bracket.caseUnknown': { settledBy: 'case.bracket' },
  'enclosure.hotPlug': { ofPlace: true },
  'enclosure.hotPlugUnknown': { subject: 'driver', ofPlace: true },
  'enclosure.noHotPlug': { subject: 'driver', ofPlace: true, penalty: ['drivers', 1_500] },
  'enclosure.chainTooLong': { unit: 'count', limit: 'slots', ofPlace: true },
  'plate.openingsUnknown': { settledBy: 'case.openings' },
  'plate.noOpening': { unit: 'count', restsOn: 'case.openings', limit: 'openings' },
  'plate.own': { unit: 'count', penalty: ['disturbance', 300] },
  'plate.aerials': { buys: { kind: 'aerial', fits: 'any' }, penalty: ['disturbance', 300] },
  'plate.jack': {
    subject: 'height',
    buys: { kind: 'openingJack', fits: 'subject' },
    penalty: ['disturbance', 300],
  },
  'body.lengthFits': { unit: 'mm', ofPlace: true },
  'body.tooLong': { unit: 'mm', restsOn: 'case.lengthRoomMm', limit: 'room', ofPlace: true },
  'body.lengthUnknown': { settledBy: 'case.lengthRoomMm', ofPlace: true },
  'body.openingUnknown': { settledBy: 'slot.opening', ofPlace: true },
  'body.openingsUnknown': { settledBy: 'case.openings', ofPlace: true },
  'body.beyondLastOpening': {
    unit: 'opening',
    restsOn: 'case.openings',
    limit: 'openings',
    ofPlace: true,
  },
  'body.neighbour': { subject: 'name', limit: 'openings', ofPlace: true },
  'body.sharedOpening': { restsOn: 'slot.opening', ofPlace: true },
  'body.neighbourUnknown': { subject: 'name', ofPlace: true },
  'body.coversSlot': { subject: 'name', ofPlace: true, penalty: ['disturbance', 500] },
  'body.obstacleMovable': {
    unit: 'mm',
    subject: 'name',
    ofPlace: true,
    penalty: ['disturbance', 800],
  },
  'body.obstacleInTheWay': { unit: 'mm', subject: 'name', limit: 'room', ofPlace: true },
  'body.tooHigh': { unit: 'mm', limit: 'room', ofPlace: true },
  'body.plugBend': { unit: 'mm', ofPlace: true },
  'body.tooThick': { unit: 'count', limit: 'openings', ofPlace: true },
  'body.ventCovered': { subject: 'name', ofPlace: true, penalty: ['air', 800] },
  'body.sag': {
    unit: 'g',
    ofPlace: true,
    buys: { kind: 'support', fits: 'any' },
    penalty: ['disturbance', 300],
  },
  'body.airShort': { unit: 'mm', subject: 'name', ofPlan: true, penalty: ['air', 600] },
  'body.airTaken': { unit: 'mm', subject: 'name', ofPlan: true, penalty: ['air', 1_000] },
  'quirk.belowFan': { subject: 'name', ofPlan: true, penalty: ['air', 4_000] },
  'body.airUnknown': { subject: 'name', settledBy: 'slot.fan', ofPlan: true },
  'body.outFirst': { subject: 'name', ofPlan: true, penalty: ['disturbance', 800] },
  'header.frontFound': { subject: 'frontLead' },
  'header.frontMissing': {
    subject: 'frontLead',
    restsOn: 'case.frontLeads',
    penalty: ['shortfall', 300],
  },
  'header.frontShort': {
    unit: 'mm',
    subject: 'frontLead',
    restsOn: 'case.frontLeads',
    buys: { kind: 'headerLead', fits: 'subject' },
    penalty: ['disturbance', 300],
  },
  'header.frontUnknown': { subject: 'frontLead', settledBy: 'case.frontLeads' },
  'header.found': { subject: 'header' },
  'header.missing': { subject: 'header', restsOn: 'board.headers', penalty: ['shortfall', 800] },
  'header.short': {
    unit: 'mm',
    subject: 'header',
    restsOn: 'board.headers',
    buys: { kind: 'headerLead', fits: 'subject' },
    penalty: ['disturbance', 300],
  },
  'header.unknown': { subject: 'header', settledBy: 'board.headers' },
  'power.slotEnough': { unit: 'W', ofPlace: true },
  'power.slotShort': { unit: 'W', restsOn: 'slot.powerWatts', limit: 'power', ofPlace: true },
  'power.slotUnknown': { unit: 'W', settledBy: 'slot.powerWatts', ofPlace: true },
  'power.plugsFound': { subject: 'plugs', ofPlan: true, ofPlugs: true },
  'power.adapter': {
    unit: 'W',
    subject: 'plugAdapter',
    ofPlan: true,
    ofPlugs: true,
    penalty: ['disturbance', 500],
  },
  'power.exchange': {
    subject: 'name',
    ofPlan: true,
    ofPlugs: true,
    penalty: ['disturbance', 700],
  },
  'power.plugWeak': {
    unit: 'W',
    subject: 'plug',
    restsOn: 'supply.plugs',
    limit: 'power',
    ofPlugs: true,
  },
  'power.portsShort': { unit: 'W', penalty: ['shortfall', 800] },
  'power.sharedLead': {
    unit: 'W',
    subject: 'plugs',
    restsOn: 'supply.plugs',
    limit: 'power',
    ofPlugs: true,
  },
  'power.leadShort': {
    unit: 'mm',
    subject: 'plug',
    restsOn: 'supply.plugs',
    ofPlan: true,
    ofPlugs: true,
    penalty: ['disturbance', 500],
  },
  'power.supplyOld': { unit: 'count', penalty: ['shortfall', 1_000] },
  'power.plugMissing': { subject: 'plug', restsOn: 'supply.plugs', limit: 'power', ofPlugs: true },
  'power.plugsUnknown': { settledBy: 'supply.plugs' },
  'power.sumFits': { unit: 'W', ofPlan: true },
  'power.headroomUsed': {
    unit: 'W',
    restsOn: 'supply.twelveVoltWatts',
    ofPlan: true,
    penalty: ['shortfall', 1_500],
  },
  'power.sumShort': { unit: 'W', restsOn: 'supply.twelveVoltWatts', limit: 'power' },
  'power.sumUnknown': { settledBy: 'supply.twelveVoltWatts', ofPlan: true },
  'system.package': { subject: 'driver' },
  'system.driverFirst': { subject: 'driver', penalty: ['drivers', 200] },
  'system.ownDriver': { subject: 'driver' },
  'system.noDriver': { subject: 'identity', restsOn: 'system.version', limit: 'system' },
  'system.second': { subject: 'family' },
  'system.secondNeeds': { subject: 'driver', penalty: ['drivers', 300] },
  'system.secondUnknown': { settledBy: 'secondSystem.version' },
  'system.secondNoDriver': { subject: 'family', limit: 'system' },
  'system.unknown': { settledBy: 'system.version' },
  'system.askSystem': {},
  'system.slowDisks': { penalty: ['shortfall', 300] },
  'system.libraryAway': {},
  'system.secureBoot': { subject: 'driver', penalty: ['drivers', 500] },
  'firmware.noPicture': { subject: 'boot', restsOn: 'firmware.kind', limit: 'firmware' },
  'firmware.otherBoot': { subject: 'boot', penalty: ['drivers', 500] },
  'firmware.kindUnknown': { settledBy: 'firmware.kind' },
  'firmware.old': { unit: 'year', restsOn: 'firmware.date', penalty: ['drivers', 2_500] },
  'firmware.dateUnknown': { settledBy: 'firmware.date' },
  'firmware.smallWindows': {
    unit: 'MB',
    restsOn: 'firmware.largeWindows',
    penalty: ['shortfall', 500],
  },
  'firmware.windowsUnknown': { settledBy: 'firmware.largeWindows' },
  'quirk.coldStart': { penalty: ['drivers', 3_000] },
  'quirk.sleep': { penalty: ['drivers', 3_000] },
  'quirk.processorSlot': { subject: 'name', restsOn: 'slot.uplink', limit: 'slots', ofPlace: true },
  'quirk.slotUnknown': { settledBy: 'slot.uplink', ofPlace: true },
  'quirk.jumper': { penalty: ['disturbance', 800] },
  'quirk.restarts': { penalty: ['drivers', 500] },
  'quirk.firmwareFirst': { penalty: ['disturbance', 2_000] },
  'said.listed': { subject: 'source', ofPlace: true },
  'said.tried': { subject: 'source', ofPlace: true },
  'said.claimed': { subject: 'source', ofPlace: true },
  'said.problem': { subject: 'source', ofPlace: true, penalty: ['drivers', 3_000] },
  'said.problemPerhaps': { subject: 'source', settledBy: 'system.family', ofPlace: true },
  'said.problemWith': { subject: 'name', ofPlan: true, penalty: ['drivers', 3_000] },
  'said.onlyTherePerhaps': { subject: 'name', settledBy: 'system.family', ofPlace: true },
  'said.onlyThere': { subject: 'name', limit: 'slots', ofPlace: true },
  'worth.overBudget': { unit: 'cents' },
  'worth.overShare': { unit: 'cents' },
  'deliver.meets': { unit: 'rate', subject: 'stage' },
  'deliver.tight': { unit: 'rate', subject: 'stage', penalty: ['shortfall', 2_000] },
  'deliver.short': { unit: 'rate', subject: 'stage' },
  'deliver.fewer': { unit: 'count' },
  'deliver.unknown': { unit: 'rate', subject: 'stage' },
  'deliver.notBacked': { subject: 'backing' },
  'deliver.otherManner': { subject: 'manner' },
  'deliver.mannerUnknown': { subject: 'manner' },
  'deliver.noBluetooth': {},
  'deliver.screenLess': { unit: 'count', penalty: ['shortfall', 1_000] },
  'deliver.fewBays': { unit: 'count', penalty: ['disturbance', 500] },
  'deliver.fewDrivePlugs': { unit: 'count', penalty: ['disturbance', 500] },
  'deliver.drivesUnfed': {
    unit: 'count',
    restsOn: 'supply.plugs',
    // As much as a fact that is not known: whether they are fed already has to be found out.
    penalty: ['disturbance', 10_000],
  },
  'deliver.drivesTooSmall': { unit: 'GB' },
  'deliver.fewDrives': { unit: 'count' },
  'deliver.driveWorn': { unit: 'TB', subject: 'name', penalty: ['shortfall', 2_000] },
  'deliver.driveFailing': { subject: 'name' },
  'deliver.lacks': { subject: 'feature' },
  'deliver.lessMemory': { unit: 'GB' },
  'deliver.slower': { unit: 'count' },
  'deliver.lessCurrent': { unit: 'mA' },
  'deliver.otherPurpose': {},
  'deliver.noBoardPort': {},
  'deliver.boardPortsUnknown': {},
  'deliver.otherDrive': { subject: 'driveSocket' },
  'deliver.notBootable': {},
  'deliver.bootUnknown': {},
  'deliver.ownDriver': {},
  'deliver.ownDriverUnknown': { settledBy: 'system.version' },
  'deliver.screenAdapter': { subject: 'screenAdapter' },
  'deliver.noAdapter': { subject: 'screenInput' },
  'deliver.cableTooLong': { unit: 'm', restsOn: 'lead.cable' },
  'deliver.cableUsually': { unit: 'b/s', penalty: ['shortfall', 1_000] },
  'deliver.leadBroken': {
    unit: 'b/s',
    subject: 'name',
    restsOn: 'lead.condition',
    penalty: ['disturbance', 500],
  },
  'deliver.leadWorn': { subject: 'name', penalty: ['disturbance', 300] },
  'deliver.linkSlower': { unit: 'b/s', subject: 'name', penalty: ['shortfall', 1_000] },
  'deliver.fibreLead': { restsOn: 'lead.cable' },
  'deliver.networkModule': { subject: 'networkModule', penalty: ['disturbance', 300] },
  'deliver.noCommonBand': { restsOn: 'accessPoint.bands' },
  'deliver.halfColour': { unit: 'b/s', subject: 'stage', penalty: ['shortfall', 2_000] },
  'deliver.screenInput': { unit: 'b/s', subject: 'stage' },
  'deliver.lessColour': { unit: 'count', penalty: ['shortfall', 1_000] },
  'deliver.tightBlanking': { unit: 'b/s', subject: 'stage', penalty: ['shortfall', 1_000] },
} as const satisfies Readonly<Record<string, Row>>;

export type FindingCode = keyof typeof FINDINGS;
type RowOf<Code extends FindingCode> = (typeof FINDINGS)[Code];

/** The row of a code, every column of it asked for. */
export const findingRow = (code: FindingCode): Row => FINDINGS[code];

/** Codes that the picked rows have. */
export const codesWhere = (picks: (row: Row) => boolean): ReadonlySet<FindingCode> =>
  new Set((Object.keys(FINDINGS) as FindingCode[]).filter((code) => picks(FINDINGS[code])));

/** What a finding of a code says besides its verdict. */
export type Payload<Code extends FindingCode> = FiguresOf<RowOf<Code>> & SubjectOf<RowOf<Code>>;

type FiguresOf<Of> = Of extends { readonly unit: infer In }
  ? {
      readonly needed?: number;
      readonly available?: number;
      readonly unit?: In extends Unit ? In : Unit;
    }
  : { readonly needed?: never; readonly available?: never; readonly unit?: never };

type SubjectOf<Of> = Of extends { readonly subject: infer Kind extends SubjectKind }
  ? // A flow without any stage has none that limits.
    Kind extends 'stage'
    ? { readonly subject?: StageCode }
    : { readonly subject: Subjects[Kind] }
  : { readonly subject?: never };
