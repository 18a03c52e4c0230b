/**
 * Brings a job document of an older format up to today's, one format at a time. Only what a format added is
 * filled in, with “not known”; whether the rest is sound is asked afterwards, as of any document. What a format once meant
 * does not change any more: each keeps constants of its own.
 */
import { JOB_FORMAT } from '../document/job.ts';
import { toFormat2 } from './migrations/format2.ts';
import { toFormat3 } from './migrations/format3.ts';
import { toFormat4 } from './migrations/format4.ts';
import { toFormat5 } from './migrations/format5.ts';
import { toFormat6 } from './migrations/format6.ts';
import { toFormat7 } from './migrations/format7.ts';
import { toFormat8 } from './migrations/format8.ts';
import { toFormat9 } from './migrations/format9.ts';
import { toFormat10 } from './migrations/format10.ts';
import { toFormat11 } from './migrations/format11.ts';
import { toFormat12 } from './migrations/format12.ts';
import { toFormat13 } from './migrations/format13.ts';
import { toFormat14 } from './migrations/format14.ts';
import { isPart, type Migration } from './migrations/part.ts';

/** The first of them leads from format 1 to 2. */
const MIGRATIONS: readonly Migration[] = [
  toFormat2,
  toFormat3,
  toFormat4,
  toFormat5,
  toFormat6,
  toFormat7,
  toFormat8,
  toFormat9,
  toFormat10,
  toFormat11,
  toFormat12,
  toFormat13,
  toFormat14,
];

/** The first format in which every reference leads somewhere. */
export const FIRST_WITHOUT_DANGLING = 5;

export function upgradedJob(record: unknown): unknown {
  if (!isPart(record)) return record;
  let job = record;
  for (let format = Number(job['format']); format < JOB_FORMAT; format += 1) {
    const migration = MIGRATIONS[format - 1];
    if (migration === undefined) return record;
    job = migration.job(job);
  }
  return job;
}

/** A machine or card of a kept list that bears no format: whatever it lacks is filled in; what it has stays. */
export const upgradedMachine = (before: unknown): unknown =>
  MIGRATIONS.reduce((soFar, { machine }) => machine?.(soFar) ?? soFar, before);
export const upgradedCard = (before: unknown): unknown =>
  MIGRATIONS.reduce((soFar, { card }) => card?.(soFar) ?? soFar, before);
