/** Reads a `*.tenant.json` file. A file that is damaged or newer gives problems with their place, and no job. */
import * as z from 'zod/mini';
import { id } from '../parts/limits.ts';
import { JOB_FORMAT, Job } from '../document/job.ts';
import { readStoredJob } from './anyFormat.ts';
import { fieldProblem } from './problem.ts';
import { MOST_PROBLEMS, newer, Picture, refused, type JobFileReading } from './storedJob.ts';

export const JOB_FILE_KIND = 'tenant-job';
/** Of a record that no longer read as a job, exported as it was. */
export const SET_ASIDE_KIND = 'tenant-set-aside';
const LARGEST_FILE = 256 * 1024 * 1024;
export const JobFile = z.object({
  kind: z.literal(JOB_FILE_KIND),
  format: z.literal(JOB_FORMAT),
  job: Job,
  /** Photographs as data addresses, by their ids, where they were wanted in the file. */
  pictures: z.optional(z.record(id, Picture)),
});

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

/** The line JSON.parse stopped at, from the position in its message, or the last line. */
function errorLine(input: string, message: string): number {
  const position = /position (\d+)/.exec(message)?.[1];
  return input.slice(0, position === undefined ? undefined : Number(position)).split('\n').length;
}
