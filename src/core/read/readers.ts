/** Every reader there is. Of those that know a file by the same part of it the first is taken: a report of devices may quote nearly anything. */
import { driverSetup } from './drivers/inf.ts';
import { dmidecode } from './firmware/dmidecode.ts';
import { firmwareEntry, firmwareTable } from './firmware/smbios.ts';
import { pciIds, usbIds } from './idList.ts';
import { configSpace } from './pci/configSpace.ts';
import { links } from './pci/links.ts';
import { lspci } from './pci/lspci.ts';
import { lspciMachine } from './pci/lspciMachine.ts';
import { pciconf } from './pci/pciconf.ts';
import type { BytesReader, TextReader, Told } from './reader.ts';
import { copies } from './results/copies.ts';
import { nvme } from './results/nvme.ts';
import { radio } from './results/radio.ts';
import { resultTable } from './results/table.ts';
import { TOOLS } from './results/tools.ts';
import { edid } from './screens/edid.ts';
import { attached } from './system/attached.ts';
import { deviceList } from './system/deviceList.ts';
import { hardwareReport } from './system/hardwareReport.ts';
import { ethtool, ipLink, loadedDrivers, osRelease, systemFacts, uname } from './system/linux.ts';
import { modulesAlias } from './system/moduleAliases.ts';
import { smartctl } from './system/smartctl.ts';

export const TEXT_READERS = [
  smartctl,
  ...TOOLS,
  nvme,
  hardwareReport,
  pciIds,
  usbIds,
  lspciMachine,
  pciconf,
  attached,
  lspci,
  dmidecode,
  modulesAlias,
  ethtool,
  ipLink,
  driverSetup,
  deviceList,
  radio,
  osRelease,
  uname,
  resultTable,
  copies,
  loadedDrivers,
  systemFacts,
  links,
] as const satisfies readonly TextReader[];

export const BYTES_READERS = [
  edid,
  configSpace,
  firmwareEntry,
  firmwareTable,
] as const satisfies readonly BytesReader[];

type Reader = (typeof TEXT_READERS)[number] | (typeof BYTES_READERS)[number];

/** What a file can be known for; a bundle is files in one. */
export type EvidenceKind = 'bundle' | Reader['kind'];

type SaidBy<Each> = Each extends { readonly read: (...args: never[]) => Told<infer Says> }
  ? Says
  : never;
type Says = SaidBy<Reader>;
type NameOf<Each> = Each extends unknown ? keyof Each : never;
type ThingOf<Each, Name> = Each extends unknown
  ? Name extends keyof Each
    ? Each[Name] extends readonly (infer Thing)[]
      ? Thing
      : never
    : never
  : never;

/** All that files can say: what any reader says, by its name. */
export type Statements = {
  readonly [Name in NameOf<Says>]: readonly ThingOf<Says, Name>[];
};
