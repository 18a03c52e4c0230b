/** What was done for a plan that has changed since: openings that are open, plugs and cards that are out, and go back. */
import type { Assembly } from '../../assembly/assembly.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Job } from '../../parts/job.ts';
import { step, type StepCode } from '../step.ts';
import { act, coverOf, move, screwOf, thing, type Act } from './act.ts';
import { joiningBack, puttingBack } from './leavingCards.ts';
import { barredBy, bodiesIn } from './reach.ts';
import { holdIn, nameOf, occupantAt, roomOf } from './slots.ts';

/** @param acts of the plan as it is now */
export function looseEnds(job: Job, assembly: Assembly, acts: readonly Act[]): readonly Act[] {
  const now = new Set(acts.map(({ draft: { code, key } }) => `${code}:${key ?? ''}`));
  // What was put right again is no loose end.
  const isRight = (id: string) =>
    RIGHTED.some(([done, by]) => {
      const key = behind(id, done);
      return key !== null && job.ticks[`${by}:${key}`] !== undefined;
    });
  const left = Object.keys(job.ticks).filter((id) => !now.has(id) && !isRight(id));
  return [
    ...openCovers(left, job, assembly, acts),
    ...left.flatMap((id) => closedAgain(id, assembly)),
    ...left.flatMap((id) => movedObstacles(id, assembly)),
    ...left.flatMap((id) => cardsOut(id, job, assembly)),
  ];
}

/** What is done, and what puts it right again. */
export const RIGHTED: readonly (readonly [done: StepCode, by: StepCode])[] = [
  ['removeCover', 'closeOpening'],
  ['moveObstacle', 'restorePlug'],
  ['takeOutFirst', 'putBack'],
  ['freeCard', 'plugBack'],
];

const behind = (id: string, code: string): string | null =>
  id.startsWith(`${code}:`) ? id.slice(code.length + 1) : null;

/** Covers that came out, and whose opening nothing fills any more: with one that is loose, as long as there is one. */
function openCovers(
  left: readonly string[],
  { ticks }: Job,
  { machine }: Assembly,
  acts: readonly Act[],
): readonly Act[] {
  const used = new Map<string, number>();
  return left.flatMap((id): readonly Act[] => {
    const key = behind(id, 'removeCover');
    if (key === null) return [];
    const { enclosureId, number } = openingBy(key);
    const room = roomOf(enclosureId, machine);
    const covers = valueOf(room.case.covers) ?? '';
    const isScrewed = holdIn(enclosureId, machine) === 'screwed';
    const ofRoom = (code: string) =>
      Object.keys(ticks).filter((each) => {
        const at = behind(each, code);
        return at !== null && openingBy(at).enclosureId === enclosureId;
      }).length;
    const wanted = acts.filter(
      ({ draft, housing }) =>
        draft.code === 'closeOpening' &&
        housing === enclosureId &&
        draft.values.with === 'removed' &&
        ticks[`closeOpening:${draft.key ?? ''}`] === undefined,
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
          { key },
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
function closedAgain(id: string, { machine, cards, plates }: Assembly): readonly Act[] {
  const key = behind(id, 'closeOpening');
  if (key === null) return [];
  const { enclosureId, number } = openingBy(key);
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
        { slotId, key },
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

/** “3”, or “box:3” of an external box. */
function openingBy(key: string): { readonly enclosureId: string | null; readonly number: number } {
  const at = key.lastIndexOf(':');
  return { enclosureId: at === -1 ? null : key.slice(0, at), number: Number(key.slice(at + 1)) };
}

function movedObstacles(id: string, assembly: Assembly): readonly Act[] {
  const obstacle = assembly.machine.obstacles.find(
    (each) => each.id === behind(id, 'moveObstacle'),
  );
  if (obstacle?.plugAt === undefined) return [];
  const isLedRound = barredBy(obstacle.plugAt, bodiesIn(assembly)) !== null;
  return [
    act(step('restorePlug', { name: obstacle.name, isLedRound }, { key: obstacle.id }), {
      point: obstacle.plugAt,
      moves: [move(thing('plug', obstacle.id, obstacle.name), 'inPlace')],
    }),
  ];
}

/** A card that came out for a while goes back, and its plugs with it; or only its plugs, where it was still in. */
function cardsOut(id: string, job: Job, { machine }: Assembly): readonly Act[] {
  const out = machine.slots.find((slot) => slot.id === behind(id, 'takeOutFirst'));
  if (out !== undefined)
    return [
      puttingBack(out, machine, []),
      ...(job.ticks[`freeCard:${out.id}`] === undefined
        ? []
        : joiningBack(out, occupantAt(out, machine), out.id)),
    ];
  const freed = machine.slots.find((slot) => slot.id === behind(id, 'freeCard'));
  return freed === undefined ||
    valueOf(freed.occupant) === null ||
    job.ticks[`takeOutFirst:${freed.id}`] !== undefined
    ? []
    : joiningBack(freed, occupantAt(freed, machine), freed.id);
}
