/** What the board itself decides: shared lanes, sockets for modules, keys, external boxes. */
import { expect } from 'chai';
import { network, drives, screens } from '../../demo/catalogue/row.ts';
import {
  emptyScreen,
  emptyCase,
  emptySlot,
  emptySupply,
  occupantNamed,
  vacant,
  type Card,
  type Condition,
  type Machine,
  type Slot,
} from '../../src/core/document/index.ts';
import { plainNeed } from '../../src/core/kinds/index.ts';
import { proposePlan } from '../../src/core/planner/index.ts';
import { seat, slotVerdict, type Finding } from '../../src/core/rules/index.ts';
import { slotLink } from '../../src/core/placement/index.ts';
import { steps } from '../../src/core/procedure/index.ts';
import { valueOf } from '../../src/core/parts/index.ts';
import { assemblyOf } from '../../src/core/assembly/index.ts';
import {
  aCard,
  aJob,
  aMachine,
  aSlot,
  networkNeed,
  told,
  usbNeed,
  aPackage,
  listed,
} from '../builders/parts.ts';

const codes = (findings: readonly Finding[]) => findings.map(({ code }) => code);
const verdictOf = (card: Card, slot: Slot, machine: Machine) =>
  slotVerdict(card, slot, machine, []);

describe('Sharing', () => {
  const falls: Condition = {
    id: 'c',
    slotId: 's1',
    keepsLanes: 8,
    whenSlotId: 's3',
    holds: 'anything',
  };
  const machine = (other: Slot['occupant'], condition: Condition = falls) =>
    aMachine([aSlot(1), aSlot(3, {}, { occupant: other })], { conditions: [condition] });
  const x16 = aCard({ lanes: 16, delivers: drives(4, 'm2') });

  it('counts the lanes that are left while the other slot is used', () => {
    const used = machine(told(occupantNamed('Other')));
    const { findings } = verdictOf(x16, used.slots[0]!, used);
    expect(findings).to.deep.include({
      code: 'sharing.fewerLanes',
      verdict: 'limited',
      subject: 'Slot 3',
      needed: 16,
      available: 8,
      unit: 'lanes',
    });
    // Gen 3 x8 and not x16: 8 × 984.6 MB/s.
    const link = findings.find(({ code }) => code.startsWith('link.'));
    expect(link?.available).to.be.below(8 * 984.6e6);
  });

  it('does not count them while it is empty or about to be', () => {
    for (const other of [
      vacant('technician'),
      told({ ...occupantNamed('Old'), disposition: 'remove' as const }),
    ]) {
      const free = machine(other);
      expect(codes(verdictOf(x16, free.slots[0]!, free).findings)).to.not.include(
        'sharing.fewerLanes',
      );
    }
  });

  it('is unknown while nobody looked what the other slot holds', () => {
    const unknown = machine(null);
    expect(codes(verdictOf(x16, unknown.slots[0]!, unknown).findings)).to.include(
      'sharing.unknown',
    );
  });

  it('kills a slot for a drive of one signal only', () => {
    const dead: Condition = { ...falls, keepsLanes: 0, holds: 'sata' };
    const withSignal = (signal: 'sata' | 'pcie' | null) =>
      machine(told({ ...occupantNamed('Drive'), signal }), dead);
    const of = (machineWith: Machine) =>
      codes(verdictOf(x16, machineWith.slots[0]!, machineWith).findings);
    expect(of(withSignal('sata'))).to.include('sharing.dead');
    expect(of(withSignal('pcie'))).to.not.include('sharing.dead');
    expect(of(withSignal(null))).to.include('sharing.unknown');
  });

  it('says what a new card takes from one that is there', () => {
    const there = aMachine(
      [aSlot(1, {}, { occupant: told(occupantNamed('Graphics')) }), aSlot(3)],
      {
        conditions: [falls],
      },
    );
    expect(verdictOf(aCard(), there.slots[1]!, there).findings).to.deep.include({
      code: 'sharing.takes',
      verdict: 'limited',
      subject: 'Graphics',
      available: 8,
      unit: 'lanes',
    });
  });

  it('keeps the planner from a plan in which one card starves another', () => {
    const slots = [
      aSlot(1, { lanes: 4, connector: 4 }),
      aSlot(3, { connector: 1 }),
      aSlot(5, { connector: 1 }),
    ];
    const cards = [
      aCard({
        id: 'wire',
        lanes: 4,
        delivers: network(1, [10000]),
        ids: { vendor: 0xf1a1, device: 9, class24: 0x010802 },
      }),
      aCard({ id: 'ports' }),
    ];
    const needs = [networkNeed(1e9), usbNeed(2)];
    const plan = (conditions: readonly Condition[]) => {
      const { placements, unmet } = proposePlan({
        machine: aMachine(slots, { conditions }),
        needs,
        cards,
        budgetCents: null,
        library: null,
      });
      expect(unmet).to.deep.equal([]);
      return Object.fromEntries(placements.map(({ card, slot }) => [card.id, slot.id]));
    };
    expect(plan([])).to.deep.equal({ wire: 's1', ports: 's3' });
    // One lane of Gen 3 carries 985 MB/s before packets: less than a gigabyte.
    expect(plan([{ ...falls, keepsLanes: 1 }])).to.deep.equal({ wire: 's1', ports: 's5' });
  });

  it('gives the accepted plan the lanes that are left', () => {
    const card = aCard({ lanes: 16 });
    const job = aJob(
      { name: 'takeTemplate', machine: aMachine([aSlot(1), aSlot(3)], { conditions: [falls] }) },
      {
        name: 'acceptPlan',
        placements: [
          { slotId: 's1', card },
          { slotId: 's3', card: { ...card, id: 'other' } },
        ],
        packages: [],
      },
    );
    expect(assemblyOf(job).cards.map(({ slot }) => valueOf(slot.lanes))).to.deep.equal([8, 16]);
  });
});

