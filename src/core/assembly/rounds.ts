/**
 * The work in rounds: cards that wait until the others run go in by a second round of fitting, drivers and proof. Each round
 * is a job of its own on the machine as the round before leaves it; what is shared out among all cards stays as the whole
 * plan has it.
 */
import { gathered } from '../buying/extras.ts';
import type { ExtraNeeded } from '../parts/extra.ts';
import { asOccupant, type Card } from '../document/card.ts';
import { known, valueOf } from '../parts/fact.ts';
import {
  DONE_TO_CARDS,
  DONE_TO_DRIVES,
  actId,
  actOf,
  actsOfRound,
  type Act,
  type RoundNumber,
} from '../document/act.ts';
import type { Job } from '../document/job.ts';
import type { Machine, Slot } from '../document/machine.ts';
import { memoOf } from '../memo.ts';
import { assemblyOf, type AssembledCard, type Assembly } from './assembly.ts';
import { benchState, type BenchState } from './benchState.ts';
import { coversFor, coversOrdered } from './covers.ts';
import { openingsOf, openingsOfCard, type Opening } from './openings.ts';

export interface Round {
  readonly number: RoundNumber;
  /** The round after it is begun: nothing more is done in it. */
  readonly isOver: boolean;
  /** With only this round’s part of the plan, and what was done in it. */
  readonly job: Job;
  readonly assembly: Assembly;
}

/** What has to be bought beside the cards; covers as each round leaves its openings. */
export const extrasOrdered = memoOf((job: Job): readonly ExtraNeeded[] => {
  const { extras } = assemblyOf(job);
  const rounds = roundsOf(job);
  return rounds.length === 1
    ? extras
    : gathered([
        ...extras.filter(({ kind }) => kind !== 'cover'),
        ...rounds.flatMap(({ assembly }) => coversOrdered(assembly)),
      ]);
});

/** One round, unless some cards wait and others do not; what was begun in a second one is ended there. */
export const roundsOf = memoOf((job: Job): readonly Round[] => {
  const whole = assemblyOf(job);
  const plan = job.plan;
  const waiting = new Set(
    plan?.staged.filter((slotId) => {
      const card = whole.cards.find(({ slot }) => slot.id === slotId);
      return card?.fromSlotId === null && !card.later;
    }),
  );
  const isFirst = ({ slot, later, fromSlotId }: AssembledCard) =>
    fromSlotId === null && !later && !waiting.has(slot.id);
  const isBegun = job.acts.some(({ round }) => round === 2);
  if (plan === null || (!isBegun && (waiting.size === 0 || !whole.cards.some(isFirst))))
    return [{ number: 1, isOver: false, job: ofRound(job, 1), assembly: whole }];
  const isLateCard = ({ slot, fromSlotId, later }: AssembledCard) =>
    later || (fromSlotId === null ? waiting.has(slot.id) : late.has(fromSlotId));
  const late = wantedLate(job, whole, waiting);
  const has = (slotId: string) => late.has(slotId);
  const first: Job = {
    ...job,
    machine: withStaying(job.machine, late),
    acts: actsOfRound(job.acts, 1),
    plan: {
      ...plan,
      placements: plan.placements.filter(({ slotId }) => !waiting.has(slotId)),
      moves: plan.moves.filter(({ fromSlotId }) => !has(fromSlotId)),
      givenUp: plan.givenUp.filter((slotId) => !has(slotId)),
      staged: [],
    },
  };
  const planned = ofWhole(first, whole, whole.cards.filter(isLateCard).flatMap(openingsOfCard));
  const done = isBegun ? { ...planned, ...openingsDone(planned, benchState(first.acts)) } : planned;
  const second: Job = {
    ...job,
    machine: withWorkLeft(afterRound(job.machine, done), isBegun ? first : null),
    bought: [],
    acts: [...carriedOver(job, waiting, done), ...actsOfRound(job.acts, 2)],
    plan: {
      ...plan,
      placements: plan.placements.filter(({ slotId }) => waiting.has(slotId)),
      moves: plan.moves.filter(({ fromSlotId }) => has(fromSlotId)),
      givenUp: plan.givenUp.filter(has),
      later: [],
      staged: [],
    },
  };
  return [
    { number: 1, isOver: isBegun, job: first, assembly: done },
    {
      number: 2,
      isOver: false,
      job: second,
      assembly: {
        ...ofWhole(second, whole, done.plates),
        earlier: { cards: whole.cards.filter(isFirst), closed: done.toClose },
      },
    },
  ];
});

