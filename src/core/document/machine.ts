/** The surveyed machine: everything that decides which card goes where, each fact with its source. */
import * as z from 'zod/mini';
import { fact, known, type Source } from '../parts/fact.ts';
import * as limits from '../parts/limits.ts';
import { MOST, date, id, listOf, text, version } from '../parts/limits.ts';
import { PciAddress, PciFunction } from '../parts/pciFunction.ts';
import { PLUG_TYPES } from '../standards/plugs.ts';
import { SYSTEM_FAMILIES } from '../standards/systems.ts';
import { SCREEN_INPUTS } from '../standards/screens.ts';
import { M2_KEYS } from '../standards/slotRecords.ts';
import { BOARD_HEADERS, FRONT_LEADS } from '../standards/headers.ts';
import { BAY_SIZES } from '../standards/storage.ts';
import { MACHINE_PARTS } from '../standards/innerLeads.ts';
import { Delivery } from '../kinds/delivery.ts';
import { InnerLead } from '../parts/innerLead.ts';
import { AccessPoint, NetworkPath, emptyAccessPoint, emptyPath } from '../parts/networkPath.ts';
import { asking, mismatchesOfMachine } from './references.ts';
import type { DeepReadonly } from '../units.ts';

export const GenerationSchema = z.union([
  z.literal(1),
  z.literal(2),
  z.literal(3),
  z.literal(4),
  z.literal(5),
]);

/** From the rear edge of the case, and along it from the board's upper edge. */
const Place = z.object({ xMm: limits.offsetMm, yMm: limits.offsetMm });

export const SlotBus = z.enum(['pcie', 'pci', 'm2']);
export type SlotBus = z.infer<typeof SlotBus>;

export const SystemFamilySchema = z.enum(SYSTEM_FAMILIES);
export const Architecture = z.enum(['x86-64', 'x86-32', 'arm64']);
export const CoverType = z.enum(['screwed', 'clipped', 'snapped']);
/** How the side panel over the cards is held. */
export const PANEL_HOLDS = ['screws', 'latch'] as const;
export const BracketHeight = z.enum(['full', 'low']);
/** What stands before its use: nothing, dust in its contacts, a cap over it; or it does not work any more. */
export const SLOT_STATES = ['good', 'dirty', 'capped', 'dead'] as const;
export const M2_SIGNALS = ['pcie', 'sata', 'usb', 'radio'] as const;
export const OBSTACLE_KINDS = [
  'header',
  'fanPlug',
  'cage',
  'heatSink',
  'memory',
  /** An opening for air: nothing bars the way, and nothing should stand before it. */
  'vent',
  'other',
] as const;

export const DISPOSITIONS = ['stays', 'optional', 'remove'] as const;
export type Disposition = (typeof DISPOSITIONS)[number];

/**
 * A fan on a card: where along the card it sits, the air it wants in front of it, and how far above the board it
 * begins (absent: at the board), in millimetres.
 */
export const Fan = z.object({
  fromMm: limits.offsetFromEdgeMm,
  toMm: limits.millimetres,
  airMm: limits.millimetres,
  aboveMm: z.optional(limits.millimetres),
});

/** What sits in a slot already. */
export const Occupant = z.object({
  name: text,
  /** Its identity, by which its record is found in the catalogue; null where nobody read it. */
  ids: z.nullable(z.object({ vendor: limits.code16, device: limits.code16 })),
  /** Whether it stays in the machine, may be given up for something better, or comes out for good. */
  disposition: z.enum(DISPOSITIONS),
  /** What a module in an M.2 socket uses of it; null where nobody said. */
  signal: z.nullable(z.enum(M2_SIGNALS)),
  /** Openings it takes, its own included. */
  openings: fact(limits.openings),
  /** How far it reaches from the rear edge, and how high above the board, in millimetres. */
  lengthMm: fact(limits.millimetres),
  heightMm: fact(limits.millimetres),
  /** Its fan; the value null: it has none. */
  fan: fact(z.nullable(Fan)),
  /** What comes free with it when it leaves: 12 V load, plugs that feed it, leads of the front panel that are joined to it. */
  watts: fact(limits.wattsOrNone),
  plugs: fact(listOf(z.enum(PLUG_TYPES), MOST.sockets)),
  frontLeads: fact(listOf(z.enum(FRONT_LEADS), MOST.leads)),
  /** Whether its driver bears that it comes and goes with an external box, as its system says. */
  hotPlug: fact(z.boolean()),
});

