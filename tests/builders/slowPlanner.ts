/**
 * The planner's optimum in the plainest way: every card or none in every slot, every place for every card that is
 * there, every set of wants left, each judged by the rules on the finished machine. What a finding costs is the
 * planner's own table; everything else is reckoned here anew.
 */
import {
  PLAIN_WEIGHTS,
  assignPlugs,
  flowOf,
  plugsOf,
  priced,
  slotVerdict,
  socketsOf,
  twelveVoltSum,
  unitsNeeded,
  valueOf,
  withOccupants,
  type Card,
  type ExtraNeeded,
  type Finding,
  type Machine,
  type Need,
  type Occupant,
  type PlanRequest,
  type Slot,
} from '../../src/core/index.ts';
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
} from '../../src/core/planner/candidates/cost.ts';
import { told } from './parts.ts';

/** Musts left, then cents × percent. */
export type SlowCost = readonly [number, number];

interface There {
  readonly card: Card;
  readonly occupant: Occupant;
  readonly from: Slot;
  /** Null: given up. */
  readonly at: Slot | null;
  readonly lead: boolean;
}
interface New {
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
    return occupant === null || card === undefined ? [] : [{ card, occupant, from: slot }];
  });
  return there.reduce<readonly (readonly There[])[]>(
    (all, each) =>
      all.flatMap((soFar) => [
        ...machine.slots
          .filter(({ id }) => !soFar.some(({ at }) => at?.id === id))
          .filter(({ enclosureId }) => enclosureId === each.from.enclosureId)
          .flatMap((at) => withLead(each.card).map((lead) => [...soFar, { ...each, at, lead }])),
        ...(each.occupant.fate === 'mayGo' ? [[...soFar, { ...each, at: null, lead: false }]] : []),
      ]),
    [[]],
  );
}

const withLead = ({ frontHeaders }: Card): readonly boolean[] =>
  frontHeaders.length > 0 ? [true, false] : [false];

