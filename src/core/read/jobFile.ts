/** Reads a `*.tenant.json` file. A file that is damaged or newer gives problems with their place, and no job. */
import * as z from 'zod/mini';
import { id } from '../parts/limits.ts';
import { JOB_FORMAT, Job } from '../parts/job.ts';
import { withoutDangling } from '../parts/references.ts';
import { fieldProblem, type Problem } from './problem.ts';
import { FIRST_WITHOUT_DANGLING, upgradedJob } from './upgrade.ts';

export const JOB_FILE_KIND = 'tenant-job';
/** Of a record that no longer read as a job, exported as it was. */
export const SET_ASIDE_KIND = 'tenant-set-aside';
const LARGEST_FILE = 256 * 1024 * 1024;
/** A photograph, as large as a browser's canvas writes it, a few times over. */
const LONGEST_PICTURE = 16 * 1024 * 1024;
const MOST_PROBLEMS = 8;

/** A photograph as a data address. The pattern looks at each letter once. */
export const Picture = z
  .string()
  .check(
    z.maxLength(LONGEST_PICTURE),
    z.regex(/^data:image\/[a-z+.-]{1,40};base64,[A-Za-z0-9+/]*={0,2}$/),
  );

export const JobFile = z.object({
  kind: z.literal(JOB_FILE_KIND),
  format: z.literal(JOB_FORMAT),
  job: Job,
  /** Photographs as data addresses, by their ids, where they were wanted in the file. */
  pictures: z.optional(z.record(id, Picture)),
});

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

const Head = z.object({
  kind: z.enum([JOB_FILE_KIND, SET_ASIDE_KIND]),
  format: z.optional(z.number()),
  job: z.optional(z.unknown()),
  record: z.optional(z.unknown()),
  pictures: z.optional(z.unknown()),
});

export function readJobFile(input: string): JobFileReading {
  if (input.length > LARGEST_FILE) {
    return refused({
      code: 'input.tooLarge',
      expected: `${LARGEST_FILE}`,
      found: `${input.length}`,
    });
  }
  let data: unknown;
  try {
    data = JSON.parse(input);
  } catch (error) {
    return refused({ code: 'file.notJson', line: errorLine(input, String(error)) });
  }
  const head = Head.safeParse(data);
  if (!head.success) return refused({ code: 'file.notAJob', expected: JOB_FILE_KIND });
  const { kind, format = JOB_FORMAT, job: inFile, record: setAside, pictures = {} } = head.data;
  if (format > JOB_FORMAT) return refused(newer(format));
  const reading = readStoredJob(kind === JOB_FILE_KIND ? inFile : setAside);
  const kept = z.object({ pictures: z.record(id, Picture) }).safeParse({ pictures });
  if (!kept.success) return refused(...kept.error.issues.slice(0, MOST_PROBLEMS).map(fieldProblem));
  if (reading.job !== null) return { ...reading, pictures: kept.data.pictures };
  const within = kind === JOB_FILE_KIND ? 'job' : 'record';
  return {
    ...reading,
    pictures: kept.data.pictures,
    problems: reading.problems.map((each) => ({ ...each, at: `${within}.${each.at ?? ''}` })),
  };
}

/** Checks a stored record as a file is checked. */
export function readStoredJob(record: unknown): JobFileReading {
  const format = formatOf(record);
  if (format > JOB_FORMAT) return refused(newer(format));
  const upgraded = upgradedJob(record);
  let parsed = Job.safeParse(upgraded);
  if (format < FIRST_WITHOUT_DANGLING && isOnlyDangling(parsed))
    parsed = Job.safeParse(withoutDangling(upgraded as Job));
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

function formatOf(record: unknown): number {
  const head = z.object({ format: z.number() }).safeParse(record);
  return head.success ? head.data.format : 0;
}

const isOnlyDangling = (parsed: ReturnType<typeof Job.safeParse>): boolean =>
  !parsed.success && parsed.error.issues.every(({ code }) => code === 'custom');

const newer = (format: number): Problem => ({
  code: 'file.newer',
  at: 'format',
  expected: `${JOB_FORMAT}`,
  found: `${format}`,
});

const refused = (...problems: Problem[]): Refused => ({
  job: null,
  pictures: {},
  problems,
});

/** The line JSON.parse stopped at, from the position in its message, or the last line. */
function errorLine(input: string, message: string): number {
  const position = /position (\d+)/.exec(message)?.[1];
  return input.slice(0, position === undefined ? undefined : Number(position)).split('\n').length;
}