/** A narrower link between a slot and the processor, which all slots behind it share. */
const Uplink = z.object({
  /** Slots with the same one share it. */
  id: text,
  name: text,
  generation: GenerationSchema,
  lanes: limits.lanes,
});

export const PCI_KEYINGS = ['5 V', '3.3 V', 'universal'] as const;

export const Slot = z.object({
  id,
  label: text,
  bus: SlotBus,
  /** The number the port gives its slot. */
  number: fact(limits.slotNumber),
  /** The root port or switch port behind it. */
  port: fact(PciAddress),
  /** Lanes the connector has contacts for. */
  connectorLanes: fact(z.union([z.literal(1), z.literal(4), z.literal(8), z.literal(16)])),
  /** Lanes really wired. */
  lanes: fact(limits.lanes),
  generation: fact(GenerationSchema),
  openEnd: fact(z.boolean()),
  powerWatts: fact(limits.slotWatts),
  /** The opening it faces, counted from 1 at the processor's end. */
  opening: fact(limits.openings),
  occupant: fact(z.nullable(Occupant)),
  state: fact(z.enum(SLOT_STATES)),
  /** What lies between it and the processor; the value null means nothing does. */
  uplink: fact(z.nullable(Uplink)),
  /** Whether the firmware can split its lanes among several devices. */
  splits: fact(z.boolean()),
  /** Whether its connector holds a card with a latch at its end. */
  latch: fact(z.boolean()),
  /** Whether a card may come and go while the machine runs. */
  hotPlug: fact(z.boolean()),
  /** How long a card may be, by the firmware's record: half or full length. */
  cardLength: fact(z.enum(['short', 'long'])),
  /** Whether another slot faces the same opening, so that only one of the two can be used. */
  sharesOpening: fact(z.boolean()),
  /** Classic PCI: which cards its key lets in. */
  keying: fact(z.enum(PCI_KEYINGS)),
  /** M.2: its key, the lengths of module it holds, the signals really wired, and where it lies on the board. */
  key: fact(z.enum(M2_KEYS)),
  moduleLengthsMm: fact(listOf(limits.wholeMillimetres, MOST.moduleLengths)),
  wired: fact(listOf(z.enum(M2_SIGNALS), M2_SIGNALS.length)),
  place: fact(Place),
  /** The external box it is in; null: the case. */
  enclosureId: z.nullable(id),
});

/** What using one slot does to another: “falls to x8”, “dead while that socket holds a SATA drive”. */
export const Condition = z.object({
  id,
  /** The slot that loses lanes, and how many it keeps. */
  slotId: id,
  keepsLanes: limits.lanesOrNone,
  /** The slot whose use takes them, and what has to be in it. */
  whenSlotId: id,
  holds: z.enum(['anything', 'pcie', 'sata']),
});

/** Something that stands on the board where a card might lie, as a cuboid in millimetres. */
export const Obstacle = z.object({
  id,
  name: text,
  kind: z.enum(OBSTACLE_KINDS),
  /** From the rear edge of the case, and along it from the board's upper edge. */
  ...Place.shape,
  widthMm: limits.millimetres,
  depthMm: limits.millimetres,
  /** Above the board. */
  heightMm: limits.millimetres,
  movable: z.boolean(),
  /** What moving it means: which lead to pull, which screws to take out. */
  moving: text,
  /** Where on the board its plug goes in again once it is led round; absent: it stays where it was moved to. */
  plugAt: z.optional(Place),
});

