/** A device list as a system of that family exports it, of invented devices. */
import { hex4 } from '../../src/core/parts/index.ts';

export interface ListedDevice {
  readonly vendor: number;
  readonly device: number;
  readonly bus: number;
  readonly class24: number;
  readonly name: string;
  /** Provider, version and service; none where no driver is installed. */
  readonly driver?: readonly [provider: string, version: string, service: string];
  readonly problem?: number;
}

const upper = (code: number) => hex4(code).toUpperCase();

export const deviceList = (devices: readonly ListedDevice[]): string =>
  JSON.stringify(
    devices.map(({ vendor, device, bus, class24, name, driver, problem = 0 }) => {
      const id = `PCI\\VEN_${upper(vendor)}&DEV_${upper(device)}`;
      return {
        InstanceId: `${id}&SUBSYS_0001${upper(vendor)}&REV_01\\4&${bus}&0&00E0`,
        Name: name,
        HardwareIds: [`${id}&CC_${class24.toString(16).toUpperCase().padStart(6, '0')}`],
        LocationInfo: `PCI bus ${bus}, device 0, function 0`,
        Status: problem === 0 ? 'OK' : 'Error',
        ConfigManagerErrorCode: problem,
        ...(driver === undefined
          ? {}
          : { DriverProviderName: driver[0], DriverVersion: driver[1], Service: driver[2] }),
      };
    }),
  );

/** Ports of the board, so that it is a list of a whole machine. */
export const PORTS: readonly ListedDevice[] = [0, 1, 2].map((n) => ({
  vendor: 0xf1a9,
  device: 0x7900 + n,
  bus: 40 + n,
  class24: 0x060400,
  name: `Port ${n}`,
  driver: ['System', '10.0.1.0', 'pci'],
}));
/** A picture without any driver of its own, a wired port that works, and two devices that nothing drives. */
export const PICTURE: ListedDevice = {
  vendor: 0xf1a0,
  device: 0x7021,
  bus: 1,
  class24: 0x030000,
  name: 'Basic display',
  driver: ['System', '10.0.1.0', 'basicdisplay'],
};
export const WIRE: ListedDevice = {
  vendor: 0xf1a1,
  device: 0x7009,
  bus: 9,
  class24: 0x020000,
  name: 'Office port',
  driver: ['Pendle', '3.1.0.0', 'pendle'],
};
/** Known to the library: a sound card. */
export const UNKNOWN: ListedDevice = {
  vendor: 0xf1a8,
  device: 0x7860,
  bus: 10,
  class24: 0x040300,
  name: 'Multimedia device',
  problem: 28,
};
export const UNHEARD_OF: ListedDevice = {
  vendor: 0xf1a9,
  device: 0x7fff,
  bus: 11,
  class24: 0x118000,
  name: 'Other device',
  problem: 28,
};
