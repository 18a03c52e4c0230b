/**
 * Numbers of a table, whatever marks thousands and decimals in it. “1,234” alone can be read two ways: what else stands in its
 * column, in the file, and what keeps the columns apart decide; where nothing does, it is not guessed.
 */
export type Mark = '.' | ',';

/** Blanks of all widths and the apostrophe set thousands apart and nothing else. */
const plain = (printed: string): string =>
  printed.trim().replaceAll(/[ \u00a0\u2009\u202f'’]/g, '');

/** Digits with marks between them, a power of ten allowed behind. */
const NUMBER = /^([+-]?)([\d.,]{1,30})(e[+-]?\d{1,2})?$/i;
const WHOLE = /^\d{1,30}$/;
const GROUPED = /^\d{1,3}(?:[.,]\d{3}){1,9}$/;

/** The mark of decimals as this number itself shows it; null where it shows none, or could be read two ways. */
function markShown(printed: string): Mark | null {
  const text = plain(printed);
  const marks = [...text].filter((sign): sign is Mark => sign === '.' || sign === ',');
  const last = marks.at(-1);
  if (last === undefined) return null;
  const other = last === '.' ? ',' : '.';
  if (marks.includes(other)) return last;
  // The same mark several times sets thousands apart.
  if (marks.length > 1) return other;
  const [before = '', behind = ''] = text.split(last);
  const isGroup = /^\d{3}$/.test(behind) && /^[+-]?[1-9]\d{0,2}$/.test(before);
  return isGroup ? null : last;
}

/** The mark that all of some numbers show; null where they show none, or not the same. */
export function markOf(column: readonly string[]): Mark | null {
  const shown = new Set(column.flatMap((printed) => markShown(printed) ?? []));
  return shown.size === 1 ? ([...shown][0] ?? null) : null;
}

/**
 * The number, 'ambiguous' where it can be read two ways, or null where it is none.
 * @param mark that of decimals, as column or file have it; null: nobody knows
 */
export function numberIn(printed: string, mark: Mark | null): number | 'ambiguous' | null {
  const [, sign = '', digits = '', power = ''] = NUMBER.exec(plain(printed)) ?? [];
  const decimal = markShown(digits) ?? mark;
  if (/[.,]/.test(digits) && decimal === null) return 'ambiguous';
  const [whole = '', behind = '', ...more] = decimal === null ? [digits] : digits.split(decimal);
  const isNumber =
    more.length === 0 &&
    (WHOLE.test(whole) || GROUPED.test(whole)) &&
    (behind === '' || WHOLE.test(behind));
  return isNumber
    ? Number(`${sign}${whole.replaceAll(/[.,]/g, '')}.${behind || '0'}${power}`)
    : null;
}

/** What keeps columns apart tells what decimals are marked by: files with semicolons come from where that is the comma. */
export const markBeside = (delimiter: string): Mark | null =>
  delimiter === ',' ? '.' : delimiter === ';' ? ',' : null;

/**
 * A number that somebody types: a dot marks decimals, and a comma may; “1,234” is asked for again and not guessed.
 * Null for what is no number, or could be two.
 */
export function typedNumber(text: string): number | null {
  const value = numberIn(text, text.includes('.') ? '.' : null);
  return value === 'ambiguous' ? null : value;
}
