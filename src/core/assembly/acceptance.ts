/** What accepting a plan puts into the job: of a proposal, or of cards that were tried by hand. */
import { packagesFor, type DriverLibrary } from '../drivers/packages.ts';
import type { Extra } from '../parts/extra.ts';
import { valueOf } from '../parts/fact.ts';
import type { Job, Plan } from '../parts/job.ts';
import type { Placed } from '../placement/lanesLeft.ts';
import type { Proposal } from '../planner/answers/plan.ts';
import { priced, type PricedExtra } from '../planner/candidates/extras.ts';
import { assemblyOf } from './assembly.ts';

export type Acceptance = Omit<Plan, 'acceptedAt'>;

/** @param library for the drivers of its cards; none are known while it cannot be reached */
export const acceptanceOf = (
  { placements, moves, givenUp, extras }: Proposal,
  job: Job,
  library: DriverLibrary,
): Acceptance => ({
  ...placedOf(placements, job, library),
  moves: moves.map(({ fromSlotId, toSlotId, card }) => ({ fromSlotId, toSlotId, card })),
  givenUp,
  extras: extras.map(boughtOf),
});

/** A card that may be given up comes out where another one is tried in its slot. @param extras the catalogue's */
export function acceptanceOfTrial(
  tried: readonly Placed[],
  job: Job,
  library: DriverLibrary,
  extras: readonly Extra[],
): Acceptance {
  const bare: Acceptance = {
    ...placedOf(tried, job, library),
    moves: [],
    givenUp: tried
      .filter(({ slot }) => valueOf(slot.occupant)?.fate === 'mayGo')
      .map(({ slot }) => slot.id),
    extras: [],
  };
  const assembly = assemblyOf({ ...job, plan: { ...bare, acceptedAt: job.changedAt } });
  return { ...bare, extras: priced(assembly.extras, extras).map(boughtOf) };
}

const placedOf = (placed: readonly Placed[], { machine }: Job, library: DriverLibrary) => ({
  placements: placed.map(({ card, slot }) => ({ slotId: slot.id, card })),
  packages: packagesFor(
    placed.map(({ card }) => card),
    machine,
    library ?? [],
  ),
});

const boughtOf = ({ kind, fits, count, extra }: PricedExtra) => ({ kind, fits, count, extra });
