import { tick } from 'svelte';

/** Where the answer's way on, or else the answer itself, is found. */
export const WAY_ON = 'way-on';

/** After an act that leaves its own control behind: the hand goes on from the way on, and it is read aloud. */
export async function focusWayOn(): Promise<void> {
  await tick();
  document.getElementById(WAY_ON)?.focus();
}
