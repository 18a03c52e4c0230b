/** Steps about drivers: what goes first, what is installed for each device, what is set, and what shows that it holds. */
import { networkSettings } from '../kinds/network/settings.ts';
import { drivePorts } from '../kinds/drives/ports.ts';
import { actWord } from '../document/act.ts';
import {
  assemblyOf,
  newCardsOf,
  packagesOf,
  type AssembledCard,
  type Assembly,
} from '../assembly/assembly.ts';
import { roundsOf, type Round } from '../assembly/rounds.ts';
import { withSecondSystem } from '../document/machine.ts';
import { driverTargets, oldDrivers, type DriverTarget } from '../assembly/driverTargets.ts';
import { driverForCard, toInstall } from '../drivers/chooseDriver.ts';
import { withoutNumber } from '../parts/pciFunction.ts';
import type { DriverPackage, DriverWays } from '../document/driverPackage.ts';
import { valueOf } from '../parts/fact.ts';
import type { Job } from '../document/job.ts';
import { deviceId } from '../parts/pciFunction.ts';
import { NO_CARD, countedByFirmware, drivesAllotted } from './fitting/drivesOnCards.ts';
import {
  cardAt,
  keyed,
  plainStep,
  step,
  type CardAt,
  type Draft,
  type StepValues,
} from './step.ts';
import type { NetworkSetting } from '../kinds/network/settings.ts';

/** It goes in before the card does. */
export const isInstalledFirst = ({ order }: DriverPackage): boolean => order === 'driver-first';

/** How a package is installed the way that is wanted. */
export function installing(
  { title, version, channel, installer }: DriverPackage,
  { installation }: DriverWays,
): StepValues['installFirst'] {
  const { typicalAdds = [], expressAdds = [] } = installer ?? {};
  return {
    title,
    version,
    from: channel,
    installation,
    adds: {
      driverOnly: [],
      typical: typicalAdds,
      express: [...typicalAdds, ...expressAdds],
    }[installation],
    restarts: installer?.restarts ?? null,
    flickers: installer?.flickers ?? false,
    goesOn: installer?.goesOn ?? false,
    hasCleanOption: installer?.hasCleanOption ?? false,
  };
}

/** Old drivers go while the machine is off-line, so that the system does not bring one back meanwhile. */
export function removing(job: Job): readonly Draft[] {
  const old = oldDrivers(job);
  if (old.length === 0) return [];
  return [
    plainStep('takeOffline'),
    ...old.flatMap(({ id, name, driver, device, how, because }): readonly Draft[] => [
      ...(device === 'network'
        ? [step('undoTeam', { device: name }, { on: { device: actWord(withoutNumber(id)) } })]
        : []),
      step(
        'removeOldDriver',
        { device: name, driver, how, because, isDisplay: device === 'display' },
        { on: { device: actWord(withoutNumber(id)) } },
      ),
    ]),
  ];
}

