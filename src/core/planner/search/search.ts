/**
 * Branch and bound over the slots of a machine, in their order: nothing, or one of the candidates, goes into each.
 *
 * `bound` says what a partial plan costs at least, whatever follows: what is placed, what cards that stand beside each
 * other cause each other (between two cards of the order nothing else can come any more), and the optimum of the
 * relaxed rest (relaxation.ts). `branch` fills the next slot in every way, `better` keeps the best whole plan. A plan
 * is a set of candidates, each in its own slot, so each set is on exactly one path; of two paths from which all goes on
 * alike only the cheaper is followed (pathDominance.ts). The plans that the relaxations find are tried first.
 *
 * It is a generator, so that whoever drives it can show how far it is and stop it: what was found by then is
 * returned with the least that anything better could cost.
 */
import type { Candidate } from '../candidates/candidates.ts';
import { conflictsIn } from '../candidates/conflicts.ts';
import {
  GIVE_UP_CENTS,
  added,
  compareCost,
  moneyCents,
  overBudgetCents,
  penaltyOf,
  weigh,
  type Cost,
} from '../candidates/cost.ts';
import type { Existing } from '../candidates/existing.ts';
import { adaptersTogether, cheapestAdapter } from '../candidates/extras.ts';
import { after } from '../bound/coverageState.ts';
import { NOTHING_TAKEN, PathDominance, type Taken } from './pathDominance.ts';
import { besideAfter, besideEmpty, type Option } from '../bound/positions.ts';
import { searchSpaceOf, type SearchProblem } from '../bound/searchSpace.ts';
import { IMPOSSIBLE, MUST, endOf, Relaxations, wattsOf } from '../bound/relaxation.ts';
import { demandDecisions, type Reached, type DemandDecision } from '../bound/demandDecisions.ts';
import { causedBeside, interactionsOf, type Interactions } from '../candidates/interactions.ts';
import type { Demand } from '../candidates/demands.ts';

export interface Found {
  readonly placed: readonly Candidate[];
  readonly givenUp: readonly Existing[];
  readonly unmet: readonly Demand[];
  readonly cost: Cost;
  readonly interactions: Interactions;
}

type AtLeast = Pick<Cost, 'mustsUnmet' | 'score'>;

export interface Progress {
  /** Partial plans looked at. */
  readonly searched: number;
  /** The best so far, null while there is none, and the least that any other could cost. */
  readonly best: Found | null;
  readonly least: AtLeast;
}

export interface Searched extends Progress {
  readonly best: Found;
}

/** What drives a search hears how far it is, and answers `true` to stop it. */
export type Search<Heard, Result> = Generator<Heard, Result, boolean | undefined>;

/** A partial plan. */
interface Partial extends Reached {
  readonly placed: readonly Candidate[];
  readonly taken: Taken;
  /** The part of `score` that the last card causes so far: what it causes is settled when the next one stands beside it. */
  readonly lastCaused: number;
  readonly decision: DemandDecision;
  readonly bound: number;
  /** The card that comes to it, put in and asked about – what it collides with, what it causes – once its turn comes. */
  readonly further: Candidate | null;
  /** Those that branch from the same partial plan bear the same number. */
  readonly family: number;
}

/** Partial plans between two signs of life. */
const STRIDE = 2_000;

