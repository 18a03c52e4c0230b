/** Where a hand gets in among cards: what lies over a place on the board, and what leaves no room beside it. */
import type { Assembly } from '../../assembly/assembly.ts';
import { memoOf } from '../../memo.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Machine } from '../../document/machine.ts';
import { bodyRectangle, type Rectangle } from '../../placement/geometry.ts';
import { HAND_MM } from '../../standards/cardForm.ts';

export interface Body {
  readonly slotId: string;
  readonly name: string;
  /** What it covers of the board of the own case. */
  readonly ground: Rectangle;
  /** It sits where it sat before the work. */
  readonly stays: boolean;
}

/** Cards in the own case once the work is done, as far as their measures are told. */
export const bodiesIn = memoOf(({ machine, cards }: Assembly): readonly Body[] => {
  const arriving = cards.filter(({ later, isIn }) => !later && !isIn);
  const fresh = arriving.flatMap(({ card, slot }): readonly Body[] => {
    const opening = valueOf(slot.opening);
    return card.bus === 'm2' || opening === null || slot.enclosureId !== null
      ? []
      : [
          {
            slotId: slot.id,
            name: card.model,
            ground: bodyRectangle(machine, opening, card.lengthMm, card.openings),
            stays: false,
          },
        ];
  });
  const there = machine.slots.flatMap(({ id, occupant }): readonly Body[] => {
    const body = bodyAt(machine, id);
    return body === null ||
      valueOf(occupant)?.disposition === 'remove' ||
      arriving.some(({ slot }) => slot.id === id)
      ? []
      : [body];
  });
  return [...there, ...fresh];
});

/** The card that the survey has in a slot of the own case; null where it has none, or nobody measured it. */
export function bodyAt(machine: Machine, slotId: string | null): Body | null {
  const slot = machine.slots.find(({ id }) => id === slotId);
  const card = valueOf(slot?.occupant ?? null);
  const opening = valueOf(slot?.opening ?? null);
  const lengthMm = valueOf(card?.lengthMm ?? null);
  return slot === undefined ||
    card === null ||
    opening === null ||
    lengthMm === null ||
    slot.enclosureId !== null
    ? null
    : {
        slotId: slot.id,
        name: card.name,
        ground: bodyRectangle(machine, opening, lengthMm, valueOf(card.openings) ?? 1),
        stays: true,
      };
}

export interface Place {
  readonly xMm: number;
  readonly yMm: number;
}

/** What keeps a hand from a place on the board: what lies over it, or else the two that stand too close on either side. */
export function barredBy(
  { xMm, yMm }: Place,
  bodies: readonly Body[],
): { readonly how: 'covered' | 'noHand'; readonly by: readonly Body[] } | null {
  const beside = bodies.filter(
    ({ ground }) => xMm >= ground.xMm && xMm <= ground.xMm + ground.widthMm,
  );
  const over = beside.filter(({ ground }) => yMm > ground.yMm && yMm < ground.yMm + ground.depthMm);
  if (over.length > 0) return { how: 'covered', by: over };
  const before = beside
    .filter(({ ground }) => ground.yMm + ground.depthMm <= yMm)
    .toSorted((a, b) => endOf(b) - endOf(a))[0];
  const after = beside
    .filter(({ ground }) => ground.yMm >= yMm)
    .toSorted((a, b) => a.ground.yMm - b.ground.yMm)[0];
  return before !== undefined && after !== undefined && after.ground.yMm - endOf(before) < HAND_MM
    ? { how: 'noHand', by: [before, after] }
    : null;
}

/** Of these, what keeps a hand from a place, nearest first: once those are away, the next two may still leave no room. */
export function barringAmong(
  place: Place,
  bodies: readonly Body[],
  may: (body: Body) => boolean,
): readonly NonNullable<ReturnType<typeof barredBy>>[] {
  const barred = barredBy(place, bodies);
  const by = barred?.by.filter(may) ?? [];
  if (barred === null || by.length === 0) return [];
  const others = bodies.filter((each) => !by.includes(each));
  return [{ how: barred.how, by }, ...barringAmong(place, others, may)];
}

const endOf = ({ ground }: Body): number => ground.yMm + ground.depthMm;

/**
 * Cards that stay, and have to come out for a while so that a hand gets to these places: none that could stay once the others
 * are out, whichever of them comes out first.
 */
export function outForHands(places: readonly Place[], bodies: readonly Body[]): readonly string[] {
  const left = (out: ReadonlySet<string>) => bodies.filter(({ slotId }) => !out.has(slotId));
  const out = new Set<string>();
  // What lies over a place has to go; of two that leave no room between them one is enough.
  for (const how of ['covered', 'noHand'] as const)
    for (const place of places)
      for (let more = goneFor(place, left(out), how); more.length > 0;) {
        for (const slotId of more) out.add(slotId);
        more = goneFor(place, left(out), how);
      }
  for (const slotId of [...out]) {
    const others = new Set([...out].filter((each) => each !== slotId));
    const isFree = (place: Place) =>
      goneFor(place, left(others), 'covered').length === 0 &&
      goneFor(place, left(others), 'noHand').length === 0;
    if (places.every(isFree)) out.delete(slotId);
  }
  return [...out];
}

/** Of these cards those that bar a place in this way, as far as they stay; a new one is simply not in yet. */
function goneFor(
  place: Place,
  bodies: readonly Body[],
  how: 'covered' | 'noHand',
): readonly string[] {
  const barred = barredBy(place, bodies);
  if (barred?.how !== how) return [];
  const staying = barred.by.filter(({ stays }) => stays).map(({ slotId }) => slotId);
  if (how === 'covered') return staying;
  return staying.length === barred.by.length ? staying.slice(-1) : [];
}
