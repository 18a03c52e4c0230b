/** Which driver a system takes for a device, of all that is on offer; what that stands before, and why. */
import { memo, memoOf } from '../memo.ts';
import type { Card } from '../document/card.ts';
import {
  comesWithSystem,
  PLAIN_WAYS,
  type DriverPackage,
  type DriverWays,
} from '../document/driverPackage.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../document/machine.ts';
import { aliasKeys } from '../read/system/moduleAliases.ts';
import { classDriver, compareReleases, compareVersions } from './classDrivers.ts';
import { cardQuery, type DeviceQuery } from './deviceQuery.ts';
import { shellMatch } from './moduleMatching.ts';
import { rankedDrivers, rankOf, type IdentityMatch } from './setup/ranking.ts';
import { targetSystemOf } from './setup/target.ts';

/** The packages the driver library knows, or null while it cannot be reached. */
export type DriverLibrary = readonly DriverPackage[] | null;

/** Why one package is taken before another, the weightiest first. */
export type OutranksBy =
  /** It comes the way that is wanted: by the maker, with the system, in the card's box. */
  | 'source'
  /** The card is younger than the release that the maker recommends. */
  | 'cardIsNewer'
  /** It is the release that the maker recommends, and the other is only the newest. */
  | 'recommended'
  | 'signature'
  | 'features'
  | 'identifier'
  | 'date'
  | 'version';

interface Outranked {
  readonly package: DriverPackage;
  readonly by: OutranksBy;
}

export interface DriverChoice {
  /** Null where no package is for the device on this system. */
  readonly package: DriverPackage | null;
  /** The kind of driver the system brings for the device's class. */
  readonly ownDriver: string | null;
  /** What the system's own list will call the device, or the kernel's module; null where that is not known. */
  readonly listedAs: string | null;
  /** How closely a setup file names the device; null where something else decides. */
  readonly match: IdentityMatch | null;
  /** False where it hangs on a fact of the system that nobody told. */
  readonly sure: boolean;
  /** Others that are for the device, the next best first. */
  readonly outranks: readonly Outranked[];
}

export const NO_DRIVER: DriverChoice = {
  package: null,
  ownDriver: null,
  listedAs: null,
  match: null,
  sure: true,
  outranks: [],
};

interface Offer {
  readonly package: DriverPackage;
  readonly listedAs: string | null;
  readonly match: IdentityMatch | null;
  /** Signature, features and identifier, as a system counts them; lower comes first. */
  readonly rank: number;
  readonly date: string;
  readonly version: string;
  readonly sure: boolean;
}

/** Whether there is any driver for it. */
export const isDriven = ({ package: chosen, ownDriver }: DriverChoice): boolean =>
  chosen !== null || ownDriver !== null;

/** A choice that has to be fetched and installed. */
export const toInstall = ({ package: chosen }: DriverChoice): DriverPackage | null =>
  chosen === null || comesWithSystem(chosen) ? null : chosen;

export function chooseDriver(
  device: DeviceQuery,
  { system }: Pick<Machine, 'system'>,
  packages: readonly DriverPackage[],
  { source }: Pick<DriverWays, 'source'> = PLAIN_WAYS,
): DriverChoice {
  const known = memo(choices(packages)(system), source, () => new WeakMap());
  return memo(known, device, () => chosen(device, system, packages, source));
}

/** A fact of the machine that is none of its system leaves every choice as it was. */
const choices = memoOf<readonly DriverPackage[], (system: Machine['system']) => Choices>(() =>
  memoOf(() => new Map()),
);
type Choices = Map<DriverWays['source'], WeakMap<DeviceQuery, DriverChoice>>;

function chosen(
  device: DeviceQuery,
  system: Machine['system'],
  packages: readonly DriverPackage[],
  source: DriverWays['source'],
): DriverChoice {
  const ownDriver = device.class24 === null ? null : classDriver(device.class24, system);
  const offers = offersFor(device, system, packages);
  const compared = comparing(offers, device, source);
  const [best, ...others] = offers.toSorted((a, b) => compared(a, b).order);
  // Who lets the system find its driver takes the one for the class as well.
  const takesOwn = source === 'system' && ownDriver !== null && best?.package.channel !== 'system';
  if (best === undefined || takesOwn) {
    const outranked = best === undefined ? [] : [best, ...others];
    return {
      ...NO_DRIVER,
      ownDriver,
      outranks: outranked.map((each) => ({ package: each.package, by: 'source' })),
    };
  }
  return {
    package: best.package,
    ownDriver,
    listedAs: best.listedAs,
    match: best.match,
    sure: best.sure,
    outranks: others.map((other) => ({
      package: other.package,
      by: compared(best, other).by,
    })),
  };
}

