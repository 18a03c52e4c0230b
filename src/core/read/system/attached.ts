/**
 * Reads the lines by which a BSD kernel tells what it attached: which bus hangs on which bridge, and which device on
 * which bus. Source: the kernel's own messages as dmesg(8) shows them (from memory).
 */
import type { PciFunction } from '../../parts/pciFunction.ts';
import { linesOf } from '../lines.ts';
import type { ProblemList } from '../problem.ts';
import type { TextReader } from '../reader.ts';

export const attached = {
  kind: 'attached',
  head: [/^pci\d{1,5}: <[^>\n]{0,200}> (?:numa-domain \d{1,3} )?on pcib\d/m],
  read(text, problems) {
    const buses = readAttached(text, problems);
    return { found: buses.bridges.size, says: { attached: [buses] } };
  },
} satisfies TextReader;

/** “pci1: <ACPI PCI bus> on pcib1” */
const BUS = /^(pci\d{1,5}): <[^>]{0,200}> (?:numa-domain \d{1,3} )?on (pcib\d{1,5})$/;
/** “igb0: <…> port 0xe000-0xe01f mem … irq 16 at device 0.0 on pci1” */
const DEVICE =
  /^([a-z][a-z0-9_]{0,30}?\d{1,5}): <.* at device \d{1,3}\.\d(?: numa-domain \d{1,3})? on (pci\d{1,5})$/;

export interface AttachedBuses {
  /** The bridge that each bus hangs on, by its name. */
  readonly bridges: ReadonlyMap<string, string>;
  /** A device on each bus, by its name. */
  readonly devices: ReadonlyMap<string, string>;
}

export function readAttached(input: string, problems: ProblemList): AttachedBuses {
  const bridges = new Map<string, string>();
  const devices = new Map<string, string>();
  for (const { raw } of linesOf(input, problems)) {
    const bus = BUS.exec(raw.trimEnd());
    if (bus !== null) bridges.set(bus[1] ?? '', bus[2] ?? '');
    const device = bus === null ? DEVICE.exec(raw.trimEnd()) : null;
    if (device !== null && !devices.has(device[2] ?? ''))
      devices.set(device[2] ?? '', device[1] ?? '');
  }
  if (bridges.size === 0)
    problems.add({ code: 'input.nothingFound', line: 1, expected: 'pci1: <…> on pcib1' });
  return { bridges, devices };
}

/**
 * Bridges with the bus behind them: a device that hangs there has its number in its address.
 * @param units addresses by names, as the device report gives them
 */
export function withBuses(
  functions: readonly PciFunction[],
  { bridges, devices }: AttachedBuses,
  units: ReadonlyMap<string, string>,
): readonly PciFunction[] {
  const behind = new Map(
    [...bridges].flatMap(([bus, bridge]) => {
      const [port, device] = [units.get(bridge), units.get(devices.get(bus) ?? '')];
      return port === undefined || device === undefined
        ? []
        : [[port, parseInt(device.split(':')[1] ?? '', 16)] as const];
    }),
  );
  return functions.map((fn) => {
    const bus = behind.get(fn.address);
    return fn.buses !== null || bus === undefined
      ? fn
      : { ...fn, buses: { secondary: bus, subordinate: bus } };
  });
}
