/**
 * Is there room for the card's body: length, height, thickness over neighbours and openings, things in the way,
 * air before fans, a hand to reach it, and is it too heavy to hang?
 */
import type { Card } from '../parts/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine, Slot } from '../parts/machine.ts';
import {
  COMPONENT_SIDE_MM,
  OPENING_PITCH_MM,
  PLUG_BEND_MM,
  SAG_GRAMS,
  SOLDER_SIDE_MM,
  UNDER_CARD_ROOM_MM,
} from '../standards/cardForm.ts';
import type { Finding } from './finding.ts';
import { bodyRectangle, overlap } from './geometry.ts';

export function body(card: Card, slot: Slot, machine: Machine): readonly Finding[] {
  const opening = valueOf(slot.opening);
  if (opening === null) {
    return [
      ...length(card, null, machine),
      ...weight(card),
      { code: 'body.openingUnknown', verdict: 'unknown' },
    ];
  }
  return [
    ...weight(card),
    ...air(card, slot, opening, machine),
    ...reach(card, slot, opening, machine),
    ...length(card, opening, machine),
    ...height(card, machine),
    ...thickness(card, opening, machine),
    ...openings(card, opening, machine),
    ...neighbours(card, slot, opening, machine),
    ...boxes(card, opening, machine),
  ];
}

/** Whether two cards that take openings from `a` and from `b` on would touch. */
export function openingsCollide(
  a: number,
  aOpenings: number,
  b: number,
  bOpenings: number,
): boolean {
  return a < b + bOpenings && b < a + aOpenings;
}

/** Room in the openings the card takes, the tightest of them; without its opening, what the case gives at best. */
function length(card: Card, opening: number | null, machine: Machine): readonly Finding[] {
  const tight = machine.case.tightOpenings
    .filter((each) => opening !== null && openingsCollide(opening, card.openings, each.opening, 1))
    .map(({ lengthMm }) => lengthMm);
  const usual = valueOf(machine.case.lengthRoomMm);
  const room = usual === null ? null : Math.min(usual, ...tight);
  if (room === null) return [{ code: 'body.lengthUnknown', verdict: 'unknown' }];
  const figures = { needed: card.lengthMm, available: room, unit: 'mm' } as const;
  return card.lengthMm <= room
    ? [{ code: 'body.lengthFits', verdict: 'clear', ...figures }]
    : [{ code: 'body.tooLong', verdict: 'blocked', ...figures }];
}

/** Some openings take thin cards only: a cage or a cable duct stands beside them. */
function thickness(card: Card, opening: number, machine: Machine): readonly Finding[] {
  const most = machine.case.tightOpenings.find((each) => each.opening === opening)?.thickness;
  return most === undefined || card.openings <= most
    ? []
    : [
        {
          code: 'body.tooThick',
          verdict: 'blocked',
          needed: card.openings,
          available: most,
          unit: 'count',
        },
      ];
}

/** Under the cover over the cards, with room above for the leads that plug into its upper edge. */
function height(card: Card, machine: Machine): readonly Finding[] {
  const room = valueOf(machine.case.heightRoomMm);
  if (room === null) return [];
  const figures = { needed: card.heightMm, available: room, unit: 'mm' } as const;
  if (card.heightMm > room) return [{ code: 'body.tooHigh', verdict: 'blocked', ...figures }];
  const withBend = card.heightMm + PLUG_BEND_MM;
  return card.sockets.length > 0 && withBend > room
    ? [{ code: 'body.plugBend', verdict: 'limited', ...figures, needed: withBend }]
    : [];
}

function openings(card: Card, opening: number, machine: Machine): readonly Finding[] {
  const there = valueOf(machine.case.openings);
  const last = opening + card.openings - 1;
  if (there === null) {
    // A card no thicker than its own opening needs no other.
    return card.openings === 1 ? [] : [{ code: 'body.openingsUnknown', verdict: 'unknown' }];
  }
  return last <= there
    ? []
    : [
        {
          code: 'body.beyondLastOpening',
          verdict: 'blocked',
          needed: last,
          available: there,
          unit: 'opening',
        },
      ];
}

function neighbours(card: Card, slot: Slot, opening: number, machine: Machine): readonly Finding[] {
  return machine.slots.flatMap((other): readonly Finding[] => {
    const theirs = valueOf(other.opening);
    if (other.id === slot.id || theirs === null) return [];
    const occupant = valueOf(other.occupant);
    if (occupant?.fate === 'goes') return [];
    if (occupant === null) {
      if (!openingsCollide(opening, card.openings, theirs, 1)) return [];
      return other.occupant === null
        ? [{ code: 'body.neighbourUnknown', verdict: 'unknown', subject: other.label }]
        : [{ code: 'body.coversSlot', verdict: 'limited', subject: other.label }];
    }
    const thickness = valueOf(occupant.openings);
    if (openingsCollide(opening, card.openings, theirs, thickness ?? 1)) {
      return [{ code: 'body.neighbour', verdict: 'blocked', subject: occupant.name }];
    }
    return thickness === null && theirs < opening
      ? [{ code: 'body.neighbourUnknown', verdict: 'unknown', subject: occupant.name }]
      : [];
  });
}

