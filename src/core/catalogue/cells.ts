/** Kinds of cells in a table of the catalogue: how each prints its value and reads it back. */
import { inHex } from '../units.ts';
import { typedNumber } from '../read/numberMarks.ts';

export interface CellKind<Value = unknown> {
  /** For the sentence that refuses other input. */
  readonly expects: string;
  readonly print: (value: Value) => string;
  /** Undefined for input that is not of this kind. */
  readonly parse: (text: string) => Value | undefined;
  /** Where only a few values exist. */
  readonly options?: readonly string[];
}

export const TEXT_CELL: CellKind<string> = {
  expects: 'a text of up to 200 characters',
  print: (text) => text,
  parse: (text) => (text !== '' && text.length <= 200 ? text : undefined),
};

/** A text that may be empty. */
export const MAYBE_TEXT_CELL: CellKind<string> = {
  ...TEXT_CELL,
  parse: (text) => (text === '' ? text : TEXT_CELL.parse(text)),
};

export const numberCell = (least: number, most: number, whole = true): CellKind<number> => ({
  expects: `a ${whole ? 'whole ' : ''}number from ${least} to ${most}`,
  print: String,
  parse: (text) => {
    if (!/^-?\d+([.,]\d+)?$/.test(text)) return undefined;
    const value = typedNumber(text);
    return value !== null && value >= least && value <= most && (!whole || Number.isInteger(value))
      ? value
      : undefined;
  },
});

/** Money as people write it, kept as whole cents: never through a fraction. */
export const MONEY_CELL: CellKind<number> = {
  expects: 'an amount such as 49 or 49.90',
  print: (cents) => `${Math.trunc(cents / 100)}.${String(cents % 100).padStart(2, '0')}`,
  parse: (text) => {
    const [, units, hundredths = ''] = /^(\d{1,7})(?:[.,](\d{1,2}))?$/.exec(text) ?? [];
    return units === undefined
      ? undefined
      : Number(units) * 100 + Number(hundredths.padEnd(2, '0'));
  },
};

export const YES_NO_CELL: CellKind<boolean> = {
  expects: 'yes or no',
  options: ['yes', 'no'],
  print: (value) => (value ? 'yes' : 'no'),
  parse: (text) => ({ yes: true, no: false })[text.toLowerCase()],
};

/** One of a few values. */
export const choiceCell = <Value extends string | number>(
  values: readonly Value[],
): CellKind<Value> => ({
  expects: values.join(', '),
  options: values.map(String),
  print: String,
  parse: (text) => values.find((value) => String(value).toLowerCase() === text.toLowerCase()),
});

/** Whatever parts print and parse, joined by “+”. */
export const listCell = <Value>(of: CellKind<Value>): CellKind<readonly Value[]> => ({
  expects: `none, or a list joined by “+” of: ${of.expects}`,
  print: (values) => values.map(of.print).join(' + '),
  parse: (text) => {
    if (text === '' || text.toLowerCase() === 'none') return [];
    const parts = text.split('+').map((part) => of.parse(part.trim()));
    return parts.every((part) => part !== undefined) ? parts : undefined;
  },
});

/** A value that may be missing; an empty cell then. */
export const optionalCell = <Value>(of: CellKind<Value>): CellKind<Value | null> => ({
  ...of,
  expects: `nothing, or ${of.expects}`,
  print: (value) => (value === null ? '' : of.print(value)),
  parse: (text) => (text === '' ? null : of.parse(text)),
});

/** Two values with a mark between them. */
export const pairCell = <First extends string, Second extends string, A, B>(
  [firstKey, first]: readonly [First, CellKind<A>],
  mark: string,
  [secondKey, second]: readonly [Second, CellKind<B>],
): CellKind<Record<First, A> & Record<Second, B>> => ({
  expects: `${first.expects}, “${mark}”, ${second.expects}`,
  print: (value) => `${first.print(value[firstKey])}${mark}${second.print(value[secondKey])}`,
  parse: (text) => {
    const at = text.lastIndexOf(mark);
    if (at === -1) return undefined;
    const a = first.parse(text.slice(0, at).trim());
    const b = second.parse(text.slice(at + mark.length).trim());
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
  expects: `${of.expects}, and after it nothing, or one of ${marks.join(', ')}`,
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
  expects: `${digits} hexadecimal digits`,
  print: (value) => inHex(value, digits),
  parse: (text) =>
    new RegExp(`^(0x)?[0-9a-f]{1,${digits}}$`, 'i').test(text)
      ? Number.parseInt(text.replace(/^0x/i, ''), 16)
      : undefined,
});
