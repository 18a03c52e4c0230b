/** What a decoder could not read, and where. Data, never a sentence: the wording stands beside the screens. */
import type * as z from 'zod/mini';
import type { Expects } from '../parts/expects.ts';

export type ProblemCode =
  | 'input.tooLarge'
  | 'input.broken'
  | 'input.nothingFound'
  | 'field.outOfRange'
  | 'input.tooManyProblems'
  | 'line.tooLong'
  | 'header.idsMissing'
  | 'address.repeated'
  | 'hex.malformed'
  | 'hex.outOfOrder'
  | 'config.short'
  | 'config.allOnes'
  | 'config.headerType'
  | 'capability.denied'
  | 'capability.deniedMany'
  | 'capability.looped'
  | 'capability.broken'
  | 'capability.truncated'
  | 'link.speedNotSupported'
  | 'firmware.nothingFound'
  | 'firmware.structureLength'
  | 'firmware.structureCut'
  | 'firmware.stringsCut'
  | 'firmware.slotShort'
  | 'firmware.slotTypeOther'
  | 'firmware.sameAddress'
  | 'evidence.driverSetup'
  | 'screen.short'
  | 'screen.header'
  | 'screen.checksum'
  | 'screen.extensionsMissing'
  | 'setup.outsideSection'
  | 'setup.sectionOpen'
  | 'setup.quoteOpen'
  | 'setup.stringMissing'
  | 'setup.versionMissing'
  | 'setup.target'
  | 'setup.release'
  | 'system.nameMissing'
  | 'system.kernelMissing'
  | 'system.aliasesMissing'
  | 'system.aliasesTooMany'
  | 'system.portsUnreadable'
  | 'report.nothingFound'
  | 'report.unreadable'
  | 'report.noDrive'
  | 'result.unreadable'
  | 'result.failed'
  | 'result.nothingMeasured'
  | 'result.random'
  | 'result.noTime'
  | 'result.noColumns'
  | 'result.noFigure'
  | 'result.twoWays'
  | 'list.noIdentities'
  | 'list.placeMissing'
  | 'list.tooMany'
  | 'list.tooManyColumns'
  | 'list.row'
  | 'table.noRows'
  | 'table.tooManyRows'
  | 'table.cell'
  | 'table.rowTwice'
  | 'names.nothingFound'
  | 'bundle.newer'
  | 'bundle.sectionOpen'
  | 'bundle.notRead'
  | 'bundle.nested'
  | 'evidence.unknown'
  | 'evidence.tooMany'
  | 'evidence.tooLarge'
  | 'survey.tooMany'
  | 'file.notJson'
  | 'file.notAJob'
  | 'file.newer'
  | 'file.field'
  | 'repair.dropped'
  | 'backup.notABackup'
  | 'backup.cut'
  | 'backup.tooLarge'
  | 'backup.partMissing'
  | 'backup.partDamaged'
  | 'backup.partUnlisted'
  | 'backup.partTwice';

export interface Problem {
  readonly code: ProblemCode;
  /** Line of the input, counted from 1. */
  readonly line?: number;
  /** Byte offset within the file, or within the device's configuration space. */
  readonly offset?: number;
  /** The device, or the path of the field. */
  readonly at?: string;
  /** What belongs there; a text is as a tool or a format writes it. */
  readonly expected?: string | Expects;
  readonly found?: string;
}

/**
 * A whole number as it was printed, where it lies within what can be; else null, with a problem.
 * @param printed digits only
 */
export function within(
  printed: string | undefined,
  [least, most]: readonly [number, number],
  place: Pick<Problem, 'line' | 'at'>,
  problems: ProblemList,
): number | null {
  if (printed === undefined) return null;
  const value = Number(printed);
  if (value >= least && value <= most) return value;
  problems.add({
    code: 'field.outOfRange',
    ...place,
    expected: { as: 'range', least, most },
    found: printed.slice(0, 60),
  });
  return null;
}

/** As many of a list as a document holds; the rest goes, with a problem. */
export function upTo<Each>(
  most: number,
  list: readonly Each[],
  at: string,
  problems: ProblemList,
): readonly Each[] {
  if (list.length <= most) return list;
  problems.add({ code: 'list.tooMany', at, expected: `${most}`, found: `${list.length}` });
  return list.slice(0, most);
}

/** Collects problems up to a limit, so that rubbish yields a short list and not a long one. */
export class ProblemList {
  private readonly found: Problem[] = [];
  private full = false;
  /** Devices whose capabilities were not readable: for one reason, said once. */
  private denied = 0;
  constructor(private readonly limit = 50) {}

  add(problem: Problem): void {
    if (problem.code === 'capability.denied') this.denied += 1;
    if (problem.code === 'capability.denied' && this.denied > 1) return;
    if (this.found.length < this.limit) this.found.push(problem);
    else this.full = true;
  }

  get all(): readonly Problem[] {
    const found =
      this.denied < 2
        ? this.found
        : this.found.map((each): Problem =>
            each.code === 'capability.denied'
              ? { code: 'capability.deniedMany', found: String(this.denied) }
              : each,
          );
    return this.full
      ? [...found, { code: 'input.tooManyProblems', found: String(this.limit) }]
      : found;
  }
}

/** A path of property names and places in lists, as one text; empty for the whole. */
export const pathText = (path: readonly PropertyKey[]): string => path.map(String).join('.');

/** What a schema found at a place that does not belong there. */
export const fieldProblem = (issue: z.core.$ZodIssue): Problem => ({
  code: 'file.field',
  at: pathText(issue.path),
  expected: expectedBy(issue),
});

/** What would belong at the place of an issue. */
export function expectedBy(issue: z.core.$ZodIssue): string | Expects {
  switch (issue.code) {
    case 'invalid_type':
      return issue.expected;
    case 'invalid_value':
      return { as: 'choice', of: issue.values.map(String) };
    case 'too_small':
      return { as: 'atLeast', value: String(issue.minimum) };
    case 'too_big':
      return { as: 'atMost', value: String(issue.maximum) };
    case 'invalid_format':
      return issue.format === 'regex' ? { as: 'like', pattern: issue.pattern ?? '' } : issue.format;
    case 'custom':
      return (issue.params?.['expected'] as Expects | undefined) ?? { as: 'other' };
    default:
      return { as: 'other' };
  }
}