/** The stage of drivers: cards as they sit, then devices of the machine, then what is set. Of a second round, its cards only. */
export function drivers(job: Job, { number, assembly }: Omit<Round, 'job'>): readonly Draft[] {
  const ways = job.driverWays;
  const isFirst = number === 1;
  const family = valueOf(assembly.machine.system.family);
  const byCard = new Map(driverTargets(job).map((target) => [target.id, target]));
  const cards = newCardsOf(assembly).flatMap((each): readonly Draft[] => {
    if (isPassive(each))
      return [
        step(
          'checkDrives',
          { ...cardAt(each), count: drivesOn(each), isPassive: true },
          keyed(each),
        ),
      ];
    const target = byCard.get(each.slot.id);
    return [
      step(
        'checkDevice',
        {
          ...cardAt(each),
          identity: deviceId(each.card.ids),
          family,
          listedAs: each.driver.listedAs ?? each.card.chip,
        },
        keyed(each),
      ),
      ...(target === undefined ? [] : installingFor(target, cardAt(each), keyed(each), ways)),
      ...drivesUnseen(each, assembly),
    ];
  });
  const devices = [...byCard.values()].flatMap((target) =>
    isFirst && target.card === null && target.wanted !== null
      ? installingFor(
          target,
          { card: target.name, slot: '', enclosure: '' },
          { on: { device: actWord(withoutNumber(target.id)) }, deviceId: target.id },
          ways,
        )
      : [],
  );
  // What the first round installed drives the cards of the second as well.
  const before = new Set(
    assembly.earlier.cards.flatMap(({ slot }) => {
      const target = byCard.get(slot.id);
      const chosen = target === undefined ? null : toInstall(target.choice);
      return chosen === null ? [] : `${chosen.title} ${chosen.version}`;
    }),
  );
  const isNew = (each: Draft) =>
    each.code !== 'installDriver' || !before.has(`${each.values.title} ${each.values.version}`);
  const installed = onceEach([...cards, ...devices].filter(isNew));
  const second = newCardsOf(assembly).flatMap((each) => onSecondSystem(each, job, assembly));
  const removed = isFirst && ways.removal === 'after' ? removing(job) : [];
  const isOffline = isFirst && oldDrivers(job).length > 0;
  return [
    ...removed,
    ...installed,
    ...restarting(installed),
    ...afterRestart(installed),
    ...(isOffline ? [plainStep('backOnline')] : []),
    ...second,
    ...settings(newCardsOf(assembly), (setting) => setting !== 'team'),
    // Cards work as one once all of them are in.
    ...(roundsOf(job).length === number
      ? onceEach(settings(newCardsOf(assemblyOf(job)), (setting) => setting === 'team'))
      : []),
    ...preparingDrives(assembly),
  ];
}

/** Drives that the firmware does not list are counted in the system. */
function drivesUnseen(each: AssembledCard, assembly: Assembly): readonly Draft[] {
  const count = drivesAllotted(newCardsOf(assembly), assembly)
    .filter((drives) => drives.each === each && !drives.toBoard && !countedByFirmware(drives))
    .reduce((sum, drives) => sum + drives.count, 0);
  return count === 0
    ? []
    : [step('checkDrives', { ...cardAt(each), count, isPassive: false }, keyed(each))];
}

/** One installation, and one team, serve all cards that want the same. */
function onceEach(drafts: readonly Draft[]): readonly Draft[] {
  const first = new Map<string, number>();
  const also = new Map<number, CardAt[]>();
  const kept = drafts.filter((each, n) => {
    const same =
      each.code === 'installDriver'
        ? `${each.values.title} ${each.values.version}`
        : each.code === 'setNetwork' && each.values.setting === 'team'
          ? 'team'
          : null;
    if (same === null) return true;
    const at = first.get(same);
    if (at === undefined) {
      first.set(same, n);
      also.set(n, []);
      return true;
    }
    const { card, slot, enclosure } = each.values as CardAt;
    also.get(at)?.push({ card, slot, enclosure });
    return false;
  });
  return kept.map((each) => {
    const alsoFor = also.get(drafts.indexOf(each)) ?? [];
    return alsoFor.length === 0
      ? each
      : ({ ...each, values: { ...each.values, alsoFor } } as Draft);
  });
}

/** What takes a card on the other system that the machine is started with. */
function onSecondSystem(each: AssembledCard, job: Job, { machine }: Assembly): readonly Draft[] {
  const other = withSecondSystem(machine);
  if (other === null || isPassive(each)) return [];
  const { package: best, ownDriver } = driverForCard(
    each.card,
    other,
    packagesOf(job),
    job.driverWays,
  );
  const driver = best === null ? ownDriver : `${best.title} ${best.version}`;
  return [
    step(
      'secondSystem',
      { ...cardAt(each), family: valueOf(other.system.family), driver },
      keyed(each),
    ),
  ];
}

