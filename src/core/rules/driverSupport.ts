/** Is there a driver for this card on this system? Device identity first, then the classes a system drives itself. */
import { hasFastPorts } from '../kinds/usb/ports.ts';
import { isDrivenSince } from '../drivers/classDrivers.ts';
import { driverForCard, type DriverLibrary } from '../drivers/chooseDriver.ts';
import type { Card } from '../document/card.ts';
import { comesWithSystem } from '../document/driverPackage.ts';
import { valueOf } from '../parts/fact.ts';
import { withSecondSystem, type Machine } from '../document/machine.ts';
import { deviceId } from '../parts/pciFunction.ts';
import { NEW_USB_DISKS_SINCE, PACKAGED_FAMILIES } from '../standards/systems.ts';
import { worstVerdict, type Finding } from './finding.ts';

/** The card has to suit every system that the machine is started with. */
export const driverSupport = (
  card: Card,
  machine: Machine,
  library: DriverLibrary,
): readonly Finding[] => [
  ...onItsSystem(card, machine, library),
  ...onSecondSystem(card, machine, library),
];

function onSecondSystem(card: Card, machine: Machine, library: DriverLibrary): readonly Finding[] {
  const other = withSecondSystem(machine);
  if (other === null) return [];
  const subject = valueOf(other.system.family);
  const found = onItsSystem(card, other, library);
  const needs = found.find(({ verdict }) => verdict === 'needs');
  switch (worstVerdict(found)) {
    case 'blocked':
      return subject === null
        ? []
        : [{ code: 'system.secondNoDriver', verdict: 'blocked', subject }];
    case 'unknown':
      return [{ code: 'system.secondUnknown', verdict: 'unknown' }];
    default:
      if (needs?.code === 'system.driverFirst' || needs?.code === 'system.secureBoot')
        return [{ code: 'system.secondNeeds', verdict: 'needs', subject: needs.subject }];
      return subject === null ? [] : [{ code: 'system.second', verdict: 'clear', subject }];
  }
}

function onItsSystem(card: Card, machine: Machine, library: DriverLibrary): readonly Finding[] {
  const { family, version, architecture } = machine.system;
  if (family === null) return [{ code: 'system.unknown', verdict: 'unknown' }];
  const { package: best, ownDriver: ownClass } = driverForCard(card, machine, library);
  if (!PACKAGED_FAMILIES.includes(family.value)) return byClass(ownClass);
  if (version === null || architecture === null)
    return [{ code: 'system.unknown', verdict: 'unknown' }];
  if (best !== null) {
    const subject = `${best.title} ${best.version}`;
    const first: readonly Finding[] =
      best.order === 'driver-first' && !comesWithSystem(best)
        ? [{ code: 'system.driverFirst', verdict: 'needs', subject }]
        : [];
    // Modules that do not come with the system have to be signed by a key that the firmware was told of.
    return family.value === 'linux' &&
      valueOf(machine.system.secureBoot) === true &&
      !comesWithSystem(best)
      ? [{ code: 'system.secureBoot', verdict: 'needs', subject }, ...first]
      : [{ code: 'system.package', verdict: 'clear', subject }, ...first];
  }
  if (ownClass !== null) {
    return [
      { code: 'system.ownDriver', verdict: 'clear', subject: ownClass },
      ...slowDisks(card, machine),
    ];
  }
  return library === null
    ? [{ code: 'system.libraryAway', verdict: 'unknown' }]
    : [{ code: 'system.noDriver', verdict: 'blocked', subject: deviceId(card.ids) }];
}

/** Of a system for which no maker publishes packages: its own driver for the class, or nobody here knows. */
const byClass = (ownClass: string | null): readonly Finding[] => [
  ownClass === null
    ? { code: 'system.askSystem', verdict: 'unknown' }
    : { code: 'system.ownDriver', verdict: 'clear', subject: ownClass },
];

/** USB ports that are fast enough for it to show, on a system that copies from disks by the older protocol. */
function slowDisks({ delivers }: Card, { system }: Machine): readonly Finding[] {
  if (!hasFastPorts(delivers)) return [];
  return isDrivenSince(NEW_USB_DISKS_SINCE, system) === 'no'
    ? [{ code: 'system.slowDisks', verdict: 'limited' }]
    : [];
}
