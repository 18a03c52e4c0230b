/** Who makes the picture, and where it goes. */
import type { Delivery } from '../delivery.ts';
import type { Need } from '../need.ts';

/** Whether it makes the picture: without one nobody sees the machine start. */
export const makesPictures = ({ kind }: Pick<Delivery, 'kind'>): boolean => kind === 'screens';

/** Whether it leads from an output to the input of another card in the machine. */
export const isLoop = (need: Need): boolean => need.kind === 'screens' && need.into === 'card';

/** Screens of which the need does not say which socket they have. */
export const screensOfUnknownInput = (need: Need): number =>
  need.kind === 'screens' && need.input === null ? need.count : 0;

/** How often these needs want a picture a second, the first that says so. */
export const refreshWanted = (needs: readonly Need[]): number | null =>
  needs.flatMap((need) => (need.kind === 'screens' ? need.mode.refreshHz : []))[0] ?? null;
