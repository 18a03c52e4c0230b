/**
 * What a plan costs: musts it leaves first, and of equals the score: the weighted sum of its parts in cents. Everything that
 * is not money is reckoned in money here, so that it can be seen, weighed, and set against the price.
 */
import {
  COST_PARTS,
  PLAIN_WEIGHTS,
  type CostPart,
  type WeighedPart,
  type Weights,
} from '../document/planning.ts';
import type { Card } from '../document/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Slot } from '../document/machine.ts';
import type { Finding } from '../rules/finding.ts';
import { findingRow, type FindingCode } from '../rules/findingCodes.ts';

/** Cents by part; parts that are absent cost nothing. */
export type Parts = Readonly<Partial<Record<CostPart, number>>>;

export interface Cost {
  /** Musts left and pins not kept: they come before any money. */
  readonly mustsUnmet: number;
  readonly parts: Parts;
  /** Cents × percent over all parts: whole, so that equal is equal. */
  readonly score: number;
}

/** The percentages as they are applied; money counts whole. */
export type Scale = Readonly<Record<CostPart, number>>;

export const scaleOf = (weights: Weights = PLAIN_WEIGHTS): Scale => ({
  price: 100,
  extras: 100,
  later: 100,
  ...weights,
});

/** A must in cents × percent: one more outweighs whatever money can be. */
export const MUST = 1e14;

/** Negative where `a` is the better plan. */
export const compareCost = (a: Cost, b: Cost): number =>
  a.mustsUnmet - b.mustsUnmet || a.score - b.score;

export function weigh(parts: Parts, scale: Scale): number {
  let score = 0;
  for (const part of COST_PARTS) score += (parts[part] ?? 0) * scale[part];
  return score;
}

export function added(...all: readonly Parts[]): Parts {
  const sum: Partial<Record<CostPart, number>> = {};
  for (const parts of all) {
    for (const part of COST_PARTS) {
      const cents = parts[part];
      if (cents !== undefined && cents !== 0) sum[part] = (sum[part] ?? 0) + cents;
    }
  }
  return sum;
}

export const moneyCents = ({ price = 0, extras = 0 }: Parts): number => price + extras;

/** Each cent over the budget counts so many: a wish is left rather than the budget broken, a must is not. */
export const OVER_BUDGET_FACTOR = 100;

export const overBudgetCents = (cents: number, budgetCents: number | null): number =>
  budgetCents === null ? 0 : Math.max(0, cents - budgetCents) * OVER_BUDGET_FACTOR;

/** Each point that a wish weighs. Common practice, no source. */
export const WISH_CENTS = 10_000;
/** Each card fitted, whatever it is. Common practice, no source; so are all figures below. */
export const FITTING_CENTS = 1_500;
export const MOVE_CENTS = 2_500;
/** A customer's card that is taken out and not put back. */
export const GIVE_UP_CENTS = 5_000;
/** A customer's card that is left fewer lanes than it has now. */
export const NARROWED_CENTS = 1_000;
export const WAIT_CENTS_A_DAY = 100;
/** From nothing to the fastest that any card here could give, for each need. */
export const SPEED_GAP_CENTS = 10_000;
/** A link that gives the card next to nothing of what it could use; in proportion when it gives more. */
const THIN_LINK_CENTS = 2_000;
/** Each lane of a connector that a card has no contacts for: long slots are kept for what needs them, of plans nearly alike. */
const SPARE_LANE_CENTS = 5;
/** Each fact not known yet: ordering before it is settled risks ordering twice. */
const UNKNOWN_CENTS = 10_000;

/** What it costs that a card takes a slot that a longer one could use. */
export const longSlotCents = (card: Pick<Card, 'bus' | 'lanes'>, slot: Slot): number =>
  card.bus === 'pcie' && slot.bus === 'pcie'
    ? Math.max(0, (valueOf(slot.connectorLanes) ?? 0) - card.lanes) * SPARE_LANE_CENTS
    : 0;

/** The trouble of findings, part by part. */
export function penaltyOf(findings: readonly Finding[]): Parts {
  const sum: Partial<Record<CostPart, number>> = {};
  for (const finding of findings) {
    const told = penalty(finding);
    if (told !== undefined) sum[told[0]] = (sum[told[0]] ?? 0) + told[1];
  }
  return sum;
}

/** Of a card that can be sent back, what is not known of it is half the risk. Common practice, no source. */
const KEPT_SHARE = 1 / 2;

/** The trouble of findings about one card. */
export function penaltyOfCard(
  { returnDays }: Pick<Card, 'returnDays'>,
  findings: readonly Finding[],
): Parts {
  const parts = penaltyOf(findings);
  const { unknown } = parts;
  return unknown === undefined || returnDays === null || returnDays === 0
    ? parts
    : { ...parts, unknown: unknown * KEPT_SHARE };
}

const THINNED: ReadonlySet<FindingCode> = new Set([
  'link.narrowed',
  'link.uplinkNarrows',
  'link.fewDrives',
]);

/** What any finding of a code is reckoned with. */
export function penaltyOfCode(code: FindingCode): Parts {
  const { penalty: told } = findingRow(code);
  return told === undefined ? {} : { [told[0]]: told[1] };
}

function penalty({
  code,
  verdict,
  needed,
  available,
}: Finding): readonly [WeighedPart, number] | undefined {
  if (verdict === 'unknown') return ['unknown', UNKNOWN_CENTS];
  if (THINNED.has(code) && needed !== undefined && available !== undefined) {
    return ['shortfall', Math.round(THIN_LINK_CENTS * (1 - available / needed))];
  }
  return findingRow(code).penalty;
}
