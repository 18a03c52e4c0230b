/**
 * The planner's optimum in the plainest way: every card or none in every slot, every place for every card that is
 * there, every set of wants left, each judged by the rules on the finished machine. What a finding costs is the
 * planner's own table; everything else is reckoned here anew.
 */
import {
  PLAIN_WEIGHTS,
  type Card,
  type Machine,
  type Occupant,
  type Slot,
} from '../../src/core/document/index.ts';
import {
  assignPlugs,
  plugsOf,
  machineAround,
  socketsOf,
  withOccupants,
} from '../../src/core/placement/index.ts';
import { flowOf } from '../../src/core/flow/index.ts';
import { priced } from '../../src/core/buying/index.ts';
import {
  body,
  link,
  quirks,
  seat,
  slotVerdict,
  twelveVoltSum,
  type Finding,
} from '../../src/core/rules/index.ts';
import { unitsNeeded, type Flow, type Need, type NeedOf } from '../../src/core/kinds/index.ts';
import { valueOf, type ExtraNeeded } from '../../src/core/parts/index.ts';
import type { PlanRequest } from '../../src/core/plans/index.ts';
import type { PlugAdapter } from '../../src/core/standards/index.ts';
import {
  FITTING_CENTS,
  GIVE_UP_CENTS,
  MOVE_CENTS,
  NARROWED_CENTS,
  WISH_CENTS,
  scaleOf,
  penaltyOf,
  weigh,
  type Parts,
} from '../../src/core/plans/cost.ts';
import { slotInUse } from '../../src/core/placement/lanesLeft.ts';
import { powerInSlot } from '../../src/core/rules/power.ts';
import { said } from '../../src/core/rules/said.ts';
import { sharing } from '../../src/core/rules/sharing.ts';
import { aStatement, told } from './parts.ts';

/** Musts left, then cents × percent. */
export type SlowCost = readonly [number, number];

export interface There {
  readonly card: Card;
  readonly occupant: Occupant;
  readonly from: Slot;
  /** Null: given up. */
  readonly at: Slot | null;
  readonly lead: boolean;
}
export interface New {
  readonly card: Card;
  readonly slot: Slot;
  /** Whether a lead of the front panel goes to it. */
  readonly lead: boolean;
}

export function slowestPlan(request: PlanRequest): SlowCost {
  let best: SlowCost = [Infinity, Infinity];
  for (const there of arrangements(request)) {
    const machine = arranged(request.machine, there);
    for (const fresh of fillings(request.cards, machine)) {
      for (const cost of costs(request, machine, there, fresh)) {
        if (cost[0] < best[0] || (cost[0] === best[0] && cost[1] < best[1])) best = cost;
      }
    }
  }
  return best;
}

/** Every way to leave, move or give up the cards that are there. */
function arrangements({ machine, cards }: PlanRequest): readonly (readonly There[])[] {
  const there = machine.slots.flatMap((slot) => {
    const occupant = valueOf(slot.occupant);
    const card = cards.find((each) => `${each.maker} ${each.model}` === occupant?.name);
    if (occupant === null || card === undefined) return [];
    // It works here already.
    const statements = [...card.statements, aStatement('tried')];
    return [{ card: { ...card, statements }, occupant, from: slot }];
  });
  return there.reduce<readonly (readonly There[])[]>(
    (all, each) =>
      all.flatMap((soFar) => [
        ...machine.slots
          .filter(({ id }) => !soFar.some(({ at }) => at?.id === id))
          .filter(({ enclosureId }) => enclosureId === each.from.enclosureId)
          .flatMap((at) => withLead(each.card).map((lead) => [...soFar, { ...each, at, lead }])),
        ...(each.occupant.disposition === 'optional'
          ? [[...soFar, { ...each, at: null, lead: false }]]
          : []),
      ]),
    [[]],
  );
}

const withLead = ({ frontHeaders }: Card): readonly boolean[] =>
  frontHeaders.length > 0 ? [true, false] : [false];

export const arranged = (surveyed: Machine, there: readonly There[]): Machine => {
  const machine = givenBack(
    surveyed,
    there.filter(({ at }) => at === null),
  );
  return {
    ...machine,
    slots: machine.slots.map((slot) => ({
      ...slot,
      occupant: told(there.find(({ at }) => at?.id === slot.id)?.occupant ?? null),
    })),
  };
};

