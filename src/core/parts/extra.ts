/** What is bought beside cards: brackets, adapters, leads, bays, aerials. */
import * as z from 'zod/mini';
import * as limits from './limits.ts';
import { id, text } from './limits.ts';
import { EXTRA_KINDS } from '../standards/extras.ts';
import type { DeepReadonly } from '../units.ts';

export const Extra = z.object({
  id,
  maker: text,
  model: text,
  kind: z.enum(EXTRA_KINDS),
  /** What it is for within its kind: a plug adapter, a screen adapter, a lead's header, a bracket's height. */
  fits: text,
  /** What it can carry, in watts or millimetres as its kind says; null where nothing is to be held. */
  limit: z.nullable(limits.carried),
  priceCents: limits.cents,
  leadDays: z.nullable(limits.days),
});
export type Extra = DeepReadonly<z.infer<typeof Extra>>;

/** Maker and model, as parts are spoken of. */
export const extraName = ({ maker, model }: Pick<Extra, 'maker' | 'model'>): string =>
  `${maker} ${model}`.trim();

/** No record was chosen for it: what it costs, and when it comes, nobody has told. */
export const isUnpriced = ({ maker }: Pick<Extra, 'maker'>): boolean => maker === '';

/** A thing that is wanted beside cards, whoever makes it. */
export interface ExtraNeeded {
  readonly kind: (typeof EXTRA_KINDS)[number];
  /** What it is for within its kind; empty: any of the kind does. */
  readonly fits: string;
  readonly count: number;
}
