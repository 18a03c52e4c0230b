/** What a Linux or BSD system says of itself: os-release, uname, and its network ports. */
import { itemAt } from '../../units.ts';
import type { Architecture } from '../../document/machine.ts';
import { clipped } from '../../parts/limits.ts';
import { ownValue } from '../../paths.ts';
import { ETHERNET_MEGABITS } from '../../standards/ethernet.ts';
import type { SystemFamily } from '../../standards/systems.ts';
import { within, type ProblemList } from '../problem.ts';
import { one, pairs, type TextReader } from '../reader.ts';

export const osRelease = {
  kind: 'osRelease',
  head: [/^PRETTY_NAME=|^VERSION_ID=/m],
  read(text, problems) {
    const osNames = one(readOsRelease(text, problems));
    return { found: osNames.length, says: { osNames } };
  },
} satisfies TextReader;

export const uname = {
  kind: 'uname',
  head: [/^(?:Linux|FreeBSD|NetBSD|OpenBSD|DragonFly) (?:\S+ )?\d+\.\d+/m],
  read(text, problems) {
    const kernels = one(readUname(text, problems));
    return { found: kernels.length, says: { kernels } };
  },
} satisfies TextReader;

export const ethtool = {
  kind: 'ethtool',
  head: [/^Settings for \S+:/m],
  read(text, problems) {
    const ports = readEthtool(text, problems);
    return { found: ports.length, says: { ports } };
  },
} satisfies TextReader;

export const ipLink = {
  kind: 'ipLink',
  head: [/"ifname"\s*:/],
  read(text, problems) {
    const ports = readIpLink(text, problems);
    return { found: ports.length, says: { ports } };
  },
} satisfies TextReader;

/** Which driver holds which device: a part of the survey script's file. */
export const loadedDrivers = {
  kind: 'loadedDrivers',
  name: /(^|\/|› )loaded-drivers$/,
  read(text) {
    const loaded = pairs(text, ' ');
    return { found: loaded.size, says: { loaded: [loaded] } };
  },
} satisfies TextReader;

/** How the machine was started: a part of the survey script's file. */
export const systemFacts = {
  kind: 'systemFacts',
  name: /(^|\/|› )system-facts$/,
  read(text) {
    const facts = pairs(text, '=');
    return { found: facts.size, says: { facts: [facts] } };
  },
} satisfies TextReader;

/** Name of the system with its release, from os-release; null where the file names none. */
function readOsRelease(input: string, problems: ProblemList): string | null {
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
  readonly family: SystemFamily;
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
  // As BSD calls it; in the name of a Linux kernel it says less than what stands behind it.
  [/\bamd64\b/, 'x86-64'],
];

/** What kernels call themselves. */
const FAMILIES: Readonly<Record<string, SystemFamily>> = {
  Linux: 'linux',
  FreeBSD: 'bsd',
  NetBSD: 'bsd',
  OpenBSD: 'bsd',
  DragonFly: 'bsd',
};

/** Reads what `uname -srm` or `uname -a` prints. */
function readUname(input: string, problems: ProblemList): Kernel | null {
  for (const line of input.split('\n')) {
    // The name of the machine may stand before the release.
    const [system, ...words] = line.split(' ');
    const release = words.slice(0, 2).find((word) => RELEASE.test(word));
    const family = ownValue(FAMILIES, system);
    if (family === undefined || release === undefined) continue;
    return {
      family,
      release: clipped(release),
      version: RELEASE.exec(release)?.[0] ?? '',
      architecture: ARCHITECTURES.find(([pattern]) => pattern.test(line))?.[1] ?? null,
    };
  }
  problems.add({ code: 'system.kernelMissing', line: 1, expected: 'Linux 6.1.0 … x86_64' });
  return null;
}

const RELEASE = /^\d{1,6}\.\d{1,6}/;

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
  const indent = indentOf(itemAt(lines, start));
  const further = lines.slice(start + 1).findIndex((line) => indentOf(line) <= indent);
  const end = further === -1 ? lines.length : start + 1 + further;
  const all: readonly number[] = ETHERNET_MEGABITS;
  const words = lines.slice(start, end).flatMap((line) => line.trim().split(/\s+/));
  const speeds = words.map((word) => Number(LINK_MODE.exec(word)?.[1]));
  const known = [...new Set(speeds)].filter((speed) => all.includes(speed));
  return known.length === 0 ? null : known.toSorted((a, b) => a - b);
}

const indentOf = (line: string): number => line.length - line.trimStart().length;