/** Watts and plugs of cards that leave, back at the supply that fed them. */
function givenBack(machine: Machine, gone: readonly There[]): Machine {
  const supplied = (supply: Machine['supply'], id: string | null): Machine['supply'] => {
    const here = gone.filter(({ from }) => from.enclosureId === id).map(({ occupant }) => occupant);
    const watts = here.reduce((sum, each) => sum + (valueOf(each.watts) ?? 0), 0);
    const plugs = here.flatMap((each) => valueOf(each.plugs) ?? []);
    return {
      ...supply,
      baseWatts:
        supply.baseWatts === null ? null : told(Math.max(0, supply.baseWatts.value - watts)),
      plugs:
        supply.plugs === null
          ? null
          : told([...supply.plugs.value, ...plugs.map((type) => ({ type, count: 1 }))]),
    };
  };
  return {
    ...machine,
    supply: supplied(machine.supply, null),
    enclosures: machine.enclosures.map((box) => ({ ...box, supply: supplied(box.supply, box.id) })),
  };
}

function fillings(cards: readonly Card[], machine: Machine): readonly (readonly New[])[] {
  return machine.slots
    .filter(({ occupant }) => valueOf(occupant) === null)
    .reduce<readonly (readonly New[])[]>(
      (all, slot) =>
        all.flatMap((soFar) => [
          soFar,
          ...cards.flatMap((card) =>
            withLead(card).map((lead) => [...soFar, { card, slot, lead }]),
          ),
        ]),
      [[]],
    );
}

function costs(
  request: PlanRequest,
  arrangedMachine: Machine,
  there: readonly There[],
  fresh: readonly New[],
): readonly SlowCost[] {
  const plan = judged(request, arrangedMachine, there, fresh);
  if (plan === null) return [];
  return subsetsOf(request.needs)
    .filter((kept) => servable(kept, plan.serving, plan.finished))
    .map((kept) => costOf(request, plan, kept));
}

/** A whole plan with what the rules say of it. */
export interface Judged {
  readonly there: readonly There[];
  readonly fresh: readonly New[];
  readonly finished: Machine;
  readonly serving: readonly Serving[];
  /** Cards of the machine that are left fewer lanes. */
  readonly narrowed: number;
  readonly findings: readonly Finding[];
  /** Facts not known of cards that can go back: each is half the risk. */
  readonly doubtsSentBack: number;
  /** New cards that serve nothing before later. */
  readonly laterCards: readonly New[];
  /** What findings of each new card ask to be bought. */
  readonly mending: readonly (readonly ExtraNeeded[])[];
  readonly flows: readonly Flow[];
  readonly adapters: readonly PlugAdapter[];
}

