/**
 * Branch and bound over the slots of a machine, in their order: nothing, or one of the candidates, goes into each.
 *
 * `bound` says what a partial plan costs at least, whatever follows: what is placed, what cards that stand beside each
 * other cause each other (between two cards of the order nothing else can come any more), and the optimum of the
 * relaxed rest (relaxation.ts). `branch` fills the next slot in every way, `better` keeps the best whole plan. A plan
 * is a set of candidates, each in its own slot, so each set is on exactly one path.
 *
 * It is a generator, so that whoever drives it can show how far it is and stop it: what was found by then is
 * returned with the least that anything better could cost.
 */
import type { Extra } from '../parts/extra.ts';
import { valueOf } from '../parts/fact.ts';
import type { FindingCode } from '../rules/finding.ts';
import type { Machine } from '../parts/machine.ts';
import type { Candidate } from './candidates.ts';
import { conflictsIn, wattsForNew } from './conflicts.ts';
import {
  GIVE_UP_CENTS,
  OVER_BUDGET_FACTOR,
  added,
  compareCost,
  moneyCents,
  overBudgetCents,
  troubleOf,
  weigh,
  type Cost,
  type Scale,
} from './cost.ts';
import { adaptersTogether, cheapestAdapter } from './extras.ts';
import { groupsOf, type Group, type Units } from './coverage.ts';
import type { Existing } from './existing.ts';
import type { Limit } from './limits.ts';
import {
  after,
  besideAfter,
  besideEmpty,
  lacksOf,
  placesOf,
  type Lacks,
  type Place,
} from './places.ts';
import {
  IMPOSSIBLE,
  MUST,
  bestPrices,
  endOf,
  relaxations,
  wattsOf,
  type Costs,
  type Prices,
  type Relaxation,
} from './relaxation.ts';
import { causedBeside, together, type Together } from './together.ts';
import type { Want } from './wants.ts';

export interface SearchProblem {
  readonly wants: readonly Want[];
  readonly fresh: readonly Candidate[];
  /** For each card that is there, where it may be. */
  readonly existing: readonly (readonly Candidate[])[];
  readonly existingCards: readonly Existing[];
  /** What the board and cards of which nothing is decided give. */
  readonly givens: readonly Units[];
  /** Without the cards of which something is decided. */
  readonly machine: Machine;
  readonly budgetCents: number | null;
  readonly extras: readonly Extra[];
  readonly scale: Scale;
  readonly without: ReadonlySet<Limit>;
  /** Stop at the first plan that leaves no must. */
  readonly anyPlan: boolean;
}

export interface Found {
  readonly placed: readonly Candidate[];
  readonly givenUp: readonly Existing[];
  readonly unmet: readonly Want[];
  readonly cost: Cost;
  readonly together: Together;
}

type AtLeast = Pick<Cost, 'mustsUnmet' | 'weighed'>;

export interface Progress {
  /** Partial plans looked at. */
  readonly searched: number;
  /** The best so far, null while there is none, and the least that any other could cost. */
  readonly best: Found | null;
  readonly least: AtLeast;
}

export interface Searched extends Progress {
  readonly best: Found;
}

/** What drives a search hears how far it is, and answers `true` to stop it. */
export type Search<Heard, Result> = Generator<Heard, Result, boolean | undefined>;

interface Partial {
  readonly placed: readonly Candidate[];
  /** The next place to fill. */
  readonly place: number;
  readonly lacking: number;
  readonly waiting: number;
  /** What stands directly before that place: see `BESIDE`. */
  readonly beside: number;
  readonly moneyCents: number;
  readonly watts: number;
  /** Cents × percent of what is placed and of what it causes. */
  readonly weighed: number;
  /** The part of it that the last card causes so far: what it causes is settled when the next one stands beside it. */
  readonly lastCaused: number;
  readonly scene: Scene;
  readonly bound: number;
}

/** Partial plans between two signs of life. */
const STRIDE = 2_000;

