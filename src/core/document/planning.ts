/** How the planner is told to choose: what it has to keep to, and how much each kind of cost weighs. */
import * as z from 'zod/mini';
import { id } from '../parts/limits.ts';
import type { DeepReadonly } from '../units.ts';

/** What the technician has settled beforehand. */
export const Pin = z.discriminatedUnion('kind', [
  /** This card in that slot, whether or not a need asks for it. */
  z.object({ kind: z.literal('cardThere'), cardId: id, slotId: id }),
  /** Nothing new goes into that slot, and nothing moves there. */
  z.object({ kind: z.literal('neverSlot'), slotId: id }),
  z.object({ kind: z.literal('neverCard'), cardId: id }),
  /** Cards that are in the machine stay where they are. */
  z.object({ kind: z.literal('noMoves') }),
]);
export type Pin = DeepReadonly<z.infer<typeof Pin>>;

export const pinKey = (pin: Pin): string =>
  [pin.kind, 'cardId' in pin ? pin.cardId : '', 'slotId' in pin ? pin.slotId : ''].join(':');

/**
 * What a plan costs, part by part, each in cents: money for cards and for what goes with them, and what those that are kept
 * for later cost now; money over the budget; wishes left; rates below what card or wish could have; disturbance of what is there; air taken from fans;
 * trouble with drivers and firmware; waiting; facts not known; long slots that short cards take; and how far the cards are
 * from the fastest ones.
 */
export const COST_PARTS = [
  'price',
  'extras',
  'later',
  'overBudget',
  'wishes',
  'shortfall',
  'disturbance',
  'air',
  'drivers',
  'wait',
  'unknown',
  'longSlot',
  'speedGap',
] as const;
export type CostPart = (typeof COST_PARTS)[number];

const percent = z.int().check(z.minimum(0), z.maximum(1_000));

/** How much each part counts, in percent. Money for cards and extras always counts whole, now or later. */
export const Weights = z.object({
  overBudget: percent,
  wishes: percent,
  shortfall: percent,
  disturbance: percent,
  air: percent,
  drivers: percent,
  wait: percent,
  unknown: percent,
  longSlot: percent,
  speedGap: percent,
});
export type Weights = DeepReadonly<z.infer<typeof Weights>>;
export type WeighedPart = keyof Weights;

export const PLAIN_WEIGHTS: Weights = {
  overBudget: 100,
  wishes: 100,
  shortfall: 100,
  disturbance: 100,
  air: 100,
  drivers: 100,
  wait: 100,
  unknown: 100,
  longSlot: 100,
  speedGap: 0,
};
