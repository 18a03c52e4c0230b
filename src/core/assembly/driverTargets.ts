/**
 * What drivers are wanted for: the plan's new cards, devices of the machine that nothing but a basic driver runs, and what a
 * need asks to be renewed. And which old drivers go before that.
 */
import { driverScopes } from '../kinds/drivers/scopes.ts';
import { classDriver } from '../drivers/classDrivers.ts';
import { chooseDriver, toInstall, type DriverChoice } from '../drivers/chooseDriver.ts';
import { machineDevices, NEEDS_NO_DRIVER, type MachineDevice } from '../drivers/machineDevices.ts';
import { runsOlder, versionIn } from '../drivers/versions.ts';
import { memoOf } from '../memo.ts';
import { cardName } from '../document/card.ts';
import type { DriverPackage, DriverWays } from '../document/driverPackage.ts';
import { valueOf } from '../parts/fact.ts';
import type { Job } from '../document/job.ts';
import type { Machine } from '../document/machine.ts';
import type { NeedOf } from '../kinds/need.ts';
import { deviceId } from '../parts/pciFunction.ts';
import { deviceProblemIn, isDriverProblem } from '../standards/problemCodes.ts';
import { isBasicDisplay } from '../standards/systemDrivers.ts';
import { assemblyOf, newCardsOf, packagesOf, type AssembledCard } from './assembly.ts';

export interface DriverTarget {
  readonly id: string;
  readonly name: string;
  /** Null for a device of the machine. */
  readonly card: AssembledCard | null;
  /** Null for a new card. */
  readonly before: MachineDevice | null;
  readonly choice: DriverChoice;
  /** Null: it stays as it is. */
  readonly wanted: 'newCard' | 'idle' | 'generic' | 'trouble' | 'asked' | null;
}

type DeviceKind = 'display' | 'network';

export interface OldDriver {
  readonly id: string;
  readonly name: string;
  readonly driver: string;
  readonly device: DeviceKind;
  readonly how: DriverWays['oldDriver'];
  /** Why it goes that way: the school, or another family of chips that comes after it. */
  readonly because: 'school' | 'otherFamily';
}

/** New cards first, then every device of the machine that may want a driver; none while no plan is accepted. */
export const driverTargets = memoOf((job: Job): readonly DriverTarget[] => {
  if (job.plan === null) return [];
  const assembly = assemblyOf(job);
  const cards = newCardsOf(assembly).map((card): DriverTarget => ({
    id: card.slot.id,
    name: cardName(card.card),
    card,
    before: null,
    choice: card.driver,
    wanted: 'newCard',
  }));
  const tellsDrivers = job.machine.functions.some(({ driver }) => driver !== null);
  const scopes = driverScopes(job.needs);
  const devices = devicesOf(job).map((before): DriverTarget => {
    const choice = chooseDriver(before.asked, job.machine, packagesOf(job), job.driverWays);
    return {
      id: before.id,
      name: before.name,
      card: null,
      before,
      choice,
      wanted: before.leaves ? null : wantedFor(before, choice, job.machine, tellsDrivers, scopes),
    };
  });
  return [...cards, ...devices];
});

/** Occupants that come out, by what they are known by. */
const leavingIds = (job: Job): readonly string[] =>
  assemblyOf(job).removed.flatMap(({ occupant }) => {
    const ids = valueOf(occupant)?.ids ?? null;
    return ids === null ? [] : deviceId(ids);
  });

const devicesOf = (job: Job): readonly MachineDevice[] =>
  machineDevices(job.machine, leavingIds(job)).filter(
    ({ asked: { class24 }, status }) =>
      status !== '' || class24 === null || !NEEDS_NO_DRIVER.has(class24 >> 16),
  );

type Scope = NeedOf<'drivers'>['scope'];

function wantedFor(
  { asked, driver, status }: MachineDevice,
  choice: DriverChoice,
  { system }: Machine,
  tellsDrivers: boolean,
  scopes: readonly Scope[],
): DriverTarget['wanted'] {
  const chosen = toInstall(choice);
  if (chosen === null) return null;
  const problem = deviceProblemIn(status);
  if (problem !== null && isDriverProblem(problem)) return 'trouble';
  if (driver === null) {
    const isDrivenByClass = asked.class24 !== null && classDriver(asked.class24, system) !== null;
    return tellsDrivers && !isDrivenByClass ? 'idle' : null;
  }
  if (isBasicDisplay(driver)) return 'generic';
  const isAsked = scopes.some((scope) => scope === 'all' || scope === kindOf(asked.class24));
  return isAsked && (versionIn(driver) === null || runsOlder(driver, chosen)) ? 'asked' : null;
}

const KINDS: Readonly<Record<number, DeviceKind>> = { 0x02: 'network', 0x03: 'display' };
const kindOf = (class24: number | null): DeviceKind | null =>
  class24 === null ? null : (KINDS[class24 >> 16] ?? null);

/** Only one family of systems keeps a maker's packages when their device is gone. */
export function oldDrivers(job: Job): readonly OldDriver[] {
  if (valueOf(job.machine.system.family) !== 'windows') return [];
  const targets = driverTargets(job);
  const coming = targets.filter(
    ({ wanted, choice }) => wanted !== null && toInstall(choice) !== null,
  );
  return targets.flatMap(({ id, name, before, choice, wanted }): readonly OldDriver[] => {
    const device = kindOf(before?.asked.class24 ?? null);
    const driver = before?.driver ?? null;
    if (before === null || device === null || driver === null || isBasicDisplay(driver)) return [];
    const after = coming.filter((each) => kindOf(classOf(each)) === device);
    const replaced = before.leaves ? after : wanted === 'asked' ? [{ id, choice }] : [];
    if (!before.leaves && replaced.length === 0) return [];
    if (before.leaves && device === 'display' && after.length === 0) return [];
    const isOtherFamily =
      device === 'display' &&
      before.leaves &&
      after.every((each) => vendorOf(each) !== before.asked.id?.slice(0, 4));
    return [
      {
        id,
        name,
        driver,
        device,
        how: isOtherFamily ? 'clean' : job.driverWays.oldDriver,
        because: isOtherFamily ? 'otherFamily' : 'school',
      },
    ];
  });
}

const classOf = ({ card, before }: DriverTarget): number | null =>
  card?.card.ids.class24 ?? before?.asked.class24 ?? null;

const vendorOf = ({ card, before }: DriverTarget): string | undefined =>
  card === null ? before?.asked.id?.slice(0, 4) : deviceId(card.card.ids).slice(0, 4);

/** Packages to be installed for what is wanted, each once, with what it is for. */
export function packagesWanted(
  job: Job,
): readonly { readonly package: DriverPackage; readonly targets: readonly DriverTarget[] }[] {
  const byPackage = new Map<DriverPackage, DriverTarget[]>();
  for (const target of driverTargets(job)) {
    const chosen = target.wanted === null ? null : toInstall(target.choice);
    if (chosen === null) continue;
    byPackage.set(chosen, [...(byPackage.get(chosen) ?? []), target]);
  }
  return [...byPackage].map(([each, targets]) => ({ package: each, targets }));
}
