/** What was found at the bench, as facts; and the work that remains, planned anew with all that is done as it is. */
import { acceptanceOf, type Acceptance } from '../../assembly/acceptance.ts';
import { assemblyOf } from '../../assembly/assembly.ts';
import { roundsOf, stepIdIn, type Round } from '../../assembly/rounds.ts';
import type { DriverLibrary } from '../../drivers/chooseDriver.ts';
import type { Card } from '../../parts/card.ts';
import type { Extra } from '../../parts/extra.ts';
import { freeNumber } from '../../parts/freeNumber.ts';
import { known, valueOf } from '../../parts/fact.ts';
import { SECOND_ROUND, roundOf, withoutRound, type Job, type Placement } from '../../parts/job.ts';
import type { Machine, Slot } from '../../parts/machine.ts';
import type { Pin } from '../../parts/planning.ts';
import { openingMiddleMm } from '../../placement/geometry.ts';
import { machineAround } from '../../placement/housing.ts';
import { withMoves } from '../../placement/moves.ts';
import { plugsOf } from '../../placement/plugs.ts';
import type { PlanRequest, Proposal } from '../../planner/answers/plan.ts';
import type { Step, StepCode, StepValues } from '../step.ts';
import { steps } from '../steps.ts';
import { actsFor } from './actsFor.ts';
import { RIGHTED } from './looseEnds.ts';
import { asItStands } from './tasks.ts';

export type Found =
  /** The lead of the plug reaches down so far from the board's upper edge. */
  | { readonly kind: 'leadShort'; readonly mm: number }
  /** Something stands in the card's path: so far from the rear edge, so high over the board. */
  | {
      readonly kind: 'inTheWay';
      readonly what: string;
      readonly fromRearMm: number;
      readonly heightMm: number;
      readonly movable: boolean;
    }
  /** The cover does not come out: riveted, or part of the case. */
  | { readonly kind: 'coverStuck' }
  /** Latch or connector is broken: nothing goes in there. */
  | { readonly kind: 'slotBroken' }
  /** Only the mounted bracket lay in the box. */
  | { readonly kind: 'bracketWrong' }
  | { readonly kind: 'cardLonger'; readonly mm: number }
  | { readonly kind: 'screwMissing' }
  /** Something that should lie in the card's box does not. */
  | { readonly kind: 'boxShort'; readonly missing: Card['contents'][number] };
export type FoundKind = Found['kind'];

const FOUND_AT: Readonly<Record<FoundKind, readonly StepCode[]>> = {
  leadShort: ['plug'],
  inTheWay: ['seat'],
  coverStuck: ['removeCover'],
  slotBroken: ['seat', 'clearSlot'],
  bracketWrong: ['swapBracket', 'checkArrived'],
  cardLonger: ['seat', 'checkArrived'],
  screwMissing: ['screw', 'closeOpening', 'fitPlate'],
  boxShort: ['checkArrived'],
};

/** What can be found at a step; none where it is only gone on with a reason. */
export function findable(step: Step, job: Job): readonly FoundKind[] {
  const kinds = (Object.keys(FOUND_AT) as readonly FoundKind[]).filter((kind) =>
    FOUND_AT[kind].includes(step.code),
  );
  // A plate goes through whichever opening is free; only a card is bound to its own.
  const slot = job.machine.slots.find(({ id }) => id === step.slotId);
  return step.code === 'removeCover' && slot?.enclosureId !== null
    ? []
    : kinds.filter(
        (kind) =>
          (kind !== 'inTheWay' || slot?.enclosureId === null) &&
          (step.code !== 'checkArrived' || canArriveSo(kind, step.values)),
      );
}

/** Only a card with a bracket to swap lacks it, and only a box with things in it lacks one. */
function canArriveSo(
  kind: FoundKind,
  { mounted, wanted, contents }: StepValues['checkArrived'],
): boolean {
  if (kind === 'boxShort') return contents.length > 0;
  return kind !== 'bracketWrong' || (wanted !== null && mounted !== null && wanted !== mounted);
}

/** How wide and deep a thing in the way is taken to be where only its place was read. Common practice, no source. */
const THING_MM = { widthMm: 12, depthMm: 10 };
/** A cover stands before its opening, as a plate. */
const COVER_MM = { widthMm: 3, depthMm: 16, heightMm: 100 };

