import { repairedJob, type Repaired } from '$core/read';
import type { Job } from '$core/document';
import { now } from '$lib/state/now';

/** What would become of a record that does not validate; nothing is changed by asking. */
export const asRepaired = (record: unknown): Repaired<Job> =>
  repairedJob(record, { id: crypto.randomUUID(), at: now() });
