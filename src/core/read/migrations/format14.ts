/** Format 14 knows leads inside the machine by their ends, and parts of the machine that are not in it yet. */
import { filled, isPart, type Migration } from './part.ts';

const machineOfFormat14 = (machine: unknown): unknown => filled(machine, { leads: [], toFit: [] });

/** Acts that were two in one: whoever said that it was done had done both ends. */
const BOTH_ENDS: Readonly<Record<string, string>> = {
  joinDrives: 'joinDriveEnds',
  joinRibbon: 'joinJack',
  joinHeader: 'joinOwnEnd',
};

/** Done to the drives of a need, whatever they hang on. */
const OF_DRIVES: readonly string[] = ['mountDrives', 'joinDriveEnds', 'feedDrives'];

/** @param acts as format 13 has them */
function actsOfFormat14(acts: readonly unknown[], needs: unknown): readonly unknown[] {
  const both = acts.flatMap((act) => {
    const other = isPart(act) ? BOTH_ENDS[String(act['code'])] : undefined;
    return isPart(act) && other !== undefined
      ? [act, { ...act, code: other, seconds: null }]
      : [act];
  });
  const seen = new Set<string>();
  return both.flatMap((act) => {
    if (!isPart(act) || !isPart(act['on']) || !OF_DRIVES.includes(String(act['code'])))
      return [act];
    const { need } = act['on'];
    const name = `${String(act['code'])} ${String(need)} ${String(act['round'])}`;
    if (seen.has(name)) return [];
    seen.add(name);
    const number = drivesOfNeed(needs, need);
    return [{ ...act, on: number > 1 ? { need, number } : { need } }];
  });
}

/** The fewest drives of each array, and how many of them hold nothing of their own. */
const ARRAYS: Readonly<Record<string, { readonly least: number; readonly spare: number }>> = {
  single: { least: 1, spare: 0 },
  mirror: { least: 2, spare: 1 },
  stripe: { least: 2, spare: 0 },
  parity: { least: 3, spare: 1 },
};
const MOST_DRIVES = 32;

/** How many a need asks; one where that cannot be read. */
function drivesOfNeed(needs: unknown, id: unknown): number {
  const need: unknown = Array.isArray(needs)
    ? needs.find((each) => isPart(each) && each['id'] === id)
    : undefined;
  if (!isPart(need)) return 1;
  const { these, ports, usableGigabytes, driveGigabytes } = need;
  const array = ARRAYS[String(need['array'])];
  if (Array.isArray(these) && these.length > 0) return these.length;
  if (array === undefined || typeof ports !== 'number') return 1;
  if (typeof usableGigabytes !== 'number' || typeof driveGigabytes !== 'number') return 1;
  if (usableGigabytes === 0) return Math.max(ports, array.least);
  const holding = Math.ceil(usableGigabytes / driveGigabytes);
  if (need['array'] === 'mirror') return array.least;
  return Math.min(MOST_DRIVES, Math.max(array.least, holding + array.spare));
}

export const toFormat14: Migration = {
  job: (job) => ({
    ...job,
    format: 14,
    machine: machineOfFormat14(job['machine']),
    benchTest: isPart(job['benchTest'])
      ? { ...job['benchTest'], machine: machineOfFormat14(job['benchTest']['machine']) }
      : job['benchTest'],
    acts: Array.isArray(job['acts']) ? actsOfFormat14(job['acts'], job['needs']) : job['acts'],
  }),
  machine: machineOfFormat14,
};
