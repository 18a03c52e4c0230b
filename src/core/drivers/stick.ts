/**
 * What goes on a stick for a machine that is off-line: the fewest packages that drive every planned card and every device
 * that nothing, or only a basic driver, drives; in an order that works.
 */
import type { EvidenceFile } from '../read/fileReading.ts';
import {
  filesBeside,
  folderOf,
  openedFiles,
  type PackageLook,
  type PackagesLook,
} from './packageLook.ts';

/** Least first: what other devices hang on comes before them. Common practice, no source. */
const STICK_STAGES = ['chipset', 'storage', 'network', 'rest'] as const;
export type StickStage = (typeof STICK_STAGES)[number];

export interface StickPackage {
  readonly package: PackageLook;
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

export function stickOf({ packages }: PackagesLook): readonly StickPackage[] {
  const wanted = packages.map((each) => ({
    item: each,
    bytes: each.bytes,
    covers: new Set(each.kind === 'setup' ? each.drives.filter(isWanted).map(({ id }) => id) : []),
  }));
  const stageOf = ({ className }: PackageLook) => STAGE_OF_CLASS[className.toLowerCase()] ?? 'rest';
  return fewest(wanted)
    .toSorted((a, b) => STICK_STAGES.indexOf(stageOf(a)) - STICK_STAGES.indexOf(stageOf(b)))
    .map((each, n) => ({
      package: each,
      stage: stageOf(each),
      folder: `${String(n + 1).padStart(2, '0')}-${plainName(each.provider || 'package')}`,
    }));
}

const isWanted = ({ isPlanned, now, isNowGeneric }: PackageLook['drives'][number]): boolean =>
  isPlanned || now === null || isNowGeneric;

/** Words of letters and digits, joined by dashes. */
const plainName = (name: string): string =>
  name
    .replaceAll(/[^A-Za-z0-9]/g, ' ')
    .split(' ')
    .filter((word) => word !== '')
    .join('-')
    .slice(0, 40) || 'package';

/** A file keeps its name, by which the setup file knows it, but for signs that some systems do not take. */
const safeName = (name: string): string =>
  /^\.{0,2}$/.test(name) ? '_' : [...name].map((sign) => (isSafe(sign) ? sign : '_')).join('');

const isSafe = (sign: string): boolean => sign >= ' ' && !'\\:*?"<>|'.includes(sign);

interface Covering<Item> {
  readonly item: Item;
  readonly bytes: number;
  readonly covers: ReadonlySet<string>;
}

/**
 * The fewest that cover together what any of them covers, and of as few the smallest: exact. What covers no more than another
 * of at most its size is left out first; then the thing that fewest cover is settled in every way, the best so far bounding.
 */
export function fewest<Item>(all: readonly Covering<Item>[]): readonly Item[] {
  const useful = undominated(all.filter(({ covers }) => covers.size > 0));
  let best: readonly Covering<Item>[] | null = null;
  let bestBytes = Infinity;
  const settle = (taken: readonly Covering<Item>[], bytes: number, left: ReadonlySet<string>) => {
    const isWorse =
      best !== null &&
      (taken.length + (left.size > 0 ? 1 : 0) > best.length ||
        (taken.length + (left.size > 0 ? 1 : 0) === best.length && bytes >= bestBytes));
    if (isWorse) return;
    if (left.size === 0) {
      best = taken;
      bestBytes = bytes;
      return;
    }
    const ways = [...left].map((thing) => useful.filter(({ covers }) => covers.has(thing)));
    const fewestWays = ways.toSorted((a, b) => a.length - b.length)[0] ?? [];
    const gains = ({ covers }: Covering<Item>) =>
      [...covers].filter((each) => left.has(each)).length;
    for (const way of fewestWays.toSorted((a, b) => gains(b) - gains(a) || a.bytes - b.bytes))
      settle(
        [...taken, way],
        bytes + way.bytes,
        new Set([...left].filter((each) => !way.covers.has(each))),
      );
  };
  settle([], 0, new Set(useful.flatMap(({ covers }) => [...covers])));
  return (best ?? []).map(({ item }: Covering<Item>) => item);
}

function undominated<Item>(all: readonly Covering<Item>[]): readonly Covering<Item>[] {
  const within = (a: ReadonlySet<string>, b: ReadonlySet<string>) =>
    [...a].every((each) => b.has(each));
  return all.filter(
    (a, n) =>
      !all.some(
        (b, m) =>
          m !== n &&
          within(a.covers, b.covers) &&
          (b.bytes < a.bytes || (b.bytes === a.bytes && (m < n || a.covers.size < b.covers.size))),
      ),
  );
}

export interface StickFile {
  /** From the root of the stick, with strokes between folders. */
  readonly path: string;
  readonly content: Uint8Array | string;
}

/** The files of the chosen packages, each in its package's folder; no two have the same path in any letters. */
export function stickFiles(
  stick: readonly StickPackage[],
  dropped: readonly EvidenceFile[],
): readonly StickFile[] {
  const all = openedFiles(dropped);
  const taken = new Set<string>();
  return stick.flatMap(({ package: { name }, folder }) =>
    filesBeside(name, all).map(({ name: own, content }) => {
      const inside = own.slice(folderOf(name).length).split('/').map(safeName).join('/');
      let path = `${folder}/${inside}`;
      for (let n = 2; taken.has(path.toLowerCase()); n += 1) path = `${folder}/${n}-${inside}`;
      taken.add(path.toLowerCase());
      return { path, content };
    }),
  );
}
