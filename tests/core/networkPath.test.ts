/** The path hop by hop: what each link comes up at, what limits, and what is said of leads, modules and the radio. */
import { expect } from 'chai';
import {
  FIBRE_CLASSES,
  WIFI_BANDS,
  cableCarries,
  radioMegabits,
  type CableClass,
} from '../../src/core/standards/index.ts';
import {
  directHops,
  emptyHop,
  emptyLead,
  type Hop,
  type Lead,
} from '../../src/core/parts/index.ts';
import { flowOf, ratesOf, routes } from '../../src/core/flow/index.ts';
import { outcome } from '../../src/core/outcome.ts';
import { plainNeed, type NeedOf } from '../../src/core/kinds/index.ts';
import { repairs } from '../../src/core/planner/index.ts';
import type { Machine } from '../../src/core/document/index.ts';
import { extrasOf } from '../../src/core/buying/extras.ts';
import { network, usb, wifi } from '../../demo/catalogue/row.ts';
import { aCard, aMachine, aSlot, networkNeed, told } from '../builders/parts.ts';

const ALL = [1000, 2500, 5000, 10000];
const TEN = [1000, 10000];

interface LeadTold {
  readonly cable?: CableClass;
  readonly metres?: number;
  readonly condition?: NonNullable<Lead['condition']>['value'];
}

let leads = 0;
const lead = ({ cable = 'cat6a', metres = 5, condition = 'good' }: LeadTold = {}): Lead => ({
  ...emptyLead(`lead-${(leads += 1)}`),
  cable: told(cable),
  metres: told(metres),
  condition: told(condition),
});
const hop = (name: string, portMegabits: readonly number[], ...run: readonly Lead[]): Hop => ({
  ...emptyHop(name),
  name,
  portMegabits: told(portMegabits),
  leads: run.length === 0 ? [lead()] : run,
});
const over = (hops: readonly Hop[], more: Partial<Machine['path']> = {}): Machine => {
  const plain = aMachine([aSlot(1), aSlot(3)]);
  return { ...plain, path: { ...plain.path, hops, ...more } };
};
const nic = (medium: 'copper' | 'sfp' = 'copper', ports = 1) =>
  aCard({ lanes: 4, generation: 3, delivers: network(ports, ALL, ['wake', 'vlan'], medium) });
const wire = (machine: Machine, more: Partial<NeedOf<'network'>> = {}, card = nic()) =>
  flowOf(card, machine.slots[0]!, networkNeed(100e6, more), machine)!;
const saysOf = (machine: Machine, card = nic()) => {
  const { finding, catches } = wire(machine, {}, card);
  return [finding, ...catches].map(({ code }) => code);
};

