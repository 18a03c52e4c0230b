/** How plans compare: musts first, then the budget, then wishes, then money. */

export interface Cost {
  readonly mustsUnmet: number;
  readonly overBudgetCents: number;
  /** Wishes not met, each counted as much as it weighs. */
  readonly nicesUnmet: number;
  readonly priceCents: number;
  readonly troubleCents: number;
}

/** Negative where `a` is the better plan. */
export function compareCost(a: Cost, b: Cost): number {
  return (
    a.mustsUnmet - b.mustsUnmet ||
    a.overBudgetCents - b.overBudgetCents ||
    a.nicesUnmet - b.nicesUnmet ||
    a.priceCents + a.troubleCents - (b.priceCents + b.troubleCents)
  );
}

export function overBudgetCents(priceCents: number, budgetCents: number | null): number {
  return budgetCents === null ? 0 : Math.max(0, priceCents - budgetCents);
}
