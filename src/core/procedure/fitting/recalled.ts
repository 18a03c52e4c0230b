/** What was done for a plan that has changed since: as it was told, so that the list and the tray still know it. */
import type { Assembly } from '../../assembly/assembly.ts';
import type { Opening } from '../../assembly/openings.ts';
import type { Act as Done } from '../../document/act.ts';
import type { Job } from '../../document/job.ts';
import type { Act } from './act.ts';
import { barOff, opening, poweringOff } from './cases.ts';
import {
  pluggingBack,
  puttingBack,
  takingOut,
  takingOutFirst,
  unplugging,
} from './leavingCards.ts';
import { covering, movingAside, restoring, uncovering } from './openings.ts';
import { occupantAt, roomOf } from './slots.ts';

/** Null for what was done to a part that is not of this job any more. */
export function recalled({ code, on }: Done, { machine }: Job, assembly: Assembly): Act | null {
  const { slot: slotId, obstacle: obstacleId, opening: number, box = null } = on;
  const slot = [...machine.slots, ...assembly.machine.slots].find(
    ({ id, occupant }) => id === slotId && occupant?.value != null,
  );
  const obstacle = machine.obstacles.find(({ id }) => id === obstacleId);
  const at: Opening | null =
    number === undefined ? null : { number, enclosureId: box, slotId: slotId ?? '' };
  switch (code) {
    case 'freeCard':
      return slot === undefined ? null : unplugging(slot, machine);
    case 'takeOut':
    case 'takeToMove':
      return slot === undefined ? null : takingOut(slot, machine);
    case 'takeOutFirst':
      return slot === undefined
        ? null
        : takingOutFirst(slot, machine, occupantAt(slot, machine), []);
    case 'putBack':
      return slot === undefined ? null : puttingBack(slot, machine, []);
    case 'plugBack':
      return slot === undefined ? null : pluggingBack(slot, occupantAt(slot, machine), slot.id);
    case 'removeCover':
      return at === null ? null : uncovering(at, assembly, true);
    case 'closeOpening':
      return at === null ? null : covering(at, assembly.machine, 'removed', null);
    case 'moveObstacle':
      return obstacle === undefined ? null : movingAside(obstacle, []);
    case 'restorePlug':
    case 'leadPlugRound':
      return obstacle === undefined ? null : restoring(code, obstacle, []);
    case 'powerOff':
      return poweringOff([]);
    case 'openCase':
    case 'openFarSide':
    case 'closeFarSide':
    case 'closeCase':
      return opening(code, roomOf(box, machine));
    case 'removeBar':
      return barOff(roomOf(box, machine));
    default:
      return null;
  }
}
