/** Does an act in the world, or refuses it with the reason. */
import type { Step, StepCode } from '../procedure/step.ts';
import { valueOf } from '../parts/fact.ts';
import { withoutRound } from '../parts/job.ts';
import type { Slot } from '../parts/machine.ts';
import {
  HAND_MM,
  SOCKET_DEPTH_MM,
  UNDER_CARD_ROOM_MM,
  UNDER_MODULE_ROOM_MM,
} from '../standards/cardForm.ts';
import {
  NEW,
  caseId,
  casesOf,
  meet,
  obstaclePatch,
  openingIn,
  patchOf,
  type Body,
  type Filling,
  type World,
} from './world.ts';

export type Refusal =
  | 'power'
  | 'charged'
  | 'tethered'
  | 'closed'
  | 'bar'
  | 'plugged'
  | 'occupied'
  | 'covered'
  | 'capped'
  | 'inTheWay'
  | 'noHand'
  | 'alreadyIn'
  | 'notIn'
  | 'wrongBracket'
  | 'plugInUse'
  | 'noCover'
  | 'gap'
  | 'open'
  | 'notRunning'
  /** Nothing of the kind is there. */
  | 'nothingThere';

export type Outcome =
  | { readonly done: true; readonly world: World }
  | { readonly done: false; readonly because: Refusal };

type FitStep = Step & { readonly task: NonNullable<Step['task']> };

/** @param step of the physical work; every other step leaves the world as it is */
export function act(world: World, step: Step): Outcome {
  if (step.task === null) return done(world);
  const doing = DOING[step.code] as ((world: World, step: FitStep) => Outcome) | undefined;
  return doing === undefined ? done(world) : doing(world, step as FitStep);
}

/** The first act of a list that is refused; null: all of them can be done. @returns the world after them too */
export function run(
  world: World,
  steps: readonly Step[],
): {
  readonly world: World;
  readonly refused: { readonly step: Step; readonly because: Refusal } | null;
} {
  let now = world;
  for (const step of steps) {
    const outcome = act(now, step);
    if (!outcome.done) return { world: now, refused: { step, because: outcome.because } };
    now = outcome.world;
  }
  return { world: now, refused: null };
}

/** What is not as it has to be once the work is done; empty: nothing. */
export function leftUndone(world: World): readonly string[] {
  return [
    ...[...world.off].map((each) => `${each} is off`),
    ...[...world.openings].flatMap(([id, filling]) =>
      filling === 'open' ? `opening ${id} is open` : [],
    ),
    ...[...world.standing.values()].flatMap(({ name, isHeld }) =>
      isHeld ? [] : `${name} is not held`,
    ),
    ...[...world.out.values()].flatMap(({ id, name }) =>
      world.done.has(`gone:${id}`) ? [] : `${name} is out`,
    ),
    ...[...world.unplugged].map((id) => `${id} is not plugged in`),
    ...(world.isTethered ? [] : ['leads behind are off']),
    ...(world.isRunning ? [] : ['it does not run']),
  ];
}

const done = (world: World): Outcome => ({ done: true, world });
const no = (because: Refusal): Outcome => ({ done: false, because });

type Doing = (world: World, step: FitStep) => Outcome;

/** In an open case, its power off and its supply empty. */
const inside =
  (doing: Doing): Doing =>
  (world, step) => {
    if (world.hasMains) return no('power');
    if (world.isCharged) return no('charged');
    return world.off.has(`panel ${caseOf(world, step)}`) ? doing(world, step) : no('closed');
  };

/** Where brackets are held by a bar nothing is done to them while it is on. */
const atBrackets = (doing: Doing): Doing =>
  inside((world, step) => {
    const id = caseOf(world, step);
    const room = casesOf(world.machine).find((each) => caseId(each.id) === id)?.room;
    const isBarred = valueOf(room?.retentionBar ?? null) === true && !world.off.has(`bar ${id}`);
    return isBarred ? no('bar') : doing(world, step);
  });

const slotOf = ({ machine }: World, slotId: string | null): Slot | undefined =>
  machine.slots.find(({ id }) => id === slotId);

