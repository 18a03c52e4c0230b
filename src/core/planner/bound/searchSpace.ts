/** The question that is searched, and what the search goes over. */
import type { Extra } from '../../parts/extra.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Machine } from '../../document/machine.ts';
import type { FindingCode } from '../../rules/findingCodes.ts';
import type { Candidate } from '../candidates/candidates.ts';
import { MUST, GIVE_UP_CENTS, penaltyOfCode, weigh, type Scale } from '../../plans/cost.ts';
import { groupsOf, unitsFor, type Group, type Units } from '../../plans/coverage.ts';
import type { Existing, Keeping } from '../candidates/existing.ts';
import { coverageStateOf, type CoverageState } from './coverageState.ts';
import type { Constraint } from '../candidates/constraints.ts';
import { positionsOf, type Position } from './positions.ts';
import { type Costs } from './relaxation.ts';
import type { Demand } from '../../plans/demands.ts';

export interface SearchProblem {
  readonly demands: readonly Demand[];
  readonly fresh: readonly Candidate[];
  /** For each card that is there, where it may be. */
  readonly existing: readonly (readonly Candidate[])[];
  readonly existingCards: readonly Existing[];
  /** What the board and cards of which nothing is decided give. */
  readonly contributions: readonly Units[];
  /** Without the cards of which something is decided, and with what those give back that may go. */
  readonly machine: Machine;
  /** The same where some of them stay. */
  readonly keeping: Keeping;
  readonly budgetCents: number | null;
  readonly extras: readonly Extra[];
  readonly scale: Scale;
  readonly without: ReadonlySet<Constraint>;
  /** Stop at the first plan that leaves no must. */
  readonly anyPlan: boolean;
}

/** What the search goes over: what remains to be covered, the positions to fill, and what leaving and waiting cost. */
export interface SearchSpace {
  readonly coverageState: CoverageState;
  readonly positions: readonly Position[];
  readonly costs: Costs;
}

/** Demands beyond so many are not decided beforehand. */
const MOST_DECIDED = 10;

export function searchSpaceOf(problem: SearchProblem): SearchSpace {
  const { demands, existingCards, contributions, machine, scale } = problem;
  const candidates = [...problem.existing.flat(), ...problem.fresh];
  const leads = (valueOf(machine.case.frontLeads) ?? []).map(({ type }) => type);
  const used = leads.filter((type) => candidates.some((each) => each.leads.includes(type)));
  const given = (group: Group) =>
    contributions.reduce(
      (sum, units) => sum + Math.max(0, ...group.demands.map(({ id }) => units.get(id) ?? 0)),
      0,
    );
  const decided = decidedBeforehand(demands);
  const coverageState = coverageStateOf(
    groupsOf(demands),
    existingCards,
    used,
    given,
    supplyAsker(candidates, decided),
  );
  const waits = [...new Set([0, ...candidates.map(({ waitCents }) => waitCents)])].toSorted(
    (a, b) => a - b,
  );
  const costs: Costs = {
    leaving: (demand) => (decided.includes(demand) ? Infinity : costOfLeaving(demand, scale)),
    givingUp: GIVE_UP_CENTS * scale.disturbance,
    waits: waits.map((cents) => cents * scale.wait),
    waitLevel: ({ candidate }) => waits.indexOf(candidate.waitCents),
    outFirst: penaltyScore('body.outFirst', scale),
    noAir: penaltyScore('body.airShort', scale) + penaltyScore('body.airTaken', scale),
  };
  return {
    coverageState,
    costs,
    positions: positionsOf(machine, candidates, coverageState, problem.without),
  };
}

/** Groups to which every candidate gives the same have one name; those of which a demand is not decided beforehand their own. */
function supplyAsker(
  candidates: readonly Candidate[],
  decided: readonly Demand[],
): (group: Group) => string {
  const given = [...new Set(candidates.map(({ units }) => units))];
  return (group) => {
    const isDecided = group.demands.every((demand) => decided.includes(demand));
    return isDecided
      ? given.map((units) => unitsFor(group, units)).join()
      : `of ${group.demands.map(({ id }) => id).join()}`;
  };
}

export const penaltyScore = (code: FindingCode, scale: Scale): number =>
  weigh(penaltyOfCode(code), scale);

export const costOfLeaving = ({ must, wishCents }: Demand, scale: Scale): number =>
  must ? MUST : wishCents * scale.wishes;

/** The weightiest demands: whether each is served or left is decided before cards are. */
export const decidedBeforehand = (demands: readonly Demand[]): readonly Demand[] =>
  demands
    .toSorted((a, b) => Number(b.must) - Number(a.must) || b.wishCents - a.wishCents)
    .slice(0, MOST_DECIDED);
