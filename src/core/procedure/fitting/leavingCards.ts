/** Cards that are in already: what goes, what changes its slot, and what comes out so that a hand gets in. */
import { newCardsOf, type AssembledCard, type Assembly } from '../../assembly/assembly.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Job } from '../../document/job.ts';
import type { Machine, Slot } from '../../document/machine.ts';
import { type CardAt, cardAt, keyed, step } from '../step.ts';
import { act, type Act, move, thing } from './act.ts';
import { wasSeated, type BenchState } from '../../assembly/benchState.ts';
import { onTheBench } from './newCards.ts';
import { bodiesIn, bodyAt, outForHands as outForPlaces, type Place } from './reach.ts';
import { rowsOf } from './rows.ts';
import {
  from_,
  groundOf,
  nameOf,
  occupantAt,
  openingsOfOccupant,
  outCautions,
  socketPlaces,
  clearing,
  heldIn,
  latchCaution,
  movedFor,
  screws,
  screwsOf,
  toolFor,
} from './slots.ts';

/** What goes, what changes its slot, and what comes out so that a hand gets in; as far as it is still to be done. */
export function leaving(job: Job, assembly: Assembly, state: BenchState): readonly Act[] {
  const { machine, cards, removed } = assembly;
  const moved = cards.flatMap((each) => {
    const from = job.machine.slots.find(({ id }) => id === each.fromSlotId);
    return from === undefined ? [] : [{ each, from }];
  });
  const leaves = new Set([...removed, ...moved.map(({ from }) => from)].map(({ id }) => id));
  const forHands = new Map(
    outForHands(assembly, state).map((each) => [each.slot.id, each] as const),
  );
  return [
    ...removed.flatMap((slot) =>
      state.slot(slot.id).own === 'in'
        ? [...freeing(slot, job.machine, state, 'kept'), takingOut(slot, job.machine)]
        : [],
    ),
    ...moved.flatMap(({ each, from }) => {
      const { own } = state.slot(from.id);
      return [
        ...(own === 'in'
          ? [...freeing(from, job.machine, state), takingToMove(from, each.slot, job.machine)]
          : []),
        ...(own === 'moved'
          ? []
          : [
              ...clearing(each).filter(({ draft: { code, on } }) => !state.holds(code, on)),
              moving(each, from, job.machine, machine),
            ]),
        ...joiningBack(
          from,
          {
            ...occupantAt(from, job.machine),
            slot: each.slot.label,
            enclosure: nameOf(each.slot.enclosureId, machine),
          },
          each.slot.id,
          own === 'in' ? null : state,
        ),
      ];
    }),
    ...machine.slots
      .filter(({ id, occupant }) => valueOf(occupant) !== null && !leaves.has(id))
      .flatMap((slot) => {
        const out = forHands.get(slot.id) ?? null;
        const isOut = isOutOf(state, slot.id);
        const goes = out !== null && !isOut;
        return [
          ...(goes
            ? [
                ...freeing(slot, machine, state),
                takingOutFirst(slot, machine, out.card, out.forSlots),
              ]
            : []),
          ...(goes || isOut ? [puttingBack(slot, machine, out?.forSlots ?? [])] : []),
          ...joiningBack(slot, occupantAt(slot, machine), slot.id, goes ? null : state),
        ];
      }),
  ];
}

/** Whether the card that is to stay in a slot is out of it for a while. */
const isOutOf = (state: BenchState, slotId: string): boolean => {
  const { own, fresh } = state.slot(slotId);
  return fresh === null ? own === 'out' : !fresh.isIn;
};

/** A card that goes for good. */
export function takingOut(slot: Slot, machine: Machine): Act {
  const at = occupantAt(slot, machine);
  return act(
    step(
      'takeOut',
      { ...at, ...heldIn(slot, machine) },
      { slotId: slot.id, on: { slot: slot.id }, cautions: outCautions(slot) },
    ),
    {
      housing: slot.enclosureId,
      ...toolFor(slot, machine),
      openings: openingsOfOccupant(slot),
      forSlots: [slot.id],
      moves: [...screws(slot, machine, 'tray'), move(thing('card', slot.id, at.card), 'kept')],
    },
  );
}