/** A heavy card hangs on its bracket and its slot, and both give in time. */
function weight({ weightGrams }: Card): readonly Finding[] {
  return weightGrams < SAG_GRAMS
    ? []
    : [
        {
          code: 'body.sag',
          verdict: 'needs',
          needed: weightGrams,
          available: SAG_GRAMS,
          unit: 'g',
        },
      ];
}

/** Between the face of one card and the back of the next, where so many openings lie empty between them. */
const gapMm = (emptyOpenings: number): number =>
  emptyOpenings * OPENING_PITCH_MM + (OPENING_PITCH_MM - COMPONENT_SIDE_MM - SOLDER_SIDE_MM);

interface Neighbour {
  readonly name: string;
  readonly openings: number;
  readonly lengthMm: number;
  /** Undefined while nobody has told. */
  readonly fan: Card['fan'] | undefined;
}

/** Fans blow towards the next opening: the card's own, and that of the neighbour before it. */
function air(card: Card, slot: Slot, opening: number, machine: Machine): readonly Finding[] {
  const staying = machine.slots.flatMap((other) => {
    const occupant = valueOf(other.occupant);
    const at = valueOf(other.opening);
    if (other.id === slot.id || occupant?.fate !== 'stays' || at === null) return [];
    const neighbour: Neighbour = {
      name: occupant.name,
      openings: valueOf(occupant.openings) ?? 1,
      lengthMm: valueOf(occupant.lengthMm) ?? Infinity,
      fan: occupant.fan === null ? undefined : occupant.fan.value,
    };
    return [{ at, neighbour }];
  });
  const after = staying.filter(({ at }) => at >= opening + card.openings);
  const before = staying.filter(({ at, neighbour }) => at + neighbour.openings <= opening);
  const next = after.toSorted((a, b) => a.at - b.at)[0];
  const last = before.toSorted(
    (a, b) => b.at + b.neighbour.openings - a.at - a.neighbour.openings,
  )[0];
  return [
    ...(next === undefined || card.fan === null
      ? []
      : airBetween(card.fan, next.neighbour, next.at - opening - card.openings, 'body.airShort')),
    ...(last === undefined
      ? []
      : airBefore(last.neighbour, card, opening - last.at - last.neighbour.openings)),
  ];
}

function airBefore(neighbour: Neighbour, card: Card, emptyOpenings: number): readonly Finding[] {
  // A card that fills one opening only hardly ever has a fan; a thicker one nearly always does.
  if (neighbour.fan === undefined) {
    return neighbour.openings === 1 || emptyOpenings > 0
      ? []
      : [{ code: 'body.airUnknown', verdict: 'unknown', subject: neighbour.name }];
  }
  if (neighbour.fan === null) return [];
  const inFront = { ...neighbour, lengthMm: card.lengthMm };
  return airBetween(neighbour.fan, inFront, emptyOpenings, 'body.airTaken');
}

/** A body that ends before the fan begins leaves it all its air. */
function airBetween(
  fan: NonNullable<Card['fan']>,
  { name, lengthMm }: Pick<Neighbour, 'name' | 'lengthMm'>,
  emptyOpenings: number,
  code: 'body.airShort' | 'body.airTaken',
): readonly Finding[] {
  const available = gapMm(emptyOpenings);
  return lengthMm <= fan.fromMm || available >= fan.airMm
    ? []
    : [{ code, verdict: 'limited', subject: name, needed: fan.airMm, available, unit: 'mm' }];
}

/**
 * Between two neighbours without an empty opening on either side no hand gets a card in: the one after it comes
 * out first and goes back afterwards, with its power plugs. Common practice, no source.
 */
function reach(card: Card, slot: Slot, opening: number, machine: Machine): readonly Finding[] {
  const touching = machine.slots.flatMap((other) => {
    const occupant = valueOf(other.occupant);
    const at = valueOf(other.opening);
    if (other.id === slot.id || occupant?.fate !== 'stays' || at === null) return [];
    if (at === opening + card.openings) return [{ after: true, name: occupant.name }];
    return at + (valueOf(occupant.openings) ?? 1) === opening
      ? [{ after: false, name: occupant.name }]
      : [];
  });
  const after = touching.find((each) => each.after);
  return after !== undefined && touching.some((each) => !each.after)
    ? [{ code: 'body.outFirst', verdict: 'needs', subject: after.name }]
    : [];
}

function boxes(card: Card, opening: number, machine: Machine): readonly Finding[] {
  const ground = bodyRectangle(machine, opening, card.lengthMm, card.openings);
  return machine.boxes
    .filter((box) => box.heightMm > UNDER_CARD_ROOM_MM && overlap(ground, box))
    .map((box) => ({
      code: box.movable ? 'body.boxMovable' : 'body.boxInTheWay',
      verdict: box.movable ? 'needs' : 'blocked',
      subject: box.name,
      needed: card.lengthMm,
      available: box.xMm,
      unit: 'mm',
    }));
}