/** A carrier without a switch is no device: only the drives on it are. */
const isPassive = ({ card }: AssembledCard): boolean => card.needsSplit;
const drivesOn = ({ card }: AssembledCard): number => drivePorts(card.delivers);

type Key = Parameters<typeof step>[2];

function installingFor(
  { choice, name }: DriverTarget,
  at: CardAt,
  key: NonNullable<Key>,
  ways: DriverWays,
): readonly Draft[] {
  const chosen = toInstall(choice);
  const { package: best, ownDriver, listedAs } = choice;
  if (chosen === null) {
    const driver = best?.title ?? ownDriver;
    return [
      driver === null
        ? step('installFound', at, key)
        : step('ownDriver', { ...at, driver, isFound: ways.source === 'system' }, key),
      ...firmwareOf(best, at, key),
    ];
  }
  const { bootParameter } = chosen;
  return [
    // It was installed before the card went in.
    ...(isInstalledFirst(chosen) && at.slot !== ''
      ? []
      : [
          step(
            'installDriver',
            { ...at, ...installing(chosen, ways), listedAs: listedAs ?? name, alsoFor: [] },
            key,
          ),
        ]),
    ...firmwareOf(chosen, at, key),
    ...(bootParameter === null
      ? []
      : [plainStep('copyBoot', key), step('editBoot', { ...at, parameter: bootParameter }, key)]),
  ];
}

const firmwareOf = (
  of: DriverPackage | null,
  at: CardAt,
  key: NonNullable<Key>,
): readonly Draft[] =>
  of?.firmware?.how === 'loaded'
    ? [step('checkFirmware', { ...at, name: of.firmware.name }, key)]
    : [];

/** Only where an installer asks for it, or nobody says that it does not; and for what a boot loader hands over. */
function restarting(drafts: readonly Draft[]): readonly Draft[] {
  const times = drafts.map((each) =>
    each.code === 'installDriver' ? (each.values.restarts ?? 1) : each.code === 'editBoot' ? 1 : 0,
  );
  const most = Math.max(0, ...times);
  return most === 0 ? [] : [step('restart', { times: most })];
}

/** What was edited for a card or a device is read back. */
const afterRestart = (drafts: readonly Draft[]): readonly Draft[] =>
  drafts.flatMap(({ code, values, slotId, deviceId: of, on }) =>
    code === 'editBoot'
      ? [
          step('readBoot', values, {
            ...(slotId === null ? {} : { slotId }),
            ...(of === null ? {} : { deviceId: of }),
            on,
          }),
        ]
      : [],
  );

/** What a network card is set to for the needs that it serves. */
const settings = (
  cards: readonly AssembledCard[],
  isAsked: (setting: NetworkSetting) => boolean,
): readonly Draft[] =>
  cards.flatMap((each) => {
    const found = networkSettings(
      each.card.delivers,
      each.flows.map(({ need }) => need),
    );
    if (found === null) return [];
    const { megabits, settings: wanted } = found;
    return wanted
      .filter(isAsked)
      .map((setting) =>
        step(
          'setNetwork',
          { ...cardAt(each), setting, megabits, alsoFor: [] },
          { slotId: each.slot.id, on: { slot: each.slot.id, what: setting } },
        ),
      );
  });

/** Drives that a need asks to be ready for use: of each card, and of the board's own ports. */
const preparingDrives = (assembly: Assembly): readonly Draft[] =>
  drivesAllotted(newCardsOf(assembly), assembly).flatMap(
    ({ each, mounted, flow: { need }, count, drives }) => {
      const at = { ...(each === null ? NO_CARD : cardAt(each)), count, drives };
      const key = each === null ? { on: { need: need.id } } : keyed(each);
      return [
        ...(mounted.areUsed ? [step('testDrives', at, key)] : []),
        step(
          'prepareDrives',
          { ...at, array: mounted.array },
          { ...key, cautions: ['othersData'] },
        ),
      ];
    },
  );
