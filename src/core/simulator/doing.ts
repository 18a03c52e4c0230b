/** What each act does in the world, and when it is refused. */
import type { StepCode } from '../procedure/step.ts';
import { valueOf } from '../parts/fact.ts';
import { goIn, goOut, held, onBench, onCard, reaches } from './bodies.ts';
import {
  atBrackets,
  caseOf,
  done,
  inside,
  lacksPart,
  marked,
  no,
  slotOf,
  withIn,
  withOut,
  type Doing,
  type FitStep,
  type Outcome,
} from './outcome.ts';
import { NEW, caseId, casesOf, patchOf, type Filling, type World } from './world.ts';

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

/** The plug of what was moved aside goes in again, where it was or by another way. */
function pluggedAgain(world: World, step: FitStep, isWhereItWas: boolean): Outcome {
  if (step.code !== 'restorePlug' && step.code !== 'leadPlugRound') return no('nothingThere');
  const obstacle = obstacleNamed(world, step.values.name);
  if (obstacle?.plugAt === undefined || !world.unplugged.has(obstacle.id)) return no('notIn');
  const barred = reaches(world, obstacle.plugAt);
  if (barred !== null) return no(barred);
  return done({
    ...world,
    unplugged: withOut(world.unplugged, obstacle.id),
    inPlace: isWhereItWas ? withIn(world.inPlace, obstacle.id) : world.inPlace,
  });
}

export const DOING: { readonly [Code in StepCode]?: Doing } = {
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
  restorePlug: inside((world, step) => pluggedAgain(world, step, true)),
  // It no longer stands where it stood.
  leadPlugRound: inside((world, step) => pluggedAgain(world, step, false)),
  removeFrontCover: inside((world, { on }) => marked(world, `front ${on.extra}`)),
  putIn: inside((world, step) => {
    if (step.code !== 'putIn') return no('nothingThere');
    const front = `front ${step.on.extra}`;
    return step.values.kind === 'bay' && !world.done.has(front)
      ? no('covered')
      : marked(world, `part ${step.on.extra}`);
  }),
  swapBracket: onBench('bracket'),
  joinLead: inside(onBench(null)),
  joinFront: inside(onBench(null)),
  joinRibbon: onBench(null),
  joinJack: onBench(null),
  joinOwnFirst: inside(onBench(null)),
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
    if (lacksPart(world, 'board')) return no('notIn');
    if (!isCovered && !world.standing.has(step.slotId ?? '')) return no('notIn');
    const places = (valueOf(world.machine.headers) ?? []).filter(
      ({ type, place }) => type === header && place !== undefined,
    );
    if (slot?.enclosureId !== null || places.length === 0) return done(world);
    const barred = places.map(({ place }) => reaches(world, place!));
    return barred.includes(null) ? done(world) : no(barred[0] ?? 'covered');
  }),
  joinOwnEnd: inside(ifStanding),
  joinBoardPort: inside(ifStanding),
  fitOnBoard: (world, step) => {
    if (world.hasMains || step.code !== 'fitOnBoard') return no('power');
    const { part } = step.values;
    if (part === 'cooler' && lacksPart(world, 'processor')) return no('notIn');
    return part === 'processor' && world.done.has('part cooler')
      ? no('covered')
      : marked(world, `part ${part}`);
  },
  fitInCase: inside((world, step) => {
    if (step.code !== 'fitInCase') return no('nothingThere');
    const { part } = step.values;
    const below = { board: 'posts', cooler: 'processor', supply: null } as const;
    const first = part in below ? below[part as keyof typeof below] : null;
    return first !== null && lacksPart(world, first) ? no('notIn') : marked(world, `part ${part}`);
  }),
  // A drive's jumper cannot be seen any more once its ribbon is on.
  setDrive: (world, { on }) =>
    world.done.has(`end ${on.lead} ${on.socket}`)
      ? no('covered')
      : marked(world, `set ${on.lead} ${on.socket}`),
  joinEnd: inside((world, step) => {
    if (step.code !== 'joinEnd') return no('nothingThere');
    const { lead, end } = step.values;
    const isOfSupply = lead.includes('power') || end === 'supplyPlug';
    if (end === 'board' && lacksPart(world, 'board')) return no('notIn');
    if (isOfSupply && lacksPart(world, 'supply')) return no('notIn');
    const { lead: id, socket } = step.on;
    const isRibbon = lead.startsWith('ribbon') && end !== 'board';
    if (isRibbon && !world.done.has(`set ${id} ${socket}`)) return no('notIn');
    return marked(world, `end ${id} ${socket}`);
  }),
  exchangePlugs: inside((world, { on }) => marked(world, `exchanged ${on.slot} ${on.socket}`)),
  plug: inside((world, step) => {
    if (!world.standing.has(step.slotId ?? '') || lacksPart(world, 'supply')) return no('notIn');
    const socket = `${step.on.slot} ${step.on.socket}`;
    const waits = world.exchanged.has(socket) && !world.done.has(`exchanged ${socket}`);
    if (waits) return no('plugInUse');
    const body = world.standing.get(step.slotId ?? '')!;
    const joined = { ...body, isJoined: true };
    return done({
      ...world,
      standing: new Map([...world.standing, [step.slotId ?? '', joined]]),
    });
  }),
  mountDrives: inside((world, step) => {
    const id = caseOf(world, step);
    const room = casesOf(world.machine).find((each) => caseId(each.id) === id)?.room;
    const opensBoth = valueOf(room?.opensBothSides ?? null) === true;
    if (opensBoth && !world.off.has(`far ${id}`)) return no('closed');
    return drivesMarked(world, 'mounted', step);
  }),
  joinDrives: inside((world, step) => {
    if (step.slotId !== null && !world.standing.has(step.slotId)) return no('notIn');
    if (step.slotId === null && lacksPart(world, 'board')) return no('notIn');
    return areMounted(world, 'joined', step) ? drivesMarked(world, 'joined', step) : no('notIn');
  }),
  joinDriveEnds: inside((world, step) =>
    areMounted(world, 'ends', step) ? drivesMarked(world, 'ends', step) : no('notIn'),
  ),
  feedDrives: inside((world, step) =>
    areMounted(world, 'fed', step) && !lacksPart(world, 'supply')
      ? drivesMarked(world, 'fed', step)
      : no('notIn'),
  ),
  leadsBack: (world) => done({ ...world, isTethered: true }),
  moveScreenLead: behind,
  joinLoop: behind,
  joinAerials: behind,
  joinRear: behind,
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
  checkEnclosures: (world) => (world.isRunning ? done(world) : no('notRunning')),
};

