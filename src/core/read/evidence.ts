/**
 * Reads whatever files of evidence there are, in any mixture, into what they say of one machine. Nothing here
 * decides whom to believe: that is done when the survey takes it in.
 */
import { deviceId, type PciFunction } from '../parts/pciFunction.ts';
import {
  readFile,
  saidIn,
  type EvidenceFile,
  type FileReading,
  type FileReport,
} from './fileReading.ts';
import { believed, latest } from '../parts/trust.ts';
import type { FirmwareReading } from './firmware/firmware.ts';
import { nameIn, readIdList } from './idList.ts';
import { machinesApart, type MachinesApart } from './machinesApart.ts';
import { combineReports, type CombinedDevices } from './pci/combine.ts';
import { withSystemLinks } from './pci/links.ts';
import { isNamed, portsWithSlots } from './pci/ports.ts';
import { named } from './pci/named.ts';
import { ProblemList, type Problem } from './problem.ts';
import type { Statements } from './readers.ts';
import { withBuses } from './system/attached.ts';
import type { AliasList } from './system/moduleAliases.ts';
import type { ScreenReading } from './screens/edid.ts';
import type { Drive } from '../parts/drive.ts';
import type { HardwareReport } from './system/hardwareReport.ts';
import type { Result } from './results/result.ts';
import type { DeviceListReading } from './system/deviceList.ts';
import type { Kernel, NetworkPort } from './system/linux.ts';

const MOST_FILES = 2000;

export interface Evidence {
  readonly files: readonly FileReport[];
  /**
   * The machines that the files are of, where they are of several: everything else is then left out of it, until one of
   * them is chosen. Null where all can be of one.
   */
  readonly apart: MachinesApart | null;
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
  readonly hardware: HardwareReport | null;
  /** What drives say of themselves. */
  readonly drives: readonly Drive[];
  /** What tools measured. */
  readonly results: readonly Result[];
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

/** All files read, and not yet put together. */
export interface FilesRead {
  readonly readings: readonly FileReading[];
  /** Null where all can be of one machine. */
  readonly apart: MachinesApart | null;
}

/**
 * Never throws: what cannot be read is a problem of its file.
 * @param onFile  told after each file how many are done
 */
export function readFiles(
  files: readonly EvidenceFile[],
  onFile: (done: number) => void = () => undefined,
): FilesRead {
  let letters = 0;
  const readings = files.slice(0, MOST_FILES).map((file, n) => {
    const reading = readFile(file, letters);
    letters += file.content.length;
    onFile(n + 1);
    return reading;
  });
  if (files.length > MOST_FILES) {
    const problem: Problem = {
      code: 'evidence.tooMany',
      expected: `${MOST_FILES}`,
      found: `${files.length}`,
    };
    const file = { name: '', kind: null, found: 0, problems: [problem] };
    readings.push({ files: [file], told: [] });
  }
  return { readings, apart: machinesApart(readings) };
}

/** Reads files and puts together what they say, where all of them can be of one machine. */
export const readEvidence = (
  files: readonly EvidenceFile[],
  known: Known = NOTHING_KNOWN,
  onFile?: (done: number) => void,
): Evidence => evidenceOf(readFiles(files, onFile), null, known);

/** @param only which of several machines the files are read for; null: none is chosen */
export function evidenceOf(
  { readings, apart }: FilesRead,
  only: number | null,
  known: Known = NOTHING_KNOWN,
): Evidence {
  const chosen = only === null ? null : (apart?.machines[only] ?? null);
  const ofMachine =
    apart === null ? readings : readings.filter((_, n) => chosen?.files.includes(n) === true);
  return {
    ...concluded(ofMachine, known),
    files: (chosen === null ? readings : ofMachine).flatMap(({ files }) => files),
    apart: chosen === null ? apart : null,
  };
}

function concluded(
  readings: readonly FileReading[],
  known: Known,
): Omit<Evidence, 'files' | 'apart'> {
  const all = <Name extends keyof Statements>(name: Name) => saidIn(readings, name);
  const reports = all('reports');
  const links = latest(all('links'));
  const loaded = latest(all('loaded'));
  const facts = latest(all('facts'));
  const aliases = latest(all('aliases')) ?? null;
  const lists = { pci: latest(all('pciLists')) ?? null, usb: latest(all('usbLists')) ?? null };
  const devices = combineReports(reports);
  const attached = latest(all('attached'));
  const units = latest(all('units'));
  const placed =
    attached === undefined || units === undefined
      ? devices.functions
      : withBuses(devices.functions, attached, units);
  const linked = placed.map((fn) => (links === undefined ? fn : withSystemLinks(fn, links)));
  const sources = new Map(devices.sources);
  for (const [n, fn] of devices.functions.entries())
    if (linked[n] !== placed[n]) sources.set(fn.address, 'system');
  const driven = linked.map((fn) => ({
    ...fn,
    driver: fn.driver ?? loaded?.get(fn.address) ?? null,
  }));
  const names = namesFor([...driven, ...known.functions], lists.pci ?? known.pci);
  return {
    devices: { sources, functions: driven.map((fn) => named(fn, names)) },
    devicesWhole: reports.some(
      ({ source, functions }) => source !== 'system' && functions.length > 0,
    ),
    firmware: believed(all('firmware'))?.reading ?? null,
    screens: all('screens'),
    ports: portsOf(all('ports')),
    osName: latest(all('osNames')) ?? null,
    kernel: latest(all('kernels')) ?? null,
    live: facts?.get('live') === 'yes',
    uefi: yesOrNo(facts?.get('uefi')),
    secureBoot: yesOrNo(facts?.get('secure-boot')),
    drives: all('drives'),
    results: all('results'),
    hardware: all('hardware').length === 0 ? null : hardwareOf(all('hardware')),
    deviceList: withUsbNames(latest(all('deviceLists')) ?? null, lists.usb ?? known.usb),
    aliases,
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

/** The sections of a report may come in a file each. */
const hardwareOf = (told: readonly HardwareReport[]): HardwareReport => ({
  cards: told.findLast(({ cards }) => cards.length > 0)?.cards ?? [],
  system: told.findLast(({ system }) => system !== null)?.system ?? null,
  model: told.findLast(({ model }) => model !== null)?.model ?? null,
});

/** Each port once: of several reports each says what the others leave open. */
function portsOf(told: readonly NetworkPort[]): readonly NetworkPort[] {
  const ports = new Map<string, NetworkPort>();
  for (const port of told) ports.set(port.name, bothPorts(ports.get(port.name), port));
  return [...ports.values()];
}

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

/** What a survey wants and files may not have. */
export type Absent = 'devices' | 'slotPorts' | 'slotRecords' | 'screens' | 'system';

export function absentIn(evidence: Evidence): readonly Absent[] {
  const { devices, firmware, screens, osName, kernel, deviceList, hardware } = evidence;
  const { functions } = devices;
  const absent: readonly (readonly [Absent, boolean])[] = [
    ['devices', functions.length === 0 && (hardware?.cards.length ?? 0) === 0],
    ['slotPorts', functions.length > 0 && portsWithSlots(functions).length === 0],
    ['slotRecords', (firmware?.slots.length ?? 0) === 0],
    ['screens', screens.length === 0],
    [
      'system',
      [osName, kernel, deviceList, hardware?.system ?? null].every((each) => each === null),
    ],
  ];
  return absent.flatMap(([what, isAbsent]) => (isAbsent ? [what] : []));
}
