/**
 * Setup information files, by which a system knows what a driver package drives: sections, lines and fields, with their
 * strings put in. Source: the published rules for such files (general syntax, strings, DriverVer; from memory); checked
 * against another program's reading of the same files.
 */
import type { ProblemList } from '../problem.ts';
import type { TextReader } from '../reader.ts';

/** A driver's setup file names devices that it drives: none of them need be in this machine. */
export const driverSetup = {
  kind: 'driverSetup',
  head: [/^[ \t]*\[version\][ \t]*\r?$/im],
  read(_, problems) {
    problems.add({ code: 'evidence.driverSetup', line: 1 });
    return { found: 0, says: {} };
  },
} satisfies TextReader;

/** A line “key = value, value”, or “value, value” without a key; strings are put in. */
export interface InfLine {
  /** Line of the file where it begins, counted from 1. */
  readonly line: number;
  readonly key: string | null;
  readonly values: readonly string[];
}

export interface Inf {
  /** By their names in small letters: sections of one name are one. */
  readonly sections: ReadonlyMap<string, readonly InfLine[]>;
}

const LONGEST_FILE = 8 * 1024 * 1024;
const LONGEST_FIELD = 4_095;
const MOST_LINES = 200_000;
/** English as spoken in the United States, in which most packages name their devices. */
const USUAL_LANGUAGE = 0x0409;
const END_OF_TEXT = '\u001a';

/** @param language in which names are wanted, as systems number them: `[Strings.0407]` */
export function readInf(input: string, problems: ProblemList, language = USUAL_LANGUAGE): Inf {
  if (input.length > LONGEST_FILE) {
    problems.add({
      code: 'input.tooLarge',
      expected: `${LONGEST_FILE}`,
      found: `${input.length}`,
    });
    return { sections: new Map() };
  }
  const raw = new InfParser(input, problems).parsed();
  const strings = stringsOf(raw, language);
  const missing = new Set<string>();
  const put = (text: string, line: number) =>
    withStrings(text, strings, (name) => {
      if (missing.has(name)) return;
      missing.add(name);
      problems.add({ code: 'setup.stringMissing', line, found: name });
    });
  return {
    sections: new Map(
      [...raw].map(([name, lines]) => [
        name,
        lines.map(({ line, key, values }) => ({
          line,
          key: key === null ? null : put(key, line),
          values: values.map((value) => put(value, line)),
        })),
      ]),
    ),
  };
}

export const linesIn = ({ sections }: Inf, section: string): readonly InfLine[] =>
  sections.get(section.toLowerCase()) ?? [];

/** The first value of a key; null where the section has none. */
export const valueIn = (inf: Inf, section: string, key: string): string | null =>
  linesIn(inf, section).find((each) => each.key?.toLowerCase() === key.toLowerCase())?.values[0] ??
  null;

type Sections = Map<string, InfLine[]>;

/** The section of the language, then of its family in any country, then the plain one: the first that has a name. */
function stringsOf(sections: Sections, language: number): ReadonlyMap<string, string> {
  const hex = (code: number) => code.toString(16).padStart(4, '0');
  const names = ['strings', `strings.${hex(language & 0x3ff)}`, `strings.${hex(language)}`];
  return new Map(
    names.flatMap((name) =>
      (sections.get(name) ?? []).flatMap(({ key, values: [value = ''] }): [string, string][] =>
        key === null ? [] : [[key.toLowerCase(), value]],
      ),
    ),
  );
}

/** `%name%` by its string, `%%` by a single sign; what is not known, and numbered folders, stay as they are. */
function withStrings(
  text: string,
  strings: ReadonlyMap<string, string>,
  onMissing: (name: string) => void,
): string {
  const parts = text.split('%');
  if (parts.length === 1) return text;
  let said = parts[0] ?? '';
  for (let n = 1; n < parts.length; n += 1) {
    const name = parts[n] ?? '';
    // A sign that nothing closes.
    if (n === parts.length - 1) said += `%${name}`;
    else {
      const string = name === '' ? '%' : strings.get(name.toLowerCase());
      if (string === undefined && !/^\d+$/.test(name)) onMissing(name);
      said += (string ?? `%${name}%`) + (parts[n + 1] ?? '');
      n += 1;
    }
  }
  return said;
}

/** Letter by letter, once: what a letter means depends on where it stands. */
class InfParser {
  private readonly sections: Sections = new Map();
  private at = 0;
  private line = 1;
  private lineEnd = -1;
  private lines = 0;
  private section: InfLine[] | null = null;

  constructor(
    private readonly input: string,
    private readonly problems: ProblemList,
  ) {}

