/** What each need gets alone, and while all needs of its group are used at the same time. */
import type { Card } from '../parts/card.ts';
import type { Machine } from '../parts/machine.ts';
import { unitsWanted, type Need } from '../parts/need.ts';
import { withOccupants } from '../placement/withCards.ts';
import type { Placed } from '../placement/lanesLeft.ts';
import { givers } from './metByMachine.ts';
import { fairShares, type Stream } from './fairShares.ts';
import type { Flow, FlowStage, Giver, SharedStage, StageCode } from './flow.ts';
import { flowFrom } from './flowOf.ts';

/** One giver's part in serving a need. */
export interface Leg {
  readonly need: Need;
  readonly giver: Giver;
  readonly flow: Flow;
  /** Units of the need that it serves. */
  readonly units: number;
}

/** What the streams of a leg get each: from the least one at the low end to the least one at the high end. */
export interface Rate {
  readonly low: number;
  readonly high: number;
  /** What limits at the high end, and what at the low end, where something else may be narrower. */
  readonly limiting: StageCode | null;
  readonly limitingAtWorst: StageCode | null;
}

export interface LegRates {
  readonly leg: Leg;
  readonly alone: Rate;
  /** While the group runs together; as alone for a need without a group. */
  readonly together: Rate;
}

/**
 * The legs of every need with planned cards in the machine: the fastest givers first, until the units that are
 * wanted are there. Needs that are no rate – ports, screens, sound – have no legs.
 */
export function legs(
  needs: readonly Need[],
  machine: Machine,
  planned: readonly Placed[],
  cards: readonly Card[],
): readonly Leg[] {
  const fitted = withOccupants(machine, planned);
  const known = [...planned.map(({ card }) => card), ...cards];
  const all = givers(fitted, known);
  return needs.flatMap((need) => {
    let missing = unitsWanted(need);
    return all
      .flatMap((giver): readonly Leg[] => {
        const flow = flowFrom(giver, need, fitted);
        return flow === null || flow.units === 0 || flow.unit !== 'B/s'
          ? []
          : [{ need, giver, flow, units: flow.units }];
      })
      .toSorted((a, b) => b.flow.high - a.flow.high)
      .flatMap((leg) => {
        const units = Math.min(missing, leg.units);
        missing -= units;
        return units > 0 ? [{ ...leg, units }] : [];
      });
  });
}

/** Each leg alone and beside the others of its group. */
export function ratesOf(all: readonly Leg[]): readonly LegRates[] {
  return all.map((leg) => {
    const ofNeed = all.filter(({ need }) => need.id === leg.need.id);
    const { group } = leg.need;
    const beside = group === '' ? ofNeed : all.filter(({ need }) => need.group === group);
    return { leg, alone: rateOf(leg, [leg]), together: rateOf(leg, beside) };
  });
}

/**
 * What one leg gets while all of these run: its worst stream. At the low end its own way carries what a healthy one
 * shows at least, and the others ask for all they can; at the high end the other way round.
 */
function rateOf(leg: Leg, running: readonly Leg[]): Rate {
  const low = worstShare(leg, running, 'low');
  const high = worstShare(leg, running, 'high');
  return {
    low: low.rate,
    high: high.rate,
    limiting: high.limiting,
    limitingAtWorst: low.limiting,
  };
}

interface Passing extends Stream {
  readonly leg: Leg;
}

function worstShare(
  leg: Leg,
  running: readonly Leg[],
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
      leg: each,
      stages: each.flow.stages.map((stage) => {
        const id =
          stage.shared === undefined ? `${n} ${stream} ${stage.code}` : copyOf(stage.shared);
        passed.set(id, stage);
        return id;
      }),
    })),
  );
  const own = new Set(streams.filter((each) => each.leg === leg).flatMap(({ stages }) => stages));
  const other = end === 'low' ? 'high' : 'low';
  const capacities = new Map(
    [...passed].map(([id, stage]) => [id, (stage.shared ?? stage)[own.has(id) ? end : other]]),
  );
  const shares = fairShares(streams, capacities);
  return streams.reduce<{ rate: number; limiting: StageCode | null }>(
    (worst, stream, n) => {
      const { rate, limiting } = shares[n]!;
      return stream.leg === leg && rate < worst.rate
        ? { rate, limiting: limiting === null ? null : passed.get(limiting)!.code }
        : worst;
    },
    { rate: Infinity, limiting: null },
  );
}

/** As many at once as the need uses, but no more than this leg serves. */
export const streamsOf = ({ flow, units }: Leg): number =>
  Math.max(1, Math.min(flow.streams, units));
