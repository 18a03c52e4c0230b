/** A card in a slot, with what it gives there and costs: what the planner searches over. */
import type { Card } from '../../document/card.ts';
import type { DeliveryKind } from '../../kinds/delivery.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Machine, Slot } from '../../document/machine.ts';
import type { Pin } from '../../document/planning.ts';
import type { Flow } from '../../kinds/flow.ts';
import type { Extra } from '../../parts/extra.ts';
import type { DriverLibrary } from '../../drivers/chooseDriver.ts';
import type { Finding } from '../../rules/finding.ts';
import { codesWhere } from '../../rules/findingCodes.ts';
import { machineAround } from '../../placement/housing.ts';
import { ADAPTED, PLUG_ADAPTERS } from '../../standards/plugs.ts';
import type { FrontLead } from '../../standards/headers.ts';
import {
  FITTING_CENTS,
  WAIT_CENTS_A_DAY,
  added,
  moneyCents,
  penaltyOfCard,
  weigh,
  type Parts,
  type Scale,
} from '../../plans/cost.ts';
import type { Existing } from './existing.ts';
import { adaptersFor, cheapestAdapter, extrasOf, priced } from '../../buying/extras.ts';
import { speedGapOf, type Contribution, type ContributionAsker } from './contributions.ts';
import type { Constraint } from './constraints.ts';
import { atFront, isForLater, type Demand } from '../../plans/demands.ts';

/** Findings that are asked of whole plans only, see interactions.ts. */
const TOGETHER = codesWhere(({ ofPlan }) => ofPlan === true);

export interface Candidate {
  readonly card: Card;
  /** With the lanes that this candidate reckons with. */
  readonly slot: Slot;
  readonly kind: DeliveryKind;
  /** The card of the machine that this is; null for a card that is bought. */
  readonly existing: Existing | null;
  /** All that it could serve from there is for later: it is not bought now. */
  readonly later: boolean;
  readonly findings: readonly Finding[];
  /** Units it gives towards each demand of its kind, by id; demands it falls short of are absent. */
  readonly units: ReadonlyMap<string, number>;
  readonly flows: readonly Flow[];
  /** Leads of the front panel that it reckons with. */
  readonly leads: readonly FrontLead[];
  /** What it costs whatever else is in the plan. */
  readonly parts: Parts;
  /** Its score; waiting is counted apart, since the longest wait of a plan is the plan's. */
  readonly score: number;
  /** With what it costs at least besides, in any plan: adapters that its plugs want even if it had them all. */
  readonly atLeast: number;
  readonly moneyCents: number;
  readonly waitCents: number;
}

export interface Assessing {
  /** Without the cards of which something is to be decided. */
  readonly machine: Machine;
  readonly cards: readonly Card[];
  readonly extras: readonly Extra[];
  readonly library: DriverLibrary;
  readonly demands: readonly Demand[];
  readonly pins: readonly Pin[];
  readonly existing: readonly Existing[];
  readonly budgetCents: number | null;
  readonly scale: Scale;
  readonly give: ContributionAsker;
  /** See `fastestOf`. */
  readonly fastest: ReadonlyMap<string, number>;
  /** Adapters that lie in the box of some card. */
  readonly boxed: ReadonlySet<string>;
  /** Limits that are imagined away. */
  readonly without: ReadonlySet<Constraint>;
}

/**
 * @param verdict what is known of it so far: with less of it the candidate costs less than it will
 * @param ofSlot what this very slot costs besides
 */
export function candidateOf(
  card: Card,
  slot: Slot,
  verdict: readonly Finding[],
  { contribution: { units, flows }, leads }: Way,
  { extras, scale, fastest, demands }: Assessing,
  ofSlot: Parts,
): Candidate {
  const alone = verdict.filter(({ code }) => !TOGETHER.has(code));
  const findings = [...alone, ...flows.flatMap(({ finding, catches }) => [finding, ...catches])];
  const bought = priced(extrasOf(card, alone, flows), extras);
  const later = isForLater(units, demands);
  const extrasCents = bought.reduce((total, { cents }) => total + cents, 0);
  const parts = added(
    {
      ...(later
        ? { later: card.priceCents + extrasCents }
        : { price: card.priceCents, extras: extrasCents }),
      disturbance: FITTING_CENTS,
      speedGap: speedGapOf(flows, fastest),
    },
    penaltyOfCard(card, findings),
    ofSlot,
  );
  const days = Math.max(card.leadDays ?? 0, ...bought.map(({ extra }) => extra?.leadDays ?? 0));
  const score = weigh(parts, scale);
  return {
    card,
    slot,
    kind: card.delivers.kind,
    existing: null,
    later,
    findings,
    units,
    flows,
    leads,
    parts,
    score,
    atLeast: score,
    moneyCents: moneyCents(parts),
    waitCents: later ? 0 : days * WAIT_CENTS_A_DAY,
  };
}

/**
 * Cents of the adapters that the card would want with all plugs to itself. Beside others it wants no fewer, but
 * perhaps others, so each counts as the cheapest of its kind.
 */
export function adaptersAtLeast(
  card: Card,
  slot: Slot,
  { machine, extras, boxed }: Assessing,
): number {
  if (card.sockets.length === 0) return 0;
  return adaptersFor([{ card, slot }], machineAround(slot, machine)).reduce((sum, { socket }) => {
    const alike = PLUG_ADAPTERS.filter((each) => ADAPTED[each].gives === socket.type);
    return sum + cheapestAdapter(extras, boxed, alike);
  }, 0);
}

/** What a card gives, and the leads of the front panel with which it gives that. */
export interface Way {
  readonly contribution: Contribution;
  readonly leads: readonly FrontLead[];
}

/**
 * A card that serves something at the front takes leads of the front panel; without them it still serves the rest,
 * so both are offered.
 */
export function waysOf(
  { machine, demands }: Assessing,
  card: Card,
  contribution: Contribution,
  isThere = false,
): readonly Way[] {
  const front = demands.filter((demand) => atFront(demand) && contribution.units.has(demand.id));
  const there = valueOf(machine.case.frontLeads);
  if (front.length === 0 || there === null) return [{ contribution, leads: [] }];
  const leads = card.frontHeaders
    .map(({ type }) => type)
    .filter((type) => there.some((lead) => lead.type === type));
  const units = new Map(
    [...contribution.units].filter(([id]) => !front.some((demand) => demand.id === id)),
  );
  const flows = contribution.flows.filter(({ need }) => units.has(need.id));
  // A card that is there has a place whatever it serves.
  const isUseful = units.size > 0 || isThere;
  return [
    { contribution, leads },
    ...(isUseful ? [{ contribution: { units, flows }, leads: [] }] : []),
  ];
}
