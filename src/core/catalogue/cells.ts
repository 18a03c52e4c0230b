/** Kinds of cells in a table of the catalogue: how each prints its value and reads it back. */
import type { Expects } from '../parts/expects.ts';
import { isWithin, type NumberBounds } from '../parts/shape.ts';
import { inHex } from '../units.ts';
import { typedNumber } from '../read/numberMarks.ts';

export interface CellKind<Value = unknown> {
  readonly expects: Expects;
  readonly print: (value: Value) => string;
  /** Undefined for input that is not of this kind. */
  readonly parse: (text: string) => Value | undefined;
  /** Where only a few values exist. */
  readonly options?: readonly string[];
}

export const TEXT_CELL: CellKind<string> = {
  expects: { as: 'text' },
  print: (text) => text,
  parse: (text) => (text !== '' && text.length <= 200 ? text : undefined),
};

/** A text that may be empty. */
export const MAYBE_TEXT_CELL: CellKind<string> = {
  ...TEXT_CELL,
  parse: (text) => (text === '' ? text : TEXT_CELL.parse(text)),
};

/** A number within bounds. @param read what was typed, in the unit in which it is kept */
export function numberCell(
  given: Partial<NumberBounds> & Pick<NumberBounds, 'least' | 'most'>,
  read: (text: string) => number | null = typedNumber,
): CellKind<number> {
  const bounds: NumberBounds = { over: false, whole: true, ...given };
  return {
    expects: { as: 'number', bounds },
    print: String,
    parse: (text) => {
      const value = read(text);
      return value !== null && isWithin(bounds, value) ? value : undefined;
    },
  };
}

/** Money as people write it, kept as whole cents: never through a fraction. */
export const MONEY_CELL: CellKind<number> = {
  expects: { as: 'amount' },
  print: (cents) => `${Math.trunc(cents / 100)}.${String(cents % 100).padStart(2, '0')}`,
  parse: (text) => {
    const [, units, hundredths = ''] = /^(\d{1,7})(?:[.,](\d{1,2}))?$/.exec(text) ?? [];
    return units === undefined
      ? undefined
      : Number(units) * 100 + Number(hundredths.padEnd(2, '0'));
  },
};

export const YES_NO_CELL: CellKind<boolean> = {
  expects: { as: 'yesNo' },
  options: ['yes', 'no'],
  print: (value) => (value ? 'yes' : 'no'),
  parse: (text) => ({ yes: true, no: false })[text.toLowerCase()],
};

/** One of a few values. */
export const choiceCell = <Value extends string | number>(
  values: readonly Value[],
): CellKind<Value> => ({
  expects: { as: 'choice', of: values.map(String) },
  options: values.map(String),
  print: String,
  parse: (text) => values.find((value) => String(value).toLowerCase() === text.toLowerCase()),
});

/** Parts joined by a mark; where that is in a part itself it has “\\” before it, and a part of nothing is “\\” alone. */
export const joined = (parts: readonly string[], mark: string, between: string): string =>
  parts
    .map((part) =>
      part.trim() === '' ? '\\' : part.replaceAll('\\', '\\\\').replaceAll(mark, `\\${mark}`),
    )
    .join(between);

export function separated(text: string, mark: string): readonly string[] {
  const parts: string[] = [];
  let part = '';
  for (let n = 0; n < text.length; n += 1) {
    if (text[n] === mark) {
      parts.push(part.trim());
      part = '';
      continue;
    }
    if (text[n] === '\\') n += 1;
    part += text.charAt(n);
  }
  return [...parts, part.trim()];
}

/** A part that is said once for several that are alike: “2 × 8-pin”. */
const COUNTED = /^(\d{1,2}) ?[x×] ?(\S.*)$/i;

function partsOf<Value>(of: CellKind<Value>, text: string): readonly Value[] | undefined {
  const value = of.parse(text);
  if (value !== undefined) return [value];
  const [, count, what] = COUNTED.exec(text) ?? [];
  const each = what === undefined ? undefined : of.parse(what);
  return each === undefined ? undefined : Array.from({ length: Number(count) }, () => each);
}

/**
 * Whatever parts print and parse, joined by “+”. Where that does not read, commas and semicolons are taken to stand between
 * parts, as in the lists of the survey.
 * @param most how many there may be
 */
export const listCell = <Value>(
  of: CellKind<Value>,
  most = Infinity,
): CellKind<readonly Value[]> => ({
  expects: { as: 'list', of: of.expects },
  print: (values) => {
    const text = joined(values.map(of.print), '+', ' + ');
    return text.toLowerCase() === 'none' ? `\\${text}` : text;
  },
  parse: (text) => {
    if (text === '' || text.toLowerCase() === 'none') return [];
    const all = (parts: readonly string[]): readonly Value[] | undefined => {
      const read = parts.map((part) => partsOf(of, part));
      return read.every((part) => part !== undefined) ? read.flat() : undefined;
    };
    const values = all(separated(text, '+')) ?? all(text.split(/[,;]/).map((part) => part.trim()));
    return values !== undefined && values.length <= most ? values : undefined;
  },
});

/** A value that may be missing; an empty cell then. */
export const optionalCell = <Value>(of: CellKind<Value>): CellKind<Value | null> => ({
  ...of,
  expects: { as: 'maybe', of: of.expects },
  print: (value) => (value === null ? '' : of.print(value)),
  parse: (text) => (text === '' ? null : of.parse(text)),
});

/** Two values with a mark between them. */
export const pairCell = <First extends string, Second extends string, A, B>(
  [firstKey, first]: readonly [First, CellKind<A>],
  mark: string,
  [secondKey, second]: readonly [Second, CellKind<B>],
): CellKind<Record<First, A> & Record<Second, B>> => ({
  expects: { as: 'pair', of: [first.expects, second.expects], mark },
  print: (value) => `${first.print(value[firstKey])}${mark}${second.print(value[secondKey])}`,
  parse: (text) => {
    // A cell is without blanks at its ends, and so without that of a mark before nothing.
    const whole = text.endsWith(mark.trimEnd()) ? `${text} ` : text;
    const at = whole.indexOf(mark);
    if (at === -1) return undefined;
    const a = first.parse(whole.slice(0, at).trim());
    const b = second.parse(whole.slice(at + mark.length).trim());
    return a === undefined || b === undefined
      ? undefined
      : ({ [firstKey]: a, [secondKey]: b } as Record<First, A> & Record<Second, B>);
  },
});

/** A value with a word that may stand after it. */
export const markedCell = <Value extends object, Key extends string, Mark extends string>(
  of: CellKind<Value>,
  key: Key,
  marks: readonly Mark[],
): CellKind<Value & { readonly [Each in Key]?: Mark | undefined }> => ({
  expects: { as: 'marked', of: of.expects, marks },
  print: (value) => [of.print(value), value[key] ?? []].flat().join(' '),
  parse: (text) => {
    const mark = marks.find((each) => text.toLowerCase().endsWith(` ${each.toLowerCase()}`));
    const value = of.parse(mark === undefined ? text : text.slice(0, -mark.length).trim());
    return value === undefined || mark === undefined
      ? value
      : ({ ...value, [key]: mark } as Value & { readonly [Each in Key]?: Mark });
  },
});

/** Hexadecimal numbers of a few digits. */
export const hexCell = (digits: number): CellKind<number> => ({
  expects: { as: 'hex', digits },
  print: (value) => inHex(value, digits),
  parse: (text) =>
    new RegExp(`^(0x)?[0-9a-f]{1,${digits}}$`, 'i').test(text)
      ? Number.parseInt(text.replace(/^0x/i, ''), 16)
      : undefined,
});