function takingToMove(from: Slot, to: Slot, machine: Machine): Act {
  const at = occupantAt(from, machine);
  return act(
    step(
      'takeToMove',
      { ...at, ...heldIn(from, machine), to: to.label },
      { slotId: from.id, on: { slot: from.id }, cautions: outCautions(from) },
    ),
    {
      housing: from.enclosureId,
      ...toolFor(from, machine),
      openings: openingsOfOccupant(from),
      forSlots: [from.id],
      moves: [...screws(from, machine, 'tray'), move(thing('card', from.id, at.card), 'tray')],
    },
  );
}

/** @param surveyed with the card where it was @param machine with it where the plan wants it */
function moving(
  { card, slot }: AssembledCard,
  from: Slot,
  surveyed: Machine,
  machine: Machine,
): Act {
  const at = occupantAt(from, surveyed);
  const opening = valueOf(slot.opening);
  const openings = opening === null ? [] : from_(opening, card.openings);
  return act(
    step(
      'moveCard',
      {
        card: at.card,
        slot: slot.label,
        enclosure: nameOf(slot.enclosureId, machine),
        ...heldIn(slot, machine),
        from: from.label,
      },
      { slotId: slot.id, on: { slot: from.id }, cautions: [...latchCaution(slot), 'noForce'] },
    ),
    {
      housing: slot.enclosureId,
      ...toolFor(slot, machine),
      openings,
      forSlots: [slot.id],
      ground: groundOf(card, slot, machine),
      moves: [
        move(thing('card', from.id, at.card), 'inPlace'),
        ...screwsOf(slot, openings, machine, 'inPlace'),
      ],
    },
  );
}

/** @param card that it makes room for @param forSlots of all of those */
export function takingOutFirst(
  slot: Slot,
  machine: Machine,
  card: CardAt,
  forSlots: readonly string[],
): Act {
  const { card: neighbour } = occupantAt(slot, machine);
  return act(
    step(
      'takeOutFirst',
      { ...card, ...heldIn(slot, machine), neighbour },
      { slotId: slot.id, on: { slot: slot.id }, cautions: outCautions(slot) },
    ),
    {
      housing: slot.enclosureId,
      ...toolFor(slot, machine),
      openings: openingsOfOccupant(slot),
      forSlots,
      moves: [...screws(slot, machine, 'tray'), move(thing('card', slot.id, neighbour), 'tray')],
    },
  );
}

/** A card that came out for a while. @param forSlots what it made room for */
export function puttingBack(slot: Slot, machine: Machine, forSlots: readonly string[]): Act {
  const { card: neighbour, enclosure } = occupantAt(slot, machine);
  return act(
    step(
      'putBack',
      { enclosure, ...heldIn(slot, machine), neighbour },
      { slotId: slot.id, on: { slot: slot.id }, cautions: [...latchCaution(slot), 'noForce'] },
    ),
    {
      housing: slot.enclosureId,
      ...toolFor(slot, machine),
      openings: openingsOfOccupant(slot),
      forSlots,
      ground: bodyAt(machine, slot.id)?.ground ?? null,
      moves: [
        move(thing('card', slot.id, neighbour), 'inPlace'),
        ...screws(slot, machine, 'inPlace'),
      ],
    },
  );
}

/** Plugs and leads of a card that is in; none where it is known to have none. */
function joinedTo({ occupant }: Slot) {
  const card = valueOf(occupant);
  const [plugs, leads] = [valueOf(card?.plugs ?? null), valueOf(card?.frontLeads ?? null)];
  return plugs?.length === 0 && leads?.length === 0 ? null : { plugs, leads };
}

/** What is joined to a card comes off before it comes out, unless it is off already. */
const freeing = (
  slot: Slot,
  machine: Machine,
  state: BenchState,
  to: 'tray' | 'kept' = 'tray',
): readonly Act[] =>
  joinedTo(slot) === null || state.holds('freeCard', { slot: slot.id })
    ? []
    : [unplugging(slot, machine, to)];

export const unplugging = (slot: Slot, machine: Machine, to: 'tray' | 'kept' = 'tray'): Act => {
  const at = occupantAt(slot, machine);
  const joined = joinedTo(slot) ?? { plugs: [], leads: [] };
  return act(step('freeCard', { ...at, ...joined }, { slotId: slot.id, on: { slot: slot.id } }), {
    housing: slot.enclosureId,
    forSlots: [slot.id],
    moves: [move(thing('plugs', slot.id, at.card), to)],
  });
};

