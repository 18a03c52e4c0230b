/**
 * Which plug feeds which socket: an assignment, not a count. Every plug and adapter stays within its watts, a lead
 * with several plugs carries no more than one of them is rated for, and no plug is asked to reach further than
 * its lead. Of all assignments the one that leaves the fewest sockets dead, then buys the fewest adapters, then
 * takes up the smallest plugs.
 */
import type { Card } from '../parts/card.ts';
import type { Machine } from '../parts/machine.ts';
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

/** One plug of the supply. */
export interface FreePlug {
  readonly type: PlugType;
  readonly watts: number;
  /** Plugs of one lead share what it carries; null: a lead of its own. */
  readonly lead: string | null;
  readonly reachMm: number;
}

export interface Feed {
  readonly socket: Socket;
  /** Indices into the plugs; empty where the socket stays dead. */
  readonly plugs: readonly number[];
  readonly adapter: PlugAdapter | null;
}

export interface Assignment {
  readonly plugs: readonly FreePlug[];
  readonly feeds: readonly Feed[];
  readonly cost: AssignmentCost;
}

/** Sockets without power, adapters to buy, and watts of rating taken up: compared in this order. */
export interface AssignmentCost {
  readonly dead: number;
  readonly adapters: number;
  readonly takenWatts: number;
}

/** Limits that may be left out, to find which of them is in the way. */
export interface Leniency {
  readonly reach?: boolean;
  readonly leads?: boolean;
  readonly watts?: boolean;
}

const compareAssignments = (a: AssignmentCost, b: AssignmentCost): number =>
  a.dead - b.dead || a.adapters - b.adapters || a.takenWatts - b.takenWatts;

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

/** The supply's plugs one by one. */
export function plugsOf(
  free: NonNullable<Machine['supply']['plugs']>['value'],
): readonly FreePlug[] {
  return free.flatMap(({ type, count, lead, reachMm, ratedWatts }) =>
    Array.from({ length: count }, () => ({
      type,
      watts: ratedWatts ?? PLUGS[type].watts,
      lead: lead ?? null,
      reachMm: reachMm ?? Infinity,
    })),
  );
}

/** Loads that differ by less than this are equal: shares of a load are not always whole. */
const HAIR_WATTS = 1e-9;

