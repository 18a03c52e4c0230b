/**
 * The accepted plan as one value: every card that is placed or moved with its slot, what is found of it with all other
 * cards in place, what feeds it, its leads, its driver, its link and what it gives to each need; and what comes out, opens,
 * closes and has to be bought. Everything after Choose reads this and asks nobody else. What is used is used up: no two
 * cards have the same header, lead, plug or opening.
 */
import { driverForCard, type DriverChoice } from '../drivers/chooseDriver.ts';
import { cabledPorts } from '../kinds/drives/ports.ts';
import type { Flow } from '../kinds/flow.ts';
import { flowFrom } from '../flow/flowOf.ts';
import { memoOf } from '../memo.ts';
import type { Card } from '../document/card.ts';
import type { DriverPackage } from '../document/driverPackage.ts';
import { valueOf } from '../parts/fact.ts';
import type { Job, Plan } from '../document/job.ts';
import type { Machine, Slot } from '../document/machine.ts';
import { machineAround } from '../placement/housing.ts';
import { slotInUse, type Placed } from '../placement/lanesLeft.ts';
import { withDriveLoad } from '../placement/driveLoad.ts';
import { withMoves } from '../placement/moves.ts';
import type { Feed } from '../placement/plugs.ts';
import { deviceLink, type SlotLink } from '../placement/slotLink.ts';
import { withOccupants } from '../placement/withCards.ts';
import {
  extrasOf,
  extrasTogether,
  leftInBoxes,
  gathered,
  type LeftInBox,
} from '../buying/extras.ts';
import type { ExtraNeeded } from '../parts/extra.ts';
import type { Finding } from '../rules/finding.ts';
import { slotVerdict } from '../rules/verdict.ts';
import type { FrontLead } from '../standards/headers.ts';
import { benchState, wasSeated } from './benchState.ts';
import { coversOrdered } from './covers.ts';
import { exchangesOf, feedFinding, feedsOf, isOfPlugs, type Exchange } from './feeds.ts';
import { frontLeadsOf, withFrontLeadsOf } from './frontLeads.ts';
import { headersOf, reachedHeaders, withHeadersOf, type Header } from './headers.ts';
import { servesIn } from './serves.ts';
import { itemAt } from '../units.ts';
import { openingsOf, openingsOfCard, type Opening } from './openings.ts';

export interface AssembledCard {
  readonly card: Card;
  /** With the lanes that the whole plan leaves it. */
  readonly slot: Slot;
  /** Its place among the cards of the plan: what is dealt out among them goes by it. */
  readonly inPlan: number;
  /** The external box its slot is in; null: the machine's own case. */
  readonly enclosureName: string | null;
  /** Where it sat before; null for a new card. */
  readonly fromSlotId: string | null;
  /** Its slot is kept for it: it is not bought now. */
  readonly later: boolean;
  /** It is in its slot, by the ticks of the steps. */
  readonly isIn: boolean;
  /** Asked with all other cards of the plan in place; none for a card that only moves. */
  readonly findings: readonly Finding[];
  /** Of each device on it. Null while the slot's lanes or generation are not known. */
  readonly link: SlotLink | null;
  /** What feeds each of its sockets, in their order. */
  readonly feeds: readonly Feed[];
  /** Plugs that have to be exchanged for that. */
  readonly exchanges: readonly Exchange[];
  /** Leads of the case's front panel that are connected to it. */
  readonly frontLeads: readonly FrontLead[];
  /** Headers of the board that its leads reach. */
  readonly headers: readonly Header[];
  readonly driver: DriverChoice;
  /** What it gives to each need that it serves. */
  readonly flows: readonly Flow[];
}

