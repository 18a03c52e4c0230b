/** What a plan has to serve: needs, cards that must stay, and cards that are pinned to a slot. */
import type { Card } from '../../parts/card.ts';
import type { DeliveryKind } from '../../parts/delivery.ts';
import { SERVED_BY, unitsNeeded, type Need } from '../../parts/need.ts';
import { pinKey, type Pin } from '../../parts/planning.ts';
import type { Existing } from './existing.ts';
import { WISH_CENTS } from './cost.ts';

export interface Demand {
  readonly id: string;
  readonly need: Need | null;
  readonly pin: Pin | null;
  readonly units: number;
  readonly must: boolean;
  /** What leaving it costs, where it is no must. */
  readonly wishCents: number;
  /** The kind of card that serves it; a card is of one kind only. */
  readonly kind: DeliveryKind | null;
  /**
   * What it takes its units from, where one unit serves one demand only: a port in use is not free for another
   * wish, but ports at the back and at the front are not the same ports. Null where demands can share.
   */
  readonly pool: string | null;
}

export function demandOf(need: Need, existing: readonly Existing[]): Demand {
  const kept =
    need.kind === 'keep' ? existing.find(({ slot }) => slot.id === need.slotId) : undefined;
  return {
    id: need.id,
    need,
    pin: null,
    units: unitsNeeded(need),
    must: need.must,
    wishCents: need.must ? 0 : need.weight * WISH_CENTS,
    kind: kept === undefined ? SERVED_BY[need.kind] : kept.card.delivers.kind,
    pool: pool(need),
  };
}

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
          kind: card.delivers.kind,
          pool: null,
        },
      ];
}

function pool(need: Need): string | null {
  switch (need.kind) {
    case 'usb':
      return `usb ${need.where}`;
    case 'legacy':
      return `legacy ${need.port}`;
    case 'screens':
    case 'drives':
    case 'serialLink':
      return need.kind;
    default:
      return null;
  }
}

/** Whether a need is served through a lead to the front of the case. */
export const atFront = ({ need }: Demand): boolean =>
  (need?.kind === 'usb' && need.where === 'front') || (need?.kind === 'sound' && need.front);
