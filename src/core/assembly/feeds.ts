/** Which plugs feed which card when all new cards of a plan are fed together, each housing from its own supply. */
import type { Machine } from '../document/machine.ts';
import { housings } from '../placement/housing.ts';
import type { Placed } from '../placement/lanesLeft.ts';
import { feedsOfSockets, plugsOf, type Feed } from '../placement/plugs.ts';
import { socketsIn } from '../placement/sockets.ts';
import type { Finding } from '../rules/finding.ts';
import { findingRow } from '../rules/findingCodes.ts';
import type { PlugType } from '../standards/plugs.ts';
import { plugFinding, plugsFoundFor } from '../rules/power.ts';

/** For each card what feeds its sockets, in their order; empty where the supply's plugs are not known. */
export function feedsOf(placed: readonly Placed[], machine: Machine): readonly (readonly Feed[])[] {
  const feeds = placed.map((): readonly Feed[] => []);
  for (const { id, machine: around } of housings(machine)) {
    if (around.supply.plugs === null) continue;
    const inThere = [...placed.entries()].filter(([, { slot }]) => slot.enclosureId === id);
    const sockets = inThere.map(([, { card, slot }]) => socketsIn(card, slot, around));
    const assigned = [...feedsOfSockets(sockets.flat(), plugsOf(around.supply))];
    inThere.forEach(([n], m) => {
      feeds[n] = assigned.splice(0, sockets[m]?.length ?? 0);
    });
  }
  return feeds;
}

/** Findings of one card's plugs, which are asked of all cards together. */
export const isOfPlugs = ({ code }: Finding): boolean => findingRow(code).ofPlugs === true;

/** What is found of one card's plugs while the others are fed as well. @param around as seen from its housing */
export function feedFinding(
  n: number,
  placed: readonly Placed[],
  feeds: readonly (readonly Feed[])[],
  around: Machine,
): Finding {
  const own = feeds[n] ?? [];
  if (own.every(({ plugs }) => plugs.length > 0)) return plugsFoundFor(own, plugsOf(around.supply));
  const housing = placed[n]?.slot.enclosureId;
  const all = placed
    .filter(({ slot }) => slot.enclosureId === housing)
    .flatMap(({ card, slot }) => socketsIn(card, slot, around));
  return plugFinding(all, around.supply);
}

/** A plug that feeds something else as yet, and gives way to a free one for a card's socket. */
export interface Exchange {
  /** Its number among those of the card. */
  readonly socket: number;
  readonly feeds: string;
  /** The free plug that goes in, and the one that comes out for the card. */
  readonly gets: PlugType;
  readonly gives: PlugType;
}

/** @param supply that the feeds were dealt out from */
export function exchangesOf(
  feeds: readonly Feed[],
  supply: Machine['supply'],
): readonly Exchange[] {
  const plugs = plugsOf(supply);
  return feeds.flatMap(({ plugs: [taken], exchangedFor }, socket): readonly Exchange[] => {
    const giving = taken === undefined ? undefined : plugs[taken];
    const given = exchangedFor === null ? undefined : plugs[exchangedFor];
    return giving?.inUse == null || given === undefined
      ? []
      : [{ socket, feeds: giving.inUse.feeds, gets: given.type, gives: giving.type }];
  });
}
