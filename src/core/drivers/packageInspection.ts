/**
 * Driver packages as they were dropped, looked at before anything is done with them: which devices of the machine and which
 * cards each drives on this system and by which identity, whether it is newer than what is there, and what it would take over
 * besides.
 */
import { strFromU8 } from 'fflate';
import { ascending, bisector } from 'd3-array';
import { cardName, type Card } from '../document/card.ts';
import type { Machine } from '../document/machine.ts';
import type { SetupPackage } from '../document/driverPackage.ts';
import { deviceId } from '../parts/pciFunction.ts';
import { readInf } from '../read/drivers/inf.ts';
import { ProblemList, type Problem } from '../read/problem.ts';
import {
  readBuiltinModinfo,
  readModulesAlias,
  type AliasList,
} from '../read/system/moduleAliases.ts';
import { decodeText } from '../read/text.ts';
import { isBasicDisplay, isByClass } from '../standards/systemDrivers.ts';
import { classDriver, compareVersions } from './classDrivers.ts';
import { cardQuery } from './deviceQuery.ts';
import { machineDevices, NEEDS_NO_DRIVER, type MachineDevice } from './machineDevices.ts';
import { modulesNamed } from './moduleMatching.ts';
import { rankedDrivers, type IdentityMatch, type RankedDriver } from './setup/ranking.ts';
import { modelsFor } from './setup/sections.ts';
import { readSetupPackage, type SetupReading } from './setup/setupPackage.ts';
import { targetSystemOf, type TargetSystem } from './setup/target.ts';
import { versionIn } from './versions.ts';

export interface PackagesInspection {
  readonly packages: readonly PackageInspection[];
  /** Files that say nothing of drivers themselves. */
  readonly others: number;
  /** Planned cards, and devices that nothing drives, for which there is no package and no driver of the system's own. */
  readonly undriven: readonly string[];
  /** Whether it is known which sections this machine's system takes. */
  readonly takesSetup: 'yes' | 'no' | 'unknown';
}

export interface PackageInspection {
  readonly name: string;
  readonly kind: 'setup' | 'aliases';
  /** In the file's own words; empty for lists of kernel modules. */
  readonly provider: string;
  readonly className: string;
  readonly release: SetupPackage['release'];
  readonly hasCatalogue: boolean;
  /** The models sections that the machine's system takes, and how many devices they name. */
  readonly sections: readonly { readonly name: string; readonly sure: boolean }[];
  /** All of them, whatever system they are for. */
  readonly allSections: readonly string[];
  readonly models: number;
  readonly drives: readonly DrivenDevice[];
  /** Files in its folder, itself included, and their bytes. */
  readonly files: number;
  readonly bytes: number;
  /** Files that it names and that do not lie beside it. */
  readonly missing: readonly string[];
  readonly problems: readonly Problem[];
}

/** A device of the machine, or a card that is not in yet, that a package has a driver for. */
export interface DrivenDevice {
  readonly id: string;
  readonly name: string;
  /** A card of the plan; else a device that is in the machine. */
  readonly isPlanned: boolean;
  /** As the system's own list will name it: the maker's words, or the kernel's module. */
  readonly listedAs: string;
  /** Null for kernel modules. */
  readonly match: IdentityMatch | null;
  /** The driver it runs on now, as the report had it; null where none runs. */
  readonly now: string | null;
  readonly isNowGeneric: boolean;
  /** Its version against the one that runs; null where either is not known. */
  readonly against: 'newer' | 'same' | 'older' | null;
  /** Another of these packages is taken before it. */
  readonly isOutranked: boolean;
  /** It names only what the device is like, and the device has a driver of its own: it would be taken over unasked. */
  readonly isUnasked: boolean;
}

const MOST_MISSING = 20;
const SETUP_FILE = /\.inf$/i;
const ALIAS_FILE = /(^|\/)modules\.alias$/;
const BUILT_IN_FILE = /(^|\/)modules\.builtin\.modinfo$/;

/** A file as it was dropped, or lies in an archive. What says nothing of drivers is not read: its name and size are enough. */
export interface PackageFile {
  readonly name: string;
  readonly bytes: number;
  readonly content: Uint8Array | string | null;
}

/** Whether a file of this name has to be read to know what it drives. */
export const saysOfDrivers = (name: string): boolean =>
  [SETUP_FILE, ALIAS_FILE, BUILT_IN_FILE].some((each) => each.test(name));

