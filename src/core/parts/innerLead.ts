/** A lead inside a machine, told because some end of it is loose, or nobody knows whether it is. */
import * as z from 'zod/mini';
import { LEAD_KINDS, MOST_ENDS, leadRow, type LeadKind } from '../standards/innerLeads.ts';
import type { DeepReadonly } from '../units.ts';
import { fact, known, type Source } from './fact.ts';
import { id, listOf, text } from './limits.ts';

/** Why an end goes nowhere. */
const LEAD_BARS = ['taken', 'noHeader', 'pinBent'] as const;

export const InnerLead = z.object({
  id,
  kind: z.enum(LEAD_KINDS),
  /** What tells it from others of its kind: the drive, the fan, the switch that it is of. */
  name: text,
  /** In the order of its kind; ends after the last one told have nothing to go into. */
  ends: listOf(
    z.object({
      /** What is printed where it goes. */
      at: text,
      joined: fact(z.boolean()),
      /** What was found at the bench: it goes nowhere, and stays loose. */
      barred: z.optional(z.enum(LEAD_BARS)),
    }),
    MOST_ENDS,
  ).check(z.minLength(1)),
  /** Seen at the bench: nothing keeps its plug from going in the wrong way. */
  unkeyed: z.optional(z.literal(true)),
});
export type InnerLead = DeepReadonly<z.infer<typeof InnerLead>>;

/** With every end of it out. */
export const looseLead = (
  leadId: string,
  kind: LeadKind,
  name: string,
  source: Source,
): InnerLead => ({
  id: leadId,
  kind,
  name,
  ends: leadRow(kind).ends.map(() => ({ at: '', joined: known(false, source) })),
});
