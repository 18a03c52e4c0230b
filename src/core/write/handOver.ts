/** The hand-over sheet as data: what the customer keeps and the next technician starts from. */
import type { DriverChoice } from '../drivers/chooseDriver.ts';
import { laterCardsOf, newCardsOf, assemblyOf } from '../assembly/assembly.ts';
import type { LeftInBox } from '../buying/extras.ts';
import { cardName } from '../document/card.ts';
import { driveName, type Drive } from '../parts/drive.ts';
import { valueOf } from '../parts/fact.ts';
import type { InnerLead } from '../parts/innerLead.ts';
import type { Job } from '../document/job.ts';
import type { Machine } from '../document/machine.ts';
import type { SystemFamily } from '../standards/systems.ts';
import { causesFor, serialOf } from '../document/observed.ts';
import { drivesWanted } from '../kinds/drives/wanted.ts';
import type { CauseObservation } from '../document/observation.ts';
import { driverStates } from '../diagnosis/driverStates.ts';
import { provings, type Proving } from '../diagnosis/provings.ts';
import { heldReadings, type HeldReading } from '../diagnosis/readings.ts';
import type { RunGroup } from '../diagnosis/runs.ts';
import { variantsOf } from '../diagnosis/variants.ts';
import { isMended } from '../procedure/mends.ts';
import { reportOnPlan } from '../diagnosis/reportOnPlan.ts';
import { byWeight, type Finding } from '../rules/finding.ts';
import type { Link } from '../standards/pciExpress.ts';
import { steps } from '../procedure/steps.ts';
import type { CautionCode, Step } from '../procedure/step.ts';
import { shoppingList, type ShoppingRow } from './shoppingList.ts';

export interface SheetCard {
  readonly name: string;
  readonly slotId: string;
  readonly slotLabel: string;
  readonly opening: number | null;
  readonly link: Link | null;
  /** As it stands on the card; null where nobody entered it. */
  readonly serial: string | null;
  /** What the plan chose, and what a report taken since then shows at work; null while none shows it. */
  readonly driver: DriverChoice & { readonly running: string | null };
  readonly priceCents: number;
  /** Findings with a catch that stays, most weighty first; what work settles only until it is done. */
  readonly findings: readonly Finding[];
}

/** A device of the machine whose driver was seen to. */
interface SheetDriver {
  readonly name: string;
  readonly choice: DriverChoice;
  /** What a report shows at work; null while none shows it. */
  readonly seen: string | null;
}

/** A drive that a need is served with. */
interface SheetDrive {
  readonly name: string;
  readonly gigabytes: number;
  readonly serial: string;
  /** How much of what it is rated for was written when it came; null where nobody knows. */
  readonly wornShare: number | null;
}

/** A slot that is kept free, for what, and what that costs now. */
interface SheetLater {
  readonly name: string;
  readonly slotLabel: string;
  readonly priceCents: number;
}

/** With what was measured, and what was mended until it was as it should be. */
export interface SheetFigure extends Pick<
  Proving,
  'expectation' | 'groups' | 'main' | 'before' | 'untilMended'
> {
  readonly mended: readonly CauseObservation['value'][];
  readonly readings: readonly HeldReading[];
  /** The setting that came out best of those that were tried; null: none was clearly so, or none was tried. */
  readonly kept: RunGroup | null;
}

/** What the next technician starts from: the machine's system and firmware as they were found. */
interface SheetMachine {
  /** In its own words, where they were read. */
  readonly systemName: string | null;
  readonly family: SystemFamily | null;
  readonly version: string | null;
  readonly build: string | null;
  readonly firmware: string | null;
  readonly firmwareDate: string | null;
  readonly screens: readonly string[];
  /** Devices that did not work when the machine came in. */
  readonly inTrouble: readonly string[];
  /** What was dead or damaged when it came. */
  readonly damage: readonly string[];
  readonly secondSystem: SystemFamily | null;
}

export interface HandOverSheet {
  readonly machine: SheetMachine;
  readonly cards: readonly SheetCard[];
  readonly drivers: readonly SheetDriver[];
  readonly drives: readonly SheetDrive[];
  readonly later: readonly SheetLater[];
  readonly figures: readonly SheetFigure[];
  /** What was bought beside the cards: with them it makes the total. */
  readonly extras: readonly ShoppingRow[];
  readonly totalCents: number;
  /** Of how many nobody told a price: the total is at least what it says. */
  readonly unpriced: number;
  /** Openings whose covers came out and go back in: snapped ones do not. */
  readonly coversKept: readonly number[];
  /** Cards that came out of the machine. */
  readonly cardsKept: readonly string[];
  readonly bracketsKept: readonly string[];
  /** Ends of leads inside that go nowhere, and why. */
  readonly leftLoose: readonly {
    readonly lead: InnerLead;
    readonly end: number;
    readonly because: NonNullable<InnerLead['ends'][number]['barred']>;
  }[];
  /** From the boxes, and not used. */
  readonly leftInBoxes: readonly LeftInBox[];
  readonly cautions: readonly CautionCode[];
}

/** Cautions that still matter once the machine is back with its owner. */
const FOR_THE_OWNER: readonly CautionCode[] = ['mains', 'hotCard', 'heavyCard', 'localRules'];

