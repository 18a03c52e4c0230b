/**
 * For which systems a section of a setup file is: `NT[architecture][.major[.minor[.product type[.suites[.build]]]]]`.
 * Source: the published rules for models and install sections (from memory).
 */
import { valueOf } from '../../parts/fact.ts';
import type { Architecture, Machine } from '../../document/machine.ts';

export interface Target {
  /** Null: any, which only 32-bit systems take for models. */
  readonly architecture: Architecture | 'other' | null;
  readonly major: number | null;
  readonly minor: number | null;
  /** 1 a workstation, 2 a domain controller, 3 a server. */
  readonly productType: number | null;
  /** Bits that all have to be set. */
  readonly suites: number | null;
  readonly build: number | null;
}

/** What of a system decides; null where nobody told. */
export interface TargetSystem {
  readonly architecture: Architecture;
  readonly major: number;
  readonly minor: number;
  readonly productType: number | null;
  readonly suites: number | null;
  readonly build: number | null;
  /** Where only the release is known: its first build and its last. */
  readonly leastBuild?: number;
  readonly mostBuild?: number;
}

const ARCHITECTURES: Readonly<Record<string, Architecture | 'other'>> = {
  x86: 'x86-32',
  amd64: 'x86-64',
  arm64: 'arm64',
  arm: 'other',
  ia64: 'other',
};

/** @returns null for what is no decoration */
export function readTarget(decoration: string): Target | null {
  const [head = '', ...numbers] = decoration.trim().toLowerCase().split('.');
  if (!head.startsWith('nt') || numbers.length > 5) return null;
  const named = head.slice(2);
  const architecture = named === '' ? null : ARCHITECTURES[named];
  if (architecture === undefined) return null;
  const read = numbers.map(numberIn);
  if (read.includes(undefined)) return null;
  const [major = null, minor = null, productType = null, suites = null, build = null] =
    read as readonly (number | null)[];
  return { architecture, major, minor, productType, suites, build };
}

/** Decimal, or hexadecimal after 0x; null where the place is left empty. */
function numberIn(text: string): number | null | undefined {
  if (text === '') return null;
  if (/^\d{1,9}$/.test(text)) return Number(text);
  return /^0x[0-9a-f]{1,7}$/.test(text) ? parseInt(text.slice(2), 16) : undefined;
}

/** `unknown` where a fact of the system that is not known decides. */
export type Satisfied = 'yes' | 'no' | 'unknown';

export function satisfies(system: TargetSystem, target: Target): Satisfied {
  const { architecture, productType, suites } = target;
  const isOfIt =
    architecture === system.architecture ||
    (architecture === null && system.architecture === 'x86-32');
  if (!isOfIt || compareNumbers(versionOf(target), versionOf(system)) > 0) return 'no';
  const asked = [
    sameVersion(target, system) ? atLeast(target.build, system) : 'yes',
    equal(productType, system.productType),
    suites === null || suites === 0
      ? 'yes'
      : system.suites === null
        ? 'unknown'
        : (system.suites & suites) === suites
          ? 'yes'
          : 'no',
  ] as const;
  if (asked.includes('no')) return 'no';
  return asked.includes('unknown') ? 'unknown' : 'yes';
}

function atLeast(
  wanted: number | null,
  { build, leastBuild = 0, mostBuild = Infinity }: TargetSystem,
): Satisfied {
  if ((wanted ?? 0) <= (build ?? leastBuild)) return 'yes';
  return build === null && (wanted ?? 0) <= mostBuild ? 'unknown' : 'no';
}

const equal = (wanted: number | null, there: number | null): Satisfied =>
  wanted === null || wanted === 0
    ? 'yes'
    : there === null
      ? 'unknown'
      : there === wanted
        ? 'yes'
        : 'no';

const versionOf = ({ major, minor }: Pick<Target, 'major' | 'minor'>) => [major ?? 0, minor ?? 0];

const sameVersion = (target: Target, system: TargetSystem): boolean =>
  target.major === system.major && (target.minor ?? 0) === system.minor;

/** Positive where `a` is for fewer systems: a higher version, then a higher build, then what names product and suites. */
export function compareTargets(a: Target | null, b: Target | null): number {
  const order = (target: Target | null) =>
    target === null
      ? [-1]
      : [
          target.major ?? 0,
          target.minor ?? 0,
          target.build ?? 0,
          target.productType === null ? 0 : 1,
          target.suites === null ? 0 : 1,
          target.architecture === null ? 0 : 1,
        ];
  return compareNumbers(order(a), order(b));
}

function compareNumbers(a: readonly number[], b: readonly number[]): number {
  for (let n = 0; n < Math.max(a.length, b.length); n += 1) {
    const difference = (a[n] ?? 0) - (b[n] ?? 0);
    if (difference !== 0) return difference;
  }
  return 0;
}

/** Releases by the name they are sold under, and the version and the builds they give. From memory. */
const RELEASES: Readonly<
  Record<string, readonly [major: number, minor: number, least?: number, most?: number]>
> = {
  XP: [5, 1],
  Vista: [6, 0],
  '7': [6, 1],
  '8': [6, 2],
  '8.1': [6, 3],
  '10': [10, 0, 10_240, 21_999],
  '11': [10, 0, 22_000],
};

/** Null where the machine runs no system that takes setup files, or its release or architecture is not known. */
export function targetSystemOf({ system }: Pick<Machine, 'system'>): TargetSystem | null {
  const [release, architecture] = [valueOf(system.version), valueOf(system.architecture)];
  if (valueOf(system.family) !== 'windows' || release === null || architecture === null)
    return null;
  const [major, minor, leastBuild = 0, mostBuild = Infinity] =
    RELEASES[release] ?? release.split('.').map(Number);
  if (major === undefined || Number.isNaN(major)) return null;
  const told = Number(/\d{4,}/.exec(valueOf(system.build) ?? '')?.[0] ?? Number.NaN);
  return {
    architecture,
    major,
    minor: minor ?? 0,
    productType: null,
    suites: null,
    build: Number.isNaN(told) ? null : told,
    leastBuild,
    mostBuild,
  };
}
