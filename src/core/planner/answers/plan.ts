/** The best complete plan for all needs together: exact, and proven so unless it is stopped before. */
import { makesPictures } from '../../kinds/screens/picture.ts';
import { outcome } from '../../outcome.ts';
import type { Card } from '../../document/card.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Machine } from '../../document/machine.ts';
import { withDriveLoad } from '../../placement/driveLoad.ts';
import { isServedBy, unitsNeeded, type Need } from '../../kinds/need.ts';
import { metByMachine, providers } from '../../flow/metByMachine.ts';
import { flowFrom } from '../../flow/flowOf.ts';
import type { Candidate } from '../candidates/candidates.ts';
import { existingCandidates } from '../candidates/existingWays.ts';
import { newCandidates } from '../candidates/newCandidates.ts';
import { fastestOf, contributionAsker } from '../candidates/contributions.ts';
import { scaleOf, type Scale } from '../../plans/cost.ts';
import type { PlanRequest, Proposal } from '../../plans/proposal.ts';
import type { Units } from '../../plans/coverage.ts';
import { existingCards, keeping, withoutExisting, type Existing } from '../candidates/existing.ts';
import { boxedAdapters, extrasOf, gathered, priced } from '../../buying/extras.ts';
import { imaginedWithout, type Constraint } from '../candidates/constraints.ts';
import { searching, type Progress, type Search, type Searched } from '../search/search.ts';
import type { Found } from '../search/searchState.ts';
import type { SearchProblem } from '../bound/searchSpace.ts';
import { partsWith, waitingIn } from './forLater.ts';
import { isDisturbed } from '../candidates/interactions.ts';
import { demandOf, demandOfPin } from '../../plans/demands.ts';

export function proposePlan(request: PlanRequest): Proposal {
  return outcome(planning(request));
}

export function* planning(request: PlanRequest): Search<Progress, Proposal> {
  const context = planContextOf(request, scaleOf(request.weights));
  return proposalOf(yield* searching(context.problem), context);
}

/** A search, and what its answer is read by. */
export interface PlanContext {
  readonly request: PlanRequest;
  readonly met: readonly Need[];
  readonly problem: SearchProblem;
}

const NOTHING: ReadonlySet<Constraint> = new Set();

/** @param without limits that are imagined away */
export function planContextOf(
  request: PlanRequest,
  scale: Scale,
  without: ReadonlySet<Constraint> = NOTHING,
): PlanContext {
  const { cards, library, pins = [], extras = [] } = request;
  const surveyed = withDriveLoad(request.machine, request.needs);
  const existing = existingCards(surveyed, cards, pins);
  const leftBy = (staying: readonly Existing[]) =>
    imaginedWithout(withoutExisting(surveyed, existing, staying), without);
  const machine = leftBy([]);
  const met = metByTheRest(request.needs, machine, existing, cards);
  const needs = request.needs.filter((need) => !met.includes(need));
  const demands = [...needs.map(demandOf), ...pins.flatMap((pin) => demandOfPin(pin, cards))];
  const give = contributionAsker(machine, demands);
  const asked = {
    machine,
    cards,
    extras,
    library,
    demands,
    pins,
    existing,
    budgetCents: request.budgetCents,
    scale,
    give,
    fastest: fastestOf(machine, cards, give),
    boxed: boxedAdapters(cards),
    without,
  };
  return {
    request,
    met,
    problem: {
      demands,
      fresh: newCandidates(asked),
      existing: existingCandidates(asked),
      existingCards: existing,
      keeping: keeping(machine, existing, leftBy),
      contributions: contributionsOf(machine, needs, cards),
      machine,
      budgetCents: request.budgetCents,
      extras,
      scale,
      without,
      anyPlan: false,
    },
  };
}

