/**
 * Reads whatever files of evidence there are, in any mixture, into what they say of one machine. Nothing here
 * decides whom to believe: that is done when the survey takes it in.
 */
import { deviceId, type PciFunction } from '../parts/pciFunction.ts';
import { clipped } from '../parts/limits.ts';
import { readBundle } from './bundle.ts';
import { readDmidecode } from './firmware/dmidecode.ts';
import type { FirmwareReading } from './firmware/firmware.ts';
import { readSmbios } from './firmware/smbios.ts';
import { nameIn, readIdList } from './idList.ts';
import { combineReports, type CombinedDevices, type DeviceReport } from './pci/combine.ts';
import { decodeConfigSpace } from './pci/configSpace.ts';
import { readLspci } from './pci/lspci.ts';
import { readLinks, withSystemLinks, type SystemLinks } from './pci/links.ts';
import { isNamed } from './pci/ports.ts';
import { named } from './pci/named.ts';
import { readLspciMachine } from './pci/lspciMachine.ts';
import { ProblemList, type Problem } from './problem.ts';
import { CONFIG_PATH, recognise, type EvidenceKind } from './recognise.ts';
import { readModulesAlias, type AliasList } from './system/moduleAliases.ts';
import { readEdid, type ScreenReading } from './screens/edid.ts';
import { readDeviceList, type DeviceListReading } from './system/deviceList.ts';
import {
  readEthtool,
  readIpLink,
  readOsRelease,
  readUname,
  type Kernel,
  type NetworkPort,
} from './system/linux.ts';

const LARGEST_FILE = 16 * 1024 * 1024;
const MOST_FILES = 2000;
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

export interface Evidence {
  readonly files: readonly FileReport[];
  readonly devices: CombinedDevices;
  /** Whether a report of all devices was among the files, and not only remarks about some. */
  readonly devicesWhole: boolean;
  readonly firmware: FirmwareReading | null;
  readonly screens: readonly ScreenReading[];
  readonly ports: readonly NetworkPort[];
  readonly osName: string | null;
  readonly kernel: Kernel | null;
  /** The system runs from a stick: what it says of itself is not the customer's. */
  readonly live: boolean;
  readonly uefi: boolean | null;
  readonly secureBoot: boolean | null;
  readonly deviceList: DeviceListReading | null;
  /** What this system's modules offer to drive. */
  readonly aliases: AliasList | null;
  /** Names for devices that came without one, by `vendor:device`. */
  readonly names: ReadonlyMap<string, string>;
  /** Lists of names that came along, to be kept. */
  readonly lists: { readonly pci: string | null; readonly usb: string | null };
}

export interface KnownLists {
  readonly pci: string | null;
  readonly usb: string | null;
}

/** What is known from before: lists of names, and the devices that the survey has already. */
export interface Known extends KnownLists {
  readonly functions: readonly PciFunction[];
}
const NOTHING_KNOWN: Known = { pci: null, usb: null, functions: [] };

/** What the files have said so far. */
interface Gathered {
  files: FileReport[];
  /** Letters and bytes so far. */
  letters: number;
  reports: DeviceReport[];
  firmware: FirmwareReading | null;
  screens: ScreenReading[];
  ports: Map<string, NetworkPort>;
  osName: string | null;
  kernel: Kernel | null;
  facts: ReadonlyMap<string, string>;
  loaded: ReadonlyMap<string, string>;
  system: SystemLinks | null;
  aliases: AliasList | null;
  deviceList: DeviceListReading | null;
  lists: { pci: string | null; usb: string | null };
}

/**
 * Never throws: what cannot be read is a problem of its file.
 * @param onFile  told after each file how many are done
 */
export function readEvidence(
  files: readonly EvidenceFile[],
  known: Known = NOTHING_KNOWN,
  onFile: (done: number) => void = () => undefined,
): Evidence {
  const gathered: Gathered = {
    files: [],
    letters: 0,
    reports: [],
    firmware: null,
    screens: [],
    ports: new Map(),
    osName: null,
    kernel: null,
    facts: new Map(),
    loaded: new Map(),
    system: null,
    aliases: null,
    deviceList: null,
    lists: { pci: null, usb: null },
  };
  files.slice(0, MOST_FILES).forEach((file, n) => {
    readFile(file, gathered);
    onFile(n + 1);
  });
  if (files.length > MOST_FILES) {
    const problem: Problem = {
      code: 'evidence.tooMany',
      expected: `${MOST_FILES}`,
      found: `${files.length}`,
    };
    gathered.files.push({ name: '', kind: null, found: 0, problems: [problem] });
  }
  return concluded(gathered, known);
}

