/** What accepting a plan puts into the job: of a proposal, or of cards that were tried by hand. */
import { metByMachine } from '../flow/metByMachine.ts';
import type { Card } from '../document/card.ts';
import { withDriveLoad } from '../placement/driveLoad.ts';
import { withOccupants } from '../placement/withCards.ts';
import { metTogether } from '../plans/metTogether.ts';
import { itemAt } from '../units.ts';
import { packagesFor, type DriverLibrary } from '../drivers/chooseDriver.ts';
import { cardQuery, machineQuery } from '../drivers/deviceQuery.ts';
import type { Extra } from '../parts/extra.ts';
import { valueOf } from '../parts/fact.ts';
import { MOST } from '../parts/limits.ts';
import type { Job, Plan } from '../document/job.ts';
import type { Placed } from '../placement/lanesLeft.ts';
import type { Proposal } from '../plans/proposal.ts';
import { priced, type PricedExtra } from '../buying/extras.ts';
import { assemblyOf } from './assembly.ts';
import { servesIn } from './serves.ts';

export type Acceptance = Omit<Plan, 'acceptedAt'>;

/**
 * @param library for the drivers of its cards and of the machine; none are known while it cannot be reached
 * @param catalogue what goes with cards, for covers over openings that the plan leaves
 */
export function acceptanceOf(
  { placements, moves, givenUp, later, unmet, met, extras }: Proposal,
  job: Job,
  library: DriverLibrary,
  catalogue: readonly Extra[] = [],
): Acceptance {
  const bare: Acceptance = {
    ...placedOf(placements, job, library),
    moves: moves.map(({ fromSlotId, toSlotId, card }) => ({ fromSlotId, toSlotId, card })),
    givenUp,
    later,
    staged: [],
    unmet: unmet.map(({ id }) => id),
    met: met.map(({ id }) => id),
    extras: extras.map(boughtOf),
  };
  const covers = assemblyOf({ ...job, plan: { ...bare, acceptedAt: job.changedAt } }).extras.filter(
    ({ kind }) => kind === 'cover',
  );
  return { ...bare, extras: [...bare.extras, ...priced(covers, catalogue).map(boughtOf)] };
}

/**
 * A card that may be given up comes out where another one is tried in its slot.
 * @param catalogue by which fitted cards are known, and what goes with cards
 */
export function acceptanceOfTrial(
  tried: readonly Placed[],
  job: Job,
  library: DriverLibrary,
  catalogue: { readonly cards: readonly Card[]; readonly extras: readonly Extra[] },
): Acceptance {
  const asked: Query = { machine: withDriveLoad(job.machine, job.needs), needs: job.needs };
  const bare: Acceptance = {
    ...placedOf(tried, job, library),
    moves: [],
    later: laterOf(tried, asked, [...catalogue.cards, ...tried.map(({ card }) => card)]),
    staged: [],
    unmet: unmetBy(tried, asked, catalogue.cards),
    met: metBefore(asked, catalogue.cards),
    givenUp: tried
      .filter(({ slot }) => valueOf(slot.occupant)?.disposition === 'optional')
      .map(({ slot }) => slot.id),
    extras: [],
  };
  const assembly = assemblyOf({ ...job, plan: { ...bare, acceptedAt: job.changedAt } });
  return { ...bare, extras: priced(assembly.extras, catalogue.extras).map(boughtOf) };
}

/** Needs, and the machine with what their drives take of it. */
type Query = Pick<Job, 'machine' | 'needs'>;

/** Slots of cards that serve something later, and without which all is met now that is met with them. Dear ones wait first. */
function laterOf(
  tried: readonly Placed[],
  { machine, needs }: Query,
  cards: readonly Card[],
): readonly string[] {
  if (!needs.some(({ later }) => later)) return [];
  const serves = servesIn(needs, machine);
  const now = needs.filter(({ later }) => !later);
  const metWith = (some: readonly Placed[]) =>
    metTogether(now, withOccupants(machine, some), cards).filter(({ state }) => state === 'met')
      .length;
  let kept = tried;
  const mayWait = tried
    .filter(({ card, slot }) => serves(card, slot).some(({ need }) => need.later))
    .toSorted((a, b) => b.card.priceCents - a.card.priceCents);
  for (const each of mayWait) {
    const others = kept.filter((other) => other !== each);
    if (metWith(others) === metWith(kept)) kept = others;
  }
  return tried.filter((each) => !kept.includes(each)).map(({ slot }) => slot.id);
}

/** Needs that cards on trial would meet one by one, and do not meet together: each port serves one of them. */
function unmetBy(
  tried: readonly Placed[],
  { machine, needs }: Query,
  cards: readonly Card[],
): readonly string[] {
  const finished = withOccupants(machine, tried);
  return metTogether(needs, finished, cards)
    .map(({ state }, n) => ({ state, need: itemAt(needs, n) }))
    .filter(
      ({ state, need }) => state === 'short' && metByMachine(need, finished, cards).state === 'met',
    )
    .map(({ need }) => need.id);
}

/** Needs that the machine meets without any card that is tried. */
const metBefore = ({ machine, needs }: Query, cards: readonly Card[]): readonly string[] =>
  metTogether(needs, machine, cards).flatMap(({ state }, n) =>
    state === 'met' ? itemAt(needs, n).id : [],
  );

const placedOf = (placed: readonly Placed[], { machine }: Job, library: DriverLibrary) => ({
  placements: placed.map(({ card, slot }) => ({ slotId: slot.id, card })),
  packages: packagesFor(
    [...placed.map(({ card }) => cardQuery(card)), ...machineQuery(machine)],
    machine,
    library ?? [],
  ).slice(0, MOST.packages),
});

const boughtOf = ({ kind, fits, count, extra }: PricedExtra) => ({ kind, fits, count, extra });
