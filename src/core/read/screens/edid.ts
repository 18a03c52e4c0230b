/**
 * Decodes what a screen says of itself: name, inputs, modes.
 * Sources: VESA E-EDID 1.4 (base block), CTA-861-H (extension block and its video codes), HDMI 1.4b and 2.1 vendor
 * blocks; all from memory, checked against edid-decode in the reference tests.
 */
import { CTA_MODES, type ScreenInput } from '../../standards/screens.ts';
import { ByteReader } from '../byteReader.ts';
import type { ProblemList } from '../problem.ts';

const BLOCK_BYTES = 128;
const HEADER = [0x00, 0xff, 0xff, 0xff, 0xff, 0xff, 0xff, 0x00] as const;
const DESCRIPTORS = [0x36, 0x48, 0x5a, 0x6c] as const;
const DESCRIPTOR_BYTES = 18;
const DESCRIPTOR_NAME = 0xfc;
const CTA_EXTENSION = 0x02;
const CTA_VIDEO = 2;
const CTA_VENDOR = 3;
const OUI_HDMI = 0x000c03;
const OUI_HDMI_FORUM = 0xc45dd8;
const MOST_BLOCKS = 256;

/** Digital interfaces that EDID 1.4 names. */
const INTERFACES: Readonly<Record<number, ScreenInput>> = {
  1: 'dvi',
  2: 'hdmi',
  3: 'hdmi',
  5: 'displayport',
};

export interface ReportedMode {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly refreshHz: number;
  readonly pixelClockHz: number;
  readonly interlaced: boolean;
}

export interface ScreenReading {
  /** Three letters that stand for the maker, and its number for the model. */
  readonly maker: string;
  readonly product: number;
  readonly name: string | null;
  readonly version: string;
  readonly input: ScreenInput;
  readonly widthMm: number | null;
  readonly heightMm: number | null;
  /** The mode the screen wants to run at; null where it names none. */
  readonly preferred: ReportedMode | null;
  /** Detailed modes and those named by a video code, in the order of the report. */
  readonly modes: readonly ReportedMode[];
  /** Fastest pixel clock over HDMI, where the screen names one. */
  readonly hdmiClockHz: number | null;
  /** Extension blocks the screen says it has. */
  readonly extensions: number;
  /** Whether every block that was read adds up. */
  readonly checksumsHold: boolean;
}

export const startsAsEdid = (bytes: Uint8Array): boolean =>
  HEADER.every((byte, n) => bytes[n] === byte);

/** @returns null (with a problem) where the base block is not there whole */
export function readEdid(bytes: Uint8Array, problems: ProblemList): ScreenReading | null {
  const reader = new ByteReader(bytes);
  if (!reader.has(0, BLOCK_BYTES)) {
    problems.add({
      code: 'screen.short',
      offset: bytes.length,
      expected: `${BLOCK_BYTES}`,
      found: `${bytes.length}`,
    });
    return null;
  }
  if (!startsAsEdid(bytes)) {
    problems.add({ code: 'screen.header', offset: 0 });
    return null;
  }
  const version = `${reader.u8(0x12)}.${reader.u8(0x13)}`;
  const detailed = DESCRIPTORS.flatMap((at) => detailedMode(reader, at) ?? []);
  const extensions = reader.u8(0x7e);
  const blocks = extensionBlocks(bytes, extensions, problems);
  const cta = blocks.filter((block) => block.u8(0) === CTA_EXTENSION).map(readCta);
  const hdmi = cta.find((block) => block.isHdmi);
  const clocks = cta.flatMap((block) => block.hdmiClockHz ?? []);
  return {
    maker: makerLetters(reader),
    product: reader.u16(0x0a),
    name: nameOf(reader),
    version,
    input: hdmi === undefined ? inputOf(reader, version) : 'hdmi',
    widthMm: size(reader.u8(0x15), reader.u8(0x16)),
    heightMm: size(reader.u8(0x16), reader.u8(0x15)),
    preferred: prefersFirst(reader, version) ? detailedMode(reader, DESCRIPTORS[0]) : null,
    modes: distinct([...detailed, ...cta.flatMap((block) => block.modes)]),
    hdmiClockHz: clocks.length === 0 ? null : Math.max(...clocks),
    extensions,
    checksumsHold: [reader, ...blocks]
      .map((block, n) => checksumHolds(block, n, problems))
      .every(Boolean),
  };
}

/** The blocks after the first; fewer than announced is a problem, not a refusal. */
function extensionBlocks(
  bytes: Uint8Array,
  announced: number,
  problems: ProblemList,
): readonly ByteReader[] {
  const there = Math.min(Math.floor(bytes.length / BLOCK_BYTES) - 1, MOST_BLOCKS);
  if (there < announced) {
    problems.add({
      code: 'screen.extensionsMissing',
      offset: bytes.length,
      expected: `${announced}`,
      found: `${there}`,
    });
  }
  return Array.from({ length: Math.min(announced, there) }, (_, n) => {
    const start = (n + 1) * BLOCK_BYTES;
    return new ByteReader(bytes.subarray(start, start + BLOCK_BYTES));
  });
}

function checksumHolds(block: ByteReader, index: number, problems: ProblemList): boolean {
  let sum = 0;
  for (let at = 0; at < BLOCK_BYTES - 1; at += 1) sum += block.u8(at);
  const expected = (0x100 - (sum & 0xff)) & 0xff;
  const found = block.u8(BLOCK_BYTES - 1);
  if (expected === found) return true;
  problems.add({
    code: 'screen.checksum',
    offset: index * BLOCK_BYTES + BLOCK_BYTES - 1,
    expected: expected.toString(16).padStart(2, '0'),
    found: found.toString(16).padStart(2, '0'),
  });
  return false;
}