export interface Assembly {
  /** The machine with its own cards where the plan wants them; new cards are not in it. */
  readonly machine: Machine;
  /** New cards in the order of the plan, then those that move. */
  readonly cards: readonly AssembledCard[];
  /** What the board's own ports give to needs of drives. */
  readonly boardDrives: readonly Flow[];
  /** Of an earlier round: new cards, which are in the machine and serve first, and openings that were closed. */
  readonly earlier: {
    readonly cards: readonly AssembledCard[];
    readonly closed: readonly Opening[];
  };
  /** Slots whose card comes out, by the survey's word or the plan's, as they were. */
  readonly removed: readonly Slot[];
  readonly toOpen: readonly Opening[];
  readonly toClose: readonly Opening[];
  /** Openings for plates at the end of ribbons and leads, each with the slot of its card. */
  readonly plates: readonly Opening[];
  /** What has to be bought beside the cards. */
  readonly extras: readonly ExtraNeeded[];
  /** What lies in the boxes of the new cards and is not wanted here: it is the customer's. */
  readonly leftInBoxes: readonly LeftInBox[];
}

/** Nothing placed while no plan is accepted; worked out once a change. */
export const assemblyOf = memoOf((job: Job): Assembly => {
  const machine = plannedMachine(job);
  const library = packagesOf(job);
  const moves = job.plan?.moves ?? [];
  const state = benchState(job.acts);
  const serves = servesIn(job.needs, machine);
  const fresh = placedIn(machine, job.plan?.placements ?? [], job.plan);
  const later = new Set(job.plan?.later);
  const isNow = ({ slot }: Placed) => !later.has(slot.id);
  const moved = placedIn(
    machine,
    moves.map(({ toSlotId, card }) => ({ slotId: toSlotId, card })),
    job.plan,
  );
  const flows = fresh.map(({ card, slot }) => serves(card, slot));
  const used: Used = {
    feeds: feedsOf(fresh, machine),
    headers: headersOf(fresh, machine),
    frontLeads: frontLeadsOf(fresh, flows, machine),
  };
  const base = ({ card, slot }: Placed) => ({
    card,
    slot,
    enclosureName: machine.enclosures.find(({ id }) => id === slot.enclosureId)?.name ?? null,
    link: deviceLink(card, slot),
    driver: driverForCard(card, machine, library, job.driverWays),
  });
  const newCards = fresh.map((placed, n): AssembledCard => ({
    ...base(placed),
    inPlan: n,
    fromSlotId: null,
    later: !isNow(placed),
    isIn: wasSeated(state, placed.card.id, placed.slot.id),
    flows: itemAt(flows, n),
    findings: findingsAmong(n, fresh, used, machine, library),
    feeds: itemAt(used.feeds, n),
    exchanges: exchangesOf(itemAt(used.feeds, n), machineAround(placed.slot, machine).supply),
    frontLeads: itemAt(used.frontLeads, n),
    headers: reachedHeaders(placed, itemAt(used.headers, n), machine),
  }));
  const movedFrom = ({ slot }: Placed) =>
    moves.find(({ toSlotId }) => toSlotId === slot.id)?.fromSlotId ?? null;
  const movedCards = moved.map((placed, n): AssembledCard => ({
    ...base(placed),
    inPlan: fresh.length + n,
    fromSlotId: movedFrom(placed),
    later: false,
    isIn: state.slot(movedFrom(placed) ?? '').own === 'moved',
    flows: serves(placed.card, placed.slot),
    findings: [],
    feeds: [],
    exchanges: [],
    frontLeads: [],
    headers: [],
  }));
  const openings = openingsOf(
    job.machine,
    machine,
    [...fresh.filter(isNow), ...moved],
    job,
    fresh.filter((placed) => !isNow(placed)).flatMap(openingsOfCard),
  );
  return {
    machine,
    cards: [...newCards, ...movedCards],
    boardDrives: boardDrives(job, machine),
    earlier: { cards: [], closed: [] },
    removed: removedFrom(job),
    ...openings,
    extras: gathered([
      ...newCards.filter(isNow).flatMap((each) => extrasOf(each.card, each.findings, each.flows)),
      // Plugs are dealt out among all cards, so what goes between is there from the start.
      ...extrasTogether(fresh, machine),
      ...coversOrdered({ machine, ...openings }),
    ]),
    leftInBoxes: leftInBoxes(newCards.filter(isNow), machine),
  };
});

