/**
 * Jobs of the trade at the bench: the tasks that decide each of them are there, in an order that works in the machine that
 * refuses. Outcomes are common practice, no source; machines and cards are those of the demo.
 */
import { FOUND_NAMES } from '../builders/foundNames.ts';
import { expect } from 'chai';
import { BUILD_LEADS, MACHINE_PARTS } from '../../src/core/standards/index.ts';
import { apply, type Command } from '../../src/core/commands/index.ts';
import { assemblyOf } from '../../src/core/assembly/index.ts';
import {
  benchTestOf,
  openRound,
  openSteps,
  stageOfRound,
  steps,
  withFound,
  type Step,
  type StepCode,
} from '../../src/core/procedure/index.ts';
import { emptyDrive, looseLead, valueOf } from '../../src/core/parts/index.ts';
import { handOverSheet, shoppingList } from '../../src/core/write/index.ts';
import { leftUndone, run, worldOf } from '../../src/core/simulator/index.ts';
import { plainNeed, type Need } from '../../src/core/kinds/index.ts';
import type { Card, Job, Machine } from '../../src/core/document/index.ts';
import { CARDS } from '../../demo/catalogue/cards.ts';
import {
  EXTERNAL_BOX,
  HOME_TOWER,
  MINI,
  OFFICE_TWO_CARDS,
  OLD_TOWER,
  TOWER,
  WORKSTATION,
} from '../../demo/machines.ts';
import { STAMP, aJob, baysOf, told } from '../builders/parts.ts';

const card = (model: string): Card => CARDS.find((each) => each.model === model)!;
const planned = (
  machine: Machine,
  placed: readonly (readonly [model: string, slotId: string, more?: Partial<Card>])[],
  needs: readonly Need[] = [],
): Job =>
  aJob(
    { name: 'takeTemplate', machine },
    ...needs.map((need) => ({ name: 'addNeed', need }) as const),
    {
      name: 'acceptPlan',
      placements: placed.map(([model, slotId, more = {}]) => ({
        slotId,
        card: { ...card(model), ...more },
      })),
      packages: [],
    },
  );
const aJobAfter = (job: Job, command: Command): Job => apply(job, command, STAMP);

/** The physical work, after it was seen to run and to leave nothing undone. */
function work(job: Job): readonly Step[] {
  const all = steps(job).filter(({ task }) => task !== null);
  const { world, refused } = run(worldOf(job, assemblyOf(job)), all);
  expect(refused && `${refused.step.id} ${refused.because}`).to.equal(null);
  expect(leftUndone(world)).to.deep.equal([]);
  return all;
}
function inOrder(all: readonly Step[], ...wanted: readonly StepCode[]): void {
  const at = wanted.map((code) => all.findIndex((step) => step.code === code));
  expect(at, `${wanted.join()} in ${all.map(({ code }) => code).join()}`).to.not.include(-1);
  expect(at, wanted.join()).to.deep.equal(at.toSorted((a, b) => a - b));
}
const drives = (count: number, more: Parameters<typeof plainNeed<'drives'>>[2] = {}) =>
  plainNeed('drives', 'drives', {
    bytesPerSecond: 50e6,
    these: Array.from({ length: count }, (_, n) => emptyDrive(`d${n}`, 2_000)),
    ...more,
  });
const withCase = (machine: Machine, of: Partial<Machine['case']>): Machine => ({
  ...machine,
  case: { ...machine.case, ...of },
});

