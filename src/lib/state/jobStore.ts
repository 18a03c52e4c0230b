/**
 * Jobs in the store. Saving checks the revision and writes under one lock, and what was written is read back, so that
 * two windows never overwrite each other unseen and nothing is called saved that is not there.
 */
import * as z from 'zod/mini';
import { STAGES, stateMark, type Job } from '$core/document';
import { isNewerJob, type Problem } from '$core/read';
import { summaryOf, type JobSummary } from '$core/procedure';
import type { StageAnswer } from '$core/diagnosis';
import { readRecord } from './olderFormats';
import { procedure } from './procedure';
import { roomToWrite } from './room';
import { changing, jobRecords, rowRecords } from './stores';

/** One state of a job, as `stateMark` names it. */
export type StateMark = string;

/** A stored record that does not read as a job: kept where it is, and offered for export and repair. */
export interface SetAside {
  readonly key: string;
  readonly record: unknown;
  readonly problems: readonly Problem[];
  /** Written by a newer version of Tenant: sound, but not for this one. */
  readonly isNewer: boolean;
}

/** A job as the list shows it. */
export interface JobRow extends JobSummary {
  /** What the stage that it stands at says first; null where that cannot be said. */
  readonly answer: StageAnswer | null;
  /** Something of it cannot be computed; it can still be opened, exported and deleted. */
  readonly isBroken: boolean;
}

/** The stored job is not the one this change was made on: another window saved in between. */
export class ChangedElsewhere extends Error {}
/** The stored job is gone: deleted in another window, or the browser's data was cleared. */
export class Gone extends Error {}
/** The stored job was written by a newer version of Tenant, in another window. */
export class WrittenByNewer extends Error {}
/** What was written does not come back as it was written. */
export class NotKept extends Error {}

export const asRow = (job: Job): JobRow => {
  try {
    const summary = summaryOf(job, procedure.open(job));
    const answer = procedure.answer(job, summary.standing ?? 'hand-over');
    return { ...summary, answer, isBroken: false };
  } catch {
    const { id, revision, title, customer, changedAt } = job;
    const nothing = { machine: job.machine.name, photos: job.photos.map((photo) => photo.id) };
    return {
      id,
      revision,
      title,
      customer,
      changedAt,
      ...nothing,
      standing: 'survey',
      open: null,
      unknown: 0,
      spent: {},
      answer: null,
      isBroken: true,
    };
  }
};

export const asSetAside = async (key: string, record: unknown): Promise<SetAside> => ({
  key,
  record,
  problems: (await readRecord(record)).problems,
  isNewer: isNewerJob(record),
});

/** A job, what stands in its place, or null where nothing does. */
export async function readJob(id: string): Promise<Job | SetAside | null> {
  const record = await jobRecords.get(id);
  if (record === null) return null;
  const { job } = await readRecord(record);
  return job !== null && job.id === id ? job : asSetAside(id, record);
}

export const isJob = (stored: Job | SetAside): stored is Job => !('record' in stored);

/**
 * Saves a job over the state it was made from; null for a job that is not stored yet. Returns its row of the list.
 * @throws ChangedElsewhere, Gone, WrittenByNewer, NotKept, or what the browser's store throws
 */
export async function saveJob(job: Job, madeFrom: StateMark | null): Promise<JobRow> {
  // Looked for while the stored job is read.
  roomToWrite().catch(() => undefined);
  await procedure.load();
  return changing(`job-${job.id}`, async () => {
    const stored = await jobRecords.get(job.id);
    if (isNewerJob(stored)) throw new WrittenByNewer();
    if (stored === null && madeFrom !== null) throw new Gone();
    if (markOfRecord(stored) !== madeFrom) throw new ChangedElsewhere();
    // A row beside another revision than its own is made anew when the list is read.
    const row = asRow(job);
    await Promise.all([jobRecords.put(job.id, job), rowRecords.put(job.id, row)]);
    if (markOfRecord(await jobRecords.get(job.id)) !== stateMark(job)) throw new NotKept();
    return row;
  });
}

/** Of a record whatever it is; null where nothing stands. */
function markOfRecord(record: unknown): StateMark | null {
  if (record === null) return null;
  const head = z.object({ revision: z.number(), changedAt: z.string() }).safeParse(record);
  return head.success ? stateMark(head.data) : 'unreadable';
}

/** Takes whatever stands under the key out of the store, and returns it. */
export async function takeOut(key: string): Promise<unknown> {
  const record = await jobRecords.get(key);
  await jobRecords.remove(key);
  await rowRecords.remove(key);
  return record;
}

export interface Listed {
  readonly rows: readonly JobRow[];
  /** Jobs of which no row is kept yet. */
  readonly unread: readonly string[];
}

/** A row is made of its job and can be made anew: what does not look like one counts as none. */
const Row = z.object({
  id: z.string(),
  revision: z.number(),
  title: z.string(),
  customer: z.string(),
  machine: z.string(),
  changedAt: z.iso.datetime(),
  photos: z.array(z.string()),
  standing: z.nullable(z.enum(STAGES)),
  open: z.nullable(z.number()),
  unknown: z.number(),
  spent: z.record(z.string(), z.array(z.number())),
  answer: z.nullable(z.object({ stage: z.enum(STAGES) })),
  isBroken: z.boolean(),
});
const isRow = (record: unknown): record is JobRow => Row.safeParse(record).success;

/** The rows of the list as they are kept, without reading any job. */
export async function readRows(): Promise<Listed> {
  const [keys, kept] = await Promise.all([jobRecords.keys(), rowRecords.entries()]);
  const rows = new Map(kept.flatMap(([, row]) => (isRow(row) ? [[row.id, row] as const] : [])));
  return {
    rows: keys.flatMap((key) => rows.get(key) ?? []),
    unread: keys.filter((key) => !rows.has(key)),
  };
}

/** Reads a job anew and keeps its row where that was missing or of another revision. */
export async function checkedRow(
  key: string,
  row: JobRow | null,
): Promise<JobRow | SetAside | null> {
  const stored = await readJob(key);
  if (stored === null || !isJob(stored)) return stored;
  if (row !== null && stateMark(row) === stateMark(stored)) return row;
  await procedure.load();
  const fresh = asRow(stored);
  await rowRecords.put(key, fresh);
  return fresh;
}
