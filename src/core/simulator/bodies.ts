/** Cards that go in and come out, and what a hand reaches between them. */
import { valueOf } from '../parts/fact.ts';
import type { Slot } from '../document/machine.ts';
import {
  HAND_MM,
  SOCKET_DEPTH_MM,
  UNDER_CARD_ROOM_MM,
  UNDER_MODULE_ROOM_MM,
} from '../standards/cardForm.ts';
import { NEW, meet, obstaclePatch, openingIn, patchOf, type Body, type World } from './world.ts';
import {
  atBrackets,
  done,
  lacksPart,
  inside,
  no,
  slotOf,
  withIn,
  type Doing,
  type FitStep,
  type Outcome,
  type Refusal,
} from './outcome.ts';

/** Whether a hand gets to a place on the board of the own case. */
export function reaches(
  world: World,
  at: { readonly xMm: number; readonly yMm: number },
): Refusal | null {
  let above = -Infinity;
  let below = Infinity;
  for (const [slotId, body] of world.standing) {
    const slot = slotOf(world, slotId);
    const patch = slot === undefined || body.isModule ? null : patchOf(body, slot, world.machine);
    if (patch === null || at.xMm < patch.left || at.xMm > patch.right) continue;
    if (at.yMm > patch.top && at.yMm < patch.bottom) return 'covered';
    if (patch.bottom <= at.yMm) above = Math.max(above, patch.bottom);
    if (patch.top >= at.yMm) below = Math.min(below, patch.top);
  }
  return below - above < HAND_MM ? 'noHand' : null;
}

/** A card goes into a slot: nothing is in it, over it, before its openings, or in the hand's way. */
export function goIn(world: World, bodyId: string, slot: Slot): Outcome {
  const body = world.out.get(bodyId);
  if (body === undefined) return no('nothingThere');
  if (lacksPart(world, 'board')) return no('notIn');
  if (world.standing.has(slot.id)) return no('occupied');
  if (world.caps.has(slot.id)) return no('capped');
  if (body.hasWrongBracket) return no('wrongBracket');
  const first = valueOf(slot.opening);
  const own = body.isModule || first === null ? [] : span(first, body.openings);
  const filled = own.map((n) => world.openings.get(openingIn(slot.enclosureId, n)));
  if (filled.includes('bracket')) return no('occupied');
  if (filled.some((filling) => filling === 'cover' || filling === 'plate')) return no('covered');
  const patch = patchOf(body, slot, world.machine);
  // What it stood beside before does not bar it.
  if (patch !== null && body.cameFrom !== slot.id) {
    const roomMm = body.isModule ? UNDER_MODULE_ROOM_MM : UNDER_CARD_ROOM_MM;
    const barred = world.machine.obstacles.some(
      (obstacle) =>
        obstacle.movable &&
        world.inPlace.has(obstacle.id) &&
        obstacle.kind !== 'vent' &&
        obstacle.heightMm > roomMm &&
        meet(patch, obstaclePatch(obstacle)),
    );
    if (barred) return no('inTheWay');
  }
  if (body.isModule && patch !== null) {
    const barred = reaches(world, {
      xMm: patch.left + SOCKET_DEPTH_MM,
      yMm: (patch.top + patch.bottom) / 2,
    });
    if (barred !== null) return no(barred);
  }
  if (first !== null && !body.isModule) {
    const at = (n: number) => world.openings.get(openingIn(slot.enclosureId, n)) === 'bracket';
    if (at(first - 1) && at(first + body.openings)) return no('noHand');
  }
  const openings = new Map(world.openings);
  for (const n of own) openings.set(openingIn(slot.enclosureId, n), 'bracket');
  const out = new Map(world.out);
  out.delete(bodyId);
  return done({
    ...world,
    openings,
    out,
    standing: new Map([...world.standing, [slot.id, body]]),
  });
}

const span = (first: number, count: number): readonly number[] =>
  Array.from({ length: count }, (_, n) => first + n);

/** A card comes out, and leaves its openings open. */
export const goOut = (mark: 'gone' | null): Doing =>
  atBrackets((world, step) => {
    const slot = slotOf(world, step.slotId);
    const body = world.standing.get(slot?.id ?? '');
    if (slot === undefined || body === undefined) return no('nothingThere');
    if (body.isJoined) return no('plugged');
    if (body.isModule) {
      const patch = patchOf(body, slot, world.machine);
      const barred =
        patch &&
        reaches(world, { xMm: patch.left + SOCKET_DEPTH_MM, yMm: (patch.top + patch.bottom) / 2 });
      if (barred !== null) return no(barred);
    }
    const standing = new Map(world.standing);
    standing.delete(slot.id);
    const openings = new Map(world.openings);
    const first = valueOf(slot.opening);
    if (first !== null && !body.isModule)
      for (const n of span(first, body.openings))
        openings.set(openingIn(slot.enclosureId, n), 'open');
    return done({
      ...world,
      standing,
      openings,
      out: new Map([...world.out, [body.id, { ...body, isHeld: false, cameFrom: slot.id }]]),
      done: mark === null ? world.done : withIn(world.done, `${mark}:${body.id}`),
    });
  });

/** Changes the card that stands in the step's slot. */
export const onCard = (change: (body: Body, step: FitStep) => Body | Refusal): Doing =>
  inside((world, step) => {
    const body = world.standing.get(step.slotId ?? '');
    if (body === undefined) return no('notIn');
    const changed = change(body, step);
    return typeof changed === 'string'
      ? no(changed)
      : done({ ...world, standing: new Map([...world.standing, [step.slotId ?? '', changed]]) });
  });

/** On the bench: the card is not in yet. */
export const onBench =
  (mark: string | null): Doing =>
  (world, { slotId }) => {
    const body = world.out.get(NEW + (slotId ?? ''));
    if (body === undefined) return no('alreadyIn');
    const changed = mark === 'bracket' ? { ...body, hasWrongBracket: false } : body;
    return done({ ...world, out: new Map([...world.out, [body.id, changed]]) });
  };

/** What goes back is screwed down at once, where nothing else holds it. */
export function held(outcome: Outcome, { slotId }: FitStep): Outcome {
  if (!outcome.done) return outcome;
  const body = outcome.world.standing.get(slotId ?? '');
  return body === undefined
    ? outcome
    : done({
        ...outcome.world,
        standing: new Map([...outcome.world.standing, [slotId ?? '', { ...body, isHeld: true }]]),
      });
}
