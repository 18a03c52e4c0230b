/** Full or low: does the card stand under the case's cover, and is there a bracket of the right height for it? */
import { aerialsOf } from '../kinds/wifi/aerials.ts';
import type { Card } from '../document/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../document/machine.ts';
import { CARD_HEIGHT_MM } from '../standards/cardForm.ts';
import type { Finding } from './finding.ts';

export function bracket(card: Card, machine: Machine): readonly Finding[] {
  const height = valueOf(machine.case.bracket);
  if (height === null) return [{ code: 'bracket.caseUnknown', verdict: 'unknown' }];
  const figures = {
    needed: card.heightMm,
    available: CARD_HEIGHT_MM[height],
    unit: 'mm',
  } as const;
  if (height === 'low' && card.heightMm > CARD_HEIGHT_MM.low) {
    return [{ code: 'bracket.cardTooHigh', verdict: 'blocked', ...figures }];
  }
  if (!card.brackets.includes(height)) {
    return [{ code: 'bracket.missing', verdict: 'needs', subject: height, ...figures }];
  }
  if (card.bracketMounted !== height) {
    return [
      { code: 'bracket.swap', verdict: 'needs', subject: height, ...figures },
      ...aerials(card),
    ];
  }
  return [{ code: 'bracket.fits', verdict: 'clear', ...figures }];
}

/** Sockets that are screwed through the bracket move to the other one with it. */
function aerials({ delivers }: Card): readonly Finding[] {
  const needed = aerialsOf(delivers);
  return needed > 0 ? [{ code: 'bracket.aerials', verdict: 'needs', needed, unit: 'count' }] : [];
}