const arranged = (machine: Machine, there: readonly There[]): Machine => ({
  ...machine,
  slots: machine.slots.map((slot) => ({
    ...slot,
    occupant: told(there.find(({ at }) => at?.id === slot.id)?.occupant ?? null),
  })),
});

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
  const { needs, budgetCents, weights = PLAIN_WEIGHTS, extras = [] } = request;
  const leads = valueOf(arrangedMachine.case.frontLeads)?.length ?? 0;
  if ([...fresh, ...there].filter(({ lead }) => lead).length > leads) return [];
  const finished = withOccupants(arrangedMachine, fresh);
  const without = ({ id }: Slot): Machine => ({
    ...finished,
    slots: finished.slots.map((slot) =>
      slot.id === id ? { ...slot, occupant: told(null) } : slot,
    ),
  });
  const found = fresh.map(
    ({ card, slot }) => slotVerdict(card, slot, without(slot), null).findings,
  );
  if (found.some(blocked)) return [];
  const movedFindings = there.map(({ card, at, from }) =>
    at === null || at.id === from.id
      ? []
      : slotVerdict(
          atHome(card),
          { ...at, occupant: told(null) },
          without(at),
          null,
        ).findings.filter(({ code }) => /^(seat|link|sharing|body|power\.slot|quirk)/.test(code)),
  );
  if (movedFindings.some(blocked)) return [];
  const narrowed = there.filter(
    ({ at, from }) => at?.id === from.id && loses(at, finished, request.machine),
  );
  if (narrowed.some(({ at }) => lanesIn(at!, finished) === 0)) return [];
  const power = powerOf(fresh, arrangedMachine);
  if (power === null) return [];
  const serving: readonly Serving[] = [
    ...fresh.map(({ card, slot, lead }) => ({ card, slot, lead })),
    ...there.flatMap(({ card, at, lead }) => (at === null ? [] : [{ card, slot: at, lead }])),
  ];
  const perCard = found.map((findings) =>
    findings.filter(
      ({ code }) => !/^(power\.(plugs|adapter|lead|sum|headroom)|sharing\.takes)/.test(code),
    ),
  );
  const flows = fresh.map(({ card, slot, lead }) =>
    needs
      .flatMap((need) => flowOf(card, slot, need, finished) ?? [])
      .filter(({ units, need }) => units > 0 && (lead || !atFront(need))),
  );
  const bought = [
    ...perCard.flatMap((findings) => findings.flatMap(boughtFor)),
    ...flows.flat().flatMap(({ need, units, socket }) =>
      socket === 'sata'
        ? [
            {
              kind: 'driveCable' as const,
              fits: 'sata',
              count: Math.min(units, unitsNeeded(need)),
            },
          ]
        : [],
    ),
    ...power.adapters.map((fits) => ({ kind: 'plugAdapter' as const, fits, count: 1 })),
    ...(fresh.length > 0 && valueOf(arrangedMachine.case.spareScrews) === 0
      ? [{ kind: 'screws' as const, fits: '', count: 1 }]
      : []),
  ];
  const prices = priced(bought, extras);
  const money =
    fresh.reduce((total, { card }) => total + card.priceCents, 0) +
    prices.reduce((total, { cents }) => total + cents, 0);
  const days = Math.max(
    0,
    ...fresh.map(({ card }) => card.leadDays ?? 0),
    ...prices.map(({ extra }) => extra?.leadDays ?? 0),
  );
  const moves = there.filter(({ at, from }) => at !== null && at.id !== from.id).length;
  const gone = there.filter(({ at }) => at === null).length;
  const trouble = penaltyOf([
    ...perCard.flat(),
    ...flows.flat().map(({ finding }) => finding),
    ...movedFindings.flat().filter(({ code }) => code !== 'sharing.takes'),
    ...power.findings,
    ...headersShort(fresh, arrangedMachine),
  ]);
  return subsetsOf(needs)
    .filter((kept) => servable(kept, serving, finished))
    .map((kept): SlowCost => {
      const left = needs.filter((need) => !kept.includes(need));
      const parts: Parts = {
        ...trouble,
        price: money,
        overBudget: budgetCents === null ? 0 : Math.max(0, money - budgetCents) * 100,
        wishes: left.reduce(
          (total, { must, weight }) => total + (must ? 0 : weight * WISH_CENTS),
          0,
        ),
        disturbance:
          (trouble.disturbance ?? 0) +
          fresh.length * FITTING_CENTS +
          moves * MOVE_CENTS +
          gone * GIVE_UP_CENTS +
          narrowed.length * NARROWED_CENTS,
        wait: days * 100,
      };
      return [left.filter(({ must }) => must).length, weigh(parts, scaleOf(weights))];
    });
}

const blocked = (findings: readonly Finding[]): boolean =>
  findings.some(({ verdict }) => verdict === 'blocked');

/** A card of the machine: plugs, leads and watts are accounted for already. */
const atHome = (card: Card): Card => ({
  ...card,
  sockets: [],
  peakWatts: 0,
  boardLeads: [],
  frontHeaders: [],
});

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
    plugsOf(valueOf(machine.supply.plugs)!),
  );
  if (blocked(total) || cost.dead > 0) return null;
  const adapters = feeds.flatMap(({ adapter }) => adapter ?? []);
  const joined: readonly Finding[] =
    adapters.length > 0 ? [{ code: 'power.adapter', verdict: 'needs' }] : [];
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
      }));
}

function boughtFor({ code, subject = '' }: Finding): readonly ExtraNeeded[] {
  if (code === 'bracket.missing') return [{ kind: 'bracket' as const, fits: subject, count: 1 }];
  return code === 'body.sag' ? [{ kind: 'support' as const, fits: '', count: 1 }] : [];
}

interface Serving {
  readonly card: Card;
  readonly slot: Slot;
  readonly lead: boolean;
}

const atFront = (need: Need): boolean => need.kind === 'usb' && need.where === 'front';

/** Hands out the cards' units one by one, in every way, until each kept need has what it wants. */
function servable(kept: readonly Need[], serving: readonly Serving[], machine: Machine): boolean {
  const shared = ({ kind }: Need) => kind === 'network';
  const units = (need: Need, { card, slot, lead }: Serving) =>
    atFront(need) && !lead ? 0 : (flowOf(card, slot, need, machine)?.units ?? 0);
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