  parsed(): Sections {
    while (this.at < this.input.length && this.lines < MOST_LINES) {
      const sign = this.input[this.at] ?? '';
      if (sign === END_OF_TEXT) break;
      if (isBlank(sign) || sign === '\n') this.step();
      else if (sign === ';') this.skipLine();
      else if (sign === '[') this.beginSection();
      else if (this.section === null) this.strayLine();
      else this.readLine(this.section);
    }
    return this.sections;
  }

  private step(): void {
    if (this.input[this.at] === '\n') this.line += 1;
    this.at += 1;
  }

  /** Looked for once a line, however often it is asked for. */
  private endOfLine(): number {
    if (this.at > this.lineEnd) {
      const end = this.input.indexOf('\n', this.at);
      this.lineEnd = end === -1 ? this.input.length : end;
    }
    return this.lineEnd;
  }

  private skipLine(): void {
    this.at = this.endOfLine();
  }

  private strayLine(): void {
    this.problems.add({ code: 'setup.outsideSection', line: this.line });
    this.skipLine();
  }

  private beginSection(): void {
    const rest = this.input.slice(this.at + 1, this.endOfLine());
    const close = rest.indexOf(']');
    if (close === -1) this.problems.add({ code: 'setup.sectionOpen', line: this.line });
    else {
      const name = rest.slice(0, close).toLowerCase();
      this.section = this.sections.get(name) ?? [];
      this.sections.set(name, this.section);
    }
    this.skipLine();
  }

  /** Up to the end of the line; a backslash at its end leads it on in the next. */
  private readLine(section: InfLine[]): void {
    const { line } = this;
    let key: string | null = null;
    const values: string[] = [];
    let first = true;
    for (;;) {
      const { text, end } = this.readField(first);
      if (end === '=') key = text;
      else if (!(first && end === 'end' && text === '')) values.push(text);
      if (end === 'end') break;
      first = false;
    }
    this.lines += 1;
    if (key !== null || values.length > 0) section.push({ line, key, values });
  }

  /** One field without the blanks around it; quotes go, and what stands in them is taken as it is. */
  private readField(mayBeKey: boolean): { readonly text: string; readonly end: '=' | ',' | 'end' } {
    let text = '';
    /** As much of it as does not end in blanks outside quotes. */
    let kept = 0;
    const done = (end: '=' | ',' | 'end') => {
      const field = text.slice(0, kept);
      if (field.length > LONGEST_FIELD)
        this.problems.add({
          code: 'line.tooLong',
          line: this.line,
          expected: `${LONGEST_FIELD}`,
        });
      return { text: field.slice(0, LONGEST_FIELD), end };
    };
    while (this.at < this.input.length) {
      const sign = this.input[this.at] ?? '';
      if (sign === '\n' || sign === END_OF_TEXT) return done('end');
      if (sign === ';') {
        this.skipLine();
        return done('end');
      }
      if (sign === ',' || (sign === '=' && mayBeKey)) {
        this.at += 1;
        return done(sign);
      }
      if (sign === '\\' && this.leadsOn()) continue;
      if (sign === '"') {
        text += this.readQuoted();
        kept = text.length;
        continue;
      }
      this.at += 1;
      if (!isBlank(sign)) {
        text += sign;
        kept = text.length;
      } else if (kept > 0) text += sign;
    }
    return done('end');
  }

  /** Whether only blanks or a remark follow the backslash: then the line goes on after them. */
  private leadsOn(): boolean {
    let after = this.at + 1;
    while (isBlank(this.input[after] ?? '')) after += 1;
    const sign = this.input[after] ?? '\n';
    if (sign !== '\n' && sign !== ';') return false;
    this.at = after;
    if (sign === ';') this.skipLine();
    this.step();
    while (isBlank(this.input[this.at] ?? '')) this.at += 1;
    return true;
  }

  /** Two quotes within quotes are one. An end of line closes what nothing else does. */
  private readQuoted(): string {
    let text = '';
    this.at += 1;
    for (;;) {
      const close = this.input.indexOf('"', this.at);
      const stop = this.endOfLine();
      if (close === -1 || stop < close) {
        text += this.input.slice(this.at, stop).replace(/\r$/, '');
        this.problems.add({ code: 'setup.quoteOpen', line: this.line });
        this.at = stop;
        return text;
      }
      text += this.input.slice(this.at, close);
      this.at = close + 1;
      if (this.input[this.at] !== '"') return text;
      text += '"';
      this.at += 1;
    }
  }
}

const isBlank = (sign: string): boolean =>
  sign === ' ' || sign === '\t' || sign === '\r' || sign === '\v' || sign === '\f';
