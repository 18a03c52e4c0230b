/** Reads a `*.tenant.json` file. A file that is damaged or newer gives problems with their place, and no job. */
import * as z from 'zod/mini';
import { id } from '../parts/fact.ts';
import { JOB_FORMAT, Job } from '../parts/job.ts';
import type { Problem } from './problem.ts';
import { upgradedFile, upgradedJob } from './upgrade.ts';

export const JOB_FILE_KIND = 'tenant-job';
const LARGEST_FILE = 32 * 1024 * 1024;
const MOST_PROBLEMS = 8;

const Picture = z.string().check(z.regex(/^data:image\/[a-z+.-]+;base64,[A-Za-z0-9+/=]*$/));

export const JobFile = z.object({
  kind: z.literal(JOB_FILE_KIND),
  format: z.literal(JOB_FORMAT),
  job: Job,
  /** Photographs as data addresses, by their ids, where they were wanted in the file. */
  pictures: z.optional(z.record(id, Picture)),
});

/** Photographs as data addresses, by the ids their job knows them by. */
export type Pictures = Readonly<Record<string, string>>;

export type JobFileReading =
  | { readonly job: Job; readonly pictures: Pictures; readonly problems: readonly [] }
  | { readonly job: null; readonly pictures: Pictures; readonly problems: readonly Problem[] };

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
  const head = z.object({ kind: z.literal(JOB_FILE_KIND), format: z.number() }).safeParse(data);
  if (!head.success) return refused({ code: 'file.notAJob', expected: JOB_FILE_KIND });
  if (head.data.format > JOB_FORMAT) {
    return refused({
      code: 'file.newer',
      at: 'format',
      expected: `${JOB_FORMAT}`,
      found: `${head.data.format}`,
    });
  }
  const parsed = JobFile.safeParse(upgradedFile(data, head.data.format));
  if (parsed.success)
    return { job: parsed.data.job, pictures: parsed.data.pictures ?? {}, problems: [] };
  return refused(...parsed.error.issues.slice(0, MOST_PROBLEMS).map(fieldProblem));
}

/** Checks a stored record as a file is checked. */
export function readStoredJob(record: unknown): JobFileReading {
  const parsed = Job.safeParse(upgradedJob(record));
  if (parsed.success) return { job: parsed.data, pictures: {}, problems: [] };
  return refused(...parsed.error.issues.slice(0, MOST_PROBLEMS).map(fieldProblem));
}

const refused = (...problems: Problem[]): JobFileReading => ({
  job: null,
  pictures: {},
  problems,
});

function fieldProblem(issue: z.core.$ZodIssue): Problem {
  return {
    code: 'file.field',
    at: issue.path.length === 0 ? '(the whole record)' : issue.path.map(String).join('.'),
    expected: expectedBy(issue),
  };
}

function expectedBy(issue: z.core.$ZodIssue): string {
  switch (issue.code) {
    case 'invalid_type':
      return issue.expected;
    case 'invalid_value':
      return issue.values.map(String).join(', ');
    case 'too_small':
      return `at least ${issue.minimum}`;
    case 'too_big':
      return `at most ${issue.maximum}`;
    case 'invalid_format':
      return issue.format === 'regex' ? `text like ${issue.pattern ?? ''}` : issue.format;
    default:
      return 'another value';
  }
}

/** The line JSON.parse stopped at, from the position in its message, or the last line. */
function errorLine(input: string, message: string): number {
  const position = /position (\d+)/.exec(message)?.[1];
  return input.slice(0, position === undefined ? undefined : Number(position)).split('\n').length;
}
