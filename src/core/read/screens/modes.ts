/** A mode as a screen reports it, and the eighteen bytes that tell one in full. Source: VESA E-EDID 1.4 (from memory). */
import type { ByteReader } from '../byteReader.ts';

export interface ReportedMode {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly refreshHz: number;
  readonly pixelClockHz: number;
  readonly interlaced: boolean;
}

export const DESCRIPTOR_BYTES = 18;

/** @returns null where these bytes tell something else, or nothing */
export function detailedMode(reader: ByteReader, at: number): ReportedMode | null {
  const clock = reader.u16(at) * 10_000;
  if (clock === 0) return null;
  const high = (low: number, upper: number) => low | (upper << 8);
  const lines = high(reader.u8(at + 5), reader.u8(at + 7) >> 4);
  const interlaced = (reader.u8(at + 17) & 0x80) !== 0;
  return timed({
    clock,
    widthPx: high(reader.u8(at + 2), reader.u8(at + 4) >> 4),
    blankPx: high(reader.u8(at + 3), reader.u8(at + 4) & 0x0f),
    lines,
    blankLines: high(reader.u8(at + 6), reader.u8(at + 7) & 0x0f) + (interlaced ? 0.5 : 0),
    interlaced,
  });
}

export interface Timing {
  /** In hertz. */
  readonly clock: number;
  readonly widthPx: number;
  readonly blankPx: number;
  /** Of a field where interlaced. */
  readonly lines: number;
  readonly blankLines: number;
  readonly interlaced: boolean;
}

export function timed(timing: Timing): ReportedMode | null {
  const { clock, widthPx, blankPx, lines, blankLines, interlaced } = timing;
  const total = (widthPx + blankPx) * (lines + blankLines);
  if (widthPx === 0 || lines === 0 || total === 0) return null;
  return {
    widthPx,
    heightPx: interlaced ? lines * 2 : lines,
    refreshHz: clock / total,
    pixelClockHz: clock,
    interlaced,
  };
}
