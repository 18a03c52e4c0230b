/**
 * Reads one file of evidence into what it says: a bundle's parts together, everything else by itself. Nothing here decides
 * which of several is believed.
 */
import { clipped } from '../parts/limits.ts';
import type { PciFunction } from '../parts/pciFunction.ts';
import { readBundle } from './bundle.ts';
import { readDmidecode } from './firmware/dmidecode.ts';
import type { FirmwareReading } from './firmware/firmware.ts';
import { readSmbios } from './firmware/smbios.ts';
import { readIdList } from './idList.ts';
import type { DeviceReport } from './pci/combine.ts';
import { decodeConfigSpace } from './pci/configSpace.ts';
import { readLinks, type SystemLinks } from './pci/links.ts';
import { readLspci } from './pci/lspci.ts';
import { readLspciMachine } from './pci/lspciMachine.ts';
import { readPciconf } from './pci/pciconf.ts';
import { ProblemList, type Problem, upTo } from './problem.ts';
import { CONFIG_PATH, recognise, type EvidenceKind } from './recognise.ts';
import { readEdid, type ScreenReading } from './screens/edid.ts';
import { readAttached, type AttachedBuses } from './system/attached.ts';
import type { Drive } from '../parts/drive.ts';
import { readSmartctl, readTemperatures } from './system/smartctl.ts';
import { readCopies } from './results/copies.ts';
import { readFio } from './results/fio.ts';
import { readIperf3 } from './results/iperf3.ts';
import { readNvme } from './results/nvme.ts';
import { readRadio } from './results/radio.ts';
import type { Result } from './results/result.ts';
import { readResultTable } from './results/table.ts';
import { readHardwareReport, type HardwareReport } from './system/hardwareReport.ts';
import { readDeviceList, type DeviceListReading } from './system/deviceList.ts';
import {
  readEthtool,
  readIpLink,
  readOsRelease,
  readUname,
  type Kernel,
  type NetworkPort,
} from './system/linux.ts';
import { readModulesAlias, type AliasList } from './system/moduleAliases.ts';

type ResultKind = 'iperf3' | 'fio' | 'copies' | 'radio' | 'nvme' | 'resultTable';
const RESULT_READERS: Readonly<
  Record<ResultKind, (text: string, problems: ProblemList) => readonly Result[]>
> = {
  iperf3: readIperf3,
  fio: readFio,
  copies: readCopies,
  radio: readRadio,
  nvme: readNvme,
  resultTable: readResultTable,
};

const LARGEST_FILE = 16 * 1024 * 1024;
/** Of all files together. */
const LARGEST_EVIDENCE = 128 * 1024 * 1024;
const LONGEST_BROKEN = 100;

export interface EvidenceFile {
  /** With its path, where it came in a folder. */
  readonly name: string;
  /** Text that was pasted comes as it is. */
  readonly content: Uint8Array | string;
}

export interface FileReport {
  readonly name: string;
  /** Null where nobody knows what it is. */
  readonly kind: EvidenceKind | null;
  /** How many things of its kind were found in it. */
  readonly found: number;
  readonly problems: readonly Problem[];
}

/** What a file says, each kind in the order in which it was met. */
export interface FileReading {
  /** Of the file, and behind it of what was in it. */
  readonly files: FileReport[];
  readonly reports: DeviceReport[];
  readonly firmwareTables: FirmwareReading[];
  /** Reports about the table: the table itself is the better source. */
  readonly firmwareReports: FirmwareReading[];
  readonly screens: ScreenReading[];
  readonly ports: NetworkPort[];
  readonly osNames: string[];
  readonly kernels: Kernel[];
  readonly facts: ReadonlyMap<string, string>[];
  readonly loaded: ReadonlyMap<string, string>[];
  readonly links: SystemLinks[];
  /** Addresses by the names that a kernel gave its devices, and the buses that it attached by these names. */
  readonly units: ReadonlyMap<string, string>[];
  readonly attached: AttachedBuses[];
  readonly aliases: AliasList[];
  readonly deviceLists: DeviceListReading[];
  readonly hardware: HardwareReport[];
  readonly drives: Drive[];
  /** What tools measured. */
  readonly results: Result[];
  readonly pciLists: string[];
  readonly usbLists: string[];
}

