/** Covers over openings, and things that stand where cards go. */
import type { Assembly } from '../../assembly/assembly.ts';
import { valueOf } from '../../parts/fact.ts';
import { actsOfKind } from '../../parts/act.ts';
import type { Job } from '../../parts/job.ts';
import { step } from '../step.ts';
import { type Act, act, coverOf, move, openingId, screwOf, thing } from './act.ts';
import { coversFor } from '../../assembly/covers.ts';
import { barredBy, bodiesIn } from './reach.ts';
import { holdIn, movedFor, nameOf, openingOn, roomOf } from './slots.ts';

/** Covers that come off, and those that go over what is left open. */
export function covers(job: Job, assembly: Assembly): readonly Act[] {
  const { machine, toOpen } = assembly;
  const reused = coversFor(assembly);
  const isBegun = actsOfKind(job, 'closeOpening').length > 0;
  return [
    ...toOpen.map(({ number, enclosureId, slotId }) => {
      // What was put over it in the round before is held like a bracket.
      const isNew = assembly.earlier.closed.some(
        (each) => each.number === number && each.enclosureId === enclosureId,
      );
      const hold = holdIn(enclosureId, machine);
      const kind =
        isNew && hold !== 'bar' ? hold : valueOf(roomOf(enclosureId, machine).case.covers);
      const isReused = reused.some(
        ({ of }) => of?.number === number && of.enclosureId === enclosureId,
      );
      return act(
        step(
          'removeCover',
          { opening: number, covers: kind ?? '', enclosure: nameOf(enclosureId, machine) },
          {
            slotId,
            on: openingOn(enclosureId, number),
            cautions: kind === 'snapped' ? ['sharpCover'] : [],
          },
        ),
        {
          housing: enclosureId,
          tool: kind === 'clipped' ? null : kind === 'snapped' ? 'flatTool' : 'screwdriver',
          openings: [number],
          forSlots: [slotId],
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
    }),
    ...reused.map(({ opening: { number, enclosureId, slotId }, from, of }) =>
      act(
        step(
          'closeOpening',
          {
            opening: number,
            covers: valueOf(roomOf(enclosureId, machine).case.covers) ?? '',
            enclosure: nameOf(enclosureId, job.machine),
            with: from,
            // Once covers are off nobody knows which is which.
            of: isBegun ? null : (of?.number ?? null),
          },
          { slotId, on: openingOn(enclosureId, number) },
        ),
        {
          housing: enclosureId,
          tool: holdIn(enclosureId, machine) === 'screwed' ? 'screwdriver' : null,
          openings: [number],
          moves: [
            move(
              of === null
                ? thing('cover', `new/${openingId(enclosureId, number)}`, String(number))
                : coverOf(enclosureId, of.number),
              'inPlace',
            ),
            ...(holdIn(enclosureId, machine) === 'screwed'
              ? [move(screwOf(enclosureId, number), 'inPlace')]
              : []),
          ],
        },
      ),
    ),
  ];
}

/** What stands where cards go: moved aside, and its plug put in again by a way that is free. */
export function obstacles(assembly: Assembly): readonly Act[] {
  const { machine } = assembly;
  const cards = assembly.cards.filter(({ later }) => !later);
  const bodies = bodiesIn(assembly);
  const moved = new Map(
    cards.flatMap((each) => movedFor(each, machine).map((obstacle) => [obstacle.id, obstacle])),
  );
  return [...moved.values()].flatMap(({ id, name, moving, plugAt }): readonly Act[] => {
    const forSlots = cards
      .filter((each) => movedFor(each, machine).some((obstacle) => obstacle.id === id))
      .map(({ slot }) => slot.id);
    const goes = plugAt === undefined ? [] : [move(thing('plug', id, name), 'tray')];
    const isLedRound = plugAt !== undefined && barredBy(plugAt, bodies) !== null;
    const [slotId] = forSlots;
    const key = { on: { obstacle: id }, ...(slotId === undefined ? {} : { slotId }) };
    return [
      act(step('moveObstacle', { name, how: moving }, key), {
        forSlots,
        point: plugAt ?? null,
        moves: goes,
      }),
      ...(plugAt === undefined
        ? []
        : [
            act(step('restorePlug', { name, isLedRound }, key), {
              forSlots,
              point: plugAt,
              moves: [move(thing('plug', id, name), 'inPlace')],
            }),
          ]),
    ];
  });
}
