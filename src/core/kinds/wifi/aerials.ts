/** Aerials, which are screwed on through the bracket. */
import type { Delivery } from '../delivery.ts';

/** How many it has. */
export const aerialsOf = (delivers: Delivery): number =>
  delivers.kind === 'wifi' ? delivers.aerials : 0;

/** Whether it has a radio, whatever its aerials. */
export const hasRadio = ({ kind }: Delivery): boolean => kind === 'wifi';
