import { repairedJob, type Job, type Repaired } from '$core';
import { now } from '$lib/state/now';

/** What would become of a record that does not validate; nothing is changed by asking. */
export const asRepaired = (record: unknown): Repaired<Job> =>
  repairedJob(record, { id: crypto.randomUUID(), at: now() });
