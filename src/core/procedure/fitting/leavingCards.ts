/** Cards that are in already: what goes, what changes its slot, and what comes out so that a hand gets in. */
import { newCardsOf, type AssembledCard, type Assembly } from '../../assembly/assembly.ts';
import { actOf, type ActCode, type ActOn } from '../../parts/act.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Job } from '../../parts/job.ts';
import type { Machine, Slot } from '../../parts/machine.ts';
import { type CardAt, cardAt, keyed, step } from '../step.ts';
import { act, type Act, move, thing } from './act.ts';
import { onTheBench } from './newCards.ts';
import { bodiesIn, bodyAt, outForHands, type Place } from './reach.ts';
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

/** What goes, what changes its slot, and what comes out so that a hand gets in. */
export function leaving(job: Job, assembly: Assembly): readonly Act[] {
  const { machine, cards, removed } = assembly;
  const moved = cards.filter(({ fromSlotId }) => fromSlotId !== null);
  const slotIn = (there: Machine, id: string | null) => there.slots.find((slot) => slot.id === id);
  return [
    ...removed.flatMap((slot) => {
      const at = occupantAt(slot, job.machine);
      return [
        ...freeing(slot, at, [slot.id], 'kept'),
        act(
          step(
            'takeOut',
            { ...at, ...heldIn(slot, job.machine) },
            { slotId: slot.id, on: { slot: slot.id }, cautions: outCautions(slot) },
          ),
          {
            housing: slot.enclosureId,
            ...toolFor(slot, job.machine),
            openings: openingsOfOccupant(slot),
            forSlots: [slot.id],
            moves: [
              ...screws(slot, job.machine, 'tray'),
              move(thing('card', slot.id, at.card), 'kept'),
            ],
          },
        ),
      ];
    }),
    ...moved.flatMap((each) => {
      const { card, slot, fromSlotId } = each;
      const from = slotIn(job.machine, fromSlotId);
      if (from === undefined) return [];
      const at = occupantAt(from, job.machine);
      const there = {
        card: at.card,
        slot: slot.label,
        enclosure: nameOf(slot.enclosureId, machine),
      };
      const opening = valueOf(slot.opening);
      return [
        ...freeing(from, at, [from.id]),
        act(
          step(
            'takeToMove',
            { ...at, ...heldIn(from, job.machine), to: slot.label },
            { slotId: from.id, on: { slot: from.id }, cautions: outCautions(from) },
          ),
          {
            housing: from.enclosureId,
            ...toolFor(from, job.machine),
            openings: openingsOfOccupant(from),
            forSlots: [from.id],
            moves: [
              ...screws(from, job.machine, 'tray'),
              move(thing('card', from.id, at.card), 'tray'),
            ],
          },
        ),
        ...clearing(each),
        act(
          step(
            'moveCard',
            { ...there, ...heldIn(slot, machine), from: from.label },
            {
              slotId: slot.id,
              on: { slot: from.id },
              cautions: [...latchCaution(slot), 'noForce'],
            },
          ),
          {
            housing: slot.enclosureId,
            ...toolFor(slot, machine),
            openings: opening === null ? [] : from_(opening, card.openings),
            forSlots: [slot.id],
            ground: groundOf(card, slot, machine),
            moves: [
              move(thing('card', from.id, at.card), 'inPlace'),
              ...screwsOf(
                slot,
                opening === null ? [] : from_(opening, card.openings),
                machine,
                'inPlace',
              ),
            ],
          },
        ),
        ...joiningBack(from, there, slot.id),
      ];
    }),
    ...inTheWayOfHands(assembly, job).flatMap(({ slot, forSlots, card }) => {
      const at = occupantAt(slot, machine);
      const { card: neighbour } = at;
      return [
        ...freeing(slot, at, [slot.id]),
        act(
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
            moves: [
              ...screws(slot, machine, 'tray'),
              move(thing('card', slot.id, neighbour), 'tray'),
            ],
          },
        ),
        puttingBack(slot, machine, forSlots),
        ...joiningBack(slot, at, slot.id),
      ];
    }),
  ];
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

