/** Writes a job as the text of a `*.tenant.json` file, and the JSON Schema that is published for it. */
import * as z from 'zod/mini';
import { JOB_FORMAT, type Job } from '../parts/job.ts';
import { JOB_FILE_KIND, JobFile } from '../read/jobFile.ts';

export const JOB_FILE_ENDING = '.tenant.json';

export function writeJobFile(job: Job): string {
  return `${JSON.stringify({ kind: JOB_FILE_KIND, format: JOB_FORMAT, job }, null, 2)}\n`;
}

/** A file name without anything that a file system or a shell could stumble over. */
export function jobFileName(job: Job): string {
  const plain = (job.title || job.customer || 'job')
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-+|-+$/g, '');
  return `${plain || 'job'}${JOB_FILE_ENDING}`;
}

export function jobFileSchema(): object {
  return z.toJSONSchema(JobFile, { target: 'draft-2020-12' });
}
