/** What `iperf3 -J` prints at the end of a test. Source: its own JSON output, version 3.12, and its manual. */
import * as z from 'zod/mini';
import type { ProblemList } from '../problem.ts';
import { measured, isRate, jsonIn, type Result } from './result.ts';
import type { TextReader } from '../reader.ts';

export const iperf3 = {
  kind: 'iperf3',
  head: [/"version"\s{0,9}:\s{0,9}"iperf 3/],
  read: measured(readIperf3),
} satisfies TextReader;

const Sum = z.object({
  bytes: z.number(),
  seconds: z.number(),
  bits_per_second: z.number(),
});

const Report = z.object({
  start: z.optional(
    z.object({
      test_start: z.optional(
        z.object({
          num_streams: z.optional(z.number()),
          reverse: z.optional(z.number()),
          bidir: z.optional(z.number()),
        }),
      ),
    }),
  ),
  end: z.optional(
    z.object({
      sum_sent: z.optional(Sum),
      sum_received: z.optional(Sum),
      sum_sent_bidir_reverse: z.optional(Sum),
      sum_received_bidir_reverse: z.optional(Sum),
      /** Of a test without connections. */
      sum: z.optional(Sum),
    }),
  ),
  error: z.optional(z.string()),
});

/** What arrived counts, and not what was sent. Never throws. */
function readIperf3(input: string, problems: ProblemList): readonly Result[] {
  const report = Report.safeParse(jsonIn(input));
  if (!report.success) {
    problems.add({ code: 'result.unreadable', line: 1, expected: '{"start": …, "end": …}' });
    return [];
  }
  const { start, end, error } = report.data;
  if (error !== undefined) {
    problems.add({ code: 'result.failed', line: 1, found: error.slice(0, 120) });
    return [];
  }
  const { num_streams = 1, reverse = 0 } = start?.test_start ?? {};
  const words = num_streams > 1 ? `iperf3, ${num_streams} streams` : 'iperf3';
  const there = reverse === 1 ? 'read' : 'write';
  const back = reverse === 1 ? 'write' : 'read';
  const sums = [
    [there, end?.sum_received ?? end?.sum_sent ?? end?.sum],
    [back, end?.sum_received_bidir_reverse ?? end?.sum_sent_bidir_reverse],
  ] as const;
  const results = sums.flatMap(([direction, sum]): readonly Result[] =>
    sum === undefined || !isRate(sum.bits_per_second / 8)
      ? []
      : [
          {
            kind: 'rate',
            of: 'wire',
            what: 'wire',
            direction,
            bytesPerSecond: sum.bits_per_second / 8,
            bytes: sum.bytes,
            seconds: sum.seconds,
            files: null,
            words,
          },
        ],
  );
  if (results.length === 0)
    problems.add({ code: 'result.nothingMeasured', line: 1, expected: 'end.sum_received' });
  return results;
}