/** The case an act is done in: that of its slot, or the one it names. */
function caseOf(world: World, { slotId, values, code }: FitStep): string {
  const named = 'enclosure' in values ? values.enclosure : '';
  const box = world.machine.enclosures.find(({ name }) => name === named);
  if (BAY_WORK.includes(code)) return '';
  return box?.id ?? caseId(slotOf(world, slotId)?.enclosureId ?? null);
}
/** Bays are in the machine's own case, wherever the card is. */
const BAY_WORK: readonly StepCode[] = ['mountDrives', 'joinDrives', 'feedDrives'];

const withOut = <Each>(set: ReadonlySet<Each>, each: Each): ReadonlySet<Each> =>
  new Set([...set].filter((other) => other !== each));
const withIn = <Each>(set: ReadonlySet<Each>, each: Each): ReadonlySet<Each> =>
  new Set([...set, each]);

const marked = (world: World, mark: string): Outcome =>
  done({ ...world, done: withIn(world.done, mark) });

const panel =
  (which: 'panel' | 'far', opens: boolean): Doing =>
  (world, step) => {
    if (world.hasMains) return no('power');
    if (world.isCharged) return no('charged');
    if (world.isTethered) return no('tethered');
    const id = `${which} ${caseOf(world, step)}`;
    if (world.off.has(id) === opens) return no('nothingThere');
    return done({ ...world, off: opens ? withIn(world.off, id) : withOut(world.off, id) });
  };

