/** What cards give towards demands from each slot, and how fast that is beside the fastest. */
import { memo } from '../../memo.ts';
import type { Card } from '../../document/card.ts';
import type { DeliveryKind } from '../../kinds/delivery.ts';
import type { Machine, Slot } from '../../document/machine.ts';
import { isServedBy } from '../../kinds/need.ts';
import type { Pin } from '../../document/planning.ts';
import { providerKey, type Flow } from '../../kinds/flow.ts';
import { flowOf } from '../../flow/flowOf.ts';
import { namesSlots } from '../../rules/said.ts';
import { slotLink } from '../../placement/slotLink.ts';
import { slotInUse } from '../../placement/lanesLeft.ts';
import { SPEED_GAP_CENTS } from '../../plans/cost.ts';
import type { Units } from '../../plans/coverage.ts';
import type { Demand } from '../../plans/demands.ts';

export interface Contribution {
  readonly units: Units;
  readonly flows: readonly Flow[];
}

/** What these give is the same over any link. */
const WITHOUT_LINK: ReadonlySet<DeliveryKind> = new Set([
  'screens',
  'sound',
  'legacy',
  'otherDevice',
]);

/** What a card gives in a slot. */
export type ContributionIn = (slot: Slot) => Contribution;

/** Null for cards that serve none of the demands. */
export type ContributionAsker = (card: Card) => ContributionIn | null;

/**
 * What a card gives depends on the slot by its link and its housing only, and many cards of a catalogue give alike, so
 * that little has to be asked: cards that are alike share an answer. (The names of shared stages in these flows are
 * those of the slot that was asked.) A card that is pinned to a slot is asked by itself.
 */
export function contributionAsker(machine: Machine, demands: readonly Demand[]): ContributionAsker {
  const alike = new Map<string, ContributionIn>();
  const needs = new Map<DeliveryKind, readonly Demand[]>();
  const pinned = new Set(
    demands.flatMap(({ pin }) => (pin?.kind === 'cardThere' ? pin.cardId : [])),
  );
  return (card) => {
    const ofKind = memo(needs, card.delivers.kind, () =>
      demands.filter((demand) => demand.need !== null && serves(card, demand)),
    );
    if (pinned.has(card.id)) {
      const own = demands.filter((demand) => demand.need === null && serves(card, demand));
      return (slot) => given(card, slot, [...ofKind, ...own], machine);
    }
    if (ofKind.length === 0) return null;
    return memo(alike, `${card.bus} ${providerKey(card)}`, () => {
      const bySlot = new Map<Slot, Contribution>();
      const byLink = new Map<string, Contribution>();
      return (slot) =>
        memo(bySlot, slot, () =>
          memo(byLink, linkKey(card, slot, machine), () => given(card, slot, ofKind, machine)),
        );
    });
  };
}

/** What of a slot decides what the card gives in it. */
function linkKey(card: Card, slot: Slot, machine: Machine): string {
  const link = WITHOUT_LINK.has(card.delivers.kind)
    ? null
    : slotLink(card, slotInUse(slot, machine));
  const place = namesSlots(card) ? slot.id : slot.enclosureId;
  return `${place} ${link?.low} ${link?.high} ${link?.uplink?.id}`;
}

export function given(
  card: Card,
  slot: Slot,
  demands: readonly Demand[],
  machine: Machine,
): Contribution {
  const units = new Map<string, number>();
  const flows: Flow[] = [];
  for (const { id, need, pin } of demands) {
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

export const serves = (card: Card, { need, pin }: Demand): boolean =>
  need === null
    ? pin?.kind === 'cardThere' && pin.cardId === card.id
    : isServedBy(need.kind, card.delivers.kind);

/** How far these flows are from the fastest that any card here could give to their needs. */
export function speedGapOf(flows: readonly Flow[], fastest: ReadonlyMap<string, number>): number {
  return flows.reduce((sum, { need, high }) => {
    const most = fastest.get(need.id) ?? 0;
    return sum + (most > high ? Math.round(SPEED_GAP_CENTS * (1 - high / most)) : 0);
  }, 0);
}

/** The most that any card of the catalogue could give to each need in any slot of the machine, in the need's unit. */
export function fastestOf(
  { slots }: Machine,
  cards: readonly Card[],
  give: ContributionAsker,
): ReadonlyMap<string, number> {
  const fastest = new Map<string, number>();
  const asked = new Set<ContributionIn>();
  for (const card of cards) {
    const contributionIn = give(card);
    if (contributionIn === null || asked.has(contributionIn)) continue;
    asked.add(contributionIn);
    for (const slot of slots) {
      if (slot.bus !== card.bus) continue;
      for (const { need, high } of contributionIn(slot).flows) {
        fastest.set(need.id, Math.max(fastest.get(need.id) ?? 0, high));
      }
    }
  }
  return fastest;
}