export function* searching(problem: SearchProblem): Search<Progress, Searched> {
  const { scale, machine, budgetCents, existingCards } = problem;
  const stage = stageOf(problem);
  const { lacks, places, costs } = stage;
  const { collides } = conflictsIn(machine, problem.without);
  const ask = relaxations(places, lacks, costs);
  const cheapest = cheapestAdapter(problem.extras);
  const open: Partial[] = [];
  let best: Found | null = null;
  let bestValue = Infinity;
  let searched = 0;

  const cannotWin = (atLeast: number): boolean =>
    atLeast >= Math.min(bestValue, IMPOSSIBLE) ||
    (problem.anyPlan && best !== null && atLeast >= MUST);

  /** What a further card settles of the one before it, and what it causes itself as far as it is known. */
  const causes = ({ placed }: Partial, further: Candidate) => {
    const { before, own, first } = causedBeside(further, placed, machine, problem.extras);
    return {
      settled:
        weigh(added(troubleOf(before), first), scale) + adapters([...placed, further], further),
      so: weigh(troubleOf(own), scale),
    };
  };

  /** Adapters beyond those that the cards would want alone: at least so many, each as cheap as any. */
  const adapters = (placed: readonly Candidate[], further: Candidate): number => {
    if (further.card.sockets.length === 0 || further.existing !== null) return 0;
    const more = adaptersTogether(placed, machine) - adaptersTogether(placed.slice(0, -1), machine);
    return Math.max(0, more - adaptersTogether([further], machine)) * cheapest * scale.extras;
  };

  const better = ({ placed, lacking, scene }: Partial): void => {
    const left = [...scene.left, ...endOf(lacks, lacking, costs).left];
    const givenUp = existingCards.filter(
      (each) => !placed.some(({ existing }) => existing === each),
    );
    const caused = together(placed, machine, problem.extras);
    const parts = added(
      ...placed.map((each) => each.parts),
      {
        disturbance: givenUp.length * GIVE_UP_CENTS,
        wishes: left.reduce((sum, { wishCents }) => sum + wishCents, 0),
      },
      caused.parts,
    );
    const all = added(parts, { overBudget: overBudgetCents(moneyCents(parts), budgetCents) });
    const cost: Cost = {
      mustsUnmet: left.filter(({ must }) => must).length,
      parts: all,
      weighed: weigh(all, scale),
    };
    if (best !== null && compareCost(cost, best.cost) >= 0) return;
    const unmet = problem.wants.filter((want) => left.includes(want));
    best = { placed, givenUp, unmet, cost, together: caused };
    bestValue = cost.mustsUnmet * MUST + cost.weighed;
  };

  const branch = (partial: Partial): void => {
    const place = places[partial.place];
    if (place === undefined) {
      better(partial);
      return;
    }
    const { bound } = partial.scene;
    const branches: Partial[] = [];
    const consider = (further: Omit<Partial, 'bound'>): void => {
      const atLeast = bound(further);
      if (!cannotWin(atLeast)) branches.push({ ...further, bound: atLeast });
    };
    consider({ ...partial, place: partial.place + 1, beside: besideEmpty(place) });
    for (const choice of place.choices) {
      const { candidate, next } = choice;
      const lacking = after(lacks, partial.lacking, choice);
      if (lacking === -1) continue;
      const further = {
        ...partial,
        place: next,
        lacking,
        waiting: Math.max(partial.waiting, costs.waitLevel(choice)),
        beside: besideAfter(choice, partial.beside),
        moneyCents: partial.moneyCents + candidate.moneyCents,
        watts: partial.watts + wattsOf(choice),
        weighed: partial.weighed + candidate.atLeast,
      };
      // The cheap questions first.
      if (cannotWin(bound(further)) || collides(partial.placed, candidate)) continue;
      const { settled, so } = causes(partial, candidate);
      consider({
        ...further,
        placed: [...partial.placed, candidate],
        weighed: further.weighed + settled + so - partial.lastCaused,
        lastCaused: so,
      });
    }
    // The most promising is looked at first.
    for (const each of branches.toSorted((a, b) => b.bound - a.bound)) open.push(each);
  };

  const scenes = scenesOf(problem, stage, ask);
  for (let scene = scenes.next(); scene !== null; scene = scenes.next()) {
    if (cannotWin(scene.bound)) break;
    open.push(scene);
    for (let next = open.pop(); next !== undefined; next = open.pop()) {
      if (cannotWin(next.bound)) continue;
      searched += 1;
      branch(next);
      if (problem.anyPlan && bestValue < MUST) break;
      if (searched % STRIDE === 0) {
        const least = leastOpen(open, Math.min(bestValue, scenes.ahead()));
        const stop = yield { searched, best, least };
        if (stop === true && best !== null) return { searched, best, least };
      }
    }
    if (problem.anyPlan && bestValue < MUST) break;
  }
  if (best === null) {
    throw new Error('A search without any plan, not even one that leaves every want');
  }
  return { searched, best, least: leastOpen(open, bestValue) };
}

