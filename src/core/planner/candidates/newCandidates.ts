/** Every card of the catalogue in every slot that could serve a demand, but for those that need not be looked at. */
import type { Card } from '../../document/card.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Slot } from '../../document/machine.ts';
import type { Finding } from '../../rules/finding.ts';
import { laneLevels } from '../../placement/lanesLeft.ts';
import { verdictAsker } from '../../rules/verdict.ts';
import {
  adaptersAtLeast,
  candidateOf,
  waysOf,
  type Assessing,
  type Candidate,
  type Way,
} from './candidates.ts';
import {
  FITTING_CENTS,
  WAIT_CENTS_A_DAY,
  longSlotCents,
  moneyCents,
  weigh,
} from '../../plans/cost.ts';
import { Undominated, type FanEdges, type Rival } from './dominance.ts';
import { pairedNames } from '../../rules/said.ts';
import { speedGapOf, type Contribution, type ContributionIn } from './contributions.ts';
import { memo } from '../../memo.ts';
import { codesOf } from './constraints.ts';

/**
 * New cards that are worth a look: of those that go into a slot, without the ones that another dominates in every
 * respect. A slot that may lose lanes to others counts once for each number of lanes it may be left.
 *
 * Rules take the most time, so they are asked last: most cards are dominated by what they give and cost before any rule
 * is asked, and most others by that and by what the rules say of them in any slot.
 */
export function newCandidates(asked: Assessing): readonly Candidate[] {
  const { machine, pins, library, without } = asked;
  const never = (slotId: string) =>
    pins.some((pin) => pin.kind === 'neverSlot' && pin.slotId === slotId);
  const ignored = codesOf(without);
  const { seated, shared, whole } = verdictAsker(machine, library);
  const isBlocked = (findings: readonly Finding[]) =>
    findings.some(({ verdict, code }) => verdict === 'blocked' && !ignored.has(code));
  const levels = machine.slots
    .filter(({ id }) => !never(id))
    .flatMap((slot) => laneLevels(slot, machine));
  const lookedAt = inQuestion(asked);
  const left = new Undominated<Candidate>(
    fanEdges(asked),
    asked.budgetCents !== null,
    pairedNames(asked.cards),
  );
  for (const slot of levels) {
    for (const looked of lookedAt) {
      const { card } = looked;
      if (card.bus !== slot.bus && !ignored.has('seat.bus')) continue;
      const serving = looked.contributionIn(slot);
      if (serving.units.size === 0) continue;
      const unasked = memo(looked.unasked, serving, () => rivalOf(card, slot, serving, asked));
      if (left.covers(unasked, slot) || isBlocked(seated(card, slot))) continue;
      const ways = memo(looked.ways, serving, () => waysOf(asked, card, serving));
      const drafts = memo(looked.drafts, serving, () => {
        const everywhere = shared(card, slot);
        if (isBlocked(everywhere)) return [];
        return ways.map((way) => candidateOf(card, slot, everywhere, way, asked, {}));
      });
      if (drafts.every((each) => left.covers(each, slot))) continue;
      const { findings } = whole(card, slot);
      if (isBlocked(findings)) continue;
      const ofSlot = { longSlot: longSlotCents(card, slot) };
      const adapters = adaptersAtLeast(card, slot, asked) * asked.scale.extras;
      for (const way of ways) {
        const judged = candidateOf(card, slot, findings, way, asked, ofSlot);
        left.add({ ...judged, atLeast: judged.score + adapters });
      }
    }
  }
  return left.all();
}

/** A card that could serve something, and what is known of it already, by what it gives. */
interface Considered {
  readonly card: Card;
  readonly contributionIn: ContributionIn;
  /** With leads of the front panel, and without. */
  readonly ways: Map<Contribution, readonly Way[]>;
  /** With the costs that need no rule. */
  readonly unasked: Map<Contribution, Rival>;
  /** With what the rules say of it in any slot; none where they forbid it. */
  readonly drafts: Map<Contribution, readonly Candidate[]>;
}

/** Cheap ones first: they outdo the most. */
function inQuestion({ cards, pins, give }: Assessing): readonly Considered[] {
  const never = new Set(pins.flatMap((pin) => (pin.kind === 'neverCard' ? pin.cardId : [])));
  return cards
    .filter(({ id }) => !never.has(id))
    .toSorted((a, b) => a.priceCents - b.priceCents)
    .flatMap((card): readonly Considered[] => {
      const contributionIn = give(card);
      return contributionIn === null
        ? []
        : [{ card, contributionIn, ways: new Map(), unasked: new Map(), drafts: new Map() }];
    });
}

/** What is known before any rule is asked. It takes no lead of the front panel yet, so that nothing is held against it. */
function rivalOf(
  card: Card,
  slot: Slot,
  { units, flows }: Contribution,
  { scale, fastest, demands }: Assessing,
): Rival {
  // Without its leads it may be for later only, and then no money counts.
  const mayBeLater = demands.some(({ id, need }) => need?.later === true && units.has(id));
  const parts = {
    [mayBeLater ? 'later' : 'price']: card.priceCents,
    disturbance: FITTING_CENTS,
    speedGap: speedGapOf(flows, fastest),
  };
  return {
    card,
    slot,
    kind: card.delivers.kind,
    units,
    leads: [],
    score: weigh(parts, scale),
    moneyCents: moneyCents(parts),
    waitCents: mayBeLater ? 0 : (card.leadDays ?? 0) * WAIT_CENTS_A_DAY,
  };
}

/** Of cards and neighbours: two lengths, or heights, between the same of these leave all fans the same air. */
function fanEdges({ cards, machine, existing }: Assessing): FanEdges {
  const fans = [
    ...cards.map(({ fan }) => fan),
    ...existing.map(({ card, occupant }) => valueOf(occupant.fan) ?? card.fan),
    ...machine.slots.map(({ occupant }) => valueOf(valueOf(occupant)?.fan ?? null)),
  ];
  const edges = (edgeOf: (fan: NonNullable<Card['fan']>) => number) => [
    ...new Set(fans.flatMap((fan) => (fan === null ? [] : edgeOf(fan)))),
  ];
  return {
    starts: edges(({ fromMm }) => fromMm),
    lowerEdges: edges(({ aboveMm = 0 }) => aboveMm),
  };
}
