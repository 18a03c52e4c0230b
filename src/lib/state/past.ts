/** What was done to a job and can be undone or redone. */
import type { Operation } from 'fast-json-patch';
import * as z from 'zod/mini';
import type { Job } from '$core/document';
import { undoRecords } from './stores';

/** What leads from one job to another, as a JSON Patch (RFC 6902). */
export type Change = readonly Operation[];

/** What was done to a job, by its command, and the job as it was before: whole, or as the change that leads back to it. */
export interface Past {
  readonly what: string;
  readonly job: Job | null;
  readonly change: Change | null;
}

/** What can be undone and redone from where a job stands; the last of each is the next. */
export interface Steps {
  readonly job: Job;
  readonly done: readonly Past[];
  readonly undone: readonly Past[];
}

const KeptPast = z.object({
  what: z.string(),
  job: z.null(),
  change: z.array(z.looseObject({ op: z.string(), path: z.string() })),
});
const KeptHistory = z.object({
  /** The state of the job that it belongs to, by its mark, and its format. */
  of: z.string(),
  format: z.number(),
  done: z.array(KeptPast),
  undone: z.array(KeptPast),
});

/** The same as it is kept. */
export interface History extends Omit<Steps, 'job'> {
  readonly of: string;
  readonly format: number;
}

/** Null where none is kept, or none that reads: what can be undone begins anew. */
export async function readHistory(jobId: string): Promise<History | null> {
  const parsed = KeptHistory.safeParse(await undoRecords.get(jobId));
  return parsed.success ? (parsed.data as unknown as History) : null;
}
