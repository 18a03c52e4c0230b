/** Sockets at the end of a ribbon or a lead come out through openings of their own, each with a plate: are any left? */
import { hasRadio } from '../kinds/wifi/aerials.ts';
import type { Card } from '../document/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../document/machine.ts';
import { openingsFilled } from '../placement/geometry.ts';
import type { Finding } from './finding.ts';

/** @param machine as it is seen from the card's housing */
export function plates(card: Card, machine: Machine): readonly Finding[] {
  if (card.plates === 0) return [];
  const { openings, bracket } = machine.case;
  if (openings === null) return [{ code: 'plate.openingsUnknown', verdict: 'unknown' }];
  const own = card.bus === 'm2' ? 0 : card.openings;
  const free = Math.max(0, openings.value - openingsFilled(machine) - own);
  if (free < card.plates) {
    return [
      {
        code: 'plate.noOpening',
        verdict: 'blocked',
        needed: card.plates,
        available: free,
        unit: 'count',
      },
    ];
  }
  if (card.bus !== 'm2')
    return [{ code: 'plate.own', verdict: 'needs', needed: card.plates, unit: 'count' }];
  if (hasRadio(card.delivers)) return [{ code: 'plate.aerials', verdict: 'needs' }];
  const height = valueOf(bracket);
  return height === null
    ? [{ code: 'bracket.caseUnknown', verdict: 'unknown' }]
    : [{ code: 'plate.jack', verdict: 'needs', subject: height }];
}