/** The job with what was found as facts of machine and cards; the plan stays as it was. */
export function withFound(job: Job, step: Step, found: Found): Job {
  const { machine, plan } = job;
  const slot = machine.slots.find(({ id }) => id === step.slotId);
  if (plan === null || slot === undefined) return job;
  switch (found.kind) {
    case 'leadShort':
      return { ...job, machine: withShortLead(job, slot, step, found.mm) };
    case 'inTheWay': {
      const { fromRearMm: xMm, heightMm, movable, what } = found;
      const middle = openingMiddleMm(machine, valueOf(slot.opening) ?? 1);
      return {
        ...job,
        machine: withObstacle(machine, {
          name: what,
          xMm,
          yMm: middle - THING_MM.depthMm / 2,
          ...THING_MM,
          heightMm,
          movable,
          moving: movable ? 'As it was found at the bench' : '',
        }),
      };
    }
    case 'coverStuck': {
      const number = 'opening' in step.values ? step.values.opening : (valueOf(slot.opening) ?? 1);
      return {
        ...job,
        machine: withObstacle(machine, plateAt(machine, number, `Cover of opening ${number}`)),
      };
    }
    case 'slotBroken':
      return {
        ...job,
        machine: {
          ...machine,
          slots: machine.slots.map((each) =>
            each.id === slot.id ? { ...each, state: known('dead', 'bench') } : each,
          ),
        },
      };
    case 'bracketWrong':
      return withCard(job, slot.id, (card) => ({ ...card, brackets: [card.bracketMounted] }));
    case 'cardLonger':
      return withCard(job, slot.id, (card) => ({ ...card, lengthMm: found.mm }));
    case 'screwMissing':
      return { ...job, machine: withoutScrews(machine, slot) };
    case 'boxShort':
      return withCard(job, slot.id, (card) => ({
        ...card,
        contents: card.contents.filter(
          ({ kind, fits }) => kind !== found.missing.kind || fits !== found.missing.fits,
        ),
      }));
  }
}

/** What closes an opening for good. */
const plateAt = (machine: Machine, number: number, name: string): NewObstacle => ({
  name,
  xMm: 0,
  yMm: openingMiddleMm(machine, number) - COVER_MM.depthMm / 2,
  ...COVER_MM,
  movable: false,
  moving: '',
});

const withCard = (job: Job, slotId: string, change: (card: Card) => Card): Job =>
  job.plan === null
    ? job
    : {
        ...job,
        plan: {
          ...job.plan,
          placements: job.plan.placements.map((each) =>
            each.slotId === slotId ? { ...each, card: change(each.card) } : each,
          ),
        },
      };

type NewObstacle = Omit<Machine['obstacles'][number], 'id' | 'kind'>;
const withObstacle = (machine: Machine, obstacle: NewObstacle): Machine => ({
  ...machine,
  obstacles: [
    ...machine.obstacles,
    { id: `found${freeNumber(machine.obstacles, (n) => `found${n}`)}`, kind: 'other', ...obstacle },
  ],
});

const inHousing = (
  machine: Machine,
  enclosureId: string | null,
  change: (part: Pick<Machine, 'case' | 'supply'>) => Partial<Pick<Machine, 'case' | 'supply'>>,
): Machine =>
  enclosureId === null
    ? { ...machine, ...change(machine) }
    : {
        ...machine,
        enclosures: machine.enclosures.map((box) =>
          box.id === enclosureId ? { ...box, ...change(box) } : box,
        ),
      };

const withoutScrews = (machine: Machine, { enclosureId, bus }: Slot): Machine =>
  inHousing(machine, enclosureId, ({ case: room }) => ({
    case:
      bus === 'm2'
        ? { ...room, spareModuleScrews: known(0, 'bench') }
        : { ...room, spareScrews: known(0, 'bench') },
  }));

