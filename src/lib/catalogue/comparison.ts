/** The cards as a comparison: what each gives this job where it does best, and how the rows are sorted and left out. */
import { VERDICTS, type RowAsker, type SlotVerdict } from '$core/rules';
import { cardName, type Card, type Machine } from '$core/document';
import { flowOf } from '$core/flow';
import { unitsNeeded, type Flow, type Need } from '$core/kinds';
import { deliveryWords } from '$words/deliveries';
import { CARD_KIND_WORDS } from '$words/kinds/words';
import { comparison as says } from '$words/catalogue';

export interface ComparedCard {
  readonly card: Card;
  readonly row: readonly SlotVerdict[];
  /** The slot where it does best, with what the most served need gets there. */
  readonly best: SlotVerdict | null;
  readonly flow: Flow | null;
  /** Needs that it alone satisfies there. */
  readonly meets: readonly Need[];
  /** What it gives there of all that is needed: one for each need that it satisfies, less for a part of one. */
  readonly serves: number;
}

/** By how well they serve this job, by what they give it, and by what anyone may ask. */
export const SORTS = ['fit', 'gets', 'price', 'days', 'name'] as const;
export type Sort = (typeof SORTS)[number];

export interface Sifting {
  /** `needed`, `all`, or a kind of delivery. */
  readonly kind: string;
  readonly sought: string;
  /** Leave out what cannot go anywhere. */
  readonly goesIn: boolean;
  /** Leave out what meets no need alone. */
  readonly meets: boolean;
}

/** Cards of the kind, whose text holds every word that is sought: name, what it delivers, plugs, bus, identity. */
export function sifted(
  cards: readonly Card[],
  { kind, sought }: Sifting,
  neededKinds: ReadonlySet<string>,
): readonly Card[] {
  const words = sought.toLowerCase().split(/\s+/).filter(Boolean);
  return cards.filter(
    (card) =>
      (kind === 'all' ||
        (kind === 'needed'
          ? neededKinds.size === 0 || neededKinds.has(card.delivers.kind)
          : card.delivers.kind === kind)) &&
      words.every((word) => textOf(card).includes(word)),
  );
}

const texts = new WeakMap<Card, string>();

function textOf(card: Card): string {
  const found = texts.get(card);
  if (found !== undefined) return found;
  const text = [
    cardName(card),
    CARD_KIND_WORDS[card.delivers.kind],
    deliveryWords(card.delivers),
    card.bus,
    ...card.sockets,
    ...card.brackets.map((bracket) => says.bracket(bracket)),
    ...card.frontHeaders.map(({ type }) => type),
    card.fan === null ? says.noFan : says.fan,
    card.year,
    `${card.ids.vendor.toString(16)}:${card.ids.device.toString(16)}`,
  ]
    .join(' ')
    .toLowerCase();
  texts.set(card, text);
  return text;
}

/** Card by card, for whoever has other things to do meanwhile. A machine without a slot has nothing to compare. */
export function* comparing(
  cards: readonly Card[],
  rowOf: RowAsker,
  needs: readonly Need[],
  machine: Machine,
): Generator<undefined, readonly ComparedCard[], boolean | undefined> {
  const all: ComparedCard[] = [];
  for (const card of machine.slots.length === 0 ? [] : cards) {
    yield;
    const row = rowOf(card);
    // Where it does best is asked only of where it goes best.
    const mildest = Math.min(...row.map(severity));
    const places = row.flatMap((at) => {
      if (severity(at) > mildest) return [];
      const flows = needs.flatMap((need) => flowOf(card, at.slot, need, machine) ?? []);
      const flow = flows.toSorted((a, b) => b.units - a.units || b.high - a.high)[0] ?? null;
      const meets = flows
        .filter(({ need, units }) => units >= unitsNeeded(need))
        .map(({ need }) => need);
      const serves = flows.reduce(
        (sum, { need, units }) => sum + Math.min(1, units / unitsNeeded(need)),
        0,
      );
      return [{ at, flow, meets, serves }];
    });
    const best = places.toSorted(
      (a, b) => b.serves - a.serves || (b.flow?.high ?? 0) - (a.flow?.high ?? 0),
    )[0];
    const goesIn = best !== undefined && best.at.verdict !== 'blocked';
    all.push({
      card,
      row,
      best: best?.at ?? null,
      flow: best?.flow ?? null,
      meets: goesIn ? best.meets : [],
      serves: goesIn ? best.serves : 0,
    });
  }
  return all;
}

const severity = (at: SlotVerdict | null): number =>
  at === null ? VERDICTS.length : VERDICTS.indexOf(at.verdict);

/** The best, cheapest, quickest first; equals by price. */
export function sortedBy(cards: readonly ComparedCard[], sort: Sort): readonly ComparedCard[] {
  if (sort === 'name')
    return cards.toSorted((a, b) => cardName(a.card).localeCompare(cardName(b.card)));
  return cards.toSorted((a, b) => {
    const [ranks, others] = [ranksOf(a, sort), ranksOf(b, sort)];
    const first = ranks.findIndex((rank, n) => rank !== others[n]);
    const apart = first === -1 ? 0 : (ranks[first] ?? 0) - (others[first] ?? 0);
    return apart || a.card.priceCents - b.card.priceCents;
  });
}

/** What decides, the weightiest first; of each the smallest is best. */
function ranksOf(
  { card, meets, serves, best, flow }: ComparedCard,
  sort: Exclude<Sort, 'name'>,
): readonly number[] {
  switch (sort) {
    case 'price':
      return [card.priceCents];
    case 'days':
      return [card.leadDays ?? -1];
    case 'fit':
      return [-meets.length, -serves, severity(best)];
    case 'gets':
      return [-(flow?.units ?? 0), -(flow?.high ?? 0)];
  }
}
