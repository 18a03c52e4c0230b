/** What was done for a plan that has changed since: openings that are open, plugs and cards that are out, and go back. */
import type { Assembly } from '../../assembly/assembly.ts';
import { actOf, actsOfKind, onId, type Act as Done, type ActCode } from '../../parts/act.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Job } from '../../parts/job.ts';
import { step } from '../step.ts';
import { act, coverOf, move, screwOf, thing, type Act } from './act.ts';
import { joiningBack, puttingBack } from './leavingCards.ts';
import { barredBy, bodiesIn } from './reach.ts';
import { holdIn, nameOf, occupantAt, roomOf } from './slots.ts';

/** @param acts of the plan as it is now */
export function looseEnds(job: Job, assembly: Assembly, acts: readonly Act[]): readonly Act[] {
  const now = new Set(acts.map(({ draft: { code, key } }) => `${code} ${key}`));
  // What was put right again is no loose end.
  const isRight = ({ code, on }: Done) => {
    const by = RIGHTED[code];
    return by !== undefined && actOf(job, by, on) !== undefined;
  };
  const left = job.acts.filter(
    (each) => !now.has(`${each.code} ${onId(each.on)}`) && !isRight(each),
  );
  return [
    ...openCovers(left, job, assembly, acts),
    ...left.flatMap((each) => closedAgain(each, assembly)),
    ...left.flatMap((each) => movedObstacles(each, assembly)),
    ...left.flatMap((each) => cardsOut(each, job, assembly)),
  ];
}

/** What is done, and what puts it right again. */
export const RIGHTED: Readonly<Partial<Record<ActCode, ActCode>>> = {
  removeCover: 'closeOpening',
  moveObstacle: 'restorePlug',
  takeOutFirst: 'putBack',
  freeCard: 'plugBack',
};

/** Covers that came out, and whose opening nothing fills any more: with one that is loose, as long as there is one. */
function openCovers(
  left: readonly Done[],
  job: Job,
  { machine }: Assembly,
  acts: readonly Act[],
): readonly Act[] {
  const used = new Map<string, number>();
  return left.flatMap(({ code, on }): readonly Act[] => {
    if (code !== 'removeCover' || on.opening === undefined) return [];
    const { opening: number, box: enclosureId = null } = on;
    const room = roomOf(enclosureId, machine);
    const covers = valueOf(room.case.covers) ?? '';
    const isScrewed = holdIn(enclosureId, machine) === 'screwed';
    const ofRoom = (of: ActCode) =>
      actsOfKind(job, of).filter((each) => (each.on.box ?? null) === enclosureId).length;
    const wanted = acts.filter(
      ({ draft, housing }) =>
        draft.code === 'closeOpening' &&
        housing === enclosureId &&
        draft.values.with === 'removed' &&
        actOf(job, 'closeOpening', draft.on) === undefined,
    ).length;
    const before = used.get(enclosureId ?? '') ?? 0;
    const loose = ofRoom('removeCover') - ofRoom('closeOpening') - wanted - before;
    used.set(enclosureId ?? '', before + 1);
    return [
      act(
        step(
          'closeOpening',
          {
            opening: number,
            covers,
            enclosure: nameOf(enclosureId, machine),
            with: covers === 'snapped' || loose <= 0 ? 'ordered' : 'removed',
            of: null,
          },
          { on },
        ),
        {
          housing: enclosureId,
          tool: isScrewed ? 'screwdriver' : null,
          openings: [number],
          moves: [
            move(coverOf(enclosureId, number), 'inPlace'),
            ...(isScrewed ? [move(screwOf(enclosureId, number), 'inPlace')] : []),
          ],
        },
      ),
    ];
  });
}

/** An opening that was closed after its card went, and through which another card comes now. */
function closedAgain({ code, on }: Done, { machine, cards, plates }: Assembly): readonly Act[] {
  if (code !== 'closeOpening' || on.opening === undefined) return [];
  const { opening: number, box: enclosureId = null } = on;
  const comes = cards.find(({ card, slot, later }) => {
    const from = valueOf(slot.opening);
    return (
      !later &&
      slot.enclosureId === enclosureId &&
      card.bus !== 'm2' &&
      from !== null &&
      number >= from &&
      number < from + card.openings
    );
  });
  const plate = plates.find((each) => each.number === number && each.enclosureId === enclosureId);
  const slotId = comes?.slot.id ?? plate?.slotId;
  if (slotId === undefined) return [];
  const isScrewed = holdIn(enclosureId, machine) === 'screwed';
  const covers = valueOf(roomOf(enclosureId, machine).case.covers) ?? '';
  return [
    act(
      step(
        'removeCover',
        { opening: number, covers, enclosure: nameOf(enclosureId, machine) },
        { slotId, on },
      ),
      {
        housing: enclosureId,
        tool: isScrewed ? 'screwdriver' : null,
        openings: [number],
        forSlots: [slotId],
        moves: [
          ...(isScrewed ? [move(screwOf(enclosureId, number), 'tray')] : []),
          move(coverOf(enclosureId, number), 'kept'),
        ],
      },
    ),
  ];
}

function movedObstacles({ code, on }: Done, assembly: Assembly): readonly Act[] {
  const obstacle = assembly.machine.obstacles.find(
    ({ id }) => code === 'moveObstacle' && id === on.obstacle,
  );
  if (obstacle?.plugAt === undefined) return [];
  const isLedRound = barredBy(obstacle.plugAt, bodiesIn(assembly)) !== null;
  return [
    act(
      step('restorePlug', { name: obstacle.name, isLedRound }, { on: { obstacle: obstacle.id } }),
      {
        point: obstacle.plugAt,
        moves: [move(thing('plug', obstacle.id, obstacle.name), 'inPlace')],
      },
    ),
  ];
}

/** A card that came out for a while goes back, and its plugs with it; or only its plugs, where it was still in. */
function cardsOut({ code, on }: Done, job: Job, { machine }: Assembly): readonly Act[] {
  const there = machine.slots.find(({ id }) => id === on.slot);
  if (there === undefined) return [];
  const plugs = () => joiningBack(there, occupantAt(there, machine), there.id);
  if (code === 'takeOutFirst')
    return [
      puttingBack(there, machine, []),
      ...(actOf(job, 'freeCard', on) === undefined ? [] : plugs()),
    ];
  return code !== 'freeCard' ||
    valueOf(there.occupant) === null ||
    actOf(job, 'takeOutFirst', on) !== undefined
    ? []
    : plugs();
}
