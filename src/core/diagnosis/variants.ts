/** Settings tried one after another: each with its runs, and the one that is best for this need. */
import { runGroups, type RunGroup } from './runs.ts';
import type { Job } from '../document/job.ts';
import type { Need } from '../kinds/need.ts';
import { runsOf } from '../document/observed.ts';

export interface Variants {
  /** The setting as it stands without a name first, then by name; measured the same way. */
  readonly groups: readonly RunGroup[];
  /** The fastest, where it is clearly so: its slower quartile lies above the median of every other one. */
  readonly best: RunGroup | null;
}

/** Null where no setting was tried. */
export function variantsOf({ observations }: Job, need: Need): Variants | null {
  const groups = runGroups(runsOf(observations, need.id), need);
  const tried = groups.filter(({ test }) => test.variant !== '');
  const [first] = tried;
  if (first === undefined) return null;
  // Held against each other is only what was measured alike, and the way that most of them were.
  const alike = groups
    .filter(
      ({ test }) =>
        test.what === first.test.what &&
        test.alone === first.test.alone &&
        test.direction === first.test.direction &&
        !test.isCold,
    )
    .toSorted((a, b) => a.test.variant.localeCompare(b.test.variant));
  const fastest = alike.toSorted((a, b) => b.median - a.median)[0] ?? null;
  const isClear =
    fastest !== null &&
    alike.length > 1 &&
    alike.every((each) => each === fastest || fastest.quartiles[0] > each.median);
  return { groups: alike, best: isClear ? fastest : null };
}
