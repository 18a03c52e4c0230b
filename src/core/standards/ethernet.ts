/**
 * Ethernet over copper. Source: IEEE 802.3ab, 802.3bz and 802.3an (from memory).
 */
import { megabitsToBytesPerSecond } from '../units.ts';

export const ETHERNET_MEGABITS = [10, 100, 1000, 2500, 5000, 10000] as const;

export const CABLE_CLASSES = ['cat5e', 'cat6', 'cat6a'] as const;
export type CableClass = (typeof CABLE_CLASSES)[number];

/** Longest run in metres on which a cable class carries each speed. Absent: it does not. */
const REACH_METRES: Readonly<Record<CableClass, readonly (readonly [number, number])[]>> = {
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
  cat6a: ETHERNET_MEGABITS.map((speed) => [speed, 100] as const),
};

/**
 * Longest run on which a class usually carries a speed that the standard does not promise of it. Common practice, no
 * source: Cat 5e that is laid well carries 5 Gb/s.
 */
const USUAL_REACH_METRES: Readonly<Partial<Record<CableClass, readonly [number, number]>>> = {
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
