/**
 * The slow way to the driver that a system takes: every line of every package is written down with a key in letters, and the
 * least key is looked for. It shares nothing with the core's own way but the rules.
 */
import type { DeviceIdentities, TargetSystem } from '../../src/core/drivers/index.ts';
import type { PackageSpec, SectionSpec } from './inf';

export interface SlowAnswer {
  readonly package: number;
  readonly install: string;
  readonly identity: string;
}

const NUMBERS =
  /^NT(x86|amd64|arm64)?(?:\.(\d+)(?:\.(\d*)(?:\.(\d*)(?:\.(0x[0-9A-Fa-f]+|\d*)(?:\.(\d*))?)?)?)?)?$/;
const OF = { x86: 'x86-32', amd64: 'x86-64', arm64: 'arm64' } as const;
const digits = (value: number) => String(value).padStart(10, '0');

/** Higher letters for fewer systems; null where the system does not take it. */
function narrowness(decoration: string, system: TargetSystem): string | null {
  if (decoration === '') return system.architecture === 'x86-32' ? '-' : null;
  const [, arch, major = '', minor = '', product = '', suites = '', build = ''] =
    NUMBERS.exec(decoration) ?? [];
  if (
    arch === undefined
      ? system.architecture !== 'x86-32'
      : OF[arch as keyof typeof OF] !== system.architecture
  )
    return null;
  const wants = digits(Number(major || 0)) + digits(Number(minor || 0));
  const has = digits(system.major) + digits(system.minor);
  if (wants > has) return null;
  if (wants === has && build !== '' && Number(build) > (system.build ?? 0)) return null;
  if (product !== '' && Number(product) !== system.productType) return null;
  if (suites !== '' && (Number(suites) & ~(system.suites ?? 0)) !== 0) return null;
  const flag = (there: string) => (there === '' ? '0' : '1');
  return `~${wants}${digits(Number(build || 0))}${flag(product)}${flag(suites)}${flag(arch ?? '')}`;
}

export function slowDriver(
  packages: readonly PackageSpec[],
  device: DeviceIdentities,
  system: TargetSystem,
): SlowAnswer | null {
  let best: (SlowAnswer & { readonly key: string }) | null = null;
  for (const [n, spec] of packages.entries()) {
    for (const sections of spec.makers) {
      let counted: SectionSpec | null = null;
      for (const section of sections) {
        const own = narrowness(section.decoration, system);
        const so = counted === null ? null : narrowness(counted.decoration, system);
        if (own !== null && (so === null || own > so)) counted = section;
      }
      for (const { install, hardware, compatible } of counted?.models ?? []) {
        const { decoration, score } = spec.installs[install]!;
        const carried =
          decoration === '' || decoration === 'NT' || narrowness(decoration, system) !== null;
        if (!carried) continue;
        const names = [[hardware], compatible].map((list) =>
          list.map((each) => each.toUpperCase()),
        );
        for (const [d, own] of [device.hardware, device.compatible].entries())
          for (const [place, identity] of own.entries())
            for (const [p, named] of names.entries()) {
              if (!named.includes(identity)) continue;
              const newest = digits(99999999 - Number(spec.date.replaceAll('-', '')));
              const highest = spec.version.split('.').map((part) => digits(100000 - Number(part)));
              const key = [
                spec.signed ? 0 : 1,
                digits(score ?? 255),
                d,
                p,
                digits(place),
                newest,
                ...highest,
                // Equals: what comes first.
                digits(n),
              ].join(' ');
              if (best === null || key < best.key)
                best = { key, package: n, install: `Install${install}`, identity };
            }
      }
    }
  }
  return best;
}