const CaseSchema = z.object({
  bracket: fact(BracketHeight),
  openings: fact(limits.openings),
  /** From the rear edge to the first thing that stops a card. */
  lengthRoomMm: fact(limits.millimetres),
  /** From the board to the cover over the cards. */
  heightRoomMm: fact(limits.millimetres),
  /** Leads of the front panel that nothing uses yet. */
  frontLeads: fact(
    listOf(
      z.object({
        type: z.enum(FRONT_LEADS),
        /** How near to the rear edge it can be brought; absent: anywhere. */
        nearestMm: z.optional(limits.offsetFromEdgeMm),
      }),
      MOST.leads,
    ),
  ),
  /** Free bays for drives. */
  bays: fact(
    listOf(
      z.object({
        size: z.enum(BAY_SIZES),
        count: limits.counted,
        /** How high a drive may be in it; absent: any of its size. */
        heightMm: z.optional(limits.millimetres),
      }),
      MOST.bays,
    ),
  ),
  /** Where one opening has less room than the others. */
  tightOpenings: listOf(
    z.object({
      opening: limits.openings,
      lengthMm: limits.millimetres,
      /** How thick a card may be that stands in it, in openings; absent: as thick as the rest allows. */
      thickness: z.optional(limits.openings),
    }),
    MOST.tightOpenings,
  ),
  covers: fact(CoverType),
  spareScrews: fact(limits.countedOrNone),
  spareCovers: fact(limits.countedOrNone),
  /** Screws of the kind that holds a module flat. */
  spareModuleScrews: fact(limits.countedOrNone),
  panelHeld: fact(z.enum(PANEL_HOLDS)),
  /** Whether the panel behind the board comes off as well. */
  opensBothSides: fact(z.boolean()),
  /** Whether one bar lies over all brackets. */
  retentionBar: fact(z.boolean()),
  /** How what closes the bays at the front is held. */
  frontCovers: fact(CoverType),
  /** Whether the far end of a long card goes into a guide. */
  guides: fact(z.boolean()),
  /** Of a box: whether its lead to the machine has a lock. */
  leadLock: fact(z.boolean()),
});

const SupplySchema = z.object({
  /** Of all voltages together, as printed large on the label. */
  labelWatts: fact(limits.watts),
  twelveVoltWatts: fact(limits.watts),
  /** Years in use, as the technician reckons. */
  ageYears: fact(limits.years),
  /** 12 V load of all that is there already: processor, drives, fans, fitted cards. */
  baseWatts: fact(limits.watts),
  /** The most it was seen to give with all that is there already at work, measured. */
  measuredWatts: fact(limits.watts),
  /** Free plugs. Plugs on one lead share what the lead carries. */
  plugs: fact(
    listOf(
      z.object({
        type: z.enum(PLUG_TYPES),
        count: limits.countedOrNone,
        /** What it is rated for where its kind leaves that open, as 12V-2x6 does. */
        ratedWatts: z.optional(limits.watts),
        /** Name of the lead it hangs on, where several plugs share one. */
        lead: z.optional(text),
        /** How far down from the board's upper edge it reaches, held over the cards. */
        reachMm: z.optional(limits.millimetres),
      }),
      MOST.plugs,
    ),
  ),
  /** Plugs that feed something already. One may be exchanged for a free plug that its thing takes as well. */
  plugsInUse: fact(
    listOf(
      z.object({
        type: z.enum(PLUG_TYPES),
        /** What it feeds, in the technician's words. */
        feeds: text,
        /** What else that thing could be fed by; a plug of the same type always does. */
        alsoTakes: listOf(z.enum(PLUG_TYPES), PLUG_TYPES.length),
        /** How far down from the board's upper edge that thing is; absent: any plug reaches it. */
        atMm: z.optional(limits.millimetres),
        lead: z.optional(text),
        reachMm: z.optional(limits.millimetres),
      }),
      MOST.plugs,
    ),
  ),
});

/** A case outside the machine with slots of its own. */
export const Enclosure = z.object({
  id,
  name: text,
  /** Its place in the chain of enclosures, counted from the machine. */
  chainPosition: limits.counted,
  case: CaseSchema,
  supply: SupplySchema,
});