/** The best assignment; exact. A socket that no plug can feed stays dead. */
export function assignPlugs(
  sockets: readonly Socket[],
  plugs: readonly FreePlug[],
  leniency: Leniency = {},
): Assignment {
  // Choosy sockets first: their few branches cut off the most.
  const order = [...sockets.keys()].toSorted(
    (a, b) => directPlugs(sockets[a]!, plugs) - directPlugs(sockets[b]!, plugs),
  );
  const carries = leadLimits(plugs);
  const feeds: Feed[] = sockets.map((socket) => ({ socket, plugs: [], adapter: null }));
  let best: Assignment | null = null;

  const loadOf = (n: number): number => sumOf(feeds, (each) => (each === n ? 1 : 0));
  const loadOn = (lead: string): number => sumOf(feeds, (n) => (plugs[n]!.lead === lead ? 1 : 0));
  const usersOf = (n: number): readonly Feed[] => feeds.filter((feed) => feed.plugs.includes(n));

  /** Whether these plugs can take so many watts more each, together. */
  const hold = (taken: readonly number[], share: number, wayMm: number): boolean =>
    taken.every((n) => {
      const { watts, lead, reachMm } = plugs[n]!;
      const beside = taken.filter((m) => plugs[m]!.lead === lead).length;
      return (
        (leniency.reach === true || reachMm >= wayMm) &&
        (leniency.watts === true || loadOf(n) + share <= watts + HAIR_WATTS) &&
        (leniency.leads === true ||
          lead === null ||
          loadOn(lead) + beside * share <= carries.get(lead)! + HAIR_WATTS)
      );
    });

  /** Plugs that are alike in everything and carry the same so far: only the first is worth trying. */
  const alike = (n: number, m: number): boolean => {
    const [a, b] = [plugs[n]!, plugs[m]!];
    return (
      a.type === b.type &&
      a.watts === b.watts &&
      a.lead === b.lead &&
      a.reachMm === b.reachMm &&
      loadOf(n) === loadOf(m)
    );
  };
  const choices = (from: readonly number[], count: number): readonly (readonly number[])[] =>
    count === 0
      ? [[]]
      : from.flatMap((n, at) =>
          from.slice(0, at).some((m) => alike(n, m))
            ? []
            : choices(from.slice(at + 1), count - 1).map((rest) => [n, ...rest]),
        );

  const branch = (depth: number, cost: AssignmentCost): void => {
    if (best !== null && compareAssignments(cost, best.cost) >= 0) return;
    const at = order[depth];
    if (at === undefined) {
      best = { plugs, feeds: [...feeds], cost };
      return;
    }
    const socket = sockets[at]!;
    const feed = (able: readonly number[], count: number, adapter: PlugAdapter | null): void => {
      for (const taken of choices(able, count)) {
        if (!hold(taken, socket.watts / count, socket.wayMm)) continue;
        const fresh = taken.filter((n) => usersOf(n).length === 0);
        feeds[at] = { socket, plugs: taken, adapter };
        branch(depth + 1, {
          dead: cost.dead,
          adapters: cost.adapters + (adapter === null ? 0 : 1),
          takenWatts: cost.takenWatts + fresh.reduce((sum, n) => sum + plugs[n]!.watts, 0),
        });
        feeds[at] = { socket, plugs: [], adapter: null };
      }
    };
    const unused = [...plugs.keys()].filter((n) => usersOf(n).length === 0);
    feed(
      unused.filter((n) => PLUGS[plugs[n]!.type].serves.includes(socket.type)),
      1,
      null,
    );
    for (const adapter of PLUG_ADAPTERS) {
      const { gives, takes, count, watts, splits } = ADAPTED[adapter];
      if (gives !== socket.type || (leniency.watts !== true && socket.watts > watts)) continue;
      // A splitter hangs a second socket on a plug that feeds one by itself already.
      const able = splits
        ? [...plugs.keys()].filter((n) => {
            const [user, another] = usersOf(n);
            return user !== undefined && another === undefined && user.adapter === null;
          })
        : unused;
      feed(
        able.filter((n) => takes.includes(plugs[n]!.type)),
        count,
        adapter,
      );
    }
    branch(depth + 1, { ...cost, dead: cost.dead + 1 });
  };

  branch(0, { dead: 0, adapters: 0, takenWatts: 0 });
  return best!;
}

const directPlugs = ({ type }: Socket, plugs: readonly FreePlug[]): number =>
  plugs.filter((plug) => PLUGS[plug.type].serves.includes(type)).length;

/** Watts that the feeds put on plugs, each plug counted as `part` says. */
const sumOf = (feeds: readonly Feed[], part: (n: number) => number): number =>
  feeds.reduce(
    (sum, feed) =>
      sum + feed.plugs.reduce((of, n) => of + (part(n) * feed.socket.watts) / feed.plugs.length, 0),
    0,
  );

/** What each lead carries: as much as its strongest plug is rated for. */
function leadLimits(plugs: readonly FreePlug[]): ReadonlyMap<string, number> {
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
    const watts = sumOf(feeds, (each) => (each === n ? 1 : 0));
    return watts === 0 ? [] : [{ kind: 'plug', name: plug.type, watts, limitWatts: plug.watts }];
  });
  const leads = [...leadLimits(plugs)].flatMap(([lead, limitWatts]): readonly PlugLoad[] => {
    const watts = sumOf(feeds, (n) => (plugs[n]!.lead === lead ? 1 : 0));
    return watts === 0 ? [] : [{ kind: 'lead', name: lead, watts, limitWatts }];
  });
  return [...used, ...leads];
}
