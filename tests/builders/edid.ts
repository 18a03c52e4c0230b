/** Screens' reports built field by field, and random ones from a seed, for reading both ways. */
import * as fc from 'fast-check';

interface ModeSpec {
  readonly clock10kHz: number;
  readonly widthPx: number;
  readonly blankPx: number;
  readonly lines: number;
  readonly blankLines: number;
  readonly interlaced: boolean;
}

export interface EdidSpec {
  readonly maker: string;
  readonly product: number;
  readonly revision: number;
  readonly input: number;
  readonly sizeCm: readonly [number, number];
  readonly features: number;
  readonly modes: readonly ModeSpec[];
  readonly name: string | null;
  readonly cta: CtaSpec | null;
  readonly displayId: DisplayIdSpec | null;
  /** Blocks announced beyond those that are there. */
  readonly missing: number;
  /** Added to the checksum of the first block. */
  readonly checksumError: number;
}

interface CtaSpec {
  readonly codes: readonly number[];
  readonly hdmi: number | null;
  /** Codes of HDMI's own list, in its vendor block. */
  readonly hdmiCodes: readonly number[];
  readonly deepColour: number;
  readonly forum: number | null;
  readonly frl: number;
  readonly only420: readonly number[];
  /** Bytes of the map of modes that also go at half the colour; null: no map. */
  readonly map420: readonly number[] | null;
  readonly modes: readonly ModeSpec[];
}

/** Timings of type I, II or VII: clock in the type's own steps, figures as the section keeps them, each less one. */
interface SectionTiming {
  readonly type: 1 | 2 | 7;
  readonly clock: number;
  readonly isPreferred: boolean;
  readonly widthPx: number;
  readonly blankPx: number;
  readonly lines: number;
  readonly blankLines: number;
}

interface DisplayIdSpec {
  readonly version: 0x12 | 0x20;
  readonly timings: readonly SectionTiming[];
  readonly tiles: {
    readonly across: number;
    readonly down: number;
    readonly column: number;
    readonly row: number;
    readonly widthPx: number;
    readonly heightPx: number;
  } | null;
  readonly name: string | null;
}

const word = (value: number): number[] => [value & 0xff, (value >> 8) & 0xff];
const TIMING_TAG = { 1: 0x03, 2: 0x04, 7: 0x22 } as const;

function sectionTiming(timing: SectionTiming): number[] {
  const { type, clock, isPreferred, widthPx, blankPx, lines, blankLines } = timing;
  const head = [...word((clock - 1) & 0xffff), (clock - 1) >> 16, isPreferred ? 0x80 : 0];
  if (type !== 2)
    return [
      ...[head, word(widthPx - 1), word(blankPx - 1), word(7), word(31)].flat(),
      ...[word(lines - 1), word(blankLines - 1), word(2), word(4)].flat(),
    ];
  const [across, blank] = [widthPx / 8 - 1, blankPx / 8 - 1];
  return [
    ...[...head, across & 0xff, (across >> 8) | (blank << 1), 0x00],
    ...[(lines - 1) & 0xff, (lines - 1) >> 8, blankLines - 1, 0x24],
  ];
}

function tileBytes({
  across,
  down,
  column,
  row,
  widthPx,
  heightPx,
}: NonNullable<DisplayIdSpec['tiles']>) {
  const [h, v] = [across - 1, down - 1];
  const high = ((h & 0x30) << 2) | (v & 0x30) | ((column & 0x30) >> 2) | ((row & 0x30) >> 4);
  return [
    ...[0x82, ((h & 15) << 4) | (v & 15), ((column & 15) << 4) | (row & 15), high],
    ...[...word(widthPx - 1), ...word(heightPx - 1), 0, 0, 0, 0, 0],
    ...[0x41, 0x42, 0x43, 0x34, 0x12, 1, 0, 0, 0],
  ];
}

function displayIdBlock({ version, timings, tiles, name }: DisplayIdSpec): Uint8Array {
  const isNewer = version === 0x20;
  const data = [
    ...(name === null
      ? []
      : [isNewer ? 0x20 : 0, 0, 12 + name.length, 0x41, 0x42, 0x43, 1, 2, 3, 4, 5, 6, 7, 20].concat(
          [name.length],
          [...name].map((c) => c.charCodeAt(0)),
        )),
    ...timings.flatMap((timing) => {
      const bytes = sectionTiming(timing);
      return [TIMING_TAG[timing.type], 0, bytes.length, ...bytes];
    }),
    ...(tiles === null ? [] : [isNewer ? 0x28 : 0x12, 0, 22, ...tileBytes(tiles)]),
  ];
  const block = new Uint8Array(128);
  block.set([0x70, version, 121, 3, 0, ...data]);
  block[126] = -block.slice(1, 126).reduce((sum, byte) => sum + byte, 0) & 0xff;
  seal(block);
  return block;
}