const NONE: readonly DriverPackage[] = [];

/** @param library of which nothing is known while it cannot be reached */
export const driverForCard = (
  card: Card,
  machine: Pick<Machine, 'system'>,
  library: DriverLibrary,
  ways: Pick<DriverWays, 'source'> = PLAIN_WAYS,
): DriverChoice => chooseDriver(cardQuery(card), machine, library ?? NONE, ways);

/** Packages that are for any of these devices on the system, each once: the chosen ones and what they outrank. */
export function packagesFor(
  devices: readonly DeviceQuery[],
  { system }: Pick<Machine, 'system'>,
  packages: readonly DriverPackage[],
): readonly DriverPackage[] {
  const offered = devices.flatMap((device) => offersFor(device, system, packages));
  return [...new Set(offered.map((offer) => offer.package))];
}

const LIKED: Readonly<Record<DriverWays['source'], DriverPackage['channel'] | null>> = {
  maker: null,
  system: 'system',
  box: 'box',
};

/** Which of two offers comes first, and by what. */
type Compare = (a: Offer, b: Offer) => { readonly order: number; readonly by: OutranksBy };

function comparing(
  offers: readonly Offer[],
  { year }: DeviceQuery,
  source: DriverWays['source'],
): Compare {
  const recommended = offers.filter((each) => each.package.channel === 'recommended');
  // The year of a release that a maker recommended before the card was made says that it is not for it.
  const isYounger =
    year !== null &&
    recommended.length > 0 &&
    recommended.every((each) => year > Number(each.package.released.slice(0, 4)));
  const liked = (offer: Offer) => Number(offer.package.channel === LIKED[source]);
  const stale = isYounger ? 'recommended' : 'newest';
  const isStale = (offer: Offer) => Number(offer.package.channel === stale);
  const bits = (of: Offer, mask: number) => Math.floor(of.rank / mask) % 0x100;
  return (a, b) => {
    const by: readonly (readonly [OutranksBy, number])[] = [
      ['source', liked(b) - liked(a)],
      [isYounger ? 'cardIsNewer' : 'recommended', isStale(a) - isStale(b)],
      ['signature', bits(a, 0x1000000) - bits(b, 0x1000000)],
      ['features', bits(a, 0x10000) - bits(b, 0x10000)],
      ['identifier', (a.rank % 0x10000) - (b.rank % 0x10000)],
      ['date', b.date.localeCompare(a.date)],
      ['version', compareVersions(b.version, a.version)],
    ];
    const [reason, order] = by.find(([, difference]) => difference !== 0) ?? ['version', 0];
    return { order, by: reason };
  };
}

/** Packages by what they name literally; what names devices by maker or class only is asked for each. */
interface PackageIndex {
  readonly byId: ReadonlyMap<string, readonly DriverPackage[]>;
  readonly byAlias: ReadonlyMap<string, readonly DriverPackage[]>;
  readonly wide: readonly DriverPackage[];
}

/** A library is asked for a thousand cards, and never changes. */
const indexed = memoOf((packages: readonly DriverPackage[]): PackageIndex => {
  const byId = new Map<string, Set<DriverPackage>>();
  const byAlias = new Map<string, Set<DriverPackage>>();
  const wide = new Set<DriverPackage>();
  const put = (map: Map<string, Set<DriverPackage>>, key: string, each: DriverPackage) =>
    memo(map, key, () => new Set()).add(each);
  for (const each of packages) {
    const { says } = each;
    if (says.kind === 'listed') for (const named of says.deviceIds) put(byId, named, each);
    if (says.kind === 'modules')
      for (const { pattern } of says.aliases) {
        const [literal = ''] = aliasKeys(pattern);
        put(byAlias, literal, each);
      }
    if (says.kind === 'setup')
      for (const named of identitiesIn(each)) {
        const named24 = PCI_DEVICE.exec(named);
        if (named24 === null) wide.add(each);
        else put(byId, `${named24[1]}:${named24[2]}`.toLowerCase(), each);
      }
  }
  const lists = (map: ReadonlyMap<string, ReadonlySet<DriverPackage>>) =>
    new Map([...map].map(([key, set]) => [key, [...set]]));
  return { byId: lists(byId), byAlias: lists(byAlias), wide: [...wide] };
});

