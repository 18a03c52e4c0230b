/** Devices as `pciconf -lvc` and a BSD kernel's messages print them, after pciconf(8) (from memory). */
import type { PciFunction } from '../../src/core/parts/index.ts';
import type { ExpressKind } from '../../src/core/parts/pciFunction.ts';

const KINDS: Readonly<Record<ExpressKind, string>> = {
  endpoint: 'endpoint',
  legacyEndpoint: 'legacy endpoint',
  rootPort: 'root port',
  upstreamPort: 'upstream port',
  downstreamPort: 'downstream port',
  expressToPciBridge: 'PCI bridge',
  pciToExpressBridge: 'PCI to PCIe bridge',
  integratedEndpoint: 'root endpoint',
  eventCollector: 'event collector',
};
const SPEEDS = ['0.0', '2.5', '5.0', '8.0', '16.0', '32.0'];
/** Drivers that such a kernel has for a class; what is of another is `none`. */
const BY_CLASS: Readonly<Record<number, string>> = {
  0x0106: 'ahci',
  0x0200: 'em',
  0x0300: 'vgapci',
  0x0403: 'hdac',
  0x0604: 'pcib',
  0x0c03: 'xhci',
};

const hex = (value: number, digits: number) => value.toString(16).padStart(digits, '0');
const placeOf = (address: string): readonly number[] =>
  address.split(/[:.]/).map((part) => parseInt(part, 16));

/** Names with numbers, as a kernel hands them out. */
function unitsOf(functions: readonly PciFunction[]): readonly string[] {
  const counts = new Map<string, number>();
  return functions.map(({ classCode }) => {
    const name = BY_CLASS[classCode] ?? 'none';
    const n = counts.get(name) ?? 0;
    counts.set(name, n + 1);
    return `${name}${n}`;
  });
}

/** @param style newer releases name four identities, older ones print two of 32 bits */
export function printPciconf(
  functions: readonly PciFunction[],
  style: 'newer' | 'older' = 'newer',
): string {
  const units = unitsOf(functions);
  return functions
    .map((fn, n) => {
      const { vendor, device, subsystem, classCode, programmingInterface, revision, express } = fn;
      const type = hex(classCode * 256 + programmingInterface, 6);
      const own = subsystem ?? { vendor: 0, device: 0 };
      const ids =
        style === 'newer'
          ? `rev=0x${hex(revision, 2)} hdr=0x00 vendor=0x${hex(vendor, 4)} device=0x${hex(device, 4)} subvendor=0x${hex(own.vendor, 4)} subdevice=0x${hex(own.device, 4)}`
          : `card=0x${hex(own.device, 4)}${hex(own.vendor, 4)} chip=0x${hex(device, 4)}${hex(vendor, 4)} rev=0x${hex(revision, 2)} hdr=0x00`;
      const link = express?.link;
      const speed = (state: { readonly generation: number | null }) =>
        SPEEDS[state.generation ?? 0] ?? '0.0';
      return [
        `${units[n]}@pci${placeOf(fn.address).join(':')}:\tclass=0x${type} ${ids}`,
        `    vendor     = 'Maker of ${hex(vendor, 4)}'`,
        `    device     = 'Model ${hex(device, 4)}'`,
        '    class      = a class',
        ...(express?.kind == null
          ? []
          : [
              `    cap 10[70] = PCI-Express 2 ${KINDS[express.kind]} max data 128(256) RO NS`,
              '                 max read 512',
              ...(link == null
                ? []
                : [
                    `                 link x${link.now.width}(x${link.able.width}) speed ${speed(link.now)}(${speed(link.able)}) ASPM disabled(L0s/L1)`,
                  ]),
              ...(express.slot === null
                ? []
                : [
                    `                 slot ${express.slot.number} power limit ${express.slot.powerWatts * 1000} mW`,
                  ]),
            ]),
        '    cap 05[ac] = MSI supports 1 message, 64 bit ',
        '    ecap 0001[100] = AER 2 0 fatal 0 non-fatal 1 corrected',
      ].join('\n');
    })
    .join('\n')
    .concat('\n');
}

/** The kernel's lines: a bus for each bridge that leads to one, and the first device on each bus. */
export function printAttached(functions: readonly PciFunction[]): string {
  const units = unitsOf(functions);
  const lines = functions.flatMap((fn, n) => {
    const [, bus = 0, slot = 0, part = 0] = placeOf(fn.address);
    const below =
      fn.buses === null || fn.buses.secondary === 0
        ? []
        : [`pci${fn.buses.secondary + 40}: <ACPI PCI bus> on ${units[n]}`];
    return [
      `${units[n]}: <Model ${hex(fn.device, 4)}> port 0xe000-0xe01f irq 16 at device ${slot}.${part} on pci${bus + 40}`,
      ...below,
    ];
  });
  return ['Copyright of the kernel', ...lines, ''].join('\n');
}
