/** The best plan, and up to four others that are clearly different and better in one respect. */
import { outcome } from '../../outcome.ts';
import type { CostPart } from '../../document/planning.ts';
import { moneyCents, scaleOf, weigh, type Parts, type Scale } from '../../plans/cost.ts';
import { planContextOf, proposalOf, type PlanContext } from './plan.ts';
import type { PlanRequest, Proposal } from '../../plans/proposal.ts';
import { refusals, type Refusal } from './refusals.ts';
import { searching, type Search, type Searched } from '../search/search.ts';

const ASPECTS = ['cheapest', 'fastest', 'leastDisturbance', 'nothingBought'] as const;
export type Aspect = (typeof ASPECTS)[number];

interface Alternative {
  readonly aspect: Aspect;
  readonly plan: Proposal;
}

export interface Choice {
  readonly best: Proposal;
  readonly alternatives: readonly Alternative[];
  readonly refusals: readonly Refusal[];
}

export interface ChoiceProgress {
  /** What is searched for now. */
  readonly aspect: Aspect | 'best';
  readonly searched: number;
  /** The best plan, as soon as there is one. */
  readonly best: Proposal | null;
}

/** So much more than anything else counts what an alternative is sought for. */
const FOREMOST = 1_000;
/** Of the same cards in other places: by so much it has to be better to be called another plan. */
const CLEAR_CENTS = 500;

/** What is weighed for each aspect, wishes beside it: no aspect is served by leaving them. */
const FOREMOST_PARTS: Readonly<Record<Aspect, readonly CostPart[]>> = {
  cheapest: ['price', 'extras', 'later', 'overBudget'],
  fastest: ['speedGap', 'wishes'],
  leastDisturbance: ['disturbance', 'wishes'],
  nothingBought: [],
};

const MEASURE: Readonly<Record<Aspect, (parts: Parts) => number>> = {
  cheapest: moneyCents,
  fastest: ({ speedGap = 0 }) => speedGap,
  leastDisturbance: ({ disturbance = 0 }) => disturbance,
  nothingBought: moneyCents,
};

/** Null where it is stopped before there is any plan. */
export function* choosing(request: PlanRequest): Search<ChoiceProgress, Choice | null> {
  const scale = scaleOf(request.weights);
  const context = planContextOf(request, scale);
  const first = yield* heard(context, 'best', null);
  if (first === null) return null;
  const best = proposalOf(first, context);
  const alternatives: Alternative[] = [];
  for (const aspect of best.proven ? ASPECTS : []) {
    const sought = planContextFor(aspect, request, scale);
    const found = yield* heard(sought, aspect, best);
    if (found === null) break;
    const plan = measured(proposalOf(found, sought), scale);
    const others = [best, ...alternatives.map((each) => each.plan)];
    if (isBetterIn(aspect, plan, best) && others.every((other) => differs(aspect, plan, other))) {
      alternatives.push({ aspect, plan });
    }
  }
  return { best, alternatives, refusals: refusals(context, first.best) };
}

/** The same without anybody listening. */
export function choosePlans(request: PlanRequest): Choice {
  const choice = outcome(choosing(request));
  if (choice === null) throw new Error('A search that nobody stopped ended without a plan');
  return choice;
}

/** The search, with what it tells put into words of the whole; null where it is stopped before it has found any plan. */
function* heard(
  context: PlanContext,
  aspect: ChoiceProgress['aspect'],
  best: Proposal | null,
): Search<ChoiceProgress, Searched | null> {
  const search = searching(context.problem);
  let stop: boolean | undefined;
  for (;;) {
    const next = search.next(stop);
    if (next.done === true) return next.value;
    const { searched, best: found, least } = next.value;
    const soFar = found === null ? null : proposalOf({ searched, best: found, least }, context);
    stop = yield { aspect, searched, best: best ?? soFar };
    if (stop === true && found === null) return null;
  }
}

function planContextFor(aspect: Aspect, request: PlanRequest, scale: Scale): PlanContext {
  const foremost = FOREMOST_PARTS[aspect];
  const score = Object.fromEntries(
    Object.entries(scale).map(([part, percent]) => [
      part,
      foremost.includes(part as CostPart) ? Math.max(percent, 100) * FOREMOST : percent,
    ]),
  ) as unknown as Scale;
  const context = planContextOf(request, score);
  return aspect === 'nothingBought'
    ? { ...context, problem: { ...context.problem, fresh: [] } }
    : context;
}

const measured = (plan: Proposal, scale: Scale): Proposal => ({
  ...plan,
  cost: { ...plan.cost, score: weigh(plan.cost.parts, scale) },
});

const isBetterIn = (aspect: Aspect, plan: Proposal, best: Proposal): boolean =>
  plan.cost.mustsUnmet <= best.cost.mustsUnmet &&
  MEASURE[aspect](plan.cost.parts) < MEASURE[aspect](best.cost.parts);

function differs(aspect: Aspect, plan: Proposal, other: Proposal): boolean {
  const gain = MEASURE[aspect](other.cost.parts) - MEASURE[aspect](plan.cost.parts);
  return cardsIn(plan) !== cardsIn(other) || gain >= CLEAR_CENTS;
}

/** Which cards are bought, moved and given up, wherever they go. */
const cardsIn = ({ placements, moves, givenUp, unmet }: Proposal): string =>
  [
    ...placements.map(({ card }) => `+${card.id}`).toSorted(),
    ...moves.map(({ fromSlotId }) => `>${fromSlotId}`).toSorted(),
    ...givenUp.map((slotId) => `-${slotId}`).toSorted(),
    ...unmet.map(({ id }) => `?${id}`).toSorted(),
  ].join();
