/** The physical work of a job, in an order that works: acts, what each waits for and why, and what it moves. */
import type { AssembledCard, Assembly } from '../../assembly/assembly.ts';
import { roundsOf, type Round } from '../../assembly/rounds.ts';
import { actOf, onId } from '../../document/act.ts';
import { asOccupant } from '../../document/card.ts';
import { known } from '../../parts/fact.ts';
import type { Job } from '../../document/job.ts';
import type { Machine } from '../../document/machine.ts';
import type { Act } from './act.ts';
import { ACTS } from './acts.ts';
import { actsFor } from './actsFor.ts';
import { benchState, UNTOUCHED, wasSeated, type BenchState } from '../../assembly/benchState.ts';
import { edgesOf, type Edge } from './edges.ts';
import { inOrder } from './order.ts';
import { recalled } from './recalled.ts';
import { REASONS } from './task.ts';

/** New cards that are in by now stand there like any other, with the plugs that are in them. */
function asItStands(planned: Assembly, state: BenchState): Assembly {
  const isThere = ({ card, slot, fromSlotId }: AssembledCard) =>
    fromSlotId === null
      ? wasSeated(state, card.id, slot.id)
      : state.slot(fromSlotId).own === 'moved';
  const cards = planned.cards.map((each) => ({ ...each, isIn: isThere(each) }));
  const seated = new Map(
    cards.flatMap(({ card, slot, isIn, fromSlotId }) =>
      isIn && fromSlotId === null ? [[slot.id, card] as const] : [],
    ),
  );
  const { machine } = planned;
  return {
    ...planned,
    cards,
    machine:
      seated.size === 0
        ? machine
        : {
            ...machine,
            slots: machine.slots.map((slot) => {
              const card = seated.get(slot.id);
              if (card === undefined) return slot;
              const plugs = card.sockets.filter((_, n) =>
                state.holds('plug', { slot: slot.id, socket: n }),
              );
              const there = asOccupant(card, 'bench');
              return {
                ...slot,
                occupant: known(
                  { ...there, plugs: known(plugs, 'bench'), frontLeads: known([], 'bench') },
                  'bench',
                ),
              };
            }),
          },
  };
}

/** Nothing of it is done yet. */
const asPlanned = (assembly: Assembly): Assembly => ({
  ...assembly,
  cards: assembly.cards.map((each) => ({ ...each, isIn: false })),
});

/** A round with the acts of its physical work, in their order. */
export interface FittingRound extends Round {
  readonly acts: readonly OrderedAct[];
}

/** What the first round left aside is in nobody's way in the second. @param order cards of an assembly as they go in */
export function fittingRounds(
  job: Job,
  order: (assembly: Assembly) => Assembly,
): readonly FittingRound[] {
  const aside = new Set<string | undefined>();
  return roundsOf(job).map((round) => {
    const without = withoutObstacles(aside);
    const own = {
      ...round,
      job: { ...round.job, machine: without(round.job.machine) },
      assembly: order({ ...round.assembly, machine: without(round.assembly.machine) }),
    };
    const acts = orderedActs(own);
    for (const { draft } of acts.map(({ act }) => act)) {
      if (draft.code === 'moveObstacle') aside.add(draft.on.obstacle);
      if (draft.code === 'restorePlug') aside.delete(draft.on.obstacle);
    }
    return { ...own, acts };
  });
}

const withoutObstacles =
  (ids: ReadonlySet<string | undefined>) =>
  (machine: Machine): Machine =>
    ids.size === 0
      ? machine
      : { ...machine, obstacles: machine.obstacles.filter(({ id }) => !ids.has(id)) };

export interface OrderedAct {
  readonly act: Act;
  /** Still to be done: how the bench stands differs by it from how it has to stand. */
  readonly isOpen: boolean;
  /** Places in the ordered list of those that come before it, and why; each once for each reason. */
  readonly after: readonly { readonly at: number; readonly because: Edge['because'] }[];
}

