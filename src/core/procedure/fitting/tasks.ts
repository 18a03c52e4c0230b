/** The physical work of a job, in an order that works: acts, what each waits for and why, and what it moves. */
import { roundsOf, type Round } from '../../assembly/rounds.ts';
import type { Machine } from '../../parts/machine.ts';
import type { Assembly } from '../../assembly/assembly.ts';
import { asOccupant } from '../../parts/card.ts';
import { known } from '../../parts/fact.ts';
import { actOf } from '../../parts/act.ts';
import type { Job } from '../../parts/job.ts';
import type { Act } from './act.ts';
import { ACTS } from './acts.ts';
import { actsFor } from './actsFor.ts';
import { edgesOf, type Edge } from './edges.ts';
import { inOrder } from './order.ts';

/** New cards that are in by now stand there like any other, with the plugs that are in them. */
export function asItStands(planned: Assembly, job: Job): Assembly {
  const seated = new Map(
    planned.cards.flatMap(({ card, slot, isIn, fromSlotId }) =>
      isIn && fromSlotId === null ? [[slot.id, card] as const] : [],
    ),
  );
  const { machine } = planned;
  return seated.size === 0
    ? planned
    : {
        ...planned,
        machine: {
          ...machine,
          slots: machine.slots.map((slot) => {
            const card = seated.get(slot.id);
            if (card === undefined) return slot;
            const plugs = card.sockets.filter(
              (_, n) => actOf(job, 'plug', { slot: slot.id, socket: n }) !== undefined,
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
      if (draft.code === 'restorePlug' && !draft.values.isLedRound) aside.delete(draft.on.obstacle);
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
  /** Places in the ordered list of those that come before it, and why; each once for each reason. */
  readonly after: readonly { readonly at: number; readonly because: Edge['because'] }[];
}

/** None where nothing is opened. */
function orderedActs({
  job,
  assembly: planned,
  isOver,
}: Pick<Round, 'job' | 'assembly' | 'isOver'>): readonly OrderedAct[] {
  const assembly = asItStands(planned, job);
  // What is over is not begun anew, whatever the plan is by now.
  const acts = actsFor(job, assembly).filter(
    ({ draft: { code, on } }) => !isOver || actOf(job, code, on) !== undefined,
  );
  const edges = edgesOf(acts, job, assembly);
  const before = acts.map((): number[] => []);
  for (const { first, then } of edges) before[then]?.push(first);
  const order = inOrder(
    acts.map(({ draft, tool }, n) => ({
      position: ACTS[draft.code].position,
      tool,
      after: before[n] ?? [],
    })),
  );
  const placeOf = new Map(order.map((n, at) => [n, at]));
  const after = acts.map((): { at: number; because: Edge['because'] }[] => []);
  for (const { first, then, because } of edges) {
    const at = placeOf.get(first) ?? 0;
    const known = after[then]!;
    if (!known.some((each) => each.at === at && each.because === because))
      known.push({ at, because });
  }
  return order.map((n) => ({ act: acts[n]!, after: after[n] ?? [] }));
}
