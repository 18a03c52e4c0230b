/** Whether what is to stay is there, and stays. */
import type { Machine } from '../../document/machine.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Standing } from '../way.ts';
import type { KeepNeed } from './need.ts';

export function keepStands({ slotId }: KeepNeed, machine: Machine): Standing {
  const slot = machine.slots.find(({ id }) => id === slotId);
  const occupant = valueOf(slot?.occupant ?? null);
  if (occupant !== null && occupant.disposition !== 'remove') return { state: 'met', units: 1 };
  return { state: slot?.occupant == null ? 'unknown' : 'short', units: 0 };
}