/** Null where the rules forbid it. @param bareMachine with its cards where the plan has them */
export function judged(
  { machine: before, needs, library }: PlanRequest,
  bareMachine: Machine,
  there: readonly There[],
  fresh: readonly New[],
): Judged | null {
  const arrangedMachine = withDrivesTold(bareMachine, needs);
  const leads = valueOf(arrangedMachine.case.frontLeads)?.length ?? 0;
  if ([...fresh, ...there].filter(({ lead }) => lead).length > leads) return null;
  if (platesShort(arrangedMachine, there, fresh)) return null;
  const finished = withOccupants(arrangedMachine, fresh);
  const without = ({ id }: Slot): Machine => ({
    ...finished,
    slots: finished.slots.map((slot) =>
      slot.id === id ? { ...slot, occupant: told(null) } : slot,
    ),
  });
  const found = fresh.map(
    ({ card, slot }) => slotVerdict(card, slot, without(slot), library).findings,
  );
  if (found.some(blocked)) return null;
  const moved = there.map(({ card, at, from }) =>
    at === null || at.id === from.id ? [] : inPlace(card, at, without(at)),
  );
  if (moved.some(blocked)) return null;
  const narrowed = there.filter(
    ({ at, from }) => at?.id === from.id && loses(at, finished, before),
  );
  if (narrowed.some(({ at }) => lanesIn(at!, finished) === 0)) return null;
  const power = powerOf(fresh, arrangedMachine);
  if (power === null) return null;
  const flowsOf = fresh.map(({ card, slot, lead }) =>
    needs
      .flatMap((need) => flowOf(card, slot, need, finished) ?? [])
      .filter(({ units, need }) => units > 0 && (lead || !atFront(need))),
  );
  const isLater = flowsOf.map((flows) => flows.length > 0 && flows.every(({ need }) => need.later));
  const flows = flowsOf.flat();
  return {
    there,
    fresh,
    finished,
    serving: [
      ...fresh.map(({ card, slot, lead }) => ({ card, slot, lead, isNew: true })),
      ...there.flatMap(({ card, at, lead }) =>
        at === null ? [] : [{ card, slot: at, lead, isNew: false }],
      ),
    ],
    narrowed: narrowed.length,
    findings: [
      ...[...found.flat(), ...moved.flat()].filter(isOfOne),
      ...troubleAmong(there, fresh),
      ...flows.flatMap(({ finding, catches }) => [finding, ...catches]),
      ...power.findings,
      ...headersShort(fresh, arrangedMachine),
    ],
    doubtsSentBack: fresh.flatMap(({ card }, n) =>
      card.returnDays === null
        ? []
        : [...found[n]!.filter(isOfOne), ...flowsOf[n]!.map(({ finding }) => finding)].filter(
            ({ verdict, code }) => verdict === 'unknown' && code !== 'body.airUnknown',
          ),
    ).length,
    laterCards: fresh.filter((_, n) => isLater[n]),
    mending: fresh.map(({ card }, n) =>
      notIn(
        card.contents.filter(({ kind }) => kind !== 'plugAdapter'),
        [
          ...found[n]!.flatMap(boughtFor),
          ...flowsOf[n]!.flatMap(boughtForFlow),
          ...inCages(flowsOf[n]!),
        ],
      ),
    ),
    flows,
    adapters: power.adapters,
  };
}

/** What told drives draw on 12 V comes on top of what the machine draws now, and each bay holds the drives of one need. */
export function withDrivesTold(bare: Machine, needs: readonly Need[]): Machine {
  const machine = sharingBays(bare, needs);
  let watts = 0;
  for (const need of needs)
    if (need.kind === 'drives')
      for (const { twelveVoltWatts } of need.these) watts += twelveVoltWatts ?? 0;
  const { supply } = machine;
  return supply.baseWatts === null
    ? machine
    : { ...machine, supply: { ...supply, baseWatts: told(supply.baseWatts.value + watts) } };
}

/** All bays are of one size here, so that they need only be counted: musts first, then drives that hang on cables for sure. */
function sharingBays(machine: Machine, needs: readonly Need[]): Machine {
  const bays = valueOf(machine.case.bays);
  if (bays === null) return machine;
  const rank = ({ must, these, drive }: NeedOf<'drives'>) =>
    (must ? 0 : 2) + ((these[0]?.socket ?? drive) === 'sata' ? 0 : 1);
  const wanting = needs
    .filter((need): need is NeedOf<'drives'> => need.kind === 'drives')
    .filter(({ these, drive }) => ['sata', 'any'].includes(these[0]?.socket ?? drive))
    .toSorted((a, b) => rank(a) - rank(b));
  let free = bays.reduce((sum, { count }) => sum + count, 0);
  const baysFor = new Map<string, readonly { size: '3.5'; count: number }[]>();
  for (const need of wanting) {
    baysFor.set(need.id, free === 0 ? [] : [{ size: '3.5', count: free }]);
    free = Math.max(0, free - unitsNeeded(need));
  }
  return { ...machine, case: { ...machine.case, baysFor } };
}

/** Pairs of cards of which one is said to have trouble beside the other, and one at least is new. */
function troubleAmong(there: readonly There[], fresh: readonly New[]): readonly Finding[] {
  const all = [
    ...fresh.map(({ card }) => ({ card, isNew: true })),
    ...there.flatMap(({ card, at }) => (at === null ? [] : { card, isNew: false })),
  ];
  return all.flatMap((one, n) =>
    all.flatMap((other, m): readonly Finding[] => {
      const name = `${other.card.maker} ${other.card.model}`;
      return n !== m &&
        (one.isNew || other.isNew) &&
        one.card.statements.some(({ card }) => card === name)
        ? [{ code: 'said.problemWith', verdict: 'limited', subject: name }]
        : [];
    }),
  );
}

