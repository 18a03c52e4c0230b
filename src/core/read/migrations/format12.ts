/** From format 12 on no two drives of a job have one id. */
import { eachOf, isPart, type Part, type Migration } from './part.ts';

/** Drives were told apart need by need: of two of one id the later is given one of its own, and what was named of it follows. */
function drivesOfFormat12(job: Part): Part {
  const needs = job['needs'];
  if (!Array.isArray(needs)) return job;
  const drivesOf = (need: unknown): readonly unknown[] =>
    isPart(need) && Array.isArray(need['these']) ? need['these'] : [];
  const taken = new Set(needs.flatMap(drivesOf).map((drive) => isPart(drive) && drive['id']));
  const seen = new Set<unknown>();
  /** By the serial number that they were named by. */
  const fresh = new Map<unknown, string>();
  const told = (drive: unknown): unknown => {
    if (!isPart(drive)) return drive;
    const { id, serial } = drive;
    if (!seen.has(id)) {
      seen.add(id);
      return drive;
    }
    let n = 1;
    while (taken.has(`drive-${n}`)) n += 1;
    taken.add(`drive-${n}`);
    if (serial !== '') fresh.set(serial, `drive-${n}`);
    return { ...drive, id: `drive-${n}` };
  };
  return {
    ...job,
    needs: needs.map((need) =>
      isPart(need) && Array.isArray(need['these'])
        ? { ...need, these: need['these'].map(told) }
        : need,
    ),
    observations: eachOf(job['observations'], (each) => {
      const value = isPart(each) && each['kind'] === 'drive' ? each['value'] : null;
      const drive = isPart(value) ? value['drive'] : null;
      const id = isPart(drive) ? fresh.get(drive['serial']) : undefined;
      return isPart(each) && isPart(value) && isPart(drive) && id !== undefined
        ? { ...each, value: { ...value, drive: { ...drive, id } } }
        : each;
    }),
  };
}

export const toFormat12: Migration = {
  job: (job) => ({ ...drivesOfFormat12(job), format: 12 }),
};