/** What the search goes over: what is lacking, the places to fill, and what leaving and waiting cost. */
interface Stage {
  readonly lacks: Lacks;
  readonly places: readonly Place[];
  readonly costs: Costs;
}

/** Wants beyond so many are not decided beforehand. */
const MOST_DECIDED = 10;

function stageOf(problem: SearchProblem): Stage {
  const { wants, existingCards, givens, machine, scale } = problem;
  const candidates = [...problem.existing.flat(), ...problem.fresh];
  const leads = (valueOf(machine.case.frontLeads) ?? []).map(({ type }) => type);
  const used = leads.filter((type) => candidates.some((each) => each.leads.includes(type)));
  const given = (group: Group) =>
    givens.reduce(
      (sum, units) => sum + Math.max(0, ...group.wants.map(({ id }) => units.get(id) ?? 0)),
      0,
    );
  const lacks = lacksOf(groupsOf(wants), existingCards, used, given);
  const waits = [...new Set([0, ...candidates.map(({ waitCents }) => waitCents)])].toSorted(
    (a, b) => a - b,
  );
  const decided = decidedBeforehand(wants);
  const costs: Costs = {
    leaving: (want) => (decided.includes(want) ? Infinity : costOfLeaving(want, scale)),
    givingUp: GIVE_UP_CENTS * scale.disturbance,
    waits: waits.map((cents) => cents * scale.wait),
    waitLevel: ({ candidate }) => waits.indexOf(candidate.waitCents),
    outFirst: troubleWeighed('body.outFirst', scale),
    noAir: troubleWeighed('body.airShort', scale) + troubleWeighed('body.airTaken', scale),
  };
  return { lacks, costs, places: placesOf(machine, candidates, lacks, problem.without) };
}

const troubleWeighed = (code: FindingCode, scale: Scale): number =>
  weigh(troubleOf([{ code, verdict: 'limited' }]), scale);

const costOfLeaving = ({ must, wishCents }: Want, scale: Scale): number =>
  must ? MUST : wishCents * scale.wishes;

/** The weightiest wants: whether each is served or left is decided before cards are. */
const decidedBeforehand = (wants: readonly Want[]): readonly Want[] =>
  wants
    .toSorted((a, b) => Number(b.must) - Number(a.must) || b.wishCents - a.wishCents)
    .slice(0, MOST_DECIDED);

/**
 * One way to decide beforehand which wants are left: the others have to be served, or it is no plan of this scene. That
 * makes the bound sharp where money or watts run short, since no want can be served in part.
 */
interface Scene {
  readonly left: readonly Want[];
  readonly bound: Bound;
}

interface Scenes {
  /** Where the search of the most promising scene begins; null after the last. */
  readonly next: () => Partial | null;
  /** What any plan of the scenes to come costs at least. */
  readonly ahead: () => number;
}

/** All ways to leave wants, the most promising first. The dear bound is only asked where the cheap one promises something. */
function scenesOf(
  problem: SearchProblem,
  stage: Stage,
  ask: (prices?: Prices) => Relaxation,
): Scenes {
  const plain = ask();
  interface Waiting {
    readonly left: readonly Want[];
    readonly lacking: number;
    readonly leftCost: number;
    readonly least: number;
    readonly opening: Partial | null;
  }
  const cheap = decidedBeforehand(problem.wants)
    .reduce<readonly (readonly Want[])[]>(
      (all, want) => [...all, ...all.map((left) => [...left, want])],
      [[]],
    )
    .map((left): Waiting => {
      const lacking = lackingWithout(stage.lacks, left);
      const leftCost = left.reduce((sum, want) => sum + costOfLeaving(want, problem.scale), 0);
      return {
        left,
        lacking,
        leftCost,
        least: leftCost + plain.least(0, lacking, 0, 0),
        opening: null,
      };
    });
  const queue: Waiting[] = cheap.toSorted((a, b) => b.least - a.least);
  const next = (): Partial | null => {
    const first = queue.pop();
    if (first === undefined || first.opening !== null) return first?.opening ?? null;
    const { left, lacking, leftCost } = first;
    const start = {
      placed: [],
      place: 0,
      lacking,
      waiting: 0,
      beside: 0,
      moneyCents: 0,
      watts: 0,
      weighed: leftCost,
      lastCaused: 0,
      scene: { left, bound: boundOf(problem, stage, lacking, ask) },
    };
    const least = Math.max(first.least, start.scene.bound(start));
    queue.push({ ...first, least, opening: { ...start, bound: least } });
    queue.sort((a, b) => b.least - a.least);
    return next();
  };
  return { next, ahead: () => queue.at(-1)?.least ?? Infinity };
}

