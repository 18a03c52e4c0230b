/**
 * Cards from a table in a file: columns are matched by their names, rows become cards or problems with their
 * place, and nothing is taken until the one who imports has seen both.
 */
import type { Expects } from '../parts/expects.ts';
import Papa from 'papaparse';
import { Card } from '../document/card.ts';
import { type DeliveryKind, cardKindOf } from '../kinds/delivery.ts';
import type { Problem } from '../read/problem.ts';
import {
  CARD_COLUMNS,
  MODULE_CELL,
  columnsFor,
  plainCard,
  printCell,
  takeCell,
  type Column,
} from './columns.ts';
import { HEADINGS } from './headings.ts';

const LARGEST_FILE = 4 * 1024 * 1024;
const MOST_ROWS = 5_000;

export interface CatalogueTable {
  readonly header: readonly string[];
  readonly rows: readonly (readonly string[])[];
  /** Lines of the file at which each row begins, counted from 1. */
  readonly lines: readonly number[];
}

/** Which column of the table each column of a file is, by its place; null: left out. */
export type Matching = readonly (string | null)[];

export interface ReadRow {
  readonly line: number;
  /** What the row calls itself, for the preview. */
  readonly name: string;
  readonly card: Card | null;
  readonly problems: readonly Problem[];
}

/** The table of columns has one of this key, or no card could be told apart from another kind. */
const KIND_COLUMN = CARD_COLUMNS.find(({ key }) => key === 'kind')!;

/** The table in a file, or what keeps it from being one. Separators are found by looking. */
export function readCatalogueTable(
  input: string,
): { readonly table: CatalogueTable } | { readonly problem: Problem } {
  if (input.length > LARGEST_FILE) {
    return {
      problem: {
        code: 'input.tooLarge',
        expected: String(LARGEST_FILE),
        found: String(input.length),
      },
    };
  }
  const { data } = Papa.parse<string[]>(input.replace(/^\uFEFF/, ''), { skipEmptyLines: false });
  const lines: number[] = [];
  const filled = data.filter((row, n) => {
    const some = row.some((cell) => cell.trim() !== '');
    if (some) lines.push(n + 1);
    return some;
  });
  const [header, ...rows] = filled;
  if (header === undefined || rows.length === 0) return { problem: { code: 'table.noRows' } };
  if (rows.length > MOST_ROWS) {
    return {
      problem: {
        code: 'table.tooManyRows',
        expected: String(MOST_ROWS),
        found: String(rows.length),
      },
    };
  }
  return { table: { header: header.map((cell) => cell.trim()), rows, lines: lines.slice(1) } };
}

const bare = (text: string): string => text.toLowerCase().replaceAll(/[^a-z0-9]+/g, '');

/** Every name that a column may have, its key first. */
const BY_NAME: ReadonlyMap<string, Column> = new Map(
  [
    ...CARD_COLUMNS.flatMap((column) =>
      [column.path, ...(HEADINGS[column.key] ?? []).toReversed()].map((name) => ({ name, column })),
    ),
    ...CARD_COLUMNS.map((column) => ({ name: column.key, column })),
  ].map(({ name, column }) => [bare(name), column]),
);

/** Columns by their key, or by another name for it, whatever blanks, marks and capitals they are written with. */
export function matchColumns({ header }: CatalogueTable): Matching {
  const taken = new Set<string>();
  return header.map((name) => {
    const column = BY_NAME.get(bare(name));
    if (column === undefined || taken.has(column.key)) return null;
    taken.add(column.key);
    return column.key;
  });
}

/** Keys of columns that no card can be made without, and that no column of the file is matched with. */
export const missingColumns = (matching: Matching): readonly string[] =>
  CARD_COLUMNS.filter(({ required, key }) => required && !matching.includes(key)).map(
    ({ key }) => key,
  );

/** @param idFor an id for a card of this maker and model that no other has */
export function readRows(
  { rows, lines }: CatalogueTable,
  matching: Matching,
  idFor: (maker: string, model: string) => string,
): readonly ReadRow[] {
  const given = new Map<string, number>();
  // A file may have any number of columns that nobody asks for: each row is read by those that count.
  const matched = matching.flatMap((key, at) => (key === null ? [] : [{ key, at }]));
  return rows.map((row, n) => {
    const line = lines[n] ?? n + 2;
    const cells = matched.map(({ key, at }) => ({ key, text: row[at]?.trim() ?? '' }));
    const told = (key: string) => cells.find((each) => each.key === key)?.text ?? '';
    const name = `${told('maker')} ${told('model')}`.trim();
    const { card, problems } = readRow(row, cells, matching.length, line);
    if (card === null) return { line, name, card, problems };
    const first = given.get(name);
    given.set(name, first ?? line);
    if (first !== undefined) {
      const twice: Problem = { code: 'table.rowTwice', line, at: name, found: String(first) };
      return { line, name, card: null, problems: [twice] };
    }
    return { line, name, card: { ...card, id: idFor(card.maker, card.model) }, problems };
  });
}