describe('The network path hop by hop', () => {
  const seven = [
    hop('desk', ALL),
    hop('floor', TEN),
    hop('shaft', TEN),
    hop('cellar', TEN),
    hop('core', ALL),
    hop('rack', ALL),
    hop('store', TEN),
  ];

  it('is a stage for each device and for the leads to each, in their order', () => {
    const stages = wire(over(seven)).stages.filter((stage) => stage.hop !== undefined);
    expect(stages.map(({ code, hop: at }) => `${code} ${at!.name}`)).to.deep.equal(
      seven.flatMap(({ name }, n) => [`${n === 6 ? 'farEnd' : 'hop'} ${name}`, `cable ${name}`]),
    );
    // 10 Gb/s less TCP over IPv4 at 1500 bytes: 1460 of 1538 (IEEE 802.3, from memory).
    expect(wire(over(seven)).high / 1e6).to.be.closeTo(1186.6, 0.1);
  });

  it('is no faster than its slowest device, which is named', () => {
    const slow = seven.with(4, hop('core', [100, 1000]));
    const flow = wire(over(slow));
    expect(flow.high / 1e6).to.be.closeTo(118.7, 0.1);
    expect(flow).to.include({ limiting: 'hop' });
    expect(flow.limitingHop).to.deep.equal({ position: 4, name: 'core' });
    // The device behind it comes up at the same, but the card and the leads before it do not.
    expect(flow.stages.find(({ hop: at }) => at?.name === 'cellar')?.high).to.be.above(1e9);
  });

  it('of two machines joined directly is one lead, at what both ports know', () => {
    const direct = over(
      directHops({ cable: told('cat6'), metres: told(3), portMegabits: told(TEN) }),
    );
    expect(wire(direct).high / 1e6).to.be.closeTo(1186.6, 0.1);
    expect(wire(direct).stages.map(({ code }) => code)).to.not.include('hop');
  });

  it('counts the leads of one link as one run, of the least class among them', () => {
    // ISO/IEC 11801: a channel is of its least component (from memory). Cat 6 carries 10 Gb/s up to 55 m (IEEE 802.3an).
    const run = (patchMetres: number, wallMetres: number) =>
      over([
        hop(
          'store',
          ALL,
          lead({ cable: 'cat6', metres: patchMetres }),
          lead({ metres: wallMetres }),
        ),
      ]);
    expect(wire(run(5, 50)).high / 1e6).to.be.closeTo(1186.6, 0.1);
    expect(wire(run(6, 50)).high / 1e6).to.be.closeTo(593.3, 0.1);
    expect(saysOf(run(61, 40))).to.deep.equal(['deliver.cableTooLong']);
  });

  it('falls back to 100 Mb/s over a broken pair, and says which lead to swap', () => {
    const ports = [100, ...ALL];
    const machine = over([hop('store', ports, lead({ condition: 'brokenPair' }))]);
    const card = aCard({ lanes: 4, generation: 3, delivers: network(1, ports) });
    const flow = flowOf(card, machine.slots[0]!, networkNeed(5e6), machine)!;
    // 100BASE-TX uses two pairs (IEEE 802.3, from memory): 94.9 Mb/s of payload.
    expect(flow.high / 1e6).to.be.closeTo(11.87, 0.01);
    expect([flow.finding, ...flow.catches]).to.deep.include({
      code: 'deliver.leadBroken',
      verdict: 'limited',
      subject: 'store',
      needed: 10e9,
      available: 100e6,
      unit: 'b/s',
    });
    expect(saysOf(over([hop('store', ALL, lead({ condition: 'worn' }))]))).to.include(
      'deliver.leadWorn',
    );
    expect(saysOf(over([hop('store', ALL)]))).to.deep.equal(['deliver.meets']);
  });

  it('is as slow as a link behind the first device was seen, and the first link is the new card’s', () => {
    const seen = (at: number) =>
      over(seven.map((each, n) => (n === at ? { ...each, linkMegabits: told(1000) } : each)));
    expect(wire(seen(3)).high / 1e6).to.be.closeTo(118.7, 0.1);
    expect(saysOf(seen(3))).to.include('deliver.linkSlower');
    expect(wire(seen(0)).high / 1e6).to.be.closeTo(1186.6, 0.1);
  });

  it('is asked for device by device and lead by lead while it is not known', () => {
    const unknown = { ...emptyHop('x'), name: 'x' };
    expect(wire(over([unknown, ...seven])).finding.verdict).to.equal('unknown');
    // Too slow stays too slow, whatever is still unknown.
    const slow = over([hop('a', [100]), unknown]);
    expect(wire(slow, { bytesPerSecond: 400e6 }).finding.verdict).to.equal('blocked');
  });

  it('behind its first device is one wire for all cards of the machine', () => {
    // Each need can be served by one of the two cards only.
    const cards = (['netBoot', 'teaming'] as const).map((feature, n) => ({
      feature,
      card: aCard({
        id: feature,
        ids: { vendor: 0xf1a0, device: 0x7001 + n, class24: 0x020000 },
        delivers: network(1, ALL, [feature]),
      }),
    }));
    const needs = cards.map(({ feature }) =>
      networkNeed(50e6, { id: feature, features: [feature], group: 'A' }),
    );
    const rates = (hops: readonly Hop[]) => {
      const machine = over(hops);
      const placed = cards.map(({ card }, n) => ({ card, slot: machine.slots[n]! }));
      return ratesOf(routes(needs, machine, placed, []));
    };
    const behind = rates([hop('desk', ALL), hop('store', [1000])]);
    expect(behind).to.have.length(2);
    for (const { alone, together } of behind) {
      expect(alone.high / 1e6).to.be.closeTo(118.7, 0.1);
      expect(together.high / 1e6).to.be.closeTo(118.7 / 2, 0.1);
    }
    for (const { together } of rates([hop('store', [1000])]))
      expect(together.high / 1e6).to.be.closeTo(118.7, 0.1);
  });
});

