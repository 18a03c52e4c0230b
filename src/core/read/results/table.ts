/** Measurements as a table: any with a row of column names, of which one is a rate, or one is bytes and one is seconds. */
import Papa from 'papaparse';
import type { RunDirection, RunKind } from '../../parts/run.ts';
import type { ProblemList } from '../problem.ts';
import { markBeside, markOf, numberIn, type Mark } from '../numberMarks.ts';
import { measured, isRate, type Result } from './result.ts';
import type { TextReader } from '../reader.ts';

export const resultTable = {
  kind: 'resultTable',
  firstLine: (line) => isResultTable(line),
  read: measured(readResultTable),
} satisfies TextReader;

type Column = 'rate' | 'bytes' | 'seconds' | 'files' | 'direction' | 'what' | 'name';

/** What columns are called, and what one of their units is in bytes, bytes per second or seconds. */
const NAMES: readonly (readonly [RegExp, Column, number])[] = [
  [
    /^(?:rate|speed|throughput|bandwidth)?[ (]*mb\/s\)?$|^megabytes per second$|^mbytes?\/s$/,
    'rate',
    1e6,
  ],
  [/^(?:rate|speed|throughput|bandwidth)?[ (]*mib\/s\)?$/, 'rate', 2 ** 20],
  [/^(?:rate|speed|throughput|bandwidth)?[ (]*gb\/s\)?$/, 'rate', 1e9],
  [/^(?:rate|speed|throughput|bandwidth)?[ (]*(?:mbit\/s|mbps|mb?its?\/s)\)?$/, 'rate', 1e6 / 8],
  [/^(?:rate|speed|throughput|bandwidth)?[ (]*(?:gbit\/s|gbps)\)?$/, 'rate', 1e9 / 8],
  [/^(?:bytes\/s(?:ec)?|bytes per second|bytes_per_second)$/, 'rate', 1],
  [/^(?:bytes|size|size \(bytes\))$/, 'bytes', 1],
  [/^(?:size )?\(?mb\)?$|^megabytes$/, 'bytes', 1e6],
  [/^(?:size )?\(?gb\)?$|^gigabytes$/, 'bytes', 1e9],
  [/^(?:seconds|secs?|s|time \(s\)|duration \(s\)|duration)$/, 'seconds', 1],
  [/^(?:ms|milliseconds|time \(ms\))$/, 'seconds', 1e-3],
  [/^(?:files|file count|number of files)$/, 'files', 1],
  [/^(?:direction|way|operation|op)$/, 'direction', 1],
  [/^(?:test|kind|what)$/, 'what', 1],
  [/^(?:name|run|label|note|file)$/, 'name', 1],
];

const DIRECTIONS: Readonly<Record<string, RunDirection>> = {
  read: 'read',
  write: 'write',
  from: 'read',
  to: 'write',
  download: 'read',
  upload: 'write',
};
const KINDS: Readonly<Record<string, RunKind>> = {
  large: 'large',
  small: 'small',
  own: 'own',
  wire: 'wire',
};

const MOST_ROWS = 200;

interface Found {
  readonly at: number;
  readonly times: number;
}

/** Never throws: rows without a figure are problems, each with its line. */
function readResultTable(input: string, problems: ProblemList): readonly Result[] {
  const { data, meta } = Papa.parse<string[]>(input, { skipEmptyLines: 'greedy' });
  const [head = [], ...rows] = data;
  const columns = new Map<Column, Found>();
  head.forEach((name, at) => {
    const found = columnOf(name);
    if (found !== null && !columns.has(found.column))
      columns.set(found.column, { at, times: found.times });
  });
  if (!columns.has('rate') && !(columns.has('bytes') && columns.has('seconds'))) {
    problems.add({ code: 'result.noColumns', line: 1, expected: 'MB/s' });
    return [];
  }
  if (rows.length > MOST_ROWS)
    problems.add({ code: 'list.tooMany', expected: `${MOST_ROWS}`, found: `${rows.length}` });
  const marks = marksOf(rows, columns, meta.delimiter);
  return rows.slice(0, MOST_ROWS).flatMap((row, n) => rowOf(row, n + 2, columns, marks, problems));
}

const NUMBERS: readonly Column[] = ['rate', 'bytes', 'seconds', 'files'];

/** The mark of decimals in each column of numbers: by itself, else by the other columns, else by what keeps columns apart. */
function marksOf(
  rows: readonly (readonly string[])[],
  columns: ReadonlyMap<Column, Found>,
  delimiter: string,
): ReadonlyMap<Column, Mark | null> {
  const texts = (column: Column): readonly string[] => {
    const found = columns.get(column);
    return found === undefined ? [] : rows.map((row) => row[found.at] ?? '');
  };
  const ofFile = markOf(NUMBERS.flatMap(texts)) ?? markBeside(delimiter);
  return new Map(NUMBERS.map((column) => [column, markOf(texts(column)) ?? ofFile]));
}

/** Whether the first line names columns of measurements. */
const isResultTable = (firstLine: string): boolean => {
  const names = firstLine.split(/[,;\t]/, 40).map(columnOf);
  return (
    names.length > 1 &&
    (names.some((found) => found?.column === 'rate') ||
      (['bytes', 'seconds'] as const).every((wanted) =>
        names.some((found) => found?.column === wanted),
      ))
  );
};

function columnOf(name: string): { readonly column: Column; readonly times: number } | null {
  const plain = name.trim().replaceAll('"', '').toLowerCase().slice(0, 60);
  const found = NAMES.find(([pattern]) => pattern.test(plain));
  return found === undefined ? null : { column: found[1], times: found[2] };
}

function rowOf(
  row: readonly string[],
  line: number,
  columns: ReadonlyMap<Column, Found>,
  marks: ReadonlyMap<Column, Mark | null>,
  problems: ProblemList,
): readonly Result[] {
  const text = (column: Column): string => {
    const found = columns.get(column);
    return found === undefined ? '' : (row[found.at] ?? '').trim();
  };
  const number = (column: Column): number | null => {
    const value = numberIn(text(column), marks.get(column) ?? null);
    if (value === 'ambiguous') ambiguous.push(text(column));
    return typeof value !== 'number' || value <= 0
      ? null
      : value * (columns.get(column)?.times ?? 1);
  };
  const ambiguous: string[] = [];
  const bytes = number('bytes');
  const seconds = number('seconds');
  const rate = number('rate') ?? (bytes !== null && seconds !== null ? bytes / seconds : null);
  const [twoWays] = ambiguous;
  if (twoWays !== undefined) {
    problems.add({ code: 'result.twoWays', line, found: twoWays.slice(0, 40) });
    return [];
  }
  if (rate === null || !isRate(rate)) {
    problems.add({ code: 'result.noFigure', line, found: row.join(', ').slice(0, 80) });
    return [];
  }
  const files = number('files');
  return [
    {
      kind: 'rate',
      of: 'copy',
      what: KINDS[text('what').toLowerCase()] ?? 'own',
      direction: DIRECTIONS[text('direction').toLowerCase()] ?? null,
      bytesPerSecond: rate,
      bytes,
      seconds,
      files: files === null ? null : Math.max(1, Math.round(files)),
      words: text('name').slice(0, 80),
    },
  ];
}