/** Plates of new cards and the brackets of all, housing by housing, against the openings there are. */
const platesShort = (machine: Machine, there: readonly There[], fresh: readonly New[]): boolean =>
  [null, ...machine.enclosures.map(({ id }) => id)].some((housing) => {
    const room = machine.enclosures.find(({ id }) => id === housing)?.case ?? machine.case;
    const mine = fresh.filter(({ slot }) => slot.enclosureId === housing);
    const plates = mine.reduce((sum, { card }) => sum + card.plates, 0);
    const brackets = [
      ...mine.map(({ card }) => card.openings),
      ...there.flatMap(({ at, occupant, card }) =>
        at?.enclosureId === housing ? [valueOf(occupant.openings) ?? card.openings] : [],
      ),
    ].reduce((sum, openings) => sum + openings, 0);
    return plates > 0 && plates + brackets > (valueOf(room.openings) ?? Infinity);
  });

/** A card that only moves is asked about its new place, rule by rule; plugs, leads, watts and driver stay as they were. */
const inPlace = (card: Card, at: Slot, machine: Machine): readonly Finding[] => {
  const empty = { ...at, occupant: told(null) };
  const around = machineAround(empty, machine);
  return [
    ...seat(card, empty, around),
    ...sharing(card, empty, machine),
    link(card, slotInUse(empty, machine)),
    ...body(card, empty, around),
    ...powerInSlot({ ...card, sockets: [] }, empty, around),
    ...said(card, at, machine),
    ...quirks(
      { ...card, quirks: card.quirks.filter((each) => each === 'processorSlot') },
      at,
      machine,
    ),
  ];
};

/** What all cards draw and plug in together is asked once, of all of them; lanes taken are counted at who loses them. */
const OF_ALL = [
  'power.plugsFound',
  'power.adapter',
  'power.leadShort',
  'power.sumFits',
  'power.sumUnknown',
  'power.sumShort',
  'power.headroomUsed',
  'sharing.takes',
  'said.problemWith',
];
const isOfOne = ({ code }: Finding): boolean => !OF_ALL.includes(code);

/** What a plan costs that leaves all needs but these. */
export function costOf(
  { needs, budgetCents, machine, weights = PLAIN_WEIGHTS, extras = [] }: PlanRequest,
  { there, fresh, narrowed, findings, doubtsSentBack, laterCards, mending, adapters }: Judged,
  kept: readonly Need[],
): SlowCost {
  const now = fresh.filter((each) => !laterCards.includes(each));
  const mendingOf = (some: readonly New[]) =>
    fresh.flatMap((each, n) => (some.includes(each) ? mending[n]! : []));
  const bought = [
    ...mendingOf(now),
    ...notIn(
      fresh.flatMap(({ card }) => card.contents),
      adapters.map((fits) => ({ kind: 'plugAdapter' as const, fits, count: 1 })),
    ),
    ...(fresh.length > 0 && valueOf(machine.case.spareScrews) === 0
      ? [{ kind: 'screws' as const, fits: '', count: 1 }]
      : []),
  ];
  const prices = priced(bought, extras);
  const money =
    now.reduce((total, { card }) => total + card.priceCents, 0) +
    prices.reduce((total, { cents }) => total + cents, 0);
  const later =
    laterCards.reduce((total, { card }) => total + card.priceCents, 0) +
    priced(mendingOf(laterCards), extras).reduce((total, { cents }) => total + cents, 0);
  const days = Math.max(
    0,
    ...now.map(({ card }) => card.leadDays ?? 0),
    ...prices.map(({ extra }) => extra?.leadDays ?? 0),
  );
  const moves = there.filter(({ at, from }) => at !== null && at.id !== from.id).length;
  const gone = there.filter(({ at }) => at === null).length;
  const trouble = penaltyOf(findings);
  const left = needs.filter((need) => !kept.includes(need));
  const parts: Parts = {
    ...trouble,
    unknown: (trouble.unknown ?? 0) - doubtsSentBack * 5_000,
    price: money,
    later,
    overBudget: budgetCents === null ? 0 : Math.max(0, money - budgetCents) * 100,
    wishes: left.reduce((total, { must, weight }) => total + (must ? 0 : weight * WISH_CENTS), 0),
    disturbance:
      (trouble.disturbance ?? 0) +
      fresh.length * FITTING_CENTS +
      moves * MOVE_CENTS +
      gone * GIVE_UP_CENTS +
      narrowed * NARROWED_CENTS,
    wait: days * 100,
    longSlot:
      5 *
      [
        ...fresh.map(({ card, slot }) => spareLanes(card, slot)),
        ...there.map(({ card, at, from }) =>
          at === null || at.id === from.id ? 0 : spareLanes(card, at),
        ),
      ].reduce((total, lanes) => total + lanes, 0),
  };
  return [left.filter(({ must }) => must).length, weigh(parts, scaleOf(weights))];
}

