/**
 * Which plug feeds which socket: an assignment, not a count. Every plug and adapter stays within its watts, a lead
 * with several plugs carries no more than one of them is rated for, and no plug is asked to reach further than
 * its lead. Of all assignments the one that leaves the fewest sockets dead, then buys the fewest adapters, then
 * takes up the smallest plugs.
 */
import { itemAt } from '../units.ts';
import type { Card } from '../document/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../document/machine.ts';
import {
  ADAPTED,
  PLUGS,
  PLUG_ADAPTERS,
  type PlugAdapter,
  type PlugType,
} from '../standards/plugs.ts';

export interface Socket {
  readonly type: PlugType;
  /** What the card draws through it at most. */
  readonly watts: number;
  /** How far down from the board's upper edge its slot lies, in millimetres; zero where nobody knows. */
  readonly wayMm: number;
}

/** One plug of the supply, free or to be exchanged for a free one. */
export interface SupplyPlug {
  readonly type: PlugType;
  readonly watts: number;
  /** Plugs of one lead share what it carries; null: a lead of its own. */
  readonly lead: string | null;
  readonly reachMm: number;
  /** What it feeds already; null: nothing. Such a plug is free once another feeds that. */
  readonly inUse: PlugInUse | null;
}

type PlugInUse = NonNullable<Machine['supply']['plugsInUse']>['value'][number];

export interface Feed {
  readonly socket: Socket;
  /** Indices into the plugs; empty where the socket stays dead. */
  readonly plugs: readonly number[];
  readonly adapter: PlugAdapter | null;
  /** The free plug that goes where the plug in use was taken from; null: none was. */
  readonly exchangedFor: number | null;
}

export interface Assignment {
  readonly plugs: readonly SupplyPlug[];
  readonly feeds: readonly Feed[];
  readonly cost: AssignmentCost;
}

/** Sockets without power, adapters to buy, plugs to exchange, and watts of rating taken up: compared in this order. */
export interface AssignmentCost {
  readonly dead: number;
  readonly adapters: number;
  readonly exchanges: number;
  readonly takenWatts: number;
}

/** Limits that may be left out, to find which of them is in the way. */
export interface Leniency {
  readonly reach?: boolean;
  readonly leads?: boolean;
  readonly watts?: boolean;
}

const compareAssignments = (a: AssignmentCost, b: AssignmentCost): number =>
  a.dead - b.dead ||
  a.adapters - b.adapters ||
  a.exchanges - b.exchanges ||
  a.takenWatts - b.takenWatts;

/** A card's sockets, each with its part of what the slot does not give, in proportion to what it is rated for. */
export function socketsOf(card: Card, wayMm = 0): readonly Socket[] {
  const throughPlugs = Math.max(0, card.peakWatts - card.slotWatts);
  const rated = card.sockets.reduce((sum, type) => sum + PLUGS[type].watts, 0);
  return card.sockets.map((type) => ({
    type,
    watts: (throughPlugs * PLUGS[type].watts) / rated,
    wayMm,
  }));
}

/** What an assignment of plugs depends on, but for the plugs. */
export const socketsKey = (sockets: readonly Socket[]): string =>
  sockets.map(({ type, watts, wayMm }) => `${type} ${watts} ${wayMm}`).join();

/** The supply's plugs one by one: the free ones in their order, and behind them those in use. None while nobody told. */
export function plugsOf({ plugs, plugsInUse }: Machine['supply']): readonly SupplyPlug[] {
  const free = (valueOf(plugs) ?? []).flatMap(({ type, count, lead, reachMm, ratedWatts }) =>
    Array.from({ length: count }, () => ({
      type,
      watts: ratedWatts ?? PLUGS[type].watts,
      lead: lead ?? null,
      reachMm: reachMm ?? Infinity,
      inUse: null,
    })),
  );
  const inUse = (valueOf(plugsInUse) ?? []).map((each) => ({
    type: each.type,
    watts: PLUGS[each.type].watts,
    lead: each.lead ?? null,
    reachMm: each.reachMm ?? Infinity,
    inUse: each,
  }));
  return [...free, ...inUse];
}

