/** What was done to a job and can be undone or redone. */
import type { Operation } from 'fast-json-patch';
import type { Job } from '$core';
import { undoRecords } from './stores';

/** What leads from one job to another, as a JSON Patch (RFC 6902). */
export type Change = readonly Operation[];

/** What was done to a job, in words, and the job as it was before: whole, or as the change that leads back to it. */
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

/** The same as it is kept. */
export interface History extends Omit<Steps, 'job'> {
  /** Revision and format of the job that it belongs to. */
  readonly revision: number;
  readonly format: number;
}

export const readHistory = (jobId: string): Promise<History | null> =>
  undoRecords.get<History>(jobId);
