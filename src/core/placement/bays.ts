/** Drives into bays: each into the narrowest that takes it, with a frame where the bay is wider. */
import type { Machine } from '../parts/machine.ts';
import type { BayFrame, BaySize, DriveForm } from '../standards/storage.ts';

type Bays = NonNullable<Machine['case']['bays']>['value'];

/** A drive as far as a bay asks. What is not told of it asks nothing: any bay, any height, no frame. */
export interface BayDrive {
  readonly form: Exclude<DriveForm, 'module'> | null;
  readonly heightMm: number | null;
}

export interface InBays {
  /** How many find a bay. */
  readonly placed: number;
  readonly frames: readonly BayFrame[];
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
  return { placed, frames };
}