export function* searching(problem: SearchProblem): Search<Progress, Searched> {
  const { scale, machine, budgetCents, existingCards } = problem;
  const { coverageState, positions, costs } = searchSpaceOf(problem);
  const { collides } = conflictsIn(machine, problem.without);
  const cheapest = cheapestAdapter(problem.extras);
  const pathDominance = new PathDominance(machine);
  const open: Partial[] = [];
  let best: Found | null = null;
  let bestValue = Infinity;
  let searched = 0;

  const cannotWin = (atLeast: number): boolean =>
    atLeast >= Math.min(bestValue, IMPOSSIBLE) ||
    (problem.anyPlan && best !== null && atLeast >= MUST);

  /** Adapters beyond those that the cards would want alone: at least so many, each as cheap as any. */
  const adapters = (before: readonly Candidate[], further: Candidate): number => {
    if (further.card.sockets.length === 0 || further.existing !== null) return 0;
    const fed = before.filter(({ existing }) => existing === null);
    const more = adaptersTogether([...fed, further], machine) - adaptersTogether(fed, machine);
    return Math.max(0, more - adaptersTogether([further], machine)) * cheapest * scale.extras;
  };

  const putIn = (partial: Partial, further: Candidate): Partial => ({
    ...partial,
    placed: [...partial.placed, further],
    taken: pathDominance.takenWith(partial.taken, further),
  });

  /** With what the last card settles of the one before it, and what it causes itself as far as it is known. */
  const asked = (partial: Partial, before: readonly Candidate[], last: Candidate): Partial => {
    const caused = causedBeside(last, before, machine, problem.extras);
    const lastCaused = weigh(penaltyOf(caused.own), scale);
    const settled = weigh(added(penaltyOf(caused.before), caused.first), scale);
    const score =
      partial.score + settled + adapters(before, last) + lastCaused - partial.lastCaused;
    const told = { ...partial, score, lastCaused, further: null };
    return { ...told, bound: told.decision.bound(told, bestValue) };
  };

  const better = ({
    placed,
    remaining,
    decision,
  }: Pick<Partial, 'placed' | 'remaining' | 'decision'>): void => {
    const left = [...decision.unmet, ...endOf(coverageState, remaining, costs).unmet];
    const givenUp = existingCards.filter(
      (each) => !placed.some(({ existing }) => existing === each),
    );
    const caused = interactionsOf(placed, machine, problem.extras);
    const parts = added(
      ...placed.map((each) => each.parts),
      {
        disturbance: givenUp.length * GIVE_UP_CENTS,
        wishes: left.reduce((sum, { wishCents }) => sum + wishCents, 0),
      },
      caused.parts,
    );
    const all = added(parts, { overBudget: overBudgetCents(moneyCents(parts), budgetCents) });
    const cost: Cost = {
      mustsUnmet: left.filter(({ must }) => must).length,
      parts: all,
      score: weigh(all, scale),
    };
    if (best !== null && compareCost(cost, best.cost) >= 0) return;
    const unmet = problem.demands.filter((demand) => left.includes(demand));
    best = { placed, givenUp, unmet, cost, interactions: caused };
    bestValue = cost.mustsUnmet * MUST + cost.score;
  };

  /** Takes a whole plan of the decision where it can be had as it is. */
  const tryOut = (plan: readonly Option[], decision: DemandDecision): void => {
    const placed: Candidate[] = [];
    let { remaining } = decision.start;
    for (const { candidate, coverage } of plan) {
      remaining = after(coverageState, remaining, coverage);
      if (remaining === -1 || collides(placed, candidate)) return;
      placed.push(candidate);
    }
    if (endOf(coverageState, remaining, costs).cost < IMPOSSIBLE)
      better({ placed, remaining, decision });
  };

  const branch = (partial: Partial): void => {
    const position = positions[partial.position];
    if (position === undefined) {
      better(partial);
      return;
    }
    const { bound } = partial.decision;
    const { placed, taken, lastCaused, decision } = partial;
    const branches: Partial[] = [];
    const consider = (reached: Reached, further: Candidate | null): void => {
      const atLeast = bound(reached, bestValue);
      if (cannotWin(atLeast)) return;
      const family = searched;
      branches.push({
        ...reached,
        placed,
        taken,
        lastCaused,
        decision,
        bound: atLeast,
        further,
        family,
      });
    };
    const { waiting, beside, moneyCents: money, watts, score } = partial;
    consider(
      {
        position: partial.position + 1,
        remaining: partial.remaining,
        waiting,
        beside: besideEmpty(position),
        moneyCents: money,
        watts,
        score,
      },
      null,
    );
    for (const option of position.options) {
      const { candidate, coverage, next } = option;
      const remaining = after(coverageState, partial.remaining, coverage);
      if (remaining === -1) continue;
      consider(
        {
          position: next,
          remaining,
          waiting: Math.max(waiting, costs.waitLevel(option)),
          beside: besideAfter(option, beside),
          moneyCents: money + candidate.moneyCents,
          watts: watts + wattsOf(option),
          score: score + candidate.atLeast,
        },
        candidate,
      );
    }
    // The most promising is looked at first.
    for (const each of branches.toSorted((a, b) => b.bound - a.bound)) open.push(each);
  };

  /** The partial plan with the card that comes to it; null where that cannot be or need not be looked at. */
  const whole = (partial: Partial): Partial | null => {
    const { further, placed } = partial;
    if (further === null) return partial;
    const there = putIn(partial, further);
    // What another dominates before anything is asked about it, it dominates all the more afterwards.
    if (pathDominance.is(there) || collides(placed, further)) return null;
    const told = asked(there, placed, further);
    return cannotWin(told.bound) ? null : told;
  };

  /** The next one to look at. Where it promises less, now that it is asked, than another of its family, that one is next. */
  const nextOpen = (): Partial | null => {
    for (let next = open.pop(); next !== undefined; next = open.pop()) {
      const partial = cannotWin(next.bound) ? null : whole(next);
      if (partial === null) continue;
      const { family, bound } = partial;
      let at = open.length;
      while (at > 0 && open[at - 1]!.family === family && open[at - 1]!.bound < bound) at -= 1;
      if (at < open.length) open.splice(at, 0, partial);
      else if (!pathDominance.is(partial)) {
        pathDominance.note(partial);
        return partial;
      }
    }
    return null;
  };

  const decisions = demandDecisions(
    problem,
    coverageState,
    new Relaxations(positions, coverageState, costs),
  );
  for (
    let decision = decisions.next(bestValue);
    decision !== null;
    decision = decisions.next(bestValue)
  ) {
    if (cannotWin(decision.least)) break;
    const { start, least: bound, promising } = decision;
    for (const plan of promising) tryOut(plan, decision);
    open.push({
      ...start,
      placed: [],
      taken: NOTHING_TAKEN,
      lastCaused: 0,
      decision,
      bound,
      further: null,
      family: 0,
    });
    for (let next = nextOpen(); next !== null; next = nextOpen()) {
      searched += 1;
      branch(next);
      if (problem.anyPlan && bestValue < MUST) break;
      if (searched % STRIDE === 0) {
        const least = leastOpen(open, Math.min(bestValue, decisions.ahead()));
        const stop = yield { searched, best, least };
        if (stop === true && best !== null) return { searched, best, least };
      }
    }
    if (problem.anyPlan && bestValue < MUST) break;
  }
  if (best === null) {
    throw new Error('A search without any plan, not even one that leaves every want');
  }
  return { searched, best, least: leastOpen(open, bestValue) };
}

function leastOpen(open: readonly Partial[], bestValue: number): AtLeast {
  const value = open.reduce((least, { bound }) => Math.min(least, bound), bestValue);
  const mustsUnmet = Math.floor(value / MUST);
  return { mustsUnmet, score: value - mustsUnmet * MUST };
}
