/** What plugs in where behind the machine: the sockets of each card and of the board, and the other end of each lead. */
import type { Flow } from '../kinds/flow.ts';
import { cardKindOf, type Delivery } from '../kinds/delivery.ts';
import type { LeadEnd } from '../kinds/leadEnd.ts';
import { wayOf } from '../kinds/ways.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../document/machine.ts';
import { unitsNeeded, type Need } from '../kinds/need.ts';
import type { Placed } from '../placement/lanesLeft.ts';
import type { RearSocketKind } from '../standards/rearSockets.ts';
import { servesIn } from './serves.ts';

/** Sockets of one kind side by side whose leads go to the same. */
export interface RearSockets {
  readonly kind: RearSocketKind;
  readonly count: number;
  readonly end: LeadEnd;
}

/** @param slotId null for the board's own ports */
export interface RearPorts {
  readonly slotId: string | null;
  readonly sockets: readonly RearSockets[];
}

const FREE: LeadEnd = { to: 'free' };

/** Of each placed card, in their order; a card without sockets at the back has none. */
export function rearLeads(
  placed: readonly Placed[],
  needs: readonly Need[],
  machine: Machine,
): readonly RearPorts[] {
  const serves = servesIn(needs, machine);
  return rearLeadsOf(
    placed.map(({ card, slot }) => ({ card, slot, flows: serves(card, slot) })),
    machine,
  );
}

/** The same of cards of which it is known what they give to each need. */
export function rearLeadsOf(
  cards: readonly (Placed & { readonly flows: readonly Flow[] })[],
  machine: Machine,
): readonly RearPorts[] {
  const served: Served = new Map();
  return cards.map(({ card, slot, flows }) => ({
    slotId: slot.id,
    sockets: together(joined(rearSocketsOf(card.delivers), flows, machine, served)),
  }));
}

/** Units of each need that cards before this one give, so that nothing is joined twice. */
type Served = Map<string, number>;

/** What the board itself shows at the back; what hangs on it is not asked. */
export const boardSockets = (machine: Machine): readonly RearSockets[] =>
  together(
    (valueOf(machine.builtIn) ?? [])
      .flatMap(rearSocketsOf)
      .map((kind): RearSockets => ({ kind, count: 1, end: FREE })),
  );

/** Sockets at the back, in the order in which the catalogue lists them. */
export const rearSocketsOf = (delivers: Delivery): readonly RearSocketKind[] =>
  cardKindOf(delivers).rearSockets(delivers);

/** What each socket is joined to, by the needs that its card serves. */
function joined(
  kinds: readonly RearSocketKind[],
  flows: readonly Flow[],
  machine: Machine,
  served: Served,
): readonly RearSockets[] {
  const ends: (LeadEnd | null)[] = kinds.map((kind) =>
    kind === 'aerial' ? { to: 'aerial' } : null,
  );
  /** The first socket that is free and of one of these kinds. */
  const join = (some: readonly RearSocketKind[], end: LeadEnd): boolean => {
    const at = kinds.findIndex((kind, n) => ends[n] === null && some.includes(kind));
    if (at >= 0) ends[at] = end;
    return at >= 0;
  };
  for (const flow of flows) {
    const { need } = flow;
    const before = served.get(need.id) ?? 0;
    const count = Math.min(flow.units, unitsNeeded(need) - before);
    served.set(need.id, before + count);
    wayOf(need).join(need, flow, { before, count }, machine, join);
  }
  return kinds.map((kind, n) => ({ kind, count: 1, end: ends[n] ?? FREE }));
}

/** Neighbours of one kind that lead to the same are told as one; a screen is one by itself. */
function together(sockets: readonly RearSockets[]): readonly RearSockets[] {
  const groups: RearSockets[] = [];
  for (const each of sockets) {
    const last = groups.at(-1);
    const isSame =
      last !== undefined &&
      last.kind === each.kind &&
      last.end.to === each.end.to &&
      each.end.to !== 'screen';
    if (isSame) groups[groups.length - 1] = { ...last, count: last.count + each.count };
    else groups.push(each);
  }
  return groups;
}