/** 3840 × 2160 at 60 Hz over a digital input, and nothing besides. */
export const PLAIN_EDID: EdidSpec = {
  maker: 'QZX',
  product: 0x1234,
  revision: 4,
  input: 0xb5,
  sizeCm: [60, 34],
  features: 0x06,
  modes: [
    {
      clock10kHz: 53325,
      widthPx: 3840,
      blankPx: 160,
      lines: 2160,
      blankLines: 62,
      interlaced: false,
    },
  ],
  name: 'Quayside 27',
  cta: null,
  displayId: null,
  missing: 0,
  checksumError: 0,
};

export function buildEdid(spec: EdidSpec): Uint8Array {
  const base = new Uint8Array(128);
  base.set([0, 0xff, 0xff, 0xff, 0xff, 0xff, 0xff, 0]);
  const letters = [...spec.maker].reduce((code, c) => (code << 5) | (c.charCodeAt(0) - 0x40), 0);
  base.set([letters >> 8, letters & 0xff, spec.product & 0xff, spec.product >> 8], 8);
  base.set([10, 30, 1, spec.revision, spec.input, ...spec.sizeCm, 120, spec.features], 0x10);
  // No standard modes.
  base.fill(1, 0x26, 0x36);
  const descriptors = [
    ...spec.modes.slice(0, 3).map(descriptor),
    ...(spec.name === null ? [] : [nameDescriptor(spec.name)]),
  ];
  for (let n = 0; n < 4; n += 1) base.set(descriptors[n] ?? [0, 0, 0, 0x10], 0x36 + 18 * n);
  const blocks = [
    ...(spec.cta === null ? [] : [ctaBlock(spec.cta)]),
    ...(spec.displayId === null ? [] : [displayIdBlock(spec.displayId)]),
  ];
  base[0x7e] = blocks.length + spec.missing;
  seal(base, spec.checksumError);
  return Uint8Array.from([base, ...blocks].flatMap((block) => [...block]));
}

function seal(block: Uint8Array, error = 0): void {
  block[127] = (-block.slice(0, 127).reduce((sum, byte) => sum + byte, 0) + error) & 0xff;
}

function descriptor(mode: ModeSpec): number[] {
  const { clock10kHz, widthPx, blankPx, lines, blankLines, interlaced } = mode;
  return [
    ...[clock10kHz & 0xff, clock10kHz >> 8, widthPx & 0xff, blankPx & 0xff],
    ...[((widthPx >> 8) << 4) | (blankPx >> 8), lines & 0xff, blankLines & 0xff],
    ...[((lines >> 8) << 4) | (blankLines >> 8), 8, 8, 0x11, 0, 0, 0, 0, 0, 0],
    interlaced ? 0x9a : 0x1a,
  ];
}

const nameDescriptor = (name: string): number[] => {
  const text = [...name].map((c) => c.charCodeAt(0));
  return [0, 0, 0, 0xfc, 0, ...text, ...(text.length < 13 ? [0x0a] : [])].concat(
    Array<number>(Math.max(0, 12 - text.length)).fill(0x20),
  );
};

function ctaBlock(spec: CtaSpec): Uint8Array {
  const { codes, hdmi, hdmiCodes, deepColour, forum, frl, only420, map420, modes } = spec;
  const block = new Uint8Array(128);
  const own = hdmiCodes.length === 0 ? [] : [0x20, 0, hdmiCodes.length << 5, ...hdmiCodes];
  const data = [
    ...(codes.length === 0 ? [] : [0x40 | codes.length, ...codes]),
    ...(hdmi === null
      ? []
      : [0x67 + own.length, 0x03, 0x0c, 0x00, 0x10, 0x00, deepColour, hdmi, ...own]),
    ...(forum === null ? [] : [0x67, 0xd8, 0x5d, 0xc4, 1, forum, 0x80, frl << 4]),
    ...(only420.length === 0 ? [] : [0xe1 + only420.length, 14, ...only420]),
    ...(map420 === null ? [] : [0xe1 + map420.length, 15, ...map420]),
  ];
  block.set([2, 3, 4 + data.length, 0, ...data]);
  const room = Math.floor((127 - 4 - data.length) / 18);
  modes.slice(0, room).forEach((mode, n) => block.set(descriptor(mode), 4 + data.length + 18 * n));
  seal(block);
  return block;
}

