/** A job that the planner does not finish in a moment: six needs for eight slots, and hardly a plug free. */
import { emptyJob, writeJobFile } from '../../src/core/index.ts';
import { largeRequests } from '../../bench/planner.ts';
import { AT, told } from './parts.ts';

/** Seed and place of a job that was found hard. */
const [SEED, PLACE] = [1, 14];

export function hardJob(): string {
  const { machine, needs, budgetCents } = largeRequests(PLACE + 1, 10, SEED)[PLACE]!;
  const plugs = (['6-pin', 'sata', '4-pin'] as const).map((type) => ({ type, count: 1 }));
  return writeJobFile({
    ...emptyJob('hard', AT),
    title: 'A hard one',
    machine: { ...machine, supply: { ...machine.supply, plugs: told(plugs) } },
    needs,
    budgetCents,
  });
}