/** The lacks at the start where these wants are left: no group with one of them lacks anything. */
const lackingWithout = (lacks: Lacks, left: readonly Want[]): number =>
  lacks.groups.reduce(
    (state, { wants }, n) =>
      wants.some((want) => left.includes(want))
        ? state - lacks.most[n]! * lacks.strides[n]!
        : state,
    lacks.start,
  );

type Bound = (partial: Omit<Partial, 'bound' | 'placed'>) => number;

/**
 * A plan keeps to the watts that leave the supply its headroom, or pays for using it; either way it costs at least as
 * much as the relaxed rest, and as the relaxed rest at the best price for what runs short.
 */
function boundOf(
  { machine, budgetCents, scale, without: imagined }: SearchProblem,
  { costs }: Stage,
  start: number,
  ask: (prices?: Prices) => Relaxation,
): Bound {
  const budget = budgetCents ?? Infinity;
  const mostForMoney = OVER_BUDGET_FACTOR * scale.overBudget;
  const plain = ask();
  const over = (cents: number) => (cents > budget ? (cents - budget) * mostForMoney : 0);
  const ways = wattWays(machine, scale, imagined).map((way) => {
    const limits = { moneyCents: budget, watts: way.limit, mostForMoney };
    const best = bestPrices(ask, start, limits);
    const short = plain.uses(start).watts > way.limit;
    const tried = [
      ...(best.money > 0 || best.watts > 0 ? [best] : []),
      // So dear that a must is left rather than a watt too much drawn: tells what is not possible at all.
      ...(short ? [{ money: 0, watts: MUST }] : []),
    ];
    return { ...way, priced: tried.map((prices) => ({ prices, relaxed: ask(prices) })) };
  });
  return ({ place, lacking, waiting, beside, moneyCents: money, watts, weighed }) => {
    const soFar = weighed + costs.waits[waiting]!;
    const simply = soFar + plain.least(place, lacking, waiting, beside) + over(money);
    let least = Infinity;
    for (const { extra, limit, priced } of ways) {
      if (watts > limit) continue;
      let value = simply;
      for (const { prices, relaxed } of priced) {
        const byPrice =
          soFar +
          relaxed.least(place, lacking, waiting, beside) +
          (prices.money > 0 ? prices.money * (money - budget) : 0) +
          (prices.watts > 0 ? prices.watts * (watts - limit) : 0) -
          (prices.watts === MUST ? ROUNDING : 0);
        if (byPrice > value) value = byPrice;
      }
      least = Math.min(least, value + extra);
    }
    return least;
  };
}

/** Sums of musts times watts are too large to be exact to the last unit. */
const ROUNDING = 64;

/** Watts that new cards may draw, and what drawing so much costs: within the headroom nothing, beyond it something. */
function wattWays(machine: Machine, scale: Scale, imagined: ReadonlySet<Limit>) {
  const most = wattsForNew(machine);
  const unlimited = [{ limit: Infinity, extra: 0 }];
  // Boxes outside have supplies of their own; their headroom is only asked of whole plans.
  if (machine.enclosures.length > 0 || imagined.has('power') || most === null) return unlimited;
  const extra = troubleWeighed('power.headroomUsed', scale);
  return [
    { limit: Math.max(0, most.comfortable), extra: 0 },
    { limit: Math.max(0, most.utmost), extra },
  ];
}

function leastOpen(open: readonly Partial[], bestValue: number): AtLeast {
  const value = open.reduce((least, { bound }) => Math.min(least, bound), bestValue);
  const mustsUnmet = Math.floor(value / MUST);
  return { mustsUnmet, weighed: value - mustsUnmet * MUST };
}
