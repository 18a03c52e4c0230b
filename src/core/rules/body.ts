/** Is there room for the card's body: length, thickness over neighbours and openings, and things in the way? */
import type { Card } from '../parts/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine, Slot } from '../parts/machine.ts';
import { PLUG_BEND_MM, UNDER_CARD_ROOM_MM } from '../standards/cardForm.ts';
import type { Finding } from './finding.ts';
import { bodyRectangle, overlap } from './geometry.ts';

export function body(card: Card, slot: Slot, machine: Machine): readonly Finding[] {
  const opening = valueOf(slot.opening);
  if (opening === null) {
    return [...length(card, null, machine), { code: 'body.openingUnknown', verdict: 'unknown' }];
  }
  return [
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
