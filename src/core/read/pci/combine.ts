/** Several reports of the same devices as one: the better source of each device, with what only others say. */
import type { PciFunction } from '../../parts/pciFunction.ts';
import type { Source } from '../../parts/fact.ts';
import { byTrust } from '../../parts/trust.ts';

/** What one report says of the machine's devices, and how it came by it. */
export interface DeviceReport {
  readonly functions: readonly PciFunction[];
  /** `text` for reports of which some devices may still have been read from registers. */
  readonly source: Extract<Source, 'registers' | 'text' | 'system'>;
}

export interface CombinedDevices {
  readonly functions: readonly PciFunction[];
  readonly sources: ReadonlyMap<string, DeviceReport['source']>;
}

export function combineReports(reports: readonly DeviceReport[]): CombinedDevices {
  const functions = new Map<string, PciFunction>();
  const sources = new Map<string, DeviceReport['source']>();
  for (const report of byTrust(reports)) {
    for (const fn of report.functions) {
      const better = functions.get(fn.address);
      functions.set(fn.address, better === undefined ? fn : completed(better, fn));
      if (better === undefined) sources.set(fn.address, report.source);
    }
  }
  return {
    functions: [...functions.values()].toSorted((a, b) => (a.address < b.address ? -1 : 1)),
    sources,
  };
}

/** What the better report leaves open, from the other one, where both mean the same device. */
function completed(better: PciFunction, other: PciFunction): PciFunction {
  if (better.vendor !== other.vendor || better.device !== other.device) return better;
  return {
    ...better,
    // A system's own list says 0 where it does not know the class.
    classCode: better.classCode === 0 ? other.classCode : better.classCode,
    subsystem: better.subsystem ?? other.subsystem,
    name: better.name ?? other.name,
    buses: better.buses ?? other.buses,
    express: better.express ?? other.express,
    driver: better.driver ?? other.driver,
    modules: better.modules ?? other.modules,
    resizableBar: better.resizableBar ?? other.resizableBar,
  };
}