describe('Fibre', () => {
  // IEEE 802.3: 10GBASE-SR over OM3 300 m and OM4 400 m, 10GBASE-LR 10 km; 1000BASE-SX over OM3 550 m (from memory).
  it('carries 10 Gb/s as far as its class, then 1 Gb/s, and nothing between', () => {
    for (const [cable, metres] of [
      ['om1', 33],
      ['om3', 300],
      ['om4', 400],
      ['os2', 10_000],
    ] as const) {
      expect(cableCarries(cable, metres, 10_000), cable).to.equal('standard');
      expect(cableCarries(cable, metres + 1, 10_000), cable).to.equal(null);
    }
    expect(cableCarries('om3', 550, 1_000)).to.equal('standard');
    for (const cable of FIBRE_CLASSES) expect(cableCarries(cable, 1, 2_500)).to.equal(null);
  });

  it('wants a cage for modules, and a module for each port that is used', () => {
    const glass = over([hop('store', TEN, lead({ cable: 'om3', metres: 120 }))]);
    expect(saysOf(glass)).to.include('deliver.fibreLead');
    const flow = wire(glass, { ports: 2 }, nic('sfp', 4));
    expect(flow.modules).to.deep.equal(['multimode', 'multimode']);
    expect(extrasOf({ contents: [] }, [], [flow])).to.deep.equal([
      { kind: 'networkModule', fits: 'multimode', count: 2 },
    ]);
    // One lies in the box.
    const contents = [{ kind: 'networkModule' as const, fits: 'multimode' }];
    expect(extrasOf({ contents }, [], [flow])).to.deep.equal([
      { kind: 'networkModule', fits: 'multimode', count: 1 },
    ]);
    // A second need goes through the same cages: they are filled once, as far as the greater one wants.
    const lesser = wire(glass, { ports: 1 }, nic('sfp', 4));
    expect(extrasOf({ contents: [] }, [], [lesser, flow])).to.deep.equal([
      { kind: 'networkModule', fits: 'multimode', count: 2 },
    ]);
    const copper = wire(over([hop('store', TEN)]), {}, nic('sfp'));
    expect(copper.modules).to.deep.equal(['copper']);
    expect(
      wire(over([hop('store', TEN, lead({ cable: 'os2' }))]), {}, nic('sfp')).modules,
    ).to.deep.equal(['singlemode']);
  });
});

describe('An old processor', () => {
  it('holds back 5 Gb/s, and more where the copy is encrypted', () => {
    const of = (processor: 'before2010' | 'before2016' | 'current', encrypted: boolean) =>
      wire(over([hop('store', ALL)], { processor: told(processor) }), { encrypted });
    expect(of('before2010', false)).to.include({ limiting: 'processor', high: 450e6 });
    expect(of('before2010', true).high).to.equal(120e6);
    expect(of('before2016', true)).to.include({ limiting: 'processor' });
    expect(of('current', false)).to.include({ limiting: 'cardPort' });
    expect(wire(over([hop('store', ALL)])).limiting).to.equal('cardPort');
  });
});

describe('The two ends of a copy', () => {
  it('are the device on the port with its own socket, and the machine’s drive with its port', () => {
    const copy = (more: Partial<NeedOf<'usb'>>, path: Partial<Machine['path']> = {}) => {
      const machine = over(directHops(), path);
      const card = aCard({ lanes: 4, generation: 3, delivers: usb(4, '3.2-2', 900) });
      return flowOf(
        card,
        machine.slots[0]!,
        plainNeed('usb', 'u', { bytesPerSecond: 1e6, ...more }),
        machine,
      )!;
    };
    expect(copy({})).to.include({ limiting: 'cardPort', high: 1_000e6 });
    expect(copy({ device: 'stick' })).to.include({ limiting: 'usbDevice', high: 150e6 });
    // A quick drive in an old enclosure shows what its socket shows: 30 to 40 MB/s (practice, facts of the design).
    expect(copy({ device: 'solidState', deviceSignalling: '2.0' }).high).to.equal(40e6);
    const old = { ownDrive: told('sata' as const), ownDrivePort: told('1.5' as const) };
    expect(copy({ device: 'solidState', deviceSignalling: '3.2-2' }, old)).to.include({
      limiting: 'ownDrivePort',
      high: 140e6,
    });
    // Without anything plugged in the port itself is what counts.
    expect(copy({}, old).limiting).to.equal('cardPort');
  });

  it('hold back a wire as well: a port of 150, 300 or 600 MB/s after 8b/10b', () => {
    // Serial ATA 1.5, 3 and 6 Gb/s (from memory); a good drive shows a little less (practice).
    for (const [port, coded] of [
      ['1.5', 150],
      ['3', 300],
      ['6', 600],
    ] as const) {
      const flow = wire(
        over([hop('store', ALL)], { ownDrive: told('sata'), ownDrivePort: told(port) }),
      );
      expect(flow.high / 1e6, port).to.be.within(coded * 0.9, coded);
    }
    const two = { count: 2, how: 'stripe' as const };
    const striped = wire(
      over([hop('store', ALL)], {
        ownDrive: told('sata'),
        ownDrivePort: told('3'),
        ownArray: told(two),
      }),
    );
    expect(striped.high / 1e6).to.be.within(540, 600);
    // A drive on lanes of its own hangs on no such port.
    const nvme = { ownDrive: told('nvme' as const), ownDrivePort: told('1.5' as const) };
    expect(wire(over([hop('store', ALL)], nvme)).limiting).to.equal('cardPort');
  });
});

