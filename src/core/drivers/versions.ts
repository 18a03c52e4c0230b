/** Versions of drivers as packages give them and as reports show them. */
import type { DriverPackage } from '../document/driverPackage.ts';
import { compareVersions } from './classDrivers.ts';

/** The number that a system shows for a package: the one in its setup file, where it has one. */
export const shownVersion = ({ says, version }: DriverPackage): string =>
  says.kind === 'setup' ? (says.setup.release?.version ?? version) : version;

const VERSION = /\b\d{1,5}(?:\.\d{1,5}){1,3}\b/;

/** The version in a driver as a report gives it: “Maker 3.1.2 (service)”; null where it gives none. */
export const versionIn = (driver: string): string | null => VERSION.exec(driver)?.[0] ?? null;

/** Whether what runs is surely of a lower version than the package. */
export function runsOlder(driver: string, chosen: DriverPackage): boolean {
  const running = versionIn(driver);
  return running !== null && compareVersions(running, shownVersion(chosen)) < 0;
}
