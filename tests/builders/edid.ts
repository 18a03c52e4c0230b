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
  /** Blocks announced beyond those that are there. */
  readonly missing: number;
  /** Added to the checksum of the first block. */
  readonly checksumError: number;
}

interface CtaSpec {
  readonly codes: readonly number[];
  readonly hdmi: number | null;
  readonly forum: number | null;
  readonly modes: readonly ModeSpec[];
}

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
  const blocks = spec.cta === null ? [] : [ctaBlock(spec.cta)];
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

function ctaBlock({ codes, hdmi, forum, modes }: CtaSpec): Uint8Array {
  const block = new Uint8Array(128);
  const data = [
    ...(codes.length === 0 ? [] : [0x40 | codes.length, ...codes]),
    ...(hdmi === null ? [] : [0x67, 0x03, 0x0c, 0x00, 0x10, 0x00, 0x00, hdmi]),
    ...(forum === null ? [] : [0x67, 0xd8, 0x5d, 0xc4, 1, forum, 0, 0]),
  ];
  block.set([2, 3, 4 + data.length, 0, ...data]);
  modes.forEach((mode, n) => block.set(descriptor(mode), 4 + data.length + 18 * n));
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

export const randomEdid: fc.Arbitrary<EdidSpec> = fc.record({
  maker: fc.stringMatching(/^[A-Z]{3}$/),
  product: fc.integer({ min: 0, max: 0xffff }),
  revision: fc.constantFrom(3, 4, 4),
  input: fc.constantFrom(0x08, 0x80, 0xa1, 0xa2, 0xb5, 0xa5),
  sizeCm: fc.tuple(fc.constantFrom(0, 52, 60), fc.constantFrom(0, 29, 34)),
  features: fc.constantFrom(0x02, 0x06, 0x1a),
  modes: fc.array(mode, { minLength: 1, maxLength: 3 }),
  name: fc.option(fc.stringMatching(/^[A-Za-z0-9]([A-Za-z0-9 -]{0,11}[A-Za-z0-9])?$/)),
  cta: fc.option(
    fc.record({
      codes: fc.uniqueArray(
        fc.constantFrom(1, 4, 16, 19, 31, 32, 33, 34, 63, 64, 93, 95, 97, 102, 107, 0x90),
        { maxLength: 6 },
      ),
      hdmi: fc.option(fc.integer({ min: 0, max: 68 })),
      forum: fc.option(fc.integer({ min: 0, max: 120 })),
      modes: fc.array(mode, { maxLength: 3 }),
    }),
    { freq: 3 },
  ),
  missing: fc.constantFrom(0, 0, 0, 1),
  checksumError: fc.constantFrom(0, 0, 0, 1, 77),
});
