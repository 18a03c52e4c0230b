/**
 * DisplayID sections inside a screen's report: modes beyond what a base block can tell, tiles, the product's name.
 * Sources: VESA DisplayID 1.3 (timings of type I and II, tiled topology) and 2.0 (type VII); from memory, checked
 * against edid-decode in the reference tests.
 */
import type { ByteReader } from '../byteReader.ts';
import { ctaDataBlocks, readCtaData, type CtaReading } from './cta.ts';
import { timed, type ReportedMode } from './modes.ts';

const PRODUCT = [0x00, 0x20];
const TIMING_I = 0x03;
const TIMING_II = 0x04;
const TIMING_VII = 0x22;
const TILED = [0x12, 0x28];
const CTA = 0x81;
const FIRST_BLOCK = 5;
const HEAD_BYTES = 3;
const LONG_TIMING_BYTES = 20;
const SHORT_TIMING_BYTES = 11;
const TILED_BYTES = 22;
const NAME_AT = 11;

/** How a picture is laid out over several streams. */
export interface Tiles {
  readonly across: number;
  readonly down: number;
  /** Which of them this report tells of, counted from 0. */
  readonly column: number;
  readonly row: number;
  readonly widthPx: number;
  readonly heightPx: number;
}

export interface DisplayIdReading {
  readonly modes: readonly ReportedMode[];
  readonly preferred: ReportedMode | null;
  readonly tiles: Tiles | null;
  readonly name: string | null;
  readonly cta: readonly CtaReading[];
}

interface DataBlock {
  readonly tag: number;
  readonly revision: number;
  readonly at: number;
  readonly length: number;
}

export function readDisplayId(block: ByteReader, size: number): DisplayIdReading {
  const data = dataBlocks(block, size);
  const timings = data.flatMap((each) => timingsOf(block, each));
  return {
    modes: timings.map(({ mode }) => mode),
    preferred: timings.find(({ isPreferred }) => isPreferred)?.mode ?? null,
    tiles: data.flatMap((each) => tilesOf(block, each) ?? [])[0] ?? null,
    name: data.flatMap((each) => nameOf(block, each) ?? [])[0] ?? null,
    cta: data
      .filter(({ tag }) => tag === CTA)
      .map(({ at, length }) => readCtaData(block, ctaDataBlocks(block, at, at + length))),
  };
}

function dataBlocks(block: ByteReader, size: number): readonly DataBlock[] {
  const found: DataBlock[] = [];
  const end = Math.min(FIRST_BLOCK + block.u8(2), size - 1);
  let at = FIRST_BLOCK;
  while (at + HEAD_BYTES <= end) {
    const [tag, revision, length] = [block.u8(at), block.u8(at + 1), block.u8(at + 2)];
    // What is left is filling.
    if (tag === 0 && length === 0) break;
    if (at + HEAD_BYTES + length > end) break;
    found.push({ tag, revision, at: at + HEAD_BYTES, length });
    at += HEAD_BYTES + length;
  }
  return found;
}

interface Timed {
  readonly mode: ReportedMode;
  readonly isPreferred: boolean;
}

function timingsOf(block: ByteReader, data: DataBlock): readonly Timed[] {
  const { tag, revision, at, length } = data;
  if (![TIMING_I, TIMING_II, TIMING_VII].includes(tag)) return [];
  const extra = tag === TIMING_VII ? (revision & 0x70) >> 4 : 0;
  const bytes = tag === TIMING_II ? SHORT_TIMING_BYTES : LONG_TIMING_BYTES + extra;
  const read = tag === TIMING_II ? shortTiming : longTiming;
  return Array.from({ length: Math.floor(length / bytes) }, (_, n) => at + n * bytes).flatMap(
    (from) => {
      const options = block.u8(from + 3);
      // The clock counts from one: steps of 1 kHz in type VII, of 10 kHz before.
      const steps = block.u16(from) + (block.u8(from + 2) << 16) + 1;
      const clock = steps * (tag === TIMING_VII ? 1_000 : 10_000);
      const mode = read(block, from, clock, (options & 0x10) !== 0);
      return mode === null ? [] : [{ mode, isPreferred: (options & 0x80) !== 0 }];
    },
  );
}

/** Sixteen bits a figure, each less one. */
function longTiming(block: ByteReader, from: number, clock: number, interlaced: boolean) {
  const figure = (at: number) => block.u16(from + at) + 1;
  return progressive(clock, figure(4), figure(6), figure(12), figure(14), interlaced);
}

/** Widths in eights of pixels; figures share bytes. */
function shortTiming(block: ByteReader, from: number, clock: number, interlaced: boolean) {
  const byte = (at: number) => block.u8(from + at);
  return progressive(
    clock,
    8 + 8 * (byte(4) | ((byte(5) & 1) << 8)),
    8 + 8 * (byte(5) >> 1),
    1 + (byte(7) | ((byte(8) & 0x0f) << 8)),
    1 + byte(9),
    interlaced,
  );
}

/** Lines are told of the whole picture, also where it is drawn in two fields. */
function progressive(
  clock: number,
  widthPx: number,
  blankPx: number,
  lines: number,
  blankLines: number,
  interlaced: boolean,
): ReportedMode | null {
  const fields = interlaced ? 2 : 1;
  return timed({
    clock,
    widthPx,
    blankPx,
    lines: lines / fields,
    blankLines: blankLines / fields,
    interlaced,
  });
}

function tilesOf(block: ByteReader, { tag, at, length }: DataBlock): Tiles | null {
  if (!TILED.includes(tag) || length < TILED_BYTES) return null;
  const byte = (n: number) => block.u8(at + n);
  const high = byte(3);
  return {
    across: ((byte(1) >> 4) | ((high >> 2) & 0x30)) + 1,
    down: ((byte(1) & 0x0f) | (high & 0x30)) + 1,
    column: (byte(2) >> 4) | ((high << 2) & 0x30),
    row: (byte(2) & 0x0f) | ((high << 4) & 0x30),
    widthPx: block.u16(at + 4) + 1,
    heightPx: block.u16(at + 6) + 1,
  };
}

/** Maker, product, serial and date stand before it; the serial is not read. */
function nameOf(block: ByteReader, { tag, at, length }: DataBlock): string | null {
  if (!PRODUCT.includes(tag) || length <= NAME_AT) return null;
  const count = Math.min(block.u8(at + NAME_AT), length - NAME_AT - 1);
  const letters = Array.from({ length: count }, (_, n) => block.u8(at + NAME_AT + 1 + n));
  const name = letters
    .map((byte) => (byte >= 0x20 && byte < 0x7f ? String.fromCharCode(byte) : ''))
    .join('')
    .trim();
  return name === '' ? null : name;
}
