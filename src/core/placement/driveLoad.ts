/** What drives that are still to come take of a machine: watts, beside what its supply feeds already, and bays. */
import { memo, memoBy } from '../memo.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../document/machine.ts';
import type { Need } from '../kinds/need.ts';
import { drivesNeeded, drivesWanted } from '../kinds/drives/wanted.ts';
import { baysByNeed } from './bays.ts';

/** On 12 V, of drives that are named; what nobody told of a drive counts as nothing. */
export const driveLoadWatts = (needs: readonly Need[]): number =>
  drivesWanted(needs).reduce((sum, { twelveVoltWatts }) => sum + (twelveVoltWatts ?? 0), 0);

const loadedFor = memoBy<readonly Need[], Machine>();

/** The machine with the drives of these needs on its supply; not to be asked of a machine that has them already. */
export const withDriveLoad = (machine: Machine, needs: readonly Need[]): Machine =>
  memo(loadedFor(machine), needs, () => {
    const { baseWatts } = machine.supply;
    const watts = driveLoadWatts(needs);
    const bays = valueOf(machine.case.bays);
    const several = needs.filter((need) => drivesNeeded(need) !== null).length > 1;
    const inTheirBays =
      bays === null || !several
        ? machine
        : { ...machine, case: { ...machine.case, baysFor: baysByNeed(needs, bays) } };
    if (baseWatts === null || watts === 0) return inTheirBays;
    return {
      ...inTheirBays,
      supply: { ...machine.supply, baseWatts: { ...baseWatts, value: baseWatts.value + watts } },
    };
  });
