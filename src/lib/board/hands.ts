/** What corrects the survey on the drawing by hand and by key: fetched where it may be corrected. */
export { followHand } from './followHand';
export { movedSlot } from './edits';
export { default as ObstacleHandles } from './ObstacleHandles.svelte';
