/**
 * Decodes the configuration space of one PCI function.
 * Source: PCI Local Bus 3.0, PCI-to-PCI Bridge 1.2 and PCI Express Base Specification register layouts (from memory).
 */
import type { Express, ExpressKind, LinkState, PciFunction } from '../../parts/pciFunction.ts';
import { ByteReader } from '../byteReader.ts';
import type { ProblemList } from '../problem.ts';
import { one, type BytesReader } from '../reader.ts';
import type { DeviceReport } from './combine.ts';

/** Path of a device's registers as Linux offers them. */
export const CONFIG_PATH = /([0-9a-f]{4,8}:[0-9a-f]{2}:[0-9a-f]{2}\.[0-7])[/-]config(?:\.hex)?$/;
const LEAST_BYTES = 64;
const MOST_BYTES = 4096;

export const configSpace = {
  kind: 'configSpace',
  isOne: (bytes, name) => bytes.length >= LEAST_BYTES && CONFIG_PATH.test(name),
  read(bytes, problems, name) {
    const address = CONFIG_PATH.exec(name)?.[1] ?? '';
    const functions = one(
      decodeConfigSpace(address, bytes.subarray(0, MOST_BYTES), null, problems),
    );
    const report: DeviceReport = { source: 'registers', functions };
    return { found: functions.length, says: { reports: [report] } };
  },
} satisfies BytesReader;

const STATUS = 0x06;
const STATUS_HAS_CAPABILITIES = 0x10;
const HEADER_BYTES = 64;
const CAPABILITY_EXPRESS = 0x10;
const CAPABILITY_SUBSYSTEM = 0x0d;
const EXTENDED_START = 0x100;
const EXTENDED_RESIZABLE_BAR = 0x15;
const BAR_UNIT_BYTES = 2 ** 20;
const NOT_THERE = 0xffff;

type HeaderType = 0 | 1 | 2;
const CAPABILITY_POINTER: Readonly<Record<HeaderType, number>> = { 0: 0x34, 1: 0x34, 2: 0x14 };
/** A CardBus header is twice as long as the others. */
const CARDBUS_HEADER_BYTES = 128;

const EXPRESS_KINDS: Readonly<Record<number, ExpressKind>> = {
  0: 'endpoint',
  1: 'legacyEndpoint',
  4: 'rootPort',
  5: 'upstreamPort',
  6: 'downstreamPort',
  7: 'expressToPciBridge',
  8: 'pciToExpressBridge',
  9: 'integratedEndpoint',
  10: 'eventCollector',
};
const WITHOUT_LINK: readonly (ExpressKind | null)[] = ['integratedEndpoint', 'eventCollector'];
const MAY_HAVE_SLOT: readonly (ExpressKind | null)[] = [
  'rootPort',
  'downstreamPort',
  'pciToExpressBridge',
];

const POWER_SCALE = [1, 0.1, 0.01, 0.001] as const;
/** Values from here on stand, at scale 1, for 250 W and steps of 25 W more; the last one for anything above 600 W. */
const HIGH_POWER_FROM = 0xf0;
const HIGH_POWER_MOST = 600;

interface Capability {
  readonly id: number;
  readonly offset: number;
}

/**
 * @param address domain:bus:device.function
 * @param name    what the diagnostic program called the device, or null
 * @returns the function, or null (with a problem) where it does not answer or its header is cut short
 */
