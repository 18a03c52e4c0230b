/**
 * What can be undone and redone, kept over a reload: for every step only what leads from one job to the other, as a
 * JSON Patch (RFC 6902). The log and the count of changes are no part of it: undoing goes on with both.
 */
import { applyPatch, compare, deepClone } from 'fast-json-patch';
import { stateMark, type Job } from '$core/document';
import type { Change, History, Past, Steps } from './past';
import { undoRecords } from './stores';

/** Beyond this the oldest steps are left behind: a machine read anew is a large step. */
const MOST_LETTERS = 2_000_000;

/** A job as the patches know it. */
const plain = (job: Job) => ({ ...job, log: [], revision: 0, changedAt: '' });

/** @param job to which the change leads back from */
export const changedBack = (job: Job, change: Change): Job => ({
  ...(applyPatch(deepClone(plain(job)) as Job, [...change]).newDocument satisfies Job),
  log: job.log,
  revision: job.revision,
  changedAt: job.changedAt,
});

/** The steps as changes, the nearest last, as far back as there is room for them. */
function changes(job: Job, steps: readonly Past[]): readonly Past[] {
  const found: Past[] = [];
  let from: Job | null = job;
  let letters = 0;
  for (const { what, job: to, change } of steps.toReversed()) {
    const back: Change | null =
      to !== null && from !== null ? compare(plain(from), plain(to)) : change;
    letters += JSON.stringify(back).length;
    if (back === null || letters > MOST_LETTERS) break;
    found.unshift({ what, job: null, change: back });
    from = to;
  }
  return found;
}

export const historyOf = ({ job, done, undone }: Steps): History => ({
  of: stateMark(job),
  format: job.format,
  done: changes(job, done),
  undone: changes(job, undone),
});

export async function keepHistory(state: Steps): Promise<void> {
  await undoRecords.put(state.job.id, historyOf(state));
}
