import type { Said } from './figures';

/** Of `jobKeeper.ts`. */
export const jobKeeper = {
  undone: 'Undone',
  doneAgain: 'Done again',
  anotherWindowHasChangedThis: 'another window has changed this job since',
  anEarlierVersionOfTenant: 'an earlier version of Tenant kept what came before',
  undoBeginsAnew: (since: Said) => `Undo begins anew: ${since}.`,
  changedInAnotherWindowThis: 'Changed in another window; this one is up to date again.',
};

/** Of `shop.svelte.ts`. */
export const shop = {
  asItWas: (title: Said) => `${title} (as it was)`,
};
