/**
 * Which of several packages a system takes for a device: the one of the lowest rank, then the later date, then the higher
 * version. A rank is made of who vouches for it, how the maker rates its features, and how closely it names the device.
 * Source: the published rules by which setup ranks drivers (from memory).
 */
import { compareVersions } from '../classDrivers.ts';
import type { DeviceIdentities } from './identities.ts';
import type { Model, SetupPackage } from '../../document/driverPackage.ts';
import { installingOf, modelsFor } from './sections.ts';
import type { TargetSystem } from './target.ts';

/** The place of an identity in the device's own lists, and whether package and device name it as their own. */
export interface IdentityMatch {
  readonly identity: string;
  /** The device's own identity, or one of devices like it. */
  readonly isDevices: boolean;
  /** The package names the device itself, or one that it is like. */
  readonly isPackages: boolean;
  /** How far down the device's list, from 0. */
  readonly place: number;
}

export interface RankedDriver {
  readonly package: SetupPackage;
  readonly model: Model;
  readonly match: IdentityMatch;
  readonly rank: number;
  /** False where it hangs on a fact of the system that nobody told which section counts. */
  readonly sure: boolean;
}

const UNSIGNED = 0x80;
const STEP_OF_KIND = 0x1000;
const MOST_PLACES = 0xfff;

/** The closest way in which a model names a device; null where it does not. */
function matchOf(model: Model, device: DeviceIdentities): IdentityMatch | null {
  const lists = [
    [device.hardware, model.hardwareIds, true, true],
    [device.hardware, model.compatibleIds, true, false],
    [device.compatible, model.hardwareIds, false, true],
    [device.compatible, model.compatibleIds, false, false],
  ] as const;
  for (const [identities, named, isDevices, isPackages] of lists) {
    const place = identities.findIndex((each) => named.includes(each));
    const identity = identities[place];
    if (identity !== undefined) return { identity, isDevices, isPackages, place };
  }
  return null;
}

/** `0xSSFFTIII`: who vouches for it, its features, how device and package name each other, the place in the list. */
export const rankOf = (
  { isDevices, isPackages, place }: IdentityMatch,
  { isSigned, featureScore }: { readonly isSigned: boolean; readonly featureScore: number },
): number =>
  (isSigned ? 0 : UNSIGNED) * 0x1000000 +
  featureScore * 0x10000 +
  ((isDevices ? 0 : 2) + (isPackages ? 0 : 1)) * STEP_OF_KIND +
  Math.min(place, MOST_PLACES);

/** What each package offers for a device on a system, the best first; models without anything to install offer nothing. */
export function rankedDrivers(
  device: DeviceIdentities,
  system: TargetSystem,
  packages: readonly SetupPackage[],
): readonly RankedDriver[] {
  const offered = packages.flatMap((each) =>
    modelsFor(each, system).flatMap(({ section, sure }) =>
      section.models.flatMap((model): readonly RankedDriver[] => {
        const match = matchOf(model, device);
        const installing = match === null ? null : installingOf(each, model.install, system);
        if (match === null || installing === null) return [];
        const rank = rankOf(match, {
          isSigned: each.hasCatalogue,
          featureScore: installing.featureScore,
        });
        return [{ package: each, model, match, rank, sure }];
      }),
    ),
  );
  return offered.toSorted(compareDrivers);
}

/** Negative where `a` is taken before `b`. */
function compareDrivers(a: RankedDriver, b: RankedDriver): number {
  const [left, right] = [a.package.release, b.package.release];
  return (
    a.rank - b.rank ||
    (right?.date ?? '').localeCompare(left?.date ?? '') ||
    compareVersions(right?.version ?? '0', left?.version ?? '0')
  );
}
