/** Whole jobs that several cards, links or limits decide together, as the demo shows them. */
import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { CARDS } from '../../demo/catalogue/cards.ts';
import { EXTRAS } from '../../demo/catalogue/extras.ts';
import { PACKAGES } from '../builders/library.ts';
import { demoJobs } from '../../demo/jobs.ts';
import {
  CHART_ROOM,
  FILM_SHED,
  FOGHORN,
  NET_LOFT,
  ROPEWALK,
  SIGNAL_HOUSE,
  type Scene,
} from '../../demo/scenes.ts';
import { TOWER } from '../../demo/machines.ts';
import { aJob, aPackage, listed, wiredTo } from '../builders/parts.ts';
import { valuesOf } from '../builders/steps.ts';
import {
  changed,
  choosePlans,
  conflictSets,
  repairs,
  memberKey,
} from '../../src/core/planner/index.ts';
import type { PlanRequest, PlannedCard, Proposal } from '../../src/core/plans/index.ts';
import { deviceId, valueOf } from '../../src/core/parts/index.ts';
import { routes, ratesOf, type RouteRates } from '../../src/core/flow/index.ts';
import { outcome } from '../../src/core/outcome.ts';
import { slotVerdict } from '../../src/core/rules/index.ts';
import { steps } from '../../src/core/procedure/index.ts';
import type { Card, DriverPackage } from '../../src/core/document/index.ts';

const requestOf = ({ machine, needs, budgetCents }: Omit<Scene, 'id' | 'title' | 'customer'>) => ({
  machine,
  needs,
  budgetCents,
  cards: CARDS,
  extras: EXTRAS,
  library: PACKAGES,
});
const best = (request: PlanRequest): Proposal => choosePlans(request).best;
const where = ({ placements }: Proposal) =>
  Object.fromEntries(placements.map(({ card, slot }) => [card.delivers.kind, slot.id]));
const rates = ({ machine, needs }: PlanRequest, plan: Proposal): readonly RouteRates[] =>
  ratesOf(routes(needs, machine, plan.placements, CARDS));
const of = (all: readonly RouteRates[], needId: string) =>
  all.find(({ route }) => route.need.id === needId)!;

describe('Job 1: a small board with one x1 slot and a radio socket', () => {
  const request = requestOf(SIGNAL_HOUSE);
  const plan = best(request);

  it('gets the wire in the socket and the drives in the slot, since only so both go in', () => {
    expect(plan.cost.mustsUnmet).to.equal(0);
    expect(plan.proven).to.equal(true);
    expect(where(plan)).to.deep.equal({ network: 'radio', drives: 's1' });
  });

  it('the x1 slot of Gen 3 carries about a gigabyte a second, shared by the two drives', () => {
    const { together } = of(rates(request, plan), 'drives');
    // 984.6 MB/s less packet overhead of 7 to 18 % (PCI Express Base Specification, from memory), for two.
    expect((together.high * 2) / 1e6).to.be.within(984.6 * 0.82, 984.6 * 0.93);
    expect(together.limiting).to.equal('slotLink');
  });

  it('the mirror is read as fast as the wire; written it takes one drive, which is still faster', () => {
    const { alone } = of(rates(request, plan), 'network');
    // Practice: a healthy path of 2.5 Gb/s copies at 250 to 285 MB/s.
    expect(alone.low / 1e6).to.be.within(240, 260);
    expect(alone.high / 1e6).to.be.closeTo(296.7, 0.1);
  });

  it('behind a far end that knows only a gigabit it gives the speed away again, until a better one is there', () => {
    const slow = {
      ...request.machine.path,
      ...wiredTo([1000], 'cat5e', 12),
    };
    const gigabit = { ...request, machine: { ...request.machine, path: slow } };
    expect(best(gigabit).unmet.map(({ id }) => id)).to.deep.equal(['network']);
    const [freed] = outcome(repairs(gigabit)).filter(({ change }) => change.kind === 'hop');
    expect(freed?.change).to.include({ megabits: 2500 });
    expect(freed?.cents).to.equal(7_900);
  });
});

describe('Job 3: cards in a box on one serial link', () => {
  const request = requestOf(CHART_ROOM);
  const plan = best(request);

  it('go where their links do, and all musts are met', () => {
    expect(plan.unmet).to.deep.equal([]);
    expect(plan.placements.every(({ slot }) => slot.enclosureId !== null)).to.equal(true);
    // The far box has no plug for six drives.
    expect(where(plan)['drives']).to.match(/^near/);
  });

  it('share the link to the box: what each gets together is less than alone', () => {
    const all = rates(request, plan);
    const wire = of(all, 'network');
    const chain = wire.route.flow.stages.find(({ code }) => code === 'uplink')!.shared!;
    const inBox = all.filter(({ route }) => route.provider.fitted !== null);
    const asked = inBox.reduce((sum, { route, alone }) => sum + alone.high * route.units, 0);
    expect(asked).to.be.greaterThan(chain.high);
    expect(wire.together.low).to.be.below(wire.alone.low);
  });
});