export function proposalOf({ best, least, searched }: Searched, context: PlanContext): Proposal {
  const { request } = context;
  const slotOf = ({ slot }: Candidate) =>
    request.machine.slots.find(({ id }) => id === slot.id) ?? slot;
  const findingsOf = (candidate: Candidate) => [
    ...candidate.findings,
    ...(best.interactions.findings[best.placed.indexOf(candidate)] ?? []),
  ];
  const waiting = waitingIn(best, context.problem);
  const fresh = best.placed.filter(({ existing }) => existing === null);
  const moved = best.placed.filter(isDisturbed);
  const extras = [
    ...gathered(
      fresh
        .filter((each) => !waiting.has(each))
        .flatMap(({ card, findings, flows }) => extrasOf(card, findings, flows)),
    ),
  ];
  return {
    // The survey's own slots, whatever lanes a candidate reckoned with.
    placements: fresh.map((each) => ({
      card: each.card,
      slot: slotOf(each),
      findings: findingsOf(each),
    })),
    moves: moved.flatMap((each) =>
      each.existing === null
        ? []
        : [
            {
              card: each.card,
              slot: slotOf(each),
              fromSlotId: each.existing.slot.id,
              toSlotId: each.slot.id,
              findings: findingsOf(each),
            },
          ],
    ),
    givenUp: best.givenUp.map(({ slot }) => slot.id),
    later: fresh.filter((each) => waiting.has(each)).map(({ slot }) => slot.id),
    unmet: best.unmet.flatMap(({ need }) => need ?? []),
    pinsLeft: best.unmet.flatMap(({ pin }) => pin ?? []),
    met: [...context.met, ...metByWhatIsThere(best, context)],
    extras: [...priced(extras, request.extras ?? []), ...best.interactions.extras],
    cost: { ...best.cost, parts: partsWith(best.cost.parts, waiting) },
    together: best.interactions.overall,
    proven: least.mustsUnmet === best.cost.mustsUnmet && least.score === best.cost.score,
    least,
    searched,
  };
}

/** Needs that cards of the machine meet without anything new. */
const metByWhatIsThere = (
  { placed }: Found,
  { problem: { demands, contributions } }: PlanContext,
): readonly Need[] => {
  const there = placed.filter((each) => each.existing !== null && !isDisturbed(each));
  return demands.flatMap(({ id, need, units }) => {
    const given = [...contributions, ...there.map((each) => each.units)].reduce(
      (sum, each) => sum + (each.get(id) ?? 0),
      0,
    );
    return need !== null && given >= units ? [need] : [];
  });
};

/**
 * Needs that the machine meets whatever becomes of its cards. Video on the board goes off with the first graphics
 * card, so it meets a need only where no need asks for such a card and none is in.
 */
function metByTheRest(
  needs: readonly Need[],
  machine: Machine,
  existing: readonly Existing[],
  cards: readonly Card[],
): readonly Need[] {
  const met = (need: Need, there: Machine) => metByMachine(need, there, cards).state === 'met';
  const ofScreens = ({ kind }: Need) => isServedBy(kind, 'screens');
  const withoutVideo: Machine = {
    ...machine,
    builtIn: machine.builtIn && {
      ...machine.builtIn,
      value: (valueOf(machine.builtIn) ?? []).filter((each) => !makesPictures(each)),
    },
  };
  const boardDoes =
    !existing.some(({ card }) => makesPictures(card.delivers)) &&
    needs.filter(ofScreens).every((need) => met(need, machine));
  return needs.filter((need) => met(need, ofScreens(need) && !boardDoes ? withoutVideo : machine));
}

/** Units that the board and the cards of which nothing is decided give towards needs they do not meet alone. */
function contributionsOf(
  machine: Machine,
  needs: readonly Need[],
  cards: readonly Card[],
): readonly Units[] {
  return providers(machine, cards)
    .filter(({ delivers, fitted }) => fitted !== null || !makesPictures(delivers))
    .map(
      (provider) =>
        new Map(
          needs.flatMap((need): readonly [string, number][] => {
            const flow = flowFrom(provider, need, machine);
            return flow === null || flow.units === 0 || flow.finding.verdict === 'unknown'
              ? []
              : [[need.id, Math.min(flow.units, unitsNeeded(need))]];
          }),
        ),
    );
}
