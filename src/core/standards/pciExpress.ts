/**
 * PCI Express link rates and widths.
 * Source: PCI Express Base Specification 1.1 to 5.0 (rates and line codes from memory of it).
 */
import { MEGABYTE, row } from '../units.ts';

export type Generation = 1 | 2 | 3 | 4 | 5;

interface GenerationRow {
  readonly gigatransfersPerSecond: number;
  readonly lineCode: '8b/10b' | '128b/130b';
  /** One lane, one direction, after the line code and before packets. */
  readonly bytesPerSecondPerLane: number;
  /** Framing, sequence number and link check bytes around each packet. */
  readonly framingBytes: number;
}

const rate = (gigatransfers: number, useful: number, coded: number) =>
  (gigatransfers * 1e9 * useful) / coded / 8;

export const GENERATIONS: Readonly<Record<Generation, GenerationRow>> = {
  1: generation(2.5, '8b/10b', rate(2.5, 8, 10)),
  2: generation(5, '8b/10b', rate(5, 8, 10)),
  3: generation(8, '128b/130b', rate(8, 128, 130)),
  4: generation(16, '128b/130b', rate(16, 128, 130)),
  5: generation(32, '128b/130b', rate(32, 128, 130)),
};

/** The generation of a link's speed as it is printed; null for a speed that Tenant does not know. */
export function generationAt(gigatransfersPerSecond: number): Generation | null {
  const found = Object.entries(GENERATIONS).find(
    ([, { gigatransfersPerSecond: each }]) => each === gigatransfersPerSecond,
  );
  return found === undefined ? null : (Number(found[0]) as Generation);
}

/** Widths that a link may train to, ascending. */
export const LINK_WIDTHS = [1, 2, 4, 8, 12, 16, 32] as const;

/** Mechanical connector lengths, named by the lanes they have contacts for. */
export const CONNECTOR_LANES = [1, 4, 8, 16] as const;

export interface Link {
  readonly generation: Generation;
  readonly width: number;
}

/** Bytes per second of a link, each way, after the line code and before packet overhead. */
export function linkBytesPerSecond(link: Link): number {
  return row(GENERATIONS, link.generation).bytesPerSecondPerLane * link.width;
}

/**
 * The part of the coded rate that is payload, for a packet's payload and header bytes.
 * Source: PCI Express Base Specification, transaction and data link layers (from memory).
 */
export function payloadShare(
  generation: Generation,
  payloadBytes: number,
  headerBytes: number,
): number {
  const overhead = headerBytes + row(GENERATIONS, generation).framingBytes;
  return payloadBytes / (payloadBytes + overhead);
}

/**
 * What practice shows of a healthy link of the first two generations at the low end, as a share of its coded rate; it
 * lies below what packets alone take, where acknowledgements, credits and small completions are felt, and more so the
 * wider the link. Common practice, no source: USB cards in Gen 1 x1 from 200 of 250 MB/s on and in Gen 2 x1 from 400 of
 * 500, storage in Gen 2 x4 from 1,400 of 2,000. Of later generations none is told.
 */
const HEALTHY_SHARE = { oneLane: 0.8, wider: 0.7 } as const;

/** Payload bytes per second to reckon with: as practice shows, or 128-byte packets behind 16-byte headers. */
export function reckonedBytesPerSecond(link: Link): number {
  const seen = link.width === 1 ? HEALTHY_SHARE.oneLane : HEALTHY_SHARE.wider;
  const share = link.generation <= 2 ? seen : payloadShare(link.generation, 128, 16);
  return linkBytesPerSecond(link) * share;
}

/** Payload bytes per second at best: 256-byte packets behind 12-byte headers. */
export function bestBytesPerSecond(link: Link): number {
  return linkBytesPerSecond(link) * payloadShare(link.generation, 256, 12);
}

/** The link two ends train to: the lower generation and the widest width that both support. */
export function trainedLink(a: Link, b: Link): Link {
  const narrower = Math.min(a.width, b.width);
  const width = LINK_WIDTHS.findLast((candidate) => candidate <= narrower);
  if (width === undefined) throw new Error(`No link width fits ${narrower} lanes`);
  return { generation: a.generation < b.generation ? a.generation : b.generation, width };
}

/** Classic PCI, 32 bit at 33 MHz, shared by every slot of the bus. Source: PCI Local Bus 3.0 (from memory). */
export const CLASSIC_PCI_BYTES_PER_SECOND = 133 * MEGABYTE;

/** Part of it that bursts leave for payload when one card is busy. Common practice, no source. */
export const CLASSIC_PCI_SHARE = 0.75;

function generation(
  gigatransfersPerSecond: number,
  lineCode: GenerationRow['lineCode'],
  bytesPerSecondPerLane: number,
): GenerationRow {
  return { gigatransfersPerSecond, lineCode, bytesPerSecondPerLane, framingBytes: 8 };
}
