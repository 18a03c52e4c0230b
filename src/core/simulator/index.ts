/** What other rooms than the core's take of this one. */
export { leftUndone, run } from './act.ts';
export { bring, worldOf } from './world.ts';