/** Of needs that the plan serves; the cards serve what is left of them. */
const boardDrives = ({ needs, plan }: Job, machine: Machine): readonly Flow[] =>
  (valueOf(machine.builtIn) ?? [])
    .filter((delivers) => cabledPorts(delivers) > 0)
    .flatMap((delivers) =>
      needs.flatMap((need) =>
        plan !== null && !plan.unmet.includes(need.id)
          ? (flowFrom({ delivers, fitted: null }, need, machine) ?? [])
          : [],
      ),
    );

/** Packages by which drivers are chosen once a plan is accepted: those of its time, and those that are at hand. */
export const packagesOf = memoOf(({ plan, packages }: Job): readonly DriverPackage[] => [
  ...(plan?.packages ?? []),
  ...packages,
]);

/** New cards of an accepted plan that are bought and fitted now. */
export const newCardsOf = ({ cards }: Assembly): readonly AssembledCard[] =>
  cards.filter(({ fromSlotId, later }) => fromSlotId === null && !later);

/** Cards that slots are kept for. */
export const laterCardsOf = ({ cards }: Assembly): readonly AssembledCard[] =>
  cards.filter(({ later }) => later);

/** The machine with its own cards where the accepted plan wants them. */
function plannedMachine({
  machine,
  needs,
  plan,
}: Pick<Job, 'machine' | 'needs' | 'plan'>): Machine {
  const loaded = withDriveLoad(machine, needs);
  return plan === null ? loaded : withMoves(loaded, plan.moves, plan.givenUp);
}

function removedFrom({ machine, plan }: Job): readonly Slot[] {
  return machine.slots.filter(({ id, occupant }) => {
    const card = valueOf(occupant);
    return card !== null && (card.disposition === 'remove' || plan?.givenUp.includes(id) === true);
  });
}

/** Cards with their slots, each with the lanes that new cards leave it; a slot that is no longer surveyed drops out. */
function placedIn(
  machine: Machine,
  placements: Plan['placements'],
  plan: Plan | null,
): readonly Placed[] {
  const inSlots = (some: Plan['placements']): readonly Placed[] =>
    some.flatMap(({ card, slotId }) => {
      const slot = machine.slots.find(({ id }) => id === slotId);
      return slot === undefined ? [] : [{ card, slot }];
    });
  const fresh = inSlots(plan?.placements ?? []);
  return inSlots(placements).map(({ card, slot }) => ({
    card,
    slot: slotInUse(slot, machine, fresh),
  }));
}

/** What the new cards use up between them, for each in its order. */
interface Used {
  readonly feeds: readonly (readonly Feed[])[];
  readonly headers: readonly (readonly (Header | null)[])[];
  readonly frontLeads: readonly (readonly FrontLead[])[];
}

/** One verdict for one card, the others in place and what they use up gone; plugs are asked of all of them at once. */
function findingsAmong(
  n: number,
  fresh: readonly Placed[],
  { feeds, headers, frontLeads }: Used,
  machine: Machine,
  library: Plan['packages'],
): readonly Finding[] {
  const { card, slot } = itemAt(fresh, n);
  const others = fresh.filter((_, m) => m !== n);
  const inPlace = withLoads(withOccupants(machine, others), others);
  const met = withFrontLeadsOf(n, frontLeads, withHeadersOf(n, headers, inPlace));
  const around = machineAround(slot, machine);
  return slotVerdict(card, slot, met, library).findings.map((finding) =>
    isOfPlugs(finding) ? feedFinding(n, fresh, feeds, around) : finding,
  );
}

/** What the others draw comes on top of what the machine draws now. */
function withLoads(machine: Machine, others: readonly Placed[]): Machine {
  const loaded = (supply: Machine['supply'], id: string | null): Machine['supply'] => {
    const watts = others
      .filter(({ slot }) => slot.enclosureId === id)
      .reduce((sum, { card }) => sum + card.peakWatts, 0);
    return supply.baseWatts === null || watts === 0
      ? supply
      : { ...supply, baseWatts: { ...supply.baseWatts, value: supply.baseWatts.value + watts } };
  };
  return {
    ...machine,
    supply: loaded(machine.supply, null),
    enclosures: machine.enclosures.map((each) => ({
      ...each,
      supply: loaded(each.supply, each.id),
    })),
  };
}
