/**
 * Packages that were dropped, as records by which drivers are chosen: of each only what it says of this machine and of the
 * plan's cards, so that the job can keep it.
 */
import type { Card } from '../document/card.ts';
import type { DriverPackage, Saying, SetupPackage } from '../document/driverPackage.ts';
import { valueOf } from '../parts/fact.ts';
import { MOST, clipped } from '../parts/limits.ts';
import type { Machine } from '../document/machine.ts';
import type { AliasList } from '../read/system/moduleAliases.ts';
import { cardQuery, machineQuery, type DeviceQuery } from './deviceQuery.ts';
import { shellMatch } from './moduleMatching.ts';
import {
  filesByFolder,
  folderOf,
  readDriverFiles,
  type DriverFile,
  type PackageFile,
} from './packageInspection.ts';
import { setupSaying } from './setup/setupPackage.ts';

export interface PackageRecord<File> {
  /** Its files are not summed yet. */
  readonly record: DriverPackage;
  /** By which the package is known again: itself, then those that it names, then what else lies beside it. */
  readonly files: readonly File[];
}

/** Those that are for any device; the others say nothing of this job. @param cards those of the plan */
export function packageRecords<File extends PackageFile>(
  all: readonly File[],
  machine: Machine,
  cards: readonly Card[],
): readonly PackageRecord<File>[] {
  const devices = [...cards.map(cardQuery), ...machineQuery(machine)];
  const beside = filesByFolder(all);
  return readDriverFiles(all).flatMap((file, n): readonly PackageRecord<File>[] => {
    const says = sayingOf(file, devices, machine);
    if (says === null) return [];
    const record = { ...describing(file, says), ...PLAIN, id: idOf(file, n), says, files: [] };
    const names = new Set((file.setup?.files ?? []).map((each) => each.toLowerCase()));
    const inFolder = ({ name }: File) => name.slice(folderOf(name).length).toLowerCase();
    const rank = (each: File): number =>
      each.name === file.name ? 0 : names.has(inFolder(each)) ? 1 : 2;
    const files = beside(file.name)
      .toSorted((a, b) => rank(a) - rank(b))
      .slice(0, MOST.packageFiles);
    return [{ record, files }];
  });
}

/** What only the page of a maker says. */
const PLAIN = {
  order: 'card-first',
  hotPlug: null,
  installer: null,
  firmware: null,
  bootParameter: null,
} as const;

const NO_DATE = '1980-01-01';

function describing({ name, setup }: DriverFile, says: Saying) {
  const { provider = '', className = '' } = setup ?? {};
  const file = name.slice(name.lastIndexOf('/') + 1);
  return {
    maker: clipped(provider),
    title: clipped([provider, className, 'driver'].filter((each) => each !== '').join(' ') || file),
    version: setup?.release?.version ?? '0',
    released: setup?.release?.date ?? NO_DATE,
    // A kernel's own list is a part of that system; anything else was at hand, as what lies in a card's box.
    channel: says.kind === 'modules' ? ('system' as const) : ('box' as const),
  };
}

const LONGEST_ID = 48;

/** Known again when the same is dropped once more: by its own words, for where it lay says whose it was. */
const idOf = ({ setup, aliases }: DriverFile, n: number): string =>
  `at-hand-${[
    setup?.provider ?? '',
    setup?.className ?? (aliases === null ? '' : 'modules'),
    setup?.release?.version ?? '',
  ]
    .join('-')
    .replaceAll(/[^A-Za-z0-9]/g, '-')
    .slice(0, LONGEST_ID)}-${n}`;

function sayingOf(
  { setup, aliases }: DriverFile,
  devices: readonly DeviceQuery[],
  machine: Machine,
): Saying | null {
  if (aliases !== null) return ofModules(aliases, devices, machine);
  if (setup === null) return null;
  const known = new Set(
    devices.flatMap(({ identities: { hardware, compatible } }) => [...hardware, ...compatible]),
  );
  const here = (ids: readonly string[]) =>
    ids.filter((each) => known.has(each)).slice(0, MOST.identities);
  const makers = setup.makers.slice(0, MOST.makers).map(({ maker, sections }) => ({
    maker: clipped(maker),
    sections: sections.slice(0, MOST.modelsSections).map(({ name, decoration, models }) => ({
      name: clipped(name),
      decoration: decoration && clipped(decoration),
      models: models
        .map(({ description, install, hardwareIds, compatibleIds }) => ({
          description: clipped(description),
          install: clipped(install),
          hardwareIds: here(hardwareIds),
          compatibleIds: here(compatibleIds),
        }))
        .filter(({ hardwareIds, compatibleIds }) => hardwareIds.length + compatibleIds.length > 0)
        .slice(0, MOST.models),
    })),
  }));
  return isOfAny(makers)
    ? setupSaying({
        ...setup,
        provider: clipped(setup.provider),
        className: clipped(setup.className),
        ...shortened(setup, makers),
      })
    : null;
}

const isOfAny = (makers: SetupPackage['makers']): boolean =>
  makers.some(({ sections }) => sections.some(({ models }) => models.length > 0));

/** Only what is installed for a model that is left. */
function shortened(
  { installs }: SetupPackage,
  makers: SetupPackage['makers'],
): Pick<SetupPackage, 'makers' | 'installs'> {
  const named = new Set(
    makers.flatMap(({ sections }) =>
      sections.flatMap(({ models }) => models.map(({ install }) => install.toLowerCase())),
    ),
  );
  return {
    makers,
    installs: installs
      .map(({ of, decoration, section, services, featureScore, includes }) => ({
        of: clipped(of),
        decoration: decoration && clipped(decoration),
        section: clipped(section),
        services: services
          .slice(0, MOST.services)
          .map(({ name, isDevices }) => ({ name: clipped(name), isDevices })),
        featureScore,
        includes: includes.slice(0, MOST.services).map(clipped),
      }))
      .filter(({ of }) => named.has(of))
      .slice(0, MOST.installs),
  };
}

/** What a list says of a kernel stays with that kernel. */
function ofModules(
  { byKey }: AliasList,
  devices: readonly DeviceQuery[],
  { system }: Machine,
): Saying | null {
  const [release, architecture] = [valueOf(system.version), valueOf(system.architecture)];
  if (valueOf(system.family) !== 'linux' || release === null || architecture === null) return null;
  const names = devices.flatMap(({ modalias }) => modalias ?? []);
  const aliases = [...byKey.values()]
    .flat()
    .toSorted((a, b) => a.order - b.order)
    .filter(({ pattern }) => names.some((name) => shellMatch(pattern, name)))
    .slice(0, MOST.aliases)
    .map(({ pattern, module }) => ({ pattern, module }));
  return aliases.length === 0
    ? null
    : {
        kind: 'modules',
        aliases,
        systems: [{ family: 'linux', architecture, from: release, to: release }],
      };
}
