/** What has to be ordered for an accepted plan, with prices, waiting and tax. */
import { extraName, isUnpriced } from '../parts/extra.ts';
import { newCardsOf, assemblyOf } from '../assembly/assembly.ts';
import { extrasOrdered } from '../assembly/rounds.ts';
import { withTaxCents } from '../money.ts';
import { cardName } from '../document/card.ts';
import type { Job } from '../document/job.ts';
import type { ExtraKind } from '../standards/extras.ts';

export interface ShoppingRow {
  /** Maker and model; empty where the catalogue holds nothing that fits. */
  readonly name: string;
  /** For a card the slot it goes into. */
  readonly slotLabel: string;
  /** For anything but a card: its kind, and what it is for within it. */
  readonly extra: { readonly kind: ExtraKind; readonly fits: string } | null;
  readonly count: number;
  /** Each, before tax; null where nobody told a price. */
  readonly cents: number | null;
  /** Days until it is there; null: it lies in the shop's own drawer, or nobody knows. */
  readonly leadDays: number | null;
}

export interface ShoppingList {
  readonly rows: readonly ShoppingRow[];
  /** Before tax, of everything that has a price. */
  readonly netCents: number;
  readonly taxCents: number;
  readonly grossCents: number;
  /** The longest wait of all. */
  readonly leadDays: number;
  /** Rows of which nobody told a price: sums and wait are at least what they say. */
  readonly unpriced: number;
}

/** @param taxHundredths tax in hundredths of a percent */
export function shoppingList(job: Job, taxHundredths: number): ShoppingList {
  const assembly = assemblyOf(job);
  const cards = newCardsOf(assembly).map(({ card, slot }): ShoppingRow => ({
    name: cardName(card),
    slotLabel: slot.label,
    extra: null,
    count: 1,
    cents: card.priceCents,
    leadDays: card.leadDays,
  }));
  const extras = extrasOrdered(job).map(({ kind, fits, count }): ShoppingRow => {
    const record =
      job.plan?.extras.find((each) => each.kind === kind && each.fits === fits)?.extra ?? null;
    return {
      name: record === null ? '' : extraName(record),
      slotLabel: '',
      extra: { kind, fits },
      count,
      cents: record?.priceCents ?? null,
      leadDays: record?.leadDays ?? null,
    };
  });
  const forMachine = job.bought.map((extra): ShoppingRow => ({
    name: extraName(extra),
    slotLabel: '',
    extra: { kind: extra.kind, fits: '' },
    count: 1,
    cents: isUnpriced(extra) ? null : extra.priceCents,
    leadDays: extra.leadDays,
  }));
  const rows: readonly ShoppingRow[] = [...cards, ...extras, ...forMachine];
  const netCents = rows.reduce((total, { count, cents }) => total + count * (cents ?? 0), 0);
  const grossCents = withTaxCents(netCents, taxHundredths);
  return {
    rows,
    netCents,
    grossCents,
    taxCents: grossCents - netCents,
    leadDays: Math.max(0, ...rows.map(({ leadDays }) => leadDays ?? 0)),
    unpriced: rows.filter(({ cents }) => cents === null).length,
  };
}
