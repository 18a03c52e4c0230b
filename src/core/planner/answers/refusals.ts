/** Why the cards that are not in the plan are not in it. */
import { withDriveLoad } from '../../placement/driveLoad.ts';
import { itemAt } from '../../units.ts';
import type { Card } from '../../document/card.ts';
import type { Machine, Slot } from '../../document/machine.ts';
import { isServedBy, unitsNeeded } from '../../kinds/need.ts';
import type { Flow } from '../../kinds/flow.ts';
import { flowOf } from '../../flow/flowOf.ts';
import { VERDICTS, byWeight, type Finding } from '../../rules/finding.ts';
import { verdictAsker, type SlotVerdict } from '../../rules/verdict.ts';
import type { Candidate } from '../candidates/candidates.ts';
import { conflictsIn, type Conflicts } from '../candidates/conflicts.ts';
import { FITTING_CENTS, added, penaltyOfCard, weigh, type Scale } from '../../plans/cost.ts';
import type { Found } from '../search/searchState.ts';
import type { PlanContext } from './plan.ts';

export interface Refusal {
  readonly card: Card;
  /** The slot where it came closest. */
  readonly slot: Slot;
  /**
   * Nowhere to go; goes in but gives too little; gives fewer units than wanted; its place is taken by a card
   * for another need; dearer in price and trouble than what the plan has instead.
   */
  readonly reason: 'blocked' | 'short' | 'fewer' | 'displaced' | 'dearer';
  readonly finding: Finding | null;
  /** All parts of its cost together, in cents, as they weigh. */
  readonly totalCents: number;
}

interface Assessment {
  readonly verdict: SlotVerdict;
  readonly flows: readonly Flow[];
}

/** One refusal for each card that serves a needed kind and is not placed, in the order of the catalogue. */
export function refusals({ request, problem }: PlanContext, { placed }: Found): readonly Refusal[] {
  const { demands, machine, scale } = problem;
  const placedCards = new Set(placed.map(({ card }) => card.id));
  const { whole } = verdictAsker(machine, request.library);
  const { whole: asItStands } = verdictAsker(
    withDriveLoad(request.machine, request.needs),
    request.library,
  );
  const conflicts = conflictsIn(problem.keeping, problem.without);
  const refusal = (card: Card): readonly Refusal[] => {
    const needs = demands.flatMap(({ need }) =>
      need !== null && isServedBy(need.kind, card.delivers.kind) ? [need] : [],
    );
    if (needs.length === 0 || placedCards.has(card.id)) return [];
    const inEach = ({ slots }: Machine, ask: typeof whole): readonly Assessment[] =>
      slots.map((slot) => ({
        verdict: ask(card, slot),
        flows: needs.flatMap((need) => flowOf(card, slot, need, machine) ?? []),
      }));
    const everywhere = inEach(machine, whole);
    const able = everywhere.filter(
      ({ verdict, flows }) => verdict.verdict !== 'blocked' && flows.some(({ units }) => units > 0),
    );
    const there = placed.filter(({ existing }) => existing !== null);
    const kept = able.every((each) => conflicts.collides(there, asCandidate(each)));
    // In the way is what is in the machine: then it is the machine as it stands that says why.
    if (able.length > 0 && kept) return [unable(inEach(request.machine, asItStands))];
    if (able.length > 0) return [pathDominance(able, placed, conflicts, scale)];
    return everywhere.length === 0 ? [] : [unable(everywhere)];
  };
  return request.cards.flatMap(refusal);
}

function pathDominance(
  able: readonly Assessment[],
  placed: readonly Candidate[],
  { collides }: Conflicts,
  scale: Scale,
): Refusal {
  const order = able
    .map((each) => ({ ...each, score: costAlone(each, scale) }))
    .toSorted((a, b) => a.score - b.score);
  const { verdict, flows, score } = itemAt(order, 0);
  const { card } = verdict;
  // A card of the same kind would be taken out for this one, so only the others can be in its way.
  const others = placed.filter(({ kind }) => kind !== card.delivers.kind);
  const free = order.find((each) => !collides(others, asCandidate(each)));
  const fewer =
    flows.map((flow) => fewerUnits(flow, placed)).find((finding) => finding !== null) ?? null;
  return {
    card,
    slot: (free?.verdict ?? verdict).slot,
    reason: free === undefined ? 'displaced' : fewer === null ? 'dearer' : 'fewer',
    finding: fewer,
    totalCents: Math.round(score / 100),
  };
}

/** Cents × percent of the card there by itself. */
const costAlone = ({ verdict, flows }: Assessment, scale: Scale): number =>
  weigh(
    added(
      { price: verdict.card.priceCents, disturbance: FITTING_CENTS },
      penaltyOfCard(verdict.card, [...verdict.findings, ...flows.map(({ finding }) => finding)]),
    ),
    scale,
  );

/** As far as it matters for what it collides with. */
const asCandidate = ({ verdict: { card, slot } }: Assessment): Candidate => ({
  card,
  slot,
  kind: card.delivers.kind,
  existing: null,
  later: false,
  findings: [],
  units: new Map(),
  flows: [],
  leads: [],
  parts: {},
  score: 0,
  atLeast: 0,
  moneyCents: card.priceCents,
  waitCents: 0,
});

function unable(everywhere: readonly Assessment[]): Refusal {
  const { verdict, flows } = itemAt(
    everywhere.toSorted((a, b) => badness(a) - badness(b)),
    0,
  );
  const blocked = verdict.verdict === 'blocked';
  const worst = byWeight(blocked ? verdict.findings : flows.map((flow) => flow.finding))[0];
  return {
    card: verdict.card,
    slot: verdict.slot,
    reason: blocked ? 'blocked' : 'short',
    finding: worst ?? null,
    totalCents: verdict.card.priceCents,
  };
}

/**
 * The shortage in units where one such card does not do, else null: it is no reason beside cards that were chosen though each
 * of them gives no more.
 */
function fewerUnits({ need, units }: Flow, placed: readonly Candidate[]): Finding | null {
  const wanted = unitsNeeded(need);
  const chosen = Math.max(0, ...placed.map((each) => each.units.get(need.id) ?? 0));
  return units >= wanted || (chosen > 0 && units >= chosen)
    ? null
    : {
        code: 'deliver.fewer',
        verdict: 'limited',
        needed: wanted,
        available: units,
        unit: 'count',
      };
}

/**
 * The least blocked slot is the one to explain: an empty one before a taken one, then the fewest findings
 * that block, then the mildest verdict.
 */
function badness({ verdict }: Assessment): number {
  const blocking = verdict.findings.filter((finding) => finding.verdict === 'blocked').length;
  const taken = verdict.findings.some(({ code }) => code === 'seat.occupied') ? 1 : 0;
  return (taken * 100 + blocking) * VERDICTS.length + VERDICTS.indexOf(verdict.verdict);
}
