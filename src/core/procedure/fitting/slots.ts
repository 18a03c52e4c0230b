/** Slots, and what sits in them, as a hand finds them: names, openings, what holds a bracket, what stands where a card goes. */
import type { AssembledCard } from '../../assembly/assembly.ts';
import type { ActOn } from '../../document/act.ts';
import type { Card } from '../../document/card.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Machine, Obstacle, Slot } from '../../document/machine.ts';
import {
  bodyRectangle,
  moduleRectangle,
  overlap,
  type Rectangle,
} from '../../placement/geometry.ts';
import { machineAround } from '../../placement/housing.ts';
import {
  SOCKET_DEPTH_MM,
  UNDER_CARD_ROOM_MM,
  UNDER_MODULE_ROOM_MM,
} from '../../standards/cardForm.ts';
import { type CardAt, type CautionCode, keyed, step, cardAt } from '../step.ts';
import { type Act, act, bracketHold, latchOf, move, screwOf, thing } from './act.ts';

export interface Room {
  /** Null: the machine's own case. */
  readonly id: string | null;
  readonly name: string;
  readonly case: Machine['case'];
}

export const roomOf = (id: string | null, { enclosures, case: own }: Machine): Room => {
  const box = enclosures.find((each) => each.id === id);
  return box === undefined ? { id: null, name: '', case: own } : box;
};

/** So many numbers from one on. */
export const from_ = (first: number, count: number): readonly number[] =>
  Array.from({ length: count }, (_, n) => first + n);

export const openingsOfOccupant = ({ opening, occupant }: Slot): readonly number[] => {
  const first = valueOf(opening);
  const card = valueOf(occupant);
  return first === null || card === null ? [] : from_(first, valueOf(card.openings) ?? 1);
};

export const nameOf = (enclosureId: string | null, { enclosures }: Machine): string =>
  enclosures.find(({ id }) => id === enclosureId)?.name ?? '';

export const occupantAt = ({ label, enclosureId, occupant }: Slot, machine: Machine): CardAt => ({
  card: valueOf(occupant)?.name ?? '',
  slot: label,
  enclosure: nameOf(enclosureId, machine),
});

export const heldIn = (slot: Slot, machine: Machine) => ({
  hold: slot.bus === 'm2' ? ('screwed' as const) : bracketHold(machineAround(slot, machine)),
  latch: latchOf(slot),
});

/** Nothing is screwed where clips or a bar hold the brackets. */
export const toolFor = (slot: Slot, machine: Machine) => {
  const { hold } = heldIn(slot, machine);
  return hold === 'clipped' || hold === 'bar' ? { tool: null } : {};
};

export const latchCaution = (slot: Slot): readonly CautionCode[] =>
  latchOf(slot) === false ? [] : ['latch'];

export const outCautions = (slot: Slot): readonly CautionCode[] => [
  ...latchCaution(slot),
  'hotCard',
];

export const screws = (slot: Slot, machine: Machine, to: 'tray' | 'inPlace') =>
  screwsOf(slot, openingsOfOccupant(slot), machine, to);

export const screwsOf = (
  slot: Slot,
  openings: readonly number[],
  machine: Machine,
  to: 'tray' | 'inPlace',
) =>
  slot.bus === 'm2'
    ? [move(thing('screw', slot.id, slot.label), to)]
    : heldIn(slot, machine).hold === 'screwed'
      ? openings.map((number) => move(screwOf(slot.enclosureId, number), to))
      : [];

/** Where a module goes in, and where it is screwed down. */
export function socketPlaces({ card, slot }: AssembledCard) {
  if (card.m2 === null) return null;
  const lies = moduleRectangle(slot, card.m2.moduleLengthMm);
  if (lies === null) return null;
  const yMm = lies.yMm + lies.depthMm / 2;
  return { socket: { xMm: lies.xMm, yMm }, screw: { xMm: lies.xMm + lies.widthMm, yMm } };
}

/** Things that stand where the card goes, and can be moved. */
export function movedFor({ card, slot }: AssembledCard, machine: Machine): readonly Obstacle[] {
  const ground = groundOf(card, slot, machine);
  const roomMm = card.m2 === null ? UNDER_CARD_ROOM_MM : UNDER_MODULE_ROOM_MM;
  return ground === null
    ? []
    : machine.obstacles.filter(
        (each) =>
          each.movable &&
          each.kind !== 'vent' &&
          each.heightMm > roomMm &&
          overlap(card.m2 === null ? ground : withSocket(ground), each),
      );
}

/** A module's socket lies before it. */
const withSocket = ({ xMm, widthMm, ...rest }: Rectangle): Rectangle => ({
  ...rest,
  xMm: xMm - SOCKET_DEPTH_MM,
  widthMm: widthMm + SOCKET_DEPTH_MM,
});

export function groundOf(card: Card, slot: Slot, machine: Machine): Rectangle | null {
  if (slot.enclosureId !== null) return null;
  if (card.m2 !== null) return moduleRectangle(slot, card.m2.moduleLengthMm);
  const opening = valueOf(slot.opening);
  return opening === null ? null : bodyRectangle(machine, opening, card.lengthMm, card.openings);
}

export const openingOn = (enclosureId: string | null, number: number): ActOn =>
  enclosureId === null ? { opening: number } : { box: enclosureId, opening: number };

export const holdIn = (enclosureId: string | null, machine: Machine) =>
  bracketHold(roomOf(enclosureId, machine));

/** What lies in a slot or over it. */
export function clearing(each: AssembledCard): readonly Act[] {
  const { slot } = each;
  const own = { housing: slot.enclosureId, forSlots: [slot.id] };
  const state = valueOf(slot.state);
  if (state === 'dirty')
    return [
      act(
        step('clearSlot', { ...cardAt(each), state }, { ...keyed(each), cautions: ['static'] }),
        own,
      ),
    ];
  return state === 'capped'
    ? [
        act(step('clearSlot', { ...cardAt(each), state }, keyed(each)), {
          ...own,
          moves: [move(thing('cap', slot.id, slot.label), 'kept')],
        }),
      ]
    : [];
}
