/** The question that is searched, and what the search goes over. */
import type { Extra } from '../../parts/extra.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Machine } from '../../parts/machine.ts';
import type { FindingCode } from '../../rules/finding.ts';
import type { Candidate } from '../candidates/candidates.ts';
import { GIVE_UP_CENTS, troubleOf, weigh, type Scale } from '../candidates/cost.ts';
import { groupsOf, type Group, type Units } from '../candidates/coverage.ts';
import type { Existing } from '../candidates/existing.ts';
import { lacksOf, type Lacks } from './coverageState.ts';
import type { Limit } from '../candidates/constraints.ts';
import { placesOf, type Place } from './positions.ts';
import { MUST, type Costs } from './relaxation.ts';
import type { Want } from '../candidates/demands.ts';

export interface SearchProblem {
  readonly wants: readonly Want[];
  readonly fresh: readonly Candidate[];
  /** For each card that is there, where it may be. */
  readonly existing: readonly (readonly Candidate[])[];
  readonly existingCards: readonly Existing[];
  /** What the board and cards of which nothing is decided give. */
  readonly givens: readonly Units[];
  /** Without the cards of which something is decided. */
  readonly machine: Machine;
  readonly budgetCents: number | null;
  readonly extras: readonly Extra[];
  readonly scale: Scale;
  readonly without: ReadonlySet<Limit>;
  /** Stop at the first plan that leaves no must. */
  readonly anyPlan: boolean;
}

/** What the search goes over: what is lacking, the places to fill, and what leaving and waiting cost. */
export interface Stage {
  readonly lacks: Lacks;
  readonly places: readonly Place[];
  readonly costs: Costs;
}

/** Wants beyond so many are not decided beforehand. */
const MOST_DECIDED = 10;

export function stageOf(problem: SearchProblem): Stage {
  const { wants, existingCards, givens, machine, scale } = problem;
  const candidates = [...problem.existing.flat(), ...problem.fresh];
  const leads = (valueOf(machine.case.frontLeads) ?? []).map(({ type }) => type);
  const used = leads.filter((type) => candidates.some((each) => each.leads.includes(type)));
  const given = (group: Group) =>
    givens.reduce(
      (sum, units) => sum + Math.max(0, ...group.wants.map(({ id }) => units.get(id) ?? 0)),
      0,
    );
  const lacks = lacksOf(groupsOf(wants), existingCards, used, given);
  const waits = [...new Set([0, ...candidates.map(({ waitCents }) => waitCents)])].toSorted(
    (a, b) => a - b,
  );
  const decided = decidedBeforehand(wants);
  const costs: Costs = {
    leaving: (want) => (decided.includes(want) ? Infinity : costOfLeaving(want, scale)),
    givingUp: GIVE_UP_CENTS * scale.disturbance,
    waits: waits.map((cents) => cents * scale.wait),
    waitLevel: ({ candidate }) => waits.indexOf(candidate.waitCents),
    outFirst: troubleWeighed('body.outFirst', scale),
    noAir: troubleWeighed('body.airShort', scale) + troubleWeighed('body.airTaken', scale),
  };
  return { lacks, costs, places: placesOf(machine, candidates, lacks, problem.without) };
}

export const troubleWeighed = (code: FindingCode, scale: Scale): number =>
  weigh(troubleOf([{ code, verdict: 'limited' }]), scale);

export const costOfLeaving = ({ must, wishCents }: Want, scale: Scale): number =>
  must ? MUST : wishCents * scale.wishes;

/** The weightiest wants: whether each is served or left is decided before cards are. */
export const decidedBeforehand = (wants: readonly Want[]): readonly Want[] =>
  wants
    .toSorted((a, b) => Number(b.must) - Number(a.must) || b.wishCents - a.wishCents)
    .slice(0, MOST_DECIDED);
