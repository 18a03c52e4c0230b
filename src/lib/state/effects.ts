/**
 * How often each effect of this window has run: one that changes what it depends on shows here before it shows as a page
 * that hangs. A test holds the counts against a budget.
 */
const runs: Record<string, number> = {};

/** Every effect says first that it runs. @param effect where it stands, and what it is for */
export const ran = (effect: string): void => {
  runs[effect] = (runs[effect] ?? 0) + 1;
};

Object.assign(globalThis, { tenantEffects: runs });
