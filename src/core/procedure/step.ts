/** One step of a job, as data; the wording stands beside the screens. */
import type { NetworkSetting } from '../kinds/network/settings.ts';
import type { CoverFrom } from '../assembly/covers.ts';
import type { AssembledCard } from '../assembly/assembly.ts';
import type { RearSockets } from '../assembly/rearLeads.ts';
import type { OldDriver } from '../assembly/driverTargets.ts';
import type { OutranksBy } from '../drivers/chooseDriver.ts';
import { cardName, type Card } from '../document/card.ts';
import type { Channel, DriverWays } from '../document/driverPackage.ts';
import { onId, type ActCode, type ActOn, type RoundNumber } from '../document/act.ts';
import type { Stage } from '../document/job.ts';
import type { BracketHeight, CoverType, PANEL_HOLDS } from '../document/machine.ts';
import type { Task, Tool } from './fitting/task.ts';
import type { FactCode } from '../rules/facts.ts';
import type { Cause } from '../standards/causes.ts';
import type { ExtraKind } from '../standards/extras.ts';
import type { BoardHeader, FrontLead } from '../standards/headers.ts';
import type { ScreenAdapter } from '../standards/screens.ts';
import type { BayFrame, DriveArray, MODULE_SIDES } from '../standards/storage.ts';
import type { LeadEndKind, LeadKind, MachinePart } from '../standards/innerLeads.ts';
import type { SystemFamily } from '../standards/systems.ts';
import type { PlugAdapter, PlugType } from '../standards/plugs.ts';

export type CautionCode =
  | 'mains'
  | 'static'
  | 'sharpCover'
  | 'noForce'
  | 'latch'
  | 'heavyCard'
  | 'oneLeadOnePlug'
  | 'hotCard'
  | 'othersData'
  | 'steadyPower'
  | 'openPower'
  | 'pinOne'
  | 'polarity'
  | 'bentPins'
  | 'localRules';

/** A card and where it goes, so that two of a kind are told apart. */
export interface CardAt {
  readonly card: string;
  readonly slot: string;
  /** The external box; empty for the machine's own case. */
  readonly enclosure: string;
}

/** A drive as it is told from others. */
interface DriveNamed {
  /** Empty where only its kind and size are told. */
  readonly name: string;
  readonly gigabytes: number;
  readonly serial: string;
  /** Of a module; null: nobody told. */
  readonly sides: (typeof MODULE_SIDES)[number] | null;
}

/** Drives that hang on a card; without one on the board's own ports. */
interface DrivesOn extends CardAt {
  readonly count: number;
  /** Those that are known of them. */
  readonly drives: readonly DriveNamed[];
}

/** With the ports that they take. */
interface DrivesAt extends DrivesOn {
  /** The first of its ports that they take, from one. */
  readonly firstPort: number;
}

/** An opening of a case, with how its cover is held; empty while nobody told. */
interface OpeningAt {
  readonly opening: number;
  readonly enclosure: string;
  readonly covers: string;
}

/** In the machine's own case, where empty. */
interface InCase {
  readonly enclosure: string;
}

/** How a panel is held; null: nobody told. */
interface PanelOf extends InCase {
  readonly held: (typeof PANEL_HOLDS)[number] | null;
}

/** What holds a bracket; null: nobody told. */
export type BracketHold = 'screwed' | 'clipped' | 'bar';
interface Held {
  readonly hold: BracketHold | null;
  /** At the far end of its slot; null: nobody told. */
  readonly latch: boolean | null;
}

/** Plugs and leads of a card that is in already; null: nobody told. */
interface Joined {
  readonly plugs: readonly PlugType[] | null;
  readonly leads: readonly FrontLead[] | null;
}

interface PackageNamed {
  readonly title: string;
  readonly version: string;
}

