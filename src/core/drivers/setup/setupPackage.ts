/** Reads what a setup file says that its package drives: models by system, what is installed for each, who vouches for it. */
import type { ProblemList } from '../../read/problem.ts';
import { linesIn, valueIn, type Inf, type InfLine } from '../../read/drivers/inf.ts';
import type {
  Installing,
  Model,
  ModelsSection,
  Saying,
  SetupPackage,
} from '../../document/driverPackage.ts';
import { readTarget } from './target.ts';

/** A setup file as it was read. */
export interface SetupReading extends SetupPackage {
  /** Files that belong to it, by their own names: what it copies, and its catalogues. */
  readonly files: readonly string[];
}

export function readSetupPackage(inf: Inf, problems: ProblemList): SetupReading | null {
  if (valueIn(inf, 'version', 'signature') === null) {
    problems.add({ code: 'setup.versionMissing' });
    return null;
  }
  const catalogues = linesIn(inf, 'version').filter(({ key }) =>
    key?.toLowerCase().startsWith('catalogfile'),
  );
  const release = releaseOf(inf, problems);
  const makers = distinctBy(linesIn(inf, 'manufacturer'), ({ values: [base = ''] }) => base).map(
    (line) => modelsOf(line, inf, problems),
  );
  return {
    provider: valueIn(inf, 'version', 'provider') ?? '',
    className: valueIn(inf, 'version', 'class') ?? '',
    release,
    hasCatalogue: catalogues.some(({ values: [name = ''] }) => name !== ''),
    files: distinctBy(
      [
        ...catalogues.flatMap(({ values: [name = ''] }) => (name === '' ? [] : name)),
        ...sourceFiles(inf),
      ],
      String,
    ),
    makers,
    installs: installsOf(makers, inf),
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
function modelsOf({ key, values, line }: InfLine, inf: Inf, problems: ProblemList) {
  const [base = '', ...decorations] = values;
  const decorated = distinctBy(decorations, String).flatMap(
    (decoration): readonly ModelsSection[] => {
      const isTarget = readTarget(decoration) !== null;
      if (!isTarget) problems.add({ code: 'setup.target', line, found: decoration });
      return isTarget ? sectionNamed(`${base}.${decoration}`, decoration, inf) : [];
    },
  );
  return { maker: key ?? base, sections: [...sectionNamed(base, null, inf), ...decorated] };
}

const sectionNamed = (
  name: string,
  decoration: string | null,
  inf: Inf,
): readonly ModelsSection[] =>
  inf.sections.has(name.toLowerCase()) ? [{ name, decoration, models: modelsIn(inf, name) }] : [];

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

const NO_FEATURES = 0xff;
const OF_THE_DEVICE = 0x2;

/** Every section that some model names, plain and for each kind of system. */
function installsOf(makers: SetupPackage['makers'], inf: Inf): readonly Installing[] {
  const named = new Set(
    makers.flatMap(({ sections }) =>
      sections.flatMap(({ models }) => models.map(({ install }) => install.toLowerCase())),
    ),
  );
  return [...inf.sections.keys()].flatMap((section): readonly Installing[] => {
    const at = section.lastIndexOf('.nt');
    const [of, decoration] =
      at === -1 ? [section, null] : [section.slice(0, at), section.slice(at + 1)];
    return [
      ...(named.has(of) && (decoration === null || readTarget(decoration) !== null)
        ? [installingIn(inf, section, of, decoration)]
        : []),
      // A model may name a section by all of its name.
      ...(decoration !== null && named.has(section)
        ? [installingIn(inf, section, section, null)]
        : []),
    ];
  });
}

function installingIn(
  inf: Inf,
  section: string,
  of: string,
  decoration: string | null,
): Installing {
  const score = valueIn(inf, section, 'featurescore');
  return {
    of,
    decoration,
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

const flagsIn = (text: string): number => (/^(?:0x)?[0-9a-f]{1,8}$/i.test(text) ? Number(text) : 0);

/** As it is kept with a job or served by a library: its files are counted beside it. */
export const setupSaying = ({
  provider,
  className,
  release,
  hasCatalogue,
  makers,
  installs,
}: SetupPackage): Saying => ({
  kind: 'setup',
  setup: { provider, className, release, hasCatalogue, makers, installs },
});
