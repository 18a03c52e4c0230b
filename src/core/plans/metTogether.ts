/** Whether what is in a machine meets needs all at once: a port, a bay or an output serves one of them only. */
import { MUST } from './cost.ts';
import { flowFrom } from '../flow/flowOf.ts';
import { metByMachine, providers, type MetByMachine } from '../flow/metByMachine.ts';
import type { Card } from '../document/card.ts';
import type { Machine } from '../document/machine.ts';
import { takesCard, type Need } from '../kinds/need.ts';

import { groupsOf, leastUnmet, unitsFor } from './coverage.ts';
import { demandOf } from './demands.ts';

/** Needs of one pool that are held against each other; what is asked beyond stands as it is met alone. */
const MOST_POOLED = 8;

/** In the order of the needs. Where units run short the musts come first. @param cards by which fitted ones are known */
export function metTogether(
  needs: readonly Need[],
  machine: Machine,
  cards: readonly Card[],
): readonly MetByMachine[] {
  const alone = needs.map((need) => metByMachine(need, machine, cards));
  const met = needs.filter((need, n) => takesCard(need) && alone[n]?.state === 'met').map(demandOf);
  const pooled = met.filter(
    ({ pool }, n) =>
      pool !== null && met.slice(0, n).filter((other) => other.pool === pool).length < MOST_POOLED,
  );
  const units = providers(machine, cards).map(
    (provider) =>
      new Map(
        pooled.flatMap(({ id, need }): readonly [string, number][] => {
          const flow = need === null ? null : flowFrom(provider, need, machine);
          return flow === null ? [] : [[id, flow.units]];
        }),
      ),
  );
  const short = groupsOf(pooled).filter(
    (group) => units.reduce((sum, each) => sum + unitsFor(group, each), 0) < group.units,
  );
  const { unmet } = leastUnmet(short, ({ must, wishCents }) => (must ? MUST : wishCents));
  const without = new Set(unmet.map(({ id }) => id));
  return alone.map((each, n) =>
    without.has(needs[n]?.id ?? '') ? { ...each, state: 'short', catches: [] } : each,
  );
}