describe('At the bench', () => {
  it('job 1: the jack’s ribbon is joined before the module goes in, its plate goes in after; drives are counted', () => {
    const [module] = CARDS.filter(
      ({ bus, plates, delivers }) => bus === 'm2' && plates > 0 && delivers.kind === 'network',
    );
    const socket = MINI.slots.find(({ bus }) => bus === 'm2')!;
    const x1 = MINI.slots.find(({ bus }) => bus === 'pcie')!;
    const all = work(
      planned(
        withCase(MINI, { openings: told(3) }),
        [
          [module!.model, socket.id],
          ['Locker 2', x1.id],
        ],
        [drives(2)],
      ),
    );
    inOrder(all, 'joinRibbon', 'seat', 'fitPlate', 'closeCase');
    inOrder(all, 'joinRibbon', 'seat', 'closeCase');
    inOrder(all, 'joinJack', 'seat', 'fitPlate');
    inOrder(all, 'mountDrives', 'joinDriveEnds', 'closeCase', 'start', 'countDrives');
    inOrder(all, 'mountDrives', 'joinDrives', 'closeCase');
    inOrder(all, 'mountDrives', 'feedDrives', 'closeCase');
  });

  it('job 3: a box is opened by its own panel, gets its lead last, and its lock is turned', () => {
    const enclosures = EXTERNAL_BOX.enclosures.map((box) => ({
      ...box,
      case: { ...box.case, leadLock: told(true) },
    }));
    const slot = EXTERNAL_BOX.slots.find(({ enclosureId }) => enclosureId === 'near')!;
    const all = work(planned({ ...EXTERNAL_BOX, enclosures }, [['Hawser 5', slot.id]]));
    inOrder(all, 'powerOff', 'openCase', 'seat', 'screw', 'closeCase', 'joinEnclosures', 'start');
    const joining = all.find(({ code }) => code === 'joinEnclosures')!;
    expect(joining.values).to.deep.include({ locked: [enclosures[0]!.name] });
    // The machine's own case stays closed.
    const opened = all.filter(({ code }) => code === 'openCase').map(({ id }) => id);
    expect(opened).to.deep.equal(['openCase: box near']);
  });

  it('job 6: the bar over all brackets comes off first and goes on last, and its panel has a latch', () => {
    const all = work(planned(WORKSTATION, [['Drafting 4', 's1']]));
    inOrder(all, 'openCase', 'removeBar', 'removeCover', 'seat', 'refitBar', 'lookOver');
    expect(all.map(({ code }) => code)).to.not.include('screw');
    expect(all.find(({ code }) => code === 'openCase')!.task!.tool).to.equal(null);
  });

  it('job 7: the mini plug goes into the sound card before the card goes in', () => {
    const sound = CARDS.find(
      ({ bus, delivers, frontHeaders }) =>
        bus === 'pcie' &&
        delivers.kind === 'sound' &&
        frontHeaders.some(({ type }) => type === 'audio'),
    )!;
    const need = plainNeed('sound', 'sound', { front: true });
    const machine = withCase(TOWER, { frontLeads: told([{ type: 'audio' }]) });
    inOrder(work(planned(machine, [[sound.model, 's7']], [need])), 'openCase', 'joinFront', 'seat');
  });

  it('jobs 8 and 11: films come off and drives go on before the card goes in', () => {
    const need = drives(0, { these: [], ports: 1, drive: 'm2' });
    const all = work(planned(TOWER, [['Crate Pair', 's5', { moduleCover: true }]], [need]));
    inOrder(all, 'fitModules', 'openCase', 'seat');
    const fitting = all.find(({ code }) => code === 'fitModules')!;
    expect(fitting.values).to.include({ hasCover: true });
    expect(fitting.task!.moves.map(({ thing, to }) => [thing.kind, to])).to.deep.include([
      'film',
      'thrownAway',
    ]);
  });

  it('job 13: a card goes before its cover comes, and a snapped opening is closed with an ordered one', () => {
    const leaving: Machine = {
      ...OLD_TOWER,
      slots: OLD_TOWER.slots.map((slot) => {
        const there = valueOf(slot.occupant);
        return there === null
          ? slot
          : { ...slot, occupant: told({ ...there, disposition: 'remove' as const }) };
      }),
    };
    const job = planned(leaving, [['Quay 4M', 's2']]);
    const all = work(job);
    inOrder(all, 'takeOut', 'closeOpening');
    expect(all.find(({ code }) => code === 'closeOpening')!.values).to.include({ with: 'ordered' });
    expect(assemblyOf(job).extras).to.deep.include({ kind: 'cover', fits: 'full', count: 1 });
    // With one in the drawer none is ordered.
    const spare = planned(withCase(leaving, { spareCovers: told(1) }), [['Quay 4M', 's2']]);
    expect(assemblyOf(spare).extras.map(({ kind }) => kind)).to.not.include('cover');
  });

  it('job 14: nothing is screwed where covers and brackets are held by clips', () => {
    const all = work(
      planned(withCase(HOME_TOWER, { panelHeld: told('latch') }), [['Gull 867', 's3']]),
    );
    expect(all.flatMap(({ task }) => task!.tool ?? [])).to.deep.equal(['torch']);
    inOrder(all, 'removeCover', 'seat', 'screw', 'closeCase', 'joinAerials', 'start');
  });

  it('job 17: the sound plug is led round and in again before the card, the fan plug after it', () => {
    const at = (id: string, yMm: number, plugYMm: number): Machine['obstacles'][number] => ({
      ...OLD_TOWER.obstacles.find((each) => each.id === id)!,
      xMm: 70,
      yMm,
      widthMm: 14,
      depthMm: 10,
      plugAt: { xMm: 76, yMm: plugYMm },
    });
    // Slot 2 has its middle at 193 mm: one header lies under the card, the other well below it.
    const machine = { ...OLD_TOWER, obstacles: [at('sound', 190, 196), at('fan', 200, 250)] };
    const all = work(planned(machine, [['Quay 4M', 's2']]));
    const order = all.flatMap((step) =>
      step.code === 'restorePlug' || step.code === 'leadPlugRound'
        ? step.values.name
        : step.code === 'seat'
          ? 'card'
          : [],
    );
    expect(order).to.deep.equal(['Front sound lead', 'card', 'Fan plug and lead']);
  });

  it('job 17: the hard disk gives the card its plug and gets a free one, before the card’s own goes in', () => {
    const machine: Machine = {
      ...OLD_TOWER,
      supply: {
        ...OLD_TOWER.supply,
        plugs: told([{ type: '4-pin', count: 1, reachMm: 60 }]),
        plugsInUse: told([
          { type: '4-pin', feeds: 'the hard disk', alsoTakes: [], atMm: 40, reachMm: 600 },
        ]),
      },
    };
    const all = work(planned(machine, [['Quay 4M', 's2']]));
    inOrder(all, 'openCase', 'exchangePlugs', 'plug', 'closeCase');
    inOrder(all, 'seat', 'plug');
    expect(all.find(({ code }) => code === 'exchangePlugs')!.values).to.include({
      feeds: 'the hard disk',
      gets: '4-pin',
      gives: '4-pin',
    });
  });

  it('job 19: the Type-C lead is in before the card is, and the plate that is not used is kept', () => {
    const front = CARDS.find(
      ({ bus, frontHeaders }) =>
        bus === 'pcie' && frontHeaders.some(({ type }) => type === 'type-c-20-pin'),
    )!;
    const need = plainNeed('usb', 'usb', { ports: 1, where: 'front', typeC: true });
    const machine = withCase(TOWER, { frontLeads: told([{ type: 'type-c-20-pin' }]) });
    const job = planned(machine, [[front.model, 's5']], [need]);
    inOrder(work(job), 'openCase', 'joinFront', 'seat', 'screw');
    expect(steps(job).map(({ code }) => code)).to.include('keepParts');
  });

  it('job 20: the second card comes out for the first, and goes back with its plugs', () => {
    const machine: Machine = {
      ...OFFICE_TWO_CARDS,
      slots: OFFICE_TWO_CARDS.slots.map((slot) => {
        const there = valueOf(slot.occupant);
        return there === null
          ? slot
          : { ...slot, occupant: told({ ...there, plugs: told(['6-pin' as const]) }) };
      }),
    };
    const all = work(planned(machine, [['Gull 867', 's3']]));
    inOrder(all, 'freeCard', 'takeOutFirst', 'seat', 'screw', 'putBack', 'plugBack', 'closeCase');
    expect(all.filter(({ code }) => code === 'takeOutFirst')).to.have.lengthOf(1);
  });

  it('job 7: the second graphics card is kept back until the first runs', () => {
    const screens = CARDS.filter(
      ({ bus, delivers, openings, sockets }) =>
        bus === 'pcie' && delivers.kind === 'screens' && openings === 1 && sockets.length === 0,
    ).slice(0, 2);
    const both = planned(TOWER, [
      [screens[0]!.model, 's5'],
      [screens[1]!.model, 's7'],
    ]);
    const job = aJobAfter(both, { name: 'stageCards', staged: ['s7'] });
    const all = work(job);
    const seats = all.flatMap(({ code, slotId, round }) =>
      code === 'seat' ? [[slotId, round]] : [],
    );
    expect(seats).to.deep.equal([
      ['s5', 1],
      ['s7', 2],
    ]);
    // The first is started, driven and proven before the second is unpacked.
    const told = steps(job).map(({ code, round }) => `${code} ${round}`);
    const order = ['seat 1', 'start 1', 'checkDevice 1', 'checkLink 1', 'powerOff 2', 'seat 2'];
    const at = order.map((each) => told.indexOf(each));
    expect(at).to.not.include(-1);
    expect(at).to.deep.equal(at.toSorted((a, b) => a - b));
    expect(openSteps(job).some(({ round }) => round === 2)).to.equal(false);
    const proven = steps(job).filter(({ round, stage }) => round === 1 && stage !== 'hand-over');
    const after = proven.reduce((soFar, of) => aJobAfter(soFar, { name: 'tickStep', of }), job);
    expect(openRound(after)).to.equal(2);
    expect(stageOfRound(after)).to.equal('fit');
  });

  it('job 21: the card is seen in firmware and system of another machine before the real build', () => {
    const real = planned(TOWER, [['Locker 4', 's5']], [drives(4)]);
    const tries = [{ slotId: 's5', card: card('Locker 4'), label: 'Slot 1' }];
    const benchTest = benchTestOf({ name: 'Bench', family: 'bsd', isOpen: false, tries });
    const job = aJobAfter(real, { name: 'setBenchTest', benchTest });
    const all = steps(job).filter(({ stage }) => stage === 'fit');
    const trial = all.filter(({ round }) => round === 0);
    expect(all.slice(0, trial.length)).to.deep.equal(trial);
    inOrder(
      trial,
      'openCase',
      'seat',
      'tryStart',
      'tryFirmware',
      'trySystem',
      'tryOut',
      'closeCase',
    );
    inOrder(all.slice(trial.length), 'openCase', 'seat', 'closeCase', 'start');
  });

  it('job 21: ten drives on six ports of the card and four of the board are ten drives', () => {
    const machine: Machine = {
      ...withCase(TOWER, { bays: baysOf(10) }),
      builtIn: told([{ kind: 'drives', ports: 4, socket: 'sata', ownPorts: 4, sataModules: 0 }]),
    };
    const job = planned(machine, [['Locker 6', 's5']], [drives(10)]);
    const all = work(job);
    const of = (code: StepCode) =>
      steps(job)
        .filter((step) => step.code === code)
        .map(({ values, slotId }) => [slotId, (values as { readonly count: number }).count]);
    expect(of('mountDrives')).to.deep.equal([[null, 10]]);
    expect(of('joinDrives')).to.have.deep.members([
      ['s5', 6],
      [null, 4],
    ]);
    // The firmware lists those on the board, the system the others; and all are named before they are prepared.
    expect(of('countDrives')).to.deep.equal([[null, 4]]);
    expect(of('checkDrives')).to.deep.equal([['s5', 6]]);
    expect(of('prepareDrives')).to.have.deep.members([
      ['s5', 6],
      [null, 4],
    ]);
    expect(all.map(({ code }) => code)).to.include('feedDrives');
  });

  it('job 3: drives of a card in a box are in the box, and no firmware counts them', () => {
    const slot = EXTERNAL_BOX.slots.find(({ enclosureId }) => enclosureId === 'near')!;
    const all = work(planned(EXTERNAL_BOX, [['Locker 2', slot.id]], [drives(2)]));
    expect(all.find(({ code }) => code === 'mountDrives')!.on).to.include({ box: 'near' });
    // The machine's own case stays closed.
    const opened = all.filter(({ code }) => /^open/.test(code)).map(({ on }) => on.box);
    expect(new Set(opened)).to.deep.equal(new Set(['near']));
    expect(all.map(({ code }) => code)).to.not.include('countDrives');
    inOrder(all, 'joinEnclosures', 'start', 'checkEnclosures');
  });

  it('job 7: a machine that is built from nothing has no power to be taken off, and is its parts and leads', () => {
    const machine: Machine = {
      ...TOWER,
      slots: TOWER.slots.map((slot) => ({ ...slot, occupant: told(null) })),
      toFit: MACHINE_PARTS,
      leads: BUILD_LEADS.map(({ kind, name }, n) => looseLead(`l${n}`, kind, name, 'technician')),
    };
    const job = planned(machine, [['Locker 4', 's5']], [drives(2)]);
    const all = work(job);
    const codes = steps(job).map(({ code }) => code);
    for (const code of [
      'powerOff',
      'leadsOff',
      'discharge',
      'photoInside',
      'photoBehind',
      'before',
    ])
      expect(codes).to.not.include(code);
    inOrder(all, 'earth', 'fitOnBoard', 'fitInCase', 'joinEnd', 'seat', 'closeCase', 'start');
    const parts = all.flatMap((step) =>
      step.code === 'fitOnBoard' || step.code === 'fitInCase' ? step.values.part : [],
    );
    expect(parts).to.have.members([...MACHINE_PARTS]);
    expect(parts.indexOf('processor')).to.be.lessThan(parts.indexOf('cooler'));
    expect(parts.at(-1)).to.equal('board');
    // A light goes on by plus and minus, a switch either way.
    const ends = all.flatMap((step) => (step.code === 'joinEnd' ? step : []));
    expect(ends).to.have.lengthOf(BUILD_LEADS.length);
    const cautionsOf = (name: string) => ends.find(({ values }) => values.name === name)!.cautions;
    expect(cautionsOf('powerLight')).to.deep.equal(['polarity']);
    expect(cautionsOf('powerSwitch')).to.deep.equal([]);
  });

  it('job 13: two drives on one ribbon are told apart before it is on, each by its own way', () => {
    const ribbon = (kind: 'ribbon-40' | 'ribbon-80'): Machine => ({
      ...OLD_TOWER,
      leads: [looseLead('r', kind, 'disks', 'technician')],
    });
    const of = (kind: 'ribbon-40' | 'ribbon-80') =>
      work(planned(ribbon(kind), [['Quay 4M', 's2']]));
    const how = (all: readonly Step[]) =>
      all.flatMap((step) => (step.code === 'setDrive' ? step.values.how : []));
    expect(how(of('ribbon-40'))).to.deep.equal(['first', 'second']);
    expect(how(of('ribbon-80'))).to.deep.equal(['position', 'position']);
    const ends = of('ribbon-80').flatMap((step) => (step.code === 'joinEnd' ? step.values : []));
    expect(ends.map(({ end, colour }) => [end, colour])).to.have.deep.members([
      ['board', 'blue'],
      ['endDrive', 'black'],
      ['middleDrive', 'grey'],
    ]);
    inOrder(of('ribbon-40'), 'setDrive', 'joinEnd', 'seat');
  });

  it('job 6: a lead that is too short behind its adapter keeps the adapter, and a longer lead is bought', () => {
    const machine: Machine = {
      ...TOWER,
      supply: { ...TOWER.supply, plugs: told([{ type: '6-pin', count: 2, reachMm: 40 }]) },
    };
    const eight = { sockets: ['8-pin' as const], peakWatts: 150, slotWatts: 66 };
    const job = planned(machine, [['Lantern 1', 's5', eight]]);
    const plug = steps(job).find(({ code }) => code === 'plug')!;
    expect(plug.values).to.include({ adapter: 'two-6-pin-to-8-pin', isLengthened: true });
    expect(assemblyOf(job).extras.map(({ kind, fits }) => [kind, fits])).to.include.deep.members([
      ['plugAdapter', 'two-6-pin-to-8-pin'],
      ['powerLead', '8-pin'],
    ]);
  });

  it('says of a longer lead that nobody has told what it costs, and never that it is free or in the drawer', () => {
    const lead = looseLead('fan', 'fan-4', 'front fan', 'technician');
    const job = planned({ ...OLD_TOWER, leads: [lead] }, [['Quay 4M', 's2']]);
    const step = steps(job).find(({ code }) => code === 'joinEnd')!;
    const told = withFound(job, step, { kind: 'leadShort', mm: 0 }, FOUND_NAMES);
    const list = shoppingList(told, 0);
    expect(list.rows.at(-1)).to.include({ name: 'longer front fan', cents: null });
    expect(list.unpriced).to.equal(1);
    expect(handOverSheet(told).unpriced).to.equal(1);
    const order = steps(told).find(({ code }) => code === 'orderNamed')!;
    expect(order.values).to.include({ isAtHand: false, isUnpriced: true });
    // The end is still owed; nothing else is put in for it.
    const codes = work(told).map(({ code }) => code);
    expect(codes).to.include('joinEnd').and.not.include('putIn');
  });

  it('keeps for the customer only covers that closed nothing else, and orders nothing that lies in the drawer', () => {
    const goes = (slot: Machine['slots'][number]) =>
      slot.id === 's2' ? { ...slot, occupant: going(slot) } : slot;
    const going = (slot: Machine['slots'][number]) =>
      told({ ...valueOf(slot.occupant)!, disposition: 'remove' as const, openings: told(1) });
    const machine = withCase(
      { ...TOWER, slots: TOWER.slots.map(goes) },
      { covers: told('screwed'), spareCovers: told(0) },
    );
    const job = planned(machine, [['Lantern 1', 's5', { leadDays: null }]]);
    const closed = steps(job).find(({ code }) => code === 'closeOpening')!;
    expect(closed.values).to.include({ opening: 2, with: 'removed', of: 5 });
    expect(handOverSheet(job).coversKept).to.deep.equal([]);
    const order = steps(job).find(({ code }) => code === 'order')!;
    expect(order.values).to.include({ isAtHand: true });
    // Dust in a slot that stays empty is in nobody's way.
    const dusty = {
      ...machine,
      slots: machine.slots.map((slot) =>
        slot.id === 's7' ? { ...slot, state: told('dirty' as const) } : slot,
      ),
    };
    const codes = steps(planned(dusty, [['Lantern 1', 's5']])).map(({ code }) => code);
    expect(codes).to.not.include('dustOut');
  });

  it('job 12: two cards that want the same package and work as one have it installed, and are put together, once', () => {
    const need = plainNeed('network', 'network', { ports: 2, team: 'survival' });
    const pair = ['s5', 's7'].map((slotId) => ['Hawser 2.5', slotId] as const);
    const job = planned(TOWER, pair, [need]);
    const teams = steps(job).filter(
      (step) => step.code === 'setNetwork' && step.values.setting === 'team',
    );
    expect(teams).to.have.lengthOf(1);
    expect(teams[0]!.values).to.have.nested.property('alsoFor.length', 1);
  });

  it('warns of pin 1 only where nothing keys the plug', () => {
    const front = CARDS.find(
      ({ bus, frontHeaders }) =>
        bus === 'pcie' && frontHeaders.some(({ type }) => type === 'audio'),
    )!;
    const machine = withCase(TOWER, { frontLeads: told([{ type: 'audio' }]) });
    const need = plainNeed('sound', 'sound', { front: true });
    const job = planned(machine, [[front.model, 's5']], [need]);
    expect(steps(job).find(({ code }) => code === 'joinFront')!.cautions).to.deep.equal([]);
  });

  it('asks no end that is joined, and looks after one that nobody knows of', () => {
    const lead = looseLead('fan', 'fan-4', 'front fan', 'technician');
    const withEnd = (joined: boolean | null): Machine => ({
      ...OLD_TOWER,
      leads: [{ ...lead, ends: [{ at: 'FAN2', joined: joined === null ? null : told(joined) }] }],
    });
    const asked = (joined: boolean | null) =>
      steps(planned(withEnd(joined), [['Quay 4M', 's2']])).flatMap((step) =>
        step.code === 'joinEnd' ? step.values.isLoose : [],
      );
    expect([asked(true), asked(false), asked(null)]).to.deep.equal([[], [true], [false]]);
  });

  it('job 21: drives want both side panels, which are shut before the card goes in', () => {
    const all = work(planned(TOWER, [['Locker 4', 's5']], [drives(4)]));
    inOrder(
      all,
      'openFarSide',
      'mountDrives',
      'closeFarSide',
      'seat',
      'feedDrives',
      'joinDrives',
      'closeCase',
      'start',
    );
    // The card brings no code by which the firmware would list its drives.
    expect(all.map(({ code }) => code)).to.not.include('countDrives');
    const one = work(
      planned(withCase(TOWER, { opensBothSides: told(false) }), [['Locker 4', 's5']], [drives(4)]),
    );
    expect(one.map(({ code }) => code)).to.not.include('openFarSide');
  });
});
