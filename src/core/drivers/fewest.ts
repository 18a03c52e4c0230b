/**
 * The fewest of several things that cover together what any of them covers, and of as few the smallest: weighted set cover,
 * exact by branch and bound. It goes in steps, so that a search that takes long can be shown, and stopped with the best so far.
 */
import { outcome } from '../outcome.ts';
export interface Covering<Item> {
  readonly item: Item;
  readonly bytes: number;
  readonly covers: ReadonlySet<string>;
}

export interface Found<Item> {
  readonly items: readonly Item[];
  /** Whether it is known that no better choice exists. */
  readonly isFewest: boolean;
}

/** A column of the table: what can be taken, and the rows that it covers, as bits. */
interface Column {
  readonly index: number;
  readonly bytes: number;
  readonly rows: Bits;
}
type Bits = Uint32Array;

/** One choice on the way down: the rows left, and the columns that cover the row it settles, the next to try first. */
interface Frame {
  readonly left: Bits;
  readonly ways: readonly Column[];
  next: number;
  readonly taken: readonly Column[];
}

/** A part of the question that shares nothing with the others, and the best answer that is known. */
interface Part {
  readonly rows: readonly number[];
  /** By row. */
  readonly waysOf: ReadonlyMap<number, readonly Column[]>;
  best: readonly Column[];
}

/** Nodes between two answers of how far it is: some milliseconds. */
const NODES_A_STEP = 2_000;

/** Yields the best so far now and then; returns the best there is. */
export function* fewestSearch<Item>(
  all: readonly Covering<Item>[],
): Generator<Found<Item>, Found<Item>> {
  const parts = partsOf(all);
  const found = (isFewest: boolean): Found<Item> => ({
    items: parts
      .flatMap(({ best }) => best)
      .toSorted((a, b) => a.index - b.index)
      .map(({ index }) => all[index]!.item),
    isFewest,
  });
  let nodes = 0;
  for (const part of parts) {
    const frames = [frameOf(part, bitsOf(part.rows), [])];
    for (let frame = frames.at(-1); frame !== undefined; frame = frames.at(-1)) {
      nodes += 1;
      if (nodes % NODES_A_STEP === 0) yield found(false);
      const way = frame.ways[frame.next];
      frame.next += 1;
      if (way === undefined) {
        frames.pop();
        continue;
      }
      const taken = [...frame.taken, way];
      const left = without(frame.left, way.rows);
      if (isEmpty(left)) {
        if (isBetter(taken, part.best)) part.best = taken;
      } else if (mayBeBetter(part, left, taken)) frames.push(frameOf(part, left, taken));
    }
  }
  return found(true);
}

/** To its end. */
export function fewest<Item>(all: readonly Covering<Item>[]): readonly Item[] {
  return outcome(fewestSearch(all)).items;
}

/** What is left of the question once what cannot matter is out of it, in parts that share nothing. */
function partsOf<Item>(all: readonly Covering<Item>[]): readonly Part[] {
  const names = [...new Set(all.flatMap(({ covers }) => [...covers]))];
  const rowOf = new Map(names.map((name, row) => [name, row]));
  const columns = undominated(
    all
      .map(({ bytes, covers }, index): Column => {
        return { index, bytes, rows: bitsOf([...covers].map((name) => rowOf.get(name)!)) };
      })
      .filter(({ rows }) => !isEmpty(rows)),
  );
  const waysOf = new Map(
    names.map((_, row) => [row, columns.filter(({ rows }) => has(rows, row))] as const),
  );
  // A row that is covered by whatever covers another is covered with it.
  const rows = [...waysOf.keys()].filter((row) => {
    const own = new Set(waysOf.get(row));
    return ![...waysOf].some(
      ([other, ways]) =>
        other !== row &&
        ways.every((way) => own.has(way)) &&
        (ways.length < own.size || other < row),
    );
  });
  return connected(rows, waysOf).map((some) => {
    const part = { rows: some, waysOf, best: [] };
    return { ...part, best: greedy(part) };
  });
}

/** What covers no more than another of at most its bytes is left out. */
const undominated = (columns: readonly Column[]): readonly Column[] =>
  columns.filter(
    (a, n) =>
      !columns.some(
        (b, m) =>
          m !== n &&
          isEmpty(without(a.rows, b.rows)) &&
          b.bytes <= a.bytes &&
          (b.bytes < a.bytes || !isEmpty(without(b.rows, a.rows)) || m < n),
      ),
  );

