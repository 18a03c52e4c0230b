/** The answer of Choose in one line: of the accepted plan, or of the one that is proposed. */
import type { MetByMachine } from '$core/flow';
import type { Proposal } from '$core/plans';
import type { Stage } from '$core/document';
import type { StageAnswer } from '$core/diagnosis';
import type { Verdict } from '$core/rules';
import { counted, inMoney } from './figures';

/** The answer of a stage, with its figure. */
export interface AnswerWords {
  readonly words: string;
  /** Null where there is nothing to judge yet. */
  readonly verdict: Verdict | null;
  /** Where the next act is; null: it is in this stage. */
  readonly next: Stage | null;
}

export function chooseWords({
  needs,
  accepted,
}: Extract<StageAnswer, { readonly stage: 'choose' }>): AnswerWords {
  if (accepted === null)
    return { words: `${counted(needs, 'need')} to plan for.`, verdict: null, next: null };
  const { cards, unmetMusts } = accepted;
  const left = unmetMusts > 0 ? `, ${counted(unmetMusts, 'must')} left unmet` : '';
  return {
    words: `Accepted: ${cards === 0 ? 'no card' : counted(cards, 'card')}${left}.`,
    verdict: left === '' ? 'clear' : 'blocked',
    next: 'prepare',
  };
}

/** Of one must alone, or of several. */
export const ofMusts = (count: number, musts: number): string =>
  musts === 1 ? 'The must' : `${count} of ${counted(musts, 'must')}`;

/** @param unknown facts of the survey that are open */
export function proposalWords(
  { cost: { mustsUnmet } }: Proposal,
  cents: number,
  musts: number,
  unknown: number,
): AnswerWords {
  if (mustsUnmet > 0)
    return {
      words: `${ofMusts(mustsUnmet, musts)} cannot be met.`,
      verdict: 'blocked',
      next: null,
    };
  return unknown > 0
    ? {
        words: `Best on what is known, ${counted(unknown, 'fact')} open: ${inMoney(cents)}.`,
        verdict: 'unknown',
        next: null,
      }
    : {
        words: `${musts === 0 ? 'Best plan' : 'Every must is met'}: ${inMoney(cents)}.`,
        verdict: 'clear',
        next: null,
      };
}

/**
 * What a technician tries by hand is answered for as it is, not for what the planner proposes.
 * @param cards the verdict of each card on trial
 * @param musts whether each must is met with them
 * @param verdict the worst of all these
 */
export function trialWords(
  cards: readonly Verdict[],
  musts: readonly MetByMachine['state'][],
  cents: number,
  verdict: Verdict,
): AnswerWords {
  const blocked = cards.filter((verdict) => verdict === 'blocked').length;
  const met = musts.filter((state) => state === 'met').length;
  const open = musts.filter((state) => state === 'unknown').length;
  const words = [
    ...(blocked > 0 ? [`${counted(blocked, 'card')} cannot go where tried`] : []),
    ...(musts.length > 0 ? [`${met} of ${counted(musts.length, 'must')} met`] : []),
    ...(open > 0 ? [`${open} not known`] : []),
  ];
  const said = words.length === 0 ? counted(cards.length, 'card') : words.join(', ');
  return {
    words: `On trial: ${said}: ${inMoney(cents)}.`,
    verdict,
    next: null,
  };
}
