/** What was found to be the cause of a figure that falls short, as a step that mends it. */
import { assemblyOf } from '../assembly/assembly.ts';
import { expectations } from '../assembly/expectations.ts';
import { cardName } from '../document/card.ts';
import { actOf, type ActName } from '../document/act.ts';
import type { Job } from '../document/job.ts';
import type { CauseObservation } from '../document/observation.ts';
import { CAUSES } from '../standards/causes.ts';
import { CHECKS, type Check, type CheckRow } from '../standards/checks.ts';
import { step, type CautionCode, type Draft } from './step.ts';

/** The step by which a cause is mended. */
export const mendOf = ({ id }: Pick<CauseObservation, 'id'>): ActName => ({
  code: 'mend',
  on: { cause: id },
  round: 1,
});

/** When something of these was mended, the earliest first. */
export const mendedAt = (job: Job, causes: readonly CauseObservation[]): readonly string[] =>
  causes.flatMap(({ id }) => actOf(job, 'mend', { cause: id })?.at ?? []).toSorted();

export const isMended = (job: Job, { id }: CauseObservation): boolean =>
  actOf(job, 'mend', { cause: id }) !== undefined;

/** Mends whose hands go into the case. */
const INSIDE: ReadonlySet<string> = new Set([
  'slotLink',
  'power',
  'cooling',
  'card',
  'dataLead',
  'drives',
  'driveCount',
]);

export function mends(job: Job): readonly Draft[] {
  const { cards } = assemblyOf(job);
  return job.observations
    .filter((each): each is CauseObservation => each.kind === 'cause')
    .flatMap((found) => {
      const expectation = expectations(job).find(({ need }) => need.id === found.subject.needId);
      if (expectation === undefined) return [];
      const { part, cause } = found.value;
      const card = cards.find(({ slot }) => slot.id === expectation.card?.slot.id);
      const position = part.startsWith('wire ') ? Number(part.slice('wire '.length)) : null;
      const isInside = INSIDE.has(part) && CAUSES[cause].mend !== 'setting';
      return [
        step(
          'mend',
          {
            cause,
            part,
            card: card === undefined ? '' : cardName(card.card),
            slot: card?.slot.label ?? '',
            hop: position === null ? '' : (job.machine.path.hops[position]?.name ?? ''),
          },
          {
            on: { cause: found.id },
            cautions: cautionsFor(isInside, part),
            ...(card === undefined ? {} : { slotId: card.slot.id }),
          },
        ),
      ];
    });
}

const HANDS_INSIDE: readonly CautionCode[] = ['mains', 'static', 'hotCard'];

const cautionsFor = (isInside: boolean, part: string): readonly CautionCode[] => [
  ...(isInside ? HANDS_INSIDE : []),
  ...(part === 'array' || part === 'drives' || part === 'driveCount'
    ? (['othersData'] as const)
    : []),
  ...(part === 'firmware' ? (['steadyPower'] as const) : []),
];

/** What to mind at a check; drives are only read from, and somebody else’s all the same. */
export const checkCautions = (check: Check): readonly CautionCode[] => {
  const { isInside }: CheckRow = CHECKS[check];
  return [
    ...(isInside === true ? HANDS_INSIDE : []),
    ...(check === 'onBoardPort' || check === 'testDrive' ? (['othersData'] as const) : []),
  ];
};