describe('Job 3: what a box asks besides', () => {
  const there = CHART_ROOM.machine.slots.find(({ id }) => id === 'near3')!;
  const codes = (card: Card, library: readonly DriverPackage[], machine = CHART_ROOM.machine) =>
    slotVerdict(card, there, machine, library).findings.map(({ code }) => code);
  const wire = CARDS.find(({ model }) => model === 'Anchor 10E')!;
  const named = (hotPlug: boolean | null): DriverPackage => ({
    ...aPackage({ hotPlug }),
    says: listed(
      [deviceId(wire.ids)],
      ...(['linux', 'windows'] as const).map((family) => ({ family, from: '0', to: null })),
    ),
  });

  it('is a driver that bears a box which comes and goes; one of a whole class does', () => {
    expect(codes(wire, [named(true)])).to.include('enclosure.hotPlug');
    expect(codes(wire, [named(false)])).to.include('enclosure.noHotPlug');
    expect(codes(wire, [named(null)])).to.include('enclosure.hotPlugUnknown');
    const locker = CARDS.find(({ model }) => model === 'Locker 4')!;
    expect(codes(locker, [])).to.include('enclosure.hotPlug');
    // In the case itself nobody asks.
    expect(
      slotVerdict(wire, TOWER.slots[3]!, TOWER, [named(false)]).findings.map(({ code }) => code),
    ).to.not.include('enclosure.noHotPlug');
  });

  it('is a chain of six at most, an opening for coax sockets on a plate, and the slot as it is wired inside', () => {
    const seventh = {
      ...CHART_ROOM.machine,
      enclosures: CHART_ROOM.machine.enclosures.map((each) => ({ ...each, chainPosition: 7 })),
    };
    expect(codes(wire, [], seventh)).to.include('enclosure.chainTooLong');
    const coax = { ...wire, plates: 3 };
    expect(codes(coax, [])).to.include('plate.own');
    expect(codes({ ...coax, plates: 5 }, [])).to.include('plate.noOpening');
    const narrow = CHART_ROOM.machine.slots.find(({ id }) => id === 'near5')!;
    const { findings } = slotVerdict(wire, narrow, CHART_ROOM.machine, []);
    expect(findings.map(({ code }) => code)).to.include('link.narrowed');
  });

  it('is connected fastest first, its mains lead last', () => {
    const job = aJob(
      { name: 'takeTemplate', machine: CHART_ROOM.machine },
      {
        name: 'acceptPlan',
        placements: [
          { slotId: 'far1', card: wire },
          { slotId: 'near5', card: CARDS.find(({ delivers }) => delivers.kind === 'sound')! },
        ],
        packages: [],
      },
    );
    const all = steps(job);
    expect(valuesOf(all, 'joinEnclosures')[0]?.names).to.deep.equal([
      'Outrigger X1 box',
      'Outrigger X3 box',
    ]);
    const last = all.findIndex(({ code }) => code === 'joinEnclosures');
    expect(all[last + 1]?.code).to.equal('start');
  });
});

describe('Job 5: 10 Gb/s in a loaded workstation', () => {
  const [museum] = demoJobs(
    readFileSync(
      new URL('../../demo/evidence/lighthouse-museum.lspci.txt', import.meta.url),
      'utf8',
    ),
    PACKAGES,
  ).filter(({ id }) => id === 'lighthouse-museum');
  const request = requestOf({ ...museum!, budgetCents: museum!.budgetCents ?? 0 });

  it('the wire gets at least two lanes of Gen 3 or four of Gen 2, whatever else goes in', () => {
    const plan = best(request);
    const slot = plan.placements.find(({ card }) => card.delivers.kind === 'network')!.slot;
    const [lanes, generation] = [valueOf(slot.lanes)!, valueOf(slot.generation)!];
    expect(generation >= 3 ? lanes >= 2 : lanes >= 4).to.equal(true);
    expect(of(rates(request, plan), 'network').alone.limiting).to.equal('cardPort');
  });

  it('pinned to an x1 slot it cannot be kept, and the job says that the pin is what clashes', () => {
    const card = CARDS.find(({ model }) => model === 'Anchor 10E')!;
    const pins = [
      { kind: 'cardThere' as const, cardId: card.id, slotId: 's1' },
      { kind: 'neverSlot' as const, slotId: 's5' },
      { kind: 'neverSlot' as const, slotId: 's7' },
    ];
    const pinned = { ...request, pins };
    expect(best(pinned).cost.mustsUnmet).to.be.greaterThan(0);
    const [set] = outcome(conflictSets(pinned));
    const keys = set!.members.map(memberKey);
    expect(keys).to.include('need network');
    expect(keys.filter((key) => key.startsWith('pin neverSlot'))).to.have.length(2);
  });
});

