/** Needs of every kind: what a card gives towards each, and whether the machine meets it as it is. */
import { expect } from 'chai';
import { directHops, emptyFunction } from '../../src/core/parts/index.ts';
import { learnCard } from '../../src/core/catalogue/index.ts';
import { rearSocketsOf, acceptanceOf, isAcceptable } from '../../src/core/assembly/index.ts';
import { slotVerdict } from '../../src/core/rules/index.ts';
import {
  type NeedOf,
  pairScreens,
  type WantedScreen,
  plainNeed,
  type Need,
} from '../../src/core/kinds/index.ts';
import {
  emptyScreen,
  occupantNamed,
  type Card,
  type Machine,
} from '../../src/core/document/index.ts';
import { handOverSheet } from '../../src/core/write/index.ts';
import { metByMachine, flowOf } from '../../src/core/flow/index.ts';
import type { OutputSignal, ScreenInput } from '../../src/core/standards/index.ts';
import { proposePlan } from '../../src/core/planner/index.ts';
import { steps } from '../../src/core/procedure/index.ts';
import { drives, network, screens, sound, usb, wifi } from '../../demo/catalogue/row.ts';
import { WISH_CENTS } from '../../src/core/plans/cost.ts';
import { aCard, aJob, aMachine, aSlot, occupiedBy, told } from '../builders/parts.ts';

const slot = aSlot(1);
const machine = aMachine([slot]);
const flow = (delivers: Card['delivers'], need: Need, over: Partial<Card> = {}, there = machine) =>
  flowOf(aCard({ lanes: 16, delivers, ...over }), there.slots[0]!, need, there)!;
const code = (...asked: Parameters<typeof flow>) => {
  const { finding, units } = flow(...asked);
  return [finding.code, finding.subject ?? finding.available, units];
};

