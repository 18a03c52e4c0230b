/** What keeps cards from being in one plan together: the same slot, bodies that touch, plugs, watts. */
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../parts/machine.ts';
import { openingsCollide } from '../rules/body.ts';
import { machineAround } from '../rules/housing.ts';
import { plugFinding, socketsIn, sum } from '../rules/power.ts';
import { slotBeside, slotInUse } from '../rules/sharing.ts';
import type { Candidate } from './candidates.ts';

/** Whether the last card of a plan collides with the earlier ones, or they ask too much together. */
export function collide(placed: readonly Candidate[], machine: Machine): boolean {
  const added = placed.at(-1);
  if (added === undefined) return false;
  const others = placed.slice(0, -1);
  const around = machineAround(added.slot, machine);
  // Supplies are not shared between housings.
  const fedTogether = placed.filter(({ slot }) => slot.enclosureId === added.slot.enclosureId);
  return (
    others.some(
      (other) =>
        other.slot.id === added.slot.id ||
        touch(other, added) ||
        starves(other, added, machine) ||
        starves(added, other, machine),
    ) ||
    plugsMissing(fedTogether, around) ||
    sum(watts(fedTogether), around).some(({ verdict }) => verdict === 'blocked')
  );
}

function touch(a: Candidate, b: Candidate): boolean {
  const [ofA, ofB] = [valueOf(a.slot.opening), valueOf(b.slot.opening)];
  if (ofA === null || ofB === null || a.slot.enclosureId !== b.slot.enclosureId) return false;
  return openingsCollide(ofA, a.card.openings, ofB, b.card.openings);
}

/** Whether one card, by a condition of the board, takes lanes that another candidate reckons with. */
function starves(one: Candidate, other: Candidate, machine: Machine): boolean {
  if (machine.conditions.length === 0) return false;
  const inUse = slotInUse(other.slot, machine);
  return slotBeside(inUse, one, machine) !== inUse;
}

function plugsMissing(placed: readonly Candidate[], machine: Machine): boolean {
  const free = valueOf(machine.supply.plugs);
  const sockets = placed.flatMap(({ card, slot }) => socketsIn(card, slot, machine));
  return free !== null && sockets.length > 0 && plugFinding(sockets, free).verdict === 'blocked';
}

export const watts = (placed: readonly Candidate[]): number =>
  placed.reduce((total, { card }) => total + card.peakWatts, 0);
