/**
 * What is known of one kind of need once it is measured: what may hold the figure back, and what tools say of it beside rates.
 * Each kind that is measured has one of these, whole, in its folder.
 */
import type { Card } from '../document/card.ts';
import type { Machine, Slot } from '../document/machine.ts';
import type { Observation } from '../document/observation.ts';
import type { DriverChoice } from '../drivers/chooseDriver.ts';
import type { SlotLink } from '../placement/slotLink.ts';
import type { Evidence } from '../read/evidence.ts';
import type { Described } from './component.ts';
import type { Flow } from './flow.ts';

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

export interface Proof<Asks> {
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
    need: Asks,
    flow: Flow | null,
    card: ServingCard | null,
    evidence: Evidence,
    machine: Machine,
    at: string,
  ): readonly Observation[];
}

/** Of kinds of which no tool says more than their rate. */
export const nothingSeen = (): readonly Observation[] => [];
/** Of kinds that are counted, and not measured. */
export const COUNTED: Proof<unknown> = { causes: () => [], seen: nothingSeen };
