/** Is there a driver for this card on this system? Device identity first, then the classes a system drives itself. */
import { bestPackage, type DriverLibrary } from '../drivers/packages.ts';
import type { Card } from '../parts/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../parts/machine.ts';
import { deviceId } from '../parts/pciFunction.ts';
import { SYSTEM_DRIVEN_CLASSES } from '../standards/pciClasses.ts';
import type { Finding } from './finding.ts';

export function driverSupport(
  card: Card,
  machine: Machine,
  library: DriverLibrary,
): readonly Finding[] {
  const { family, version, architecture } = machine.system;
  if (family === null || version === null || architecture === null) {
    return [{ code: 'system.unknown', verdict: 'unknown' }];
  }
  const ownClass = SYSTEM_DRIVEN_CLASSES[card.ids.class24];
  const best = library === null ? null : bestPackage(card, machine, library);
  if (best !== null) {
    const subject = `${best.title} ${best.version}`;
    const first: readonly Finding[] =
      best.order === 'driver-first' && !best.inbox
        ? [{ code: 'system.driverFirst', verdict: 'needs', subject }]
        : [];
    // Modules that do not come with the system have to be signed by a key that the firmware was told of.
    return family.value === 'linux' && valueOf(machine.system.secureBoot) === true && !best.inbox
      ? [{ code: 'system.secureBoot', verdict: 'needs', subject }, ...first]
      : [{ code: 'system.package', verdict: 'clear', subject }, ...first];
  }
  if (ownClass !== undefined)
    return [{ code: 'system.ownDriver', verdict: 'clear', subject: ownClass }];
  return library === null
    ? [{ code: 'system.libraryAway', verdict: 'unknown' }]
    : [{ code: 'system.noDriver', verdict: 'blocked', subject: deviceId(card.ids) }];
}
