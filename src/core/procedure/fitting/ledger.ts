/** Everything that is taken off, out or unplugged: at each moment in its place, on the tray, or accounted for. */
import type { Move, Thing, Whereabouts } from './task.ts';

export interface Whereabout {
  readonly thing: Thing;
  readonly at: Whereabouts;
}

/** Where things are after these moves, in the order in which each was first touched. */
export function ledgerAfter(moves: readonly Move[]): readonly Whereabout[] {
  const ledger = new Map<string, Whereabout>();
  for (const { thing, to } of moves) ledger.set(thing.id, { thing, at: to });
  return [...ledger.values()];
}

/** What lies on the tray: it has to go back, or somebody has to say what becomes of it. */
export const onTray = (moves: readonly Move[]): readonly Thing[] =>
  ledgerAfter(moves).flatMap(({ thing, at }) => (at === 'tray' ? thing : []));