describe('What a card gives towards a need', () => {
  it('network: ports, and what else they are wanted for', () => {
    const need = plainNeed('network', 'n', {
      bytesPerSecond: 100e6,
      ports: 2,
      features: ['teaming'],
    });
    expect(flow(network(2, [1000], ['teaming']), need).units).to.equal(2);
    expect(code(network(2, [1000], ['wake']), need)).to.deep.equal(['deliver.lacks', 'teaming', 0]);
  });

  it('USB: back and front, Type-C, current', () => {
    const front = plainNeed('usb', 'u', { where: 'front', ports: 2 });
    const header: Partial<Card> = { frontHeaders: [{ type: 'usb-19-pin', atMm: 80 }] };
    const withLead = (...types: ('usb-19-pin' | 'type-c-20-pin')[]): Machine => ({
      ...machine,
      case: { ...machine.case, frontLeads: told(types.map((type) => ({ type }))) },
    });
    // A 19-pin header feeds two ports (USB header conventions, from memory).
    expect(flow(usb(4, '3.2-1', 900), front, header, withLead('usb-19-pin')).units).to.equal(2);
    expect(code(usb(4, '3.2-1', 900), front, header, withLead('type-c-20-pin'))).to.deep.equal([
      'deliver.lacks',
      'front',
      0,
    ]);
    const untold = { ...machine, case: { ...machine.case, frontLeads: null } };
    expect(flow(usb(4, '3.2-1', 900), front, header, untold).finding.verdict).to.equal('unknown');
    const typeC = plainNeed('usb', 'u', { typeC: true, ports: 1 });
    expect(flow(usb(4, '3.2-1', 900, 1), typeC).units).to.equal(1);
    expect(code(usb(4, '3.2-1', 900, 0), typeC)).to.deep.equal(['deliver.lacks', 'typeC', 0]);
    const hungry = plainNeed('usb', 'u', { milliamps: 900 });
    expect(flow(usb(4, '3.2-1', 900), hungry).units).to.equal(4);
    expect(code(usb(4, '3.2-1', 899), hungry)).to.deep.equal(['deliver.lessCurrent', 899, 0]);
  });

  it('over the lanes that the board’s conditions leave the slot', () => {
    const two = aMachine([aSlot(1, { connector: 4 }), aSlot(3)]);
    const need = plainNeed('network', 'n', { bytesPerSecond: 900e6 });
    const wire = network(1, [10000]);
    expect(flow(wire, need, { lanes: 4 }, two).units).to.equal(1);
    const tied: Machine = {
      ...two,
      slots: two.slots.map((each, n) => (n === 1 ? { ...each, occupant: occupiedBy('A') } : each)),
      conditions: [{ id: 'c', slotId: 's1', keepsLanes: 1, whenSlotId: 's3', holds: 'anything' }],
    };
    // One lane of Gen 3 carries 985 MB/s before packets, and 10 Gb/s Ethernet 1,187.
    expect(flow(wire, need, { lanes: 4 }, tied).limiting).to.equal('slotLink');
  });

  it('graphics: memory, class, encoders', () => {
    const need = plainNeed('graphics', 'g', {
      memoryGigabytes: 8,
      speedClass: 3,
      encodes: ['av1'],
    });
    expect(flow(screens(4, [['dp-hbr3', 4]], 8, 3, ['av1']), need).units).to.equal(1);
    expect(code(screens(4, [['dp-hbr3', 4]], 7.9, 3, ['av1']), need)[0]).to.equal('deliver.short');
    expect(code(screens(4, [['dp-hbr3', 4]], 8, 2, ['av1']), need)).to.deep.equal([
      'deliver.slower',
      2,
      0,
    ]);
    expect(code(screens(4, [['dp-hbr3', 4]], 8, 3, ['h264']), need)).to.deep.equal([
      'deliver.lacks',
      'av1',
      0,
    ]);
  });

  it('drives: kind, sharing, starting from them, whose driver', () => {
    const need = plainNeed('drives', 'd', { ports: 10, bytesPerSecond: 100e6 });
    const tenOnTwo = drives(10, 'sata', 2);
    // Ten sockets on two ports: each gets a fifth of 480 to 560 MB/s while all work.
    const shared = flow(tenOnTwo, need);
    expect(shared.stages.find((stage) => stage.code === 'drivePort')).to.include({
      low: 96e6,
      high: 112e6,
    });
    expect(flow(tenOnTwo, { ...need, bytesPerSecond: 113e6 }).units).to.equal(0);
    expect(flow(tenOnTwo, { ...need, bytesPerSecond: 450e6, together: false }).units).to.equal(10);
    const modules = plainNeed('drives', 'd', { drive: 'm2', ports: 1 });
    expect(code(drives(4, 'sata'), modules)).to.deep.equal(['deliver.otherDrive', 'sata', 0]);
    const boot = plainNeed('drives', 'd', { bootable: true, bytesPerSecond: 100e6 });
    expect(code(drives(2, 'sata'), boot)[0]).to.equal('deliver.notBootable');
    expect(flow(drives(2, 'sata'), boot, { boot: 'both' }).units).to.equal(2);
    expect(code(drives(2, 'sata'), boot, { boot: 'bios' })[0]).to.equal('deliver.notBootable');
    const untold = { ...machine, firmware: { ...machine.firmware, kind: null } };
    expect(code(drives(2, 'sata'), boot, { boot: 'uefi' }, untold)[0]).to.equal(
      'deliver.bootUnknown',
    );
    // AHCI, class 01 06 01, runs on every current system's own driver; an array controller does not.
    const plain = plainNeed('drives', 'd', { systemDriver: true, bytesPerSecond: 100e6 });
    const ids = (class24: number) => ({ ids: { vendor: 0xf1a0, device: 1, class24 } });
    expect(flow(drives(2, 'sata'), plain, ids(0x010601)).units).to.equal(2);
    expect(code(drives(2, 'sata'), plain, ids(0x010400))[0]).to.equal('deliver.ownDriver');
  });

  it('radio bands, sound, fast and old ports', () => {
    const radio = plainNeed('wifi', 'w', { bands: ['6'] });
    expect(code(wifi(2402, true, ['2.4', '5']), radio)).to.deep.equal(['deliver.lacks', '6', 0]);
    const hall = plainNeed('sound', 's', { channels: 2, inputs: 2, optical: true, front: true });
    const audio: Partial<Card> = { frontHeaders: [{ type: 'audio', atMm: 80 }] };
    const led = {
      ...machine,
      case: { ...machine.case, frontLeads: told([{ type: 'audio' as const }]) },
    };
    expect(flow(sound(2, 2, true), hall, audio, led).units).to.equal(1);
    expect(code(sound(2, 1, true), hall, audio, led)).to.deep.equal(['deliver.lacks', 'inputs', 0]);
    expect(code(sound(2, 2, false), hall, audio, led)).to.deep.equal([
      'deliver.lacks',
      'optical',
      0,
    ]);
    expect(code(sound(2, 2, true), hall, {}, led)).to.deep.equal(['deliver.lacks', 'front', 0]);
    const fast = plainNeed('serialLink', 'f', { gigabits: 40 });
    expect(flow({ kind: 'serialLink', ports: 2, gigabits: 40 }, fast).units).to.equal(2);
    expect(code({ kind: 'serialLink', ports: 2, gigabits: 20 }, fast)[0]).to.equal('deliver.short');
    // Gen 2 x4: 2,000 MB/s coded, 1,400 seen in practice and 1,855 at best, under the 2,750 of the port itself.
    const old = aSlot(1, { lanes: 4, generation: 2 });
    const card = aCard({
      lanes: 4,
      generation: 3,
      delivers: { kind: 'serialLink', ports: 1, gigabits: 40 },
    });
    const asked = (bytesPerSecond: number) =>
      flowOf(card, old, { ...fast, bytesPerSecond }, aMachine([old]))!;
    expect(asked(1_400e6)).to.include({ units: 1, low: 1_400e6, limiting: 'slotLink' });
    expect(asked(1_400e6).high / 1e6).to.be.closeTo(1855, 0.1);
    expect(asked(1_900e6).finding.code).to.equal('deliver.short');
    const serial = plainNeed('legacy', 'l', { port: 'serial', ports: 2 });
    expect(flow({ kind: 'legacy', serial: 2, parallel: 1 }, serial).units).to.equal(2);
    expect(flow({ kind: 'legacy', serial: 0, parallel: 1 }, serial).units).to.equal(0);
    expect(flowOf(aCard(), slot, plainNeed('keep', 'k', { slotId: 's1' }), machine)).to.equal(null);
  });
});

