/** Several reports of the same devices as one: the better witness of each device, with what only others say. */
import type { PciFunction } from '../../parts/pciFunction.ts';
import type { Witness } from '../../parts/fact.ts';

/** What one report says of the machine's devices, and how it came by it. */
export interface DeviceReport {
  readonly functions: readonly PciFunction[];
  /** `text` for reports of which some devices may still have been read from registers. */
  readonly witness: Extract<Witness, 'registers' | 'text' | 'system'>;
}

const RANK: Readonly<Record<DeviceReport['witness'], number>> = {
  registers: 0,
  text: 1,
  system: 2,
};

export interface CombinedDevices {
  readonly functions: readonly PciFunction[];
  readonly witnesses: ReadonlyMap<string, DeviceReport['witness']>;
}

export function combineReports(reports: readonly DeviceReport[]): CombinedDevices {
  const functions = new Map<string, PciFunction>();
  const witnesses = new Map<string, DeviceReport['witness']>();
  for (const report of reports.toSorted((a, b) => RANK[a.witness] - RANK[b.witness])) {
    for (const fn of report.functions) {
      const better = functions.get(fn.address);
      functions.set(fn.address, better === undefined ? fn : completed(better, fn));
      if (better === undefined) witnesses.set(fn.address, report.witness);
    }
  }
  return {
    functions: [...functions.values()].toSorted((a, b) => (a.address < b.address ? -1 : 1)),
    witnesses,
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
