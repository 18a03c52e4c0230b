/** The answer of each stage in one line, with its figure. */
import type { StageAnswer } from '$core/diagnosis';
import { chooseWords, ofMusts, type AnswerWords } from './chooseAnswer';
import { counted } from './figures';
import { flowFigure } from './flowFigures';

const NOT_PLANNED: AnswerWords = {
  words: 'No plan is accepted yet.',
  verdict: null,
  next: 'choose',
};

export function answerWords(answer: StageAnswer): AnswerWords {
  switch (answer.stage) {
    case 'survey':
      if (answer.slots === 0)
        return { words: 'The machine is not surveyed yet.', verdict: 'unknown', next: null };
      return answer.open === 0
        ? { words: 'Nothing is open in the survey.', verdict: 'clear', next: 'needs' }
        : { words: `${counted(answer.open, 'fact')} open.`, verdict: 'unknown', next: 'needs' };
    case 'needs':
      return answer.needs === 0
        ? { words: 'Nothing is wanted yet.', verdict: null, next: null }
        : {
            words: `${counted(answer.needs, 'need')}, ${answer.musts} of them ${answer.musts === 1 ? 'a must' : 'musts'}.`,
            verdict: null,
            next: 'choose',
          };
    case 'choose':
      return chooseWords(answer);
    case 'prepare':
    case 'fit':
    case 'drivers':
      return stepsWords(answer);
    case 'prove':
      return proveWords(answer);
    case 'hand-over':
      if (!answer.isPlanned) return NOT_PLANNED;
      if (answer.short > 0)
        return {
          words: `Not ready: ${shortWords(answer.short)}.`,
          verdict: 'blocked',
          next: 'prove',
        };
      return answer.left === 0
        ? { words: 'Handed over.', verdict: 'clear', next: null }
        : { words: `Ready, ${counted(answer.left, 'step')} left.`, verdict: null, next: null };
  }
}

/** The way on is the large button below. */
function stepsWords(answer: Extract<StageAnswer, { readonly left: number; readonly of: number }>) {
  const { isPlanned, left, of, amiss, waiting } = answer;
  if (!isPlanned) return NOT_PLANNED;
  if (amiss > 0)
    return {
      words: `${amiss === 1 ? 'One driver is' : `${amiss} drivers are`} not right yet.`,
      verdict: 'blocked' as const,
      next: null,
    };
  if (of === 0) return { words: 'Nothing to do here.', verdict: 'clear' as const, next: null };
  if (left === 0 && waiting > 0)
    return {
      words: `${counted(of, 'step')} done; ${waiting} wait for the next round.`,
      verdict: null,
      next: null,
    };
  return left === 0
    ? { words: `All ${of} steps done.`, verdict: 'clear' as const, next: null }
    : { words: `${left} of ${counted(of, 'step')} left.`, verdict: null, next: null };
}

/** “112 of 700 MB/s”: one unit is said once. */
function measuredWords(measured: string, wanted: string): string {
  const [figure, unit] = measured.split(' ');
  return wanted.endsWith(` ${unit}`) ? `${figure} of ${wanted}` : `${measured} of ${wanted}`;
}

const shortWords = (short: number): string =>
  short === 1 ? 'one must falls short' : `${short} musts fall short`;

function proveWords(answer: Extract<StageAnswer, { readonly stage: 'prove' }>): AnswerWords {
  const { isPlanned, musts, short, worst, unmeasured, left, isFollowed } = answer;
  if (!isPlanned) return NOT_PLANNED;
  if (isFollowed)
    return {
      words: 'The cards of the first round run; the second is to be fitted.',
      verdict: null,
      next: 'fit',
    };
  if (short > 0) {
    const figure =
      worst === null
        ? 'the plan has nothing for it'
        : measuredWords(flowFigure(worst.measured, worst), flowFigure(worst.wanted, worst));
    return {
      words: `${ofMusts(short, musts)} ${short === 1 ? 'falls' : 'fall'} short: ${figure}.`,
      verdict: 'blocked',
      next: null,
    };
  }
  if (unmeasured > 0)
    return {
      words: `${counted(unmeasured, 'need')} not measured yet.`,
      verdict: 'unknown',
      next: null,
    };
  return left === 0
    ? { words: 'Every need gets what was expected.', verdict: 'clear', next: 'hand-over' }
    : { words: `${counted(left, 'link')} not read yet.`, verdict: 'unknown', next: null };
}
