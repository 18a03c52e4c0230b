/** Where a job stands, by what is open in each of its stages. */
import { STAGES, type Job, type Stage } from '../document/job.ts';
import { benchState, isSeated } from '../assembly/benchState.ts';
import { spentIn, type SpentByAct } from './fitting/times.ts';
import { unknownFacts } from '../rules/unknownFacts.ts';

export type OpenCounts = Readonly<Record<Stage, number>>;

/** What is open before there are any steps. */
export const openBefore = (job: Job): OpenCounts => ({
  survey: unknownFacts(job.machine, job.needs).length,
  needs: job.needs.length === 0 ? 1 : 0,
  choose: job.plan === null ? 1 : 0,
  prepare: 0,
  fit: 0,
  drivers: 0,
  prove: 0,
  'hand-over': 0,
});

/** The first stage that waits for work; null when the job is done. @param open null while its steps are not known */
export function standing(job: Job, open: OpenCounts | null): Stage | null {
  if (job.machine.slots.length === 0) return 'survey';
  if (job.needs.length === 0) return 'needs';
  if (job.plan === null) return 'choose';
  const worked = STAGES.slice(STAGES.indexOf('prepare'));
  return open === null ? 'prepare' : (worked.find((stage) => open[stage] > 0) ?? null);
}

/** What a list shows of a job, without its machine. */
export interface JobSummary {
  readonly id: string;
  readonly revision: number;
  readonly title: string;
  readonly customer: string;
  readonly machine: string;
  readonly changedAt: string;
  /** Ids of its photographs. */
  readonly photos: readonly string[];
  /** The stage that waits for work; null when the job is done. */
  readonly standing: Stage | null;
  /** How much is open in that stage; null where that cannot be said. */
  readonly open: number | null;
  /** Facts of the survey that are not known. */
  readonly unknown: number;
  /** What its tasks took: the shop's logbook is made of these. */
  readonly spent: SpentByAct;
}

/** @param open null while its steps are not known */
export function summaryOf(job: Job, open: OpenCounts | null): JobSummary {
  const at = standing(job, open);
  const { id, revision, title, customer, changedAt } = job;
  return {
    id,
    revision,
    title,
    customer,
    machine: job.machine.name,
    changedAt,
    photos: job.photos.map(({ id: photoId }) => photoId),
    standing: at,
    open: at === null ? 0 : (open?.[at] ?? null),
    unknown: openBefore(job).survey,
    spent: spentIn(job),
  };
}

/** Slots by what a hand has done to them. */
export interface Handled {
  /** Its new card is in, or the one that was to move there. */
  readonly filled: ReadonlySet<string>;
  /** The card that was in it is out. */
  readonly emptied: ReadonlySet<string>;
}

export function handled({ plan, acts }: Pick<Job, 'plan' | 'acts'>): Handled {
  const state = benchState(acts);
  const moved = (plan?.moves ?? []).filter(
    ({ fromSlotId }) => state.slot(fromSlotId).own === 'moved',
  );
  return {
    filled: new Set([
      ...(plan?.placements ?? []).flatMap(({ card, slotId }) =>
        isSeated(state, card.id, slotId) ? slotId : [],
      ),
      ...moved.map(({ toSlotId }) => toSlotId),
    ]),
    emptied: new Set(state.slots.filter((id) => state.slot(id).own !== 'in')),
  };
}