/** The plug that the plan has for this socket reaches no farther than was seen, and others of its kind neither. */
function withShortLead(job: Job, slot: Slot, step: Step, mm: number): Machine {
  const card = assemblyOf(job).cards.find((each) => each.slot.id === slot.id);
  const number = Number(step.id.split(':')[2] ?? 0);
  const [taken] = card?.feeds[number]?.plugs ?? [];
  const { supply } = machineAround(slot, job.machine);
  const type = taken === undefined ? card?.card.sockets[number] : plugsOf(supply)[taken]?.type;
  return inHousing(job.machine, slot.enclosureId, ({ supply: of }) => ({
    supply: {
      ...of,
      plugs: known(
        (valueOf(of.plugs) ?? []).map((each) =>
          each.type === type ? { ...each, reachMm: mm } : each,
        ),
        'bench',
      ),
    },
  }));
}

/** Keys of the steps that are done to the customer's machine, by their code, in whichever round. */
const ticked = ({ ticks }: Job, code: StepCode): readonly string[] =>
  Object.keys(ticks).flatMap((id) =>
    id.startsWith(`${code}:`) && roundOf(id) !== 0 ? withoutRound(id).slice(code.length + 1) : [],
  );

/** New cards that are in their slots. */
const seated = (job: Job): readonly Placement[] =>
  (job.plan?.placements ?? []).filter(({ card, slotId }) =>
    ticked(job, 'seat').includes(`${card.id}:${slotId}`),
  );

/** Moves of which at least the first half is done, and slots whose card is out already. */
function begun(job: Job) {
  const out = ticked(job, 'takeToMove');
  const gone = ticked(job, 'takeOut');
  return {
    moves: (job.plan?.moves ?? []).filter(({ fromSlotId }) => out.includes(fromSlotId)),
    givenUp: (job.plan?.givenUp ?? []).filter((id) => gone.includes(id)),
  };
}

/**
 * What is asked of the planner for the rest: cards that are in stay, what was begun with the machine's own cards is finished
 * and nothing new is begun with them.
 */
export function restRequest(
  job: Job,
  {
    cards,
    extras,
    library,
  }: {
    readonly cards: readonly Card[];
    readonly extras: readonly Extra[];
    readonly library: DriverLibrary;
  },
): PlanRequest {
  const own = new Map((job.plan?.placements ?? []).map(({ card }) => [card.id, card]));
  const { moves, givenUp } = begun(job);
  const pins: readonly Pin[] = [
    ...job.pins.filter(({ kind }) => kind !== 'cardThere'),
    { kind: 'noMoves' },
    ...seated(job).map(({ card, slotId }): Pin => ({ kind: 'cardThere', cardId: card.id, slotId })),
  ];
  return {
    machine: withPlates(withMoves(job.machine, moves, givenUp), ticked(job, 'fitPlate')),
    needs: job.needs,
    budgetCents: job.budgetCents,
    // As they were found here, whatever the catalogue says; what is bought already costs nothing more.
    cards: [
      ...cards.filter(({ id }) => !own.has(id)),
      ...[...own.values()].map((card) =>
        ticked(job, 'order').some((key) => key.startsWith(`${card.id}:`))
          ? { ...card, priceCents: 0 }
          : card,
      ),
    ],
    extras,
    library,
    pins,
    weights: job.weights,
  };
}

/** Openings that a plate fills by now: no card comes through them. @param keys slot and opening of each */
const withPlates = (machine: Machine, keys: readonly string[]): Machine =>
  keys.reduce((soFar, key) => {
    const [slotId, number] = key.split(':');
    const isInCase = machine.slots.some(
      ({ id, enclosureId }) => id === slotId && enclosureId === null,
    );
    return isInCase ? withObstacle(soFar, plateAt(machine, Number(number), 'Plate')) : soFar;
  }, machine);

export interface Rest {
  readonly acceptance: Acceptance;
  readonly ticks: Job['ticks'];
}

/** Done to a card or its leads, wherever it goes then. */
const OF_CARDS: readonly StepCode[] = [
  'order',
  'checkArrived',
  'swapBracket',
  'joinRibbon',
  'setJumper',
  'fitModules',
  'joinLead',
  'joinFront',
  // The board’s end of its lead.
  'joinHeader',
];

