/**
 * Whether files that came together can be of one machine. They cannot where two name different boards, where their devices
 * are mostly others, where the firmware knows no address of the tree of devices, or where both are whole survey files.
 */
import { deviceId } from '../parts/pciFunction.ts';
import { believed } from '../parts/trust.ts';
import { saidIn, type FileReading } from './fileReading.ts';
import type { FirmwareReading } from './firmware/firmware.ts';
import { CONFIG_PATH } from './pci/configSpace.ts';

interface MachineFiles {
  /** What its firmware calls the board; null where no file says. */
  readonly board: string | null;
  /** Devices of the longest list among its files. */
  readonly devices: number;
  /** Its files, by their place among all. */
  readonly files: readonly number[];
  readonly fileNames: readonly string[];
}

export interface MachinesApart {
  readonly machines: readonly MachineFiles[];
  /** Names of files that could be of any of them. */
  readonly loose: readonly string[];
}

/** Lists with fewer devices may be a part of any machine's. */
const LEAST_DEVICES = 5;
/** Of the shorter list, the share that the longer one has to hold as well. */
const SAME_SHARE = 0.5;
/** A single record may be wrong by itself. */
const LEAST_SLOTS = 2;
/** Files beyond so many machines stay loose. */
const MOST_MACHINES = 20;

/** What firmware writes that does not know where a slot is: every bit set. */
const NOWHERE = /:ff:1f\.7$/;

interface Traits {
  readonly board: string | null;
  /** Identities of all its devices, and where they are. */
  readonly devices: readonly string[];
  readonly addresses: ReadonlySet<string>;
  /** Where the firmware says that its slots in use are. */
  readonly slots: readonly string[];
  readonly isWhole: boolean;
}

/** Files that are of one machine by the way they came. */
interface Unit {
  readonly files: readonly number[];
  readonly traits: Traits;
}

interface Machine {
  traits: Traits;
  readonly files: number[];
}

/** Null where all files can be of one machine. */
export function machinesApart(readings: readonly FileReading[]): MachinesApart | null {
  const machines: Machine[] = [];
  const silent: number[] = [];
  for (const { files, traits } of unitsOf(readings)) {
    if (!says(traits)) {
      for (const file of files) silent.push(file);
      continue;
    }
    const fitting = machines.find((machine) => !contradicts(machine.traits, traits));
    if (fitting !== undefined) {
      for (const file of files) fitting.files.push(file);
      fitting.traits = together(fitting.traits, traits);
    } else if (machines.length < MOST_MACHINES) machines.push({ traits, files: [...files] });
    else for (const file of files) silent.push(file);
  }
  if (machines.length < 2) return null;
  const loose: number[] = [];
  for (const n of silent) {
    const inFolder = machines.filter(({ files }) =>
      files.some((each) => folderOf(readings[each]) === folderOf(readings[n])),
    );
    (inFolder.length === 1 ? inFolder[0]!.files : loose).push(n);
  }
  const nameOf = (n: number) => readings[n]?.files[0]?.name ?? '';
  return {
    machines: machines.map(({ traits, files }) => {
      const inOrder = files.toSorted((a, b) => a - b);
      return {
        board: traits.board,
        devices: traits.devices.length,
        files: inOrder,
        fileNames: inOrder.map(nameOf),
      };
    }),
    loose: loose.map(nameOf),
  };
}

/** Registers of single devices that came in one folder are one list. */
function unitsOf(readings: readonly FileReading[]): readonly Unit[] {
  const units = new Map<string, number[]>();
  for (const [n, { files }] of readings.entries()) {
    const path = files[0]?.name ?? '';
    const registers = files[0]?.kind === 'configSpace' ? CONFIG_PATH.exec(path) : null;
    const key = registers === null ? `file ${n}` : `registers ${path.slice(0, registers.index)}`;
    units.set(key, [...(units.get(key) ?? []), n]);
  }
  return [...units.values()].map((files) => ({
    files,
    traits: traitsOf(files.map((n) => readings[n]!)),
  }));
}

function traitsOf(readings: readonly FileReading[]): Traits {
  const functions = saidIn(readings, 'reports').flatMap(({ functions: told }) => told);
  const byAddress = new Map(functions.map((fn) => [fn.address, deviceId(fn)]));
  const firmware = believed(saidIn(readings, 'firmware'))?.reading;
  return {
    board: firmware === undefined ? null : boardWords(firmware),
    devices: [...byAddress.values()],
    addresses: new Set(byAddress.keys()),
    slots: (firmware?.slots ?? []).flatMap(({ usage, address }) =>
      usage === 'inUse' && address !== null && !NOWHERE.test(address) ? [address] : [],
    ),
    isWhole: readings.some(({ files }) => files[0]?.kind === 'bundle'),
  };
}

function boardWords({ board, system }: FirmwareReading): string | null {
  const { maker, product } = board.product === null ? system : board;
  return product === null ? null : [maker, product].filter((each) => each !== null).join(' ');
}

const says = ({ board, devices, slots, isWhole }: Traits): boolean =>
  board !== null || devices.length >= LEAST_DEVICES || slots.length >= LEAST_SLOTS || isWhole;

const contradicts = (a: Traits, b: Traits): boolean =>
  (a.isWhole && b.isWhole) ||
  (a.board !== null && b.board !== null && a.board !== b.board) ||
  otherDevices(a.devices, b.devices) ||
  knowsNoAddress(a, b) ||
  knowsNoAddress(b, a);

/**
 * Whether two lists of identities are mostly others; not said of short lists. Devices change their addresses when a card goes
 * in, so identities are compared, as many times as they occur.
 */
export function otherDevices(a: readonly string[], b: readonly string[]): boolean {
  const [shorter, longer] = a.length < b.length ? [a, b] : [b, a];
  if (shorter.length < LEAST_DEVICES) return false;
  const left = new Map<string, number>();
  for (const device of longer) left.set(device, (left.get(device) ?? 0) + 1);
  let common = 0;
  for (const device of shorter) {
    const count = left.get(device) ?? 0;
    if (count === 0) continue;
    left.set(device, count - 1);
    common += 1;
  }
  return common / shorter.length < SAME_SHARE;
}

const knowsNoAddress = ({ slots }: Traits, { addresses }: Traits): boolean =>
  slots.length >= LEAST_SLOTS &&
  addresses.size >= LEAST_DEVICES &&
  slots.every((address) => !addresses.has(address));

const together = (a: Traits, b: Traits): Traits => ({
  board: a.board ?? b.board,
  ...(a.devices.length < b.devices.length
    ? { devices: b.devices, addresses: b.addresses }
    : { devices: a.devices, addresses: a.addresses }),
  slots: a.slots.length === 0 ? b.slots : a.slots,
  isWhole: a.isWhole || b.isWhole,
});

const folderOf = (reading: FileReading | undefined): string => {
  const path = reading?.files[0]?.name ?? '';
  return path.slice(0, path.lastIndexOf('/') + 1);
};
