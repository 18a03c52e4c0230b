/** Driver packages: which one a system takes for a card. */
import { memoOf } from '../memo.ts';
import type { Card } from '../parts/card.ts';
import type { DriverPackage } from '../parts/driverPackage.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../parts/machine.ts';
import { deviceId } from '../parts/pciFunction.ts';
import { classDriver, compareReleases, compareVersions } from './classDrivers.ts';

/** The packages the driver library knows, or null while it cannot be reached. */
export type DriverLibrary = readonly DriverPackage[] | null;

/** Packages by the devices they name; a library is asked for a thousand cards, and never changes. */
const indexed = memoOf((library: readonly DriverPackage[]) => {
  const index = new Map<string, DriverPackage[]>();
  for (const each of library) {
    for (const identity of each.deviceIds) {
      const of = index.get(identity) ?? [];
      of.push(each);
      index.set(identity, of);
    }
  }
  return index;
});

/** Of the packages that name the card and serve the system, the latest release, then the highest version. */
export function bestPackage(
  card: Card,
  machine: Machine,
  library: readonly DriverPackage[],
): DriverPackage | null {
  const serving = (indexed(library).get(deviceId(card.ids)) ?? []).filter((candidate) =>
    servesSystem(candidate, machine),
  );
  return (
    serving.toSorted(
      (a, b) => b.released.localeCompare(a.released) || compareVersions(b.version, a.version),
    )[0] ?? null
  );
}

export interface DriverChoice {
  /** Null where no package names the card and serves the system. */
  readonly package: DriverPackage | null;
  /** The kind of driver the system brings for the card's class, where no package is used. */
  readonly ownDriver: string | null;
}

export const chosenDriver = (
  card: Card,
  machine: Machine,
  library: readonly DriverPackage[],
): DriverChoice => ({
  package: bestPackage(card, machine, library),
  ownDriver: classDriver(card.ids.class24, machine.system),
});

/** The packages to use for these cards, each once. */
export function packagesFor(
  cards: readonly Card[],
  machine: Machine,
  library: readonly DriverPackage[],
): readonly DriverPackage[] {
  return [...new Set(cards.flatMap((card) => bestPackage(card, machine, library) ?? []))];
}

function servesSystem(candidate: DriverPackage, machine: Machine): boolean {
  const version = valueOf(machine.system.version);
  if (version === null) return false;
  return candidate.systems.some(
    (system) =>
      system.family === valueOf(machine.system.family) &&
      system.architecture === valueOf(machine.system.architecture) &&
      compareReleases(system.family, version, system.from) >= 0 &&
      (system.to === null || compareReleases(system.family, version, system.to) <= 0),
  );
}
