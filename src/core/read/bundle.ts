/**
 * The one file that the survey script writes: several files one after the other, each line of theirs indented
 * by a blank, and a note for everything that could not be read.
 */
import { SURVEY_BUNDLE_HEAD, SURVEY_BUNDLE_VERSION } from '../standards/surveyBundle.ts';
import type { ProblemList } from './problem.ts';

export interface BundledFile {
  readonly name: string;
  readonly text: string;
}

const SECTION = /^== (\S.*)$/;
const NOT_READ = /^!! (.+)$/;
const END = 'end';

export const isBundle = (text: string): boolean => text.startsWith(SURVEY_BUNDLE_HEAD);

export function readBundle(text: string, problems: ProblemList): readonly BundledFile[] {
  const lines = text.split('\n').map((line) => line.replace(/\r$/, ''));
  const version = Number(lines[0]?.slice(SURVEY_BUNDLE_HEAD.length));
  if (!(version <= SURVEY_BUNDLE_VERSION)) {
    problems.add({
      code: 'bundle.newer',
      line: 1,
      expected: `${SURVEY_BUNDLE_VERSION}`,
      found: `${version}`,
    });
    return [];
  }
  const files: { name: string; lines: string[] }[] = [];
  let ended = false;
  lines.slice(1).forEach((line, n) => {
    const section = SECTION.exec(line)?.[1];
    if (section === END) ended = true;
    else if (section !== undefined) files.push({ name: section.slice(0, 200), lines: [] });
    else if (line.startsWith(' ')) files.at(-1)?.lines.push(line.slice(1));
    else {
      const left = NOT_READ.exec(line)?.[1];
      if (left !== undefined)
        problems.add({ code: 'bundle.notRead', line: n + 2, found: left.slice(0, 200) });
    }
  });
  if (!ended)
    problems.add({ code: 'bundle.sectionOpen', line: lines.length, expected: `== ${END}` });
  return files.map(({ name, lines: own }) => ({ name, text: own.join('\n') }));
}