/** Fifteen bits, five a letter, the first letter A as 1. */
function makerLetters(reader: ByteReader): string {
  const code = (reader.u8(0x08) << 8) | reader.u8(0x09);
  return [10, 5, 0].map((shift) => String.fromCharCode(0x40 + ((code >> shift) & 0x1f))).join('');
}

function nameOf(reader: ByteReader): string | null {
  const at = DESCRIPTORS.find(
    (each) => reader.u16(each) === 0 && reader.u8(each + 3) === DESCRIPTOR_NAME,
  );
  if (at === undefined) return null;
  let name = '';
  for (let n = at + 5; n < at + DESCRIPTOR_BYTES && reader.u8(n) !== 0x0a; n += 1) {
    const byte = reader.u8(n);
    name += byte >= 0x20 && byte < 0x7f ? String.fromCharCode(byte) : '.';
  }
  return name.trim() === '' ? null : name.trim();
}

function inputOf(reader: ByteReader, version: string): ScreenInput {
  const input = reader.u8(0x14);
  if ((input & 0x80) === 0) return 'analogue';
  return version === '1.4' ? (INTERFACES[input & 0x0f] ?? 'digital') : 'digital';
}

/** Centimetres, in millimetres; where one of the two is zero they mean something else. */
const size = (centimetres: number, other: number): number | null =>
  centimetres === 0 || other === 0 ? null : centimetres * 10;

/** From 1.3 on the first detailed mode is always the preferred one; before, a bit says so. */
function prefersFirst(reader: ByteReader, version: string): boolean {
  return ['1.3', '1.4'].includes(version) || (reader.u8(0x18) & 0x02) !== 0;
}

function detailedMode(reader: ByteReader, at: number): ReportedMode | null {
  const clock = reader.u16(at) * 10_000;
  if (clock === 0) return null;
  const high = (low: number, upper: number) => low | (upper << 8);
  const widthPx = high(reader.u8(at + 2), reader.u8(at + 4) >> 4);
  const blankPx = high(reader.u8(at + 3), reader.u8(at + 4) & 0x0f);
  const lines = high(reader.u8(at + 5), reader.u8(at + 7) >> 4);
  const blankLines = high(reader.u8(at + 6), reader.u8(at + 7) & 0x0f);
  const interlaced = (reader.u8(at + 17) & 0x80) !== 0;
  const total = (widthPx + blankPx) * (lines + blankLines + (interlaced ? 0.5 : 0));
  if (widthPx === 0 || lines === 0 || total === 0) return null;
  return {
    widthPx,
    heightPx: interlaced ? lines * 2 : lines,
    refreshHz: clock / total,
    pixelClockHz: clock,
    interlaced,
  };
}

interface CtaBlock {
  readonly modes: readonly ReportedMode[];
  readonly isHdmi: boolean;
  readonly hdmiClockHz: number | null;
}

function readCta(block: ByteReader): CtaBlock {
  const detailedFrom = block.u8(2);
  const data = dataBlocks(block, detailedFrom);
  const modes = data
    .filter(({ tag }) => tag === CTA_VIDEO)
    .flatMap(({ at, length }) =>
      Array.from({ length }, (_, n) => CTA_MODES.get(videoCode(block.u8(at + n)))),
    )
    .flatMap((mode) => (mode === undefined ? [] : [{ ...mode, interlaced: false }]));
  const vendors = data.filter(({ tag, length }) => tag === CTA_VENDOR && length >= 3);
  const oui = (at: number) => block.u8(at) | (block.u8(at + 1) << 8) | (block.u8(at + 2) << 16);
  const clocks = vendors.flatMap(({ at, length }) => {
    const position = oui(at) === OUI_HDMI ? 6 : oui(at) === OUI_HDMI_FORUM ? 4 : null;
    if (position === null || position >= length) return [];
    const clock = block.u8(at + position) * 5e6;
    return clock === 0 ? [] : [clock];
  });
  return {
    modes: [...detailedOfCta(block, detailedFrom), ...modes],
    isHdmi: vendors.some(({ at }) => oui(at) === OUI_HDMI || oui(at) === OUI_HDMI_FORUM),
    hdmiClockHz: clocks.length === 0 ? null : Math.max(...clocks),
  };
}

/** A code with its top bit set is a native mode, except among the newer codes. */
const videoCode = (byte: number): number => (byte >= 129 && byte <= 192 ? byte & 0x7f : byte);

function dataBlocks(block: ByteReader, end: number) {
  const found: { readonly tag: number; readonly at: number; readonly length: number }[] = [];
  let at = 4;
  while (at < Math.min(end, BLOCK_BYTES - 1)) {
    const length = block.u8(at) & 0x1f;
    if (at + length >= end) break;
    found.push({ tag: block.u8(at) >> 5, at: at + 1, length });
    at += length + 1;
  }
  return found;
}

function detailedOfCta(block: ByteReader, from: number): readonly ReportedMode[] {
  const found: ReportedMode[] = [];
  if (from < 4) return found;
  for (let at = from; at + DESCRIPTOR_BYTES < BLOCK_BYTES; at += DESCRIPTOR_BYTES) {
    if (block.u16(at) === 0) break;
    const mode = detailedMode(block, at);
    if (mode !== null) found.push(mode);
  }
  return found;
}

/** Modes a screen names twice count once. */
function distinct(modes: readonly ReportedMode[]): readonly ReportedMode[] {
  const key = (mode: ReportedMode) =>
    `${mode.widthPx} ${mode.heightPx} ${mode.pixelClockHz} ${mode.refreshHz.toFixed(3)}`;
  return [...new Map(modes.map((mode) => [key(mode), mode])).values()];
}