export function handOverSheet(job: Job): HandOverSheet {
  const all = steps(job);
  const shopping = shoppingList(job, 0);
  const assembly = assemblyOf(job);
  const isFitted = all.every(({ stage, isOpen }) => stage !== 'fit' || !isOpen);
  const stays = ({ verdict }: Finding) => verdict !== 'clear' && !(isFitted && verdict === 'needs');
  const seen = new Map(
    reportOnPlan(job).map(({ card, observation }) => [card.slot.id, observation?.value.driver]),
  );
  const cards = newCardsOf(assembly).map(({ card, slot, link, driver, findings }): SheetCard => ({
    name: cardName(card),
    slotId: slot.id,
    slotLabel: slot.label,
    opening: valueOf(slot.opening),
    link: link?.link ?? null,
    serial: serialOf(job.observations, slot.id),
    driver: { ...driver, running: seen.get(slot.id) ?? null },
    priceCents: card.priceCents,
    findings: byWeight(findings.filter(stays)),
  }));
  return {
    machine: machineOf(job.machine),
    cards,
    drivers: driverStates(job)
      .filter(({ isPlanned, wanted }) => !isPlanned && wanted !== null)
      .map(({ name, choice, now }) => ({ name, choice, seen: now?.driver ?? null })),
    drives: drivesIn(job).map(driveOf),
    later: laterCardsOf(assembly).map(({ card, slot }) => ({
      name: cardName(card),
      slotLabel: slot.label,
      priceCents: card.priceCents,
    })),
    figures: provings(job).map(({ expectation, groups, main, before, untilMended }) => ({
      expectation: { ...expectation, catches: expectation.catches.filter(stays) },
      groups,
      main,
      before,
      untilMended,
      readings: heldReadings(expectation, job),
      kept: variantsOf(job, expectation.need)?.best ?? null,
      mended: causesFor(job.observations, expectation.need.id)
        .filter((cause) => isMended(job, cause))
        .map(({ value }) => value),
    })),
    extras: shopping.rows.filter(({ extra }) => extra),
    totalCents: shopping.netCents,
    unpriced: shopping.unpriced,
    coversKept: coversKept(all, job.machine),
    cardsKept: assembly.removed.flatMap(({ occupant }) => valueOf(occupant)?.name ?? []),
    bracketsKept: all.flatMap((each) => (each.code === 'swapBracket' ? [each.values.card] : [])),
    leftLoose: job.machine.leads.flatMap((lead) =>
      lead.ends.flatMap(({ barred }, end) =>
        barred === undefined ? [] : { lead, end, because: barred },
      ),
    ),
    leftInBoxes: assembly.leftInBoxes,
    cautions: FOR_THE_OWNER.filter((caution) =>
      all.some(({ cautions }) => cautions.includes(caution)),
    ),
  };
}

/**
 * Openings whose cover came off whole and closes no other one. Of covers of one case any may have been used: beyond those that
 * were to spare it is one that came off.
 */
function coversKept(all: readonly Step[], { case: own, enclosures }: Machine): readonly number[] {
  const rooms = [
    { name: '', room: own },
    ...enclosures.map(({ name, case: room }) => ({ name, room })),
  ];
  return rooms.flatMap(({ name, room }) => {
    const off = all.flatMap((each) =>
      each.code === 'removeCover' &&
      each.values.enclosure === name &&
      each.values.covers !== 'snapped'
        ? [each.values.opening]
        : [],
    );
    let spare = valueOf(room.spareCovers) ?? 0;
    for (const each of all) {
      if (each.code !== 'closeOpening' || each.values.enclosure !== name) continue;
      const { with: from, of } = each.values;
      if (from === 'ordered') continue;
      if (from === 'spare' && spare > 0) {
        spare -= 1;
        continue;
      }
      const at = of === null ? -1 : off.indexOf(of);
      off.splice(Math.max(0, at), off.length > 0 ? 1 : 0);
    }
    return off;
  });
}

/** Those of the needs, as they were named before they were prepared, and others that were named. */
function drivesIn({ needs, observations }: Job): readonly Drive[] {
  const named = new Map(
    observations.flatMap((each) =>
      each.kind === 'drive' ? [[each.value.drive.id, each.value.drive] as const] : [],
    ),
  );
  const wanted = drivesWanted(needs);
  const others = [...named.values()].filter(({ id }) => wanted.every((drive) => drive.id !== id));
  return [...wanted.map((drive) => named.get(drive.id) ?? drive), ...others];
}

const driveOf = (drive: Drive): SheetDrive => ({
  name: driveName(drive),
  gigabytes: drive.gigabytes,
  serial: drive.serial,
  wornShare:
    drive.writtenTerabytes === null || drive.ratedTerabytes === null || drive.ratedTerabytes === 0
      ? null
      : drive.writtenTerabytes / drive.ratedTerabytes,
});

const machineOf = ({
  system,
  secondSystem,
  firmware,
  screens,
  inTrouble,
  damage,
}: Machine): SheetMachine => ({
  systemName: valueOf(system.name),
  family: valueOf(system.family),
  version: valueOf(system.version),
  build: valueOf(system.build),
  firmware: valueOf(firmware.version),
  firmwareDate: valueOf(firmware.date),
  screens: screens.map(({ name }) => name),
  inTrouble: inTrouble.map(({ id, name }) => name || id),
  damage: damage.map(({ what }) => what),
  secondSystem: secondSystem && valueOf(secondSystem.family),
});