function freeing(
  slot: Slot,
  at: CardAt,
  forSlots: readonly string[],
  to: 'tray' | 'kept' = 'tray',
): readonly Act[] {
  const joined = joinedTo(slot);
  return joined === null
    ? []
    : [
        act(step('freeCard', { ...at, ...joined }, { slotId: slot.id, on: { slot: slot.id } }), {
          housing: slot.enclosureId,
          forSlots,
          moves: [move(thing('plugs', slot.id, at.card), to)],
        }),
      ];
}

/** @param there where it is then @param slotId of that slot */
export function joiningBack(from: Slot, there: CardAt, slotId: string): readonly Act[] {
  const joined = joinedTo(from);
  return joined === null
    ? []
    : [
        act(
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
        ),
      ];
}

interface OutForHand {
  readonly slot: Slot;
  readonly forSlots: readonly string[];
  readonly card: CardAt;
}

/** Cards that stay, and without which no hand gets a new card in, or to a place that it needs on the board. */
function inTheWayOfHands(assembly: Assembly, job: Job): readonly OutForHand[] {
  const { machine } = assembly;
  const cards = assembly.cards.filter(({ later }) => !later);
  const found = new Map<string, readonly string[]>();
  const add = (slotId: string, forSlots: readonly string[]) =>
    found.set(slotId, [...new Set([...(found.get(slotId) ?? []), ...forSlots])]);
  const bodies = bodiesIn(assembly);
  for (const each of cards)
    if (each.slot.enclosureId === null)
      for (const slotId of outForHands(placesFor(each, machine, job), bodies))
        add(slotId, [each.slot.id]);
  // What is still to be done to a card that is in wants it on the bench.
  for (const each of newCardsOf(assembly).filter(({ isIn }) => isIn)) {
    const isOpen = ({ draft: { code, on } }: Act) => actOf(job, code, on) === undefined;
    if (onTheBench(each, cards, assembly).some(isOpen)) add(each.slot.id, [each.slot.id]);
  }
  const isOut = ({ id: slot }: Slot) =>
    actOf(job, 'takeOutFirst', { slot }) !== undefined &&
    actOf(job, 'putBack', { slot }) === undefined;
  const out = [...found.keys(), ...machine.slots.filter(isOut).map(({ id }) => id)];
  for (const [slotId, forSlots] of rowsOf(assembly, out).out)
    add(
      slotId,
      // What makes room for a card that is out for a while is out for the same.
      forSlots.flatMap((each) => found.get(each) ?? each),
    );
  return [...found].flatMap(([slotId, forSlots]) => {
    const slot = machine.slots.find(({ id }) => id === slotId);
    const card = assembly.cards.find((each) => forSlots.includes(each.slot.id));
    return slot === undefined || card === undefined ? [] : [{ slot, forSlots, card: cardAt(card) }];
  });
}

/**
 * Where on the board a hand still goes for a card: its headers, its module's socket and screw, plugs that stand in its way
 * or were led round.
 */
function placesFor(each: AssembledCard, machine: Machine, job: Job): readonly Place[] {
  const { slot } = each;
  const isOpen = (code: ActCode, on: ActOn) => actOf(job, code, on) === undefined;
  const { on } = keyed(each);
  const socket = socketPlaces(each);
  return [
    ...each.headers.flatMap(({ type, place }) =>
      place !== undefined && isOpen('joinHeader', { slot: slot.id, what: type }) ? place : [],
    ),
    ...(socket !== null && isOpen('seat', on) ? [socket.socket] : []),
    ...(socket !== null && isOpen('screw', on) ? [socket.screw] : []),
    ...movedFor(each, machine).flatMap(({ id, plugAt }) =>
      plugAt !== undefined &&
      (isOpen('moveObstacle', { obstacle: id }) || isOpen('restorePlug', { obstacle: id }))
        ? plugAt
        : [],
    ),
  ];
}