const mode: fc.Arbitrary<ModeSpec> = fc
  .record({
    widthPx: fc.integer({ min: 320, max: 4095 }),
    blankPx: fc.integer({ min: 60, max: 800 }),
    lines: fc.integer({ min: 200, max: 2400 }),
    blankLines: fc.integer({ min: 16, max: 90 }),
    hertz: fc.constantFrom(24, 30, 50, 60, 75, 120, 144),
    interlaced: fc.constantFrom(false, false, false, true),
  })
  .map(({ hertz, ...rest }) => {
    const total = (rest.widthPx + rest.blankPx) * (rest.lines + rest.blankLines);
    const clock10kHz = Math.max(1000, Math.min(65535, Math.round((total * hertz) / 10_000)));
    return { ...rest, clock10kHz };
  });

const timing: fc.Arbitrary<SectionTiming> = fc
  .record({
    type: fc.constantFrom(1, 2, 7),
    isPreferred: fc.boolean(),
    across: fc.integer({ min: 40, max: 500 }),
    blank: fc.integer({ min: 6, max: 90 }),
    lines: fc.integer({ min: 200, max: 4000 }),
    blankLines: fc.integer({ min: 16, max: 250 }),
    hertz: fc.constantFrom(24, 30, 50, 60, 75, 120, 144),
  })
  .map(({ across, blank, hertz, type, ...rest }) => {
    // Type VII reaches beyond what the others can tell.
    const wide = type === 7 ? across * 16 : across * 8;
    const total = (wide + blank * 8) * (rest.lines + rest.blankLines);
    const step = type === 7 ? 1_000 : 10_000;
    const clock = Math.min(0xffffff, Math.max(1, Math.round((total * hertz) / step)));
    return { ...rest, type: type as 1 | 2 | 7, clock, widthPx: wide, blankPx: blank * 8 };
  });

const displayId: fc.Arbitrary<DisplayIdSpec> = fc
  .record({
    version: fc.constantFrom(0x12 as const, 0x20 as const),
    timings: fc.array(timing, { maxLength: 3 }),
    tiles: fc.option(
      fc.record({
        across: fc.integer({ min: 1, max: 40 }),
        down: fc.integer({ min: 1, max: 40 }),
        column: fc.integer({ min: 0, max: 39 }),
        row: fc.integer({ min: 0, max: 39 }),
        widthPx: fc.integer({ min: 100, max: 4096 }),
        heightPx: fc.integer({ min: 100, max: 4096 }),
      }),
    ),
    name: fc.option(fc.stringMatching(/^[A-Za-z0-9]{3,9}$/)),
  })
  .map((spec) => ({
    ...spec,
    timings: spec.timings.filter(({ type }) => (type === 7) === (spec.version === 0x20)),
  }));

export const randomEdid: fc.Arbitrary<EdidSpec> = fc.record({
  maker: fc.stringMatching(/^[A-Z]{3}$/),
  product: fc.integer({ min: 0, max: 0xffff }),
  revision: fc.constantFrom(3, 4, 4),
  input: fc.constantFrom(0x08, 0x80, 0xa1, 0xa2, 0xb5, 0xa5, 0xc5),
  sizeCm: fc.tuple(fc.constantFrom(0, 52, 60), fc.constantFrom(0, 29, 34)),
  features: fc.constantFrom(0x02, 0x06, 0x1a),
  modes: fc.array(mode, { minLength: 1, maxLength: 3 }),
  name: fc.option(fc.stringMatching(/^[A-Za-z0-9]([A-Za-z0-9 -]{0,11}[A-Za-z0-9])?$/)),
  cta: fc.option(
    fc.record({
      codes: fc.uniqueArray(
        fc.oneof(
          fc.integer({ min: 1, max: 127 }),
          fc.integer({ min: 193, max: 219 }),
          fc.constantFrom(0x90, 0xe0),
        ),
        { maxLength: 10 },
      ),
      hdmi: fc.option(fc.integer({ min: 0, max: 68 })),
      hdmiCodes: fc.uniqueArray(fc.integer({ min: 1, max: 4 }), { maxLength: 3 }),
      deepColour: fc.constantFrom(0, 0x10, 0x30, 0x78),
      forum: fc.option(fc.integer({ min: 0, max: 120 })),
      frl: fc.integer({ min: 0, max: 6 }),
      only420: fc.uniqueArray(fc.constantFrom(96, 97, 101, 102, 106, 107, 118, 199), {
        maxLength: 3,
      }),
      map420: fc.option(fc.array(fc.integer({ min: 0, max: 255 }), { maxLength: 2 })),
      modes: fc.array(mode, { maxLength: 3 }),
    }),
    { freq: 3 },
  ),
  displayId: fc.option(displayId, { freq: 3 }),
  missing: fc.constantFrom(0, 0, 0, 1),
  checksumError: fc.constantFrom(0, 0, 0, 1, 77),
});
