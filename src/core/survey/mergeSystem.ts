/** What the evidence says of system, firmware, network and screens. */
import { OTHER_ON_BOARD } from '../standards/slotRecords.ts';
import { valueOf, type Fact, type Source } from '../parts/fact.ts';
import { MOST, MOST_PIXELS, clipped } from '../parts/limits.ts';
import type { Machine, Screen } from '../document/machine.ts';
import { addClaim } from './claims.ts';
import type { SystemFamily } from '../standards/systems.ts';
import type { Evidence } from '../read/evidence.ts';
import { upTo, type ProblemList } from '../read/problem.ts';
import type { ScreenReading } from '../read/screens/edid.ts';
import type { ReportedMode } from '../read/screens/modes.ts';
import { hdmiBitsPerSecond } from '../standards/screens.ts';

const heardBy =
  (source: Source) =>
  <Value>(before: Fact<Value>, value: Value | null | undefined): Fact<Value> =>
    value === null || value === undefined ? before : addClaim(before, value, source, 'wiring');

export function withFirmware(
  machine: Machine,
  { firmware, uefi }: Evidence,
  problems: ProblemList,
): Machine {
  const heard = heardBy('firmware');
  const kind = (is: boolean | null) => (is === null ? null : is ? 'uefi' : 'bios');
  const before = machine.firmware;
  // How the machine was started is what the system knows; the record says only what the firmware could do.
  const started = heardBy('system')(before.kind, kind(uefi));
  if (firmware === null) return { ...machine, firmware: { ...before, kind: started } };
  const { system, board } = firmware;
  const maker = system.maker ?? board.maker;
  const product = system.product ?? board.product;
  return {
    ...machine,
    name: machine.name === '' ? clipped([maker, product].filter(Boolean).join(' ')) : machine.name,
    firmware: {
      ...before,
      kind: started ?? heard(before.kind, kind(firmware.firmware.uefi)),
      version: heard(before.version, firmware.firmware.version),
      date: heard(before.date, firmware.firmware.date),
    },
    onBoard:
      firmware.onBoard.length === 0
        ? machine.onBoard
        : upTo(
            MOST.onBoard,
            firmware.onBoard.filter(({ enabled }) => enabled),
            'onBoard',
            problems,
          ).map(({ name, kind: what }) => ({ name, kind: what ?? OTHER_ON_BOARD })),
  };
}

/** A system that runs from a stick says nothing of the customer's own. */
export function withSystem(machine: Machine, evidence: Evidence): Machine {
  const { osName, kernel, live, secureBoot, deviceList, hardware } = evidence;
  const heard = heardBy('system');
  const before = machine.system;
  const secured = { ...before, secureBoot: heard(before.secureBoot, secureBoot) };
  const listed =
    deviceList !== null && deviceList.functions.length + deviceList.inTrouble.length > 0;
  if (listed) {
    const { name, version, build, architecture } = deviceList.system;
    return {
      ...machine,
      inTrouble: deviceList.inTrouble,
      system: {
        ...secured,
        family: heard<SystemFamily>(before.family, 'windows'),
        version: heard(before.version, version),
        architecture: heard(before.architecture, architecture),
        name: heard(before.name, name),
        build: heard(before.build, build),
      },
    };
  }
  if (hardware?.system != null) {
    const { name, version, build } = hardware.system;
    return {
      ...machine,
      system: {
        ...secured,
        family: heard<SystemFamily>(before.family, 'macos-like'),
        version: heard(before.version, version),
        name: heard(before.name, name),
        build: heard(before.build, build),
      },
    };
  }
  if (live || (kernel === null && osName === null)) return { ...machine, system: secured };
  return {
    ...machine,
    system: {
      ...secured,
      family: heard<SystemFamily>(before.family, kernel?.family ?? familyNamed(osName)),
      version: heard(before.version, kernel?.version),
      architecture: heard(before.architecture, kernel?.architecture),
      name: heard(before.name, osName),
      build: heard(before.build, kernel?.release),
    },
  };
}

/** A system that gives only its name is Linux, unless it says otherwise. */
const familyNamed = (osName: string | null): SystemFamily =>
  osName !== null && /BSD|DragonFly/.test(osName) ? 'bsd' : 'linux';

/** The port whose wire is up, the fastest of several. */
export function withNetwork(machine: Machine, { ports }: Evidence): Machine {
  const up = ports
    .filter(({ linked }) => linked === true)
    .toSorted((a, b) => (b.megabits ?? 0) - (a.megabits ?? 0))[0];
  if (up === undefined) return machine;
  const heard = heardBy('system');
  return {
    ...machine,
    path: {
      ...machine.path,
      ownMegabits: heard(machine.path.ownMegabits, up.megabits === 0 ? null : up.megabits),
      // Its partner is the first device on the way, whatever lies behind.
      hops: machine.path.hops.map((hop, n) =>
        n === 0 && up.farEndMegabits !== null
          ? { ...hop, portMegabits: heard(hop.portMegabits, [...up.farEndMegabits]) }
          : hop,
      ),
    },
  };
}

