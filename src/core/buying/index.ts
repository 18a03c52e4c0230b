/** What other rooms than the core's take of this one. */
export { priced } from './extras.ts';
