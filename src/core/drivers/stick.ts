/**
 * What goes on a stick for a machine that is off-line: the fewest packages that drive every planned card and every device
 * that nothing, or only a basic driver, drives; in an order that works.
 */
import { fewestSearch } from './fewest.ts';
import {
  filesByFolder,
  folderOf,
  type PackageFile,
  type PackageInspection,
  type PackagesInspection,
} from './packageInspection.ts';

/** Least first: what other devices hang on comes before them. Common practice, no source. */
const STICK_STAGES = ['chipset', 'storage', 'network', 'rest'] as const;
export type StickStage = (typeof STICK_STAGES)[number];

export interface StickPackage {
  readonly package: PackageInspection;
  readonly stage: StickStage;
  /** Its folder on the stick. */
  readonly folder: string;
}

const STAGE_OF_CLASS: Readonly<Record<string, StickStage>> = {
  system: 'chipset',
  hdc: 'storage',
  scsiadapter: 'storage',
  diskdrive: 'storage',
  net: 'network',
};

/** As far as it has been chosen. */
export interface StickSoFar {
  readonly packages: readonly StickPackage[];
  /** Whether no fewer would do. */
  readonly isFewest: boolean;
}

/** Chooses step by step, so that whoever drives it can show how far it is, and stop. */
export function* stickSearch({ packages }: PackagesInspection): Generator<StickSoFar, StickSoFar> {
  const search = fewestSearch(
    packages.map((each) => ({
      item: each,
      bytes: each.bytes,
      covers: new Set(
        each.kind === 'setup' ? each.drives.filter(isWanted).map(({ id }) => id) : [],
      ),
    })),
  );
  for (;;) {
    const { done, value } = search.next();
    const soFar = { packages: inOrder(value.items), isFewest: value.isFewest };
    if (done === true) return soFar;
    yield soFar;
  }
}

function inOrder(packages: readonly PackageInspection[]): readonly StickPackage[] {
  const stageOf = ({ className }: PackageInspection) =>
    STAGE_OF_CLASS[className.toLowerCase()] ?? 'rest';
  return packages
    .toSorted((a, b) => STICK_STAGES.indexOf(stageOf(a)) - STICK_STAGES.indexOf(stageOf(b)))
    .map((each, n) => ({
      package: each,
      stage: stageOf(each),
      folder: `${String(n + 1).padStart(2, '0')}-${plainName(each.provider || 'package')}`,
    }));
}

const isWanted = ({ isPlanned, now, isNowGeneric }: PackageInspection['drives'][number]): boolean =>
  isPlanned || now === null || isNowGeneric;

/** Words of letters and digits, joined by dashes. */
const plainName = (name: string): string =>
  name
    .replaceAll(/[^A-Za-z0-9]/g, ' ')
    .split(' ')
    .filter((word) => word !== '')
    .join('-')
    .slice(0, 40) || 'package';

/**
 * A file keeps its name, by which the setup file knows it, but for what some system does not take: signs that it has another
 * use for, signs that turn the direction of writing or are not seen, blanks and dots at the end, names of devices.
 * Source: naming conventions of the file systems of that system (from memory).
 */
function safeName(name: string): string {
  const plain = name
    .replaceAll(/[\p{Cc}\p{Cf}\\:*?"<>|]/gu, '_')
    .replace(/[ .]{1,255}$/u, (end) => '_'.repeat(end.length));
  return plain === '' || DEVICE_NAME.test(plain) ? `_${plain}` : plain;
}

const DEVICE_NAME =
  /^(?:con|prn|aux|nul|conin\$|conout\$|(?:com|lpt)[0-9\u00b9\u00b2\u00b3])(?:\.|$)/i;

export interface StickFile<File> {
  /** From the root of the stick, with strokes between folders. */
  readonly path: string;
  readonly file: File;
}

/** The files of the chosen packages, each in its package's folder; no two have the same path in any letters. */
export function stickFiles<File extends PackageFile>(
  stick: readonly StickPackage[],
  all: readonly File[],
): readonly StickFile<File>[] {
  const taken = new Set<string>();
  const beside = filesByFolder(all);
  return stick.flatMap(({ package: { name }, folder }) =>
    beside(name).map((file) => {
      const inside = file.name.slice(folderOf(name).length).split('/').map(safeName).join('/');
      let path = `${folder}/${inside}`;
      for (let n = 2; taken.has(path.toLowerCase()); n += 1) path = `${folder}/${n}-${inside}`;
      taken.add(path.toLowerCase());
      return { path, file };
    }),
  );
}
