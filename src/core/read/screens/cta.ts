/**
 * The consumer-electronics extension: modes by code, what the HDMI input takes, and modes at half the colour.
 * Sources: CTA-861-I (data blocks, 4:2:0 map), HDMI 1.4b and 2.1 vendor blocks; from memory, checked against
 * edid-decode in the reference tests.
 */
import { CTA_MODES } from '../../standards/ctaModes.ts';
import { FRL_GIGABITS } from '../../standards/screens.ts';
import type { ByteReader } from '../byteReader.ts';
import { DESCRIPTOR_BYTES, detailedMode, type ReportedMode } from './modes.ts';

const VIDEO = 2;
const VENDOR = 3;
const EXTENDED = 7;
const ONLY_420 = 14;
const ALSO_420 = 15;
const HDMI_FORUM = 0x79;
const OUI_HDMI = 0x000c03;
const OUI_HDMI_FORUM = 0xc45dd8;
/** Codes of HDMI's own list, as the video codes of the same modes. */
const HDMI_CODES: Readonly<Record<number, number>> = { 1: 95, 2: 94, 3: 93, 4: 98 };
/** Bits of a colour that a screen's HDMI input may take beside eight, by their bit. */
const DEEP_COLOURS = [
  [0x40, 16],
  [0x20, 12],
  [0x10, 10],
] as const;
const TMDS_STEP_HZ = 5e6;

export interface CtaReading {
  readonly modes: readonly ReportedMode[];
  /** Modes that it takes at half the colour (4:2:0), those included that it takes only so. */
  readonly halfColour: readonly ReportedMode[];
  readonly isHdmi: boolean;
  /** Fastest clock over HDMI, where it names one. */
  readonly clockHz: number | null;
  /** Fixed-rate links over HDMI, all lanes together, where it has them. */
  readonly frlGigabits: number | null;
  readonly bitsPerColour: number | null;
}

/** A block of data: what it is, where its bytes begin, how many there are. */
interface DataBlock {
  readonly tag: number;
  readonly at: number;
  readonly length: number;
}

export function readCta(block: ByteReader, size: number): CtaReading {
  const detailedFrom = block.u8(2);
  const data = ctaDataBlocks(block, 4, Math.min(detailedFrom, size - 1));
  const { modes, ...rest } = readCtaData(block, data);
  return { ...rest, modes: [...detailedOf(block, detailedFrom, size), ...modes] };
}

/** Blocks between two places; one that would reach beyond the end is cut off. */
export function ctaDataBlocks(block: ByteReader, start: number, end: number): readonly DataBlock[] {
  const found: DataBlock[] = [];
  let at = start;
  while (at < end) {
    const length = block.u8(at) & 0x1f;
    if (at + length >= end) break;
    found.push({ tag: block.u8(at) >> 5, at: at + 1, length });
    at += length + 1;
  }
  return found;
}

export function readCtaData(block: ByteReader, data: readonly DataBlock[]): CtaReading {
  const bytes = ({ at, length }: DataBlock, from = 0) =>
    Array.from({ length: Math.max(0, length - from) }, (_, n) => block.u8(at + from + n));
  const extended = (tag: number) =>
    data.filter((each) => each.tag === EXTENDED && each.length > 0 && block.u8(each.at) === tag);
  const oui = ({ at }: DataBlock) =>
    block.u8(at) | (block.u8(at + 1) << 8) | (block.u8(at + 2) << 16);
  const vendor = (of: number) =>
    data.filter((each) => each.tag === VENDOR && each.length >= 3 && oui(each) === of);
  const hdmi = vendor(OUI_HDMI);
  const forum = [...vendor(OUI_HDMI_FORUM), ...extended(HDMI_FORUM)];
  const told = (blocks: readonly DataBlock[], position: number) =>
    blocks.filter(({ length }) => length > position).map(({ at }) => block.u8(at + position));
  const named = data
    .filter(({ tag }) => tag === VIDEO)
    .flatMap((each) => bytes(each))
    .map(videoCode);
  const only420 = extended(ONLY_420)
    .flatMap((each) => bytes(each, 1))
    .map(videoCode);
  const maps = extended(ALSO_420).map((each) => bytes(each, 1));
  const also420 = named.filter((_, n) =>
    maps.some((map) => map.length === 0 || ((map[n >> 3] ?? 0) & (1 << (n & 7))) !== 0),
  );
  const colours = told(hdmi, 5).flatMap((flags) =>
    DEEP_COLOURS.flatMap(([bit, bits]) => ((flags & bit) === 0 ? [] : [bits])),
  );
  const codes = [...named, ...hdmi.flatMap((each) => hdmiCodes(block, each))];
  return {
    modes: modesOf(codes.filter((code) => !only420.includes(code))),
    halfColour: modesOf([...also420, ...only420]),
    isHdmi: hdmi.length + forum.length > 0,
    clockHz: most([...told(hdmi, 6), ...told(forum, 4)].map((steps) => steps * TMDS_STEP_HZ)),
    frlGigabits: most(told(forum, 6).map((rate) => FRL_GIGABITS[rate >> 4] ?? 0)),
    bitsPerColour: most(colours),
  };
}

const most = (values: readonly number[]): number | null => Math.max(0, ...values) || null;

/** A code with its top bit set is a native mode, except among the newer codes. */
const videoCode = (byte: number): number => (byte >= 129 && byte <= 192 ? byte & 0x7f : byte);

const modesOf = (codes: readonly number[]): readonly ReportedMode[] =>
  codes.flatMap((code) => CTA_MODES.get(code) ?? []);

/** HDMI's own codes stand behind the latencies, where there are such. */
function hdmiCodes(block: ByteReader, { at, length }: DataBlock): readonly number[] {
  const flags = length > 7 ? block.u8(at + 7) : 0;
  if ((flags & 0x20) === 0) return [];
  const lengthAt = 9 + ((flags & 0x80) === 0 ? 0 : (flags & 0x40) === 0 ? 2 : 4);
  const count = length > lengthAt ? block.u8(at + lengthAt) >> 5 : 0;
  return Array.from({ length: count }, (_, n) => lengthAt + 1 + n)
    .filter((position) => position < length)
    .flatMap((position) => HDMI_CODES[block.u8(at + position)] ?? []);
}

function detailedOf(block: ByteReader, from: number, size: number): readonly ReportedMode[] {
  const found: ReportedMode[] = [];
  if (from < 4) return found;
  for (let at = from; at + DESCRIPTOR_BYTES < size; at += DESCRIPTOR_BYTES) {
    if (block.u16(at) === 0) break;
    const mode = detailedMode(block, at);
    if (mode !== null) found.push(mode);
  }
  return found;
}
