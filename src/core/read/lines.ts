/** A text line by line, as reports come: numbered from 1, those beyond all reason told and left out. */
import type { ProblemList } from './problem.ts';

const LONGEST_LINE = 4_096;

export function* linesOf(
  input: string,
  problems: ProblemList,
): Generator<{ readonly line: number; readonly raw: string }> {
  let line = 0;
  for (const raw of input.split('\n')) {
    line += 1;
    if (raw.length <= LONGEST_LINE) yield { line, raw };
    else problems.add({ code: 'line.tooLong', line, expected: `${LONGEST_LINE}` });
  }
}