describe('Screens on outputs', () => {
  const wanted = (
    input: ScreenInput | null,
    [widthPx, heightPx, refreshHz]: readonly [number, number, number],
    over: Partial<WantedScreen> = {},
  ): WantedScreen => ({
    inputs: [input],
    mode: { widthPx, heightPx, refreshHz },
    bitsPerColour: 8,
    streams: 1,
    hdmiBitsPerSecond: null,
    halfColour: false,
    ...over,
  });
  const FULL_HD = [1920, 1080, 60] as const;
  const UHD = [3840, 2160, 60] as const;
  const paired = (sockets: readonly OutputSignal[], screens: readonly WantedScreen[], most = 4) =>
    pairScreens(sockets, screens, most, 1);

  it('take a passive adapter where the output speaks the language, an active one where it does not', () => {
    // VESA DisplayPort Dual-Mode 1.1: 300 MHz through a passive adapter (from memory); 4K at 60 Hz wants 533.25.
    const adapters = (mode: readonly [number, number, number], input: ScreenInput) =>
      paired(['dp-hbr2'], [wanted(input, mode)])
        .flat()
        .map(({ adapter }) => adapter);
    expect(adapters(FULL_HD, 'hdmi')).to.deep.equal(['dp-hdmi-passive']);
    expect(adapters(UHD, 'hdmi')).to.deep.equal(['dp-hdmi-active']);
    expect(adapters(FULL_HD, 'dvi')).to.deep.equal(['dp-dvi-passive']);
    expect(adapters([2560, 1600, 60], 'dvi')).to.deep.equal(['dp-dvi-dual-active']);
    expect(adapters(FULL_HD, 'analogue')).to.deep.equal(['dp-vga-active']);
    expect(adapters(UHD, 'analogue')).to.deep.equal([]);
  });

  it('leave the straight socket to the screen that has no other way', () => {
    const screens = [wanted('hdmi', FULL_HD), wanted('displayport', FULL_HD)];
    const ways = paired(['hdmi-600', 'dp-hbr2'], screens).flat();
    expect(ways.map(({ adapter }) => adapter)).to.deep.equal([null, null]);
  });

  it('go straight into another socket of the screen, where it is known to have one', () => {
    const both = wanted('hdmi', UHD, { inputs: ['hdmi', 'displayport'] });
    expect(paired(['dp-hbr2'], [both])[0]![0]!.adapter).to.equal(null);
  });

  it('count ten bits a colour', () => {
    // 4K at 60 Hz: 533.25 MHz × 30 bits are 16.0 Gb/s, over HDMI's 14.4 and under DisplayPort HBR2's 17.28.
    const ten = wanted(null, UHD, { bitsPerColour: 10 });
    expect(paired(['hdmi-600'], [wanted(null, UHD)])).to.have.length(1);
    expect(paired(['hdmi-600'], [ten])).to.have.length(0);
    expect(paired(['dp-hbr2'], [ten])).to.have.length(1);
  });

  it('are limited by what the screen’s HDMI input takes, half the colour where the screen offers it', () => {
    // 340 MHz × 24 bits are 8.16 Gb/s; 4K at 60 Hz needs 12.8, and 6.4 at half the colour (HDMI 2.0, from memory).
    const slow = wanted('hdmi', UHD, { hdmiBitsPerSecond: 8.16e9 });
    expect(paired(['hdmi-600'], [slow])).to.have.length(0);
    const way = paired(['hdmi-600'], [{ ...slow, halfColour: true }])[0]![0]!;
    expect(way).to.include({ halfColour: true, carries: 8.16e9 });
    // And a slow output into a fast screen.
    const half = wanted('hdmi', UHD, { halfColour: true });
    expect(paired(['hdmi-340'], [half])[0]![0]!.halfColour).to.equal(true);
    expect(paired(['hdmi-600'], [half])[0]![0]!.halfColour).to.equal(false);
  });

  it('carry 4K at 120 Hz over a fixed-rate link', () => {
    // 1,075.8 MHz × 24 bits are 25.8 Gb/s, over DisplayPort HBR2 and HDMI at 600 MHz, under 42.67.
    const fast = wanted('hdmi', [3840, 2160, 120], { hdmiBitsPerSecond: 42.67e9 });
    expect(paired(['hdmi-600'], [fast])).to.have.length(0);
    expect(paired(['hdmi-frl48'], [fast])).to.have.length(1);
  });

  it('of two tiles take two outputs, both or none', () => {
    const tiled = wanted('displayport', [2560, 2880, 60], { streams: 2 });
    expect(paired(['dp-hbr2'], [tiled])).to.have.length(0);
    expect(paired(['dp-hbr2', 'dp-hbr2'], [tiled])[0]).to.have.length(2);
    const ways = paired(['dp-hbr2', 'dp-hbr2'], [tiled, wanted('displayport', FULL_HD)]);
    expect(ways.map(({ length }) => length)).to.deep.equal([1]);
    expect(paired(['dp-hbr2', 'dp-hbr2'], [tiled], 1)).to.have.length(0);
  });

  it('say when only the shortest blanking lets a mode through', () => {
    // 3840 × 2160 at 68 Hz: 606.5 MHz with the first reduced blanking, 594.4 with the second, and HDMI takes 600 (edid-decode --cvt).
    const asked = plainNeed('screens', 's', {
      count: 1,
      mode: { widthPx: 3840, heightPx: 2160, refreshHz: 68 },
    });
    const card = aCard({ delivers: screens(1, [['hdmi-600', 1]], 4, 2) });
    expect(flowOf(card, slot, asked, machine)?.finding).to.include({
      code: 'deliver.tightBlanking',
      verdict: 'limited',
    });
  });
});