describe('Uplinks', () => {
  const shared = told({ id: 'u', name: 'the board’s switch', generation: 2 as const, lanes: 1 });

  it('narrow what a slot behind them carries, and are named', () => {
    const slot = aSlot(1, { connector: 4 }, { uplink: shared });
    const wire = aCard({ lanes: 4, delivers: network(1, [10000]) });
    // Gen 2 x1 is 500 MB/s before packets.
    expect(slotLink(wire, slot)!.high).to.be.below(500e6);
    expect(codes(verdictOf(wire, slot, aMachine([slot])).findings)).to.include(
      'link.uplinkNarrows',
    );
  });

  it('do nothing where they are wider than the link', () => {
    const slot = aSlot(1, { connector: 1, generation: 1 }, { uplink: shared });
    expect(slotLink(aCard(), slot)?.narrowedBy).to.equal(null);
  });
});

describe('Sockets for modules', () => {
  const socket = (over: Partial<Slot> = {}): Slot => ({
    ...emptySlot('m', 'Radio socket', 'm2'),
    key: told('E'),
    moduleLengthsMm: told([30]),
    wired: told(['pcie', 'usb']),
    lanes: told(1),
    generation: told(2),
    occupant: vacant('technician'),
    ...over,
  });
  const module = aCard({
    bus: 'm2',
    m2: { keys: ['A', 'E'], moduleLengthMm: 30, signal: 'pcie' },
    delivers: network(1, [1000, 2500]),
  });
  const found = (slot: Slot, card: Card = module) => codes(seat(card, slot, aMachine([slot])));

  it('take a module of their key and length that lives on a wired signal', () => {
    expect(found(socket())).to.deep.equal(['seat.fits']);
    // A module meets no opening and no bracket.
    const verdict = verdictOf(module, socket(), aMachine([socket()]));
    expect(codes(verdict.findings).filter((code) => /^(body|bracket)/.test(code))).to.deep.equal(
      [],
    );
  });

  it('refuse another key, another length, and signals that are not wired', () => {
    // M.2 4.0: key M has no place for a module cut for A and E; a radio-only socket carries no PCI Express.
    expect(found(socket({ key: told('M') }))).to.deep.equal(['seat.otherKey']);
    expect(found(socket({ moduleLengthsMm: told([42, 80]) }))).to.include('seat.moduleLength');
    expect(found(socket({ wired: told(['radio']) }))).to.include('seat.notWired');
  });

  it('are unknown where nobody looked, and refuse a card', () => {
    expect(found(socket({ key: null, moduleLengthsMm: null, wired: null }))).to.deep.equal([
      'seat.keyUnknown',
      'seat.moduleLengthUnknown',
      'seat.wiredUnknown',
    ]);
    expect(found(socket(), aCard())).to.deep.equal(['seat.bus']);
  });
});

describe('Keys and splitting', () => {
  const old = (keying: Slot['keying']) => ({
    ...emptySlot('p', 'Old', 'pci'),
    keying,
    occupant: vacant('technician'),
  });

  it('let only the right classic card in', () => {
    // PCI Local Bus 3.0: a card cut for 3.3 V only does not enter a 5 V slot; a universal one enters both.
    const cut = (keying: Card['keying']) => aCard({ bus: 'pci', keying });
    const found = (card: Card, slot: Slot) => codes(seat(card, slot, aMachine([slot])));
    expect(found(cut('3.3 V'), old(told('5 V')))).to.include('seat.otherKeying');
    expect(found(cut('5 V'), old(told('5 V')))).to.deep.equal(['seat.fits']);
    expect(found(cut('universal'), old(null))).to.deep.equal(['seat.fits']);
    expect(found(cut('5 V'), old(null))).to.include('seat.keyingUnknown');
  });

  it('ask the firmware to split a slot for a card of several drives', () => {
    const four = aCard({ needsSplit: true });
    const found = (splits: Slot['splits']) =>
      codes(seat(four, aSlot(1, {}, { splits }), aMachine([])));
    expect(found(told(true))).to.include('seat.split');
    expect(found(told(false))).to.include('seat.noSplit');
    expect(found(null)).to.include('seat.splitUnknown');
  });
});

