/**
 * The planner, off the screen's thread. Catalogue and library come once and stay, so that a question is small and what was
 * worked out of them keeps. What is not asked for at once is fetched when it is.
 */
import { expose } from 'comlink';
import type { ChoiceProgress } from '$core/planner';
import type { PlanRequest } from '$core/plans';
import { planWork } from './planWork';

/** What a question is asked of, whatever the job. */
export type Supplies = Pick<PlanRequest, 'cards' | 'extras' | 'library'>;
export type Question = Omit<PlanRequest, keyof Supplies>;

type Questions = (typeof import('./planQuestions'))['planQuestions'];
type Behind<Query> = Query extends (request: PlanRequest, ...rest: infer Rest) => infer Answer
  ? (question: Question, ...rest: Rest) => Answer
  : never;

let supplies: Supplies = { cards: [], library: null };
const whole = (question: Question): PlanRequest => ({ ...question, ...supplies });

const asked =
  <Name extends keyof Questions>(name: Name) =>
  async (question: Question, ...rest: unknown[]) => {
    const { planQuestions } = await import('./planQuestions');
    const answer = planQuestions[name] as (request: PlanRequest, ...rest: unknown[]) => unknown;
    return answer(whole(question), ...rest);
  };

const work = {
  /** What every question from now on is asked of. */
  know(known: Supplies): void {
    supplies = known;
  },
  choose: (question: Question, hear: (progress: ChoiceProgress) => void) =>
    planWork.choose(whole(question), hear),
  stop: planWork.stop,
  end: planWork.end,
  explain: asked('explain') as Behind<Questions['explain']>,
  pricePins: asked('pricePins') as Behind<Questions['pricePins']>,
  whyNot: asked('whyNot') as Behind<Questions['whyNot']>,
  whatIf: asked('whatIf') as Behind<Questions['whatIf']>,
};
export type PlannerWork = typeof work;

expose(work);
