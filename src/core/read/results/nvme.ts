/**
 * What `nvme smart-log -o json` says of a drive: its temperature, in kelvin, and how much of its rated life is used. Source: what
 * nvme-cli 2 prints; NVM Express Base Specification, health log (from memory).
 */
import * as z from 'zod/mini';
import type { ProblemList } from '../problem.ts';
import { measured, driveSeen, jsonIn, type Result } from './result.ts';
import type { TextReader } from '../reader.ts';

export const nvme = {
  kind: 'nvme',
  head: [/"avail_spare"\s{0,9}:/],
  read: measured(readNvme),
} satisfies TextReader;

const Log = z.object({ temperature: z.number(), percent_used: z.optional(z.number()) });

const FREEZING_KELVIN = 273;

function readNvme(input: string, problems: ProblemList): readonly Result[] {
  const log = Log.safeParse(jsonIn(input));
  const seen = log.success
    ? driveSeen(log.data.temperature - FREEZING_KELVIN, log.data.percent_used)
    : [];
  if (seen.length === 0)
    problems.add({ code: 'result.unreadable', line: 1, expected: '{"temperature": …}' });
  return seen;
}