const ScreenMode = z.object({
  widthPx: limits.pixels,
  heightPx: limits.pixels,
  refreshHz: limits.refreshHz,
});

/** A screen of the customer's, as it reports itself. */
export const Screen = z.object({
  id,
  name: text,
  /** The socket that its report was read through, or that is meant to be used. */
  input: fact(z.enum(SCREEN_INPUTS)),
  /** What it could be joined to instead: its report tells of one socket only. */
  otherInputs: fact(listOf(z.enum(SCREEN_INPUTS), SCREEN_INPUTS.length)),
  preferred: fact(ScreenMode),
  /** Modes it reports for one stream. */
  modes: listOf(ScreenMode, MOST.modes),
  /** Modes that it takes at half the colour over HDMI, those included that it takes only so. */
  halfColour: listOf(ScreenMode, MOST.modes),
  /** The most that its HDMI input takes, picture only; null: its report does not say. */
  hdmiMegabits: z.nullable(limits.wholeMegabits),
  /** Most bits of a colour it reports. */
  bitsPerColour: z.nullable(limits.bitsPerColour),
  /** A whole picture is made of so many streams side by side and one below the other. */
  tiles: z.object({ across: limits.tiles, down: limits.tiles }),
});

const SystemSchema = z.object({
  family: fact(SystemFamilySchema),
  /** As the system gives it: 10, 11, 6.1. */
  version: fact(version),
  architecture: fact(Architecture),
  /** In its own words, with its release. */
  name: fact(text),
  build: fact(text),
  secureBoot: fact(z.boolean()),
});

export const Machine = z
  .object({
    name: text,
    /** The board's outline: away from the rear edge, along it, and to the middle of the first opening. */
    board: fact(
      z.object({
        widthMm: limits.millimetres,
        depthMm: limits.millimetres,
        firstOpeningMm: limits.millimetres,
      }),
    ),
    case: CaseSchema,
    slots: listOf(Slot, MOST.slots),
    conditions: listOf(Condition, MOST.conditions),
    obstacles: listOf(Obstacle, MOST.obstacles),
    enclosures: listOf(Enclosure, MOST.enclosures),
    supply: SupplySchema,
    system: SystemSchema,
    /** What it is started with at other times: cards have to suit both. Null: it runs one only. */
    secondSystem: z.nullable(SystemSchema),
    firmware: z.object({
      kind: fact(z.enum(['uefi', 'bios'])),
      version: fact(text),
      /** ISO date of its release. */
      date: fact(date),
      /** Whether it places large windows of cards above 4 GB. */
      largeWindows: fact(z.boolean()),
    }),
    /** What the board delivers by itself, without any card. */
    builtIn: fact(listOf(Delivery, MOST.deliveries)),
    /** Free headers of the board, and where they stand. */
    headers: fact(
      listOf(
        z.object({
          type: z.enum(BOARD_HEADERS),
          place: z.optional(Place),
          /** Seen at the bench: nothing keeps a plug from going on the wrong way. */
          unkeyed: z.optional(z.literal(true)),
        }),
        MOST.headers,
      ),
    ),
    /** Devices on the board itself that are switched on, by the firmware's word. */
    onBoard: listOf(z.object({ name: text, kind: text }), MOST.onBoard),
    screens: listOf(Screen, MOST.screens),
    path: NetworkPath,
    accessPoint: AccessPoint,
    /** What the machine reported of its devices. */
    functions: listOf(PciFunction, MOST.functions),
    /** Devices that its system says do not work. */
    inTrouble: listOf(z.object({ id: text, name: text, status: text }), MOST.inTrouble),
    /** What was dead or damaged when it came: ports, headers, plates. */
    damage: listOf(z.object({ id, what: text }), MOST.damage),
    /** Leads of which an end is loose, or may be. */
    leads: listOf(InnerLead, MOST.innerLeads),
    /** Parts of the machine itself that are not in it yet. */
    toFit: listOf(z.enum(MACHINE_PARTS), MACHINE_PARTS.length),
  })
  .check(asking(mismatchesOfMachine));