/** Loads that differ by less than this are equal: shares of a load are not always whole. */
const HAIR_WATTS = 1e-9;

/** An assignment under way: what feeds each socket so far, and the best whole one. */
interface Assigning {
  readonly sockets: readonly Socket[];
  readonly plugs: readonly SupplyPlug[];
  readonly leniency: Leniency;
  /**
   * In which sockets are fed: choosy ones first, since their few branches cut off the most; and those that are alike one
   * after the other.
   */
  readonly order: readonly number[];
  readonly leadLimits: ReadonlyMap<string, number>;
  readonly feeds: Feed[];
  best: Assignment | null;
  branches: number;
}

/**
 * What feeds them, with what goes between where a longer lead has to be bought for it: a socket that only a longer lead reaches
 * has no plug yet, and the same adapter as if it had.
 */
export function feedsOfSockets(
  sockets: readonly Socket[],
  plugs: readonly SupplyPlug[],
): readonly Feed[] {
  const { feeds, cost } = assignPlugs(sockets, plugs);
  if (cost.dead === 0) return feeds;
  const longer = assignPlugs(sockets, plugs, { reach: true });
  return longer.cost.dead > 0
    ? feeds
    : feeds.map((feed, n) =>
        feed.plugs.length > 0 ? feed : { ...feed, adapter: itemAt(longer.feeds, n).adapter },
      );
}

/** No real machine comes near so many; beyond, the best so far is taken, so that no file can stop the bench. */
const MOST_BRANCHES = 20_000;

/** The best assignment; exact up to `MOST_BRANCHES`. A socket that no plug can feed stays dead. */
export function assignPlugs(
  sockets: readonly Socket[],
  plugs: readonly SupplyPlug[],
  leniency: Leniency = {},
): Assignment {
  const choices = sockets.map((socket) => directPlugs(socket, plugs));
  const state: Assigning = {
    sockets,
    plugs,
    leniency,
    order: [...sockets.keys()].toSorted(
      (a, b) =>
        itemAt(choices, a) - itemAt(choices, b) ||
        socketsKey([itemAt(sockets, a)]).localeCompare(socketsKey([itemAt(sockets, b)])) ||
        a - b,
    ),
    leadLimits: leadLimits(plugs),
    feeds: sockets.map(deadFeed),
    best: null,
    branches: 0,
  };
  branch(state, 0, { dead: 0, adapters: 0, exchanges: 0, takenWatts: 0 });
  if (state.best === null) throw new Error('Not even the assignment that feeds nothing was found');
  return state.best;
}

const deadFeed = (socket: Socket): Feed => ({
  socket,
  plugs: [],
  adapter: null,
  exchangedFor: null,
});

/** Feeds the next socket in every way, and leaves it dead. */
function branch(state: Assigning, depth: number, cost: AssignmentCost): void {
  const { best, order, plugs, sockets, feeds } = state;
  if (best !== null && compareAssignments(cost, best.cost) >= 0) return;
  if (best !== null && state.branches >= MOST_BRANCHES) return;
  state.branches += 1;
  const n = order[depth];
  if (n === undefined) {
    state.best = { plugs, feeds: [...feeds], cost };
    return;
  }
  const socket = itemAt(sockets, n);
  const twin = twinBefore(state, depth);
  for (const { able, count, adapter, exchangedFor } of waysToFeed(state, socket)) {
    for (const taken of combinations(state, able, count)) {
      const feed = { socket, plugs: taken, adapter, exchangedFor };
      if (twin !== null && comesBefore(feed, twin)) continue;
      if (!hold(state, taken, socket.watts / count, socket.wayMm)) continue;
      const fresh = takenBy(feed).filter((plug) => usersOf(state, plug).length === 0);
      feeds[n] = feed;
      branch(state, depth + 1, {
        dead: cost.dead,
        adapters: cost.adapters + (adapter === null ? 0 : 1),
        exchanges: cost.exchanges + (exchangedFor === null ? 0 : 1),
        takenWatts: fresh.reduce((sum, plug) => sum + itemAt(plugs, plug).watts, cost.takenWatts),
      });
      feeds[n] = deadFeed(socket);
    }
  }
  branch(state, depth + 1, { ...cost, dead: cost.dead + 1 });
}

