/**
 * Ethernet over copper. Source: IEEE 802.3ab, 802.3bz and 802.3an (from memory).
 */
import { megabitsToBytesPerSecond } from '../units.ts';

export const ETHERNET_MEGABITS = [10, 100, 1000, 2500, 5000, 10000] as const;

export const COPPER_CLASSES = ['cat5', 'cat5e', 'cat6', 'cat6a', 'cat7', 'cat8'] as const;
export const FIBRE_CLASSES = ['om1', 'om3', 'om4', 'os2'] as const;
/** From the least to the best of each kind. */
export const CABLE_CLASSES = [...COPPER_CLASSES, ...FIBRE_CLASSES] as const;
export type CableClass = (typeof CABLE_CLASSES)[number];

export const isFibre = (cable: CableClass): boolean =>
  FIBRE_CLASSES.some((fibre) => fibre === cable);

/** What a port takes: a copper lead, or a module for glass or copper. */
export const NETWORK_MEDIA = ['copper', 'sfp'] as const;
export type NetworkMedium = (typeof NETWORK_MEDIA)[number];

/** What goes into a cage for modules, by the lead that ends there. */
export type NetworkModule = 'copper' | 'multimode' | 'singlemode';
export const moduleFor = (cable: CableClass | null): NetworkModule =>
  cable === null || !isFibre(cable) ? 'copper' : cable === 'os2' ? 'singlemode' : 'multimode';

/** A fall-back that only two of the four pairs carry. Source: IEEE 802.3, 100BASE-TX (from memory). */
export const TWO_PAIR_MEGABITS = 100;

const everywhere = (metres: number) => ETHERNET_MEGABITS.map((speed) => [speed, metres] as const);

/**
 * Longest run in metres on which a cable class carries each speed. Absent: it does not. Copper over Cat 7 and 8 by
 * ISO/IEC 11801, fibre by IEEE 802.3 for 1000BASE-SX and LX and 10GBASE-SR and LR (from memory); glass knows no speed
 * between 1 and 10 Gb/s.
 */
const REACH_METRES: Readonly<Record<CableClass, readonly (readonly [number, number])[]>> = {
  cat5: [
    [10, 100],
    [100, 100],
  ],
  cat5e: [
    [10, 100],
    [100, 100],
    [1000, 100],
    [2500, 100],
  ],
  cat6: [
    [10, 100],
    [100, 100],
    [1000, 100],
    [2500, 100],
    [5000, 100],
    [10000, 55],
  ],
  cat6a: everywhere(100),
  cat7: everywhere(100),
  cat8: everywhere(100),
  om1: [
    [1000, 275],
    [10000, 33],
  ],
  om3: [
    [1000, 550],
    [10000, 300],
  ],
  om4: [
    [1000, 550],
    [10000, 400],
  ],
  os2: [
    [1000, 5_000],
    [10000, 10_000],
  ],
};

/**
 * Longest run on which a class usually carries a speed that the standard does not promise of it. Common practice, no
 * source: Cat 5 that is laid well carries 1 Gb/s, and Cat 5e 5 Gb/s.
 */
const USUAL_REACH_METRES: Readonly<Partial<Record<CableClass, readonly [number, number]>>> = {
  cat5: [1000, 100],
  cat5e: [5000, 100],
};

/** Longest run in metres on which the standard promises the speed of a class; zero: on none. */
export const reachMetres = (cable: CableClass, megabits: number): number =>
  REACH_METRES[cable].find(([speed]) => speed === megabits)?.[1] ?? 0;

/** Whether a cable of a class and a length in metres carries a speed in megabits per second: by the standard, or usually. */
export function cableCarries(
  cable: CableClass,
  metres: number,
  megabits: number,
): 'standard' | 'usually' | null {
  const isWithin = ([speed, reach]: readonly [number, number]) =>
    speed === megabits && metres <= reach;
  if (REACH_METRES[cable].some(isWithin)) return 'standard';
  const usual = USUAL_REACH_METRES[cable];
  return usual !== undefined && isWithin(usual) ? 'usually' : null;
}

/**
 * TCP payload in bytes per second of a line in megabits per second. A frame of `mtu` bytes carries
 * `mtu` less 40 bytes of IPv4 and TCP headers and occupies 38 bytes more on the wire.
 */
export function tcpBytesPerSecond(megabits: number, mtu = 1500): number {
  return (megabitsToBytesPerSecond(megabits) * (mtu - 40)) / (mtu + 38);
}

/**
 * Share of the TCP payload that a healthy copy shows at the low end, on lines up to a speed in megabits per second.
 * Common practice, no source: 105 of 118.7 MB/s on gigabit lines, 250 of 296.7 on those of 2.5 Gb/s; on faster ones
 * none is told.
 */
export const healthyCopyShare = (megabits: number): number => (megabits <= 1_000 ? 0.884 : 0.842);

/**
 * What several ports are for: each by itself; together for the sum of what many copies take at once; or so that one card may
 * fail. Source: IEEE 802.1AX for the sum, which no single copy gets (from memory).
 */
export const NETWORK_TEAMS = ['none', 'throughput', 'survival'] as const;

/** What a port may be wanted for besides its rate. Source: the names of IEEE 802.1Q and 802.1AX, and of practice. */
export const NETWORK_FEATURES = ['wake', 'vlan', 'netBoot', 'teaming'] as const;
export type NetworkFeature = (typeof NETWORK_FEATURES)[number];
