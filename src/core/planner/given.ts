/** What cards give towards wants from each slot, and how fast that is beside the fastest. */
import type { Card } from '../parts/card.ts';
import type { DeliveryKind } from '../parts/delivery.ts';
import type { Machine, Slot } from '../parts/machine.ts';
import { SERVED_BY } from '../parts/need.ts';
import type { Pin } from '../parts/planning.ts';
import type { Flow } from '../flow/flow.ts';
import { flowOf } from '../flow/flowOf.ts';
import { slotLink, type SlotLink } from '../rules/link.ts';
import { slotInUse } from '../rules/sharing.ts';
import { PACE_CENTS } from './cost.ts';
import type { Units } from './coverage.ts';
import type { Want } from './wants.ts';

export interface Given {
  readonly units: Units;
  readonly flows: readonly Flow[];
}

/** What these give is the same over any link. */
const WITHOUT_LINK: ReadonlySet<DeliveryKind> = new Set(['screens', 'sound', 'legacy']);

export type GivenAsker = (card: Card, slot: Slot, wants: readonly Want[]) => Given;

/**
 * What a card gives depends on the slot by its link and its housing only, so slots that are alike in both are asked
 * once. (The names of shared stages in these flows are those of the slot that was asked.)
 */
export function givenAsker(machine: Machine): GivenAsker {
  const answered = new Map<Card, Map<string, Given>>();
  const inUse = new Map<Slot, Slot>();
  const names = new Map<SlotLink | null, string>([[null, '?']]);
  /** What decides what cards of this kind give: the housing, and for most of them the link. */
  const alike = (card: Card, slot: Slot): string => {
    const housing = slot.enclosureId ?? '';
    if (WITHOUT_LINK.has(card.delivers.kind)) return housing;
    const link = slotLink(card, slot);
    const known = names.get(link);
    if (known !== undefined) return housing + known;
    const name = ` ${link?.low} ${link?.high} ${link?.uplink?.id}`;
    names.set(link, name);
    return housing + name;
  };
  return (card, slot, wants) => {
    const used = inUse.get(slot) ?? slotInUse(slot, machine);
    inUse.set(slot, used);
    const key = alike(card, used);
    const ofCard = answered.get(card) ?? new Map<string, Given>();
    if (ofCard.size === 0) answered.set(card, ofCard);
    const pinned = wants.some(({ need }) => need === null);
    const known = pinned ? undefined : ofCard.get(key);
    if (known !== undefined) return known;
    const fresh = given(card, slot, wants, machine);
    ofCard.set(key, fresh);
    return fresh;
  };
}

export function given(card: Card, slot: Slot, wants: readonly Want[], machine: Machine): Given {
  const units = new Map<string, number>();
  const flows: Flow[] = [];
  for (const { id, need, pin } of wants) {
    if (need === null) {
      if (pin !== null && isThere(pin, card, slot)) units.set(id, 1);
      continue;
    }
    const flow = flowOf(card, slot, need, machine);
    if (flow === null || flow.units === 0) continue;
    units.set(id, flow.units);
    flows.push(flow);
  }
  return { units, flows };
}

export const isThere = (pin: Pin, card: Card, slot: Slot): boolean =>
  pin.kind === 'cardThere' && pin.cardId === card.id && pin.slotId === slot.id;

export const serves = (card: Card, { need, pin }: Want): boolean =>
  need === null
    ? pin?.kind === 'cardThere' && pin.cardId === card.id
    : SERVED_BY[need.kind] === card.delivers.kind;

/** How far these flows are from the fastest that any card here could give to their needs. */
export function paceOf(flows: readonly Flow[], fastest: ReadonlyMap<string, number>): number {
  return flows.reduce((sum, { need, high }) => {
    const most = fastest.get(need.id) ?? 0;
    return sum + (most > high ? Math.round(PACE_CENTS * (1 - high / most)) : 0);
  }, 0);
}

/** The most that any card of the catalogue could give to each need in any slot of the machine, in the need's unit. */
export function fastestOf(
  machine: Machine,
  cards: readonly Card[],
  wants: readonly Want[],
  give: GivenAsker,
): ReadonlyMap<string, number> {
  const fastest = new Map<string, number>();
  for (const card of cards) {
    const ofKind = wants.filter((want) => want.need !== null && serves(card, want));
    if (ofKind.length === 0) continue;
    for (const slot of machine.slots) {
      if (slot.bus !== card.bus) continue;
      for (const { need, high } of give(card, slot, ofKind).flows) {
        fastest.set(need.id, Math.max(fastest.get(need.id) ?? 0, high));
      }
    }
  }
  return fastest;
}
