/** The steps of a job and what is open in them: a file of its own, so that it is loaded only once a plan is there. */
export { openItems, stageAnswer } from '$core/diagnosis';
