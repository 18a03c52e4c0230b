/** Everything that is taken off, out or unplugged: at each moment in its place, on the tray, or accounted for. */
import { actId } from '../../document/act.ts';
import type { Job } from '../../document/job.ts';
import type { Step } from '../step.ts';
import type { Move, Thing, Whereabouts } from './task.ts';

export interface Whereabout {
  readonly thing: Thing;
  readonly at: Whereabouts;
}

/** What was moved so far, in the order in which it was. */
export const movesDone = ({ acts }: Pick<Job, 'acts'>, steps: readonly Step[]): readonly Move[] => {
  const byId = new Map(steps.map((step) => [step.id, step]));
  return acts.flatMap((act) => byId.get(actId(act))?.task?.moves ?? []);
};

/** Of these steps the one that was done last; undefined where none is. */
export const lastDone = ({ acts }: Pick<Job, 'acts'>, steps: readonly Step[]): Step | undefined => {
  const last = acts.findLast((act) => steps.some(({ id, isOpen }) => !isOpen && id === actId(act)));
  return last && steps.find(({ id }) => id === actId(last));
};

/** Where things are after these moves, in the order in which each was first touched. */
export function ledgerAfter(moves: readonly Move[]): readonly Whereabout[] {
  const ledger = new Map<string, Whereabout>();
  for (const { thing, to } of moves) ledger.set(thing.id, { thing, at: to });
  return [...ledger.values()];
}

/** What lies on the tray: it has to go back, or somebody has to say what becomes of it. */
export const onTray = (moves: readonly Move[]): readonly Thing[] =>
  ledgerAfter(moves).flatMap(({ thing, at }) => (at === 'tray' ? thing : []));