const PCI_DEVICE = /^PCI\\VEN_([0-9A-F]{4})&DEV_([0-9A-F]{4})/;

const identitiesIn = ({ says }: DriverPackage): readonly string[] =>
  says.kind !== 'setup'
    ? []
    : says.setup.makers.flatMap(({ sections }) =>
        sections.flatMap(({ models }) =>
          models.flatMap(({ hardwareIds, compatibleIds }) => [...hardwareIds, ...compatibleIds]),
        ),
      );

/** Whether a package names any of these devices (`vendor:device`), on whatever system. */
export function namesAny(of: DriverPackage, ids: ReadonlySet<string>): boolean {
  const { says } = of;
  if (says.kind === 'listed') return says.deviceIds.some((each) => ids.has(each));
  const literal =
    says.kind === 'setup'
      ? identitiesIn(of).map((each) => PCI_DEVICE.exec(each))
      : says.aliases.map(({ pattern }) => ALIAS_DEVICE.exec(pattern));
  return literal.some(
    (found) => found !== null && ids.has(`${found[1]}:${found[2]}`.toLowerCase()),
  );
}

const ALIAS_DEVICE = /^pci:v0000([0-9A-F]{4})d0000([0-9A-F]{4})/;

function offersFor(
  device: DeviceQuery,
  system: Machine['system'],
  packages: readonly DriverPackage[],
): readonly Offer[] {
  const { byId, byAlias, wide } = indexed(packages);
  const asked = new Set([
    ...(device.id === null ? [] : (byId.get(device.id) ?? [])),
    ...(device.modalias === null
      ? []
      : aliasKeys(device.modalias).flatMap((key) => byAlias.get(key) ?? [])),
    ...wide,
  ]);
  return [...asked].flatMap((each) => offerOf(each, device, system) ?? []);
}

function offerOf(of: DriverPackage, device: DeviceQuery, system: Machine['system']): Offer | null {
  const { says } = of;
  const stated = { package: of, match: null, date: of.released, version: of.version, sure: true };
  switch (says.kind) {
    case 'listed':
      return device.id !== null &&
        says.deviceIds.includes(device.id) &&
        servesSystem(says.systems, system)
        ? { ...stated, listedAs: null, rank: rankOfList(device) }
        : null;
    case 'modules': {
      const name = device.modalias;
      const module =
        name === null || !servesSystem(says.systems, system)
          ? undefined
          : says.aliases.find(({ pattern }) => shellMatch(pattern, name))?.module;
      return module === undefined ? null : { ...stated, listedAs: module, rank: 0 };
    }
    case 'setup': {
      const target = targetSystemOf({ system });
      const ranked =
        target === null ? undefined : rankedDrivers(device.identities, target, [says.setup])[0];
      return ranked === undefined
        ? null
        : {
            package: of,
            listedAs: ranked.model.description,
            match: ranked.match,
            rank: ranked.rank,
            date: says.setup.release?.date ?? of.released,
            version: says.setup.release?.version ?? of.version,
            sure: ranked.sure,
          };
    }
  }
}

/** What only a list is known of is taken for signed, without features, and to name the chip. */
function rankOfList({ identities: { hardware } }: DeviceQuery): number {
  const place = hardware.findIndex((each) => CHIP.test(each));
  const match = { identity: hardware[place] ?? '', isDevices: true, isPackages: true, place };
  return rankOf(match, { isSigned: true, featureScore: 0xff });
}

const CHIP = /&DEV_[0-9A-F]{4}$/;

function servesSystem(
  systems: Extract<DriverPackage['says'], { kind: 'listed' }>['systems'],
  { family, version, architecture }: Machine['system'],
): boolean {
  const release = valueOf(version);
  if (release === null) return false;
  return systems.some(
    (each) =>
      each.family === valueOf(family) &&
      each.architecture === valueOf(architecture) &&
      compareReleases(each.family, release, each.from) >= 0 &&
      (each.to === null || compareReleases(each.family, release, each.to) <= 0),
  );
}
