/** How much of a machine is told: what a reading settles is counted by it. */
import type { Machine } from '../document/machine.ts';

/** Facts that have a value from any source, those of its slots, boxes and screens included. */
export const factsKnown = (machine: Machine): number => counted(machine);

function counted(part: unknown): number {
  if (typeof part !== 'object' || part === null) return 0;
  const own = 'source' in part && 'value' in part ? 1 : 0;
  // What a fact says of it is not asked again, but a card in a slot has facts of its own.
  return own + Object.values(part).reduce<number>((sum, below) => sum + counted(below), 0);
}
