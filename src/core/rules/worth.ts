/** Is it too much? Against what the customer will pay, and against what the machine still deserves. Never a veto. */
import type { Job } from '../document/job.ts';
import type { Finding } from './finding.ts';

export function worth(
  priceCents: number,
  {
    budgetCents,
    replacementCents,
    deservesPercent,
  }: Pick<Job, 'budgetCents' | 'replacementCents' | 'deservesPercent'>,
): readonly Finding[] {
  const deserved = deservedCents(replacementCents, deservesPercent);
  const over = (
    code: 'worth.overBudget' | 'worth.overShare',
    available: number | null,
  ): readonly Finding[] =>
    available === null || priceCents <= available
      ? []
      : [{ code, verdict: 'limited', needed: priceCents, available, unit: 'cents' }];
  return [...over('worth.overBudget', budgetCents), ...over('worth.overShare', deserved)];
}

/** What may still go into a machine, in whole cents; null while nobody has said what replacing it costs. */
export const deservedCents = (
  replacementCents: number | null,
  deservesPercent: number,
): number | null =>
  replacementCents === null ? null : Math.floor((replacementCents * deservesPercent) / 100);