/** @param nested whether the file came out of another one: no bundle holds a bundle */
function readFile({ name, content }: EvidenceFile, into: Gathered, nested = false): void {
  const problems = new ProblemList();
  const place = into.files.length;
  // Files inside a bundle come behind it.
  into.files.push({ name: clipped(name), kind: null, found: 0, problems: [] });
  into.letters += content.length;
  const tooLarge = content.length > LARGEST_FILE;
  const tooMuch = into.letters > LARGEST_EVIDENCE;
  const what = tooLarge || tooMuch ? null : recognise(name, content);
  let found = 0;
  if (tooMuch)
    problems.add({
      code: 'evidence.tooLarge',
      expected: `${LARGEST_EVIDENCE}`,
      found: `${into.letters}`,
    });
  else if (tooLarge)
    problems.add({
      code: 'input.tooLarge',
      expected: `${LARGEST_FILE}`,
      found: `${content.length}`,
    });
  else if (what === null) problems.add({ code: 'evidence.unknown', line: 1 });
  else if (what.kind === 'bundle' && what.text !== null) {
    if (nested) problems.add({ code: 'bundle.nested', line: 1 });
    const inside = nested ? [] : readBundle(what.text, problems);
    found = inside.length;
    for (const each of inside)
      readFile({ name: `${name} › ${each.name}`, content: each.text }, into, true);
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

/** @returns how many things were found */
function readText(kind: EvidenceKind, text: string, into: Gathered, problems: ProblemList): number {
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
    case 'dmidecode': {
      const firmware = readDmidecode(text, problems);
      into.firmware ??= firmware;
      return firmware?.slots.length ?? 0;
    }
    case 'driverSetup':
      problems.add({ code: 'evidence.driverSetup', line: 1 });
      return 0;
    case 'osRelease':
      into.osName ??= readOsRelease(text, problems);
      return into.osName === null ? 0 : 1;
    case 'uname':
      into.kernel ??= readUname(text, problems);
      return into.kernel === null ? 0 : 1;
    case 'modulesAlias':
      into.aliases = readModulesAlias(text, problems);
      return into.aliases.count;
    case 'ipLink':
    case 'ethtool': {
      const ports = kind === 'ipLink' ? readIpLink(text, problems) : readEthtool(text, problems);
      for (const port of ports)
        into.ports.set(port.name, bothPorts(into.ports.get(port.name), port));
      return ports.length;
    }
    case 'deviceList': {
      const list = readDeviceList(text, problems);
      into.deviceList ??= list;
      into.reports.push({ source: 'system', functions: list.functions });
      return list.functions.length;
    }
    case 'loadedDrivers':
      into.loaded = pairs(text, ' ');
      return into.loaded.size;
    case 'links':
      into.system = readLinks(text, problems);
      return into.system.links.size;
    case 'systemFacts':
      into.facts = pairs(text, '=');
      return into.facts.size;
    case 'pciIds':
    case 'usbIds': {
      const { devices } = readIdList(text, problems);
      if (devices.size > 0) into.lists[kind === 'pciIds' ? 'pci' : 'usb'] = text;
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
  into: Gathered,
  problems: ProblemList,
): number {
  switch (kind) {
    case 'edid': {
      const screen = readEdid(bytes, problems);
      if (screen !== null) into.screens.push(screen);
      return screen === null ? 0 : 1;
    }
    case 'firmwareTable': {
      const firmware = readSmbios(bytes, problems);
      // The table itself is a better source than a report about it.
      if (firmware !== null) into.firmware = firmware;
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

function concluded(gathered: Gathered, known: Known): Evidence {
  const { files, reports, firmware, screens, ports, osName, kernel, facts, lists } = gathered;
  const devices = combineReports(reports);
  const linked = devices.functions.map((fn) =>
    gathered.system === null ? fn : withSystemLinks(fn, gathered.system),
  );
  const sources = new Map(devices.sources);
  for (const [n, fn] of devices.functions.entries())
    if (linked[n] !== fn) sources.set(fn.address, 'system');
  const driven = linked.map((fn) => ({
    ...fn,
    driver: fn.driver ?? gathered.loaded.get(fn.address) ?? null,
  }));
  const names = namesFor([...driven, ...known.functions], lists.pci ?? known.pci);
  return {
    files,
    devices: { sources, functions: driven.map((fn) => named(fn, names)) },
    devicesWhole: reports.some(
      ({ source, functions }) => source !== 'system' && functions.length > 0,
    ),
    firmware,
    screens,
    ports: [...ports.values()],
    osName,
    kernel,
    live: facts.get('live') === 'yes',
    uefi: yesOrNo(facts.get('uefi')),
    secureBoot: yesOrNo(facts.get('secure-boot')),
    deviceList: withUsbNames(gathered.deviceList, lists.usb ?? known.usb),
    aliases: gathered.aliases,
    names,
    lists,
  };
}

function namesFor(
  functions: readonly PciFunction[],
  list: string | null,
): ReadonlyMap<string, string> {
  const nameless = functions.filter(({ name }) => !isNamed(name));
  if (list === null || nameless.length === 0) return new Map();
  const names = readIdList(list, new ProblemList());
  return new Map(
    nameless.flatMap((fn) => {
      const name = nameIn(names, fn.vendor, fn.device);
      return name === null ? [] : [[deviceId(fn), name] as const];
    }),
  );
}

const USB_IDENTITY = /^USB\\VID_([0-9A-F]{4})&PID_([0-9A-F]{4})/i;

function withUsbNames(
  reading: DeviceListReading | null,
  list: string | null,
): DeviceListReading | null {
  if (reading === null || list === null || reading.inTrouble.every(({ name }) => name !== ''))
    return reading;
  const names = readIdList(list, new ProblemList());
  const nameOf = (id: string): string => {
    const match = USB_IDENTITY.exec(id);
    if (match === null) return '';
    return nameIn(names, parseInt(match[1] ?? '', 16), parseInt(match[2] ?? '', 16)) ?? '';
  };
  return {
    ...reading,
    inTrouble: reading.inTrouble.map((each) => ({ ...each, name: each.name || nameOf(each.id) })),
  };
}

/** Two reports of one port: each says what the other leaves open. */
function bothPorts(before: NetworkPort | undefined, port: NetworkPort): NetworkPort {
  if (before === undefined) return port;
  return {
    name: port.name,
    linked: port.linked ?? before.linked,
    megabits: port.megabits ?? before.megabits,
    ableMegabits: port.ableMegabits ?? before.ableMegabits,
    farEndMegabits: port.farEndMegabits ?? before.farEndMegabits,
  };
}

const yesOrNo = (text: string | undefined): boolean | null =>
  text === 'yes' ? true : text === 'no' ? false : null;

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