export function decodeConfigSpace(
  address: string,
  bytes: Uint8Array,
  name: string | null,
  problems: ProblemList,
): PciFunction | null {
  const reader = new ByteReader(bytes);
  if (!reader.has(0, HEADER_BYTES)) {
    problems.add({
      code: 'config.short',
      at: address,
      offset: reader.length,
      expected: `${HEADER_BYTES}`,
      found: `${reader.length}`,
    });
    return null;
  }
  const vendor = reader.u16(0x00);
  if (vendor === NOT_THERE) {
    problems.add({ code: 'config.allOnes', at: address, offset: 0 });
    return null;
  }
  const headerType = decodeHeaderType(address, reader, problems);
  const capabilities =
    headerType === null ? [] : walkCapabilities(address, reader, headerType, problems);
  const express = capabilities.find((capability) => capability.id === CAPABILITY_EXPRESS);
  return {
    address,
    vendor,
    device: reader.u16(0x02),
    subsystem: decodeSubsystem(reader, headerType, capabilities),
    classCode: reader.u16(0x0a),
    programmingInterface: reader.u8(0x09),
    revision: reader.u8(0x08),
    name,
    // PCI and CardBus bridges keep their bus numbers in the same place.
    buses:
      headerType === 1 || headerType === 2
        ? { secondary: reader.u8(0x19), subordinate: reader.u8(0x1a) }
        : null,
    express: express === undefined ? null : decodeExpress(address, reader, express, problems),
    driver: null,
    modules: null,
    resizableBar:
      express === undefined
        ? null
        : decodeResizableBar(reader, extendedCapabilities(address, reader, problems)),
  };
}

/** The chain of the newer capabilities of PCI Express, which begins behind the first 256 bytes. */
function extendedCapabilities(
  address: string,
  reader: ByteReader,
  problems: ProblemList,
): readonly Capability[] {
  const found: Capability[] = [];
  const seen = new Set<number>();
  let offset = EXTENDED_START;
  while (offset >= EXTENDED_START && reader.has(offset, 4)) {
    if (seen.has(offset)) {
      problems.add({ code: 'capability.looped', at: address, offset });
      break;
    }
    seen.add(offset);
    const header = reader.u32(offset);
    if (header === 0 || header === 0xffffffff) break;
    found.push({ id: header & 0xffff, offset });
    offset = (header >>> 20) & ~3;
  }
  return found;
}

/** The largest of the device's resizable windows: what it is now and what it may become. */
function decodeResizableBar(
  reader: ByteReader,
  capabilities: readonly Capability[],
): PciFunction['resizableBar'] {
  const capability = capabilities.find(({ id }) => id === EXTENDED_RESIZABLE_BAR);
  if (capability === undefined || !reader.has(capability.offset, 12)) return null;
  const { offset } = capability;
  const count = (reader.u32(offset + 8) >>> 5) & 7;
  const bars = Array.from({ length: count }, (_, n) => offset + 4 + 8 * n)
    .filter((at) => reader.has(at, 8))
    .map((at) => {
      const control = reader.u32(at + 4);
      // Sizes from 1 MB to 128 TB stand in the first register, those above in the upper half of the second.
      const sizes = [
        ...bits(reader.u32(at) >>> 4, 28),
        ...bits(control >>> 16, 16).map((bit) => bit + 28),
      ];
      const now = (control >>> 8) & 0x3f;
      return { now, most: Math.max(now, ...sizes) };
    });
  const largest = bars.toSorted((a, b) => b.most - a.most)[0];
  if (largest === undefined) return null;
  const bytes = (power: number) => BAR_UNIT_BYTES * 2 ** power;
  const window = { nowBytes: bytes(largest.now), mostBytes: bytes(largest.most) };
  return isWindow(window) ? window : null;
}

/** Whether a window is of a size that can be set: the codes end at 2⁶³ bytes, and none means nothing. */
export const isWindow = ({ nowBytes, mostBytes }: NonNullable<PciFunction['resizableBar']>) =>
  nowBytes > 0 && mostBytes <= 2 ** 63;

/** Numbers of the bits that are set. */
const bits = (register: number, count: number): readonly number[] =>
  Array.from({ length: count }, (_, bit) => bit).filter((bit) => ((register >>> bit) & 1) === 1);

function decodeHeaderType(
  address: string,
  reader: ByteReader,
  problems: ProblemList,
): HeaderType | null {
  const type = reader.u8(0x0e) & 0x7f;
  if (type === 0 || type === 1 || type === 2) return type;
  problems.add({
    code: 'config.headerType',
    at: address,
    offset: 0x0e,
    expected: '0, 1, 2',
    found: `${type}`,
  });
  return null;
}

