/** What a search knows at every moment: the question, what it goes over, what is open, and the best whole plan so far. */
import { pairedNames } from '../../rules/said.ts';
import { demandDecisions, type DemandDecision, type Reached } from '../bound/demandDecisions.ts';
import { IMPOSSIBLE, Relaxations } from '../bound/relaxation.ts';
import { searchSpaceOf, type SearchProblem, type SearchSpace } from '../bound/searchSpace.ts';
import type { Candidate } from '../candidates/candidates.ts';
import { conflictsIn } from '../candidates/conflicts.ts';
import { MUST, type Cost } from '../../plans/cost.ts';
import type { Demand } from '../../plans/demands.ts';
import type { Existing } from '../candidates/existing.ts';
import { boxedAdapters, cheapestAdapter } from '../../buying/extras.ts';
import type { Interactions } from '../candidates/interactions.ts';
import { NOTHING_USED, PathDominance, type Usage } from './pathDominance.ts';

/** A whole plan. */
export interface Found {
  readonly placed: readonly Candidate[];
  readonly givenUp: readonly Existing[];
  readonly unmet: readonly Demand[];
  readonly cost: Cost;
  readonly interactions: Interactions;
}

export type AtLeast = Pick<Cost, 'mustsUnmet' | 'score'>;

export interface PartialPlan extends Reached {
  readonly placed: readonly Candidate[];
  readonly taken: Usage;
  /** The part of `score` that the last card causes so far: what it causes is settled when the next one stands beside it. */
  readonly lastCaused: number;
  readonly decision: DemandDecision;
  readonly bound: number;
  /** The card that comes to it, put in and asked about – what it collides with, what it causes – once its turn comes. */
  readonly further: Candidate | null;
  /** Those that branch from the same partial plan bear the same number. */
  readonly family: number;
}

export interface SearchState {
  readonly problem: SearchProblem;
  readonly space: SearchSpace;
  readonly decisions: ReturnType<typeof demandDecisions>;
  readonly collides: ReturnType<typeof conflictsIn>['collides'];
  readonly adapterCents: number;
  readonly dominance: PathDominance;
  /** Partial plans to look at, the next one last. */
  readonly open: PartialPlan[];
  best: Found | null;
  /** Of the best: its musts and its score as one number. */
  bestValue: number;
  /** Partial plans looked at. */
  searched: number;
}

export function beginning(problem: SearchProblem): SearchState {
  const space = searchSpaceOf(problem);
  const { positions, coverageState, costs } = space;
  return {
    problem,
    space,
    decisions: demandDecisions(
      problem,
      coverageState,
      new Relaxations(positions, coverageState, costs),
    ),
    collides: conflictsIn(problem.keeping, problem.without).collides,
    adapterCents: cheapestAdapter(
      problem.extras,
      boxedAdapters(problem.fresh.map(({ card }) => card)),
    ),
    dominance: new PathDominance(
      problem.machine,
      problem.fresh.some(({ card }) => card.plates > 0),
      pairedNames([...problem.fresh, ...problem.existing.flat()].map(({ card }) => card)),
    ),
    open: [],
    best: null,
    bestValue: Infinity,
    searched: 0,
  };
}

/** Where the search of a decision begins. */
export const emptyPlan = (decision: DemandDecision): PartialPlan => ({
  ...decision.start,
  placed: [],
  taken: NOTHING_USED,
  lastCaused: 0,
  decision,
  bound: decision.least,
  further: null,
  family: 0,
});

/** Whether what costs at least so much need not be looked at. */
export const cannotWin = ({ best, bestValue, problem }: SearchState, atLeast: number): boolean =>
  atLeast >= Math.min(bestValue, IMPOSSIBLE) ||
  (problem.anyPlan && best !== null && atLeast >= MUST);

/** Whether a plan that leaves no must is all that was asked for, and is there. */
export const isContent = ({ problem, bestValue }: SearchState): boolean =>
  problem.anyPlan && bestValue < MUST;

/** The least that any plan could cost which is not looked at yet, up to `most`. */
export function leastOpen({ open }: SearchState, most: number): AtLeast {
  const value = open.reduce((least, { bound }) => Math.min(least, bound), most);
  const mustsUnmet = Math.floor(value / MUST);
  return { mustsUnmet, score: value - mustsUnmet * MUST };
}