/** Whether a hand gets to a place on the board of the own case. */
function reaches(world: World, at: { readonly xMm: number; readonly yMm: number }): Refusal | null {
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
function goIn(world: World, bodyId: string, slot: Slot): Outcome {
  const body = world.out.get(bodyId);
  if (body === undefined) return no('nothingThere');
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
const goOut = (mark: 'gone' | null): Doing =>
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
const onCard = (change: (body: Body, step: FitStep) => Body | Refusal): Doing =>
  inside((world, step) => {
    const body = world.standing.get(step.slotId ?? '');
    if (body === undefined) return no('notIn');
    const changed = change(body, step);
    return typeof changed === 'string'
      ? no(changed)
      : done({ ...world, standing: new Map([...world.standing, [step.slotId ?? '', changed]]) });
  });

/** On the bench: the card is not in yet. */
const onBench =
  (mark: string | null): Doing =>
  (world, { slotId }) => {
    const body = world.out.get(NEW + (slotId ?? ''));
    if (body === undefined) return no('alreadyIn');
    const changed = mark === 'bracket' ? { ...body, hasWrongBracket: false } : body;
    return done({ ...world, out: new Map([...world.out, [body.id, changed]]) });
  };

const opening =
  (from: Filling, to: Filling): Doing =>
  (world, step) => {
    const number = 'opening' in step.values ? step.values.opening : 0;
    const id = `${caseOf(world, step)}#${number}`;
    if (world.openings.get(id) !== from)
      return no(world.openings.get(id) === 'bracket' ? 'occupied' : 'nothingThere');
    return done({ ...world, openings: new Map([...world.openings, [id, to]]) });
  };

/** Behind the machine, where a lead goes into a card that is in. */
const behind: Doing = (world, { slotId }) =>
  slotId !== null && !world.standing.has(slotId) ? no('notIn') : done(world);

const obstacleNamed = ({ machine }: World, name: string) =>
  machine.obstacles.find((each) => each.name === name);

const DOING: { readonly [Code in StepCode]?: Doing } = {
  powerOff: (world) => done({ ...world, hasMains: false, isRunning: false }),
  leadsOff: (world) => (world.isRunning ? no('power') : done({ ...world, isTethered: false })),
  // With mains on the button starts the machine.
  discharge: (world) => (world.hasMains ? no('power') : done({ ...world, isCharged: false })),
  openCase: panel('panel', true),
  openFarSide: panel('far', true),
  closeFarSide: panel('far', false),
  closeCase: panel('panel', false),
  // Bare metal of the case is earth once its supply is empty.
  earth: (world) => (world.hasMains ? no('power') : world.isCharged ? no('charged') : done(world)),
  photoInside: inside(done),
  dustOut: inside(done),
  lookOver: inside(done),
  removeBar: inside((world, step) =>
    done({ ...world, off: withIn(world.off, `bar ${caseOf(world, step)}`) }),
  ),
  refitBar: inside((world, step) => {
    const id = caseOf(world, step);
    const gaps = [...world.openings].some(
      ([each, filling]) => each.startsWith(`${id}#`) && filling === 'open',
    );
    if (gaps) return no('gap');
    const standing = new Map(
      [...world.standing].map(([slotId, body]) => [
        slotId,
        caseId(slotOf(world, slotId)?.enclosureId ?? null) === id && !body.isModule
          ? { ...body, isHeld: true }
          : body,
      ]),
    );
    return done({ ...world, standing, off: withOut(world.off, `bar ${id}`) });
  }),
  freeCard: onCard((body) => (body.isJoined ? { ...body, isJoined: false } : 'nothingThere')),
  plugBack: onCard((body) => ({ ...body, isJoined: true })),
  takeOut: goOut('gone'),
  takeOutFirst: goOut(null),
  takeToMove: goOut(null),
  putBack: atBrackets((world, step) => {
    const slot = slotOf(world, step.slotId);
    if (slot === undefined) return no('nothingThere');
    const body = [...world.out.values()].find(({ cameFrom }) => cameFrom === slot.id);
    return body === undefined ? no('nothingThere') : held(goIn(world, body.id, slot), step);
  }),
  moveCard: atBrackets((world, step) => {
    const slot = slotOf(world, step.slotId);
    const from =
      'from' in step.values
        ? world.machine.slots.find(
            ({ label }) => label === (step.values as { readonly from: string }).from,
          )
        : undefined;
    if (slot === undefined || from === undefined) return no('nothingThere');
    return held(goIn(world, from.id, slot), step);
  }),
  removeCover: atBrackets((world, step) => {
    const outcome = opening('cover', 'open')(world, step);
    const number = 'opening' in step.values ? step.values.opening : 0;
    return outcome.done
      ? done({
          ...outcome.world,
          looseCovers: withIn(world.looseCovers, `${caseOf(world, step)}#${number}`),
        })
      : outcome;
  }),
  closeOpening: atBrackets((world, step) => {
    if (step.code !== 'closeOpening') return no('nothingThere');
    const { of, with: from } = step.values;
    const id = caseOf(world, step);
    const loose = [...world.looseCovers].find((each) => each.startsWith(`${id}#`)) ?? null;
    const cover = of !== null ? `${id}#${of}` : from === 'removed' ? loose : null;
    if (from === 'removed' && (cover === null || !world.looseCovers.has(cover)))
      return no('noCover');
    const outcome = opening('open', 'cover')(world, step);
    return outcome.done && cover !== null
      ? done({ ...outcome.world, looseCovers: withOut(world.looseCovers, cover) })
      : outcome;
  }),
  fitPlate: atBrackets((world, step) =>
    world.standing.has(step.slotId ?? '') ? opening('open', 'plate')(world, step) : no('notIn'),
  ),
  clearSlot: inside((world, step) =>
    world.standing.has(step.slotId ?? '')
      ? no('occupied')
      : done({ ...world, caps: withOut(world.caps, step.slotId ?? '') }),
  ),
  moveObstacle: inside((world, step) => {
    const obstacle =
      'name' in step.values ? obstacleNamed(world, String(step.values.name)) : undefined;
    if (obstacle === undefined || !world.inPlace.has(obstacle.id)) return no('nothingThere');
    const barred = obstacle.plugAt === undefined ? null : reaches(world, obstacle.plugAt);
    if (barred !== null) return no(barred);
    return done({
      ...world,
      inPlace: withOut(world.inPlace, obstacle.id),
      unplugged:
        obstacle.plugAt === undefined ? world.unplugged : withIn(world.unplugged, obstacle.id),
    });
  }),
  restorePlug: inside((world, step) => {
    if (step.code !== 'restorePlug') return no('nothingThere');
    const obstacle = obstacleNamed(world, step.values.name);
    if (obstacle?.plugAt === undefined || !world.unplugged.has(obstacle.id)) return no('notIn');
    const barred = reaches(world, obstacle.plugAt);
    if (barred !== null) return no(barred);
    const { isLedRound } = step.values;
    return done({
      ...world,
      unplugged: withOut(world.unplugged, obstacle.id),
      // Led round it no longer stands where it stood.
      inPlace: isLedRound ? world.inPlace : withIn(world.inPlace, obstacle.id),
    });
  }),
  removeFrontCover: inside((world, step) => marked(world, step.id)),
  putIn: inside((world, step) => {
    if (step.code !== 'putIn') return no('nothingThere');
    const front = step.id.replace('putIn', 'removeFrontCover');
    return step.values.kind === 'bay' && !world.done.has(front)
      ? no('covered')
      : marked(world, `part:${step.id}`);
  }),
  swapBracket: onBench('bracket'),
  joinLead: inside(onBench(null)),
  joinFront: inside(onBench(null)),
  joinRibbon: onBench(null),
  setJumper: onBench(null),
  fitModules: onBench(null),
  seat: atBrackets((world, step) => {
    const slot = slotOf(world, step.slotId);
    return slot === undefined ? no('nothingThere') : goIn(world, NEW + slot.id, slot);
  }),
  screw: atBrackets((world, step) => {
    const slot = slotOf(world, step.slotId);
    const body = world.standing.get(slot?.id ?? '');
    if (slot === undefined || body === undefined) return no('notIn');
    const patch = body.isModule ? patchOf(body, slot, world.machine) : null;
    const barred =
      patch && reaches(world, { xMm: patch.right, yMm: (patch.top + patch.bottom) / 2 });
    if (barred !== null) return no(barred);
    return done({
      ...world,
      standing: new Map([...world.standing, [slot.id, { ...body, isHeld: true }]]),
    });
  }),
  support: onCard((body) => body),
  joinHeader: inside((world, step) => {
    if (step.code !== 'joinHeader') return no('nothingThere');
    const slot = slotOf(world, step.slotId);
    const { isCovered, header } = step.values;
    if (!isCovered && !world.standing.has(step.slotId ?? '')) return no('notIn');
    const places = (valueOf(world.machine.headers) ?? []).filter(
      ({ type, place }) => type === header && place !== undefined,
    );
    if (slot?.enclosureId !== null || places.length === 0) return done(world);
    const barred = places.map(({ place }) => reaches(world, place!));
    return barred.includes(null) ? done(world) : no(barred[0] ?? 'covered');
  }),
  exchangePlugs: inside((world, step) => marked(world, withoutRound(step.id))),
  plug: inside((world, step) => {
    if (!world.standing.has(step.slotId ?? '')) return no('notIn');
    const socket = withoutRound(step.id).slice('plug:'.length);
    const waits = world.exchanged.has(socket) && !world.done.has(`exchangePlugs:${socket}`);
    if (waits) return no('plugInUse');
    const body = world.standing.get(step.slotId ?? '')!;
    const joined = { ...body, isJoined: true };
    return done({
      ...world,
      standing: new Map([...world.standing, [step.slotId ?? '', joined]]),
    });
  }),
  mountDrives: inside((world, step) => {
    const opensBoth = valueOf(world.machine.case.opensBothSides) !== false;
    if (opensBoth && !world.off.has('far ')) return no('closed');
    return marked(world, step.id.replace('mountDrives', 'mounted'));
  }),
  joinDrives: inside((world, step) => {
    if (!world.standing.has(step.slotId ?? '')) return no('notIn');
    return world.done.has(step.id.replace('joinDrives', 'mounted')) ? done(world) : no('notIn');
  }),
  feedDrives: inside((world, step) =>
    world.done.has(step.id.replace('feedDrives', 'mounted')) ? done(world) : no('notIn'),
  ),
  leadsBack: (world) => done({ ...world, isTethered: true }),
  moveScreenLead: behind,
  joinLoop: behind,
  joinAerials: behind,
  joinEnclosures: (world) => done(world),
  // Nobody works in an open case with power on.
  start: (world) =>
    world.off.size > 0
      ? no('open')
      : done({ ...world, hasMains: true, isCharged: true, isRunning: true }),
  // A trial on another machine, and nothing else, is started open.
  tryStart: (world) =>
    world.isTethered
      ? done({ ...world, hasMains: true, isCharged: true, isRunning: true })
      : no('nothingThere'),
  tryFirmware: (world) => (world.isRunning ? done(world) : no('notRunning')),
  trySystem: (world) => (world.isRunning ? done(world) : no('notRunning')),
  tryOut: goOut('gone'),
  countDrives: (world) => (world.isRunning ? done(world) : no('notRunning')),
};

/** What goes back is screwed down at once, where nothing else holds it. */
function held(outcome: Outcome, { slotId }: FitStep): Outcome {
  if (!outcome.done) return outcome;
  const body = outcome.world.standing.get(slotId ?? '');
  return body === undefined
    ? outcome
    : done({
        ...outcome.world,
        standing: new Map([...outcome.world.standing, [slotId ?? '', { ...body, isHeld: true }]]),
      });
}
