/** A stored record that is read as a job of today's format. Older ones are brought up to date first: `anyFormat.ts`. */
import * as z from 'zod/mini';
import { JOB_FORMAT, Job } from '../document/job.ts';
import { fieldProblem, type Problem } from './problem.ts';

export const MOST_PROBLEMS = 8;

/** A photograph, as large as a browser's canvas writes it, a few times over. */
const LONGEST_PICTURE = 16 * 1024 * 1024;

/** A photograph as a data address. The pattern looks at each letter once. */
export const Picture = z
  .string()
  .check(
    z.maxLength(LONGEST_PICTURE),
    z.regex(/^data:image\/[a-z+.-]{1,40};base64,[A-Za-z0-9+/]*={0,2}$/),
  );

/** Photographs as data addresses, by the ids their job knows them by. */
export type Pictures = Readonly<Record<string, string>>;

interface Refused {
  readonly job: null;
  readonly pictures: Pictures;
  readonly problems: readonly Problem[];
  /** What stands in the place of the job, where it may be repaired; else undefined. */
  readonly record?: unknown;
}

export type JobFileReading =
  { readonly job: Job; readonly pictures: Pictures; readonly problems: readonly [] } | Refused;

/** Null for a record of an older format, or of none. */
export function readCurrentJob(record: unknown): JobFileReading | null {
  const format = formatOf(record);
  if (format > JOB_FORMAT) return refused(newer(format));
  return format === JOB_FORMAT ? asReading(Job.safeParse(record), record) : null;
}

export function asReading(
  parsed: ReturnType<typeof Job.safeParse>,
  record: unknown,
): JobFileReading {
  if (parsed.success) return { job: parsed.data, pictures: {}, problems: [] };
  const problems = parsed.error.issues.slice(0, MOST_PROBLEMS).map(fieldProblem);
  return { ...refused(...problems), record };
}

/** What keeps a job from being stored: nothing is kept that could not be read again. */
export const problemsOf = (job: Job): readonly Problem[] => {
  const parsed = Job.safeParse(job);
  return parsed.success ? [] : parsed.error.issues.slice(0, MOST_PROBLEMS).map(fieldProblem);
};

/** Whether a stored record or a file's job was written by a newer program: it is kept, and never taken apart here. */
export const isNewerJob = (record: unknown): boolean => formatOf(record) > JOB_FORMAT;

export function formatOf(record: unknown): number {
  const head = z.object({ format: z.number() }).safeParse(record);
  return head.success ? head.data.format : 0;
}

export const newer = (format: number): Problem => ({
  code: 'file.newer',
  at: 'format',
  expected: `${JOB_FORMAT}`,
  found: `${format}`,
});

export const refused = (...problems: Problem[]): Refused => ({
  job: null,
  pictures: {},
  problems,
});
