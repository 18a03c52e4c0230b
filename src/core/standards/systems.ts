/** Operating systems by family, and what each drives without any package. All from memory of the systems' own release notes. */

export const SYSTEM_FAMILIES = ['windows', 'linux', 'bsd', 'unix', 'macos-like', 'other'] as const;
export type SystemFamily = (typeof SYSTEM_FAMILIES)[number];

/** Families for which makers publish packages that name their devices; the others are answered by class. */
export const PACKAGED_FAMILIES: readonly SystemFamily[] = ['windows', 'linux'];

/** Releases that are sold under another number than they give. */
export const NUMBERS_OF_RELEASES: Readonly<
  Partial<Record<SystemFamily, Readonly<Record<string, string>>>>
> = {
  windows: { '7': '6.1', '8': '6.2', '8.1': '6.3' },
};

/** The first release that drives something by itself; `all` of them; absent: nobody here knows. */
export type DrivenSince = Readonly<Partial<Record<SystemFamily, string>>>;
export const ALL_RELEASES = '0';

interface ClassDriver {
  readonly name: string;
  readonly since: DrivenSince;
}

/** By class code of the device: storage that speaks AHCI or NVMe, USB controllers that speak xHCI. */
export const CLASS_DRIVERS: Readonly<Record<number, ClassDriver>> = {
  0x010601: {
    name: 'AHCI',
    since: {
      windows: '6.0',
      linux: '2.6.19',
      bsd: ALL_RELEASES,
      unix: ALL_RELEASES,
      'macos-like': ALL_RELEASES,
    },
  },
  0x010802: {
    name: 'NVMe',
    since: { windows: '6.3', linux: '3.3', bsd: ALL_RELEASES, 'macos-like': '10.13' },
  },
  0x0c0330: {
    name: 'xHCI',
    since: { windows: '6.2', linux: '2.6.31', bsd: ALL_RELEASES, 'macos-like': '10.8' },
  },
};

/** Disks at USB ports by the newer protocol (UASP), which reads ahead while it waits; older ones copy by the older protocol. */
export const NEW_USB_DISKS_SINCE: DrivenSince = {
  windows: '6.2',
  linux: '3.15',
  'macos-like': '10.8',
};