describe('What frees a slow path', () => {
  const slow = [
    hop('desk', ALL),
    hop('hall', [100, 1000]),
    hop('store', ALL, lead({ condition: 'brokenPair' })),
  ];
  const request = (hops: readonly Hop[]) => ({
    machine: over(hops),
    needs: [networkNeed(250e6)],
    budgetCents: null,
    cards: [nic()],
    extras: [],
    library: [],
  });
  const freed = (hops: readonly Hop[]) =>
    outcome(repairs(request(hops))).flatMap(({ change }) =>
      change.kind === 'hop' || change.kind === 'cable' ? [change] : [],
    );

  it('is the one device or lead that is in the way, and nothing where two are', () => {
    expect(freed(slow)).to.deep.equal([]);
    const oneSwitch = freed(slow.with(2, hop('store', ALL)));
    expect(oneSwitch.map(({ kind, hopId }) => [kind, hopId])).to.deep.equal([['hop', 'hall']]);
    expect(oneSwitch[0]).to.include({ megabits: 2500 });
    const oneLead = freed(slow.with(1, hop('hall', ALL)));
    expect(oneLead.map(({ kind, hopId }) => [kind, hopId])).to.deep.equal([['cable', 'store']]);
  });
});

describe('Radio', () => {
  // The design's table, by IEEE 802.11 (from memory): two streams of each standard.
  it('comes up at the rate of its standard, width and streams', () => {
    const rates = [
      ['n', 40, 300],
      ['ac', 80, 866.7],
      ['ax', 80, 1201],
      ['ax', 160, 2402],
      ['be', 320, 5765],
    ] as const;
    for (const [standard, width, megabits] of rates)
      expect(radioMegabits(standard, width, 2), standard).to.be.closeTo(megabits, 0.5);
    // A channel wider than the standard knows works at its widest; one that is not told likewise.
    expect(radioMegabits('n', 160, 2)).to.equal(300);
    expect(radioMegabits('ac', null, 1)).to.equal(866.7);
  });

  const radio = (accessPoint: Partial<Machine['accessPoint']>) => {
    const plain = aMachine([aSlot(1)]);
    const machine = {
      ...plain,
      accessPoint: { ...plain.accessPoint, ...accessPoint },
      path: { ...plain.path, internetMegabits: told(1000) },
    };
    const card = aCard({ delivers: wifi(2402, true, ['2.4', '5']) });
    return flowOf(card, machine.slots[0]!, plainNeed('wifi', 'w', { megabits: 100 }), machine)!;
  };

  it('is no faster than the access point, through walls less, and no faster than the wire behind it', () => {
    const ac = { standard: told('ac' as const), channelMhz: told(80), streams: told(2) };
    // Half to two thirds of it arrives (common practice, no source).
    expect(radio(ac)).to.include({ limiting: 'radio' });
    expect((radio(ac).high * 8) / 1e6).to.be.closeTo((866.7 * 2) / 3, 0.2);
    expect(radio({ ...ac, distance: told('far' as const) }).high).to.be.below(radio(ac).high / 2);
    expect(radio({ ...ac, wireMegabits: told(100) })).to.include({ limiting: 'accessWire' });
    expect(radio({})).to.include({ limiting: 'internet' });
  });

  it('needs a band that both know', () => {
    expect(radio({ bands: told(['6']) }).finding.code).to.equal('deliver.noCommonBand');
    for (const band of WIFI_BANDS.slice(0, 2))
      expect(radio({ bands: told([band]) }).finding.code).to.equal('deliver.meets');
  });
});
