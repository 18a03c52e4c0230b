/** The shopping list as a table for a spreadsheet. */
import Papa from 'papaparse';
import type { ShoppingList, ShoppingRow } from './shoppingList.ts';

type Sum = (isLeast: boolean) => string;
export interface ShoppingHeadings {
  /** What it is, for which slot, how many, days to deliver, price of each, price of all. */
  readonly columns: readonly string[];
  /** What the sums are called; while a price is not known they are the least. */
  readonly sums: { readonly net: Sum; readonly tax: Sum; readonly gross: Sum };
}

/** One row for each thing, then the sums; money as plain decimals. */
export function shoppingTable(
  list: ShoppingList,
  headings: ShoppingHeadings,
  words: (row: ShoppingRow) => string,
): string {
  const money = (cents: number | null) => (cents === null ? '' : (cents / 100).toFixed(2));
  const isLeast = list.unpriced > 0;
  const sum = (of: keyof ShoppingHeadings['sums'], cents: number) => [
    headings.sums[of](isLeast),
    ...Array<string>(4).fill(''),
    money(cents),
  ];
  return Papa.unparse(
    [
      headings.columns,
      ...list.rows.map((row) => [
        words(row),
        row.slotLabel,
        row.count,
        row.leadDays ?? '',
        money(row.cents),
        money(row.cents === null ? null : row.cents * row.count),
      ]),
      sum('net', list.netCents),
      sum('tax', list.taxCents),
      sum('gross', list.grossCents),
    ],
    // A cell that begins like a formula is none.
    { escapeFormulae: true },
  );
}