describe('Devices for a purpose of their own', () => {
  const capture = { kind: 'otherDevice', what: 'capture', units: 2, socket: 'hdmi' } as const;
  const card = (bytesPerSecond: number) =>
    aCard({ lanes: 4, generation: 2, delivers: { ...capture, bytesPerSecond } });
  const need = plainNeed('otherDevice', 'o', { what: 'capture', units: 2 });

  it('are counted by what they take in, and serve no other purpose', () => {
    const flow = (more: Partial<NeedOf<'otherDevice'>>) =>
      flowOf(card(0), aSlot(1), { ...need, ...more }, aMachine([]))!;
    expect(flow({})).to.include({ units: 2 });
    expect(flow({ what: 'tuner' })).to.deep.include({
      units: 0,
      finding: { code: 'deliver.otherPurpose', verdict: 'blocked' },
    });
  });

  it('take lanes like any other: a link that is too thin for them is said', () => {
    const says = (lanes: number) =>
      slotVerdict(
        card(1_500e6),
        aSlot(1, { lanes }),
        aMachine([aSlot(1, { lanes })]),
        [],
      ).findings.map(({ code }) => code);
    expect(says(4)).to.include('link.enough');
    expect(says(1)).to.include('link.narrowed');
  });

  it('are planned, drawn with their sockets and learned from a report by their class', () => {
    const machine = aMachine([aSlot(1)]);
    const plan = proposePlan({
      machine,
      needs: [need],
      budgetCents: null,
      cards: [card(0)],
      extras: [],
      library: [],
    });
    expect(plan.placements).to.have.length(1);
    expect(rearSocketsOf(card(0).delivers)).to.deep.equal(['hdmi', 'hdmi']);
    // PCI Code and ID Assignment Specification (from memory): 04 00 video, 07 03 modem, 12 00 accelerator.
    for (const [classCode, what] of [
      [0x0400, 'capture'],
      [0x0703, 'modem'],
      [0x1200, 'accelerator'],
    ] as const)
      expect(learnCard({ ...emptyFunction('0000:01:00.0'), classCode }).delivers).to.include({
        kind: 'otherDevice',
        what,
      });
  });
});

