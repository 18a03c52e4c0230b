/** What each need should get from the accepted plan: the figure to prove, before anything is measured. */
import type { Flow } from '../flow/flow.ts';
import type { Job } from '../parts/job.ts';
import type { Need } from '../parts/need.ts';
import { assemblyOf, type AssembledCard } from './assembly.ts';

export interface Expectation {
  readonly need: Need;
  /** The card that serves the need best, or null where the plan leaves the need unmet. */
  readonly card: AssembledCard | null;
  readonly flow: Flow | null;
}

export function expectations(job: Job): readonly Expectation[] {
  const { cards } = assemblyOf(job);
  return job.needs.map((need) => {
    const serving = cards
      .flatMap((card) => card.flows.flatMap((flow) => (flow.need === need ? { card, flow } : [])))
      .toSorted((a, b) => b.flow.high - a.flow.high)[0];
    return { need, card: serving?.card ?? null, flow: serving?.flow ?? null };
  });
}