/**
 * @param there where it is then @param slotId of that slot
 * @param state by which they are off; null: they come off with it
 */
function joiningBack(
  from: Slot,
  there: CardAt,
  slotId: string,
  state: BenchState | null,
): readonly Act[] {
  const isOff = state === null || state.holds('freeCard', { slot: from.id });
  return isOff && joinedTo(from) !== null ? [pluggingBack(from, there, slotId)] : [];
}

export function pluggingBack(from: Slot, there: CardAt, slotId: string): Act {
  const joined = joinedTo(from) ?? { plugs: null, leads: null };
  return act(
    step(
      'plugBack',
      { ...there, ...joined },
      { slotId, on: { slot: from.id }, cautions: ['oneLeadOnePlug'] },
    ),
    {
      housing: from.enclosureId,
      forSlots: [slotId],
      moves: [move(thing('plugs', from.id, there.card), 'inPlace')],
    },
  );
}

interface OutForHand {
  readonly slot: Slot;
  readonly forSlots: readonly string[];
  readonly card: CardAt;
}

/** Cards that stay, and without which no hand gets a new card in, or to a place that it still needs on the board. */
function outForHands(assembly: Assembly, state: BenchState): readonly OutForHand[] {
  const { machine } = assembly;
  const cards = assembly.cards.filter(({ later }) => !later);
  const found = new Map<string, readonly string[]>();
  const add = (slotId: string, forSlots: readonly string[]) =>
    found.set(slotId, [...new Set([...(found.get(slotId) ?? []), ...forSlots])]);
  const bodies = bodiesIn(assembly).filter(({ slotId }) => !isOutOf(state, slotId));
  for (const each of cards)
    if (each.slot.enclosureId === null)
      for (const slotId of outForPlaces(placesFor(each, machine, state), bodies))
        add(slotId, [each.slot.id]);
  // What is still to be done to a card that is in wants it on the bench.
  for (const each of newCardsOf(assembly).filter(({ isIn }) => isIn)) {
    const isOpen = ({ draft: { code, on } }: Act) => !state.holds(code, on);
    if (onTheBench(each, cards, assembly).some(isOpen)) add(each.slot.id, [each.slot.id]);
  }
  const out = [...new Set([...found.keys(), ...state.slots.filter((id) => isOutOf(state, id))])];
  for (const [slotId, forSlots] of rowsOf(assembly, out).out)
    add(
      slotId,
      // What makes room for a card that is out for a while is out for the same.
      forSlots.flatMap((each) => found.get(each) ?? each),
    );
  return [...found].flatMap(([slotId, forSlots]) => {
    const at = (id: string | undefined) => machine.slots.find((each) => each.id === id);
    const slot = at(slotId);
    const card = assembly.cards.find((each) => forSlots.includes(each.slot.id));
    // It makes room for one that is out already, and goes back.
    const other = at(forSlots[0]);
    if (slot === undefined || (card === undefined && other === undefined)) return [];
    return [
      { slot, forSlots, card: card === undefined ? occupantAt(other!, machine) : cardAt(card) },
    ];
  });
}

/**
 * Where on the board a hand still goes for a card: its headers, its module's socket and screw, plugs that stand in its way
 * or were led round.
 */
function placesFor(each: AssembledCard, machine: Machine, state: BenchState): readonly Place[] {
  const { card, slot } = each;
  const socket = socketPlaces(each);
  const isIn = wasSeated(state, card.id, slot.id);
  return [
    ...each.headers.flatMap(({ type, place }) =>
      place !== undefined && !state.holds('joinHeader', { slot: slot.id, what: type }) ? place : [],
    ),
    ...(socket !== null && !isIn ? [socket.socket] : []),
    ...(socket !== null && !state.holds('screw', keyed(each).on) ? [socket.screw] : []),
    ...movedFor(each, machine).flatMap(({ id, plugAt }) =>
      plugAt !== undefined &&
      (state.holds('moveObstacle', { obstacle: id }) ||
        (!isIn && !state.holds('leadPlugRound', { obstacle: id })))
        ? plugAt
        : [],
    ),
  ];
}