/** The name of a file in an archive. */
export const nameInArchive = (archive: string, path: string): string =>
  `${archive}${BEHIND_ARCHIVE}${path}`;

/** @param cards those of the plan */
export function inspectPackages(
  files: readonly PackageFile[],
  machine: Machine,
  cards: readonly Card[],
): PackagesInspection {
  const beside = filesByFolder(files);
  const system = targetSystemOf(machine);
  const read = readDriverFiles(files);
  const devices: readonly Device[] = [
    ...cards.map(plannedDevice),
    ...machineDevices(machine).map((each) => ({ ...each, isPlanned: false })),
  ];
  const best = new Map(
    devices.map((device) => [device.id, bestOf(device, read, system)?.package ?? null]),
  );
  const packages = read.map((file) => ({
    ...lookOf(file, devices, system, best),
    ...besides(file, beside(file.name)),
  }));
  const driven = new Set(packages.flatMap(({ drives }) => drives.map(({ id }) => id)));
  return {
    packages,
    others: files.length - read.length,
    undriven: undrivenOf(devices, driven, machine),
    takesSetup: system !== null ? 'yes' : saysOtherwise(machine) ? 'no' : 'unknown',
  };
}

function undrivenOf(
  devices: readonly Device[],
  driven: ReadonlySet<string>,
  { system, functions }: Machine,
): readonly string[] {
  // A report of ports and cards may say nothing of drivers at all.
  const tellsDrivers = functions.some(({ driver }) => driver !== null);
  return devices
    .filter(({ id, isPlanned, driver, status, asked: { class24 } }) => {
      const isIdle = isPlanned || status !== '' || (tellsDrivers && driver === null);
      return (
        isIdle &&
        !driven.has(id) &&
        (class24 === null ||
          (!NEEDS_NO_DRIVER.has(class24 >> 16) && classDriver(class24, system) === null))
      );
    })
    .map(({ name }) => name);
}

const saysOtherwise = ({ system }: Machine): boolean =>
  system.family !== null && system.family.value !== 'windows';

interface Device extends Pick<MachineDevice, 'id' | 'name' | 'asked' | 'driver' | 'status'> {
  readonly isPlanned: boolean;
}

const plannedDevice = (card: Card, n: number): Device => ({
  id: `planned ${n} ${deviceId(card.ids)}`,
  name: cardName(card),
  isPlanned: true,
  asked: cardQuery(card),
  driver: null,
  status: '',
});

/** Where a file lies: a path that ends in a stroke, or behind the name of an archive; empty for a file by itself. */
export function folderOf(name: string): string {
  const archive = name.lastIndexOf(BEHIND_ARCHIVE);
  const inside = archive === -1 ? 0 : archive + BEHIND_ARCHIVE.length;
  return name.slice(0, Math.max(inside, name.lastIndexOf('/') + 1));
}

const BEHIND_ARCHIVE = ' › ';

/** Asked for the name of a setup file: what lies in its folder, and in folders within it; of a loose file, what is loose. */
export function filesByFolder<File extends Pick<PackageFile, 'name'>>(
  all: readonly File[],
): (name: string) => readonly File[] {
  const sorted = all.toSorted((a, b) => ascending(a.name, b.name));
  const loose = sorted.filter(({ name }) => folderOf(name) === '');
  const { left } = bisector(({ name }: File) => name);
  return (name) => {
    const folder = folderOf(name);
    // What was dropped loose may be of any of them, but for the setup files of the others.
    if (folder === '')
      return loose.filter((each) => each.name === name || !saysOfDrivers(each.name));
    const from = left(sorted, folder);
    const beyond = sorted.findIndex((each, n) => n >= from && !each.name.startsWith(folder));
    return sorted.slice(from, beyond === -1 ? undefined : beyond);
  };
}

function besides(
  { setup }: DriverFile,
  there: readonly PackageFile[],
): Pick<PackageInspection, 'files' | 'bytes' | 'missing'> {
  const names = new Set(
    there.map((each) => each.name.slice(folderOf(each.name).length).toLowerCase()),
  );
  return {
    files: there.length,
    bytes: there.reduce((sum, { bytes }) => sum + bytes, 0),
    missing: (setup?.files ?? [])
      .filter((each) => !names.has(each.toLowerCase()))
      .slice(0, MOST_MISSING),
  };
}

