/** What was found at the bench, as facts; and the work that remains, planned anew with all that is done as it is. */
import { acceptanceOf, type Acceptance } from '../../assembly/acceptance.ts';
import { assemblyOf } from '../../assembly/assembly.ts';
import type { DriverLibrary } from '../../drivers/chooseDriver.ts';
import type { Card } from '../../parts/card.ts';
import type { Extra } from '../../parts/extra.ts';
import { freeNumber } from '../../parts/freeNumber.ts';
import { known, valueOf } from '../../parts/fact.ts';
import {
  DONE_TO_CARDS,
  actOf,
  actsOfKind,
  isDone,
  type Act as Done,
  type ActCode,
} from '../../parts/act.ts';
import type { Job, Placement } from '../../parts/job.ts';
import type { Machine, Slot } from '../../parts/machine.ts';
import type { Pin } from '../../parts/planning.ts';
import { openingMiddleMm } from '../../placement/geometry.ts';
import { machineAround } from '../../placement/housing.ts';
import { withMoves } from '../../placement/moves.ts';
import { plugsOf } from '../../placement/plugs.ts';
import type { PlanRequest, Proposal } from '../../planner/answers/plan.ts';
import { looseLead, type InnerLead } from '../../parts/innerLead.ts';
import { leadRow, type LeadKind } from '../../standards/innerLeads.ts';
import type { Step, StepCode, StepValues } from '../step.ts';

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
      /** It is moved by pulling its plug, which goes in again. */
      readonly hasPlug: boolean;
    }
  /** The board has no such header. */
  | { readonly kind: 'noHeader' }
  /** Another plug is in it, and stays. */
  | { readonly kind: 'headerTaken' }
  /** Nothing goes there any more. */
  | { readonly kind: 'pinBent' }
  /** Nothing keeps the plug from going in the wrong way. */
  | { readonly kind: 'notKeyed' }
  /** A plug inside came out meanwhile. */
  | { readonly kind: 'knockedLoose'; readonly lead: LeadKind; readonly name: string }
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
  leadShort: [
    'plug',
    'joinHeader',
    'joinFront',
    'joinEnd',
    'joinDrives',
    'joinDriveEnds',
    'feedDrives',
    'joinRear',
  ],
  noHeader: ['joinHeader', 'joinEnd'],
  headerTaken: ['joinHeader', 'joinEnd'],
  pinBent: ['joinHeader', 'joinFront', 'joinEnd'],
  notKeyed: ['joinHeader', 'joinEnd'],
  knockedLoose: ['lookOver'],
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
          (step.code !== 'joinEnd' || canBeOfLead(kind, step.values)) &&
          (kind !== 'notKeyed' || !step.cautions.includes('pinOne')) &&
          (step.code !== 'checkArrived' || canArriveSo(kind, step.values)),
      );
}

