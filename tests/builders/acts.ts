/** Acts as they are done. */
import type { ActName, ActOn, DoneAct } from '../../src/core/document/index.ts';
import type { Step } from '../../src/core/procedure/index.ts';

export const named = (
  code: Step['code'],
  on: ActOn = {},
  round: ActName['round'] = 1,
): ActName => ({ code, on, round });

export const seating = (card: { readonly id: string }, slot: string): ActName =>
  named('seat', { card: card.id, slot });

export const doneAt = (at: string, { code, on, round }: ActName): DoneAct => ({
  code,
  on,
  round,
  at,
  who: '',
  seconds: null,
});
