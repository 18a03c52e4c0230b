/**
 * Is there room for the card's body: length, height, thickness over neighbours and openings, things in the way,
 * air before fans, a hand to reach it, and is it too heavy to hang?
 */
import type { Card } from '../document/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine, Slot } from '../document/machine.ts';
import {
  COMPONENT_SIDE_MM,
  OPENING_PITCH_MM,
  PLUG_BEND_MM,
  SAG_GRAMS,
  SOCKET_DEPTH_MM,
  SOLDER_SIDE_MM,
  UNDER_CARD_ROOM_MM,
  UNDER_MODULE_ROOM_MM,
} from '../standards/cardForm.ts';
import type { Finding } from './finding.ts';
import { bodyRectangle, moduleRectangle, overlap, type Rectangle } from '../placement/geometry.ts';
import { standingBeside, type Standing } from '../placement/standing.ts';

/** All of it: what the housing decides, and what the slot decides. */
export const body = (card: Card, slot: Slot, machine: Machine): readonly Finding[] => [
  ...bodyInHousing(card, machine),
  ...bodyInSlot(card, slot, machine),
];

/** What is the same in every slot of a housing: its room for length too, where no opening has less than others. */
export const bodyInHousing = (card: Card, machine: Machine): readonly Finding[] => [
  ...(roomDiffers(machine) ? [] : [length(card, null, machine)]),
  ...height(card, machine),
  ...weight(card),
];

export function bodyInSlot(card: Card, slot: Slot, machine: Machine): readonly Finding[] {
  const opening = valueOf(slot.opening);
  if (opening === null) {
    const room = roomDiffers(machine) ? [length(card, null, machine)] : [];
    return [...room, { code: 'body.openingUnknown', verdict: 'unknown' }];
  }
  const around = standingBeside(slot, machine);
  const room = roomDiffers(machine) ? [length(card, opening, machine)] : [];
  return room.concat(
    sharedOpening(slot, machine),
    thickness(card, opening, machine),
    openings(card, opening, machine),
    neighbours(card, opening, around),
    besideOthers(card, opening, around),
    obstacles(card, opening, machine),
  );
}

/** Where every opening is counted, the count shows which slot it is. */
const sharedOpening = (slot: Slot, { slots }: Machine): readonly Finding[] =>
  valueOf(slot.sharesOpening) === true &&
  slots.some((each) => each.bus !== 'm2' && each.opening === null)
    ? [{ code: 'body.sharedOpening', verdict: 'unknown' }]
    : [];

