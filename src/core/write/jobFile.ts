/** Writes a job as the text of a `*.tenant.json` file, and the JSON Schema that is published for it. */
import * as z from 'zod/mini';
import { JOB_FORMAT, type Job } from '../document/job.ts';
import { JOB_FILE_KIND, JobFile, SET_ASIDE_KIND } from '../read/jobFile.ts';
import type { Pictures } from '../read/storedJob.ts';

const JOB_FILE_ENDING = '.tenant.json';

/** @param pictures photographs to take along, by their ids; none where they are not wanted */
export function writeJobFile(job: Job, pictures: Pictures = {}): string {
  const taken = Object.keys(pictures).length === 0 ? {} : { pictures };
  return `${JSON.stringify({ kind: JOB_FILE_KIND, format: JOB_FORMAT, job, ...taken }, null, 2)}\n`;
}

/** A record that no longer reads as a job, as the text of a file that comes back when it is imported. */
export const writeSetAside = (record: unknown): string =>
  `${JSON.stringify({ kind: SET_ASIDE_KIND, record }, null, 2)}\n`;

/** A file name without anything that a file system or a shell could stumble over. */
export function jobFileName(job: Job): string {
  const plain = (job.title || job.customer || 'job')
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-|-$/g, '');
  return `${plain || 'job'}${JOB_FILE_ENDING}`;
}

/** What is alike in several places stands once, by reference. */
export function jobFileSchema(): object {
  return z.toJSONSchema(JobFile, { target: 'draft-2020-12', reused: 'ref' });
}
