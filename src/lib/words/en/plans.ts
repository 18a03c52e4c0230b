/** Plans, the parts of what they cost and what is bought with them, in words. */
import type { Aspect } from '$core/planner';
import type { Proposal } from '$core/plans';
import type { CostPart } from '$core/document';
import type { ExtraNeeded } from '$core/parts';
import { inMoney } from './figures';
import { EXTRA_KIND_WORDS, fitsWords } from './things';

export const PLAN_WORDS: Readonly<Record<Aspect | 'best', string>> = {
  best: 'Best',
  cheapest: 'Cheapest',
  fastest: 'Fastest',
  leastDisturbance: 'Least disturbance',
  nothingBought: 'Nothing bought',
};

export const PART_WORDS: Readonly<Record<CostPart, string>> = {
  price: 'Price of the cards',
  extras: 'Extras',
  later: 'Kept for later, at today’s price',
  overBudget: 'Over the budget',
  wishes: 'Nice-to-haves not met',
  shortfall: 'Slower than it could be',
  disturbance: 'Work in the machine',
  air: 'Airflow',
  drivers: 'Drivers and firmware',
  wait: 'Waiting',
  unknown: 'Facts not known',
  longSlot: 'Long slots taken by short cards',
  speedGap: 'Slower than the fastest option',
};

export const extraWords = ({ kind, fits }: Pick<ExtraNeeded, 'kind' | 'fits'>): string => {
  const what = fitsWords(fits);
  return what === '' ? EXTRA_KIND_WORDS[kind] : `${EXTRA_KIND_WORDS[kind]}: ${what}`;
};

export const scoreMoney = ({ cost }: Pick<Proposal, 'cost'>): string => inMoney(cost.score / 100);
