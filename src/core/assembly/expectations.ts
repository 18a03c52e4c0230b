/** What each need should get from the accepted plan: the figure to prove, before anything is measured. */
import type { Flow } from '../flow/flow.ts';
import type { Job } from '../parts/job.ts';
import type { Need } from '../parts/need.ts';
import { assemblyOf, type AssembledCard } from './assembly.ts';

export interface Expectation {
  readonly need: Need;
  /** The card that serves the need best; null where the plan leaves the need unmet, or has no card for it. */
  readonly card: AssembledCard | null;
  readonly flow: Flow | null;
}

export function expectations(job: Job): readonly Expectation[] {
  const { cards } = assemblyOf(job);
  const unmet = new Set(job.plan?.unmet);
  return job.needs.map((need) => {
    const serving = unmet.has(need.id)
      ? undefined
      : cards
          .flatMap((card) =>
            card.flows.flatMap((flow) => (flow.need === need ? { card, flow } : [])),
          )
          .toSorted((a, b) => b.flow.high - a.flow.high)[0];
    return { need, card: serving?.card ?? null, flow: serving?.flow ?? null };
  });
}
