/**
 * Is the supply large enough? Technicians answer in three ways, and all three are shown side by side: by the
 * maker's figure, by adding up the loads, by measuring. Which of them decides is the second; common practice,
 * no source.
 */
import type { Card } from '../document/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../document/machine.ts';
import { HEADROOM_SHARE } from '../standards/plugs.ts';
import type { Verdict } from './finding.ts';

export type SizingMethod = 'maker' | 'sum' | 'measured';

export interface SizingAnswer {
  readonly method: SizingMethod;
  /** Watts asked of the supply; null while a fact is missing. */
  readonly neededWatts: number | null;
  /** Watts it gives: of its label for the maker's figure, of 12 V for the others. */
  readonly availableWatts: number | null;
  readonly verdict: Verdict;
}

/** The supply of one housing with these cards added in it. */
export function supplySize(cards: readonly Card[], { supply }: Machine): readonly SizingAnswer[] {
  const added = cards.reduce((total, { peakWatts }) => total + peakWatts, 0);
  const named = cards.flatMap(({ supplyWatts }) => supplyWatts ?? []);
  const plus = (watts: number | null) => (watts === null ? null : watts + added);
  const twelve = valueOf(supply.twelveVoltWatts);
  const base = valueOf(supply.baseWatts);
  return [
    answer('maker', named.length === 0 ? null : Math.max(...named), valueOf(supply.labelWatts)),
    answer('sum', base === null ? null : (base + added) / HEADROOM_SHARE, twelve),
    answer('measured', plus(valueOf(supply.measuredWatts)), twelve),
  ];
}

function answer(
  method: SizingMethod,
  neededWatts: number | null,
  availableWatts: number | null,
): SizingAnswer {
  const verdict =
    neededWatts === null || availableWatts === null
      ? 'unknown'
      : neededWatts <= availableWatts
        ? 'clear'
        : 'limited';
  return { method, neededWatts, availableWatts, verdict };
}
