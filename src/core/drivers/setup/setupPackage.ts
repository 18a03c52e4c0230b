/** What a setup file says that its package drives: models by system, what is installed for each, and who vouches for it. */
import { memoOf } from '../../memo.ts';
import type { ProblemList } from '../../read/problem.ts';
import { linesIn, valueIn, type Inf, type InfLine } from '../../read/drivers/inf.ts';
import {
  compareTargets,
  readTarget,
  satisfies,
  type Satisfied,
  type Target,
  type TargetSystem,
} from './target.ts';

/** One line of a models section: the device, in the maker's words, and the identities it is known by. */
export interface Model {
  readonly description: string;
  /** The section that is carried out for it, without decoration. */
  readonly install: string;
  /** In capitals. Those of the device's own, of which there is one at most. */
  readonly hardwareIds: readonly string[];
  /** Those of devices that it is like. */
  readonly compatibleIds: readonly string[];
}

/** A maker's models, once for each kind of system they differ for. */
interface MakersModels {
  readonly maker: string;
  readonly sections: readonly ModelsSection[];
}

export interface ModelsSection {
  readonly name: string;
  /** Null: undecorated. */
  readonly target: Target | null;
  readonly models: readonly Model[];
}

export interface SetupPackage {
  readonly provider: string;
  readonly className: string;
  /** ISO date and four numbers; null where the file has none that can be read. */
  readonly release: { readonly date: string; readonly version: string } | null;
  /** It names a catalogue, by which a system can check who made it and that nothing was changed. */
  readonly hasCatalogue: boolean;
  readonly makers: readonly MakersModels[];
  /** Files that belong to it, by their own names: what it copies, and its catalogues. */
  readonly files: readonly string[];
  readonly inf: Inf;
}

export function readSetupPackage(inf: Inf, problems: ProblemList): SetupPackage | null {
  if (valueIn(inf, 'version', 'signature') === null) {
    problems.add({ code: 'setup.versionMissing' });
    return null;
  }
  const catalogues = linesIn(inf, 'version').filter(({ key }) =>
    key?.toLowerCase().startsWith('catalogfile'),
  );
  return {
    provider: valueIn(inf, 'version', 'provider') ?? '',
    className: valueIn(inf, 'version', 'class') ?? '',
    release: releaseOf(inf, problems),
    hasCatalogue: catalogues.some(({ values: [name = ''] }) => name !== ''),
    files: distinctBy(
      [
        ...catalogues.flatMap(({ values: [name = ''] }) => (name === '' ? [] : name)),
        ...sourceFiles(inf),
      ],
      String,
    ),
    makers: distinctBy(linesIn(inf, 'manufacturer'), ({ values: [base = ''] }) => base).map(
      (line) => modelsOf(line, inf, problems),
    ),
    inf,
  };
}

/** `[SourceDisksFiles]`, for any system: file = disk, folder, size. */
const sourceFiles = ({ sections }: Inf): readonly string[] =>
  [...sections].flatMap(([name, lines]) =>
    /^sourcedisksfiles(\.|$)/.test(name) ? lines.flatMap(({ key }) => key ?? []) : [],
  );

/** What names a section that another one named before adds nothing. Letters may be small or large. */
const distinctBy = <Each>(list: readonly Each[], nameOf: (each: Each) => string): readonly Each[] =>
  [
    ...new Map(list.toReversed().map((each) => [nameOf(each).toLowerCase(), each])).values(),
  ].toReversed();

/** “Maker = section, decoration …”; a line without a key names maker and section by one word. */
function modelsOf({ key, values, line }: InfLine, inf: Inf, problems: ProblemList): MakersModels {
  const [base = '', ...decorations] = values;
  const decorated = distinctBy(decorations, String).flatMap(
    (decoration): readonly ModelsSection[] => {
      const target = readTarget(decoration);
      if (target === null) problems.add({ code: 'setup.target', line, found: decoration });
      return target === null ? [] : sectionNamed(`${base}.${decoration}`, target, inf);
    },
  );
  return { maker: key ?? base, sections: [...sectionNamed(base, null, inf), ...decorated] };
}

const sectionNamed = (name: string, target: Target | null, inf: Inf): readonly ModelsSection[] =>
  inf.sections.has(name.toLowerCase()) ? [{ name, target, models: modelsIn(inf, name) }] : [];

const modelsIn = (inf: Inf, section: string): readonly Model[] =>
  linesIn(inf, section).flatMap(({ key, values: [install = '', hardware = '', ...compatible] }) =>
    key === null || install === ''
      ? []
      : [
          {
            description: key,
            install,
            hardwareIds: identities([hardware]),
            compatibleIds: identities(compatible),
          },
        ],
  );

const identities = (named: readonly string[]): readonly string[] =>
  named.filter((each) => each !== '').map((each) => each.toUpperCase());