/** Follows the chain until it ends, loops, breaks or leaves the bytes that were read. */
function walkCapabilities(
  address: string,
  reader: ByteReader,
  headerType: HeaderType,
  problems: ProblemList,
): readonly Capability[] {
  if (headerType === 2 && !reader.has(0, CARDBUS_HEADER_BYTES)) {
    problems.add({ code: 'capability.denied', at: address, offset: reader.length });
    return [];
  }
  if ((reader.u16(STATUS) & STATUS_HAS_CAPABILITIES) === 0) return [];
  const found: Capability[] = [];
  const seen = new Set<number>();
  let offset = reader.u8(CAPABILITY_POINTER[headerType]) & ~3;
  while (offset !== 0) {
    if (!reader.has(offset, 4)) {
      problems.add({ code: 'capability.denied', at: address, offset });
      break;
    }
    if (seen.has(offset)) {
      problems.add({ code: 'capability.looped', at: address, offset });
      break;
    }
    seen.add(offset);
    const id = reader.u8(offset);
    if (id === 0xff) {
      problems.add({ code: 'capability.broken', at: address, offset });
      break;
    }
    found.push({ id, offset });
    offset = reader.u8(offset + 1) & ~3;
  }
  return found;
}

function decodeSubsystem(
  reader: ByteReader,
  headerType: HeaderType | null,
  capabilities: readonly Capability[],
): PciFunction['subsystem'] {
  const offset = subsystemOffset(headerType, capabilities);
  if (offset === null || !reader.has(offset, 4)) return null;
  const vendor = reader.u16(offset);
  if (vendor === 0 || vendor === NOT_THERE) return null;
  return { vendor, device: reader.u16(offset + 2) };
}

function subsystemOffset(
  headerType: HeaderType | null,
  capabilities: readonly Capability[],
): number | null {
  switch (headerType) {
    case 0:
      return 0x2c;
    case 1: {
      const capability = capabilities.find(({ id }) => id === CAPABILITY_SUBSYSTEM);
      return capability === undefined ? null : capability.offset + 4;
    }
    case 2:
      return 0x40;
    case null:
      return null;
  }
}

function decodeExpress(
  address: string,
  reader: ByteReader,
  { offset }: Capability,
  problems: ProblemList,
): Express | null {
  const flags = reader.u16(offset + 2);
  const kind = EXPRESS_KINDS[(flags >> 4) & 0xf] ?? null;
  const hasLink = !WITHOUT_LINK.includes(kind);
  const hasSlot = MAY_HAVE_SLOT.includes(kind) && (flags & 0x100) !== 0;
  if (!reader.has(offset, hasSlot ? 0x18 : hasLink ? 0x14 : 0x0c)) {
    problems.add({ code: 'capability.truncated', at: address, offset });
    return null;
  }
  return {
    kind,
    link: hasLink ? decodeLink(address, reader, offset, problems) : null,
    slot: hasSlot ? decodeSlot(reader.u32(offset + 0x14)) : null,
  };
}

function decodeLink(
  address: string,
  reader: ByteReader,
  offset: number,
  problems: ProblemList,
): NonNullable<Express['link']> {
  const state = (register: number, at: number): LinkState => ({
    generation: generationOf(register & 0xf, address, at, problems),
    width: (register >> 4) & 0x3f,
  });
  return {
    able: state(reader.u32(offset + 0x0c), offset + 0x0c),
    now: state(reader.u16(offset + 0x12), offset + 0x12),
  };
}

function generationOf(
  code: number,
  address: string,
  offset: number,
  problems: ProblemList,
): LinkState['generation'] {
  if (code === 1 || code === 2 || code === 3 || code === 4 || code === 5) return code;
  // 0 is what a link that is down reports.
  if (code !== 0) {
    problems.add({ code: 'link.speedNotSupported', at: address, offset, found: `${code}` });
  }
  return null;
}

function decodeSlot(register: number): NonNullable<Express['slot']> {
  const value = (register >> 7) & 0xff;
  const scale = POWER_SCALE[((register >> 15) & 3) as 0 | 1 | 2 | 3];
  const powerWatts =
    scale === 1 && value >= HIGH_POWER_FROM
      ? Math.min(HIGH_POWER_MOST, 250 + 25 * (value - HIGH_POWER_FROM))
      : value * scale;
  // Rounded to the finest step of the field, a milliwatt.
  return { number: register >>> 19, powerWatts: Math.round(powerWatts * 1000) / 1000 };
}
