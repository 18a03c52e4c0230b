/** What keeps cards from being in one plan together: the same slot, bodies that touch, plugs, watts. */
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../parts/machine.ts';
import { openingsCollide } from '../rules/body.ts';
import { missingPlug, sum } from '../rules/power.ts';
import type { Candidate } from './candidates.ts';

/** Whether the last card of a plan collides with the earlier ones, or they ask too much together. */
export function collide(placed: readonly Candidate[], machine: Machine): boolean {
  const added = placed.at(-1);
  if (added === undefined) return false;
  const others = placed.slice(0, -1);
  return (
    others.some((other) => other.slot.id === added.slot.id || touch(other, added)) ||
    plugsMissing(placed, machine) ||
    sum(watts(placed), machine).some(({ verdict }) => verdict === 'blocked')
  );
}

function touch(a: Candidate, b: Candidate): boolean {
  const [ofA, ofB] = [valueOf(a.slot.opening), valueOf(b.slot.opening)];
  if (ofA === null || ofB === null) return false;
  return openingsCollide(ofA, a.card.openings, ofB, b.card.openings);
}

function plugsMissing(placed: readonly Candidate[], machine: Machine): boolean {
  const free = valueOf(machine.supply.plugs);
  if (free === null) return false;
  return (
    missingPlug(
      placed.flatMap(({ card }) => card.sockets),
      free,
    ) !== null
  );
}

export const watts = (placed: readonly Candidate[]): number =>
  placed.reduce((total, { card }) => total + card.peakWatts, 0);