function connected(
  rows: readonly number[],
  waysOf: ReadonlyMap<number, readonly Column[]>,
): readonly (readonly number[])[] {
  const parts: number[][] = [];
  const seen = new Set<number>();
  for (const first of rows) {
    if (seen.has(first)) continue;
    seen.add(first);
    const part = [first];
    for (const row of part)
      for (const { rows: covered } of waysOf.get(row) ?? [])
        for (const other of rows)
          if (!seen.has(other) && has(covered, other)) {
            seen.add(other);
            part.push(other);
          }
    parts.push(part);
  }
  return parts;
}

/** To begin with: always what covers most of what is left. */
function greedy({ rows, waysOf }: Omit<Part, 'best'>): readonly Column[] {
  const taken: Column[] = [];
  let left = bitsOf(rows);
  while (!isEmpty(left)) {
    const ways = rows.filter((row) => has(left, row)).flatMap((row) => waysOf.get(row) ?? []);
    const best = ways.reduce((a, b) => {
      const more = countIn(b.rows, left) - countIn(a.rows, left);
      return more > 0 || (more === 0 && b.bytes < a.bytes) ? b : a;
    });
    taken.push(best);
    left = without(left, best.rows);
  }
  return taken;
}

/** The row that fewest cover is settled next, by what covers most of what is left first. */
function frameOf({ rows, waysOf }: Part, left: Bits, taken: readonly Column[]): Frame {
  let fewestWays: readonly Column[] | null = null;
  for (const row of rows) {
    if (!has(left, row)) continue;
    const ways = waysOf.get(row) ?? [];
    if (fewestWays === null || ways.length < fewestWays.length) fewestWays = ways;
  }
  const ways = (fewestWays ?? []).toSorted(
    (a, b) => countIn(b.rows, left) - countIn(a.rows, left) || a.bytes - b.bytes,
  );
  return { left, ways, next: 0, taken };
}

const bytesOf = (taken: readonly Column[]): number =>
  taken.reduce((sum, { bytes }) => sum + bytes, 0);

const isBetter = (a: readonly Column[], b: readonly Column[]): boolean =>
  a.length < b.length || (a.length === b.length && bytesOf(a) < bytesOf(b));

/**
 * Two bounds of what the rows left cost at least, both admissible. Rows of which no two share a column need a column each, of at
 * least the bytes of the smallest of each. And a dual solution of the linear programme: a row weighs one over the most rows
 * that any of its columns covers, so that no column's rows weigh more than one together, and their sum is at most the
 * number of columns.
 */
function mayBeBetter({ rows, waysOf, best }: Part, left: Bits, taken: readonly Column[]): boolean {
  const open = rows
    .filter((row) => has(left, row))
    .map((row) => waysOf.get(row) ?? [])
    .toSorted((a, b) => a.length - b.length);
  const used = new Set<Column>();
  let apart = 0;
  let leastBytes = 0;
  let weight = 0;
  for (const ways of open) {
    let most = 1;
    for (const { rows: covered } of ways) most = Math.max(most, countIn(covered, left));
    weight += 1 / most;
    if (ways.some((way) => used.has(way))) continue;
    apart += 1;
    leastBytes += Math.min(...ways.map(({ bytes }) => bytes));
    for (const way of ways) used.add(way);
  }
  // Rounding must not make it more than it is.
  const least = taken.length + Math.max(apart, Math.ceil(weight - 1e-9));
  return (
    least < best.length || (least === best.length && bytesOf(taken) + leastBytes < bytesOf(best))
  );
}

const WORD = 32;

function bitsOf(rows: readonly number[]): Bits {
  const bits = new Uint32Array(Math.floor(Math.max(0, ...rows) / WORD) + 1);
  for (const row of rows) bits[row >> 5]! |= 1 << (row & 31);
  return bits;
}

const has = (bits: Bits, row: number): boolean =>
  row >> 5 < bits.length && (bits[row >> 5]! & (1 << (row & 31))) !== 0;
const without = (a: Bits, b: Bits): Bits => a.map((word, n) => word & ~(b[n] ?? 0));
const isEmpty = (bits: Bits): boolean => bits.every((word) => word === 0);

function countIn(a: Bits, b: Bits): number {
  let sum = 0;
  for (let n = Math.min(a.length, b.length) - 1; n >= 0; n -= 1) sum += ones(a[n]! & b[n]!);
  return sum;
}

/** Of a word, the bits that are set: in pairs, in fours, in eights, and together. */
function ones(word: number): number {
  let w = word - ((word >>> 1) & 0x55555555);
  w = (w & 0x33333333) + ((w >>> 2) & 0x33333333);
  return (((w + (w >>> 4)) & 0x0f0f0f0f) * 0x01010101) >>> 24;
}
