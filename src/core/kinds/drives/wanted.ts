/** What is asked of the drives that needs name or count, whatever kind of need has them mounted. */
import type { Drive } from '../../parts/drive.ts';
import { needKindOf, type Need } from '../need.ts';
import type { Mounted } from '../needKind.ts';

/** A need with the drives that are mounted for it. */
export interface DrivesNeeded {
  readonly need: Need;
  readonly mounted: Mounted;
}

/** Null where no drives are mounted for it. */
export function drivesNeeded(need: Need): DrivesNeeded | null {
  const mounted = needKindOf(need).mounted(need);
  return mounted === null ? null : { need, mounted };
}

/** The drives that needs name, of all of them: no two of a job have one id. */
export const drivesWanted = (needs: readonly Need[]): readonly Drive[] =>
  needs.flatMap((need) => drivesNeeded(need)?.mounted.these ?? []);

/** The need with something changed of each drive that it names. */
export const withDrives = (need: Need, change: (drive: Drive) => Drive): Need =>
  need.kind === 'drives' ? { ...need, these: need.these.map(change) } : need;

/** Whether something was written to its drives before they come here. */
export const areUsed = (need: Need): boolean => drivesNeeded(need)?.mounted.areUsed === true;

/** Whether the machine is to start from its drives. */
export const isStartedFrom = (need: Need): boolean => 'bootable' in need && need.bootable;

/** Whether they go into bays, on cables. */
export const goIntoBays = ({ mounted: { on } }: DrivesNeeded): boolean =>
  on === 'cables' || on === 'either';
