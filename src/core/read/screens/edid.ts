/**
 * Decodes what a screen says of itself: name, input, modes, tiles, what its HDMI input takes.
 * Sources: VESA E-EDID 1.4 (base block); from memory, checked against edid-decode in the reference tests.
 */
import { inHex } from '../../units.ts';
import type { ScreenInput } from '../../standards/screens.ts';
import { ByteReader } from '../byteReader.ts';
import type { ProblemList } from '../problem.ts';
import { readCta } from './cta.ts';
import { readDisplayId, type Tiles } from './displayId.ts';
import { DESCRIPTOR_BYTES, detailedMode, type ReportedMode } from './modes.ts';
import { one, type BytesReader } from '../reader.ts';

export const edid = {
  kind: 'edid',
  isOne: (bytes) => startsAsEdid(bytes),
  read(bytes, problems) {
    const screens = one(readEdid(bytes, problems));
    return { found: screens.length, says: { screens } };
  },
} satisfies BytesReader;

const BLOCK_BYTES = 128;
const HEADER = [0x00, 0xff, 0xff, 0xff, 0xff, 0xff, 0xff, 0x00] as const;
const DESCRIPTORS = [0x36, 0x48, 0x5a, 0x6c] as const;
const DESCRIPTOR_NAME = 0xfc;
const CTA_EXTENSION = 0x02;
const DISPLAY_ID_EXTENSION = 0x70;
const MOST_BLOCKS = 256;

/** Digital interfaces that EDID 1.4 names. */
const INTERFACES: Readonly<Record<number, ScreenInput>> = {
  1: 'dvi',
  2: 'hdmi',
  3: 'hdmi',
  5: 'displayport',
};

/** Bits of a colour that EDID 1.4 names. */
const COLOUR_BITS: readonly (number | null)[] = [null, 6, 8, 10, 12, 14, 16, null];

export interface ScreenReading {
  /** Three letters that stand for the maker, and its number for the model. */
  readonly maker: string;
  readonly product: number;
  readonly name: string | null;
  readonly version: string;
  /** The input it was read through: the word of the port, or else an HDMI block. */
  readonly input: ScreenInput;
  readonly widthMm: number | null;
  readonly heightMm: number | null;
  /** The mode the screen wants to run at; null where it names none. */
  readonly preferred: ReportedMode | null;
  /** Detailed modes and those named by a video code, in the order of the report. */
  readonly modes: readonly ReportedMode[];
  /** Modes that it takes at half the colour over HDMI, those included that it takes only so. */
  readonly halfColour: readonly ReportedMode[];
  /** Fastest pixel clock over HDMI, and fixed-rate links all lanes together, where the screen names them. */
  readonly hdmiClockHz: number | null;
  readonly frlGigabits: number | null;
  /** Most bits of a colour that it names. */
  readonly bitsPerColour: number | null;
  /** Null: one stream makes the whole picture. */
  readonly tiles: Tiles | null;
  /** Extension blocks the screen says it has. */
  readonly extensions: number;
  /** Whether every block that was read adds up. */
  readonly checksumsHold: boolean;
}

const startsAsEdid = (bytes: Uint8Array): boolean => HEADER.every((byte, n) => bytes[n] === byte);

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
  const ofKind = (tag: number) => blocks.filter((block) => block.u8(0) === tag);
  const sections = ofKind(DISPLAY_ID_EXTENSION).map((block) => readDisplayId(block, BLOCK_BYTES));
  const cta = [
    ...ofKind(CTA_EXTENSION).map((block) => readCta(block, BLOCK_BYTES)),
    ...sections.flatMap((section) => section.cta),
  ];
  const most = (values: readonly (number | null)[]) =>
    Math.max(0, ...values.map((value) => value ?? 0)) || null;
  const named = inputOf(reader, version);
  return {
    maker: makerLetters(reader),
    product: reader.u16(0x0a),
    name: nameOf(reader) ?? sections.find(({ name }) => name !== null)?.name ?? null,
    version,
    input: named === 'digital' && cta.some(({ isHdmi }) => isHdmi) ? 'hdmi' : named,
    widthMm: size(reader.u8(0x15), reader.u8(0x16)),
    heightMm: size(reader.u8(0x16), reader.u8(0x15)),
    preferred:
      sections.find(({ preferred }) => preferred !== null)?.preferred ??
      (prefersFirst(reader, version) ? detailedMode(reader, DESCRIPTORS[0]) : null),
    modes: distinct([...detailed, ...[...cta, ...sections].flatMap(({ modes }) => modes)]),
    halfColour: distinct(cta.flatMap(({ halfColour }) => halfColour)),
    hdmiClockHz: most(cta.map(({ clockHz }) => clockHz)),
    frlGigabits: most(cta.map(({ frlGigabits }) => frlGigabits)),
    bitsPerColour: most([
      colourBits(reader, version),
      ...cta.map(({ bitsPerColour }) => bitsPerColour),
    ]),
    tiles: sections.find(({ tiles }) => tiles !== null)?.tiles ?? null,
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
    expected: inHex(expected, 2),
    found: inHex(found, 2),
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

function colourBits(reader: ByteReader, version: string): number | null {
  const input = reader.u8(0x14);
  return (input & 0x80) === 0 || version !== '1.4' ? null : COLOUR_BITS[(input >> 4) & 7]!;
}

/** Centimetres, in millimetres; where one of the two is zero they mean something else. */
const size = (centimetres: number, other: number): number | null =>
  centimetres === 0 || other === 0 ? null : centimetres * 10;

/** From 1.3 on the first detailed mode is always the preferred one; before, a bit says so. */
function prefersFirst(reader: ByteReader, version: string): boolean {
  return ['1.3', '1.4'].includes(version) || (reader.u8(0x18) & 0x02) !== 0;
}

/** Modes a screen names twice count once. */
function distinct(modes: readonly ReportedMode[]): readonly ReportedMode[] {
  const key = (mode: ReportedMode) =>
    `${mode.widthPx} ${mode.heightPx} ${mode.pixelClockHz} ${mode.refreshHz.toFixed(3)}`;
  return [...new Map(modes.map((mode) => [key(mode), mode])).values()];
}
