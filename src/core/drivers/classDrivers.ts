/** What a system drives by itself: whole classes of devices, from one of its releases on. */
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../document/machine.ts';
import {
  ALL_RELEASES,
  CLASS_DRIVERS,
  NUMBERS_OF_RELEASES,
  type DrivenSince,
  type SystemFamily,
} from '../standards/systems.ts';

/** `unknown` also where the release matters and is not known. */
export type Driven = 'yes' | 'no' | 'unknown';

/** Whether this system's release drives what its family does since a release. */
export function isDrivenSince(since: DrivenSince, { family, version }: Machine['system']): Driven {
  const of = valueOf(family);
  const first = of === null ? undefined : since[of];
  if (of === null || first === undefined) return 'unknown';
  if (first === ALL_RELEASES) return 'yes';
  const release = valueOf(version);
  if (release === null) return 'unknown';
  return compareReleases(of, release, first) >= 0 ? 'yes' : 'no';
}

/** What the system's own driver for the device's class is called; null where it has none, or nobody knows of one. */
export function classDriver(class24: number, system: Machine['system']): string | null {
  const row = CLASS_DRIVERS[class24];
  return row !== undefined && isDrivenSince(row.since, system) === 'yes' ? row.name : null;
}

/** Whether the system has a driver for the class, by the table alone. */
export const classIsDriven = (class24: number, system: Machine['system']): Driven => {
  const row = CLASS_DRIVERS[class24];
  return row === undefined ? 'no' : isDrivenSince(row.since, system);
};

/** Releases of a family compared, those under the number they are sold by included. */
export const compareReleases = (family: SystemFamily, a: string, b: string): number =>
  compareVersions(numberOf(family, a), numberOf(family, b));

const numberOf = (family: SystemFamily, release: string): string =>
  NUMBERS_OF_RELEASES[family]?.[release] ?? release;

/** Dotted numbers compared part by part; a missing part counts as zero. */
export function compareVersions(a: string, b: string): number {
  const [left, right] = [a.split('.').map(Number), b.split('.').map(Number)];
  for (let part = 0; part < Math.max(left.length, right.length); part += 1) {
    const difference = (left[part] ?? 0) - (right[part] ?? 0);
    if (difference !== 0) return difference;
  }
  return 0;
}