/** Only what plugs into the board can find its place taken, or missing. */
function canBeOfLead(kind: FoundKind, { end, lead }: StepValues['joinEnd']): boolean {
  if (kind === 'notKeyed') return ['keyed', 'latch'].includes(leadRow(lead).guard);
  return end === 'board' || kind === 'leadShort' || kind === 'pinBent';
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

/** The job with what was found as facts of machine and cards, and what has to be bought for it; the plan stays as it was. */
export function withFound(job: Job, step: Step, found: Found): Job {
  return job.plan === null
    ? job
    : step.code === 'joinEnd'
      ? ofLead(job, step, found)
      : found.kind === 'knockedLoose'
        ? withKnockedLoose(job, found)
        : ofSlot(job, step, found);
}

/** What is found of a lead of the machine itself. */
function ofLead(job: Job, step: Extract<Step, { code: 'joinEnd' }>, found: Found): Job {
  const { lead: id, socket: n } = step.on;
  const change = (to: (lead: InnerLead) => InnerLead): Job => ({
    ...job,
    machine: {
      ...job.machine,
      leads: job.machine.leads.map((each) => (each.id === id ? to(each) : each)),
    },
  });
  const barred = ({ headerTaken: 'taken', noHeader: 'noHeader', pinBent: 'pinBent' } as const)[
    found.kind as 'headerTaken'
  ];
  if (barred !== undefined)
    return change((lead) => ({
      ...lead,
      ends: lead.ends.map((end, at) => (at === n ? { ...end, barred } : end)),
    }));
  if (found.kind === 'notKeyed') return change((lead) => ({ ...lead, unkeyed: true }));
  if (found.kind !== 'leadShort') return job;
  const { lead, name } = step.values;
  const kind = leadRow(lead).fromSupply === true ? 'powerLead' : 'headerLead';
  return withLonger(job, kind, `longer ${name || lead}`);
}

/** A longer lead, bought for the machine itself, of which nobody has told price or delivery yet. */
function withLonger(job: Job, kind: Extra['kind'], what: string): Job {
  const id = `longer-${freeNumber(job.bought, (n) => `longer-${n}`, 1)}`;
  const longer: Extra = {
    id,
    maker: '',
    model: what,
    kind,
    fits: '',
    limit: null,
    priceCents: 0,
    leadDays: null,
  };
  return { ...job, bought: [...job.bought, longer] };
}

const withKnockedLoose = (
  job: Job,
  { lead, name }: Extract<Found, { readonly kind: 'knockedLoose' }>,
): Job => {
  const { leads } = job.machine;
  const id = `lead${freeNumber(leads, (n) => `lead${n}`)}`;
  return {
    ...job,
    machine: { ...job.machine, leads: [...leads, looseLead(id, lead, name, 'bench')] },
  };
};

/** What is found of a slot, its card, or a lead that goes to it. */
function ofSlot(job: Job, step: Step, found: Found): Job {
  const { machine } = job;
  const slot = machine.slots.find(({ id }) => id === step.slotId);
  const longer = LONGER[step.code];
  if (found.kind === 'leadShort' && longer !== undefined)
    return withLonger(job, longer.kind, longer.what);
  if (slot === undefined) return job;
  switch (found.kind) {
    case 'leadShort':
      return withLeadShort(job, slot, step, found.mm);
    case 'noHeader':
    case 'headerTaken':
      return step.code === 'joinHeader'
        ? { ...job, machine: withoutHeader(job, step, found.kind === 'noHeader') }
        : job;
    case 'pinBent':
      return withBentPin(job, slot, step);
    case 'notKeyed':
      return step.code === 'joinHeader' ? { ...job, machine: withUnkeyed(job, step) } : job;
    case 'knockedLoose':
      return job;
    case 'inTheWay': {
      const { fromRearMm: xMm, heightMm, movable, what, hasPlug } = found;
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
          ...(movable && hasPlug
            ? { plugAt: { xMm: xMm + THING_MM.widthMm / 2, yMm: middle } }
            : {}),
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

/** What is bought where a lead between things that stand where they stand is too short. */
const LONGER: Readonly<
  Partial<Record<StepCode, { readonly kind: Extra['kind']; readonly what: string }>>
> = {
  joinDrives: { kind: 'driveCable', what: 'longer data lead' },
  joinDriveEnds: { kind: 'driveCable', what: 'longer data lead' },
  feedDrives: { kind: 'powerLead', what: 'longer power lead' },
  joinRear: { kind: 'outsideLead', what: 'longer lead behind' },
};

/** A lead that is too short for where the plan has it: another header, another slot, or a longer one. */
function withLeadShort(job: Job, slot: Slot, step: Step, mm: number): Job {
  const { machine } = job;
  if (step.code === 'joinHeader') {
    const { header } = step.values;
    return withCard(job, slot.id, (card) => ({
      ...card,
      boardLeads: card.boardLeads.map((lead) =>
        lead.type === header ? { ...lead, lengthMm: Math.min(lead.lengthMm, mm) } : lead,
      ),
    }));
  }
  if (step.code !== 'joinFront') return { ...job, machine: withShortLead(job, slot, step, mm) };
  // So far from the rear edge it ends; the card's header stands nearer.
  const { lead: type } = step.values;
  const leads = valueOf(machine.case.frontLeads) ?? [];
  return {
    ...job,
    machine: {
      ...machine,
      case: {
        ...machine.case,
        frontLeads: known(
          leads.map((each) => (each.type === type ? { ...each, nearestMm: mm } : each)),
          'bench',
        ),
      },
    },
  };
}

/** The header that the plan has for this lead, or all of its kind. */
function withoutHeader(
  job: Job,
  step: Extract<Step, { code: 'joinHeader' }>,
  all: boolean,
): Machine {
  const { machine } = job;
  const headers = valueOf(machine.headers) ?? [];
  const taken = headerOf(job, step);
  return {
    ...machine,
    headers: known(
      headers.filter((each) => (all ? each.type !== step.values.header : each !== taken)),
      'bench',
    ),
  };
}

const headerOf = (job: Job, { slotId, values }: Extract<Step, { code: 'joinHeader' }>) =>
  assemblyOf(job)
    .cards.find(({ slot }) => slot.id === slotId)
    ?.headers.find(({ type }) => type === values.header);

const withUnkeyed = (job: Job, step: Extract<Step, { code: 'joinHeader' }>): Machine => {
  const taken = headerOf(job, step);
  return {
    ...job.machine,
    headers: known(
      (valueOf(job.machine.headers) ?? []).map((each) =>
        each === taken ? { ...each, unkeyed: true as const } : each,
      ),
      'bench',
    ),
  };
};

/** Of the board's header, or of the card's own. */
function withBentPin(job: Job, slot: Slot, step: Step): Job {
  if (step.code === 'joinHeader') {
    const { header } = step.values;
    const machine = withoutHeader(job, step, false);
    const id = `damage-${freeNumber(machine.damage, (n) => `damage-${n}`, 1)}`;
    return {
      ...job,
      machine: { ...machine, damage: [...machine.damage, { id, what: `bent pin: ${header}` }] },
    };
  }
  if (step.code !== 'joinFront') return job;
  const { lead } = step.values;
  return withCard(job, slot.id, (card) => ({
    ...card,
    frontHeaders: card.frontHeaders.filter(({ type }) => type !== lead),
  }));
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
  const number = step.on.socket ?? 0;
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

/** New cards that are in their slots. */
const seated = (job: Job): readonly Placement[] =>
  (job.plan?.placements ?? []).filter(
    ({ card, slotId: slot }) => actOf(job, 'seat', { card: card.id, slot }) !== undefined,
  );

/** Slots that this was done to. */
const slotsOf = (job: Job, code: ActCode): readonly string[] =>
  actsOfKind(job, code).flatMap(({ on }) => on.slot ?? []);

/** Moves of which at least the first half is done, and slots whose card is out already. */
function begun(job: Job) {
  const out = slotsOf(job, 'takeToMove');
  const gone = slotsOf(job, 'takeOut');
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
    machine: withPlates(withMoves(job.machine, moves, givenUp), actsOfKind(job, 'fitPlate')),
    needs: job.needs,
    budgetCents: job.budgetCents,
    // As they were found here, whatever the catalogue says; what is bought already costs nothing more.
    cards: [
      ...cards.filter(({ id }) => !own.has(id)),
      ...[...own.values()].map((card) =>
        actsOfKind(job, 'order').some(({ on }) => on.card === card.id)
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

/** Openings that a plate fills by now: no card comes through them. */
const withPlates = (machine: Machine, fitted: readonly Done[]): Machine =>
  fitted.reduce((soFar, { on }) => {
    const isInCase = machine.slots.some(
      ({ id, enclosureId }) => id === on.slot && enclosureId === null,
    );
    return isInCase && on.opening !== undefined
      ? withObstacle(soFar, plateAt(machine, on.opening, 'Plate'))
      : soFar;
  }, machine);

export interface Rest {
  readonly acceptance: Acceptance;
  readonly acts: Job['acts'];
}

/** The plan of the rest together with what was begun, and what is done: what was done to a card on the bench stays done to it. */
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
    ...withoutThoseIn(bare.placements, there).map(({ slotId, card }) => ({
      slotId,
      card: own.get(card.id) ?? card,
    })),
  ];
  const acceptance = { ...bare, placements, moves, givenUp, staged: stagedAmong(placements, job) };
  return {
    acceptance,
    acts: followed(job, acceptance.placements),
  };
}

/** What is in is in: where the planner would have had it elsewhere, it is not bought once more. */
function withoutThoseIn(
  proposed: readonly Placement[],
  there: readonly Placement[],
): readonly Placement[] {
  const isThere = (each: Placement) => there.some(({ slotId }) => slotId === each.slotId);
  const elsewhere = there
    .filter(({ slotId }) => proposed.every((each) => each.slotId !== slotId))
    .map(({ card }) => card.id);
  return proposed.filter((each) => {
    if (isThere(each)) return false;
    const at = elsewhere.indexOf(each.card.id);
    if (at >= 0) elsewhere.splice(at, 1);
    return at < 0;
  });
}

/** What was done to a card goes with it to its new slot: of several of one kind each goes by itself. */
function followed(job: Job, placements: readonly Placement[]): Job['acts'] {
  const before = job.plan?.placements ?? [];
  const isKept = (one: Placement, among: readonly Placement[]) =>
    among.some(({ card, slotId }) => card.id === one.card.id && slotId === one.slotId);
  const left = before.filter((each) => !isKept(each, placements));
  const to = new Map<string, Placement>();
  for (const each of placements.filter((one) => !isKept(one, before))) {
    const at = left.findIndex(({ card }) => card.id === each.card.id);
    const [from] = at === -1 ? [] : left.splice(at, 1);
    if (from !== undefined) to.set(from.slotId, each);
  }
  return job.acts.map((act) => {
    const { slot, card } = act.on;
    const goes = slot === undefined || !DONE_TO_CARDS.includes(act.code) ? undefined : to.get(slot);
    return goes === undefined || act.round === 0 || (card !== undefined && card !== goes.card.id)
      ? act
      : { ...act, on: { ...act.on, slot: goes.slotId } };
  });
}

/** Cards that waited go on waiting; once the second round is begun, all that did not go in before are of it. */
function stagedAmong(placements: readonly Placement[], job: Job): readonly string[] {
  const { plan } = job;
  const isBegun = job.acts.some(({ round }) => round === 2);
  const waited = new Set(
    (plan?.placements ?? []).flatMap(({ card, slotId }) =>
      plan?.staged.includes(slotId) === true ? card.id : [],
    ),
  );
  return placements
    .filter(
      ({ slotId: slot, card }) =>
        !isDone(job, { code: 'seat', on: { card: card.id, slot }, round: 1 }) &&
        (isBegun || waited.has(card.id)),
    )
    .map(({ slotId }) => slotId);
}
