/**
 * Device lists that the other large desktop system exports, as JSON or CSV, by whatever of its own column names.
 * Identifiers as its setup documentation describes them (from memory).
 */
import { inHex } from '../../units.ts';
import Papa from 'papaparse';
import { emptyFunction, type LinkState, type PciFunction } from '../../parts/pciFunction.ts';
import type { Architecture } from '../../document/machine.ts';
import { MOST, clipped } from '../../parts/limits.ts';
import { upTo, type ProblemList } from '../problem.ts';
import type { TextReader } from '../reader.ts';
import type { DeviceReport } from '../pci/combine.ts';

export const deviceList = {
  kind: 'deviceList',
  head: [/VEN_[0-9A-F]{4}&|VID_[0-9A-F]{4}&|\\\\?ACPI|^"?InstanceId/i],
  read(text, problems) {
    const list = readDeviceList(text, problems);
    const report: DeviceReport = { source: 'system', functions: list.functions };
    return { found: list.functions.length, says: { deviceLists: [list], reports: [report] } };
  },
} satisfies TextReader;

const MOST_DEVICES = 5000;
const MOST_COLUMNS = 250;

interface DeviceInTrouble {
  /** As the system names it. */
  readonly id: string;
  readonly name: string;
  readonly status: string;
}

export interface DeviceListReading {
  readonly functions: readonly PciFunction[];
  /** Devices that the system itself says do not work. */
  readonly inTrouble: readonly DeviceInTrouble[];
  readonly system: {
    readonly name: string | null;
    readonly version: string | null;
    readonly build: string | null;
    readonly architecture: Architecture | null;
  };
}

/** Names of columns and properties by which each field may go, in lower case and without blanks and marks. */
const COLUMNS = {
  id: ['instanceid', 'deviceid', 'pnpdeviceid', 'deviceinstanceid', 'instanceidentifier'],
  hardwareIds: ['hardwareids', 'hardwareid', 'devpkeydevicehardwareids'],
  compatibleIds: ['compatibleids', 'compatibleid', 'compatid'],
  name: ['friendlyname', 'devicename', 'name', 'caption', 'description'],
  status: ['status', 'state'],
  errorCode: ['configmanagererrorcode', 'problem', 'problemcode'],
  location: ['locationinfo', 'location', 'locationinformation', 'devpkeydevicelocationinfo'],
  driverVersion: ['driverversion', 'devpkeydevicedriverversion'],
  driverProvider: ['driverprovidername', 'driverprovider', 'provider', 'manufacturer'],
  service: ['service', 'devpkeydeviceservice'],
  linkSpeed: ['currentlinkspeed', 'devpkeypcidevicecurrentlinkspeed'],
  linkWidth: ['currentlinkwidth', 'devpkeypcidevicecurrentlinkwidth'],
  mostSpeed: ['maxlinkspeed', 'devpkeypcidevicemaxlinkspeed'],
  mostWidth: ['maxlinkwidth', 'devpkeypcidevicemaxlinkwidth'],
} as const;
type Column = keyof typeof COLUMNS;
type Row = Readonly<Partial<Record<Column, string>>>;

const IDENTITY = /^PCI\\VEN_([0-9A-F]{4})&DEV_([0-9A-F]{4})/i;
const SUBSYSTEM = /&SUBSYS_([0-9A-F]{4})([0-9A-F]{4})/i;
const REVISION = /&REV_([0-9A-F]{2})/i;
const CLASS = /&CC_([0-9A-F]{4})([0-9A-F]{2})?/i;

export function readDeviceList(input: string, problems: ProblemList): DeviceListReading {
  const text = input.replace(/^\uFEFF/, '').trim();
  const { rows, system } = /^[[{]/.test(text) ? fromJson(text, problems) : fromCsv(text, problems);
  if (rows.length > MOST_DEVICES)
    problems.add({ code: 'list.tooMany', expected: `${MOST_DEVICES}`, found: `${rows.length}` });
  const listed = rows.slice(0, MOST_DEVICES);
  const functions = new Map<string, PciFunction>();
  listed.forEach(({ row, line }, n) => {
    const fn = functionOf(row, n);
    if (fn === null) {
      if (IDENTITY.test(row.id ?? ''))
        problems.add({ code: 'list.placeMissing', line, at: clipped(row.id ?? '') });
      return;
    }
    if (!functions.has(fn.address)) functions.set(fn.address, fn);
  });
  const hasIds = listed.some(({ row }) => row.id !== undefined);
  if (!hasIds) problems.add({ code: 'list.noIdentities', line: 1, expected: 'InstanceId' });
  return {
    functions: upTo(MOST.functions, [...functions.values()], 'devices', problems),
    inTrouble: upTo(
      MOST.inTrouble,
      listed.flatMap(({ row }) => troubleOf(row)),
      'devices in trouble',
      problems,
    ),
    system,
  };
}

interface Rows {
  readonly rows: readonly { readonly row: Row; readonly line: number }[];
  readonly system: DeviceListReading['system'];
}

const NO_SYSTEM: DeviceListReading['system'] = {
  name: null,
  version: null,
  build: null,
  architecture: null,
};

function fromJson(text: string, problems: ProblemList): Rows {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch (error) {
    const position = Number(/position (\d+)/.exec(String(error))?.[1] ?? text.length);
    problems.add({ code: 'file.notJson', line: text.slice(0, position).split('\n').length });
    return { rows: [], system: NO_SYSTEM };
  }
  const whole = isRecord(data) ? data : {};
  const list = Array.isArray(data) ? data : (whole['devices'] ?? [data]);
  return {
    rows: (Array.isArray(list) ? list : [list])
      .filter(isRecord)
      .map((each, n) => ({ row: rowOf(each), line: n + 1 })),
    system: systemOf(whole['system']),
  };
}

function fromCsv(text: string, problems: ProblemList): Rows {
  // The shell may put a line about the type of the objects first.
  const skipped = text.startsWith('#TYPE') ? 1 : 0;
  const body = skipped === 0 ? text : text.slice(text.indexOf('\n') + 1);
  const [head = [], ...records] = Papa.parse<string[]>(body, {
    skipEmptyLines: true,
    preview: MOST_DEVICES + 2,
  }).data;
  if (head.length > MOST_COLUMNS) {
    const [expected, found] = [`${MOST_COLUMNS}`, `${head.length}`];
    problems.add({ code: 'list.tooManyColumns', line: 1 + skipped, expected, found });
    return { rows: [], system: NO_SYSTEM };
  }
  const rows = records.map((record, n) => ({ record, line: n + 2 + skipped }));
  for (const { record, line } of rows
    .filter((row) => row.record.length !== head.length)
    .slice(0, 5)) {
    problems.add({
      code: 'list.row',
      line,
      expected: `${head.length}`,
      found: `${record.length}`,
    });
  }
  return {
    rows: rows.map(({ record, line }) => ({
      row: rowOf(Object.fromEntries(head.map((name, n) => [name, record[n] ?? '']))),
      line,
    })),
    system: NO_SYSTEM,
  };
}

function rowOf(record: Record<string, unknown>): Row {
  const byName = new Map(
    Object.entries(record).map(([name, value]) => [
      name.toLowerCase().replace(/[^a-z0-9]/g, ''),
      printed(value),
    ]),
  );
  const row: Partial<Record<Column, string>> = {};
  for (const [column, names] of Object.entries(COLUMNS) as [Column, readonly string[]][]) {
    const value = names
      .map((name) => byName.get(name))
      .find((each) => each !== undefined && each !== '');
    if (value !== undefined) row[column] = value;
  }
  return row;
}

const LONGEST_VALUE = 2000;

const single = (value: unknown): string =>
  typeof value === 'string' || typeof value === 'number'
    ? String(value).slice(0, LONGEST_VALUE).trim()
    : '';

/** A value, or a list of values: what lies deeper is none of this list's. */
const printed = (value: unknown): string =>
  Array.isArray(value)
    ? value.slice(0, LONGEST_VALUE).map(single).join(';').slice(0, LONGEST_VALUE)
    : single(value);

function functionOf(row: Row, order: number): PciFunction | null {
  const ids = [row.id, row.hardwareIds].filter((each) => each !== undefined).join(';');
  const identity = IDENTITY.exec(row.id ?? '');
  if (identity === null) return null;
  // “PCI bus 3, device 0, function 0”, with whatever words the language has: three numbers.
  const [bus, device, fn] = [...(row.location ?? '').matchAll(/\d+/g)].map(Number);
  if (bus === undefined || device === undefined || fn === undefined) return null;
  if (bus > 255 || device > 31 || fn > 7) return null;
  const hex2 = (value: number) => inHex(value, 2);
  const subsystem = SUBSYSTEM.exec(ids);
  const classes = CLASS.exec(`${row.hardwareIds ?? ''};${row.compatibleIds ?? ''}`);
  const service = row.service === undefined ? '' : `(${row.service})`;
  const driver = [row.driverProvider, row.driverVersion, service].filter(Boolean).join(' ');
  return {
    ...emptyFunction(`0000:${hex2(bus)}:${hex2(device)}.${fn}`),
    vendor: hex(identity[1]),
    device: hex(identity[2]),
    // The system writes device before vendor.
    subsystem: subsystem && { vendor: hex(subsystem[2]), device: hex(subsystem[1]) },
    classCode: classes === null ? 0 : hex(classes[1]),
    programmingInterface: hex(classes?.[2] ?? '0'),
    revision: hex(REVISION.exec(ids)?.[1] ?? '0'),
    name: (row.name ?? `Device ${order + 1}`).slice(0, 200),
    express: expressOf(row),
    driver: driver === '' ? null : driver.slice(0, 200),
  };
}

function expressOf(row: Row): PciFunction['express'] {
  const state = (speed: string | undefined, width: string | undefined): LinkState | null => {
    const [code, lanes] = [Number(speed), Number(width)];
    if (![1, 2, 4, 8, 12, 16, 32].includes(lanes)) return null;
    const known = code === 1 || code === 2 || code === 3 || code === 4 || code === 5;
    return { generation: known ? code : null, width: lanes };
  };
  const now = state(row.linkSpeed, row.linkWidth);
  const able = state(row.mostSpeed, row.mostWidth);
  return now === null || able === null ? null : { kind: null, link: { able, now }, slot: null };
}

function troubleOf(row: Row): readonly DeviceInTrouble[] {
  const code = row.errorCode ?? '';
  const fine = /^(ok|started)?$/i.test(row.status ?? '') && /^(0|CM_PROB_NONE)?$/i.test(code);
  if (fine || row.id === undefined) return [];
  const status = [row.status, code === '' || code === '0' ? '' : code].filter(Boolean).join(', ');
  return [
    {
      id: row.id.slice(0, 200),
      name: (row.name ?? '').slice(0, 200),
      status: status.slice(0, 200),
    },
  ];
}

/** Builds from which on the system calls itself 11 and 10, though its version number stays 10.0. */
const FIRST_BUILD_OF_11 = 22000;
const FIRST_BUILD_OF_10 = 10240;

function systemOf(data: unknown): DeviceListReading['system'] {
  if (!isRecord(data)) return NO_SYSTEM;
  const text = (key: string) => (data[key] === undefined ? '' : printed(data[key]));
  const build = /^\d{1,9}$/.exec(text('BuildNumber'))?.[0] ?? null;
  const bits = /\d+/.exec(text('OSArchitecture'))?.[0];
  const arm = /arm/i.test(text('OSArchitecture'));
  return {
    name: clipped(text('Caption')) || null,
    version:
      build === null
        ? null
        : Number(build) >= FIRST_BUILD_OF_11
          ? '11'
          : Number(build) >= FIRST_BUILD_OF_10
            ? '10'
            : (/^\d{1,6}\.\d{1,6}/.exec(text('Version'))?.[0] ?? null),
    build,
    architecture: arm ? 'arm64' : bits === '64' ? 'x86-64' : bits === '32' ? 'x86-32' : null,
  };
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const hex = (digits: string | undefined): number => parseInt(digits ?? '', 16);