const roomDiffers = (machine: Machine): boolean => machine.case.tightOpenings.length > 0;

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
function length(card: Card, opening: number | null, machine: Machine): Finding {
  const usual = valueOf(machine.case.lengthRoomMm);
  if (usual === null) return { code: 'body.lengthUnknown', verdict: 'unknown' };
  const available = machine.case.tightOpenings.reduce(
    (room, each) =>
      opening !== null && openingsCollide(opening, card.openings, each.opening, 1)
        ? Math.min(room, each.lengthMm)
        : room,
    usual,
  );
  const fits = card.lengthMm <= available;
  return {
    code: fits ? 'body.lengthFits' : 'body.tooLong',
    verdict: fits ? 'clear' : 'blocked',
    needed: card.lengthMm,
    available,
    unit: 'mm',
  };
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

function neighbours(card: Card, opening: number, around: readonly Standing[]): readonly Finding[] {
  const found: Finding[] = [];
  for (const { opening: theirs, openings: taken, holds, name, label } of around) {
    const collides = openingsCollide(opening, card.openings, theirs, taken ?? 1);
    if (holds === 'card' && collides) {
      found.push({ code: 'body.neighbour', verdict: 'blocked', subject: name });
    } else if (holds === 'card' && taken === null && theirs < opening) {
      found.push({ code: 'body.neighbourUnknown', verdict: 'unknown', subject: name });
    } else if (holds === 'unknown' && collides) {
      found.push({ code: 'body.neighbourUnknown', verdict: 'unknown', subject: label });
    } else if (holds === 'free' && openingsCollide(opening, card.openings, theirs, 1)) {
      found.push({ code: 'body.coversSlot', verdict: 'limited', subject: label });
    }
  }
  return found;
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

/** What the nearest cards on either side do to a card, and it to them: air before fans, a hand to reach it. */
export const besideOthers = (
  card: Card,
  opening: number,
  around: readonly Standing[],
): readonly Finding[] => [...air(card, opening, around), ...reach(card, opening, around)];

/** Between the face of one card and the back of the next, where so many openings lie empty between them. */
export const gapMm = (emptyOpenings: number): number =>
  emptyOpenings * OPENING_PITCH_MM + (OPENING_PITCH_MM - COMPONENT_SIDE_MM - SOLDER_SIDE_MM);

const endOf = ({ opening, openings: taken }: Standing): number => opening + (taken ?? 1);

/** Fans blow towards the next opening: the card's own, and that of the neighbour before it. */
function air(card: Card, opening: number, around: readonly Standing[]): readonly Finding[] {
  const end = opening + card.openings;
  const next = around.find((other) => other.holds === 'card' && other.opening >= end);
  const last = around.findLast((other) => other.holds === 'card' && endOf(other) <= opening);
  if (next === undefined && last === undefined) return [];
  return [
    ...(next === undefined || card.fan === null
      ? []
      : airBetween(card.fan, next, next.opening - end, 'body.airShort')),
    ...(last === undefined ? [] : airBefore(last, card, opening - endOf(last))),
  ];
}

function airBefore(neighbour: Standing, card: Card, emptyOpenings: number): readonly Finding[] {
  // A card that fills one opening only hardly ever has a fan; a thicker one nearly always does.
  if (neighbour.fan === undefined) {
    return (neighbour.openings ?? 1) === 1 || emptyOpenings > 0
      ? []
      : [{ code: 'body.airUnknown', verdict: 'unknown', subject: neighbour.name }];
  }
  if (neighbour.fan === null) return [];
  const inFront = { name: neighbour.name, lengthMm: card.lengthMm, heightMm: card.heightMm };
  const taken = airBetween(neighbour.fan, inFront, emptyOpenings, 'body.airTaken');
  return taken.length > 0 && card.quirks.includes('notBelowFan')
    ? [...taken, { code: 'quirk.belowFan', verdict: 'limited', subject: neighbour.name }]
    : taken;
}

/** A body that ends before the fan begins leaves it all its air, and so does one that is lower than its lower edge. */
function airBetween(
  fan: NonNullable<Card['fan']>,
  { name, lengthMm, heightMm }: Pick<Standing, 'name' | 'lengthMm' | 'heightMm'>,
  emptyOpenings: number,
  code: 'body.airShort' | 'body.airTaken',
): readonly Finding[] {
  const available = gapMm(emptyOpenings);
  const isAside = lengthMm <= fan.fromMm || heightMm <= (fan.aboveMm ?? 0);
  return isAside || available >= fan.airMm
    ? []
    : [{ code, verdict: 'limited', subject: name, needed: fan.airMm, available, unit: 'mm' }];
}

/**
 * Between two neighbours without an empty opening on either side no hand gets a card in: the one after it comes
 * out first and goes back afterwards, with its power plugs. Common practice, no source.
 */
function reach(card: Card, opening: number, around: readonly Standing[]): readonly Finding[] {
  const end = opening + card.openings;
  const after = around.find((other) => other.holds === 'card' && other.opening === end);
  return after !== undefined &&
    around.some((other) => other.holds === 'card' && endOf(other) === opening)
    ? [{ code: 'body.outFirst', verdict: 'needs', subject: after.name }]
    : [];
}

function obstacles(card: Card, opening: number, machine: Machine): readonly Finding[] {
  if (machine.obstacles.length === 0) return [];
  const ground = bodyRectangle(machine, opening, card.lengthMm, card.openings);
  return standingIn(ground, UNDER_CARD_ROOM_MM, machine);
}

/** A module lies flat and close to the board: what stands where it would lie, or over its socket, is in its way. */
export function moduleInSocket(card: Card, slot: Slot, machine: Machine): readonly Finding[] {
  const lies = card.m2 === null ? null : moduleRectangle(slot, card.m2.moduleLengthMm);
  if (lies === null) return [];
  const ground = {
    ...lies,
    xMm: lies.xMm - SOCKET_DEPTH_MM,
    widthMm: lies.widthMm + SOCKET_DEPTH_MM,
  };
  return standingIn(ground, UNDER_MODULE_ROOM_MM, machine);
}

const standingIn = (
  ground: Rectangle,
  roomBeneathMm: number,
  machine: Machine,
): readonly Finding[] =>
  machine.obstacles
    .filter((obstacle) => obstacle.heightMm > roomBeneathMm && overlap(ground, obstacle))
    .map((obstacle) => {
      if (obstacle.kind === 'vent')
        return { code: 'body.ventCovered', verdict: 'limited', subject: obstacle.name };
      return {
        code: obstacle.movable ? 'body.obstacleMovable' : 'body.obstacleInTheWay',
        verdict: obstacle.movable ? 'needs' : 'blocked',
        subject: obstacle.name,
        needed: ground.widthMm,
        available: Math.max(0, obstacle.xMm - ground.xMm),
        unit: 'mm',
      };
    });
