/**
 * The shop's own lists as they are kept beside the jobs: cards, extras, machines to start from. Until format 4 they
 * were bare lists; since then they say the format of the documents in them.
 */
import * as z from 'zod/mini';
import { Card } from '../document/card.ts';
import { Extra } from '../parts/extra.ts';
import { JOB_FORMAT } from '../document/job.ts';
import { Machine } from '../document/machine.ts';
import { fieldProblem, type Problem } from './problem.ts';

const KINDS = {
  cards: { schema: Card, key: ({ id }: Card) => id },
  extras: { schema: Extra, key: ({ id }: Extra) => id },
  templates: { schema: Machine, key: ({ name }: Machine) => name },
};
export type KeptKind = keyof typeof KINDS;
export interface KeptItems {
  readonly cards: Card;
  readonly extras: Extra;
  readonly templates: Machine;
}

export interface KeptReading<Item> {
  readonly items: readonly Item[];
  /** What does not read as one any more: kept whole, beside the list. */
  readonly refused: readonly { readonly item: unknown; readonly problems: readonly Problem[] }[];
  /** Set where a newer program wrote the list: nothing of it was read, and nothing may be written over it. */
  readonly newer: Problem | null;
}

const MOST_PROBLEMS = 3;

/** Null for a list of an older format: that one is brought up to date first. @param record as it was kept; null where nothing was */
export function readCurrentList<Name extends KeptKind>(
  kind: Name,
  record: unknown,
): KeptReading<KeptItems[Name]> | null {
  const { items, format } = opened(record);
  return format < JOB_FORMAT && items.length > 0
    ? null
    : readListWith(kind, record, (item) => item);
}

/** @param upgraded an item of an older format as one of today's */
export function readListWith<Name extends KeptKind>(
  kind: Name,
  record: unknown,
  upgraded: (item: unknown) => unknown,
): KeptReading<KeptItems[Name]> {
  const { items, format } = opened(record);
  if (format > JOB_FORMAT) {
    const newer: Problem = {
      code: 'file.newer',
      at: kind,
      expected: `${JOB_FORMAT}`,
      found: `${format}`,
    };
    return { items: [], refused: [], newer };
  }
  const { schema, key } = KINDS[kind];
  const seen = new Set<string>();
  const read = items.map((item) => {
    const parsed = schema.safeParse(format < JOB_FORMAT ? upgraded(item) : item);
    // Of several of one key the first is the one; the others are kept as what does not read is.
    const isAgain = parsed.success && seen.has(key(parsed.data as never));
    if (parsed.success) seen.add(key(parsed.data as never));
    return { item, parsed, isAgain };
  });
  return {
    items: read.flatMap(({ parsed, isAgain }) =>
      parsed.success && !isAgain ? [parsed.data as KeptItems[Name]] : [],
    ),
    refused: read.flatMap(({ item, parsed, isAgain }) => {
      if (isAgain)
        return [{ item, problems: [{ code: 'file.field', at: kind, expected: { as: 'ownKey' } }] }];
      if (parsed.success) return [];
      return [{ item, problems: parsed.error.issues.slice(0, MOST_PROBLEMS).map(fieldProblem) }];
    }),
    newer: null,
  };
}

/** The list as it is kept, with what was refused behind it, so that nothing is dropped by being looked at. */
export const writeKeptList = (items: readonly unknown[], refused: readonly unknown[] = []) => ({
  format: JOB_FORMAT,
  items: [...items, ...refused],
});

function opened(record: unknown): { readonly items: readonly unknown[]; readonly format: number } {
  if (Array.isArray(record)) return { items: record, format: 0 };
  const parsed = z.object({ format: z.number(), items: z.array(z.unknown()) }).safeParse(record);
  return parsed.success ? parsed.data : { items: [], format: 0 };
}
