/** The work that remains, planned anew with all that is done as it is. */
import { acceptanceOf, type Acceptance } from '../../assembly/acceptance.ts';
import type { DriverLibrary } from '../../drivers/chooseDriver.ts';
import {
  DONE_TO_CARDS,
  actOf,
  actsOfKind,
  isDone,
  type Act as Done,
  type ActCode,
} from '../../document/act.ts';
import type { Card } from '../../document/card.ts';
import type { Extra } from '../../parts/extra.ts';
import type { Job, Placement } from '../../document/job.ts';
import type { Machine } from '../../document/machine.ts';
import type { Pin } from '../../document/planning.ts';
import { withMoves } from '../../placement/moves.ts';
import type { PlanRequest, Proposal } from '../../plans/proposal.ts';
import { plateAt, withObstacle } from './foundFacts.ts';

/** New cards that are in their slots. */
const seated = (job: Job): readonly Placement[] =>
  (job.plan?.placements ?? []).filter(
    ({ card, slotId: slot }) => actOf(job, 'seat', { card: card.id, slot }) !== undefined,
  );

/** Slots that this was done to. */
const slotsOf = (job: Job, code: ActCode): readonly string[] =>
  actsOfKind(job, code).flatMap(({ on }) => on.slot ?? []);

/** Moves of which at least the first half is done, and slots whose card is out already. */
function begun(job: Job) {
  const out = slotsOf(job, 'takeToMove');
  const gone = slotsOf(job, 'takeOut');
  return {
    moves: (job.plan?.moves ?? []).filter(({ fromSlotId }) => out.includes(fromSlotId)),
    givenUp: (job.plan?.givenUp ?? []).filter((id) => gone.includes(id)),
  };
}

/**
 * What is asked of the planner for the rest: cards that are in stay, what was begun with the machine's own cards is finished
 * and nothing new is begun with them.
 */
export function restRequest(
  job: Job,
  {
    cards,
    extras,
    library,
  }: {
    readonly cards: readonly Card[];
    readonly extras: readonly Extra[];
    readonly library: DriverLibrary;
  },
): PlanRequest {
  const own = new Map((job.plan?.placements ?? []).map(({ card }) => [card.id, card]));
  const { moves, givenUp } = begun(job);
  const pins: readonly Pin[] = [
    ...job.pins.filter(({ kind }) => kind !== 'cardThere'),
    { kind: 'noMoves' },
    ...seated(job).map(({ card, slotId }): Pin => ({ kind: 'cardThere', cardId: card.id, slotId })),
  ];
  return {
    machine: withPlates(withMoves(job.machine, moves, givenUp), actsOfKind(job, 'fitPlate')),
    needs: job.needs,
    budgetCents: job.budgetCents,
    // As they were found here, whatever the catalogue says; what is bought already costs nothing more.
    cards: [
      ...cards.filter(({ id }) => !own.has(id)),
      ...[...own.values()].map((card) =>
        actsOfKind(job, 'order').some(({ on }) => on.card === card.id)
          ? { ...card, priceCents: 0 }
          : card,
      ),
    ],
    extras,
    library,
    pins,
    weights: job.weights,
  };
}

/** Openings that a plate fills by now: no card comes through them. */
const withPlates = (machine: Machine, fitted: readonly Done[]): Machine =>
  fitted.reduce((soFar, { on }) => {
    const isInCase = machine.slots.some(
      ({ id, enclosureId }) => id === on.slot && enclosureId === null,
    );
    return isInCase && on.opening !== undefined
      ? withObstacle(soFar, plateAt(machine, on.opening, ''))
      : soFar;
  }, machine);

export interface Rest {
  readonly acceptance: Acceptance;
  readonly acts: Job['acts'];
}

/** The plan of the rest together with what was begun, and what is done: what was done to a card on the bench stays done to it. */
export function restOf(
  job: Job,
  proposal: Proposal,
  library: DriverLibrary,
  extras: readonly Extra[],
): Rest {
  const { moves, givenUp } = begun(job);
  const bare = acceptanceOf(proposal, job, library, extras);
  // What is in stays, even where the planner would not have put it there.
  const there = seated(job);
  const own = new Map((job.plan?.placements ?? []).map(({ card }) => [card.id, card]));
  const placements = [
    ...there,
    ...withoutThoseIn(bare.placements, there).map(({ slotId, card }) => ({
      slotId,
      card: own.get(card.id) ?? card,
    })),
  ];
  const acceptance = { ...bare, placements, moves, givenUp, staged: stagedAmong(placements, job) };
  return {
    acceptance,
    acts: followed(job, acceptance.placements),
  };
}

/** What is in is in: where the planner would have had it elsewhere, it is not bought once more. */
function withoutThoseIn(
  proposed: readonly Placement[],
  there: readonly Placement[],
): readonly Placement[] {
  const isThere = (each: Placement) => there.some(({ slotId }) => slotId === each.slotId);
  const elsewhere = there
    .filter(({ slotId }) => proposed.every((each) => each.slotId !== slotId))
    .map(({ card }) => card.id);
  return proposed.filter((each) => {
    if (isThere(each)) return false;
    const at = elsewhere.indexOf(each.card.id);
    if (at >= 0) elsewhere.splice(at, 1);
    return at < 0;
  });
}

/** What was done to a card goes with it to its new slot: of several of one kind each goes by itself. */
function followed(job: Job, placements: readonly Placement[]): Job['acts'] {
  const before = job.plan?.placements ?? [];
  const isKept = (one: Placement, among: readonly Placement[]) =>
    among.some(({ card, slotId }) => card.id === one.card.id && slotId === one.slotId);
  const left = before.filter((each) => !isKept(each, placements));
  const to = new Map<string, Placement>();
  for (const each of placements.filter((one) => !isKept(one, before))) {
    const at = left.findIndex(({ card }) => card.id === each.card.id);
    const [from] = at === -1 ? [] : left.splice(at, 1);
    if (from !== undefined) to.set(from.slotId, each);
  }
  return job.acts.map((act) => {
    const { slot, card } = act.on;
    const goes = slot === undefined || !DONE_TO_CARDS.includes(act.code) ? undefined : to.get(slot);
    return goes === undefined || act.round === 0 || (card !== undefined && card !== goes.card.id)
      ? act
      : { ...act, on: { ...act.on, slot: goes.slotId } };
  });
}

/** Cards that waited go on waiting; once the second round is begun, all that did not go in before are of it. */
function stagedAmong(placements: readonly Placement[], job: Job): readonly string[] {
  const { plan } = job;
  const isBegun = job.acts.some(({ round }) => round === 2);
  const waited = new Set(
    (plan?.placements ?? []).flatMap(({ card, slotId }) =>
      plan?.staged.includes(slotId) === true ? card.id : [],
    ),
  );
  return placements
    .filter(
      ({ slotId: slot, card }) =>
        !isDone(job, { code: 'seat', on: { card: card.id, slot }, round: 1 }) &&
        (isBegun || waited.has(card.id)),
    )
    .map(({ slotId }) => slotId);
}