/** All acts of a round, done and open. A tick takes none away and moves none: they are ordered as from the beginning. */
function orderedActs({
  job,
  assembly,
  isOver,
}: Pick<Round, 'job' | 'assembly' | 'isOver'>): readonly OrderedAct[] {
  const state = benchState(job.acts);
  const planned = asPlanned(assembly);
  const fromStart = actsFor(job, planned, UNTOUCHED);
  const left = isOver ? [] : actsFor(job, asItStands(assembly, state), state);
  const open = new Set(left.map(idOf));
  const isDone = ({ draft: { code, on } }: Act) => actOf(job, code, on) !== undefined;
  const known = new Set(fromStart.map(idOf));
  const before = job.acts.flatMap((done) =>
    known.has(`${done.code} ${onId(done.on)}`) || open.has(`${done.code} ${onId(done.on)}`)
      ? []
      : (recalled(done, job, assembly) ?? []),
  );
  const stays = fromStart.filter((act) => open.has(idOf(act)) || isDone(act));
  // A task is told as it was from the start, unless the plan has changed since.
  const isAsBegun = before.length === 0 && left.every((act) => known.has(idOf(act)));
  const anew = new Map(left.map((act) => [idOf(act), act]));
  const told = isAsBegun ? stays : stays.map((act) => anew.get(idOf(act)) ?? act);
  const acts = [...before, ...told, ...left.filter((act) => !known.has(idOf(act)))];
  return inPlace(acts, edgesOf(acts, job, planned), open, job);
}

const idOf = ({ draft: { code, key } }: Act): string => `${code} ${key}`;

function inPlace(
  acts: readonly Act[],
  edges: readonly Edge[],
  open: ReadonlySet<string>,
  job: Job,
): readonly OrderedAct[] {
  const order = orderOf(acts, edges) ?? byTime(acts, edges, open, job);
  const placeOf = new Map(order.map((n, at) => [n, at]));
  const after = acts.map((): { at: number; because: Edge['because'] }[] => []);
  for (const { first, then, because } of edges) {
    const at = placeOf.get(first) ?? 0;
    const known = after[then]!;
    const isBefore = at < (placeOf.get(then) ?? 0);
    if (isBefore && !known.some((each) => each.at === at && each.because === because))
      known.push({ at, because });
  }
  return order.map((n) => ({
    act: acts[n]!,
    isOpen: open.has(idOf(acts[n]!)),
    after: after[n] ?? [],
  }));
}

/** Null where some wait for each other. */
function orderOf(acts: readonly Act[], edges: readonly Edge[]): readonly number[] | null {
  const before = acts.map((): number[] => []);
  for (const { first, then } of edges) before[then]?.push(first);
  return inOrder(
    acts.map(({ draft, tool }, n) => ({
      position: ACTS[draft.code].position,
      tool,
      after: before[n] ?? [],
    })),
  );
}

/** What was done otherwise than a list would have it comes first, as it was done; then what is left. */
function byTime(
  acts: readonly Act[],
  edges: readonly Edge[],
  open: ReadonlySet<string>,
  job: Job,
): readonly number[] {
  const when = new Map(job.acts.map(({ code, on }, n) => [`${code} ${onId(on)}`, n]));
  const places = acts.map((_, n) => n);
  const isLeft = (n: number) => open.has(idOf(acts[n]!));
  const done = places
    .filter((n) => !isLeft(n))
    .toSorted((a, b) => (when.get(idOf(acts[a]!)) ?? 0) - (when.get(idOf(acts[b]!)) ?? 0));
  const left = places.filter(isLeft);
  const at = new Map(left.map((n, place) => [n, place]));
  const among = (only: (edge: Edge) => boolean) =>
    edges.flatMap((edge) => {
      const [first, then] = [at.get(edge.first), at.get(edge.then)];
      return first === undefined || then === undefined || !only(edge)
        ? []
        : [{ first, then, because: edge.because }];
    });
  const own = left.map((n) => acts[n]!);
  const order =
    orderOf(
      own,
      among(() => true),
    ) ??
    orderOf(
      own,
      among(({ because }) => REASONS[because].isPhysical),
    ) ??
    left.map((_, place) => place);
  return [...done, ...order.map((place) => left[place]!)];
}