/** What copies start from, where all drives that were read are of one kind: of several kinds nobody knows which is meant. */
export function withOwnDrive(machine: Machine, { drives }: Evidence): Machine {
  const kinds = new Set(
    drives.map(({ medium, socket }) =>
      medium === 'hardDisk' ? 'disk' : socket === 'm2' ? 'nvme' : 'sata',
    ),
  );
  const [kind] = kinds;
  return kind === undefined || kinds.size > 1
    ? machine
    : {
        ...machine,
        path: { ...machine.path, ownDrive: heardBy('system')(machine.path.ownDrive, kind) },
      };
}

export function withScreens(
  machine: Machine,
  { screens }: Evidence,
  problems: ProblemList,
): Machine {
  const before = new Map(machine.screens.map((screen) => [screen.id, screen]));
  const copies = new Map<string, number>();
  const read = new Map<string, Screen>();
  for (const reading of screens) {
    const base = `${reading.maker.replace(/[^A-Z]/g, 'X')}-${reading.product.toString(16)}`;
    // Each tile of a screen reports; the second of the same tile is a second screen.
    const tile = `${base} ${reading.tiles?.column ?? 0} ${reading.tiles?.row ?? 0}`;
    const copy = (copies.get(tile) ?? 0) + 1;
    copies.set(tile, copy);
    const id = copy === 1 ? base : `${base}-${copy}`;
    if (!read.has(id)) read.set(id, screenOf(id, reading, before));
  }
  const kept = machine.screens.filter(({ id }) => !read.has(id));
  const all = [...kept, ...read.values()];
  return { ...machine, screens: upTo(MOST.screens, all, 'screens', problems) };
}

function screenOf(id: string, reading: ScreenReading, before: ReadonlyMap<string, Screen>): Screen {
  const heard = heardBy('screen');
  const was = before.get(id);
  const { across = 1, down = 1 } = reading.tiles ?? {};
  const carried = hdmiBitsPerSecond(reading.hdmiClockHz, reading.frlGigabits);
  const known = (modes: readonly ReportedMode[]) =>
    modes.filter(usable).slice(0, MOST.modes).map(modeOf);
  return {
    id,
    name: was?.name ?? reading.name ?? id,
    input: heard(was?.input ?? null, reading.input === 'digital' ? null : reading.input),
    otherInputs: was?.otherInputs ?? null,
    preferred: heard(was?.preferred ?? null, wholePicture(reading)),
    modes: known(reading.modes),
    halfColour: known(reading.halfColour),
    hdmiMegabits: carried === null ? null : Math.round(carried / 1e6),
    bitsPerColour: reading.bitsPerColour,
    tiles: { across, down },
  };
}

/** The mode that the screen wants to run at, all its tiles together. */
function wholePicture({ preferred, tiles }: ScreenReading): Screen['modes'][number] | null {
  if (preferred === null || !usable(preferred)) return null;
  const mode = modeOf(preferred);
  if (tiles?.widthPx !== mode.widthPx || tiles.heightPx !== mode.heightPx) return mode;
  const whole = { widthPx: mode.widthPx * tiles.across, heightPx: mode.heightPx * tiles.down };
  return Math.max(whole.widthPx, whole.heightPx) > MOST_PIXELS ? mode : { ...mode, ...whole };
}

/** No screen draws more often; a report that says so is damaged. */
const FASTEST_HZ = 2_000;

const usable = ({ interlaced, refreshHz }: ReportedMode): boolean =>
  !interlaced && refreshHz >= 1 && refreshHz <= FASTEST_HZ;

/** To the hundredth of a hertz, which is as exact as a person asks. */
const modeOf = ({ widthPx, heightPx, refreshHz }: ReportedMode) => ({
  widthPx,
  heightPx,
  refreshHz: Math.round(refreshHz * 100) / 100,
});

/** The best mode a screen reports: most pixels, then fastest. */
export function bestMode(screen: Screen): Screen['modes'][number] | null {
  const preferred = valueOf(screen.preferred);
  const all = [...screen.modes, ...(preferred === null ? [] : [preferred])];
  return (
    all.toSorted(
      (a, b) => b.widthPx * b.heightPx - a.widthPx * a.heightPx || b.refreshHz - a.refreshHz,
    )[0] ?? null
  );
}
