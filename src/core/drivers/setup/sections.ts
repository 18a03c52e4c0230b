/** Which sections of a setup file a system takes: of those that it satisfies, the one for the fewest systems. */
import { memo, memoOf } from '../../memo.ts';
import type { Installing, ModelsSection, SetupPackage } from '../../document/driverPackage.ts';
import { compareTargets, readTarget, satisfies, type Target, type TargetSystem } from './target.ts';

/** A section that a system takes, and whether that hangs on a fact that nobody told. */
interface Selected<Section> {
  readonly section: Section;
  readonly sure: boolean;
}

const targetOf = memoOf(({ decoration }: Pick<ModelsSection, 'decoration'>): Target | null =>
  decoration === null ? null : readTarget(decoration),
);

/**
 * The models section that counts, of one maker's: of those that the system satisfies the one for the fewest systems.
 * A 64-bit system takes no undecorated one. What it may or may not satisfy counts, and makes it unsure.
 */
export const modelsFor = (
  { makers }: Pick<SetupPackage, 'makers'>,
  system: TargetSystem,
): readonly Selected<ModelsSection>[] =>
  makers.flatMap(({ sections }) => narrowest(sections, targetOf, system) ?? []);

function narrowest<Section>(
  sections: readonly Section[],
  target: (section: Section) => Target | null,
  system: TargetSystem,
): Selected<Section> | null {
  let best: {
    readonly section: Section;
    readonly of: Target | null;
    readonly sure: boolean;
  } | null = null;
  for (const section of sections) {
    const of = target(section);
    const state =
      of !== null ? satisfies(system, of) : system.architecture === 'x86-32' ? 'yes' : 'no';
    if (state !== 'no' && (best === null || compareTargets(of, best.of) > 0))
      best = { section, of, sure: state === 'yes' };
  }
  return best;
}

/** Sections by the name that models give them: a device may be named by thousands of models. */
const byName = memoOf(({ installs }: Pick<SetupPackage, 'installs'>) => {
  const named = new Map<string, Installing[]>();
  for (const each of installs) memo(named, each.of, () => []).push(each);
  return named;
});

/** Decorated for the system as models are, then `.NT`, then plain; null where there is none of them. */
export function installingOf(
  setup: Pick<SetupPackage, 'installs'>,
  install: string,
  system: TargetSystem,
): Installing | null {
  const named = byName(setup).get(install.toLowerCase()) ?? [];
  const decorated = named.filter(({ decoration }) => decoration !== null);
  return (
    narrowest(decorated, (each) => anyArchitecture(targetOf(each), system), system)?.section ??
    named.find(({ decoration }) => decoration === null) ??
    null
  );
}

/** Install sections may leave the architecture out on any system. */
const anyArchitecture = (target: Target | null, { architecture }: TargetSystem): Target | null =>
  target?.architecture === null ? { ...target, architecture } : target;