export const emptyReading = (): FileReading => ({
  files: [],
  reports: [],
  firmwareTables: [],
  firmwareReports: [],
  screens: [],
  ports: [],
  osNames: [],
  kernels: [],
  facts: [],
  loaded: [],
  links: [],
  units: [],
  attached: [],
  aliases: [],
  deviceLists: [],
  hardware: [],
  drives: [],
  results: [],
  pciLists: [],
  usbLists: [],
});

/**
 * Never throws: what cannot be read is a problem of its file.
 * @param lettersBefore letters and bytes of the files before it
 */
export function readFile(file: EvidenceFile, lettersBefore: number): FileReading {
  const reading = emptyReading();
  readInto(file, reading, { before: lettersBefore, nested: false });
  return reading;
}

interface Place {
  /** Letters and bytes that came before. */
  readonly before: number;
  /** Whether the file came out of another one: no bundle holds a bundle. */
  readonly nested: boolean;
}

function readInto({ name, content }: EvidenceFile, into: FileReading, at: Place): void {
  const problems = new ProblemList();
  const place = into.files.length;
  // Files inside a bundle come behind it.
  into.files.push({ name: clipped(name), kind: null, found: 0, problems: [] });
  const letters = at.before + content.length;
  const tooLarge = content.length > LARGEST_FILE;
  const tooMuch = letters > LARGEST_EVIDENCE;
  const what = tooLarge || tooMuch ? null : recognise(name, content);
  let found = 0;
  if (tooMuch)
    problems.add({
      code: 'evidence.tooLarge',
      expected: `${LARGEST_EVIDENCE}`,
      found: `${letters}`,
    });
  else if (tooLarge)
    problems.add({
      code: 'input.tooLarge',
      expected: `${LARGEST_FILE}`,
      found: `${content.length}`,
    });
  else if (what === null) problems.add({ code: 'evidence.unknown', line: 1 });
  else if (what.kind === 'bundle' && what.text !== null) {
    if (at.nested) problems.add({ code: 'bundle.nested', line: 1 });
    const inside = at.nested ? [] : readBundle(what.text, problems);
    found = inside.length;
    let before = letters;
    for (const each of inside) {
      readInto({ name: `${name} › ${each.name}`, content: each.text }, into, {
        before,
        nested: true,
      });
      before += each.text.length;
    }
  } else {
    try {
      found =
        what.bytes === null
          ? readText(what.kind, what.text, into, problems)
          : readBytes(what.kind, name, what.bytes, into, problems);
    } catch (error) {
      // One file's failure is its own: what the others say is taken all the same.
      problems.add({
        code: 'input.broken',
        line: 1,
        found: String(error).slice(0, LONGEST_BROKEN),
      });
    }
  }
  into.files[place] = {
    name: clipped(name),
    kind: what?.kind ?? null,
    found,
    problems: problems.all,
  };
}

/** Measurements of one file, whatever tool wrote it: more than anybody looks at. */
const MOST_RESULTS = 200;