/** The same job where nothing of it was done in another round. */
const ofRound = (job: Job, round: RoundNumber): Job =>
  job.acts.every((act) => act.round === round)
    ? job
    : { ...job, acts: actsOfRound(job.acts, round) };

/** What was done in the first round to cards that wait by now, and to drives that hang on nothing of it any more. */
function carriedOver(
  { acts }: Job,
  waiting: ReadonlySet<string>,
  { cards, boardDrives }: Assembly,
): readonly Act[] {
  const served = new Set(
    [...boardDrives, ...cards.flatMap(({ flows }) => flows)].map(({ need }) => need.id),
  );
  const again = new Set(actsOfRound(acts, 2).map(actId));
  return actsOfRound(acts, 1).filter((act) => {
    const { slot, need } = act.on;
    const goesOn =
      (DONE_TO_CARDS.includes(act.code) && slot !== undefined && waiting.has(slot)) ||
      (DONE_TO_DRIVES.includes(act.code) && need !== undefined && !served.has(need));
    return goesOn && !again.has(actId(act));
  });
}

/**
 * Its cards as the whole plan has them: with the plugs, headers, leads and lanes that no other card takes.
 * @param kept openings where no plate goes
 */
function ofWhole(round: Job, whole: Assembly, kept: readonly Opening[]): Assembly {
  const own = assemblyOf(round);
  const cards = own.cards.map((each) => {
    const planned = whole.cards.find(({ slot }) => slot.id === each.slot.id);
    return planned === undefined ? each : { ...planned, isIn: each.isIn };
  });
  const placed = cards.filter(({ later }) => !later);
  return {
    ...own,
    cards,
    ...openingsOf(round.machine, own.machine, placed, round, kept),
  };
}

/** Steps by which a card comes out for good, or to move. */
const OUT = ['takeOut', 'takeToMove'] as const;

/** Plates that are in, and openings that were closed: whatever the plan is by now, in its order. */
const openingsDone = ({ cards, plates, toClose }: Assembly, state: BenchState) => ({
  plates: inOrderOf(
    plates,
    cards.flatMap(({ slot: { id, enclosureId } }) =>
      state
        .standing('fitPlate')
        .flatMap((on): readonly Opening[] =>
          on.slot === id && on.opening !== undefined
            ? [{ number: on.opening, enclosureId, slotId: id }]
            : [],
        ),
    ),
  ),
  toClose: inOrderOf(
    toClose,
    state
      .standing('closeOpening')
      .flatMap((on): readonly Opening[] =>
        on.opening === undefined
          ? []
          : [{ number: on.opening, enclosureId: on.box ?? null, slotId: '' }],
      ),
  ),
});

const inOrderOf = (planned: readonly Opening[], done: readonly Opening[]): readonly Opening[] => {
  const place = (each: Opening) => {
    const at = planned.findIndex(
      ({ number, enclosureId }) => number === each.number && enclosureId === each.enclosureId,
    );
    return at === -1 ? planned.length : at;
  };
  return done.toSorted((a, b) => place(a) - place(b));
};

/** Slots whose card goes, or moves, only when the second round needs their place. */
function wantedLate(job: Job, whole: Assembly, waiting: ReadonlySet<string>): ReadonlySet<string> {
  const late = new Set<string>();
  const arrivals = whole.cards.filter(({ later }) => !later);
  const slotAt = (id: string) => job.machine.slots.find((slot) => slot.id === id);
  const isLate = ({ slot, fromSlotId }: AssembledCard) =>
    fromSlotId === null ? waiting.has(slot.id) : late.has(fromSlotId);
  const leaving = [
    ...whole.removed.map(({ id }) => id),
    ...arrivals.flatMap(({ fromSlotId }) => fromSlotId ?? []),
  ];
  // A move that waits may keep another one waiting.
  for (let before = -1; before !== late.size;) {
    before = late.size;
    for (const slotId of leaving) {
      const slot = slotAt(slotId);
      if (slot === undefined) continue;
      const takers = arrivals.filter((each) => takesPlaceOf(each, slot));
      const out = OUT.map((code) => actOf(job, code, { slot: slotId })).find(
        (act): act is Act => act !== undefined,
      );
      const waits = out === undefined ? takers.length > 0 && takers.every(isLate) : out.round !== 1;
      if (waits) late.add(slotId);
    }
  }
  return late;
}

