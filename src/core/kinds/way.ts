/**
 * What is known of one kind of need once there are cards in slots: what comes through, where leads go, what may hold the figure
 * back, and what tools say of it. Each kind has one of these, whole, in its folder.
 */
import type { Card } from '../document/card.ts';
import type { Machine, Slot } from '../document/machine.ts';
import type { Observation } from '../document/observation.ts';
import type { DriverChoice } from '../drivers/chooseDriver.ts';
import type { SlotLink } from '../placement/slotLink.ts';
import type { Evidence } from '../read/evidence.ts';
import type { RearSocketKind } from '../standards/rearSockets.ts';
import type { Described } from './component.ts';
import type { Flow, Provider } from './flow.ts';
import type { LeadEnd } from './leadEnd.ts';

/** A card of the plan in its slot, with the driver that it is to run on. */
export interface ServingCard {
  readonly card: Card;
  readonly slot: Slot;
  /** Null while the slot's lanes or generation are not known. */
  readonly link: SlotLink | null;
  readonly driver: DriverChoice;
}

/** What every card can have, and of it the driver alone. */
export interface OfCard {
  readonly all: readonly Described[];
  readonly driver: Described;
}

export interface Standing {
  readonly state: 'met' | 'short' | 'unknown';
  readonly units: number;
}

/** Takes the first socket that is free and of one of these kinds. */
export type Join = (kinds: readonly RearSocketKind[], end: LeadEnd) => boolean;

export interface Way<Asks> {
  /** What comes through from whatever delivers; null: it delivers something else. */
  flow(from: Provider, need: Asks, machine: Machine): Flow | null;
  /** How it stands where no card serves it; null: cards do. */
  stands(need: Asks, machine: Machine): Standing | null;
  /** The flow in what it is proven by. */
  proven(flow: Flow): Flow;
  /** Leads at the back to so many of its units, after those that were joined before. */
  join(need: Asks, flow: Flow, units: Joined, machine: Machine, join: Join): void;
  /** What its figure goes through that can fall back to something less. */
  causes(
    need: Asks,
    flow: Flow,
    card: ServingCard,
    of: OfCard,
    machine: Machine,
  ): readonly Described[];
  /** What tools say of it beside rates. @param at ISO instant */
  seen(
    need: Asks & { readonly id: string },
    flow: Flow | null,
    card: ServingCard | null,
    evidence: Evidence,
    machine: Machine,
    at: string,
  ): readonly Observation[];
}

export interface Joined {
  /** Units that cards before this one give. */
  readonly before: number;
  readonly count: number;
}

/** Of kinds that know nothing of the kind. */
export const servedByCards = (): null => null;
export const asItIs = (flow: Flow): Flow => flow;
export const nothingSeen = (): readonly Observation[] => [];
export const noCauses = (): readonly Described[] => [];
export const joinsNothing = (): void => undefined;

/** Each unit by a lead of its own from such a socket. */
export const joinEach =
  (kinds: readonly RearSocketKind[], to: 'farEnd' | 'usbDevice' | 'speakers' | 'device' | 'box') =>
  (_need: unknown, _flow: Flow, { count }: Joined, _machine: Machine, join: Join): void => {
    for (let n = 0; n < count; n += 1) join(kinds, { to });
  };
