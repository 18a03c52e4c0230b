/** What is done with driver packages, away from the screens. */
import { clipped } from '$core/parts';
import {
  folderOf,
  inspectPackages,
  packageRecords,
  stickSearch,
  type PackageRecord,
  type PackagesInspection,
  type StickPackage,
  type StickSoFar,
} from '$core/drivers';
import type { Card, DriverPackage, Machine } from '$core/document';
import checkPowerShell from '../stick/check.ps1?raw';
import checkShell from '../stick/check.sh?raw';
import { thenLetGo } from './letGo';
import {
  openPackages,
  type DroppedFile,
  type HeldFile,
  type LeftOut,
  type Opened,
} from './packageFiles';
import { summed } from './summed';
import { stickArchive } from './stickArchive';

export interface PackagesInspected {
  readonly look: PackagesInspection;
  readonly leftOut: readonly LeftOut[];
}

type OnBytes = (done: number, of: number) => void;

let opened: Opened = { files: [], leftOut: [] };
/** What they were dropped as; another worker holds nothing of it. */
let dropping = '';
let looked: PackagesInspection | null = null;
/** The last choosing; one before it, or one that was stopped, goes no further. */
let turn = 0;

export const packageWork = {
  /** Whether these are the packages that it holds. */
  holds: (id: string): boolean => id === dropping,
  /** Opens packages and holds them. @param id by which they are asked for again */
  open: (files: readonly DroppedFile[], id: string, onBytes: OnBytes): Promise<void> =>
    thenLetGo(
      onBytes,
      openPackages(files, (done, of) => onBytes(done, of)).then((all) => {
        opened = all;
        dropping = id;
      }),
    ),
  /** What those that are held would do for a machine and for cards that are planned; nothing becomes of it. */
  look: (machine: Machine, cards: readonly Card[]): PackagesInspected => {
    looked = inspectPackages(opened.files, machine, cards);
    return { look: looked, leftOut: opened.leftOut };
  },
  /** The fewest for a stick, told as they are found; the best so far where it is stopped. */
  choose: (onBetter: (soFar: StickSoFar) => void): Promise<StickSoFar | null> =>
    thenLetGo(onBetter, looked === null ? Promise.resolve(null) : choose(looked, onBetter)),
  stopChoosing: (): void => {
    turn += 1;
  },
  /** Those for this machine or plan, as records for the job to keep. */
  records: (machine: Machine, cards: readonly Card[]): Promise<readonly DriverPackage[]> =>
    Promise.all(packageRecords(opened.files, machine, cards).map(withFiles)),
  /** The packages as they were shown, as an archive for a stick. @param page to read on the bench */
  writeStick: (
    stick: readonly StickPackage[],
    page: string,
    onBytes: (done: number) => void,
  ): Promise<Blob> =>
    thenLetGo(
      onBytes,
      stickArchive(
        stick,
        opened.files,
        page,
        { shell: checkShell, powerShell: checkPowerShell },
        (done) => onBytes(done),
      ),
    ),
};

async function choose(
  look: PackagesInspection,
  onBetter: (soFar: StickSoFar) => void,
): Promise<StickSoFar> {
  turn += 1;
  const own = turn;
  const search = stickSearch(look);
  for (;;) {
    const { done, value } = search.next();
    if (done === true || own !== turn) return value;
    onBetter(value);
    // Whoever wants it stopped gets a hearing.
    await new Promise((resolve) => setTimeout(resolve));
  }
}

const withFiles = async ({ record, files }: PackageRecord<HeldFile>): Promise<DriverPackage> => {
  const sums: DriverPackage['files'][number][] = [];
  for (const { name, bytes, stream } of files)
    sums.push({
      name: clipped(name.slice(folderOf(name).length)),
      bytes,
      sha256: await summed(stream()),
    });
  return { ...record, files: sums };
};
