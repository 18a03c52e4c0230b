/**
 * The ordered steps of this very job, with the cautions that belong into them. The same plan always gives the same steps
 * with the same names, so that what is done keeps.
 */
import { assemblyOf, newCardsOf, type Assembly } from '../assembly/assembly.ts';
import type { Round } from '../assembly/rounds.ts';
import { memoOf } from '../memo.ts';
import { valueOf } from '../parts/fact.ts';
import { actId, isDone } from '../document/act.ts';
import type { Job, Stage } from '../document/job.ts';
import { ACTS } from './fitting/acts.ts';
import { benchTestRound } from './fitting/benchTest.ts';
import { fittingRounds, type FittingRound } from './fitting/tasks.ts';
import { drivers } from './driverSteps.ts';
import { mends } from './mends.ts';
import { prepare } from './prepare.ts';
import { prove } from './prove.ts';
import { itemAt } from '../units.ts';
import { plainStep, type Draft, type Step } from './step.ts';

/** All steps of all stages, in the order of the work; none while no plan is accepted. */
export const steps = memoOf((job: Job): readonly Step[] => {
  if (job.plan === null) return [];
  const rounds = fittingRounds(job, inFittingOrder);
  const trial = benchTestRound(job);
  const fitting = rounds.map((round) => fitted(job, round));
  return [
    ...inStage(
      job,
      'prepare',
      prepare(
        job,
        inFittingOrder(assemblyOf(job)),
        rounds.flatMap(({ acts }) => acts.map(({ act }) => act)),
      ),
    ),
    ...(trial === null ? [] : fitted(job, trial)),
    ...rounds.flatMap((round, n) => [
      ...itemAt(fitting, n),
      ...inStage(job, 'drivers', drivers(job, round), round),
      ...inStage(job, 'prove', prove(round.assembly), round),
    ]),
    ...inStage(job, 'prove', mends(job)),
    ...inStage(job, 'hand-over', [
      ...(fitting.flat().length === 0 ? [] : [plainStep('keepParts')]),
      plainStep('explain'),
    ]),
  ];
});

/** Thick cards last: they cover the slots beside them. Common practice, no source. */
const inFittingOrder = (assembly: Assembly): Assembly => ({
  ...assembly,
  cards: [
    ...newCardsOf(assembly).toSorted(
      (a, b) =>
        a.card.openings - b.card.openings ||
        (valueOf(a.slot.opening) ?? 0) - (valueOf(b.slot.opening) ?? 0),
    ),
    ...assembly.cards.filter(({ fromSlotId }) => fromSlotId !== null),
  ],
});

/** The physical work, each act with what it waits for. */
function fitted(job: Job, round: FittingRound): readonly Step[] {
  const { acts: ordered } = round;
  const plain = inStage(
    job,
    'fit',
    ordered.map(({ act }) => act.draft),
    round,
  );
  return plain.map((each, n) => {
    const { act, after, isOpen } = ordered[n]!;
    const { position, view, minutes } = ACTS[act.draft.code];
    return {
      ...each,
      isOpen,
      task: {
        position,
        view,
        minutes,
        tool: act.tool,
        moves: act.moves,
        after: after.map(({ at, because }) => ({ stepId: plain[at]!.id, because })),
      },
    };
  });
}

const FIRST = { number: 1 } as const;

/** Steps that would be known by the same – two headers of one kind – are counted. */
function inStage(
  { acts }: Job,
  stage: Stage,
  drafts: readonly Draft[],
  { number: round }: Pick<Round, 'number'> = FIRST,
): readonly Step[] {
  const taken = new Map<string, number>();
  return drafts.map(({ key, ...draft }) => {
    const same = `${draft.code} ${key}`;
    const number = (taken.get(same) ?? 0) + 1;
    taken.set(same, number);
    const on = number === 1 ? draft.on : { ...draft.on, number };
    const name = { code: draft.code, on, round };
    const isOpen = !isDone({ acts }, name);
    return { ...draft, on, stage, id: actId(name), round, isOpen, task: null };
  });
}