/** The plan of the rest together with what was begun, and the ticks: what was done to a card on the bench stays done to it. */
export function restOf(
  job: Job,
  proposal: Proposal,
  library: DriverLibrary,
  extras: readonly Extra[],
): Rest {
  const { moves, givenUp } = begun(job);
  const bare = acceptanceOf(proposal, job, library, extras);
  // What is in stays, even where the planner would not have put it there.
  const there = seated(job);
  const own = new Map((job.plan?.placements ?? []).map(({ card }) => [card.id, card]));
  const placements = [
    ...there,
    ...bare.placements
      .filter(({ slotId }) => there.every((each) => each.slotId !== slotId))
      .map(({ slotId, card }) => ({ slotId, card: own.get(card.id) ?? card })),
  ];
  const acceptance = { ...bare, placements, moves, givenUp, staged: stagedAmong(placements, job) };
  const from = new Map((job.plan?.placements ?? []).map(({ card, slotId }) => [card.id, slotId]));
  const ticks = { ...job.ticks };
  for (const { card, slotId } of acceptance.placements) {
    const before = from.get(card.id);
    if (before === undefined || before === slotId) continue;
    for (const code of OF_CARDS)
      for (const rest of ticked(job, code))
        for (const [was, is] of [
          [`${card.id}:${before}`, `${card.id}:${slotId}`],
          [before, slotId],
        ] as const)
          for (const round of ['', SECOND_ROUND]) {
            const at = job.ticks[`${code}:${rest}${round}`];
            if (at !== undefined && (rest === was || rest.startsWith(`${was}:`)))
              ticks[`${code}:${is}${rest.slice(was.length)}${round}`] = at;
          }
  }
  return { acceptance, ticks: withoutRepeated(job, acceptance, ticks) };
}

/** Cards that waited go on waiting; once the second round is begun, all that did not go in before are of it. */
function stagedAmong(placements: readonly Placement[], { plan, ticks }: Job): readonly string[] {
  const isBegun = Object.keys(ticks).some((id) => id.endsWith(SECOND_ROUND));
  const waited = new Set(
    (plan?.placements ?? []).flatMap(({ card, slotId }) =>
      plan?.staged.includes(slotId) === true ? card.id : [],
    ),
  );
  return placements
    .filter(
      ({ slotId, card }) =>
        ticks[`seat:${card.id}:${slotId}`] === undefined && (isBegun || waited.has(card.id)),
    )
    .map(({ slotId }) => slotId);
}

/** What was done, was put right again, and is wanted once more for the plan as it is now, is done again. */
function withoutRepeated(job: Job, plan: Acceptance, ticks: Job['ticks']): Job['ticks'] {
  const now: Job = { ...job, ticks, plan: { ...plan, acceptedAt: job.changedAt } };
  const before = new Map(steps(job).map((step) => [step.id, step]));
  const again = new Set(
    roundsOf(now).flatMap((round) => repeatedIn(round, before).map((id) => stepIdIn(round, id))),
  );
  return Object.fromEntries(Object.entries(ticks).filter(([id]) => !again.has(id)));
}

/** As the round knows them. @param before the steps of all rounds, as they were */
function repeatedIn(round: Round, before: ReadonlyMap<string, Step>): readonly string[] {
  const { ticks } = round.job;
  const assembly = asItStands(round.assembly, round.job);
  const isIn = (slotId: string) =>
    assembly.cards.some(({ slot, isIn: there }) => slot.id === slotId && there);
  return actsFor(round.job, assembly).flatMap(({ draft: { code, key }, forSlots }) => {
    const by = RIGHTED.find(([done]) => done === code)?.[1];
    // Plugs come off and go back with their card.
    if (by === undefined || code === 'freeCard') return [];
    // A card comes out for a while only for what is still to be done.
    if (code !== 'takeOutFirst' && forSlots.every(isIn)) return [];
    const [done, righted] = [`${code}:${key ?? ''}`, `${by}:${key ?? ''}`];
    const was = before.get(stepIdIn(round, righted));
    // Led round it is in nobody's way.
    const isAside = was?.code === 'restorePlug' && was.values.isLedRound;
    return ticks[done] !== undefined && ticks[righted] !== undefined && !isAside
      ? [done, righted, ...(code === 'takeOutFirst' ? [`freeCard:${key}`, `plugBack:${key}`] : [])]
      : [];
  });
}