export type Occupant = DeepReadonly<z.infer<typeof Occupant>>;
export type Slot = DeepReadonly<z.infer<typeof Slot>>;
export type Obstacle = DeepReadonly<z.infer<typeof Obstacle>>;
export type Condition = DeepReadonly<z.infer<typeof Condition>>;
export type Enclosure = DeepReadonly<z.infer<typeof Enclosure>>;
export type Screen = DeepReadonly<z.infer<typeof Screen>>;
type SurveyedCase = DeepReadonly<z.infer<typeof CaseSchema>>;
export type Bays = NonNullable<SurveyedCase['bays']>['value'];
export type Machine = Omit<DeepReadonly<z.infer<typeof Machine>>, 'case'> & {
  readonly case: SurveyedCase & {
    /** Which bays are left to the drives of each need, by its id; reckoned from the needs, never kept in a document. */
    readonly baysFor?: ReadonlyMap<string, Bays>;
  };
};
export type BracketHeight = z.infer<typeof BracketHeight>;
export type Architecture = z.infer<typeof Architecture>;
export type CoverType = z.infer<typeof CoverType>;

/** “Slot-2” and “Slot 2” are one: blanks and marks differ from who writes them. */
export const isSameLabel = (one: string, other: string): boolean =>
  lettersOf(one) === lettersOf(other);
const lettersOf = (label: string): string => label.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '');

const secondOf = new WeakMap<Machine, Machine>();
/** The machine as it is when it was started with its second system; null: it has none. */
export function withSecondSystem(machine: Machine): Machine | null {
  if (machine.secondSystem === null) return null;
  const started = secondOf.get(machine) ?? {
    ...machine,
    system: machine.secondSystem,
    secondSystem: null,
  };
  secondOf.set(machine, started);
  return started;
}

/** A machine of which nothing is known yet. */
export function emptyMachine(name = ''): Machine {
  return {
    name,
    board: null,
    case: emptyCase(),
    slots: [],
    conditions: [],
    obstacles: [],
    enclosures: [],
    supply: emptySupply(),
    system: emptySystem(),
    secondSystem: null,
    firmware: { kind: null, version: null, date: null, largeWindows: null },
    builtIn: null,
    headers: null,
    onBoard: [],
    screens: [],
    path: emptyPath(),
    accessPoint: emptyAccessPoint(),
    functions: [],
    inTrouble: [],
    damage: [],
    leads: [],
    toFit: [],
  };
}

/** Without its supply there is no mains in it, and nothing of it has ever run. */
export const isBuilt = ({ toFit }: Pick<Machine, 'toFit'>): boolean => !toFit.includes('supply');

export const emptySystem = (): Machine['system'] => ({
  family: null,
  version: null,
  architecture: null,
  name: null,
  build: null,
  secureBoot: null,
});

export const emptyCase = (): Machine['case'] => ({
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
});

export const emptySupply = (): Machine['supply'] => ({
  labelWatts: null,
  twelveVoltWatts: null,
  ageYears: null,
  baseWatts: null,
  measuredWatts: null,
  plugs: null,
  plugsInUse: null,
});

/** A slot of which only its name and bus are known. */
export function emptySlot(slotId: string, label: string, bus: SlotBus = 'pcie'): Slot {
  return {
    id: slotId,
    label,
    bus,
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
  };
}

/** A screen of which only its name is known. */
export const emptyScreen = (screenId: string, name: string): Screen => ({
  id: screenId,
  name,
  input: null,
  otherInputs: null,
  preferred: null,
  modes: [],
  halfColour: [],
  hdmiMegabits: null,
  bitsPerColour: null,
  tiles: { across: 1, down: 1 },
});

/** An occupant of which only its name is known. */
export const occupantNamed = (name: string): Occupant => ({
  name,
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
});

/** A slot found empty. */
export const vacant = (source: Source) => known<Occupant | null>(null, source);
