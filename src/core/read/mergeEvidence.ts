/**
 * Brings what the evidence says into the survey. Each fact keeps the witness that knows best, with whatever the
 * others say against it; what no evidence can know stays as it was.
 */
import type { Machine } from '../parts/machine.ts';
import { combineReports } from './pci/combine.ts';
import type { Evidence } from './evidence.ts';
import { named } from './pci/named.ts';
import { withFirmwareSlots, withPorts } from './mergeSlots.ts';
import { withFirmware, withNetwork, withScreens, withSystem } from './mergeSystem.ts';

export function mergeEvidence(machine: Machine, evidence: Evidence): Machine {
  return [
    withDevices,
    withPorts,
    withFirmwareSlots,
    withFirmware,
    withSystem,
    withNetwork,
    withScreens,
  ].reduce((soFar, take) => take(soFar, evidence), machine);
}

/** A report of all devices takes the place of an older one; a system's own list only adds to it. */
function withDevices(machine: Machine, { devices, devicesWhole, names }: Evidence): Machine {
  const functions = devicesWhole
    ? devices.functions
    : combineReports([
        { witness: 'text', functions: machine.functions },
        { witness: 'system', functions: devices.functions },
      ]).functions;
  return { ...machine, functions: functions.map((fn) => named(fn, names)) };
}
