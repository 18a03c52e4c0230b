/**
 * The way from the machine's network port to what it talks to: leads, and the devices they end in, one after the
 * other. The last one is the far end; where two machines are joined directly it is the only one.
 */
import * as z from 'zod/mini';
import { fact, type Fact } from './fact.ts';
import * as limits from './limits.ts';
import { MOST, id, listOf, text } from './limits.ts';
import { CABLE_CLASSES } from '../standards/ethernet.ts';
import { COPY_DRIVES, DRIVE_ARRAYS, SATA_PORTS } from '../standards/storage.ts';
import { PROCESSOR_CLASSES } from '../standards/processors.ts';
import { DISTANCES, RADIO_STANDARDS, WIFI_BANDS } from '../standards/wifi.ts';
import type { DeepReadonly } from '../units.ts';

export const LEAD_PLACES = ['patch', 'wall'] as const;
/** `brokenPair`: tested, and not all four pairs get through; `worn`: its latch does not hold, or it is kinked. */
export const LEAD_CONDITIONS = ['good', 'worn', 'brokenPair'] as const;

const Lead = z.object({
  id,
  place: z.enum(LEAD_PLACES),
  cable: fact(z.enum(CABLE_CLASSES)),
  metres: fact(limits.cableMetres),
  condition: fact(z.enum(LEAD_CONDITIONS)),
});

export const HOP_KINDS = ['switch', 'router', 'converter', 'machine'] as const;

const Hop = z.object({
  id,
  name: text,
  kind: z.enum(HOP_KINDS),
  /** From the one before it, or from the machine's own port. */
  leads: listOf(Lead, MOST.leadsOfHop).check(z.minLength(1)),
  /** Speeds its ports know, in megabits per second. */
  portMegabits: fact(listOf(limits.wholeMegabits, MOST.speeds)),
  /** What the link to it came up at, as its lamps or its own page say, in megabits per second. */
  linkMegabits: fact(limits.megabits),
});

const DriveArrayOf = z.object({ count: limits.counted, how: z.enum(DRIVE_ARRAYS) });

export const NetworkPath = z.object({
  /** From the machine outward. */
  hops: listOf(Hop, MOST.hops).check(z.minLength(1)),
  internetMegabits: fact(limits.megabits),
  /** What the machine's own port came up at, in megabits per second. */
  ownMegabits: fact(limits.megabits),
  /** Of the machine itself: an old one holds back what its card could carry. */
  processor: fact(z.enum(PROCESSOR_CLASSES)),
  /** What is copied from here, and where it is copied to. */
  ownDrive: fact(z.enum(COPY_DRIVES)),
  /** The port that it hangs on, where that is one of Serial ATA. */
  ownDrivePort: fact(z.enum(SATA_PORTS)),
  farDrive: fact(z.enum(COPY_DRIVES)),
  /** How many of these drives work as one, and how; null: one by itself. */
  ownArray: fact(DriveArrayOf),
  farArray: fact(DriveArrayOf),
});

/** What the radio talks to, and what lies behind it. */
export const AccessPoint = z.object({
  standard: fact(z.enum(RADIO_STANDARDS)),
  bands: fact(listOf(z.enum(WIFI_BANDS), WIFI_BANDS.length)),
  /** Width of its channel in megahertz. */
  channelMhz: fact(limits.channelMhz),
  streams: fact(limits.streams),
  distance: fact(z.enum(DISTANCES)),
  /** What its own wire came up at, in megabits per second. */
  wireMegabits: fact(limits.megabits),
});

export type Lead = DeepReadonly<z.infer<typeof Lead>>;
export type Hop = DeepReadonly<z.infer<typeof Hop>>;
export type NetworkPath = DeepReadonly<z.infer<typeof NetworkPath>>;
export type AccessPoint = DeepReadonly<z.infer<typeof AccessPoint>>;

/** What is told of a lead and of the device it ends in; the rest is not known. */
interface WireTold {
  readonly cable?: Fact<(typeof CABLE_CLASSES)[number]>;
  readonly metres?: Fact<number>;
  readonly portMegabits?: Fact<readonly number[]>;
}

export const emptyLead = (leadId: string, place: Lead['place'] = 'patch'): Lead => ({
  id: leadId,
  place,
  cable: null,
  metres: null,
  condition: null,
});

export const emptyHop = (hopId: string, kind: Hop['kind'] = 'switch'): Hop => ({
  id: hopId,
  name: '',
  kind,
  leads: [emptyLead(`${hopId}-lead`)],
  portMegabits: null,
  linkMegabits: null,
});

/** One lead to the far end, and nothing between. */
export const directHops = ({ portMegabits = null, ...lead }: WireTold = {}): readonly Hop[] => {
  const hop = emptyHop('far-end', 'machine');
  return [{ ...hop, portMegabits, leads: hop.leads.map((each) => ({ ...each, ...lead })) }];
};

export const emptyPath = (): NetworkPath => ({
  hops: directHops(),
  internetMegabits: null,
  ownMegabits: null,
  processor: null,
  ownDrive: null,
  ownDrivePort: null,
  farDrive: null,
  ownArray: null,
  farArray: null,
});

export const emptyAccessPoint = (): AccessPoint => ({
  standard: null,
  bands: null,
  channelMhz: null,
  streams: null,
  distance: null,
  wireMegabits: null,
});