describe('What the machine meets already', () => {
  const board = (...deliveries: Card['delivers'][]): Machine => ({
    ...machine,
    builtIn: told(deliveries),
  });
  const catalogue = [
    aCard({ id: 'g', model: 'Picture', delivers: screens(2, [['dp-hbr2', 2]], 2, 1) }),
  ];
  const state = (need: Need, there: Machine) => metByMachine(need, there, catalogue).state;

  it('is met, short by a figure, or not known', () => {
    const need = plainNeed('usb', 'u', { ports: 4 });
    expect(state(need, board(usb(4, '3.2-1', 900)))).to.equal('met');
    expect(state(need, board(usb(3, '3.2-1', 900)))).to.equal('short');
    expect(state(need, board(usb(2, '3.2-1', 900), usb(2, '3.2-2', 900)))).to.equal('met');
    expect(metByMachine(need, board(usb(4, '2.0', 500)), [])).to.deep.include({
      state: 'short',
      units: 0,
    });
    expect(state(need, { ...machine, builtIn: null })).to.equal('unknown');
    const wire = plainNeed('network', 'n', { bytesPerSecond: 100e6 });
    const unsure = { ...board(network(1, [1000])), path: { ...machine.path, hops: directHops() } };
    expect(state(wire, unsure)).to.equal('unknown');
  });

  it('counts cards that stay, and the board’s video only while none of them is for screens', () => {
    const need = plainNeed('screens', 's', {
      count: 1,
      mode: { widthPx: 1920, heightPx: 1080, refreshHz: 60 },
    });
    const own = board(screens(1, [['vga', 1]], 0, 1));
    expect(state(need, own)).to.equal('met');
    const holding = (disposition: 'stays' | 'remove'): Machine => ({
      ...own,
      slots: [
        {
          ...slot,
          occupant: told({
            ...occupantNamed('Maker Picture'),
            disposition,
            openings: told(1),
            lengthMm: told(150),
            fan: told(null),
          }),
        },
      ],
    });
    const two = { ...need, count: 2 };
    expect(state(two, holding('stays'))).to.equal('met');
    expect(state(two, holding('remove'))).to.equal('short');
    expect(state({ ...need, input: 'analogue', count: 1 }, holding('remove'))).to.equal('met');
  });

  it('says half the colour and the adapter, although it is met, and neither where another output does without', () => {
    const uhd = { widthPx: 3840, heightPx: 2160, refreshHz: 60 };
    const need = plainNeed('screens', 's', { count: 1, mode: uhd });
    const screen = emptyScreen('tv', 'TV');
    const withTv = (outputs: Parameters<typeof screens>[1], input: ScreenInput): Machine => ({
      ...board(screens(2, outputs, 0, 1)),
      screens: [{ ...screen, input: told(input), modes: [uhd], halfColour: [uhd] }],
    });
    const catches = (there: Machine) => {
      const met = metByMachine(need, there, []);
      return [met.state, ...met.catches.map(({ code, verdict }) => `${code} ${verdict}`)];
    };
    // 340 MHz × 24 bits are 8.16 Gb/s, 4K at 60 Hz needs 12.8 (HDMI 1.4 and 2.0, from memory).
    const slow = withTv([['hdmi-340', 1]], 'hdmi');
    expect(catches(slow)).to.deep.equal(['met', 'deliver.halfColour limited']);
    expect(catches(withTv([['hdmi-600', 1]], 'hdmi'))).to.deep.equal(['met']);
    expect(catches(withTv([['dp-hbr2', 1]], 'hdmi'))).to.deep.equal([
      'met',
      'deliver.screenAdapter needs',
    ]);
    const plan = proposePlan({
      machine: slow,
      needs: [need],
      cards: [],
      budgetCents: null,
      library: null,
    });
    const job = { ...aJob(), machine: slow, needs: [need] };
    // It goes on to be proven, and nobody opens the case for it.
    expect(isAcceptable(plan, aMachine([]))).to.equal(true);
    expect(isAcceptable({ ...plan, met: [] }, aMachine([]))).to.equal(false);
    const accepted = {
      ...job,
      plan: { ...acceptanceOf(plan, job, null), acceptedAt: job.changedAt },
    };
    expect(steps(accepted).some(({ stage }) => stage === 'fit' || stage === 'drivers')).to.equal(
      false,
    );
    const [figure] = handOverSheet(accepted).figures;
    expect(figure!.expectation.isMet).to.equal(true);
    expect(figure!.expectation.catches.map(({ code }) => code)).to.deep.equal([
      'deliver.halfColour',
    ]);
  });

  it('is met by what is sure, whatever else may serve it too', () => {
    const unsure = aCard({ id: 'n', model: 'Wire', delivers: network(1, [1000]) });
    const need = plainNeed('network', 'n', { bytesPerSecond: 5e6 });
    const there = {
      ...board(network(1, [1000])),
      slots: [{ ...slot, generation: null, occupant: occupiedBy('Maker Wire') }],
    };
    const own = { ...there, builtIn: told([]) };
    expect(metByMachine(need, own, [unsure]).state).to.equal('unknown');
    expect(metByMachine(need, there, [unsure]).state).to.equal('met');
  });

  it('keeps what is to be kept', () => {
    const need = plainNeed('keep', 'k', { slotId: 's1' });
    const holds = (disposition: 'stays' | 'remove') => ({
      ...machine,
      slots: [
        {
          ...slot,
          occupant: told({ ...occupantNamed('A'), disposition }),
        },
      ],
    });
    expect([
      state(need, holds('stays')),
      state(need, holds('remove')),
      state(need, machine),
    ]).to.deep.equal(['met', 'short', 'short']);
    expect(state(need, { ...machine, slots: [{ ...slot, occupant: null }] })).to.equal('unknown');
  });
});

