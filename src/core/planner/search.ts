/**
 * Branch and bound over the slots of a machine, in their order: nothing, or one of the candidates, goes into each.
 *
 * `bound` says what a partial plan costs at least, whatever follows: what is placed, what cards that stand beside each
 * other cause each other (between two cards of the order nothing else can come any more), and the optimum of the
 * relaxed rest (relaxation.ts). `branch` fills the next slot in every way, `better` keeps the best whole plan. A plan
 * is a set of candidates, each in its own slot, so each set is on exactly one path; of two paths from which all goes on
 * alike only the cheaper is followed (outdone.ts).
 *
 * It is a generator, so that whoever drives it can show how far it is and stop it: what was found by then is
 * returned with the least that anything better could cost.
 */
import type { Candidate } from './candidates.ts';
import { conflictsIn } from './conflicts.ts';
import {
  GIVE_UP_CENTS,
  added,
  compareCost,
  moneyCents,
  overBudgetCents,
  troubleOf,
  weigh,
  type Cost,
} from './cost.ts';
import type { Existing } from './existing.ts';
import { adaptersTogether, cheapestAdapter } from './extras.ts';
import { after } from './lacks.ts';
import { NOTHING_TAKEN, Outdone, type Taken } from './outdone.ts';
import { besideAfter, besideEmpty } from './places.ts';
import { stageOf, type SearchProblem } from './problem.ts';
import { IMPOSSIBLE, MUST, endOf, Relaxations, wattsOf } from './relaxation.ts';
import { scenesOf, type Reached, type Scene } from './scenes.ts';
import { causedBeside, together, type Together } from './together.ts';
import type { Want } from './wants.ts';

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

/** A partial plan; what its last card collides with and causes is only asked once its turn comes. */
interface Partial extends Reached {
  readonly placed: readonly Candidate[];
  readonly taken: Taken;
  /** The part of `weighed` that the last card causes so far: what it causes is settled when the next one stands beside it. */
  readonly lastCaused: number;
  readonly scene: Scene;
  readonly bound: number;
  readonly asked: boolean;
  /** Those that branch from the same partial plan bear the same number. */
  readonly family: number;
}

/** Partial plans between two signs of life. */
const STRIDE = 2_000;

export function* searching(problem: SearchProblem): Search<Progress, Searched> {
  const { scale, machine, budgetCents, existingCards } = problem;
  const { lacks, places, costs } = stageOf(problem);
  const { collides } = conflictsIn(machine, problem.without);
  const cheapest = cheapestAdapter(problem.extras);
  const outdone = new Outdone(machine);
  const open: Partial[] = [];
  let best: Found | null = null;
  let bestValue = Infinity;
  let searched = 0;

  const cannotWin = (atLeast: number): boolean =>
    atLeast >= Math.min(bestValue, IMPOSSIBLE) ||
    (problem.anyPlan && best !== null && atLeast >= MUST);

  /** Adapters beyond those that the cards would want alone: at least so many, each as cheap as any. */
  const adapters = (before: readonly Candidate[], further: Candidate): number => {
    if (further.card.sockets.length === 0 || further.existing !== null) return 0;
    const fed = before.filter(({ existing }) => existing === null);
    const more = adaptersTogether([...fed, further], machine) - adaptersTogether(fed, machine);
    return Math.max(0, more - adaptersTogether([further], machine)) * cheapest * scale.extras;
  };

  /** With what the last card settles of the one before it, and what it causes itself as far as it is known. */
  const whenAsked = (partial: Partial): Partial | null => {
    const further = partial.placed.at(-1);
    if (partial.asked || further === undefined) return partial;
    const before = partial.placed.slice(0, -1);
    if (collides(before, further)) return null;
    const caused = causedBeside(further, before, machine, problem.extras);
    const lastCaused = weigh(troubleOf(caused.own), scale);
    const settled = weigh(added(troubleOf(caused.before), caused.first), scale);
    const weighed =
      partial.weighed + settled + adapters(before, further) + lastCaused - partial.lastCaused;
    const asked = { ...partial, weighed, lastCaused, asked: true };
    return { ...asked, bound: asked.scene.bound(asked, bestValue) };
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
    const consider = (further: Reached, candidate: Candidate | null): void => {
      const atLeast = bound(further, bestValue);
      if (cannotWin(atLeast)) return;
      const { scene, lastCaused } = partial;
      const [placed, taken] =
        candidate === null
          ? [partial.placed, partial.taken]
          : [[...partial.placed, candidate], outdone.takenWith(partial.taken, candidate)];
      branches.push({
        ...further,
        placed,
        taken,
        lastCaused,
        scene,
        bound: atLeast,
        asked: candidate === null,
        family: searched,
      });
    };
    consider({ ...partial, place: partial.place + 1, beside: besideEmpty(place) }, null);
    for (const choice of place.choices) {
      const { candidate, gives, next } = choice;
      const lacking = after(lacks, partial.lacking, gives);
      if (lacking === -1) continue;
      const further: Reached = {
        place: next,
        lacking,
        waiting: Math.max(partial.waiting, costs.waitLevel(choice)),
        beside: besideAfter(choice, partial.beside),
        moneyCents: partial.moneyCents + candidate.moneyCents,
        watts: partial.watts + wattsOf(choice),
        weighed: partial.weighed + candidate.atLeast,
      };
      consider(further, candidate);
    }
    // The most promising is looked at first.
    for (const each of branches.toSorted((a, b) => b.bound - a.bound)) open.push(each);
  };

  /** The next one to look at. Where it promises less, now that it is asked, than another of its family, that one is next. */
  const nextOpen = (): Partial | null => {
    for (let next = open.pop(); next !== undefined; next = open.pop()) {
      // What another outdoes before anything is asked about it, it outdoes all the more afterwards.
      if (cannotWin(next.bound) || outdone.is(next)) continue;
      const asked = whenAsked(next);
      if (asked === null || cannotWin(asked.bound)) continue;
      const { family, bound } = asked;
      let at = open.length;
      while (at > 0 && open[at - 1]!.family === family && open[at - 1]!.bound < bound) at -= 1;
      if (at < open.length) open.splice(at, 0, asked);
      else if (!outdone.is(asked)) {
        outdone.note(asked);
        return asked;
      }
    }
    return null;
  };

  const scenes = scenesOf(problem, lacks, new Relaxations(places, lacks, costs));
  for (let scene = scenes.next(bestValue); scene !== null; scene = scenes.next(bestValue)) {
    if (cannotWin(scene.least)) break;
    const { start, least: bound } = scene;
    open.push({
      ...start,
      placed: [],
      taken: NOTHING_TAKEN,
      lastCaused: 0,
      scene,
      bound,
      asked: true,
      family: 0,
    });
    for (let next = nextOpen(); next !== null; next = nextOpen()) {
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

function leastOpen(open: readonly Partial[], bestValue: number): AtLeast {
  const value = open.reduce((least, { bound }) => Math.min(least, bound), bestValue);
  const mustsUnmet = Math.floor(value / MUST);
  return { mustsUnmet, weighed: value - mustsUnmet * MUST };
}
