/** What makes an accepted plan of a proposal or of a trial: fetched once one is accepted. */
export { acceptanceOf, acceptanceOfTrial } from '$core/assembly';
export { refusedWords } from '$words/refusedPlans';