describe('A plan for what is not met yet', () => {
  const machineWith = (...deliveries: Card['delivers'][]): Machine => ({
    ...machine,
    builtIn: told(deliveries),
  });
  const card = aCard({ id: 'hub', lanes: 1, delivers: usb(4, '3.2-1', 900), priceCents: 3_000 });
  const plan = (there: Machine, ...needs: Need[]) =>
    proposePlan({ machine: there, needs, cards: [card], budgetCents: null, library: null });

  it('buys nothing for what the board does, and says so', () => {
    const need = plainNeed('usb', 'u', { ports: 4 });
    const met = plan(machineWith(usb(4, '3.2-1', 900)), need);
    expect([met.placements.length, met.unmet.length, met.met.length]).to.deep.equal([0, 0, 1]);
    const short = plan(machineWith(usb(4, '2.0', 500)), need);
    expect([short.placements.length, short.met.length]).to.deep.equal([1, 0]);
    const untold = plan({ ...machine, builtIn: null }, need);
    expect([untold.placements.length, untold.met.length]).to.deep.equal([1, 0]);
  });

  it('weighs wishes: the one that counts more is served where only one can be', () => {
    const one = { ...machine, slots: [slot] };
    const sound2 = aCard({ id: 'voice', delivers: sound(2, 1), priceCents: 3_000 });
    const wishes = (usbWeight: number, soundWeight: number): Need[] => [
      plainNeed('usb', 'u', { must: false, weight: usbWeight }),
      plainNeed('sound', 's', { must: false, weight: soundWeight }),
    ];
    const unmet = (...weights: [number, number]) =>
      proposePlan({
        machine: one,
        needs: wishes(...weights),
        cards: [card, { ...sound2, ids: card.ids }],
        budgetCents: null,
        library: null,
      });
    expect(unmet(5, 1).unmet.map(({ id }) => id)).to.deep.equal(['s']);
    expect(unmet(1, 5).unmet.map(({ id }) => id)).to.deep.equal(['u']);
    expect(unmet(1, 5).cost.parts.wishes).to.equal(WISH_CENTS);
  });
});