/** A package with how its installer behaves, as far as its maker says. */
interface Installing extends PackageNamed {
  readonly from: Channel;
  readonly installation: DriverWays['installation'];
  /** What that adds to the driver. */
  readonly adds: readonly string[];
  /** Null: nobody says. */
  readonly restarts: number | null;
  readonly flickers: boolean;
  readonly goesOn: boolean;
  readonly hasCleanOption: boolean;
}

/** What is used up, or has to lie ready beside the tools. */
export type Consumable = 'tray' | 'bag' | 'ties' | 'labels' | 'gloves' | 'strap';

interface Nothing {
  readonly [key: string]: never;
}

/** What the wording of each step fills in. */
export interface StepValues {
  readonly settle: { readonly fact: FactCode; readonly subject: string };
  readonly order: CardAt & {
    readonly cents: number;
    /** Days within which it can go back; null: not at all, or nobody said. */
    readonly returnDays: number | null;
    /** In the shop's own drawer. */
    readonly isAtHand: boolean;
  };
  readonly orderExtra: {
    readonly kind: ExtraKind;
    readonly fits: string;
    readonly count: number;
    readonly isAtHand: boolean;
  };
  readonly orderNamed: {
    readonly name: string;
    readonly kind: ExtraKind;
    readonly isAtHand: boolean;
    /** Missed at the bench, and bought without a price. */
    readonly isUnpriced: boolean;
  };
  /** The card against what was ordered, with all that has to lie in its box. */
  readonly checkArrived: CardAt & {
    /** The bracket that is on it; null: it has none. */
    readonly mounted: BracketHeight | null;
    /** The height of the case it goes into; null: nobody told, or it has no bracket. */
    readonly wanted: BracketHeight | null;
    readonly contents: Card['contents'];
    readonly returnDays: number | null;
  };
  readonly checkExtra: {
    /** Empty where none was chosen by name. */
    readonly name: string;
    readonly kind: ExtraKind;
    readonly fits: string;
    readonly count: number;
  };
  /** What the tasks of this job take. */
  readonly layOut: { readonly tools: readonly Tool[]; readonly consumables: readonly Consumable[] };
  /** Settings that a firmware update, or this plan, changes. */
  readonly noteSettings: { readonly isUpdated: boolean; readonly isSplit: boolean };
  readonly photoBehind: Nothing;
  readonly updateFirmware: { readonly year: number };
  readonly fetchDriver: PackageNamed & {
    readonly from: Channel;
    /** Of all its files; zero: nobody says. */
    readonly bytes: number;
    /** The next best, and why it is not taken. */
    readonly outranked: (PackageNamed & { readonly by: OutranksBy }) | null;
    /** False where it hangs on a fact of the system that nobody told. */
    readonly sure: boolean;
  };
  readonly writeStick: { readonly count: number; readonly isOnlyWay: boolean };
  readonly openWindows: CardAt & { readonly megabytes: number };
  readonly flashCard: CardAt & { readonly name: string };
  readonly rescueMedium: Nothing;
  readonly takeOffline: Nothing;
  readonly backOnline: Nothing;
  readonly undoTeam: { readonly device: string };
  readonly removeOldDriver: {
    readonly device: string;
    readonly driver: string;
    readonly how: DriverWays['oldDriver'];
    readonly because: OldDriver['because'];
    readonly isDisplay: boolean;
  };
  readonly findDriver: CardAt & { readonly identity: string };
  readonly enrolKey: CardAt;
  readonly splitSlot: CardAt;
  readonly bringScrew: {
    readonly count: number;
    /** The small ones that hold modules flat. */
    readonly isModule: boolean;
  };
  readonly noteTrouble: { readonly count: number; readonly names: string };
  /** Before anything is touched, what was broken already is shown to whoever owns it. */
  readonly showDamage: { readonly what: readonly string[] };
  /** Its own firmware, put on it where it shows itself: in another machine. */
  readonly firmwareFirst: CardAt;
  readonly installFirst: Installing;
  readonly backUp: Nothing;
  readonly before: Nothing;
  /** With the boxes outside that have a mains lead of their own. */
  readonly powerOff: { readonly boxes: readonly string[] };
  readonly leadsOff: Nothing;
  readonly discharge: Nothing;
  /** One of the two ways against static. */
  readonly earth: Nothing;
  /** How leads and plugs lie before any of them is touched. */
  readonly photoInside: Nothing;
  readonly openCase: PanelOf;
  /** The panel behind the board. */
  readonly openFarSide: PanelOf;
  readonly dustOut: Nothing;
  readonly removeBar: InCase;
  readonly refitBar: InCase;
  /** What is joined to a card that comes out; null: nobody told. */
  readonly freeCard: CardAt & Joined;
  readonly takeOut: CardAt & Held;
  readonly takeOutFirst: CardAt & Held & { readonly neighbour: string };
  readonly takeToMove: CardAt & Held & { readonly to: string };
  readonly moveCard: CardAt & Held & { readonly from: string };
  readonly putBack: InCase & Held & { readonly neighbour: string };
  readonly plugBack: CardAt & Joined;
  readonly removeCover: OpeningAt;
  readonly closeOpening: OpeningAt & {
    readonly with: CoverFrom;
    /** The opening that it was taken from. */
    readonly of: number | null;
  };
  readonly moveObstacle: { readonly name: string; readonly how: string };
  readonly restorePlug: { readonly name: string };
  /** Before the card comes over it. */
  readonly leadPlugRound: { readonly name: string };
  readonly putIn: {
    readonly name: string;
    readonly kind: ExtraKind;
  };
  /** What closes a bay at the front, and how it is held; null: nobody told. */
  readonly removeFrontCover: { readonly name: string; readonly covers: CoverType | null };
  readonly swapBracket: CardAt & { readonly height: BracketHeight };
  readonly joinLead: CardAt & { readonly lead: string };
  readonly joinFront: CardAt & { readonly lead: FrontLead };
  readonly joinRibbon: CardAt & { readonly count: number };
  /** What the plate bears: jacks, or sockets of aerials. */
  readonly joinJack: CardAt & { readonly count: number; readonly bears: 'jack' | 'aerial' };
  readonly setJumper: CardAt;
  readonly fitModules: CardAt & {
    readonly count: number;
    /** Their data leads go to ports of the board. */
    readonly toBoard: boolean;
    /** A heat sink is screwed over them. */
    readonly hasCover: boolean;
    readonly drives: readonly DriveNamed[];
  };
  /** Before anything goes in: what lies in the slot or over it. */
  readonly clearSlot: CardAt & { readonly state: 'dirty' | 'capped' };
  readonly seat: CardAt & {
    /** Null: nobody told. */
    readonly latch: boolean | null;
    /** Its far end goes into a guide. */
    readonly hasGuide: boolean;
    /** Its bracket goes through an opening, and its foot into the gap beside the board. */
    readonly hasBracket: boolean;
  };
  readonly screw: CardAt & Held & { readonly isModule: boolean };
  readonly fitPlate: CardAt & { readonly opening: number };
  readonly support: CardAt;
  readonly joinHeader: CardAt & {
    readonly header: BoardHeader;
    /** The card will lie over it. */
    readonly isCovered: boolean;
  };
  /** The other end of a lead to a header of the board. */
  readonly joinOwnEnd: CardAt & { readonly header: BoardHeader };
  /** The same, where it cannot be reached once the card is in. */
  readonly joinOwnFirst: CardAt & { readonly header: BoardHeader };
  /** The other end of a module's data lead. */
  readonly joinBoardPort: CardAt & { readonly count: number };
  readonly fitOnBoard: { readonly part: MachinePart };
  readonly fitInCase: { readonly part: MachinePart };
  /** How a drive on a ribbon is told from the other one. */
  readonly setDrive: {
    readonly lead: LeadKind;
    readonly name: string;
    readonly at: string;
    readonly how: 'first' | 'second' | 'position';
  };
  readonly joinEnd: {
    readonly lead: LeadKind;
    readonly name: string;
    readonly end: LeadEndKind;
    /** What is printed there; empty: nobody told. */
    readonly at: string;
    /** Of this end's plug; empty: they are all alike. */
    readonly colour: string;
    /** Known to be out; else nobody knows. */
    readonly isLoose: boolean;
  };
  readonly exchangePlugs: CardAt & {
    readonly feeds: string;
    /** The free plug that goes in, and the one that comes out for the card. */
    readonly gets: PlugType;
    readonly gives: PlugType;
  };
  readonly plug: CardAt & {
    readonly plug: PlugType;
    readonly adapter: PlugAdapter | null;
    /** No lead reaches as it is. */
    readonly isLengthened: boolean;
  };
  readonly mountDrives: DrivesAt & {
    /** What holds narrow drives in wide bays. */
    readonly frames: readonly BayFrame[];
    readonly bothSides: boolean;
  };
  /** The end of each data lead at the card, or at the board. */
  /** Some hang on another port by now: a plan before had them there. */
  readonly joinDrives: DrivesAt & { readonly hangElsewhere: boolean };
  readonly joinDriveEnds: DrivesAt;
  readonly feedDrives: DrivesAt & { readonly plugAdapters: readonly PlugAdapter[] };
  readonly lookOver: InCase;
  readonly closeFarSide: PanelOf;
  readonly closeCase: PanelOf;
  /** The first time, where nothing was joined before. */
  readonly leadsBack: { readonly isFirst: boolean };
  /** Through what stands between outputs and screens. */
  readonly moveScreenLead: CardAt & {
    readonly adapters: readonly ScreenAdapter[];
    /** The board’s own sockets go dead. */
    readonly boardGoesOff: boolean;
    /** The card whose sockets they come from; empty: none. */
    readonly from: string;
  };
  /** From an output of this card to the input of another one. */
  readonly joinLoop: CardAt & {
    readonly count: number;
    readonly adapters: readonly ScreenAdapter[];
  };
  readonly joinAerials: CardAt & { readonly count: number };
  /** Leads behind that go to the card, but for those of screens. */
  readonly joinRear: CardAt & Pick<RearSockets, 'kind' | 'count' | 'end'>;
  readonly joinEnclosures: {
    readonly names: readonly string[];
    /** Those whose lead has a lock. */
    readonly locked: readonly string[];
  };
  /** Whether external boxes are seen, and what helps where one is not. */
  readonly checkEnclosures: { readonly names: readonly string[] };
  readonly start: Nothing;
  /** In an open case, on the other machine of a trial. */
  readonly tryStart: Nothing;
  readonly tryFirmware: CardAt;
  readonly trySystem: CardAt & {
    readonly family: SystemFamily | null;
    /** What the system's own list calls it; empty where nobody knows. */
    readonly listedAs: string;
  };
  readonly tryOut: CardAt & { readonly latch: boolean | null };
  readonly countDrives: { readonly count: number };
  readonly checkDevice: CardAt & {
    readonly identity: string;
    readonly family: SystemFamily | null;
    /** What the system's own list will call it; empty where nobody knows. */
    readonly listedAs: string;
  };
  /** Of a carrier that is no device itself, or of drives that the firmware does not list. */
  readonly checkDrives: CardAt & { readonly count: number; readonly isPassive: boolean };
  readonly installDriver: CardAt &
    Installing & {
      readonly listedAs: string;
      /** Other cards that the same installation serves. */
      readonly alsoFor: readonly CardAt[];
    };
  readonly ownDriver: CardAt & {
    readonly driver: string;
    /** The system looks for it, and may bring a newer one. */
    readonly isFound: boolean;
  };
  readonly installFound: CardAt;
  /** On the other system that the machine is started with. */
  readonly secondSystem: CardAt & {
    readonly family: SystemFamily | null;
    /** What takes it there; null: nobody knows. */
    readonly driver: string | null;
  };
  readonly checkFirmware: CardAt & { readonly name: string };
  readonly copyBoot: Nothing;
  readonly editBoot: CardAt & { readonly parameter: string };
  readonly readBoot: CardAt & { readonly parameter: string };
  readonly setNetwork: CardAt & {
    readonly setting: NetworkSetting;
    readonly megabits: number;
    /** Cards that work as one with it: it is set once for all. */
    readonly alsoFor: readonly CardAt[];
  };
  /** Used ones, before anything is built on them. */
  readonly testDrives: DrivesOn;
  readonly prepareDrives: DrivesOn & { readonly array: DriveArray };
  readonly restart: { readonly times: number };
  readonly checkLink: CardAt & {
    readonly generation: number;
    readonly width: number;
    readonly family: SystemFamily | null;
    /** Of each drive that it carries: the card has none of its own. */
    readonly ofEach: boolean;
  };
  /** Before a wire is blamed. */
  readonly checkShare: Nothing;
  readonly checkStartedFrom: CardAt;
  /** What was found to hold a figure back. */
  readonly mend: {
    readonly cause: Cause;
    /** Of the need's way: `wire 1` is the link to the second device. */
    readonly part: string;
    /** Empty where no card of the plan serves the need any more. */
    readonly card: string;
    readonly slot: string;
    /** The device that the wire leads to; empty: it is no wire. */
    readonly hop: string;
  };
  readonly keepParts: Nothing;
  readonly explain: Nothing;
}
export type StepCode = ActCode & keyof StepValues;

