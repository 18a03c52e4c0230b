/** One function of a PCI device as the machine itself reports it. */
import { inHex } from '../units.ts';
import * as z from 'zod/mini';
import * as limits from './limits.ts';
import { MOST, listOf, text } from './limits.ts';
import type { DeepReadonly } from '../units.ts';

export const PciAddress = z
  .string()
  .check(z.regex(/^[0-9a-f]{4,8}:[0-9a-f]{2}:[0-9a-f]{2}\.[0-7]$/));

export const ExpressKind = z.enum([
  'endpoint',
  'legacyEndpoint',
  'rootPort',
  'upstreamPort',
  'downstreamPort',
  'expressToPciBridge',
  'pciToExpressBridge',
  'integratedEndpoint',
  'eventCollector',
]);
export type ExpressKind = z.infer<typeof ExpressKind>;

/** A link's speed and width. Speed is null where the code is not one of the generations Tenant knows. */
const LinkState = z.object({
  generation: z.nullable(
    z.union([z.literal(1), z.literal(2), z.literal(3), z.literal(4), z.literal(5)]),
  ),
  /** 0: the link is down. */
  width: limits.linkWidth,
});

export const Express = z.object({
  kind: z.nullable(ExpressKind),
  /** What this end can do at most, and what the link trained to. Null where the function has no link. */
  link: z.nullable(z.object({ able: LinkState, now: LinkState })),
  /** Null where the port has no slot. */
  slot: z.nullable(z.object({ number: limits.slotNumber, powerWatts: limits.slotWatts })),
});

export const PciFunction = z.object({
  /** domain:bus:device.function in hexadecimal. */
  address: PciAddress,
  vendor: limits.code16,
  device: limits.code16,
  subsystem: z.nullable(z.object({ vendor: limits.code16, device: limits.code16 })),
  /** Base class and subclass. */
  classCode: limits.code16,
  programmingInterface: limits.byte,
  revision: limits.byte,
  /** The names the diagnostic program printed, or null where only registers were read. */
  name: z.nullable(text),
  /** Bus numbers of a bridge. */
  buses: z.nullable(z.object({ secondary: limits.byte, subordinate: limits.byte })),
  express: z.nullable(Express),
  /** The driver in use, where the text says so. */
  driver: z.nullable(text),
  /** Drivers that its system has for it; null where nobody looked. */
  modules: z.nullable(listOf(text, MOST.modules)),
  /** The largest window of memory that can be made larger, in bytes; null where there is none. */
  resizableBar: z.nullable(
    z.object({ nowBytes: limits.windowBytes, mostBytes: limits.windowBytes }),
  ),
});
export type PciFunction = DeepReadonly<z.infer<typeof PciFunction>>;
export type LinkState = DeepReadonly<z.infer<typeof LinkState>>;
export type Express = DeepReadonly<z.infer<typeof Express>>;

/** A function of which only its place is known. */
export const emptyFunction = (address: string): PciFunction => ({
  address,
  vendor: 0,
  device: 0,
  subsystem: null,
  classCode: 0,
  programmingInterface: 0,
  revision: 0,
  name: null,
  buses: null,
  express: null,
  driver: null,
  modules: null,
  resizableBar: null,
});

export const hex4 = (code: number): string => inHex(code, 4);

/** `vendor:device` in hexadecimal, the identity by which drivers are found. */
export const deviceId = (of: { readonly vendor: number; readonly device: number }): string =>
  `${hex4(of.vendor)}:${hex4(of.device)}`;

/** Without the last part, by which the system tells one device from its twin: often the device's own number. */
export const withoutNumber = (instance: string): string => {
  const parts = instance.split('\\');
  return parts.length < 3 ? instance : [...parts.slice(0, 2), '…'].join('\\');
};