function readRow(
  row: readonly string[],
  cells: readonly { readonly key: string; readonly text: string }[],
  columns: number,
  line: number,
): { readonly card: Card | null; readonly problems: readonly Problem[] } {
  if (row.length > columns) {
    return {
      card: null,
      problems: [{ code: 'list.row', line, expected: String(columns), found: String(row.length) }],
    };
  }
  const problems: Problem[] = [];
  const kindCell = cells.find(({ key }) => key === 'kind')?.text.toLowerCase() ?? '';
  const kind = KIND_COLUMN.cell.options?.find((option) => option.toLowerCase() === kindCell);
  const refuse = ({ key, cell }: Column, text: string) =>
    problems.push({ code: 'table.cell', line, at: key, expected: cell.expects, found: text });
  if (kind === undefined) {
    refuse(KIND_COLUMN, kindCell);
    return { card: null, problems };
  }
  let card = plainCard(kind as DeliveryKind);
  for (const { key, text } of cells) {
    const column = columnsFor(kind as DeliveryKind).find((each) => each.key === key);
    // Cells for other kinds of card, and empty cells of what need not be told, say nothing.
    if (column === undefined || column === KIND_COLUMN || (text === '' && !column.required))
      continue;
    const taken = takeCell(card, column, text);
    if (taken === undefined) refuse(column, text);
    else card = taken;
  }
  problems.push(...contradictionsIn(card, line));
  if (problems.length > 0) return { card: null, problems };
  const parsed = Card.safeParse(card);
  return parsed.success
    ? { card: parsed.data, problems: [] }
    : {
        card: null,
        problems: parsed.error.issues.map(({ path }) => ({
          code: 'file.field',
          line,
          at: path.map(String).join('.'),
          expected: { as: 'other' },
        })),
      };
}

/** Where a cell is empty. */
const NOTHING = '–';

/** What cannot be true of one card at once. */
export function contradictionsIn(card: Card, line?: number): readonly Problem[] {
  const place = line === undefined ? {} : { line };
  const wrong = (at: string, expected: Expects, found: string): Problem => ({
    code: 'table.cell',
    ...place,
    at,
    expected,
    found,
  });
  return [
    ...(card.slotWatts > card.peakWatts
      ? [
          wrong(
            'slotWatts',
            { as: 'atMostPeak', value: String(card.peakWatts) },
            String(card.slotWatts),
          ),
        ]
      : []),
    ...(card.sockets.length === 0 && card.slotWatts < card.peakWatts
      ? [wrong('sockets', { as: 'socket' }, NOTHING)]
      : []),
    ...(card.brackets.length === 0 ? [wrong('brackets', { as: 'brackets' }, NOTHING)] : []),
    ...(card.brackets.length > 0 && !card.brackets.includes(card.bracketMounted)
      ? [wrong('bracketMounted', { as: 'choice', of: card.brackets }, card.bracketMounted)]
      : []),
    ...((card.bus === 'm2') === (card.m2 === null)
      ? [
          wrong(
            'm2',
            { as: 'onlyOfModules' },
            card.m2 === null ? NOTHING : MODULE_CELL.print(card.m2),
          ),
        ]
      : []),
    ...((card.bus === 'pci') === (card.keying === null)
      ? [wrong('keying', { as: 'onlyOfClassicPci' }, card.keying ?? NOTHING)]
      : []),
    ...(card.fan !== null && card.fan.toMm <= card.fan.fromMm
      ? [wrong('fan', { as: 'beyondMm', value: String(card.fan.fromMm) }, String(card.fan.toMm))]
      : []),
    ...cardKindOf(card.delivers)
      .contradictions(card.delivers)
      .map(({ path, most, found }) =>
        wrong(
          `${card.delivers.kind}.${path}`,
          { as: 'atMost', value: String(most) },
          String(found),
        ),
      ),
  ];
}

/** The whole catalogue as a table that reads back as it was. */
export function writeCatalogue(cards: readonly Card[]): string {
  return Papa.unparse({
    fields: CARD_COLUMNS.map(({ key }) => key),
    data: cards.map((card) =>
      CARD_COLUMNS.map((column) =>
        column.kind === undefined || column.kind === card.delivers.kind
          ? guarded(printCell(card, column))
          : '',
      ),
    ),
  });
}

/** A text that a spreadsheet would take for a formula stays a text. */
const guarded = (text: string): string => (/^[-+=@\t\r]/.test(text) ? ` ${text}` : text);
