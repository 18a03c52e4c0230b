/** What a plan has to serve: needs, cards that must stay, and cards that are pinned to a slot. */
import type { Card } from '../document/card.ts';
import { isAtFront, needKindOf, unitsNeeded, type Need } from '../kinds/need.ts';
import { pinKey, type Pin } from '../document/planning.ts';
import { WISH_CENTS } from './cost.ts';

export interface Demand {
  readonly id: string;
  readonly need: Need | null;
  readonly pin: Pin | null;
  readonly units: number;
  readonly must: boolean;
  /** What leaving it costs, where it is no must. */
  readonly wishCents: number;
  /**
   * What it takes its units from, where one unit serves one demand only: a port in use is not free for another
   * wish, but ports at the back and at the front are not the same ports. Null where demands can share.
   */
  readonly pool: string | null;
}

export function demandOf(need: Need): Demand {
  return {
    id: need.id,
    need,
    pin: null,
    units: unitsNeeded(need),
    must: need.must,
    wishCents: need.must ? 0 : need.weight * WISH_CENTS,
    pool: needKindOf(need).pool(need),
  };
}

/** Whether all that these units are given towards is for later: then nothing of it is bought now. */
export const isForLater = (
  units: ReadonlyMap<string, number>,
  demands: readonly Demand[],
): boolean =>
  units.size > 0 && demands.every(({ id, need }) => !units.has(id) || need?.later === true);

/** A card that is pinned to a slot is a must like any other. */
export function demandOfPin(pin: Pin, cards: readonly Card[]): readonly Demand[] {
  const card = pin.kind === 'cardThere' ? cards.find(({ id }) => id === pin.cardId) : undefined;
  return card === undefined
    ? []
    : [
        {
          id: pinKey(pin),
          need: null,
          pin,
          units: 1,
          must: true,
          wishCents: 0,
          pool: null,
        },
      ];
}

/** Whether a need is served through a lead to the front of the case. */
export const atFront = ({ need }: Demand): boolean => need !== null && isAtFront(need);
