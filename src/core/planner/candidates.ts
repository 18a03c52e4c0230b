/** Every card in every slot that could serve a want, with what it gives and costs: what the planner searches over. */
import type { Card } from '../parts/card.ts';
import type { DeliveryKind } from '../parts/delivery.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine, Slot } from '../parts/machine.ts';
import type { Pin } from '../parts/planning.ts';
import type { Flow } from '../flow/flow.ts';
import type { Extra } from '../parts/extra.ts';
import type { DriverLibrary } from '../rules/driverSupport.ts';
import type { Finding, FindingCode } from '../rules/finding.ts';
import { laneLevels } from '../rules/sharing.ts';
import { verdictAsker } from '../rules/verdict.ts';
import { machineAround } from '../rules/housing.ts';
import { ADAPTED, PLUG_ADAPTERS } from '../standards/plugs.ts';
import type { FrontLead } from '../standards/headers.ts';
import {
  FITTING_CENTS,
  WAIT_CENTS_A_DAY,
  added,
  moneyCents,
  troubleOf,
  weigh,
  type Parts,
  type Scale,
} from './cost.ts';
import { Undominated } from './dominance.ts';
import type { Existing } from './existing.ts';
import { adaptersFor, cheapestAdapter, extrasOf, priced } from './extras.ts';
import { paceOf, serves, type Given, type GivenAsker } from './given.ts';
import { codesOf, type Limit } from './limits.ts';
import { atFront, type Want } from './wants.ts';

/**
 * Findings that depend on which other cards are in the plan, or on all of them together: asked of whole plans
 * only, see together.ts.
 */
export const TOGETHER: ReadonlySet<FindingCode> = new Set([
  'body.airShort',
  'body.airTaken',
  'body.airUnknown',
  'body.outFirst',
  'power.plugsFound',
  'power.adapter',
  'power.leadShort',
  'power.sumFits',
  'power.headroomUsed',
  'power.sumUnknown',
]);

export interface Candidate {
  readonly card: Card;
  /** With the lanes that this candidate reckons with. */
  readonly slot: Slot;
  readonly kind: DeliveryKind;
  /** The card of the machine that this is; null for a card that is bought. */
  readonly existing: Existing | null;
  readonly findings: readonly Finding[];
  /** Units it gives towards each want of its kind, by id; wants it falls short of are absent. */
  readonly units: ReadonlyMap<string, number>;
  readonly flows: readonly Flow[];
  /** Leads of the front panel that it reckons with. */
  readonly leads: readonly FrontLead[];
  /** What it costs whatever else is in the plan. */
  readonly parts: Parts;
  /** The same, weighed; waiting is counted apart, since the longest wait of a plan is the plan's. */
  readonly weighed: number;
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
  readonly wants: readonly Want[];
  readonly pins: readonly Pin[];
  readonly existing: readonly Existing[];
  readonly scale: Scale;
  readonly give: GivenAsker;
  /** See `fastestOf`. */
  readonly fastest: ReadonlyMap<string, number>;
  /** Limits that are imagined away. */
  readonly without: ReadonlySet<Limit>;
}

/**
 * New cards that are worth a look: of those that go into a slot, without the ones that another outdoes in every
 * respect. A slot that may lose lanes to others counts once for each number of lanes it may be left. Most cards are
 * outdone by what they give and cost alone, before any rule has to be asked.
 */
export function newCandidates(asked: Assessing): readonly Candidate[] {
  const { machine, wants, pins, library, without } = asked;
  const never = (kind: 'neverSlot' | 'neverCard', id: string) =>
    pins.some((pin) => pin.kind === kind && ('slotId' in pin ? pin.slotId : pin.cardId) === id);
  const ignored = codesOf(without);
  const { shared, whole } = verdictAsker(machine, library);
  const isBlocked = (findings: readonly Finding[]) =>
    findings.some(({ verdict, code }) => verdict === 'blocked' && !ignored.has(code));
  const levels = machine.slots
    .filter(({ id }) => !never('neverSlot', id))
    .flatMap((slot) => laneLevels(slot, machine));
  const wanted = new Map<DeliveryKind, readonly Want[]>();
  const cards = asked.cards
    .filter((card) => !never('neverCard', card.id))
    // Cheap ones first: they outdo the most.
    .toSorted((a, b) => a.priceCents - b.priceCents)
    .flatMap((card) => {
      const ofKind = card.delivers.kind;
      const own = wants.filter((want) => want.pin !== null && serves(card, want));
      const needs =
        wanted.get(ofKind) ?? wants.filter((want) => want.need !== null && serves(card, want));
      wanted.set(ofKind, needs);
      return needs.length + own.length === 0 ? [] : [{ card, wants: [...needs, ...own] }];
    });
  /** Each card as far as it is known before a slot is looked at, by what it gives there. */
  const drafts = new Map<Given, readonly Candidate[]>();
  const draftsOf = (card: Card, slot: Slot, serving: Given): readonly Candidate[] => {
    const known = drafts.get(serving);
    if (known !== undefined) return known;
    const everywhere = shared(card, slot);
    const fresh = isBlocked(everywhere)
      ? []
      : withLeads(asked, candidateOf(card, slot, everywhere, serving, asked));
    drafts.set(serving, fresh);
    return fresh;
  };
  const left = new Undominated<Candidate>(fanStarts(asked));
  for (const slot of levels) {
    for (const { card, wants: ofCard } of cards) {
      if (card.bus !== slot.bus && !ignored.has('seat.bus')) continue;
      const serving = asked.give(card, slot, ofCard);
      if (serving.units.size === 0) continue;
      if (draftsOf(card, slot, serving).every((each) => left.covers(each, slot))) continue;
      const { findings } = whole(card, slot);
      if (isBlocked(findings)) continue;
      const judged = candidateOf(card, slot, findings, serving, asked);
      const atLeast = judged.weighed + adaptersAtLeast(card, slot, asked) * asked.scale.extras;
      for (const each of withLeads(asked, { ...judged, atLeast })) left.add(each);
    }
  }
  return left.all();
}

