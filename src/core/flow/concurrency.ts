/** What each need gets alone, and while all needs of its group are used at the same time. */
import { itemAt } from '../units.ts';
import type { Card } from '../document/card.ts';
import type { Machine } from '../document/machine.ts';
import { unitsNeeded, type Need } from '../kinds/need.ts';
import { withOccupants } from '../placement/withCards.ts';
import type { Placed } from '../placement/lanesLeft.ts';
import { providers } from './metByMachine.ts';
import { fairShares, type Stream } from './fairShares.ts';
import type { StageCode } from '../kinds/stages.ts';
import type { Flow, FlowStage, Provider, SharedStage } from '../kinds/flow.ts';
import { flowFrom } from './flowOf.ts';

/** One provider's part in serving a need. */
export interface Route {
  readonly need: Need;
  readonly provider: Provider;
  readonly flow: Flow;
  /** Units of the need that it serves. */
  readonly units: number;
}

/** What the streams of a route get each: from the least one at the low end to the least one at the high end. */
interface Rate {
  readonly low: number;
  readonly high: number;
  /** What limits at the high end, and what at the low end, where something else may be narrower. */
  readonly limiting: StageCode | null;
  readonly limitingAtWorst: StageCode | null;
}

export interface RouteRates {
  readonly route: Route;
  readonly alone: Rate;
  /** While the group runs together; as alone for a need without a group. */
  readonly together: Rate;
}

/**
 * The routes of every need with planned cards in the machine: the fastest providers first, until the units that are
 * wanted are there. Needs that are no rate – ports, screens, sound – have no routes.
 */
export function routes(
  needs: readonly Need[],
  machine: Machine,
  planned: readonly Placed[],
  cards: readonly Card[],
): readonly Route[] {
  const fitted = withOccupants(machine, planned);
  const known = [...planned.map(({ card }) => card), ...cards];
  const all = providers(fitted, known);
  return needs.flatMap((need) => {
    let missing = unitsNeeded(need);
    return all
      .flatMap((provider): readonly Route[] => {
        const flow = flowFrom(provider, need, fitted);
        return flow === null || flow.units === 0 || flow.unit !== 'B/s'
          ? []
          : [{ need, provider, flow, units: flow.units }];
      })
      .toSorted((a, b) => b.flow.high - a.flow.high)
      .flatMap((route) => {
        const units = Math.min(missing, route.units);
        missing -= units;
        return units > 0 ? [{ ...route, units }] : [];
      });
  });
}

/** Each route alone and beside the others of its group. */
export function ratesOf(all: readonly Route[]): readonly RouteRates[] {
  return all.map((route) => {
    const ofNeed = all.filter(({ need }) => need.id === route.need.id);
    const { group } = route.need;
    const beside = group === '' ? ofNeed : all.filter(({ need }) => need.group === group);
    return { route, alone: rateOf(route, [route]), together: rateOf(route, beside) };
  });
}

/**
 * What one route gets while all of these run: its worst stream. At the low end its own way carries what a healthy one
 * shows at least, and the others ask for all they can; at the high end the other way round.
 */
function rateOf(route: Route, running: readonly Route[]): Rate {
  const low = worstShare(route, running, 'low');
  const high = worstShare(route, running, 'high');
  const { gain } = route.flow;
  return {
    low: low.rate * gain.low,
    high: high.rate * gain.high,
    limiting: high.limiting,
    limitingAtWorst: low.limiting,
  };
}

interface Passing extends Stream {
  readonly route: Route;
}

function worstShare(
  route: Route,
  running: readonly Route[],
  end: 'low' | 'high',
): { readonly rate: number; readonly limiting: StageCode | null } {
  const passed = new Map<string, FlowStage>();
  const users = new Map<string, number>();
  /** Streams spread over the copies of a thing in turn. */
  const copyOf = ({ id, copies = 1 }: SharedStage): string => {
    const before = users.get(id) ?? 0;
    users.set(id, before + 1);
    return `${id} ${before % copies}`;
  };
  const streams = running.flatMap((each, n) =>
    Array.from({ length: streamsOf(each) }, (_, stream): Passing => ({
      route: each,
      stages: each.flow.stages.map((stage) => {
        const id =
          stage.shared === undefined ? `${n} ${stream} ${stage.code}` : copyOf(stage.shared);
        passed.set(id, stage);
        return id;
      }),
    })),
  );
  const own = new Set(
    streams.filter((each) => each.route === route).flatMap(({ stages }) => stages),
  );
  const other = end === 'low' ? 'high' : 'low';
  const capacities = new Map(
    [...passed].map(([id, stage]) => [id, (stage.shared ?? stage)[own.has(id) ? end : other]]),
  );
  const shares = fairShares(streams, capacities);
  return streams.reduce<{ rate: number; limiting: StageCode | null }>(
    (worst, stream, n) => {
      const { rate, limiting } = itemAt(shares, n);
      return stream.route === route && rate < worst.rate
        ? { rate, limiting: passed.get(limiting ?? '')?.code ?? null }
        : worst;
    },
    { rate: Infinity, limiting: null },
  );
}

/** As many at once as the need uses, but no more than this route serves. */
export const streamsOf = ({ flow, units }: Route): number =>
  Math.max(1, Math.min(flow.streams, units));
