/** What a card, or the board itself, gives towards a need. */
import type { Card } from '../document/card.ts';
import { BACKINGS } from '../parts/statement.ts';
import { wayOf } from '../kinds/ways.ts';
import type { Machine, Slot } from '../document/machine.ts';
import { type Need } from '../kinds/need.ts';
import { machineAround } from '../placement/housing.ts';
import { slotInUse } from '../placement/lanesLeft.ts';
import type { Finding } from '../rules/finding.ts';
import { backingOf } from '../rules/said.ts';
import { catchesIn, type Flow, type Provider } from '../kinds/flow.ts';
import type { Manner } from '../standards/cardForm.ts';

/**
 * What the card, in this slot with the lanes that others leave it, gives towards the need; null when it is of another
 * kind.
 */
export const flowOf = (card: Card, slot: Slot, need: Need, machine: Machine): Flow | null =>
  flowFrom(
    { delivers: card.delivers, fitted: { card, slot: slotInUse(slot, machine) } },
    need,
    machineAround(slot, machine),
  );

/** The same for whatever delivers. */
export function flowFrom(provider: Provider, need: Need, machine: Machine): Flow | null {
  const flow = wayOf(need).flow(provider, need, machine);
  if (flow === null || provider.fitted === null) return flow;
  return mannered(backed(flow, provider.fitted, machine), provider.fitted);
}

/** What a card cannot be if it is this. */
const OPPOSITES: Readonly<Partial<Record<Manner, readonly Manner[]>>> = {
  dark: ['lit', 'sparkling'],
  lit: ['dark'],
  sparkling: ['dark'],
};

/** What is wanted that is no number is held against the card's own words; where they say nothing of it, nobody knows. */
function mannered(flow: Flow, { card: { manners } }: NonNullable<Provider['fitted']>): Flow {
  const lacking = flow.need.manners.filter((manner) => !manners.includes(manner));
  const [first] = lacking;
  if (flow.units === 0 || first === undefined) return flow;
  const opposed = lacking.find((manner) =>
    (OPPOSITES[manner] ?? []).some((other) => manners.includes(other)),
  );
  if (opposed !== undefined) {
    const finding: Finding = { code: 'deliver.otherManner', verdict: 'blocked', subject: opposed };
    return { ...flow, units: 0, finding, catches: [] };
  }
  const finding: Finding = { code: 'deliver.mannerUnknown', verdict: 'unknown', subject: first };
  return flow.finding.verdict === 'unknown' ? flow : { ...flow, finding, catches: catchesIn(flow) };
}

/** A need may ask that something is said for the card that serves it. */
function backed(flow: Flow, { card, slot }: NonNullable<Provider['fitted']>, machine: Machine) {
  const { backing } = flow.need;
  if (flow.units === 0 || backing === 'none') return flow;
  const has = BACKINGS.indexOf(backingOf(card, slot, machine));
  if (has >= BACKINGS.indexOf(backing)) return flow;
  const finding: Finding = { code: 'deliver.notBacked', verdict: 'blocked', subject: backing };
  return { ...flow, units: 0, finding, catches: [] };
}
