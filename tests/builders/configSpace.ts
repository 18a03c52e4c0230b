/** Configuration spaces built register by register, and random ones from a seed, for reading both ways. */
import * as fc from 'fast-check';

export interface SpaceSpec {
  readonly vendor: number;
  readonly device: number;
  readonly class24: number;
  readonly revision: number;
  readonly headerType: number;
  readonly subsystem: readonly [number, number];
  readonly buses: readonly [number, number, number];
  readonly hasList: boolean;
  /** Chain of capabilities in order; each sits in its own block of 0x10 times `blocks` bytes from 0x40. */
  readonly chain: readonly CapabilitySpec[];
  /** Where the last capability points: 0 ends the chain, anything else loops or breaks it. */
  readonly lastPointer: number;
  readonly bytes: 64 | 256 | 4096;
  /** Capabilities behind the first 256 bytes, one each 0x40 from 0x100. */
  readonly extended?: readonly ExtendedSpec[];
  /** Where the last of them points. */
  readonly lastExtended?: number;
}

interface ExtendedSpec {
  readonly id: number;
  /** For a resizable BAR: its sizes and its control register. */
  readonly bars: readonly (readonly [sizes: number, control: number])[];
}

type CapabilitySpec =
  | { readonly id: number }
  | {
      readonly id: 0x10;
      readonly kind: number;
      readonly slot: boolean;
      readonly able: readonly [speed: number, width: number];
      readonly now: readonly [speed: number, width: number];
      readonly power: readonly [value: number, scale: number];
      readonly slotNumber: number;
    };

/** The first capability stands behind the identity that a CardBus header keeps at 0x40. */
const FIRST = 0x44;
const BLOCK = 0x40;

export function buildSpace(spec: SpaceSpec): Uint8Array {
  const bytes = new Uint8Array(4096);
  const view = new DataView(bytes.buffer);
  view.setUint16(0x00, spec.vendor, true);
  view.setUint16(0x02, spec.device, true);
  view.setUint16(0x04, 0x0006, true);
  view.setUint16(0x06, spec.hasList ? 0x0010 : 0, true);
  view.setUint32(0x08, (spec.class24 << 8) | spec.revision, true);
  bytes[0x0e] = spec.headerType;
  const headerType = spec.headerType & 0x7f;
  if (headerType === 1 || headerType === 2) bytes.set(spec.buses, 0x18);
  if (headerType === 2) view.setUint32(0x40, spec.subsystem[0] | (spec.subsystem[1] << 16), true);
  if (headerType === 0) {
    view.setUint16(0x2c, spec.subsystem[0], true);
    view.setUint16(0x2e, spec.subsystem[1], true);
  }
  bytes[0x34] = spec.chain.length === 0 ? spec.lastPointer : FIRST;
  if (headerType === 2) bytes[0x14] = bytes[0x34];
  spec.chain.forEach((capability, n) => {
    const at = FIRST + n * BLOCK;
    const next = n + 1 < spec.chain.length ? at + BLOCK : spec.lastPointer;
    bytes[at] = capability.id;
    bytes[at + 1] = next;
    if (capability.id === 0x0d) {
      view.setUint16(at + 4, spec.subsystem[0], true);
      view.setUint16(at + 6, spec.subsystem[1], true);
    }
    if ('kind' in capability) {
      view.setUint16(at + 2, 2 | (capability.kind << 4) | (capability.slot ? 0x100 : 0), true);
      view.setUint32(at + 0x0c, capability.able[0] | (capability.able[1] << 4), true);
      view.setUint16(at + 0x12, capability.now[0] | (capability.now[1] << 4), true);
      view.setUint32(
        at + 0x14,
        (capability.power[0] << 7) | (capability.power[1] << 15) | (capability.slotNumber << 19),
        true,
      );
    }
  });
  const extended = spec.extended ?? [];
  extended.forEach(({ id, bars }, n) => {
    const at = 0x100 + n * BLOCK;
    const next = n + 1 < extended.length ? at + BLOCK : (spec.lastExtended ?? 0);
    view.setUint32(at, id | (1 << 16) | (next << 20), true);
    bars.forEach(([sizes, control], bar) => {
      view.setUint32(at + 4 + 8 * bar, sizes, true);
      view.setUint32(at + 8 + 8 * bar, bar === 0 ? control | (bars.length << 5) : control, true);
    });
  });
  return bytes.slice(0, spec.bytes);
}

