/** Firmware tables built structure by structure, and random ones from a seed, for reading both ways. */
import * as fc from 'fast-check';

export interface StructureSpec {
  readonly type: number;
  /** What follows the four bytes of the header. */
  readonly body: readonly number[];
  readonly strings: readonly (readonly number[])[];
  /** Written instead of the true length, to break the table. */
  readonly claimedLength?: number;
}

const ENTRY_BYTES = 32;
export const ascii = (text: string): readonly number[] => [...text].map((c) => c.charCodeAt(0));

/** A dump as `dmidecode --dump-bin` writes it: entry point, then the table. */
export function buildDump(structures: readonly StructureSpec[]): Uint8Array {
  const table = buildTable(structures);
  const entry = new Uint8Array(ENTRY_BYTES);
  entry.set(ascii('_SM3_'));
  entry.set([0, 24, 3, 5, 0, 1], 5);
  const view = new DataView(entry.buffer);
  view.setUint32(12, table.length, true);
  view.setUint32(16, ENTRY_BYTES, true);
  entry[5] = -entry.slice(0, 24).reduce((sum, byte) => sum + byte, 0) & 0xff;
  return Uint8Array.from([...entry, ...table]);
}

/** The bare table, as `/sys/firmware/dmi/tables/DMI` offers it. */
export function buildTable(structures: readonly StructureSpec[]): Uint8Array {
  return Uint8Array.from(
    [...structures, { type: 127, body: [], strings: [] }].flatMap((each, n) => structure(each, n)),
  );
}

function structure({ type, body, strings, claimedLength }: StructureSpec, n: number): number[] {
  const header = [type, claimedLength ?? 4 + body.length, n & 0xff, n >> 8];
  const texts = strings.flatMap((text) => [...text, 0]);
  return [...header, ...body, ...(texts.length === 0 ? [0, 0] : [...texts, 0])];
}

const byte = fc.integer({ min: 0, max: 0xff });
const letter = fc.oneof(
  { weight: 20, arbitrary: fc.integer({ min: 0x20, max: 0x7e }) },
  { weight: 1, arbitrary: fc.constantFrom(0x01, 0x09, 0x7f, 0x80, 0xe9, 0xff) },
);
const strings = fc.array(fc.array(letter, { minLength: 1, maxLength: 24 }), { maxLength: 6 });
const date = fc
  .tuple(
    fc.integer({ min: 1, max: 12 }),
    fc.integer({ min: 1, max: 28 }),
    fc.integer({ min: 1990, max: 2035 }),
  )
  .map(([month, day, year]) =>
    ascii(`${String(month).padStart(2, '0')}/${String(day).padStart(2, '0')}/${year}`),
  );

/** A slot record of any length that exists in the field, and of those that do not. */
const slot = fc
  .record({
    length: fc.constantFrom(0x0c, 0x0d, 0x0e, 0x11, 0x11, 0x11, 0x13, 0x17, 0x18, 0x18, 0x1c, 0x1d),
    label: fc.integer({ min: 0, max: 7 }),
    type: fc.oneof(
      fc.integer({ min: 0xa5, max: 0xc8 }),
      fc.integer({ min: 0x00, max: 0x30 }),
      byte,
    ),
    width: fc.integer({ min: 0, max: 0x0f }),
    usage: fc.integer({ min: 0, max: 6 }),
    cardLength: fc.integer({ min: 0, max: 7 }),
    rest: fc.array(byte, { minLength: 8, maxLength: 8 }),
    devfn: byte,
    peers: fc.constantFrom(0, 0, 0, 1, 1, 2, 200),
    tail: fc.array(byte, { minLength: 16, maxLength: 16 }),
    info: fc.integer({ min: 0, max: 6 }),
    physical: fc.integer({ min: 0, max: 0x0f }),
    height: fc.integer({ min: 0, max: 5 }),
    nowhere: fc.boolean(),
    strings,
  })
  .map((spec): StructureSpec => {
    const [id0 = 0, id1 = 0, flags1 = 0, flags2 = 0] = spec.rest;
    const address = spec.nowhere ? [0xff, 0xff, 0xff, 0xff] : [0, 0, spec.rest[4] ?? 0, spec.devfn];
    const peers = spec.tail.slice(0, spec.peers === 200 ? 0 : 5 * spec.peers);
    const newer = [spec.info, spec.physical, 0xf0, 0x07, spec.height];
    const full = [
      ...[spec.label, spec.type, spec.width, spec.usage, spec.cardLength],
      ...[id0, id1, flags1, flags2],
      ...[...address, 0x08, spec.peers, ...peers, ...newer],
    ];
    const body = [...full, ...spec.tail].slice(0, spec.length - 4);
    return { type: 9, body, strings: spec.strings };
  });

const firmware = fc
  .record({
    length: fc.constantFrom(0x12, 0x13, 0x14, 0x18, 0x1a),
    flags: byte,
    date,
    named: fc.integer({ min: 0, max: 3 }),
    strings,
  })
  .map((spec): StructureSpec => {
    const texts = [...spec.strings, spec.date];
    const body = [
      spec.named,
      1,
      0,
      0,
      texts.length,
      0x0f,
      0,
      0,
      0,
      0,
      0,
      0,
      0,
      0,
      0x03,
      spec.flags,
    ];
    return {
      type: 0,
      body: [...body, 5, 1, 0xff, 0xff, 0, 0].slice(0, spec.length - 4),
      strings: texts,
    };
  });

/** Any other structure: named ones of system, board and chassis, and kinds Tenant does not ask for. */
const other = fc
  .record({
    type: fc.constantFrom(1, 2, 3, 3, 11, 16, 32, 41, 41, 126, 200),
    body: fc.array(byte, { minLength: 0x0b, maxLength: 0x20 }),
    strings,
  })
  .map(({ type, body, strings: texts }): StructureSpec => {
    // The first two of them name maker and product.
    const names = [body[0] ?? 0, body[1] ?? 0].map((each) => each % 5);
    if (type === 41) return { type, body: [names[0] ?? 0, ...body.slice(1, 7)], strings: texts };
    return { type, body: [...names, ...body.slice(2)], strings: texts };
  });

export const randomTable: fc.Arbitrary<readonly StructureSpec[]> = fc
  .tuple(
    firmware,
    fc.array(fc.oneof({ weight: 3, arbitrary: slot }, other), { minLength: 1, maxLength: 8 }),
    fc.option(fc.tuple(fc.nat(7), fc.constantFrom(0, 1, 2, 3, 250, 255)), { freq: 5, nil: null }),
  )
  .map(([first, more, broken]) => {
    const all = [first, ...more];
    if (broken === null) return all;
    const [at, claimedLength] = broken;
    return all.map((each, n) => (n === (at % all.length) + 1 ? { ...each, claimedLength } : each));
  });
