/** Whether two surveys are of one machine: by the devices that sit where they sat. */
import type { Machine } from '../document/machine.ts';
import { deviceId, type PciFunction } from '../parts/pciFunction.ts';
import { otherDevices } from '../read/machinesApart.ts';

/** Share of all devices of both that have to be the same, in the same place: a card or two may have changed. */
const SAME_SHARE = 0.75;
const LEAST_DEVICES = 5;

export function sameMachine(a: Machine, b: Machine): boolean {
  const [ofA, ofB] = [placesOf(a.functions), placesOf(b.functions)];
  if (ofA.size < LEAST_DEVICES || ofB.size < LEAST_DEVICES) return false;
  const common = [...ofA].filter((place) => ofB.has(place)).length;
  return common / (ofA.size + ofB.size - common) >= SAME_SHARE;
}

/** Whether devices that were reported are those of another machine than the survey's: most of them are others. */
export const isOtherMachine = (machine: Machine, reported: readonly PciFunction[]): boolean =>
  otherDevices(machine.functions.map(deviceId), reported.map(deviceId));

const placesOf = (functions: readonly PciFunction[]): ReadonlySet<string> =>
  new Set(functions.map((fn) => `${fn.address} ${deviceId(fn)}`));