/** `DriverVer = month/day/year, a.b.c.d`; dashes are written as well. */
function releaseOf(inf: Inf, problems: ProblemList): SetupPackage['release'] {
  const found = linesIn(inf, 'version').find(({ key }) => key?.toLowerCase() === 'driverver');
  if (found === undefined) return null;
  const [date = '', version = ''] = found.values;
  const [month, day, year] = date.split(/[/-]/).map((part) => Number(part.trim()));
  const isDate =
    month !== undefined &&
    day !== undefined &&
    year !== undefined &&
    month >= 1 &&
    month <= 12 &&
    day >= 1 &&
    day <= 31 &&
    year >= 1980 &&
    year <= 9999;
  const isVersion = version === '' || /^\d{1,5}(?:\.\d{1,5}){0,3}$/.test(version);
  if (!isDate || !isVersion) {
    problems.add({ code: 'setup.release', line: found.line, found: `${date},${version}` });
    return null;
  }
  const two = (part: number) => String(part).padStart(2, '0');
  return { date: `${year}-${two(month)}-${two(day)}`, version: version === '' ? '0' : version };
}

/** A section that a system takes, and whether that hangs on a fact that nobody told. */
interface Taken<Section> {
  readonly section: Section;
  readonly sure: boolean;
}

/**
 * The models section that counts, of one maker's: of those that the system satisfies the one for the fewest systems.
 * A 64-bit system takes no undecorated one. What it may or may not satisfy counts, and makes it unsure.
 */
export const modelsFor = (
  { makers }: SetupPackage,
  system: TargetSystem,
): readonly Taken<ModelsSection>[] =>
  makers.flatMap(({ sections }) => narrowest(sections, ({ target }) => target, system) ?? []);

function narrowest<Section>(
  sections: readonly Section[],
  targetOf: (section: Section) => Target | null,
  system: TargetSystem,
): Taken<Section> | null {
  const state = (section: Section): Satisfied => {
    const target = targetOf(section);
    if (target !== null) return satisfies(system, target);
    return system.architecture === 'x86-32' ? 'yes' : 'no';
  };
  const fitting = sections
    .map((section) => ({ section, state: state(section) }))
    .filter((each) => each.state !== 'no')
    .toSorted((a, b) => compareTargets(targetOf(b.section), targetOf(a.section)));
  const taken = fitting[0];
  return taken === undefined ? null : { section: taken.section, sure: taken.state === 'yes' };
}

/** What a system carries out for a model: its section, what starts with it, and how the maker rates its features. */
export interface Installing {
  readonly section: string;
  /** Names of services, the device's own first, each with when it starts. */
  readonly services: readonly { readonly name: string; readonly isDevices: boolean }[];
  /** 0 best, 255 where the maker says nothing. */
  readonly featureScore: number;
  /** Other setup files it draws on. */
  readonly includes: readonly string[];
}

const NO_FEATURES = 0xff;
const OF_THE_DEVICE = 0x2;

/** Sections that have a target in their name, by what stands before it. */
const decoratedSections = memoOf((inf: Inf) => {
  const byBase = new Map<string, { readonly name: string; readonly target: Target }[]>();
  for (const name of inf.sections.keys()) {
    const at = name.lastIndexOf('.nt');
    const target = at === -1 ? null : readTarget(name.slice(at + 1));
    if (target === null) continue;
    const base = name.slice(0, at);
    const of = byBase.get(base) ?? [];
    of.push({ name, target });
    byBase.set(base, of);
  }
  return byBase;
});

/** Decorated for the system as models are, then `.NT`, then plain; null where there is none of them. */
export function installingOf(
  { inf }: SetupPackage,
  install: string,
  system: TargetSystem,
): Installing | null {
  const base = install.toLowerCase();
  const decorated = (decoratedSections(inf).get(base) ?? []).map(({ name, target }) => ({
    name,
    target: anyArchitecture(target, system),
  }));
  const section =
    narrowest(decorated, ({ target }) => target, system)?.section.name ??
    (inf.sections.has(base) ? base : null);
  if (section === null) return null;
  const score = valueIn(inf, section, 'featurescore');
  return {
    section,
    services: linesIn(inf, `${section}.services`)
      .filter(({ key }) => key?.toLowerCase() === 'addservice')
      .flatMap(({ values: [name = '', flags = ''] }) =>
        name === '' ? [] : [{ name, isDevices: (flagsIn(flags) & OF_THE_DEVICE) !== 0 }],
      )
      .toSorted((a, b) => Number(b.isDevices) - Number(a.isDevices)),
    featureScore:
      score !== null && /^[0-9a-f]{1,2}$/i.test(score) ? parseInt(score, 16) : NO_FEATURES,
    includes: linesIn(inf, section).flatMap(({ key, values }) =>
      key?.toLowerCase() === 'include' ? values : [],
    ),
  };
}

/** Install sections may leave the architecture out on any system. */
const anyArchitecture = (target: Target, { architecture }: TargetSystem): Target =>
  target.architecture === null ? { ...target, architecture } : target;

const flagsIn = (text: string): number => (/^(?:0x)?[0-9a-f]{1,8}$/i.test(text) ? Number(text) : 0);