/** What feeds the socket before this one in the order, where the two are alike: of alike sockets one order is tried. */
function twinBefore({ order, sockets, feeds }: Assigning, depth: number): Feed | null {
  const [n, before] = [order[depth], order[depth - 1]];
  if (n === undefined || before === undefined) return null;
  const alike = socketsKey([itemAt(sockets, n)]) === socketsKey([itemAt(sockets, before)]);
  return alike ? itemAt(feeds, before) : null;
}

/** Direct feeds come before exchanged plugs, those before adapters, and those before nothing; of one kind by their first plug. */
function comesBefore(a: Feed, b: Feed): boolean {
  const rank = ({ plugs, adapter, exchangedFor }: Feed): number => {
    if (plugs.length === 0) return Infinity;
    if (adapter !== null) return PLUG_ADAPTERS.indexOf(adapter);
    return exchangedFor === null ? -2 : -1;
  };
  const [of, other] = [rank(a), rank(b)];
  return of < other || (of === other && (a.plugs[0] ?? 0) < (b.plugs[0] ?? 0));
}

interface WayToFeed {
  /** The plugs that would do, of which so many are taken. */
  readonly able: readonly number[];
  readonly count: number;
  readonly adapter: PlugAdapter | null;
  readonly exchangedFor: number | null;
}

/** Directly, by a plug in use for which a free one is given, or through each adapter that gives such a plug. */
function waysToFeed(state: Assigning, socket: Socket): readonly WayToFeed[] {
  const { plugs, leniency } = state;
  const all = [...plugs.keys()];
  const typeOf = (n: number) => itemAt(plugs, n).type;
  const unused = all.filter(
    (n) => itemAt(plugs, n).inUse === null && usersOf(state, n).length === 0,
  );
  // A splitter hangs a second socket on a plug that feeds one by itself already.
  const splitting = all.filter((n) => {
    const [user, another] = usersOf(state, n);
    return user?.adapter === null && user.exchangedFor === null && another === undefined;
  });
  const direct = unused.filter((n) => PLUGS[typeOf(n)].serves.includes(socket.type));
  return [
    { able: direct, count: 1, adapter: null, exchangedFor: null },
    ...exchanges(state, socket, unused),
    ...PLUG_ADAPTERS.flatMap((adapter): readonly WayToFeed[] => {
      const { gives, takes, count, watts, splits } = ADAPTED[adapter];
      if (gives !== socket.type || (leniency.watts !== true && socket.watts > watts)) return [];
      const able = (splits ? splitting : unused).filter((n) => takes.includes(typeOf(n)));
      return [{ able, count, adapter, exchangedFor: null }];
    }),
  ];
}

/** Plugs in use that would go into the socket, each with every free plug that its thing takes and that reaches it. */
function exchanges(
  state: Assigning,
  { type }: Socket,
  unused: readonly number[],
): readonly WayToFeed[] {
  return [...state.plugs.entries()].flatMap(([n, { type: own, inUse }]) => {
    if (inUse === null || !PLUGS[own].serves.includes(type) || usersOf(state, n).length > 0)
      return [];
    return unused
      .filter((m) => {
        const { type: other, reachMm } = itemAt(state.plugs, m);
        const goesIn = other === own || inUse.alsoTakes.includes(other);
        return goesIn && reachMm >= (inUse.atMm ?? 0);
      })
      .map((m): WayToFeed => ({ able: [n], count: 1, adapter: null, exchangedFor: m }));
  });
}