describe('External boxes', () => {
  const inBox: Slot = { ...aSlot(1), id: 'box1', enclosureId: 'box' };
  const machine = aMachine(
    [aSlot(1, {}, { occupant: told(occupantNamed('In the case')) }), inBox],
    {
      enclosures: [
        {
          id: 'box',
          name: 'Box',
          chainPosition: 1,
          case: {
            ...emptyCase(),
            bracket: told('full'),
            openings: told(1),
            lengthRoomMm: told(150),
            covers: told('screwed'),
          },
          supply: {
            ...emptySupply(),
            twelveVoltWatts: told(60),
            baseWatts: told(5),
            plugs: told([]),
          },
        },
      ],
    },
  );

  it('have room, neighbours and power of their own', () => {
    const long = verdictOf(aCard({ lengthMm: 200 }), inBox, machine);
    expect(codes(long.findings)).to.include('body.tooLong');
    const short = verdictOf(aCard({ lengthMm: 120 }), inBox, machine);
    expect(codes(short.findings)).to.not.include('body.neighbour');
    const hungry = verdictOf(aCard({ peakWatts: 70, slotWatts: 10 }), inBox, machine);
    expect(hungry.findings.find(({ code }) => code === 'power.sumShort')?.available).to.equal(60);
  });

  it('do not add their load to the machine’s', () => {
    const slots = [aSlot(1), inBox];
    const request = (watts: number) =>
      proposePlan({
        machine: { ...machine, slots, supply: { ...machine.supply, twelveVoltWatts: told(160) } },
        needs: [usbNeed(8)],
        cards: [aCard({ peakWatts: watts, slotWatts: 10 })],
        budgetCents: null,
        library: null,
      });
    // 100 + 40 of 160 in the case, 5 + 40 of 60 in the box: each fits, though 185 together would not.
    expect(request(40).placements).to.have.length(2);
    expect(request(40).together.map(({ needed, available }) => [needed, available])).to.deep.equal([
      [140, 160],
      [45, 60],
    ]);
    expect(request(56).placements).to.have.length(0);
  });
});

describe('Cards that go', () => {
  it('make room in slot and opening, and become a step', () => {
    const leaving = told({
      ...occupantNamed('Old card'),
      disposition: 'remove' as const,
      openings: told(2),
    });
    const machine = aMachine([aSlot(1, {}, { occupant: leaving }), aSlot(2)]);
    const into = verdictOf(aCard(), machine.slots[0]!, machine);
    expect([into.verdict, codes(into.findings).includes('seat.emptyFirst')]).to.deep.equal([
      'needs',
      true,
    ]);
    expect(verdictOf(aCard(), machine.slots[1]!, machine).verdict).to.not.equal('blocked');
    const job = aJob(
      { name: 'takeTemplate', machine },
      { name: 'acceptPlan', placements: [{ slotId: 's1', card: aCard() }], packages: [] },
    );
    const order = steps(job).map(({ code }) => code);
    expect(order.indexOf('takeOut')).to.be.within(1, order.indexOf('seat') - 1);
  });
});

describe('Secure boot', () => {
  const card = aCard({ ids: { vendor: 0xf1a1, device: 1, class24: 0x020000 } });
  const driver = (withSystem: boolean) =>
    aPackage({
      says: listed(['f1a1:0001'], { family: 'linux', from: '5.0', to: null }),
      channel: withSystem ? 'system' : 'recommended',
    });
  const machine = (secureBoot: boolean) => {
    const plain = aMachine([aSlot(1)]);
    return {
      ...plain,
      system: {
        ...plain.system,
        family: told('linux' as const),
        version: told('6.1'),
        secureBoot: told(secureBoot),
      },
    };
  };
  const found = (secureBoot: boolean, withSystem: boolean) => {
    const on = machine(secureBoot);
    return codes(slotVerdict(card, on.slots[0]!, on, [driver(withSystem)]).findings);
  };

  it('asks for a key for drivers that do not come with the system', () => {
    expect(found(true, false)).to.include('system.secureBoot');
    expect(found(true, true)).to.include('system.package');
    expect(found(false, false)).to.include('system.package');
  });
});

describe('Screens that were read', () => {
  it('put a catch on a mode that they do not report', () => {
    const screen = (refreshHz: number) => ({
      ...emptyScreen('a', 'A'),
      modes: [{ widthPx: 3840, heightPx: 2160, refreshHz }],
    });
    const card = aCard({ delivers: screens(2, [['dp-hbr3', 2]], 2, 1) });
    const plan = (refreshHz: number) =>
      proposePlan({
        machine: aMachine([aSlot(1)], { screens: [screen(refreshHz)] }),
        needs: [plainNeed('screens', 'n', { count: 1 })],
        cards: [card],
        budgetCents: null,
        library: null,
      }).placements.flatMap(({ findings }) => codes(findings));
    expect(plan(30)).to.include('deliver.screenLess');
    expect(plan(59.94)).to.not.include('deliver.screenLess');
  });
});
