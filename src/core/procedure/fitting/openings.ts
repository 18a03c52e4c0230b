/** Covers over openings, and things that stand where cards go. */
import type { Assembly } from '../../assembly/assembly.ts';
import { coversFor, type CoverFrom } from '../../assembly/covers.ts';
import { openingsOfCard, type Opening } from '../../assembly/openings.ts';
import { onId, type ActOn } from '../../parts/act.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Machine, Obstacle } from '../../parts/machine.ts';
import { step } from '../step.ts';
import { type Act, act, coverOf, move, openingId, screwOf, thing } from './act.ts';
import type { BenchState } from './benchState.ts';
import { barredBy, bodiesIn } from './reach.ts';
import { holdIn, movedFor, nameOf, openingOn, roomOf } from './slots.ts';

/** Covers that come off, and those that go over what is left open; as far as it is still to be done. */
export function covers(assembly: Assembly, state: BenchState): readonly Act[] {
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
  const off = new Set(fitted.flatMap(({ of }) => (of === null ? [] : onId(onOf(of)))));
  return [
    ...[...toOpen, ...closedAgain]
      .filter((each) => !isOff(each))
      .map((each) => uncovering(each, assembly, off.has(onId(onOf(each))))),
    ...fitted
      .filter(({ opening }) => !isOn(opening))
      .map(({ opening, from, of }) => covering(opening, machine, from, of)),
    ...loose.map((each, n) =>
      covering(each, machine, hasLoose(each, n, assembly, state) ? 'removed' : 'ordered', null),
    ),
  ];
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

/** Whether a cover that came off in this case lies there for an opening that is to be closed. @param n of those, from nought */
function hasLoose(
  { enclosureId }: Opening,
  n: number,
  assembly: Assembly,
  state: BenchState,
): boolean {
  if (valueOf(roomOf(enclosureId, assembly.machine).case.covers) === 'snapped') return false;
  const own = (all: readonly ActOn[]) =>
    all.filter(({ box }) => (box ?? null) === enclosureId).length;
  const wanted = coversFor(assembly).filter(
    ({ opening, from }) =>
      from === 'removed' &&
      opening.enclosureId === enclosureId &&
      !state.holds('closeOpening', onOf(opening)),
  ).length;
  return own(state.ever('removeCover')) - own(state.ever('closeOpening')) - wanted > n;
}

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
    const isAside = last === 'moveObstacle' || (last === 'restorePlug' && isLedRound);
    const goes = !isAside && over.some(({ isIn }) => !isIn);
    return [
      ...(goes ? [movingAside(obstacle, forSlots)] : []),
      ...(obstacle.plugAt !== undefined && (goes || last === 'moveObstacle')
        ? [restoring(obstacle, forSlots, isLedRound)]
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
  { id, name, plugAt }: Obstacle,
  forSlots: readonly string[],
  isLedRound: boolean,
): Act =>
  act(step('restorePlug', { name, isLedRound }, keyOfObstacle(id, forSlots)), {
    forSlots,
    point: plugAt ?? null,
    moves: [move(thing('plug', id, name), 'inPlace')],
  });