/** What one file says of drivers. */
export interface DriverFile {
  readonly name: string;
  readonly setup: SetupReading | null;
  readonly aliases: AliasList | null;
  readonly problems: readonly Problem[];
}

export const readDriverFiles = (files: readonly PackageFile[]): readonly DriverFile[] =>
  files.flatMap((file) => readDriverFile(file) ?? []);

/** Null for a file that says nothing of drivers. */
function readDriverFile({ name, content }: PackageFile): DriverFile | null {
  // Of a dropped file the name tells; what was pasted has none.
  if (content === null || (!saysOfDrivers(name) && typeof content !== 'string')) return null;
  const text = typeof content === 'string' ? content : textOf(name, content);
  const problems = new ProblemList();
  const done = (setup: SetupReading | null, aliases: AliasList | null): DriverFile => ({
    name,
    setup,
    aliases,
    problems: problems.all,
  });
  if (BUILT_IN_FILE.test(name)) return done(null, readBuiltinModinfo(text, problems));
  if (ALIAS_FILE.test(name) || text.startsWith('alias '))
    return done(null, readModulesAlias(text, problems));
  if (!SETUP_FILE.test(name) && !/^[ \t]*\[version\]/im.test(text.slice(0, 4_096))) return null;
  return done(readSetupPackage(readInf(text, problems), problems), null);
}

const textOf = (name: string, bytes: Uint8Array): string =>
  BUILT_IN_FILE.test(name) ? strFromU8(bytes, true) : decodeText(bytes);

function bestOf(
  { asked: { identities } }: Device,
  files: readonly DriverFile[],
  system: TargetSystem | null,
): RankedDriver | null {
  if (system === null) return null;
  const packages = files.flatMap(({ setup }) => setup ?? []);
  return rankedDrivers(identities, system, packages)[0] ?? null;
}

function lookOf(
  { name, setup, aliases, problems }: DriverFile,
  devices: readonly Device[],
  system: TargetSystem | null,
  best: ReadonlyMap<string, SetupPackage | null>,
): Omit<PackageInspection, 'files' | 'bytes' | 'missing'> {
  const taken = setup === null || system === null ? [] : modelsFor(setup, system);
  return {
    name,
    kind: aliases === null ? 'setup' : 'aliases',
    provider: setup?.provider ?? '',
    className: setup?.className ?? '',
    release: setup?.release ?? null,
    hasCatalogue: setup?.hasCatalogue ?? false,
    sections: taken.map(({ section, sure }) => ({ name: section.name, sure })),
    allSections: (setup?.makers ?? []).flatMap(({ sections }) => sections.map((each) => each.name)),
    models: aliases?.count ?? taken.reduce((sum, { section }) => sum + section.models.length, 0),
    drives: devices.flatMap((device): readonly DrivenDevice[] => {
      if (aliases !== null) return byModules(device, aliases);
      if (setup === null || system === null) return [];
      const [ranked] = rankedDrivers(device.asked.identities, system, [setup]);
      return ranked === undefined ? [] : [bySetup(device, ranked, best.get(device.id) !== setup)];
    }),
    problems,
  };
}

const byModules = (device: Device, aliases: AliasList): readonly DrivenDevice[] =>
  (device.asked.modalias === null ? [] : modulesNamed(device.asked.modalias, aliases)).map(
    (module) => ({
      ...asDriven(device),
      listedAs: module,
      match: null,
      against: null,
      isOutranked: false,
      isUnasked: false,
    }),
  );

function bySetup(
  device: Device,
  { package: of, model, match }: RankedDriver,
  isOutranked: boolean,
): DrivenDevice {
  const driven = asDriven(device);
  const isOnlyAlike = !match.isDevices || !match.isPackages;
  return {
    ...driven,
    listedAs: model.description,
    match,
    against: comparedTo(driven.now, of.release?.version ?? null),
    isOutranked,
    isUnasked: isOnlyAlike && driven.now !== null && !driven.isNowGeneric && !device.isPlanned,
  };
}

function asDriven({ id, name, isPlanned, driver }: Device) {
  const isNowGeneric = driver !== null && (isBasicDisplay(driver) || isByClass(driver));
  return { id, name, isPlanned, now: driver, isNowGeneric };
}

function comparedTo(now: string | null, version: string | null): DrivenDevice['against'] {
  const running = versionIn(now ?? '');
  if (running === null || version === null) return null;
  const difference = compareVersions(version, running);
  return difference > 0 ? 'newer' : difference < 0 ? 'older' : 'same';
}