/** A lead goes into a card that is in. */
function ifStanding(world: World, { slotId }: FitStep): Outcome {
  return world.standing.has(slotId ?? '') ? done(world) : no('notIn');
}

type DriveMark = 'mounted' | 'joined' | 'ends' | 'fed';

/** Drives of one need; joined they are by the card that they hang on, or the board. */
const drives = (mark: DriveMark, { on, round }: FitStep): string =>
  mark === 'joined'
    ? `joined ${on.slot ?? ''} ${on.need}`
    : `${mark} in ${on.box ?? ''} ${on.need} ${on.number ?? 1} ${round}`;

/** Those of one need in one case. */
const counter = (world: World, mark: DriveMark, step: FitStep): string =>
  `${mark} ${step.on.need} in ${caseOf(world, step)}`;

/** Whoever is told so takes out first what hangs on another port. */
const hangsElsewhere = (step: FitStep): boolean =>
  step.code === 'joinDrives' && step.values.hangElsewhere;

/** As many are in their bays as this is done to, beside those that it was done to before. */
function areMounted(world: World, mark: DriveMark, step: FitStep): boolean {
  const count = (of: DriveMark) => world.drives.get(counter(world, of, step)) ?? 0;
  const before = hangsElsewhere(step) ? 0 : count(mark);
  return count('mounted') >= before + ('count' in step.values ? step.values.count : 0);
}

/** Drives of a need are counted, on whichever cards they hang; nothing is counted twice. */
function drivesMarked(world: World, mark: DriveMark, step: FitStep): Outcome {
  const name = drives(mark, step);
  if (world.done.has(name) || !('count' in step.values)) return done(world);
  const all = counter(world, mark, step);
  const most = world.drives.get(counter(world, 'mounted', step)) ?? 0;
  const more = (world.drives.get(all) ?? 0) + step.values.count;
  const count = hangsElsewhere(step) ? Math.min(most, more) : more;
  return done({
    ...world,
    done: withIn(world.done, name),
    drives: new Map([...world.drives, [all, count]]),
  });
}