/** As `lspci -xxxx` prints it. */
export function hexText(address: string, bytes: Uint8Array, heading = 'Device: reported'): string {
  const lines = [`${address} ${heading}`];
  for (let at = 0; at < bytes.length; at += 16) {
    const row = [...bytes.subarray(at, at + 16)].map((b) => b.toString(16).padStart(2, '0'));
    lines.push(`${at.toString(16).padStart(2, '0')}: ${row.join(' ')}`);
  }
  return `${lines.join('\n')}\n`;
}

const byte = fc.integer({ min: 0, max: 0xff });
const word = fc.integer({ min: 0, max: 0xffff });

const expressCapability = fc.record({
  id: fc.constant(0x10 as const),
  kind: fc.constantFrom(0, 1, 2, 4, 4, 4, 5, 6, 6, 7, 8, 9, 10, 13),
  slot: fc.boolean(),
  able: fc.tuple(fc.integer({ min: 0, max: 7 }), fc.constantFrom(0, 1, 2, 4, 8, 12, 16, 32)),
  now: fc.tuple(fc.integer({ min: 0, max: 7 }), fc.constantFrom(0, 1, 2, 4, 8, 16)),
  power: fc.tuple(byte, fc.integer({ min: 0, max: 3 })),
  slotNumber: fc.integer({ min: 0, max: 0x1fff }),
});

export const randomSpace: fc.Arbitrary<SpaceSpec> = fc.record({
  vendor: fc.integer({ min: 1, max: 0xfffe }),
  device: word,
  class24: fc.integer({ min: 0, max: 0xffffff }),
  revision: byte,
  headerType: fc.constantFrom(0, 0, 0, 0x80, 1, 1, 1, 0x81, 2, 0x15),
  subsystem: fc.tuple(fc.constantFrom(0, 0xffff, 0x1234, 0xf1a0), word),
  buses: fc.tuple(byte, byte, byte),
  hasList: fc.constantFrom(true, true, true, true, false),
  chain: fc.array(
    fc.oneof(
      { weight: 6, arbitrary: expressCapability },
      { weight: 2, arbitrary: fc.record({ id: fc.constantFrom(0x01, 0x05, 0x0d, 0x12) }) },
      { weight: 1, arbitrary: fc.record({ id: fc.constantFrom(0xff, 0x00, 0x3f) }) },
    ),
    { minLength: 0, maxLength: 3, size: 'max' },
  ),
  lastPointer: fc.constantFrom(0, 0, 0, 0x44, 0x45, 0x84, 0xfc, 0x04),
  bytes: fc.constantFrom(64, 256, 256, 4096, 4096),
  extended: fc.array(
    fc.record({
      // Serial number, virtual channel, resizable BARs of the function and of its virtual ones.
      id: fc.constantFrom(0x03, 0x15, 0x15, 0x24),
      bars: fc.array(
        fc.tuple(
          fc.integer({ min: 0, max: 0xfffffff }).map((sizes) => (sizes << 4) >>> 0),
          fc
            .tuple(fc.integer({ min: 0, max: 5 }), fc.integer({ min: 0, max: 30 }), word)
            .map(([index, size, more]) => (index | (size << 8) | ((more & 1) << 16)) >>> 0),
        ),
        { minLength: 1, maxLength: 3 },
      ),
    }),
    { maxLength: 3 },
  ),
  lastExtended: fc.constantFrom(0, 0, 0, 0x100, 0x140),
});
