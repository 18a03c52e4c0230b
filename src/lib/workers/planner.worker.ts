/** The planner, off the screen's thread. What is not asked for at once is fetched when it is. */
import { expose } from 'comlink';
import { planWork } from './planWork';

type Questions = (typeof import('./planQuestions'))['planQuestions'];

const questions = async (): Promise<Questions> => (await import('./planQuestions')).planQuestions;

const work = {
  ...planWork,
  explain: async (...asked: Parameters<Questions['explain']>) =>
    (await questions()).explain(...asked),
  pricePins: async (...asked: Parameters<Questions['pricePins']>) =>
    (await questions()).pricePins(...asked),
  whyNot: async (...asked: Parameters<Questions['whyNot']>) => (await questions()).whyNot(...asked),
  whatIf: async (...asked: Parameters<Questions['whatIf']>) => (await questions()).whatIf(...asked),
};
export type PlannerWork = typeof work;

expose(work);