/** Lanes of a slot's connector that a card leaves bare. */
const spareLanes = ({ bus, lanes }: Card, slot: Slot): number =>
  bus === 'pcie' ? Math.max(0, (valueOf(slot.connectorLanes) ?? 0) - lanes) : 0;

const blocked = (findings: readonly Finding[]): boolean =>
  findings.some(({ verdict }) => verdict === 'blocked');

/** Lanes that the conditions leave a slot in a machine, by who sits where. */
function lanesIn({ id, lanes }: Slot, machine: Machine): number {
  const used = (slotId: string) =>
    valueOf(machine.slots.find((slot) => slot.id === slotId)?.occupant ?? null) !== null;
  return Math.min(
    valueOf(lanes)!,
    ...machine.conditions
      .filter(({ slotId, whenSlotId }) => slotId === id && used(whenSlotId))
      .map(({ keepsLanes }) => keepsLanes),
  );
}

const loses = (slot: Slot, finished: Machine, before: Machine): boolean =>
  lanesIn(slot, finished) < lanesIn(slot, before);

/** Null where a supply does not do it: the machine's own feeds its case, each box outside has one of its own. */
function powerOf(fresh: readonly New[], machine: Machine) {
  const supplies = [{ id: null, supply: machine.supply }, ...machine.enclosures];
  const each = supplies.map(({ id, supply }) =>
    powerIn(
      fresh.filter(({ slot }) => slot.enclosureId === id),
      { ...machine, supply },
    ),
  );
  if (each.includes(null)) return null;
  return {
    findings: each.flatMap((one) => one!.findings),
    adapters: each.flatMap((one) => one!.adapters),
  };
}

function powerIn(fresh: readonly New[], machine: Machine) {
  if (fresh.length === 0) return { findings: [], adapters: [] };
  const total = twelveVoltSum(
    fresh.reduce((watts, { card }) => watts + card.peakWatts, 0),
    machine,
  );
  const { cost, feeds } = assignPlugs(
    fresh.flatMap(({ card }) => socketsOf(card)),
    plugsOf(machine.supply),
  );
  if (blocked(total) || cost.dead > 0) return null;
  const adapters = feeds.flatMap(({ adapter }) => adapter ?? []);
  const joined: readonly Finding[] =
    adapters[0] === undefined
      ? []
      : [{ code: 'power.adapter', verdict: 'needs', subject: adapters[0] }];
  return { findings: [...total, ...joined], adapters };
}

/** A header of the board serves one lead only; with none at all each card says so itself. */
function headersShort(fresh: readonly New[], machine: Machine): readonly Finding[] {
  const there = valueOf(machine.headers)!.length;
  const asked = fresh.filter(
    ({ card, slot }) => slot.enclosureId === null && card.boardLeads.length > 0,
  ).length;
  return there === 0
    ? []
    : Array.from({ length: Math.max(0, asked - there) }, () => ({
        code: 'header.missing',
        verdict: 'limited',
        subject: 'sound-4-pin',
      }));
}

