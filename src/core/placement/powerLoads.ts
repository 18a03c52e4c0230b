/** Every limit of power that placed cards touch, with what loads it: slots, plugs, shared leads, the sum on 12 V. */
import { cardName } from '../document/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../document/machine.ts';
import { HEADROOM_SHARE } from '../standards/plugs.ts';
import { assignPlugs, plugLoads, plugsOf } from './plugs.ts';
import { slotLimitWatts, socketsIn } from './sockets.ts';
import type { Placed } from './lanesLeft.ts';

export interface PowerLimit {
  readonly kind: 'slot' | 'plug' | 'lead' | 'sum';
  readonly name: string;
  /** Null while nobody knows it. */
  readonly limitWatts: number | null;
  /** Up to here a good supply is loaded; only the sum has such a line. */
  readonly comfortWatts: number | null;
  readonly parts: readonly { readonly name: string; readonly watts: number }[];
}

/** @param machine as it is seen from in one housing @param placed the cards added in it */
export function powerLoads(placed: readonly Placed[], machine: Machine): readonly PowerLimit[] {
  const { supply } = machine;
  const base = valueOf(supply.baseWatts);
  const limit = valueOf(supply.twelveVoltWatts);
  const sockets = placed.flatMap(({ card, slot }) => socketsIn(card, slot, machine));
  return [
    ...placed.map(({ card, slot }): PowerLimit => ({
      kind: 'slot',
      name: slot.label,
      limitWatts: slotLimitWatts(slot),
      comfortWatts: null,
      parts: [{ name: cardName(card), watts: card.slotWatts }],
    })),
    ...plugLoads(assignPlugs(sockets, plugsOf(supply))).map(
      ({ kind, name, watts, limitWatts }): PowerLimit => ({
        kind,
        name,
        limitWatts,
        comfortWatts: null,
        parts: [{ name, watts }],
      }),
    ),
    {
      kind: 'sum',
      name: '12 V',
      limitWatts: limit,
      comfortWatts: limit === null ? null : limit * HEADROOM_SHARE,
      parts: [
        ...(base === null ? [] : [{ name: '', watts: base }]),
        ...placed.map(({ card }) => ({ name: cardName(card), watts: card.peakWatts })),
      ],
    },
  ];
}
