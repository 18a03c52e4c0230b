/** The shopping list as a table for a spreadsheet. */
import Papa from 'papaparse';
import type { ShoppingList, ShoppingRow } from './shoppingList.ts';

/** One row for each thing, then the sums; money as plain decimals. */
export function shoppingTable(
  list: ShoppingList,
  { currency, words }: { readonly currency: string; readonly words: (row: ShoppingRow) => string },
): string {
  const money = (cents: number | null) => (cents === null ? '' : (cents / 100).toFixed(2));
  const least = list.unpriced > 0 ? ', at least' : '';
  const sum = (what: string, cents: number) => [what + least, '', '', '', '', money(cents)];
  return Papa.unparse(
    [
      ['What', 'For', 'Count', 'Days', `Each in ${currency}`, `Together in ${currency}`],
      ...list.rows.map((row) => [
        words(row),
        row.slotLabel,
        row.count,
        row.leadDays ?? '',
        money(row.cents),
        money(row.cents === null ? null : row.cents * row.count),
      ]),
      sum('Before tax', list.netCents),
      sum('Tax', list.taxCents),
      sum('Total', list.grossCents),
    ],
    // A cell that begins like a formula is none.
    { escapeFormulae: true },
  );
}