/** So many of these plugs, in every way that makes a difference. */
const combinations = (
  state: Assigning,
  from: readonly number[],
  count: number,
): readonly (readonly number[])[] =>
  count === 0
    ? [[]]
    : from.flatMap((n, at) =>
        from.slice(0, at).some((m) => alike(state, n, m))
          ? []
          : combinations(state, from.slice(at + 1), count - 1).map((rest) => [n, ...rest]),
      );

/** Plugs that are alike in everything and carry the same so far: only the first is worth trying. */
function alike({ plugs, feeds }: Assigning, n: number, m: number): boolean {
  const [a, b] = [itemAt(plugs, n), itemAt(plugs, m)];
  return (
    a.type === b.type &&
    a.watts === b.watts &&
    a.lead === b.lead &&
    a.reachMm === b.reachMm &&
    a.inUse === b.inUse &&
    loadOf(feeds, n) === loadOf(feeds, m)
  );
}

/** Whether these plugs can take so many watts more each, together. */
function hold(
  { plugs, feeds, leniency, leadLimits: limits }: Assigning,
  taken: readonly number[],
  share: number,
  wayMm: number,
): boolean {
  const leadOf = (n: number) => itemAt(plugs, n).lead;
  return taken.every((n) => {
    const { watts, lead, reachMm } = itemAt(plugs, n);
    const beside = taken.filter((m) => leadOf(m) === lead).length;
    const onLead = () => sumOf(feeds, (m) => (leadOf(m) === lead ? 1 : 0)) + beside * share;
    return (
      (leniency.reach === true || reachMm >= wayMm) &&
      (leniency.watts === true || loadOf(feeds, n) + share <= watts + HAIR_WATTS) &&
      (leniency.leads === true ||
        lead === null ||
        onLead() <= (limits.get(lead) ?? Infinity) + HAIR_WATTS)
    );
  });
}

const usersOf = ({ feeds }: Assigning, n: number): readonly Feed[] =>
  feeds.filter((feed) => takenBy(feed).includes(n));

/** Every plug that a feed takes up. */
export const takenBy = ({ plugs, exchangedFor }: Feed): readonly number[] =>
  exchangedFor === null ? plugs : [...plugs, exchangedFor];

const loadOf = (feeds: readonly Feed[], n: number): number =>
  sumOf(feeds, (each) => (each === n ? 1 : 0));

const directPlugs = ({ type }: Socket, plugs: readonly SupplyPlug[]): number =>
  plugs.filter((plug) => PLUGS[plug.type].serves.includes(type)).length;

/** Watts that the feeds put on plugs, each plug counted as `part` says. */
const sumOf = (feeds: readonly Feed[], part: (n: number) => number): number =>
  feeds.reduce(
    (sum, feed) =>
      sum + feed.plugs.reduce((of, n) => of + (part(n) * feed.socket.watts) / feed.plugs.length, 0),
    0,
  );

/** What each lead carries: as much as its strongest plug is rated for. */
function leadLimits(plugs: readonly SupplyPlug[]): ReadonlyMap<string, number> {
  const limits = new Map<string, number>();
  for (const { lead, watts } of plugs) {
    if (lead !== null) limits.set(lead, Math.max(limits.get(lead) ?? 0, watts));
  }
  return limits;
}

/** Loads on plugs and on shared leads, each with its limit. */
export interface PlugLoad {
  readonly kind: 'plug' | 'lead';
  readonly name: string;
  readonly watts: number;
  readonly limitWatts: number;
}

export function plugLoads({ plugs, feeds }: Assignment): readonly PlugLoad[] {
  const used = plugs.flatMap((plug, n): readonly PlugLoad[] => {
    const watts = loadOf(feeds, n);
    return watts === 0 ? [] : [{ kind: 'plug', name: plug.type, watts, limitWatts: plug.watts }];
  });
  const leads = [...leadLimits(plugs)].flatMap(([lead, limitWatts]): readonly PlugLoad[] => {
    const watts = sumOf(feeds, (n) => (itemAt(plugs, n).lead === lead ? 1 : 0));
    return watts === 0 ? [] : [{ kind: 'lead', name: lead, watts, limitWatts }];
  });
  return [...used, ...leads];
}