/** What every step has, whatever it says. */
interface StepBase {
  /** To be compared: nothing is read out of it. */
  readonly id: string;
  /** What it is done to: with code and round what tells it from every other step. */
  readonly on: ActOn;
  readonly stage: Stage;
  /** Those of the second wait until the cards of the first run; 0: on another machine, as a trial. */
  readonly round: RoundNumber;
  /** Still to be done. */
  readonly isOpen: boolean;
  readonly cautions: readonly CautionCode[];
  /** The slot to light on the board. */
  readonly slotId: string | null;
  /** The device of the machine that it is about; null: a card, or none. */
  readonly deviceId: string | null;
  /** Of the physical work: where, with what, and after what. */
  readonly task: Task | null;
}

type Saying = {
  [Code in StepCode]: { readonly code: Code; readonly values: StepValues[Code] };
}[StepCode];

export type Step = StepBase & Saying;

/** A step that has no place yet. */
export type Draft = Saying &
  Omit<StepBase, 'id' | 'stage' | 'round' | 'task' | 'isOpen'> & {
    /** What it is done to, to be compared. */
    readonly key: string;
  };

interface More {
  readonly cautions?: readonly CautionCode[];
  readonly slotId?: string;
  readonly deviceId?: string;
  readonly on?: ActOn;
}

export const step = <Code extends StepCode>(
  code: Code,
  values: StepValues[Code],
  { cautions = [], slotId, deviceId, on = {} }: More = {},
): Draft =>
  ({
    code,
    values,
    cautions,
    slotId: slotId ?? null,
    deviceId: deviceId ?? null,
    on,
    key: onId(on),
  }) as Draft;

/** A step that says all by its code. */
export const plainStep = <Code extends StepCode>(
  code: Nothing extends StepValues[Code] ? Code : never,
  more: More = {},
): Draft => step(code, {} as StepValues[Code], more);

export const cardAt = ({ card, slot, enclosureName }: AssembledCard): CardAt => ({
  card: cardName(card),
  slot: slot.label,
  enclosure: enclosureName ?? '',
});

export const keyed = ({ card, slot }: AssembledCard) => ({
  slotId: slot.id,
  on: { card: card.id, slot: slot.id },
});
