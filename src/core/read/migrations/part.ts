/** Parts of a document of which nothing is known yet but its format, and what changes one. */

export type Part = Readonly<Record<string, unknown>>;

export const isPart = (value: unknown): value is Part =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A part with whatever it lacks taken from `pattern`; anything else is left for the check to refuse. */
export const filled = (part: unknown, pattern: Part): unknown =>
  isPart(part) ? { ...pattern, ...part } : part;

export const eachOf = (list: unknown, change: (each: unknown) => unknown): unknown =>
  Array.isArray(list) ? list.map(change) : list;

/** A fact with its value changed, and what others say of it. */
export function claimed(fact: unknown, change: (value: unknown) => unknown): unknown {
  if (!isPart(fact)) return fact;
  const told = (claim: unknown) =>
    isPart(claim) ? { ...claim, value: change(claim['value']) } : claim;
  return {
    ...(told(fact) as Part),
    ...('others' in fact ? { others: eachOf(fact['others'], told) } : {}),
  };
}

/** A plan with each of its cards changed. */
export function planWith(plan: unknown, change: (card: unknown) => unknown): unknown {
  if (!isPart(plan)) return plan;
  const changed = (each: unknown) =>
    isPart(each) ? { ...each, card: change(each['card']) } : each;
  return {
    ...plan,
    placements: eachOf(plan['placements'], changed),
    ...('moves' in plan ? { moves: eachOf(plan['moves'], changed) } : {}),
  };
}

/** A part with some of its fields under other names. */
export const renamed = (part: unknown, names: Readonly<Record<string, string>>): unknown =>
  isPart(part)
    ? Object.fromEntries(
        Object.entries(part).map(([key, value]) => [
          Object.hasOwn(names, key) ? names[key] : key,
          value,
        ]),
      )
    : part;

/** What a format changed, of a job as a whole and of machines and cards that are kept by themselves. */
export interface Migration {
  readonly job: (job: Part) => Part;
  readonly machine?: (machine: unknown) => unknown;
  readonly card?: (card: unknown) => unknown;
}
