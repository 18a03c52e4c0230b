/** Covers over openings, and things that stand where cards go. */
import type { Assembly } from '../../assembly/assembly.ts';
import { coversFor, type CoverFor, type CoverFrom } from '../../assembly/covers.ts';
import { openingsOfCard, type Opening } from '../../assembly/openings.ts';
import { onId, type ActOn } from '../../document/act.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Job } from '../../document/job.ts';
import type { Machine, Obstacle } from '../../document/machine.ts';
import { step } from '../step.ts';
import { type Act, act, coverOf, move, openingId, screwOf, thing } from './act.ts';
import type { BenchState } from '../../assembly/benchState.ts';
import { barredBy, bodiesIn } from './reach.ts';
import { holdIn, movedFor, nameOf, openingOn, openingsOfOccupant, roomOf } from './slots.ts';

/** Covers that come off, and those that go over what is left open; as far as it is still to be done. */
export function covers(job: Job, assembly: Assembly, state: BenchState): readonly Act[] {
  const { machine, toOpen } = assembly;
  const fitted = coversFor(assembly);
  const isOff = (each: Opening) => state.holds('removeCover', onOf(each));
  const isOn = (each: Opening) => state.holds('closeOpening', onOf(each));
  const filled = filledAtEnd(assembly);
  // What was closed after its card went, and through which another card comes now.
  const closedAgain = filled.filter(
    (each) => isOn(each) && !toOpen.some((other) => isSame(each, other)),
  );
  // What came off for a plan that has changed since, and nothing fills any more.
  const loose = state
    .standing('removeCover')
    .flatMap(({ opening: number, box }): readonly Opening[] => {
      const enclosureId = box ?? null;
      const each = { number: number ?? 0, enclosureId, slotId: '' };
      return [...toOpen, ...filled].some((other) => isSame(each, other)) ? [] : [each];
    });
  const off = [...toOpen, ...closedAgain].filter((each) => !isOff(each));
  const toCover = [
    ...fitted.filter(({ opening }) => !isOn(opening)),
    ...loose.map((opening): CoverFor => ({ opening, from: 'removed', of: null })),
  ];
  const closing =
    state.standing('removeCover').length + state.standing('closeOpening').length === 0
      ? toCover
      : fromWhatLiesThere(toCover, off, job, state);
  const reused = new Set(
    [...fitted, ...closing].flatMap(({ of }) => (of === null ? [] : onId(onOf(of)))),
  );
  return [
    ...off.map((each) => uncovering(each, assembly, reused.has(onId(onOf(each))))),
    ...closing.map(({ opening, from, of }) => covering(opening, machine, from, of)),
  ];
}

/**
 * Once covers are off nobody knows which is which: what lies there closes what is left, then what comes off yet, then what is
 * spare.
 * @param off openings whose cover comes off yet
 */
function fromWhatLiesThere(
  closing: readonly CoverFor[],
  off: readonly Opening[],
  { machine }: Job,
  state: BenchState,
): readonly CoverFor[] {
  const surveyed = new Set(
    machine.slots.flatMap((slot) =>
      openingsOfOccupant(slot).map((number) => onId(openingOn(slot.enclosureId, number))),
    ),
  );
  const left = new Map<string | null, { lies: number; comes: Opening[]; spare: number }>();
  const inRoom = (id: string | null) => {
    const room = roomOf(id, machine).case;
    const own = (all: readonly ActOn[], hadCover: boolean) =>
      all.filter((on) => (on.box ?? null) === id && surveyed.has(onId(on)) !== hadCover).length;
    const isKept = valueOf(room.covers) !== 'snapped';
    const came = isKept ? own(state.standing('removeCover'), true) : 0;
    const went = own(state.standing('closeOpening'), false);
    return {
      lies: Math.max(0, came - went),
      comes: isKept ? off.filter(({ enclosureId }) => enclosureId === id) : [],
      spare: Math.max(0, (valueOf(room.spareCovers) ?? 0) - Math.max(0, went - came)),
    };
  };
  return closing.map(({ opening }): CoverFor => {
    const { enclosureId } = opening;
    const there = left.get(enclosureId) ?? inRoom(enclosureId);
    left.set(enclosureId, there);
    if (there.lies > 0) {
      there.lies -= 1;
      return { opening, from: 'removed', of: null };
    }
    const of = there.comes.shift();
    if (of !== undefined) return { opening, from: 'removed', of };
    const from = there.spare > 0 ? 'spare' : 'ordered';
    there.spare -= 1;
    return { opening, from, of: null };
  });
}

const onOf = ({ enclosureId, number }: Opening) => openingOn(enclosureId, number);
const isSame = (a: Opening, b: Opening): boolean =>
  a.number === b.number && a.enclosureId === b.enclosureId;