/** @returns how many things were found */
function readText(
  kind: EvidenceKind,
  text: string,
  into: FileReading,
  problems: ProblemList,
): number {
  switch (kind) {
    case 'lspci': {
      const reading = readLspci(text);
      for (const problem of reading.problems) problems.add(problem);
      const byRegisters = (fn: PciFunction) => reading.fromRegisters.has(fn.address);
      into.reports.push(
        { source: 'registers', functions: reading.functions.filter(byRegisters) },
        { source: 'text', functions: reading.functions.filter((fn) => !byRegisters(fn)) },
      );
      return reading.functions.length;
    }
    case 'lspciMachine': {
      const functions = readLspciMachine(text, problems);
      into.reports.push({ source: 'text', functions });
      return functions.length;
    }
    case 'pciconf': {
      const reading = readPciconf(text, problems);
      into.reports.push({ source: 'text', functions: reading.functions });
      into.units.push(reading.units);
      return reading.functions.length;
    }
    case 'attached': {
      const attached = readAttached(text, problems);
      into.attached.push(attached);
      return attached.bridges.size;
    }
    case 'dmidecode': {
      const firmware = readDmidecode(text, problems);
      if (firmware !== null) into.firmwareReports.push(firmware);
      return firmware?.slots.length ?? 0;
    }
    case 'driverSetup':
      problems.add({ code: 'evidence.driverSetup', line: 1 });
      return 0;
    case 'osRelease':
      return taken(into.osNames, readOsRelease(text, problems));
    case 'uname':
      return taken(into.kernels, readUname(text, problems));
    case 'modulesAlias': {
      const aliases = readModulesAlias(text, problems);
      into.aliases.push(aliases);
      return aliases.count;
    }
    case 'ipLink':
    case 'ethtool': {
      const ports = kind === 'ipLink' ? readIpLink(text, problems) : readEthtool(text, problems);
      for (const port of ports) into.ports.push(port);
      return ports.length;
    }
    case 'deviceList': {
      const list = readDeviceList(text, problems);
      into.deviceLists.push(list);
      into.reports.push({ source: 'system', functions: list.functions });
      return list.functions.length;
    }
    case 'hardwareReport': {
      const report = readHardwareReport(text, problems);
      into.hardware.push(report);
      return report.cards.length;
    }
    case 'smartctl': {
      const drives = readSmartctl(text, problems);
      for (const drive of drives) into.drives.push(drive);
      for (const result of readTemperatures(text)) into.results.push(result);
      return drives.length;
    }
    case 'iperf3':
    case 'fio':
    case 'copies':
    case 'radio':
    case 'nvme':
    case 'resultTable': {
      const all = RESULT_READERS[kind](text, problems);
      const results = upTo(MOST_RESULTS, all, 'results', problems);
      for (const result of results) into.results.push(result);
      return results.length;
    }
    case 'loadedDrivers': {
      const loaded = pairs(text, ' ');
      into.loaded.push(loaded);
      return loaded.size;
    }
    case 'links': {
      const links = readLinks(text, problems);
      into.links.push(links);
      return links.links.size;
    }
    case 'systemFacts': {
      const facts = pairs(text, '=');
      into.facts.push(facts);
      return facts.size;
    }
    case 'pciIds':
    case 'usbIds': {
      const { devices } = readIdList(text, problems);
      if (devices.size > 0) into[kind === 'pciIds' ? 'pciLists' : 'usbLists'].push(text);
      return devices.size;
    }
    default:
      return 0;
  }
}

function readBytes(
  kind: EvidenceKind,
  name: string,
  bytes: Uint8Array,
  into: FileReading,
  problems: ProblemList,
): number {
  switch (kind) {
    case 'edid':
      return taken(into.screens, readEdid(bytes, problems));
    case 'firmwareTable': {
      const firmware = readSmbios(bytes, problems);
      if (firmware !== null) into.firmwareTables.push(firmware);
      return firmware?.slots.length ?? 0;
    }
    case 'configSpace': {
      const address = CONFIG_PATH.exec(name)?.[1] ?? '';
      const fn = decodeConfigSpace(address, bytes.subarray(0, 4096), null, problems);
      if (fn !== null) into.reports.push({ source: 'registers', functions: [fn] });
      return fn === null ? 0 : 1;
    }
    default:
      return 0;
  }
}

/** @returns how many were taken */
function taken<Thing>(into: Thing[], thing: Thing | null): number {
  if (thing === null) return 0;
  into.push(thing);
  return 1;
}

/** Lines of two words each. */
const pairs = (text: string, between: string): ReadonlyMap<string, string> =>
  new Map(
    text.split('\n').flatMap((line) => {
      const at = line.indexOf(between);
      return at < 1
        ? []
        : [
            [
              line.slice(0, at),
              line
                .slice(at + 1)
                .trim()
                .slice(0, 200),
            ] as const,
          ];
    }),
  );
