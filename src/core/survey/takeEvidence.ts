/**
 * Brings what the evidence says into the survey. Each fact keeps the source that knows best, with whatever the
 * others say against it; what no evidence can know stays as it was.
 */
import type { Card } from '../document/card.ts';
import { modulesFor } from '../drivers/moduleMatching.ts';
import { MOST } from '../parts/limits.ts';
import type { Machine } from '../document/machine.ts';
import { withCardRecords } from './cardRecords.ts';
import { combineReports } from '../read/pci/combine.ts';
import type { Evidence } from '../read/evidence.ts';
import { named } from '../read/pci/named.ts';
import { ProblemList, upTo, type Problem } from '../read/problem.ts';
import { repairedMachine } from '../read/repair.ts';
import { withFirmwareSlots, withPorts } from './mergeSlots.ts';
import { withHardwareReport } from './mergeHardwareReport.ts';
import { withFirmware, withNetwork, withOwnDrive, withScreens, withSystem } from './mergeSystem.ts';

export interface Accepted {
  readonly machine: Machine;
  /** What no survey can hold, and was left out. */
  readonly problems: readonly Problem[];
}

/** The survey with the evidence taken in, fitted cards known again by the catalogue; always fit to be kept. */
export function takeEvidence(
  before: Machine,
  evidence: Evidence,
  cards: readonly Card[] = [],
): Accepted {
  const problems = new ProblemList();
  const merged = withCardRecords(mergeEvidence(before, evidence, problems), cards);
  const { document, dropped } = repairedMachine(merged);
  return { machine: document ?? before, problems: [...problems.all, ...dropped] };
}

function mergeEvidence(machine: Machine, evidence: Evidence, problems: ProblemList): Machine {
  return [
    withDevices,
    withPorts,
    withFirmwareSlots,
    withHardwareReport,
    withFirmware,
    withSystem,
    withNetwork,
    withOwnDrive,
    withScreens,
  ].reduce((soFar, take) => take(soFar, evidence, problems), machine);
}

/** A report of all devices takes the place of an older one; a system's own list only adds to it. */
function withDevices(
  machine: Machine,
  { devices, devicesWhole, aliases, names }: Evidence,
  problems: ProblemList,
): Machine {
  const found = devices.functions.map((fn) => ({
    ...fn,
    modules: fn.modules ?? (aliases === null ? null : modulesFor(fn, aliases)),
  }));
  const functions = devicesWhole
    ? found
    : combineReports([
        { source: 'text', functions: machine.functions },
        { source: 'system', functions: found },
      ]).functions;
  const kept = upTo(MOST.functions, functions, 'devices', problems);
  return { ...machine, functions: kept.map((fn) => named(fn, names)) };
}