/** Of these one by one whatever no box holds. */
function notIn(
  boxes: readonly { readonly kind: string; readonly fits: string }[],
  wanted: readonly ExtraNeeded[],
): readonly ExtraNeeded[] {
  const there = new Map<string, number>();
  for (const { kind, fits } of boxes)
    there.set(`${kind} ${fits}`, (there.get(`${kind} ${fits}`) ?? 0) + 1);
  return wanted
    .flatMap(({ count, ...each }) => Array.from({ length: count }, () => ({ ...each, count: 1 })))
    .filter(({ kind, fits }) => {
      const key =
        fits === ''
          ? [...there.keys()].find((each) => each.startsWith(`${kind} `) && there.get(each)! > 0)
          : `${kind} ${fits}`;
      const left = key === undefined ? 0 : (there.get(key) ?? 0);
      if (key !== undefined && left > 0) there.set(key, left - 1);
      return left === 0;
    });
}

function boughtForFlow({ need, units, hangs, forDrives }: Flow): readonly ExtraNeeded[] {
  const one = (kind: ExtraNeeded['kind'], fits: string): ExtraNeeded => ({ kind, fits, count: 1 });
  return [
    ...(hangs === 'cables'
      ? [{ ...one('driveCable', 'sata'), count: Math.min(units, unitsNeeded(need)) }]
      : []),
    ...forDrives.plugAdapters.map((fits) => one('plugAdapter', fits)),
    ...(forDrives.bays > 0 ? [{ ...one('bay', 'drive'), count: forDrives.bays }] : []),
    ...forDrives.frames.map((fits) => one('bay', fits)),
  ];
}

/** One cage is filled once, whichever of the needs goes through it: the flow that fills most decides. */
function inCages(flows: readonly Flow[]): readonly ExtraNeeded[] {
  const [fullest] = flows.toSorted((a, b) => b.modules.length - a.modules.length);
  return (fullest?.modules ?? []).map((fits) => ({ kind: 'networkModule', fits, count: 1 }));
}

function boughtFor(finding: Finding): readonly ExtraNeeded[] {
  if (finding.code === 'bracket.missing')
    return [{ kind: 'bracket' as const, fits: finding.subject, count: 1 }];
  return finding.code === 'body.sag' ? [{ kind: 'support' as const, fits: '', count: 1 }] : [];
}

interface Serving {
  readonly card: Card;
  readonly slot: Slot;
  readonly lead: boolean;
  readonly isNew: boolean;
}

const atFront = (need: Need): boolean => need.kind === 'usb' && need.where === 'front';

/** Hands out the cards' units one by one, in every way, until each kept need has what it wants. */
function servable(kept: readonly Need[], serving: readonly Serving[], machine: Machine): boolean {
  const shared = ({ kind }: Need) => kind === 'network';
  const units = (need: Need, { card, slot, lead, isNew }: Serving) => {
    const flow = flowOf(card, slot, need, machine);
    // On what the machine may do already nobody counts before it is known.
    const isCounted = isNew || flow?.finding.verdict !== 'unknown';
    return (atFront(need) && !lead) || !isCounted ? 0 : (flow?.units ?? 0);
  };
  if (kept.filter(shared).some((need) => !serving.some((each) => units(need, each) > 0)))
    return false;
  const demands = kept
    .filter((need) => !shared(need))
    .flatMap((need) => Array<Need>(unitsNeeded(need)).fill(need));
  // Ports at the back and at the front of one card are different ports.
  const place = (need: Need) => (need.kind === 'usb' ? need.where : '');
  const positions = [...new Set(demands.map(place))];
  const pools = serving.flatMap((each) =>
    positions.map((at) => ({
      each,
      at,
      most: Math.max(
        0,
        ...kept.filter((need) => place(need) === at).map((need) => units(need, each)),
      ),
    })),
  );
  const give = (n: number, left: readonly number[]): boolean => {
    const demand = demands[n];
    if (demand === undefined) return true;
    return pools.some(
      ({ each, at }, p) =>
        place(demand) === at &&
        units(demand, each) > 0 &&
        left[p]! > 0 &&
        give(n + 1, left.with(p, left[p]! - 1)),
    );
  };
  return give(
    0,
    pools.map(({ most }) => most),
  );
}

const subsetsOf = <Item>(items: readonly Item[]): readonly (readonly Item[])[] =>
  items.reduce<readonly (readonly Item[])[]>(
    (all, item) => [...all, ...all.map((set) => [...set, item])],
    [[]],
  );