/** It goes where the card of this slot is now: into the slot, or before one of its openings. */
function takesPlaceOf({ card, slot, fromSlotId }: AssembledCard, there: Slot): boolean {
  if (fromSlotId === there.id) return false;
  if (slot.id === there.id) return true;
  const [at, of] = [valueOf(slot.opening), valueOf(there.opening)];
  const count = valueOf(valueOf(there.occupant)?.openings ?? null) ?? 1;
  return (
    slot.enclosureId === there.enclosureId &&
    at !== null &&
    of !== null &&
    at < of + count &&
    of < at + card.openings
  );
}

/** Cards that go by the survey's word stay for now. */
const withStaying = (machine: Machine, late: ReadonlySet<string>): Machine => ({
  ...machine,
  slots: machine.slots.map((slot) => {
    const card = valueOf(slot.occupant);
    return slot.occupant !== null &&
      card !== null &&
      card.disposition === 'remove' &&
      late.has(slot.id)
      ? { ...slot, occupant: { ...slot.occupant, value: { ...card, disposition: 'stays' } } }
      : slot;
  }),
});

/** As the first round leaves it: its cards in, its own parts and leads as well, what went gone, what stood in the way aside, covers in the drawer. */
function afterRound(surveyed: Machine, done: Assembly): Machine {
  const { machine, cards, removed } = done;
  const seated = new Map(
    cards
      .filter(({ later, fromSlotId }) => !later && fromSlotId === null)
      .map((each) => [each.slot.id, each.card] as const),
  );
  const gone = new Set(removed.map(({ id }) => id));
  return withCoversLeft(
    {
      ...machine,
      slots: machine.slots.map(withoutDust).map((slot) => {
        const card = seated.get(slot.id);
        if (card !== undefined)
          return { ...slot, state: null, occupant: known(seatedAs(card), 'bench') };
        const as = surveyed.slots.find(({ id }) => id === slot.id);
        // It goes in the second round by the survey's word.
        const occupant =
          valueOf(as?.occupant ?? null)?.disposition === 'remove' && !gone.has(slot.id)
            ? (as?.occupant ?? null)
            : slot.occupant;
        return gone.has(slot.id)
          ? { ...slot, occupant: known(null, 'bench') }
          : { ...slot, occupant };
      }),
    },
    done,
  );
}

/** Its own parts and leads are in by then, but for what came up, or was left, once the round was over. @param over null: it goes on */
function withWorkLeft(machine: Machine, over: Job | null): Machine {
  if (over === null) return { ...machine, toFit: [], leads: [] };
  const isFitted = (what: string) =>
    (['fitOnBoard', 'fitInCase'] as const).some((code) => actOf(over, code, { what }));
  return {
    ...machine,
    toFit: machine.toFit.filter((part) => !isFitted(part)),
    leads: machine.leads.map((lead) => ({
      ...lead,
      ends: lead.ends.map((end, n) =>
        actOf(over, 'joinEnd', { lead: lead.id, socket: n }) === undefined
          ? end
          : { ...end, joined: known(true, 'bench') },
      ),
    })),
  };
}

/** It was blown out before anything went in. */
const withoutDust = (slot: Slot): Slot =>
  valueOf(slot.state) === 'dirty' ? { ...slot, state: known('good', 'bench') } : slot;

/** All its plugs are in. */
const seatedAs = (card: Card) => ({
  ...asOccupant(card, 'bench'),
  plugs: known(card.sockets, 'bench'),
  frontLeads: known([], 'bench'),
});

/** Spare covers, less those that went in, and with those that came off whole and closed nothing. */
function withCoversLeft(machine: Machine, done: Assembly): Machine {
  const fitted = coversFor(done);
  const left = (room: Machine['case'], id: string | null): Machine['case'] => {
    const own = (openings: readonly Opening[]) =>
      openings.filter(({ enclosureId }) => enclosureId === id).length;
    const here = fitted.filter(({ opening }) => opening.enclosureId === id);
    const whole = valueOf(room.covers) === 'snapped' ? 0 : own(done.toOpen);
    const used = here.filter(({ from }) => from !== 'ordered').length;
    const before = valueOf(room.spareCovers);
    return used === 0 && whole === 0
      ? room
      : { ...room, spareCovers: known(Math.max(0, (before ?? 0) + whole - used), 'bench') };
  };
  return {
    ...machine,
    case: left(machine.case, null),
    enclosures: machine.enclosures.map((box) => ({ ...box, case: left(box.case, box.id) })),
  };
}