describe('Job 8: a module to start from, on a card', () => {
  it('goes where four lanes are, past an x1 slot, and the machine starts from it', () => {
    const request = requestOf(NET_LOFT);
    const plan = best(request);
    expect(plan.unmet).to.deep.equal([]);
    const { card, slot } = plan.placements[0]!;
    expect(valueOf(slot.lanes)).to.be.at.least(4);
    expect(['uefi', 'both']).to.include(card.boot);
  });

  it('behind the board’s own switch it would be held back', () => {
    const request = requestOf(NET_LOFT);
    const pins = [{ kind: 'neverSlot' as const, slotId: 's2' }];
    const plan = best({ ...request, pins });
    const [rate] = rates(request, plan);
    // Gen 2 x4 tops out near 1,500 MB/s and is seen at 1,400. Practice, no source.
    expect(rate!.alone.limiting).to.be.oneOf(['uplink', 'slotLink']);
    expect(rate!.alone.high / 1e6).to.be.within(1_400, 1_870);
  });
});

describe('Job 10: 5 Gb/s', () => {
  const request = requestOf(FOGHORN);

  it('is not possible over a Cat 5e cable to a switch that knows one and ten', () => {
    const plan = best(request);
    expect(plan.unmet.map(({ id }) => id)).to.deep.equal(['network']);
    const sets = outcome(conflictSets(request));
    expect(sets.map(({ members }) => members.map(memberKey))).to.deep.equal([
      ['need network', 'limit path'],
    ]);
  });

  it('a better cable frees it, with a card that knows the ten of the switch', () => {
    const offered = outcome(repairs(request));
    expect(offered.map(({ change }) => change.kind)).to.include('cable');
    const cable = offered.find(({ change }) => change.kind === 'cable')!;
    expect(cable.cents).to.equal(1_400);
    const freed = best(changed(request, cable.change));
    expect(freed.cost.mustsUnmet).to.equal(0);
    const [rate] = rates(changed(request, cable.change), freed);
    expect(rate!.alone.limiting).to.be.oneOf(['farDrive', 'cardPort']);
  });
});

describe('Job 11: four modules on one card', () => {
  const films = ({ placements }: Proposal) =>
    placements.filter(({ card }) => card.delivers.kind === 'drives');

  it('go into the slot that splits: what is in it moves, and what can be missed is given up', () => {
    const plan = best(requestOf(FILM_SHED));
    expect(plan.unmet).to.deep.equal([]);
    const [{ card, slot }] = films(plan) as [PlannedCard];
    expect(card.needsSplit ? valueOf(slot.splits) : true).to.equal(true);
    expect(valueOf(slot.lanes)).to.equal(16);
    expect(plan.moves.map(({ fromSlotId }) => fromSlotId)).to.deep.equal([slot.id]);
    expect(plan.givenUp).to.deep.equal(['s4']);
  });

  it('where nothing may move the slot stays taken, and no plan has them all', () => {
    const plan = best({ ...requestOf(FILM_SHED), pins: [{ kind: 'noMoves' }] });
    expect(plan.cost.mustsUnmet).to.be.greaterThan(0);
  });

  it('where no slot splits a card with a switch is wanted, or there is none', () => {
    const request = requestOf(FILM_SHED);
    const machine = {
      ...request.machine,
      slots: request.machine.slots.map((slot) =>
        slot.splits === null ? slot : { ...slot, splits: { ...slot.splits, value: false } },
      ),
    };
    const plan = best({ ...request, machine });
    for (const { card } of films(plan)) expect(card.needsSplit).to.equal(false);
  });
});

describe('Job 21: ten drives on a board with four ports', () => {
  const request = requestOf(ROPEWALK);

  it('the card brings the six that are missing, on the system’s own driver', () => {
    const plan = best(request);
    expect(plan.unmet).to.deep.equal([]);
    const { card } = plan.placements[0]!;
    expect(card.delivers).to.include({ kind: 'drives', ports: 6 });
    expect(card.ids.class24).to.equal(0x010601);
    expect(plan.extras.find(({ kind }) => kind === 'driveCable')?.count).to.equal(6);
  });

  it('lanes and generation decide how many run at full speed', () => {
    // Gen 3 x4 carries 6.6 SATA ports of 600 MB/s by coding; with packet overhead six good drives still run whole.
    const all = rates(request, best(request));
    for (const { together } of all) expect(together.high / 1e6).to.be.closeTo(560, 1);
  });
});
