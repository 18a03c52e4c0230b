/** Drives into bays: each into the narrowest that takes it, with a frame where the bay is wider. */
import type { Mounted } from '../kinds/needKind.ts';
import { drivesNeeded, goIntoBays, type DrivesNeeded } from '../kinds/drives/wanted.ts';
import type { Bays } from '../document/machine.ts';
import { unitsNeeded, type Need } from '../kinds/need.ts';
import type { BayFrame, BaySize, DriveForm } from '../standards/storage.ts';

/** A drive as far as a bay asks. What is not told of it asks nothing: any bay, any height, no frame. */
export interface BayDrive {
  readonly form: Exclude<DriveForm, 'module'> | null;
  readonly heightMm: number | null;
}

export interface InBays {
  /** How many find a bay. */
  readonly placed: number;
  readonly frames: readonly BayFrame[];
  /** Bays that are still free. */
  readonly left: Bays;
}

/** Which bays take a drive, the ones that only its kind can use first. */
const TAKEN_BY: readonly (readonly [BayDrive['form'], readonly BaySize[]])[] = [
  ['3.5', ['3.5', '5.25']],
  ['2.5', ['2.5', '3.5', '5.25']],
  [null, ['2.5', '3.5', '5.25']],
];

/**
 * As many as can be, with as few frames. Wide drives come first, for they have fewer bays to choose from; of the narrow
 * ones the highest, since whatever takes it would take the lower ones as well.
 */
export function inBays(drives: readonly BayDrive[], bays: Bays): InBays {
  const free = bays.flatMap(({ size, count, heightMm }) =>
    Array.from({ length: count }, () => ({ size, heightMm: heightMm ?? Infinity })),
  );
  const frames: BayFrame[] = [];
  let placed = 0;
  for (const [width, sizes] of TAKEN_BY) {
    const heights = drives
      .filter(({ form }) => form === width)
      .map(({ heightMm }) => heightMm ?? 0)
      .toSorted((a, b) => b - a);
    for (const height of heights) {
      const bay = sizes
        .flatMap((size) => free.find((each) => each.size === size && each.heightMm >= height) ?? [])
        .at(0);
      if (bay === undefined) continue;
      free.splice(free.indexOf(bay), 1);
      placed += 1;
      if (width !== null && bay.size !== width) frames.push(`${bay.size}-to-${width}` as BayFrame);
    }
  }
  const left = free.map(({ size, heightMm }) =>
    Number.isFinite(heightMm) ? { size, count: 1, heightMm } : { size, count: 1 },
  );
  return { placed, frames, left };
}

/** The drives of a need as bays ask for them: as many as it wants, and what is known of each. */
export const drivesOf = ({ these }: Pick<Mounted, 'these'>, count: number): readonly BayDrive[] =>
  Array.from({ length: count }, (_, n) => {
    const { form = null, heightMm = null } = these[n] ?? {};
    return { form: form === 'module' ? null : form, heightMm };
  });

/**
 * A bay holds the drives of one need: musts choose first, then needs whose drives surely hang on cables, then as the
 * needs stand.
 */
export function baysByNeed(needs: readonly Need[], bays: Bays): ReadonlyMap<string, Bays> {
  const order = needs
    .flatMap((need) => drivesNeeded(need) ?? [])
    .filter(goIntoBays)
    .toSorted(
      (a, b) => Number(b.need.must) - Number(a.need.must) || Number(isAny(a)) - Number(isAny(b)),
    );
  const left = new Map<string, Bays>();
  let free = bays;
  for (const { need, mounted } of order) {
    left.set(need.id, free);
    free = inBays(drivesOf(mounted, unitsNeeded(need)), free).left;
  }
  return left;
}

const isAny = ({ mounted }: DrivesNeeded): boolean => mounted.on === 'either';
