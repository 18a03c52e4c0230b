/** What a need that something stays begins with: the first card that is there. */
import type { Machine } from '../../document/machine.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Need } from '../need.ts';

/** Any other need begins as it is. */
export function begunFor(need: Need, { slots }: Machine): Need {
  const taken = slots.find(({ occupant }) => valueOf(occupant) !== null);
  return need.kind === 'keep' && taken !== undefined ? { ...need, slotId: taken.id } : need;
}