/** Where fans begin along cards and neighbours: two lengths between the same of these leave all fans the same air. */
function fanStarts({ cards, machine, existing }: Assessing): readonly number[] {
  const fans = [
    ...cards.map(({ fan }) => fan),
    ...existing.map(({ card, occupant }) => valueOf(occupant.fan) ?? card.fan),
    ...machine.slots.map(({ occupant }) => valueOf(valueOf(occupant)?.fan ?? null)),
  ];
  return [...new Set(fans.flatMap((fan) => fan?.fromMm ?? []))].toSorted((a, b) => a - b);
}

/** @param verdict what is known of it so far: with less of it the candidate costs less than it will */
function candidateOf(
  card: Card,
  slot: Slot,
  verdict: readonly Finding[],
  { units, flows }: Given,
  { extras, scale, fastest }: Assessing,
): Candidate {
  const alone = verdict.filter(({ code }) => !TOGETHER.has(code));
  const findings = [...alone, ...flows.map(({ finding }) => finding)];
  const bought = priced(extrasOf(alone, flows), extras);
  const parts = added(
    {
      price: card.priceCents,
      extras: bought.reduce((total, { cents }) => total + cents, 0),
      disturbance: FITTING_CENTS,
      pace: paceOf(flows, fastest),
    },
    troubleOf(findings),
  );
  const days = Math.max(card.leadDays ?? 0, ...bought.map(({ extra }) => extra?.leadDays ?? 0));
  const weighed = weigh(parts, scale);
  return {
    card,
    slot,
    kind: card.delivers.kind,
    existing: null,
    findings,
    units,
    flows,
    leads: [],
    parts,
    weighed,
    atLeast: weighed,
    moneyCents: moneyCents(parts),
    waitCents: days * WAIT_CENTS_A_DAY,
  };
}

/**
 * Cents of the adapters that the card would want with all plugs to itself. Beside others it wants no fewer, but
 * perhaps others, so each counts as the cheapest of its kind.
 */
function adaptersAtLeast(card: Card, slot: Slot, { machine, extras }: Assessing): number {
  if (card.sockets.length === 0) return 0;
  return adaptersFor([{ card, slot }], machineAround(slot, machine)).reduce((sum, { socket }) => {
    const alike = PLUG_ADAPTERS.filter((each) => ADAPTED[each].gives === socket.type);
    return sum + cheapestAdapter(extras, alike);
  }, 0);
}

/**
 * A card that serves something at the front takes leads of the front panel; without them it still serves the rest,
 * so both are offered.
 */
export function withLeads(
  { machine, wants }: Assessing,
  candidate: Candidate,
): readonly Candidate[] {
  const front = wants.filter((want) => atFront(want) && candidate.units.has(want.id));
  const there = valueOf(machine.case.frontLeads);
  if (front.length === 0 || there === null) return [candidate];
  const leads = candidate.card.frontHeaders
    .map(({ type }) => type)
    .filter((type) => there.some((lead) => lead.type === type));
  const units = new Map(
    [...candidate.units].filter(([id]) => !front.some((want) => want.id === id)),
  );
  const rear = {
    ...candidate,
    units,
    flows: candidate.flows.filter(({ need }) => units.has(need.id)),
  };
  // A card that is there has a place whatever it serves.
  const useful = units.size > 0 || candidate.existing !== null;
  return [{ ...candidate, leads }, ...(useful ? [rear] : [])];
}
