/** Why the cards that are not in the plan are not in it. */
import type { Card } from '../parts/card.ts';
import type { Slot } from '../parts/machine.ts';
import { unitsWanted } from '../parts/need.ts';
import type { Flow } from '../flow/flow.ts';
import { VERDICTS, byWeight, type Finding } from '../rules/finding.ts';
import type { Assessment, Candidate } from './candidates.ts';

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
  /** Price and trouble together, in cents. */
  readonly totalCents: number;
}

/** One refusal for each card that serves a needed kind and is not placed, in the order of the catalogue. */
export function refusals(
  assessments: readonly Assessment[],
  placed: readonly Candidate[],
  collide: (one: Candidate, other: Candidate) => boolean,
): readonly Refusal[] {
  const placedCards = new Set(placed.map(({ card }) => card.id));
  const grouped = new Map<string, Assessment[]>();
  for (const assessment of assessments) {
    const { id } = assessment.verdict.card;
    if (placedCards.has(id)) continue;
    grouped.set(id, [...(grouped.get(id) ?? []), assessment]);
  }
  return [...grouped.values()].map((ofCard) => refusal(ofCard, placed, collide));
}

function refusal(
  ofCard: readonly Assessment[],
  placed: readonly Candidate[],
  collide: (one: Candidate, other: Candidate) => boolean,
): Refusal {
  const able = ofCard
    .flatMap(({ candidate }) => candidate ?? [])
    .toSorted((a, b) => a.troubleCents - b.troubleCents);
  const nearest = able[0];
  if (nearest !== undefined) {
    // A card of the same kind would be taken out for this one, so only the others can be in its way.
    const others = placed.filter(({ kind }) => kind !== nearest.kind);
    const free = able.find((candidate) => !others.some((other) => collide(other, candidate)));
    const fewer = nearest.flows.map(fewerUnits).find((finding) => finding !== null) ?? null;
    return {
      card: nearest.card,
      slot: (free ?? nearest).slot,
      reason: free === undefined ? 'displaced' : fewer === null ? 'dearer' : 'fewer',
      finding: fewer,
      totalCents: nearest.priceCents + nearest.troubleCents,
    };
  }
  const closest = ofCard.toSorted((a, b) => badness(a) - badness(b))[0];
  if (closest === undefined) throw new Error('A refused card without an assessment');
  const { verdict, flows } = closest;
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

/** The shortage in units where one such card does not do, else null. */
function fewerUnits({ need, units }: Flow): Finding | null {
  const wanted = unitsWanted(need);
  return units >= wanted
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