/** What cards and plates of the plan fill once all are in. */
const filledAtEnd = ({ cards, plates }: Assembly): readonly Opening[] => [
  ...cards
    .filter(({ card, later }) => !later && card.bus !== 'm2')
    .flatMap((each) => openingsOfCard(each)),
  ...plates,
];

/** @param isReused it closes another opening */
export function uncovering(
  { number, enclosureId, slotId }: Opening,
  { machine, earlier }: Assembly,
  isReused: boolean,
): Act {
  // What was put over it in the round before is held like a bracket.
  const isNew = earlier.closed.some(
    (each) => each.number === number && each.enclosureId === enclosureId,
  );
  const hold = holdIn(enclosureId, machine);
  const kind = isNew && hold !== 'bar' ? hold : valueOf(roomOf(enclosureId, machine).case.covers);
  return act(
    step(
      'removeCover',
      { opening: number, covers: kind ?? '', enclosure: nameOf(enclosureId, machine) },
      {
        ...(slotId === '' ? {} : { slotId }),
        on: openingOn(enclosureId, number),
        cautions: kind === 'snapped' ? ['sharpCover'] : [],
      },
    ),
    {
      housing: enclosureId,
      tool: kind === 'clipped' ? null : kind === 'snapped' ? 'flatTool' : 'screwdriver',
      openings: [number],
      forSlots: slotId === '' ? [] : [slotId],
      moves: [
        ...(kind === 'screwed' && hold === 'screwed'
          ? [move(screwOf(enclosureId, number), 'tray')]
          : []),
        move(
          coverOf(enclosureId, number),
          isReused ? 'tray' : kind === 'snapped' ? 'thrownAway' : 'kept',
        ),
      ],
    },
  );
}

/** @param of the opening that it was taken from */
export function covering(
  { number, enclosureId, slotId }: Opening,
  machine: Machine,
  from: CoverFrom,
  of: Opening | null,
): Act {
  const isScrewed = holdIn(enclosureId, machine) === 'screwed';
  return act(
    step(
      'closeOpening',
      {
        opening: number,
        covers: valueOf(roomOf(enclosureId, machine).case.covers) ?? '',
        enclosure: nameOf(enclosureId, machine),
        with: from,
        of: of?.number ?? null,
      },
      { ...(slotId === '' ? {} : { slotId }), on: openingOn(enclosureId, number) },
    ),
    {
      housing: enclosureId,
      tool: isScrewed ? 'screwdriver' : null,
      openings: [number],
      moves: [
        move(
          of !== null
            ? coverOf(enclosureId, of.number)
            : from === 'removed'
              ? coverOf(enclosureId, number)
              : thing('cover', `new/${openingId(enclosureId, number)}`, String(number)),
          'inPlace',
        ),
        ...(isScrewed ? [move(screwOf(enclosureId, number), 'inPlace')] : []),
      ],
    },
  );
}

/** What stands where cards go: moved aside, and its plug put in again by a way that is free. */
export function obstacles(assembly: Assembly, state: BenchState): readonly Act[] {
  const { machine } = assembly;
  const bodies = bodiesIn(assembly);
  const cards = assembly.cards.filter(({ later }) => !later);
  return machine.obstacles.flatMap((obstacle): readonly Act[] => {
    const over = cards.filter((each) =>
      movedFor(each, machine).some(({ id }) => id === obstacle.id),
    );
    const last = state.last('obstacle', { obstacle: obstacle.id });
    const forSlots = over.map(({ slot }) => slot.id);
    const isLedRound = obstacle.plugAt !== undefined && barredBy(obstacle.plugAt, bodies) !== null;
    // Led round it is in nobody's way any more.
    const isAside = last === 'moveObstacle' || last === 'leadPlugRound';
    const goes = !isAside && over.some(({ isIn }) => !isIn);
    return [
      ...(goes ? [movingAside(obstacle, forSlots)] : []),
      ...(obstacle.plugAt !== undefined && (goes || last === 'moveObstacle')
        ? [restoring(isLedRound ? 'leadPlugRound' : 'restorePlug', obstacle, forSlots)]
        : []),
    ];
  });
}

const keyOfObstacle = (id: string, [slotId]: readonly string[]) => ({
  on: { obstacle: id },
  ...(slotId === undefined ? {} : { slotId }),
});

export const movingAside = (
  { id, name, moving, plugAt }: Obstacle,
  forSlots: readonly string[],
): Act =>
  act(step('moveObstacle', { name, how: moving }, keyOfObstacle(id, forSlots)), {
    forSlots,
    point: plugAt ?? null,
    moves: plugAt === undefined ? [] : [move(thing('plug', id, name), 'tray')],
  });

export const restoring = (
  code: 'restorePlug' | 'leadPlugRound',
  { id, name, plugAt }: Obstacle,
  forSlots: readonly string[],
): Act =>
  act(step(code, { name }, keyOfObstacle(id, forSlots)), {
    forSlots,
    point: plugAt ?? null,
    moves: [move(thing('plug', id, name), 'inPlace')],
  });
