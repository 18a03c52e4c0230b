/**
 * What `hdparm -t` prints of a drive that is read from its beginning. Its megabytes are of 1,048,576 bytes: it prints 64 MB of a
 * drive that has 67,108,864. Source: hdparm 9.65, as it prints and counts.
 */
import { linesOf } from '../lines.ts';
import type { ProblemList } from '../problem.ts';
import type { TextReader } from '../reader.ts';
import { isRate, measured, type Result } from './result.ts';

export const hdparm = {
  kind: 'hdparm',
  head: [/^ Timing [\w ]{1,30} reads: {0,9}\d{1,9} MB in /m],
  read: measured(readHdparm),
} satisfies TextReader;

/** What comes out of the drive; cached reads come out of memory. */
const DRIVE_READ =
  /^ Timing (?:buffered|O_DIRECT) disk reads: {0,9}(\d{1,9}) MB in {1,9}(\d{1,6}\.\d\d) seconds =/;
const MEGABYTE = 2 ** 20;

/** One result a drive that was read. Never throws. */
function readHdparm(input: string, problems: ProblemList): readonly Result[] {
  const results = [...linesOf(input, problems)].flatMap(({ raw }): readonly Result[] => {
    const match = DRIVE_READ.exec(raw);
    const [bytes, seconds] = [Number(match?.[1]) * MEGABYTE, Number(match?.[2])];
    return match === null || !isRate(bytes / seconds)
      ? []
      : [
          {
            kind: 'rate',
            of: 'drive',
            what: 'large',
            direction: 'read',
            bytesPerSecond: bytes / seconds,
            bytes,
            seconds,
            files: null,
            words: 'hdparm',
          },
        ];
  });
  if (results.length === 0)
    problems.add({
      code: 'result.nothingMeasured',
      line: 1,
      expected: 'Timing buffered disk reads',
    });
  return results;
}
