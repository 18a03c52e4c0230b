/** What `fio --output-format=json` prints. Source: its own JSON output, version 3.33, and its manual. */
import * as z from 'zod/mini';
import type { RunDirection } from '../../parts/run.ts';
import type { ProblemList } from '../problem.ts';
import { measured, isRate, jsonIn, type Result } from './result.ts';
import type { TextReader } from '../reader.ts';

export const fio = {
  kind: 'fio',
  head: [/"fio version"\s{0,9}:/],
  read: measured(readFio),
} satisfies TextReader;

const Side = z.object({
  io_bytes: z.number(),
  /** Bytes per second. */
  bw_bytes: z.number(),
  /** Milliseconds. */
  runtime: z.number(),
});

const Report = z.object({
  jobs: z.array(
    z.object({
      jobname: z.optional(z.string()),
      error: z.optional(z.number()),
      read: z.optional(Side),
      write: z.optional(Side),
      'job options': z.optional(z.record(z.string(), z.unknown())),
    }),
  ),
  'global options': z.optional(z.record(z.string(), z.unknown())),
});

/** One result a job and direction. Never throws. */
function readFio(input: string, problems: ProblemList): readonly Result[] {
  const report = Report.safeParse(jsonIn(input));
  if (!report.success) {
    problems.add({ code: 'result.unreadable', line: 1, expected: '{"fio version": …, "jobs": …}' });
    return [];
  }
  const { jobs } = report.data;
  const results = jobs.flatMap((job): readonly Result[] => {
    const at = job.jobname?.slice(0, 60) ?? '';
    const options = { ...report.data['global options'], ...job['job options'] };
    if ((job.error ?? 0) !== 0) {
      problems.add({ code: 'result.failed', at, found: `error ${job.error}` });
      return [];
    }
    // Blocks here and there are not what one large file shows.
    if (String(options['rw'] ?? '').startsWith('rand')) {
      problems.add({ code: 'result.random', at, found: String(options['rw']) });
      return [];
    }
    const sides = [
      ['read', job.read],
      ['write', job.write],
    ] as const;
    return sides.flatMap(([direction, side]) => sideOf(direction, side, at));
  });
  if (results.length === 0 && problems.all.length === 0)
    problems.add({ code: 'result.nothingMeasured', line: 1, expected: 'jobs[].read.bw_bytes' });
  return results;
}

const sideOf = (
  direction: RunDirection,
  side: z.infer<typeof Side> | undefined,
  jobname: string,
): readonly Result[] =>
  side === undefined || side.io_bytes <= 0 || !isRate(side.bw_bytes)
    ? []
    : [
        {
          kind: 'rate',
          of: 'drive',
          what: 'large',
          direction,
          bytesPerSecond: side.bw_bytes,
          bytes: side.io_bytes,
          seconds: side.runtime > 0 ? side.runtime / 1_000 : null,
          files: 1,
          words: jobname === '' ? 'fio' : `fio ${jobname}`,
        },
      ];
