/** The surveyed machine: everything that decides which card goes where, each fact with its witness. */
import * as z from 'zod/mini';
import { count, fact, id, known, positive, text, whole, type Witness } from './fact.ts';
import { PciAddress, PciFunction } from './pciFunction.ts';
import { PLUG_TYPES } from '../standards/plugs.ts';
import { CABLE_CLASSES } from '../standards/ethernet.ts';
import type { DeepReadonly } from '../units.ts';

export const GenerationSchema = z.union([
  z.literal(1),
  z.literal(2),
  z.literal(3),
  z.literal(4),
  z.literal(5),
]);

export const SlotBus = z.enum(['pcie', 'pci']);
export type SlotBus = z.infer<typeof SlotBus>;

/** What sits in a slot already. It stays unless the technician empties the slot. */
export const Occupant = z.object({
  name: text,
  /** Openings it takes, its own included. */
  openings: fact(count),
  /** How far it reaches from the rear edge, in millimetres. */
  lengthMm: fact(positive),
});

export const Slot = z.object({
  id,
  label: text,
  bus: SlotBus,
  /** The number the port gives its slot. */
  number: fact(whole),
  /** The root port or switch port behind it. */
  port: fact(PciAddress),
  /** Lanes the connector has contacts for. */
  connectorLanes: fact(z.union([z.literal(1), z.literal(4), z.literal(8), z.literal(16)])),
  /** Lanes really wired. */
  lanes: fact(count),
  generation: fact(GenerationSchema),
  openEnd: fact(z.boolean()),
  powerWatts: fact(z.number().check(z.nonnegative())),
  /** The opening it faces, counted from 1 at the processor's end. */
  opening: fact(count),
  occupant: fact(z.nullable(Occupant)),
});

/** Something that stands on the board where a card might lie, as a box in millimetres. */
export const Box = z.object({
  id,
  name: text,
  /** From the rear edge of the case, and along it from the board's upper edge. */
  xMm: z.number(),
  yMm: z.number(),
  widthMm: positive,
  depthMm: positive,
  /** Above the board. */
  heightMm: positive,
  movable: z.boolean(),
});

export const SystemFamily = z.enum(['windows', 'linux']);
export const Architecture = z.enum(['x86-64', 'x86-32', 'arm64']);
export const CoverType = z.enum(['screwed', 'clipped', 'snapped']);
export const BracketHeight = z.enum(['full', 'low']);

export const Machine = z.object({
  name: text,
  /** The board's outline: away from the rear edge, along it, and to the middle of the first opening. */
  board: fact(z.object({ widthMm: positive, depthMm: positive, firstOpeningMm: positive })),
  case: z.object({
    bracket: fact(BracketHeight),
    openings: fact(count),
    /** From the rear edge to the first thing that stops a card. */
    lengthRoomMm: fact(positive),
    covers: fact(CoverType),
  }),
  slots: z.array(Slot),
  boxes: z.array(Box),
  supply: z.object({
    twelveVoltWatts: fact(positive),
    /** 12 V load of all that is there already: processor, drives, fans, fitted cards. */
    baseWatts: fact(positive),
    /** Free plugs. */
    plugs: fact(z.array(z.object({ type: z.enum(PLUG_TYPES), count: whole }))),
  }),
  system: z.object({
    family: fact(SystemFamily),
    /** As the system gives it: 10, 11, 6.1. */
    version: fact(z.string().check(z.regex(/^\d+(\.\d+)*$/))),
    architecture: fact(Architecture),
  }),
  /** The way from this machine's network port to what it talks to. */
  path: z.object({
    cable: fact(z.enum(CABLE_CLASSES)),
    cableMetres: fact(positive),
    /** Speeds the far end knows, in megabits per second. */
    farEndMegabits: fact(z.array(count)),
    internetMegabits: fact(positive),
  }),
  /** What the machine reported of its devices. */
  functions: z.array(PciFunction),
});

export type Occupant = DeepReadonly<z.infer<typeof Occupant>>;
export type Slot = DeepReadonly<z.infer<typeof Slot>>;
export type Box = DeepReadonly<z.infer<typeof Box>>;
export type Machine = DeepReadonly<z.infer<typeof Machine>>;
export type BracketHeight = z.infer<typeof BracketHeight>;
export type SystemFamily = z.infer<typeof SystemFamily>;
export type Architecture = z.infer<typeof Architecture>;
export type CoverType = z.infer<typeof CoverType>;

/** A machine of which nothing is known yet. */
export function emptyMachine(name = ''): Machine {
  return {
    name,
    board: null,
    case: { bracket: null, openings: null, lengthRoomMm: null, covers: null },
    slots: [],
    boxes: [],
    supply: { twelveVoltWatts: null, baseWatts: null, plugs: null },
    system: { family: null, version: null, architecture: null },
    path: { cable: null, cableMetres: null, farEndMegabits: null, internetMegabits: null },
    functions: [],
  };
}

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
  };
}

/** A slot found empty. */
export const vacant = (witness: Witness) => known<Occupant | null>(null, witness);
