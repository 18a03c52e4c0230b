/**
 * The firmware's table of structures, from the raw table or from a dump with its entry point in front.
 * Source: DMTF DSP0134, System Management BIOS 3.5, "Structure standards" (from memory).
 */
import { ByteReader } from '../byteReader.ts';
import type { ProblemList } from '../problem.ts';

const HEADER_BYTES = 4;
const END_OF_TABLE = 127;
const LARGEST_TABLE = 1024 * 1024;
const MOST_STRUCTURES = 4096;

export interface Structure {
  readonly type: number;
  /** Offset in the file, for problems. */
  readonly offset: number;
  readonly data: ByteReader;
  readonly strings: readonly string[];
}

/** Whether the bytes begin with an entry point, as dumps do. */
export const hasEntryPoint = (bytes: Uint8Array): boolean =>
  ['_SM_', '_SM3_'].some((anchor) => startsWith(bytes, anchor));

/** An entry point by itself is no longer. */
export const ENTRY_POINT_BYTES = 32;

/** The raw table has no mark: it is known by its structures, which follow each other up to the one that ends it. */
export function startsAsTable(bytes: Uint8Array): boolean {
  if (bytes.length > LARGEST_TABLE) return false;
  let at = 0;
  while (at + 4 <= bytes.length) {
    const [type, length = 0] = [bytes[at], bytes[at + 1]];
    if (length < 4) return false;
    if (type === END_OF_TABLE) return at > 0;
    at += length;
    while (at + 1 < bytes.length && (bytes[at] !== 0 || bytes[at + 1] !== 0)) at += 1;
    at += 2;
  }
  return false;
}

/** The structures up to the end of the table, or up to where it breaks (with a problem). */
export function readStructures(bytes: Uint8Array, problems: ProblemList): readonly Structure[] {
  if (bytes.length > LARGEST_TABLE) {
    problems.add({
      code: 'input.tooLarge',
      expected: `${LARGEST_TABLE}`,
      found: `${bytes.length}`,
    });
    return [];
  }
  const reader = new ByteReader(bytes);
  const structures: Structure[] = [];
  let offset = tableStart(reader);
  while (reader.has(offset, HEADER_BYTES) && structures.length < MOST_STRUCTURES) {
    const type = reader.u8(offset);
    const length = reader.u8(offset + 1);
    if (length < HEADER_BYTES || !reader.has(offset, length)) {
      problems.add({
        code: length < HEADER_BYTES ? 'firmware.structureLength' : 'firmware.structureCut',
        offset,
        expected: `${HEADER_BYTES}`,
        found: `${length}`,
      });
      return structures;
    }
    if (type === END_OF_TABLE) return structures;
    const end = endOfStrings(bytes, offset + length);
    if (end > bytes.length) {
      problems.add({ code: 'firmware.stringsCut', offset: offset + length });
      return structures;
    }
    structures.push({
      type,
      offset,
      data: new ByteReader(bytes.subarray(offset, offset + length)),
      strings: splitStrings(bytes.subarray(offset + length, end - 2)),
    });
    offset = end;
  }
  return structures;
}

/** The string a structure refers to by number; null where it names none. */
export function stringAt({ data, strings }: Structure, at: number): string | null {
  if (!data.has(at, 1)) return null;
  const text = strings[data.u8(at) - 1]?.trim() ?? '';
  return text === '' ? null : text;
}

/** Where the table starts: at the address in the entry point when that lies in the file. */
function tableStart(reader: ByteReader): number {
  const { bytes } = reader;
  if (!hasEntryPoint(bytes)) return 0;
  const addressAt = startsWith(bytes, '_SM3_') ? 0x10 : 0x18;
  const address = reader.has(addressAt, 4) ? reader.u32(addressAt) : 0;
  return address >= 0x10 && address < bytes.length ? address : 0x20;
}

/** Behind the two zeros that end a structure's strings; beyond the bytes where there are none. */
function endOfStrings(bytes: Uint8Array, from: number): number {
  let at = from;
  while (at + 1 < bytes.length && (bytes[at] !== 0 || bytes[at + 1] !== 0)) at += 1;
  return at + 2;
}

/** Strings with a zero between them; a zero at the very beginning means that there are none. */
function splitStrings(bytes: Uint8Array): readonly string[] {
  const strings: string[] = [];
  let at = 0;
  while (at < bytes.length && bytes[at] !== 0) {
    const zero = bytes.indexOf(0, at);
    const end = zero === -1 ? bytes.length : zero;
    strings.push(printable(bytes.subarray(at, end)));
    at = end + 1;
  }
  return strings;
}

/** Firmware strings are ASCII; anything else is shown as a dot, as diagnostic programs do. */
function printable(bytes: Uint8Array): string {
  let text = '';
  for (const byte of bytes) text += byte >= 0x20 && byte < 0x7f ? String.fromCharCode(byte) : '.';
  return text.slice(0, 200);
}

function startsWith(bytes: Uint8Array, text: string): boolean {
  return [...text].every((letter, n) => bytes[n] === letter.charCodeAt(0));
}
