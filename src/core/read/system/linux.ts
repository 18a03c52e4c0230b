/** What a Linux system says of itself: os-release, uname, modules.alias, and its network ports. */
import type { Architecture } from '../../parts/machine.ts';
import { hex4, type PciFunction } from '../../parts/pciFunction.ts';
import { MOST, clipped } from '../../parts/limits.ts';
import { ETHERNET_MEGABITS } from '../../standards/ethernet.ts';
import { within, type ProblemList } from '../problem.ts';

/** Name of the system with its release, from os-release; null where the file names none. */
export function readOsRelease(input: string, problems: ProblemList): string | null {
  const fields = new Map<string, string>();
  for (const line of input.split('\n')) {
    const match = /^([A-Z0-9_]+)=(["']?)(.*?)\2$/.exec(line.trimEnd());
    if (match !== null) fields.set(match[1] ?? '', match[3] ?? '');
  }
  const name =
    fields.get('PRETTY_NAME') ?? [fields.get('NAME'), fields.get('VERSION_ID')].join(' ');
  if (name.trim() !== '') return clipped(name.trim());
  problems.add({ code: 'system.nameMissing', line: 1, expected: 'PRETTY_NAME' });
  return null;
}

export interface Kernel {
  /** The whole release, such as 6.1.0-18-amd64. */
  readonly release: string;
  /** Its first two numbers, by which drivers are chosen. */
  readonly version: string;
  readonly architecture: Architecture | null;
}

const ARCHITECTURES: readonly (readonly [RegExp, Architecture])[] = [
  [/\bx86_64\b/, 'x86-64'],
  [/\b(aarch64|arm64)\b/, 'arm64'],
  [/\bi[3-6]86\b/, 'x86-32'],
];

/** Reads what `uname -srm` or `uname -a` prints. */
export function readUname(input: string, problems: ProblemList): Kernel | null {
  for (const line of input.split('\n')) {
    // The name of the machine may stand before the release.
    const [system, ...words] = line.split(' ');
    const release = words.slice(0, 2).find((word) => RELEASE.test(word));
    if (system !== 'Linux' || release === undefined) continue;
    return {
      release: clipped(release),
      version: RELEASE.exec(release)?.[0] ?? '',
      architecture: ARCHITECTURES.find(([pattern]) => pattern.test(line))?.[1] ?? null,
    };
  }
  problems.add({ code: 'system.kernelMissing', line: 1, expected: 'Linux 6.1.0 … x86_64' });
  return null;
}

const RELEASE = /^\d{1,6}\.\d{1,6}/;

/** A device's name for driver matching. Source: the kernel's own pci modalias format (from memory; checked with kmod). */
export function modalias(fn: PciFunction): string {
  const code = (value: number) => `0000${hex4(value).toUpperCase()}`;
  const byte = (value: number) => value.toString(16).padStart(2, '0').toUpperCase();
  const { vendor, device } = fn.subsystem ?? { vendor: 0, device: 0 };
  return (
    `pci:v${code(fn.vendor)}d${code(fn.device)}sv${code(vendor)}sd${code(device)}` +
    `bc${byte(fn.classCode >> 8)}sc${byte(fn.classCode & 0xff)}i${byte(fn.programmingInterface)}`
  );
}

/** Patterns of one `modules.alias`, so laid out that a device is held against few of them, however many there are. */
export interface AliasList {
  readonly count: number;
  /** By what they say literally: vendor and device, or else vendor, or else class; or nothing of these. */
  readonly byKey: ReadonlyMap<string, readonly Alias[]>;
}
interface Alias {
  readonly pattern: string;
  readonly module: string;
  /** Its place in the list: what offers first is named first. */
  readonly order: number;
}

const ALIAS = /^alias (pci:\S+) (\S+)$/;
const VENDOR_DEVICE = /^pci:v[0-9A-F]{8}d[0-9A-F]{8}/;
const VENDOR = /^pci:v[0-9A-F]{8}/;
const CLASS = /bc[0-9A-F]{2}sc[0-9A-F]{2}/;
const KEYS = [VENDOR_DEVICE, VENDOR, CLASS] as const;
const NO_KEY = '';
/** Real patterns have some sixty letters, and a few dozen share a key. */
const LONGEST_PATTERN = 128;
const MOST_SHARING = 64;

const keyIn = (pattern: RegExp, text: string): string => pattern.exec(text)?.[0] ?? NO_KEY;

export function readModulesAlias(input: string, problems: ProblemList): AliasList {
  const byKey = new Map<string, Alias[]>();
  let count = 0;
  let tooMany = 0;
  for (const line of input.split('\n')) {
    const [, pattern = '', module = ''] = ALIAS.exec(line.trimEnd()) ?? [];
    if (pattern === '') continue;
    const key = KEYS.map((each) => keyIn(each, pattern)).find((each) => each !== NO_KEY) ?? NO_KEY;
    const sharing = byKey.get(key) ?? [];
    if (pattern.length > LONGEST_PATTERN || sharing.length === MOST_SHARING) {
      tooMany += 1;
      continue;
    }
    // The kernel's own name for a module has underscores.
    sharing.push({ pattern, module: clipped(module.replaceAll('-', '_')), order: count });
    byKey.set(key, sharing);
    count += 1;
  }
  if (tooMany > 0)
    problems.add({
      code: 'system.aliasesTooMany',
      line: 1,
      expected: `${MOST_SHARING}`,
      found: `${tooMany}`,
    });
  if (count === 0)
    problems.add({ code: 'system.aliasesMissing', line: 1, expected: 'alias pci:v… module' });
  return { count, byKey };
}

/** Modules that offer to drive a device, each once, in the order of the list. */
export function modulesFor(fn: PciFunction, { byKey }: AliasList): readonly string[] {
  const name = modalias(fn);
  const found = [...KEYS.map((each) => keyIn(each, name)), NO_KEY]
    .flatMap((key) => byKey.get(key) ?? [])
    .filter(({ pattern }) => shellMatch(pattern, name))
    .toSorted((a, b) => a.order - b.order);
  return [...new Set(found.map(({ module }) => module))].slice(0, MOST.modules);
}

/** Whether a shell pattern (`*`, `?`, `[…]`) matches a whole text; case counts. Source: POSIX fnmatch. */
export function shellMatch(pattern: string, text: string): boolean {
  let at = 0;
  let from = 0;
  // Where to go on when what follows the last star does not fit here.
  let starAt = -1;
  let starFrom = 0;
  while (from < text.length) {
    const step = pattern[at] === '*' ? null : oneMatches(pattern, at, text[from] ?? '');
    if (pattern[at] === '*') {
      starAt = at;
      starFrom = from;
      at += 1;
    } else if (step !== null) {
      at = step;
      from += 1;
    } else if (starAt !== -1) {
      at = starAt + 1;
      starFrom += 1;
      from = starFrom;
    } else return false;
  }
  while (pattern[at] === '*') at += 1;
  return at >= pattern.length;
}

/** Where the pattern goes on after matching one letter, or null where it does not match. */
function oneMatches(pattern: string, at: number, letter: string): number | null {
  const sign = pattern[at];
  if (sign === undefined) return null;
  if (sign === '?') return at + 1;
  const end = sign === '[' ? pattern.indexOf(']', at + 2) : -1;
  if (end === -1) return sign === letter ? at + 1 : null;
  const inside = pattern.slice(at + 1, end);
  const negated = inside.startsWith('!');
  let hit = false;
  for (let n = negated ? 1 : 0; n < inside.length; n += 1) {
    const low = inside[n] ?? '';
    if (inside[n + 1] === '-' && n + 2 < inside.length) {
      hit ||= letter >= low && letter <= (inside[n + 2] ?? '');
      n += 2;
    } else hit ||= letter === low;
  }
  return hit !== negated ? end + 1 : null;
}

export interface NetworkPort {
  readonly name: string;
  /** Null where the report does not say. */
  readonly linked: boolean | null;
  readonly megabits: number | null;
  /** Speeds the port itself knows. */
  readonly ableMegabits: readonly number[] | null;
  /** Speeds the far end offers. */
  readonly farEndMegabits: readonly number[] | null;
}

/** Reads what `ip -j link` prints: names and state of the network ports, the loop to itself left out. */
export function readIpLink(input: string, problems: ProblemList): readonly NetworkPort[] {
  let data: unknown;
  try {
    data = JSON.parse(input);
  } catch {
    data = null;
  }
  if (!Array.isArray(data)) {
    problems.add({ code: 'system.portsUnreadable', line: 1, expected: '[{"ifname": …}]' });
    return [];
  }
  return data.flatMap((each: unknown): readonly NetworkPort[] => {
    if (typeof each !== 'object' || each === null) return [];
    const { ifname, link_type, operstate } = each as Record<string, unknown>;
    if (typeof ifname !== 'string' || link_type !== 'ether') return [];
    const linked = operstate === 'UP' ? true : operstate === 'DOWN' ? false : null;
    return [{ ...unknownPort(ifname.slice(0, 64)), linked }];
  });
}

const unknownPort = (name: string): NetworkPort => ({
  name,
  linked: null,
  megabits: null,
  ableMegabits: null,
  farEndMegabits: null,
});

/** The fastest link that a survey holds. */
const MOST_MEGABITS = 1_000_000;
const LINK_MODE = /^(\d{1,7})base.*\/Full$/;

/** Reads what `ethtool PORT` prints, for one port or for several after another. */
export function readEthtool(input: string, problems: ProblemList): readonly NetworkPort[] {
  const ports: NetworkPort[] = [];
  for (const part of input.split(/^(?=Settings for )/m)) {
    const name = /^Settings for ([^\s:]+):/.exec(part)?.[1];
    if (name === undefined) continue;
    const lines = part.split('\n');
    const speed = /^[ \t]*Speed: (\d{1,9})Mb\/s/m.exec(part)?.[1];
    const detected = /^[ \t]*Link detected: (yes|no)/m.exec(part)?.[1];
    ports.push({
      name: name.slice(0, 64),
      linked: detected === undefined ? null : detected === 'yes',
      megabits: within(speed, [0, MOST_MEGABITS], { at: name.slice(0, 64) }, problems),
      ableMegabits: modesUnder('Supported link modes', lines),
      farEndMegabits: modesUnder('Link partner advertised link modes', lines),
    });
  }
  if (ports.length === 0)
    problems.add({ code: 'system.portsUnreadable', line: 1, expected: 'Settings for …:' });
  return ports;
}

/** The speeds of a list that goes on over several lines, each indented further than its heading. */
function modesUnder(heading: string, lines: readonly string[]): readonly number[] | null {
  const start = lines.findIndex((line) => line.trimStart().startsWith(`${heading}:`));
  if (start === -1) return null;
  const indent = indentOf(lines[start]!);
  const further = lines.slice(start + 1).findIndex((line) => indentOf(line) <= indent);
  const end = further === -1 ? lines.length : start + 1 + further;
  const all: readonly number[] = ETHERNET_MEGABITS;
  const words = lines.slice(start, end).flatMap((line) => line.trim().split(/\s+/));
  const speeds = words.map((word) => Number(LINK_MODE.exec(word)?.[1]));
  const known = [...new Set(speeds)].filter((speed) => all.includes(speed));
  return known.length === 0 ? null : known.toSorted((a, b) => a - b);
}

const indentOf = (line: string): number => line.length - line.trimStart().length;
