/** Why the plans that were not taken were not, for the job's log. */
import { cardName, type CostPart } from '$core/document';
import type { Aspect } from '$core/planner';
import { moneyCents, type Proposal } from '$core/plans';
import { inMoney } from './figures';
import { PART_WORDS, PLAN_WORDS } from './plans';

/** For the job's log: each plan that was not taken, with what told against it. */
export function refusedWords(
  plans: readonly { readonly key: Aspect | 'best'; readonly plan: Proposal }[],
  chosen: Proposal | null,
): readonly string[] {
  if (chosen === null) return [];
  return plans
    .filter(({ plan }) => plan !== chosen)
    .map(({ key, plan }) => {
      const cards = plan.placements.map(({ card, slot }) => `${cardName(card)} in ${slot.label}`);
      const money = inMoney(moneyCents(plan.cost.parts));
      return `${PLAN_WORDS[key]}: ${cards.join(', ') || 'nothing bought'}, ${money}. Not taken: ${againstWords(plan, chosen)}.`;
    });
}

/** What weighs most against a plan beside the chosen one. */
function againstWords(plan: Proposal, chosen: Proposal): string {
  const musts = plan.cost.mustsUnmet - chosen.cost.mustsUnmet;
  if (musts > 0) return 'a must is not met';
  const [worst] = (Object.keys(PART_WORDS) as CostPart[])
    .map((part) => ({
      part,
      cents: (plan.cost.parts[part] ?? 0) - (chosen.cost.parts[part] ?? 0),
    }))
    .filter(({ part, cents }) => cents > 0 && part !== 'speedGap')
    .toSorted((a, b) => b.cents - a.cents);
  return worst === undefined
    ? 'the technician chose otherwise'
    : `${PART_WORDS[worst.part].toLowerCase()} ${inMoney(worst.cents)} more`;
}
