/** What the machine's last report shows of each card of the accepted plan, and where that differs from the plan. */
import { makesPictures } from '../kinds/screens/picture.ts';
import { assemblyOf, type AssembledCard } from '../assembly/assembly.ts';
import { runsOlder, shownVersion } from '../drivers/versions.ts';
import { toInstall } from '../drivers/chooseDriver.ts';
import { valueOf } from '../parts/fact.ts';
import type { Job } from '../document/job.ts';
import { isSameLabel } from '../document/machine.ts';
import type { DeviceObservation } from '../document/observation.ts';
import type { Link } from '../standards/pciExpress.ts';
import { isBasicDisplay, isByClass } from '../standards/systemDrivers.ts';

export type ReportDifference =
  /** The report lists devices, and this card is not among them. */
  | { readonly code: 'missing' }
  | { readonly code: 'otherSlot'; readonly slotLabel: string }
  | { readonly code: 'linkNarrower'; readonly planned: Link; readonly trained: Link }
  /** Fewer transfers on each lane; many cards slow an idle link. */
  | { readonly code: 'linkSlower'; readonly planned: Link; readonly trained: Link }
  | { readonly code: 'driverMissing' }
  /** The system's own driver, where the plan chose a package or the card is for screens. */
  | { readonly code: 'driverGeneric'; readonly driver: string }
  /** A lower version than the package's that the plan chose. */
  | { readonly code: 'driverOlder'; readonly running: string; readonly planned: string }
  /** In the system's own words. */
  | { readonly code: 'trouble'; readonly status: string };

export interface ReportOnCard {
  readonly card: AssembledCard;
  /** Null while no report was read since the plan was accepted. */
  readonly observation: DeviceObservation | null;
  readonly differences: readonly ReportDifference[];
}

export function reportOnPlan(job: Job): readonly ReportOnCard[] {
  const { plan, machine } = job;
  if (plan === null) return [];
  const { cards } = assemblyOf(job);
  return cards
    .filter(({ later }) => !later)
    .map((card) => {
      const observation =
        job.observations.findLast(
          (each): each is DeviceObservation =>
            each.kind === 'device' &&
            each.subject.slotId === card.slot.id &&
            each.at >= plan.acceptedAt,
        ) ?? null;
      const differences = observation === null ? [] : differencesOf(card, observation, machine);
      return { card, observation, differences };
    });
}

function differencesOf(
  card: AssembledCard,
  { value, phase }: DeviceObservation,
  machine: Job['machine'],
): readonly ReportDifference[] {
  // Before the cards are in, none is missed.
  // Nor is a carrier that is no device itself: only the drives on it show.
  if (value.place === null)
    return phase === 'before' || card.card.needsSplit ? [] : [{ code: 'missing' }];
  const elsewhere = slotDifference(card, value, machine);
  return [
    ...elsewhere,
    // Another slot has another link: it says nothing of how the card sits.
    ...(elsewhere.length > 0 ? [] : linkDifferences(card.link?.link ?? null, value.link)),
    ...driverDifferences(card, value),
    ...(value.trouble === '' ? [] : [{ code: 'trouble' as const, status: value.trouble }]),
  ];
}

function slotDifference(
  { slot }: AssembledCard,
  { port, place }: DeviceObservation['value'],
  { slots }: Job['machine'],
): readonly ReportDifference[] {
  const other =
    slots.find((each) => port !== null && valueOf(each.port) === port) ??
    slots.find(({ label }) => place !== null && isSameLabel(label, place));
  return other === undefined || other.id === slot.id
    ? []
    : [{ code: 'otherSlot', slotLabel: other.label }];
}

function linkDifferences(planned: Link | null, trained: Link | null): readonly ReportDifference[] {
  if (planned === null || trained === null) return [];
  if (trained.width < planned.width) return [{ code: 'linkNarrower', planned, trained }];
  return trained.generation < planned.generation ? [{ code: 'linkSlower', planned, trained }] : [];
}

function driverDifferences(
  { card, driver: chosen }: AssembledCard,
  { driver, tellsDrivers }: DeviceObservation['value'],
): readonly ReportDifference[] {
  if (driver === null) return tellsDrivers ? [{ code: 'driverMissing' }] : [];
  const ownPackage = toInstall(chosen) !== null;
  const isGeneric =
    (makesPictures(card.delivers) && isBasicDisplay(driver)) || (ownPackage && isByClass(driver));
  if (isGeneric) return [{ code: 'driverGeneric', driver }];
  const planned = toInstall(chosen);
  return planned !== null && runsOlder(driver, planned)
    ? [{ code: 'driverOlder', running: driver, planned: shownVersion(planned) }]
    : [];
}
