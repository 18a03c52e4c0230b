/**
 * What is said of a card: by a support list, by whoever sells it, by a shop that tried it. It is about every machine,
 * slot and system, or about those it names.
 */
import * as z from 'zod/mini';
import { date, text } from './limits.ts';
import { SYSTEM_FAMILIES } from '../standards/systems.ts';
import type { DeepReadonly } from '../units.ts';

/** Sources that are nobody’s words: our own bench, and the machine in which a card is in use. Screens have words for them. */
export const OWN_BENCH = 'ownBench';
export const IN_USE_HERE = 'inUseHere';

/** It works, after a list, a trial, or a seller’s word; it is known for trouble; it works nowhere else. */
export const STATEMENT_KINDS = ['listed', 'tried', 'claimed', 'problem', 'onlyThere'] as const;

/** How well a card is backed, the best last. */
export const BACKINGS = ['none', 'claimed', 'tried', 'listed'] as const;
export type Backing = (typeof BACKINGS)[number];

export const Statement = z.object({
  says: z.enum(STATEMENT_KINDS),
  /** What it is about, each by the name it goes by here; empty: any. */
  machine: text,
  slot: text,
  /** Another card beside it: trouble with that one only. */
  card: text,
  /** The system; null: any. */
  system: z.nullable(z.enum(SYSTEM_FAMILIES)),
  /** Who says so, or where it is written. */
  source: text,
  /** ISO date; null: it carries none. */
  date: z.nullable(date),
});
export type Statement = DeepReadonly<z.infer<typeof Statement>>;

/** Of every machine, slot and system, unless it names some. */
export const statementThat = (
  says: Statement['says'],
  told: Partial<Omit<Statement, 'says'>> = {},
): Statement => ({
  says,
  machine: '',
  slot: '',
  card: '',
  system: null,
  source: '',
  date: null,
  ...told,
});
